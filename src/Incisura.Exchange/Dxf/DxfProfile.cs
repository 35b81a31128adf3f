using System.Globalization;
using Incisura.Core.Geometry;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Valid;

namespace Incisura.Exchange.Dxf;

/// <summary>How to take a profile from a drawing.</summary>
/// <param name="MillimetresPerUnit">Unit of the drawing; 0 takes the file's own.</param>
/// <param name="Upright">Whether the axis stands upright (along Y), tip or nose down.</param>
/// <param name="LeftOut">Indexes of chains that are left out.</param>
public sealed record DxfWish(double MillimetresPerUnit, bool Upright, IReadOnlyList<int> LeftOut);

/// <summary>Pieces that hang together, in mm, axis along Z.</summary>
/// <param name="Pieces">From one end to the other.</param>
/// <param name="Length">Total length, mm.</param>
/// <param name="Used">Whether the profile is made of it.</param>
public sealed record DxfChain(IReadOnlyList<ProfileElement> Pieces, double Length, bool Used);

/// <summary>A profile taken from a drawing, or why it cannot be.</summary>
/// <param name="Chains">Everything drawn; what is not used is stray.</param>
/// <param name="Segments">The profile as segments; empty where it cannot be taken.</param>
/// <param name="Findings">What was found, in words.</param>
/// <param name="MillimetresPerUnit">Unit taken.</param>
public sealed record DxfTaken(
    IReadOnlyList<DxfChain> Chains, IReadOnlyList<StackSegment> Segments, IReadOnlyList<string> Findings, double MillimetresPerUnit);

/// <summary>Takes one half of a revolved profile from a drawing: joins pieces to chains, picks the profile, and stacks it.</summary>
public static class DxfProfile
{
    // Ends nearer than this are the same point; drawings often leave a few micrometres.
    private const double Gap = 0.01;

    // Lines and arcs of a drawing, and how far they reach, mm.
    private const int MostPieces = 5000;

    private const double Longest = 100_000;

    // Entities that are never part of an outline.
    private static readonly HashSet<string> NeverOutline =
    [
        "TEXT", "MTEXT", "DIMENSION", "LEADER", "MLEADER", "MULTILEADER", "ATTRIB", "ATTDEF", "POINT", "HATCH", "VIEWPORT", "TOLERANCE", "TABLE",
        "IMAGE", "WIPEOUT", "XLINE", "RAY", "ACAD_TABLE",
    ];

