using Incisura.Core.Cutters;
using Incisura.Core.Geometry;

namespace Incisura.Core.Holders;

/// <summary>The wall beside a tool that has gone to its depth.</summary>
public readonly record struct Wall
{
    /// <summary>Depth below the upper edge of the wall, mm, above 0.</summary>
    public required double Depth { get; init; }

    /// <summary>Draft of the wall: how far it leans away from the tool, degrees, 0 to 60.</summary>
    public double Draft { get; init; }

    /// <summary>Air wanted between the tool and the wall, mm, 0 to 20.</summary>
    public double Clearance { get; init; }

    /// <summary>Height of a shoulder that stands above the edge, mm; 0 for none.</summary>
    public double ShoulderHeight { get; init; }

    /// <summary>Distance of the shoulder from the wall's upper edge, mm.</summary>
    public double ShoulderDistance { get; init; }

    /// <summary>Checks every value.</summary>
    public InputCheck Check() => new InputCheck()
        .Within("depth", "The depth", Depth, 0.01, 1500, Quantity.Length)
        .Within("draft", "The draft", Draft, 0, 60, Quantity.Angle)
        .Within("clearance", "The clearance", Clearance, 0, 20, Quantity.Length)
        .Within("shoulderHeight", "The height of the shoulder", ShoulderHeight, 0, 1500, Quantity.Length)
        .Within("shoulderDistance", "The distance of the shoulder", ShoulderDistance, 0, 500, Quantity.Length);
}

/// <summary>A place where a part of the assembly comes too near the wall.</summary>
/// <param name="Part">Which part.</param>
/// <param name="At">Distance from the tip, mm.</param>
/// <param name="By">How much too near, mm.</param>
/// <param name="FromZ">Where it begins, mm from the tip.</param>
/// <param name="ToZ">Where it ends, mm from the tip.</param>
public readonly record struct Touch(ProfilePart Part, double At, double By, double FromZ, double ToZ);

/// <summary>What the reach check found.</summary>
/// <param name="Touches">Where it touches, worst of each part; empty where it clears.</param>
/// <param name="Margin">Least air beyond the clearance along the wall, mm; below 0 where it touches.</param>
/// <param name="LeastProjection">Least projection of the cutter that clears, mm; not a number where none does.</param>
/// <param name="Deepest">Deepest depth that clears as it is, mm.</param>
/// <param name="Sentence">What to know and do.</param>
public sealed record ReachResult(IReadOnlyList<Touch> Touches, double Margin, double LeastProjection, double Deepest, Sentence Sentence);

/// <summary>
/// Says whether neck, shank, extension or holder touch a wall that the cutter works along. The wall is where the cutting part makes it:
/// with its draft it just touches the edges, wherever on the profile that is. A shoulder may stand above its edge. Every part behind
/// the cutting one must keep inside it.
/// </summary>
public static class ReachCheck
{
    private const double Fine = 1e-9, ProjectionStep = 0.1;

    /// <summary>Whether the question makes sense: a tool that turns, or a blade, which has both its sides alike.</summary>
    public static bool Applies(BuiltAssembly built) => built.Cutter.Described is { Use: not CutterUse.Turning } or { Shank: ShankForm.Blade };

    /// <summary>Checks an assembly beside a wall; both are taken as checked, and the question must apply.</summary>
    public static ReachResult Solve(BuiltAssembly built, in Wall wall)
    {
        Profile profile = built.Profile();
        double projection = built.Definition.Projection;
        Zone[] zones = Zones(profile, wall);
        Dictionary<ProfilePart, Touch> worst = [];
        double margin = double.PositiveInfinity, least = 0;
        bool fixedTouches = false;
        foreach ((ProfilePart part, double z0, double r0, double z1, double r1) in Chords(profile))
            foreach (Zone zone in zones)
            {
                if (zone.Worst(z0, r0, z1, r1) is not { } near) continue;
                margin = Math.Min(margin, -near.By);
                if (near.By > Fine)
                {
                    if (part is ProfilePart.Neck or ProfilePart.Body or ProfilePart.Shank) fixedTouches = true;
                    Touch touch = new(part, near.At, near.By, near.From, near.To);
                    worst[part] = worst.TryGetValue(part, out Touch before) ? Join(before, touch) : touch;
                }
            }

        // What stands behind the cutter moves back with a longer projection.
        foreach ((ProfilePart part, double z0, double r0, double z1, double r1) in Chords(profile))
            if (part is ProfilePart.Holder or ProfilePart.Extension)
                foreach (Zone zone in zones)
                    least = Math.Max(least, zone.LeastShift(z0 - projection, r0, z1 - projection, r1));

        double clears = fixedTouches ? double.NaN : Math.Max(least, built.Joints[0].Least);
        if (worst.Count > 0 && !double.IsNaN(clears)) clears = Proved(built, wall, clears);
        IReadOnlyList<Touch> touches = [.. worst.Values.OrderByDescending(t => t.By)];
        double deepest = touches.Count == 0 ? wall.Depth : Deepest(profile, wall);
        return new(touches, double.IsFinite(margin) ? margin : wall.Clearance, clears, deepest, Words(built, touches, clears, deepest, wall));
    }

