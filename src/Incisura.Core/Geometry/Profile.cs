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