    /// <summary>Takes a profile.</summary>
    /// <param name="drawing">The drawing.</param>
    /// <param name="wish">How.</param>
    /// <param name="cuttingUntil">Length from the tip that cuts, mm; 0 for a holder.</param>
    /// <param name="most">Most segments taken.</param>
    public static DxfTaken Take(DxfDrawing drawing, DxfWish wish, double cuttingUntil, int most = StackedProfile.Most)
    {
        List<string> findings = [];
        double unit = wish.MillimetresPerUnit > 0 ? wish.MillimetresPerUnit : drawing.MillimetresPerUnit;
        if (drawing.Pieces.Count > MostPieces)
            return new([], [], [$"The drawing has {drawing.Pieces.Count} lines and arcs; {MostPieces} are the most. Save the profile alone."], unit);
        if (!(Furthest(drawing) * Math.Max(1, unit) <= Longest))
            return new([], [], ["The drawing reaches further than 100 m; check its unit, and delete what lies far away."], 1);
        if (unit <= 0)
        {
            unit = 1;
            findings.Add("The drawing does not say its unit; millimetres are taken. Choose inches if it was drawn in inches.");
        }

        foreach ((string kind, int count) in drawing.LeftOut.Where(k => NeverOutline.Contains(k.Key)))
            findings.Add($"{count} {kind} cannot be part of a profile and {(count == 1 ? "is" : "are")} left out.");
        string[] curves = [.. drawing.LeftOut.Where(k => !NeverOutline.Contains(k.Key)).Select(k => $"{k.Value} {k.Key}")];
        List<List<ProfileElement>> chains = Join(Once([.. drawing.Pieces.Select(p => Place(p, unit, wish.Upright)).Where(e => e.Chord > Gap / 10)]));
        if (chains.Count == 0)
            return new([], [], [.. findings, "The drawing holds no line or arc; save the profile as lines, arcs or polylines."], unit);

        // Segments that lie on the axis only close the outline.
        chains = [.. chains.Select(c => OffAxis(c)).Where(c => c.Count > 0)];
        int chosen = Enumerable.Range(0, chains.Count)
            .Where(i => !wish.LeftOut.Contains(i))
            .OrderByDescending(i => LengthOf(chains[i]))
            .FirstOrDefault(-1);
        List<DxfChain> shown = [.. chains.Select((c, i) => new DxfChain(c, LengthOf(c), i == chosen))];
        if (chosen < 0) return new(shown, [], [.. findings, "Every line is left out; take one in again."], unit);
        if (chains.Count > 1)
            findings.Add(string.Create(
                CultureInfo.InvariantCulture,
                $"{chains.Count - 1} other {(chains.Count == 2 ? "line does" : "lines do")} not touch the profile and "
                    + $"{(chains.Count == 2 ? "is" : "are")} left out."));

        List<ProfileElement> profile = chains[chosen];
        if (profile.Count > 2 * most + 2) return Refused($"The outline has {profile.Count} pieces; 1 to {most} can be taken.");
        double left = profile.Min(e => Math.Min(e.FromZ, e.ToZ)), right = profile.Max(e => Math.Max(e.FromZ, e.ToZ)),
            high = profile.Max(e => Math.Max(e.FromR, e.Points(Gap).Max(p => p.R))),
            low = profile.Min(e => Math.Min(e.FromR, e.Points(Gap).Min(p => p.R)));
        if (curves.Length > 0)
            return Refused(
                $"The drawing has {string.Join(" and ", curves)}, which cannot be read, so part of the profile may be missing. Turn curves into "
                    + "lines and arcs, dissolve blocks, or delete what does not belong, and save it again.");
        if (Beyond(chains, chosen, wish, left, right) is { } beyond) return Refused(beyond);
        if (low < -Gap && high > Gap) return Refused("The outline crosses the axis; draw one half of it, on one side of the axis.");
        if (high <= Gap) profile = [.. profile.Select(e => e with { FromR = -e.FromR, ToR = -e.ToR, Bulge = -e.Bulge })];
        if (SelfCrossing(profile)) return Refused("The outline crosses itself; mend the drawing.");
        if (double.Hypot(profile[0].FromZ - profile[^1].ToZ, profile[0].FromR - profile[^1].ToR) < Gap)
        {
            // A closed loop away from the axis is no half profile.
            return Refused("The outline is closed and does not touch the axis; draw one half with its axis at zero.");
        }

        if (profile[0].FromZ > profile[^1].ToZ) profile = [.. Enumerable.Reverse(profile).Select(e => e.Reverse())];
        if (right - left > 1000 || Math.Max(high, -low) > 250)
            findings.Add(string.Create(
                CultureInfo.InvariantCulture,
                $"The profile is {right - left:0.#} mm long and Ø{2 * Math.Max(high, -low):0.#} mm; if that cannot be, choose another unit."));
        if (right - left < 3)
            findings.Add(string.Create(
                CultureInfo.InvariantCulture, $"The profile is only {right - left:0.###} mm long; if that cannot be, choose inches."));
        if (profile[0].FromR > Gap && profile[0].FromR != 0 && Math.Abs(profile[0].FromZ - left) > Gap)
            findings.Add("The outline has an open end at the front; it is closed straight to the axis.");

        List<StackSegment> segments = [];
        foreach (ProfileElement e in profile)
        {
            double length = e.ToZ - e.FromZ;
            if (length < -Gap)
                return Refused(
                    "The outline runs back along the axis (an undercut); a stacked profile only goes forward. Draw it without the undercut.");
            if (length <= Gap / 10) continue;
            segments.Add(new(
                Round(length), Round(2 * Math.Max(0, e.FromR)), Round(2 * Math.Max(0, e.ToR)),
                e.Bulge == 0 ? 0 : Round(-Math.Sign(e.Bulge) * e.Radius), e.FromZ - left < cuttingUntil - Gap));
        }

        return segments.Count == 0 || segments.Count > most
            ? Refused($"The outline has {segments.Count} pieces along the axis; 1 to {most} can be taken.")
            : new(shown, segments, findings, unit);

        DxfTaken Refused(string sentence) => new(shown, [], [.. findings, sentence], unit);
    }

    // A profile taken from a drawing must not end where only a gap is: what else is drawn further out has to be joined or left out.
    private static string? Beyond(List<List<ProfileElement>> chains, int chosen, DxfWish wish, double left, double right)
    {
        double least = double.PositiveInfinity, further = 0;
        for (int i = 0; i < chains.Count; i++)
        {
            if (i == chosen || wish.LeftOut.Contains(i)) continue;
            double from = chains[i].Min(e => Math.Min(e.FromZ, e.ToZ)), until = chains[i].Max(e => Math.Max(e.FromZ, e.ToZ));
            if (from >= left - Gap && until <= right + Gap) continue;
            further = Math.Max(further, Math.Max(left - from, until - right));
            foreach ((double z, double r) in Ends(chains[i]))
                foreach ((double z2, double r2) in Ends(chains[chosen])) least = Math.Min(least, double.Hypot(z - z2, r - r2));
        }

        return double.IsInfinity(least)
            ? null
            : string.Create(
                CultureInfo.InvariantCulture,
                $"Another line reaches {further:0.###} mm further along the axis than the profile, and its end is {least:0.###} mm away from it. "
                    + $"If it belongs to the profile, close the gap in the drawing; if not, leave the line out.");
    }

    private static (double Z, double R)[] Ends(List<ProfileElement> chain) => Ends(chain[0], chain[^1]);

    private static (double Z, double R)[] Ends(ProfileElement first, ProfileElement last) => [(first.FromZ, first.FromR), (last.ToZ, last.ToR)];