    // A projection is advised only where the assembly at that very projection clears by the check itself, with what it draws out of the
    // holder; from the one worked out it is looked for in steps as far as the grip allows.
    private static double Proved(BuiltAssembly built, Wall wall, double worked)
    {
        double most = built.Joints[0].Most;
        if (worked > most + Fine) return worked;
        for (double at = worked; at <= most; at += ProjectionStep)
            if (ClearsAt(built, wall, at)) return at;
        return ClearsAt(built, wall, most) ? most : double.NaN;
    }

    private static bool ClearsAt(BuiltAssembly built, in Wall wall, double projection) =>
        Clears(new BuiltAssembly(built.Definition with { Projection = projection }, built.Cutter, built.Holder, built.Extensions).Profile(), wall);

    // Halving towards the deepest wall that clears. Beside a plain wall every lesser depth clears too; with a shoulder on a leaning
    // wall there may be a deeper one, but what is found clears.
    private static double Deepest(Profile profile, Wall wall)
    {
        double low = 0, high = wall.Depth;
        for (int i = 0; i < 24; i++)
        {
            double middle = (low + high) / 2;
            if (Clears(profile, wall with { Depth = middle })) low = middle;
            else high = middle;
        }

        return Math.Floor((low * 100) + 0.001) / 100;
    }

    private static bool Clears(Profile profile, in Wall wall)
    {
        Zone[] zones = Zones(profile, wall);
        foreach ((_, double z0, double r0, double z1, double r1) in Chords(profile))
            foreach (Zone zone in zones)
                if (zone.Worst(z0, r0, z1, r1) is { By: > Fine }) return false;
        return true;
    }

    // The wall that the edges make, told by where it would meet the plane of the tip, and the shoulder above its edge where there is one.
    private static Zone[] Zones(Profile profile, in Wall wall)
    {
        double tan = Math.Tan(double.DegreesToRadians(wall.Draft)), edge = 0;
        foreach (ProfileElement e in profile.Elements)
        {
            if (e.Part != ProfilePart.Cutting) continue;
            edge = Math.Max(edge, Math.Abs(e.FromR) - (e.FromZ * tan));
            foreach ((double z, double r) in e.Points(Profile.Sagitta)) edge = Math.Max(edge, Math.Abs(r) - (z * tan));
        }

        Zone beside = new(0, wall.Depth, edge - wall.Clearance, tan);
        return wall.ShoulderHeight > 0
            ? [beside, new(wall.Depth, wall.Depth + wall.ShoulderHeight, edge + (wall.Depth * tan) + wall.ShoulderDistance - wall.Clearance, 0)]
            : [beside];
    }

