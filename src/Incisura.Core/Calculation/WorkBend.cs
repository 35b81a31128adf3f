namespace Incisura.Core.Calculation;

/// <summary>
/// How far the work of a lathe bends under a force square to its axis: a round beam clamped in the chuck, free at its end or pinned by a centre.
/// Bending alone, without shear; Euler-Bernoulli.
/// </summary>
public static class WorkBend
{
    // Where a beam that is clamped and pinned bends most under a force there, over its length: 2 − √2.
    private static readonly double Worst = 2 - Math.Sqrt(2);

    /// <summary>Bend at the force, µm.</summary>
    /// <param name="force">Force square to the axis, N.</param>
    /// <param name="diameter">Diameter, mm, above 0.</param>
    /// <param name="length">Length out of the chuck L, mm, above 0.</param>
    /// <param name="at">Distance a of the force from the chuck, mm, 0 to the length.</param>
    /// <param name="centre">Whether a centre pins the end.</param>
    /// <param name="modulus">Young's modulus E, MPa, above 0.</param>
    public static double At(double force, double diameter, double length, double at, bool centre, double modulus)
    {
        double inertia = Math.PI * diameter * diameter * diameter * diameter / 64, cube = at * at * at / 3;
        if (centre) cube -= at * at * at * at * Math.Pow((3 * length) - at, 2) / (12 * length * length * length);
        return 1000 * force * cube / (modulus * inertia);
    }

    /// <summary>Place from the end over some length at which the work bends most, mm from the chuck.</summary>
    /// <param name="length">Length out of the chuck, mm.</param>
    /// <param name="over">Length from the end that is cut, mm.</param>
    /// <param name="centre">Whether a centre pins the end.</param>
    public static double WorstPlace(double length, double over, bool centre) => centre ? Math.Max(length - over, Worst * length) : length;
}
