namespace Incisura.Core.Geometry;

/// <summary>How a profile fills space.</summary>
public enum ProfileShape
{
    /// <summary>Turned about its axis; the elements are the half above it, from the tip to the back.</summary>
    Revolved,

    /// <summary>Flat, as a turning tool seen on its rake face; the elements are closed loops.</summary>
    Flat,
}

/// <summary>
/// The one profile that silhouettes, drawings, the view in three dimensions, reach, stiffness and the diameter in contact are made
/// from. Its tip is at Z = 0.
/// </summary>
/// <param name="Shape">How it fills space.</param>
/// <param name="Elements">Lines and arcs, cutting and other parts told apart.</param>
public sealed record Profile(ProfileShape Shape, IReadOnlyList<ProfileElement> Elements)
{
    /// <summary>Largest distance of a chord from its arc where arcs are worked as chords, mm.</summary>
    public const double Sagitta = 0.001;

    /// <summary>A profile of nothing.</summary>
    public static Profile None { get; } = new(ProfileShape.Revolved, []);

    /// <summary>Length from the tip to the back, mm.</summary>
    public double Length => Elements.Count == 0 ? 0 : Elements.Max(e => Math.Max(e.FromZ, e.ToZ));

    /// <summary>Largest diameter, or twice the largest distance across a flat profile, mm.</summary>
    public double Girth => Elements.Count == 0 ? 0 : 2 * Elements.Max(e => e.Points(Sagitta).Append((e.FromZ, e.FromR)).Max(p => Math.Abs(p.Item2)));

    /// <summary>Whether a loop of a flat profile crosses itself.</summary>
    public bool CrossesItself()
    {
        if (Shape != ProfileShape.Flat) return false;
        List<(double Z, double R)> loop = [];
        foreach (ProfileElement e in Elements)
        {
            if (loop.Count > 0 && (Math.Abs(loop[^1].Z - e.FromZ) > 1e-6 || Math.Abs(loop[^1].R - e.FromR) > 1e-6))
            {
                if (Crosses(loop)) return true;
                loop.Clear();
            }

            if (loop.Count == 0) loop.Add((e.FromZ, e.FromR));
            loop.AddRange(e.Points(Sagitta));
        }

        return Crosses(loop);
    }

    private static bool Crosses(List<(double Z, double R)> loop)
    {
        for (int i = 1; i < loop.Count; i++)
            for (int j = i + 2; j < loop.Count; j++)
                if ((i > 1 || j < loop.Count - 1) && Meet(loop[i - 1], loop[i], loop[j - 1], loop[j])) return true;
        return false;
    }

    // Two pieces cross where the ends of each lie on both sides of the other, by more than rounding.
    private static bool Meet((double Z, double R) a, (double Z, double R) b, (double Z, double R) c, (double Z, double R) d)
    {
        static double Side((double Z, double R) a, (double Z, double R) b, (double Z, double R) p) =>
            ((b.Z - a.Z) * (p.R - a.R)) - ((b.R - a.R) * (p.Z - a.Z));
        const double Least = 1e-7;
        double c1 = Side(a, b, c), d1 = Side(a, b, d), a1 = Side(c, d, a), b1 = Side(c, d, b);
        return Math.Min(c1, d1) < -Least && Math.Max(c1, d1) > Least && Math.Min(a1, b1) < -Least && Math.Max(a1, b1) > Least;
    }

    /// <summary>Diameter in contact D_e at a depth from the tip: the largest cutting diameter up to it, mm; 0 where nothing cuts.</summary>
    /// <param name="depth">Depth from the tip, mm, above 0.</param>
    public double CuttingDiameterAt(double depth)
    {
        double most = 0;
        foreach (ProfileElement e in Elements)
        {
            if (e.Part != ProfilePart.Cutting || Math.Min(e.FromZ, e.ToZ) > depth) continue;
            ProfileElement within = Math.Max(e.FromZ, e.ToZ) > depth ? Cut(e, depth) : e;
            foreach ((_, double r) in within.Points(Sagitta)) most = Math.Max(most, r);
            most = Math.Max(most, within.FromR);
        }

        return 2 * most;
    }

    /// <summary>The profile from the tip as far as a Z; what lies behind is left out.</summary>
    public Profile Until(double z) => this with
    {
        Elements =
        [
            .. from e in Elements
               where Math.Min(e.FromZ, e.ToZ) < z - Outline.Nothing
               select Math.Max(e.FromZ, e.ToZ) <= z ? e : Cut(e, z),
        ],
    };

    /// <summary>Volume of the parts of a revolved profile, mm³ (frustums between its points); 0 for a flat one.</summary>
    /// <param name="counts">Which parts count.</param>
    public double Volume(Func<ProfilePart, bool> counts)
    {
        if (Shape == ProfileShape.Flat) return 0;
        double volume = 0;
        foreach (ProfileElement e in Elements.Where(e => counts(e.Part)))
        {
            (double z, double r) = (e.FromZ, e.FromR);
            foreach ((double nextZ, double nextR) in e.Points(Sagitta))
            {
                volume += Math.PI * (nextZ - z) * ((r * r) + (r * nextR) + (nextR * nextR)) / 3;
                (z, r) = (nextZ, nextR);
            }
        }

        return volume;
    }

    // A flat loop runs both ways along the axis; whichever end lies too far back is drawn in.
    private static ProfileElement Cut(ProfileElement e, double z) => e.ToZ > z ? e.Until(z) : e.Reverse().Until(z).Reverse();
}