    private static Sentence Words(BuiltAssembly built, IReadOnlyList<Touch> touches, double clears, double deepest, in Wall wall)
    {
        if (touches.Count == 0) return new("Clears the wall of {0}.", new Measure(wall.Depth, Quantity.Length));
        Touch worst = touches[0];
        string part = worst.Part switch
        {
            ProfilePart.Neck => "The neck",
            ProfilePart.Body => "The body",
            ProfilePart.Shank => "The shank",
            ProfilePart.Extension => "The extension",
            _ => "The holder",
        };
        Measure by = new(worst.By, Quantity.Length), at = new(worst.At, Quantity.Length), depth = new(deepest, Quantity.Length);
        if (double.IsNaN(clears))
            return new(
                part
                    + $" touches by {{0}}, {{1}} from the tip. No projection cures it: take "
                    + (built.Cutter.Described.Shank == ShankForm.Blade ? "a blade with a longer reach" : "a cutter with a longer or thinner neck")
                    + ", or stay within {2}.",
                by, at, depth);
        double most = built.Joints[0].Most;
        return clears <= most + Fine
            ? new(part + " touches by {0}, {1} from the tip. It clears from a projection of {2}.", by, at, new(clears, Quantity.Length))
            : new(
                part
                    + " touches by {0}, {1} from the tip. It would clear from a projection of {2}, but the grip allows only {3}: take a longer "
                    + "cutter or a slimmer holder, or stay within {4}.",
                by, at, new(clears, Quantity.Length), new(most, Quantity.Length), depth);
    }

    private static Touch Join(Touch a, Touch b)
    {
        Touch worse = b.By > a.By ? b : a;
        return worse with { FromZ = Math.Min(a.FromZ, b.FromZ), ToZ = Math.Max(a.ToZ, b.ToZ) };
    }

    // The parts behind the edges as straight pieces; of a flat tool whichever side reaches further.
    private static IEnumerable<(ProfilePart Part, double Z0, double R0, double Z1, double R1)> Chords(Profile profile)
    {
        foreach (ProfileElement e in profile.Elements)
        {
            // A step inwards is the back of the part before it.
            if (e.Part == ProfilePart.Cutting || (e.FromZ == e.ToZ && Math.Abs(e.ToR) < e.FromR)) continue;
            (double z, double r) = (e.FromZ, Math.Abs(e.FromR));
            foreach ((double nextZ, double nextR) in e.Points(Profile.Sagitta))
            {
                yield return z <= nextZ ? (e.Part, z, r, nextZ, Math.Abs(nextR)) : (e.Part, nextZ, Math.Abs(nextR), z, r);
                (z, r) = (nextZ, Math.Abs(nextR));
            }
        }
    }

    // Between two depths the wall allows a radius that grows with the draft.
    private readonly record struct Zone(double Start, double End, double Allowed, double Tan)
    {
        public (double By, double At, double From, double To)? Worst(double z0, double r0, double z1, double r1)
        {
            double a = Math.Max(z0, Start), b = Math.Min(z1, End);
            if (b < a - Fine || a >= End - Fine) return null;
            double At(double z) => z1 > z0 ? r0 + ((r1 - r0) * (z - z0) / (z1 - z0)) : Math.Max(r0, r1);
            double over0 = At(a) - Allowed - (a * Tan), over1 = At(b) - Allowed - (b * Tan);
            return over0 >= over1 ? (over0, a, a, b) : (over1, b, a, b);
        }

        // The least shift p for which every point s of a piece has p + s beyond the zone, or a wall wide enough there.
        public double LeastShift(double s0, double r0, double s1, double r1)
        {
            double At(double s) => s1 > s0 ? r0 + ((r1 - r0) * (s - s0) / (s1 - s0)) : Math.Max(r0, r1);
            double least = Math.Max(One(s0, At(s0)), One(s1, At(s1)));
            if (s1 <= s0) return least;

            // Beside an upright wall a piece that widens backwards, or narrows, is too wide from where it meets the wall's radius on.
            if (Tan <= 0)
                return (r0 - Allowed) * (r1 - Allowed) < 0
                    ? Math.Max(least, End - (r1 > r0 ? s0 + ((Allowed - r0) * (s1 - s0) / (r1 - r0)) : s0))
                    : least;

            // Between its ends the needed shift is the lesser of two straight lines; where they cross it may peak.
            double slope = (r1 - r0) / (s1 - s0), crossing = s0 + (((End * Tan) + Allowed - r0) / slope);
            return slope != 0 && crossing > s0 && crossing < s1 ? Math.Max(least, One(crossing, At(crossing))) : least;
        }

        private double One(double s, double r)
        {
            double beyond = End - s;
            if (r <= Allowed + (Start * Tan) + Fine) return 0;
            return Tan > 0 ? Math.Min(beyond, ((r - Allowed) / Tan) - s) : beyond;
        }
    }
}