    // A line drawn twice is one line.
    private static List<ProfileElement> Once(List<ProfileElement> pieces)
    {
        List<ProfileElement> once = [];
        foreach (ProfileElement e in pieces.OrderBy(Front))
        {
            int nearest = once.FindLastIndex(o => Front(o) < Front(e) - Gap) + 1;
            if (!once.Skip(nearest).Any(o => Same(o, e) || Same(o, e.Reverse()))) once.Add(e);
        }

        return once;

        static double Front(ProfileElement e) => Math.Min(e.FromZ, e.ToZ);
    }

    private static bool Same(ProfileElement a, ProfileElement b) =>
        Near(a.FromZ, a.FromR, b.FromZ, b.FromR) && Near(a.ToZ, a.ToR, b.ToZ, b.ToR) && Math.Abs(a.Bulge - b.Bulge) * a.Chord < 2 * Gap;

    private static double Furthest(DxfDrawing drawing) => drawing.Pieces.Select(p =>
        Math.Max(Math.Max(Math.Abs(p.FromX), Math.Abs(p.FromY)), Math.Max(Math.Abs(p.ToX), Math.Abs(p.ToY)))).DefaultIfEmpty().Max();

    private static double Round(double mm) => Math.Round(mm, 6);

    private static double LengthOf(List<ProfileElement> chain) => chain.Sum(e => e.Chord);

    private static ProfileElement Place(DxfPiece p, double unit, bool upright) => upright
        ? new(ProfilePart.Holder, p.FromY * unit, p.FromX * unit, p.ToY * unit, p.ToX * unit, -p.Bulge)
        : new(ProfilePart.Holder, p.FromX * unit, p.FromY * unit, p.ToX * unit, p.ToY * unit, p.Bulge);

    // Pieces are found by the cells their ends lie in, so that a drawing of thousands takes no longer a piece than one of ten.
    private static List<List<ProfileElement>> Join(List<ProfileElement> pieces)
    {
        List<List<ProfileElement>> chains = [];
        Dictionary<(long, long), List<int>> ends = [];
        for (int i = 0; i < pieces.Count; i++)
            foreach ((double z, double r) in Ends(pieces[i], pieces[i]))
            {
                if (!ends.TryGetValue(CellOf(z, r), out List<int>? there)) ends[CellOf(z, r)] = there = [];
                there.Add(i);
            }

        bool[] taken = new bool[pieces.Count];
        for (int last = pieces.Count - 1; last >= 0; last--)
        {
            if (taken[last]) continue;
            taken[last] = true;
            List<ProfileElement> onward = [pieces[last]], before = [];
            while (Next(onward[^1].ToZ, onward[^1].ToR) is { } next) onward.Add(next);
            while ((before.Count > 0 ? before[^1] : onward[0]) is var first && Next(first.FromZ, first.FromR) is { } next) before.Add(next.Reverse());
            before.Reverse();
            chains.Add([.. before, .. onward]);
        }

        return [.. chains.OrderByDescending(LengthOf)];

        // The first piece that begins or ends at a point, led away from it.
        ProfileElement? Next(double z, double r)
        {
            (long column, long row) = CellOf(z, r);
            int found = int.MaxValue;
            for (long c = column - 1; c <= column + 1; c++)
                for (long w = row - 1; w <= row + 1; w++)
                    foreach (int i in ends.GetValueOrDefault((c, w)) ?? [])
                        if (!taken[i] && i < found && Ends(pieces[i], pieces[i]).Any(e => Near(z, r, e.Z, e.R))) found = i;
            if (found == int.MaxValue) return null;
            taken[found] = true;
            ProfileElement piece = pieces[found];
            return Near(z, r, piece.FromZ, piece.FromR) ? piece : piece.Reverse();
        }

        static (long, long) CellOf(double z, double r) => ((long)Math.Floor(z / Gap), (long)Math.Floor(r / Gap));
    }

    private static bool Near(double z1, double r1, double z2, double r2) => double.Hypot(z1 - z2, r1 - r2) < Gap;

    // Opens a loop where it runs along the axis, and drops what lies on it.
    private static List<ProfileElement> OffAxis(List<ProfileElement> chain)
    {
        bool On(ProfileElement e) => e.Bulge == 0 && Math.Abs(e.FromR) < Gap && Math.Abs(e.ToR) < Gap;
        int axis = chain.FindIndex(e => On(e));
        return axis < 0 ? chain : [.. chain.Skip(axis + 1).Concat(chain.Take(axis)).Where(e => !On(e))];
    }

    private static bool SelfCrossing(List<ProfileElement> profile)
    {
        List<Coordinate> points = [new(profile[0].FromZ, profile[0].FromR)];
        foreach (ProfileElement e in profile)
            foreach ((double z, double r) in e.Points(Gap))
                if (points[^1].Distance(new(z, r)) > 1e-9) points.Add(new(z, r));
        return points.Count > 2 && !new IsSimpleOp(new LineString([.. points])).IsSimple();
    }
}
