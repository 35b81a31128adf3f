namespace Incisura.Core.Machines;

/// <summary>
/// The force with which a chuck holds the work: jaws that grip from outside lose of it as they are flung outwards, those that grip from inside win
/// (VDI 3106).
/// </summary>
/// <param name="AtRest">Clamping force of all jaws at rest F_0, N, at least 0.</param>
/// <param name="Jaws">Number of jaws i_b.</param>
/// <param name="JawMass">Mass of one jaw m_b, kg, at least 0.</param>
/// <param name="JawRadius">Distance of its centre of mass from the axis r_b, mm, at least 0.</param>
/// <param name="Inside">Whether the jaws grip from inside.</param>
public readonly record struct ChuckGrip(double AtRest, int Jaws, double JawMass, double JawRadius, bool Inside = false)
{
    private static readonly Formula LeftFormula = new(
        "F_w", "Clamping force at speed", Quantity.Force, "max(0, F_0 - i_b*m_b*r_b/1000*(pi*n_k/30)^2)",
        "jaws that grip from outside are flung outwards; VDI 3106");

    /// <summary>Tells what is left of a grip at a speed.</summary>
    internal static void Tell<TTrace>(in ChuckGrip grip, double speed, ref TTrace trace)
        where TTrace : struct, ITrace => trace.Take(
        LeftFormula, grip.At(speed), new("F_0", grip.AtRest), new("i_b", grip.Jaws), new("m_b", grip.JawMass), new("r_b", grip.JawRadius),
        new("n_k", speed));

    // Force of the jaws for each (rad/s)², N·s².
    private double Flings => Jaws * JawMass * JawRadius / 1000;

    /// <summary>Clamping force at a speed, N, at least 0: F_0 ∓ i_b·m_b·r_b·ω².</summary>
    /// <param name="speed">n, rev/min.</param>
    public double At(double speed)
    {
        double turn = Math.PI * speed / 30, flung = Flings * turn * turn;
        return Math.Max(0, AtRest + (Inside ? flung : -flung));
    }

    /// <summary>Highest speed at which it still holds with a force, rev/min; 0 where it does not at rest, infinite where speed costs nothing.</summary>
    /// <param name="needed">N.</param>
    public double SpeedFor(double needed)
    {
        if (needed > AtRest) return 0;
        return Inside || Flings <= 0 ? double.PositiveInfinity : Math.Sqrt((AtRest - needed) / Flings) * 30 / Math.PI;
    }

    /// <summary>
    /// Share of all jaws that stands against a moment across the axis, with the jaws in their worst place to it: the least mean of |cos φ|; two jaws hold
    /// across themselves by friction only.
    /// </summary>
    /// <param name="friction">μ_s, above 0.</param>
    public double LeverShare(double friction)
    {
        double around = Math.PI / Jaws, least = (Jaws % 2 == 0 ? 2 / Math.Tan(around) : 1 / Math.Tan(around / 2)) / Jaws;
        return Math.Max(least, friction / 2);
    }

    /// <summary>
    /// Clamping force at which a moment across the axis lifts the work off the jaws, N, with safety: the force of each jaw has moved to the end of its
    /// length.
    /// </summary>
    /// <param name="moment">Moment about the middle of the jaws, N·m, at least 0.</param>
    /// <param name="length">Length in the jaws l_j, mm, above 0.</param>
    /// <param name="share">As <see cref="LeverShare"/> says.</param>
    /// <param name="safety">S_s, at least 1.</param>
    public static double NeededAgainstLever(double moment, double length, double share, double safety) =>
        safety * 2000 * moment / (share * length);

    /// <summary>Clamping force that a cut needs, N: friction of all jaws against turning and slipping along the axis, with safety (VDI 3106).</summary>
    /// <param name="cutting">F_c, N.</param>
    /// <param name="feed">F_f along the axis, N.</param>
    /// <param name="diameter">Diameter at which is cut, mm.</param>
    /// <param name="gripped">Diameter at which the jaws grip, mm, above 0.</param>
    /// <param name="friction">μ_s, above 0: 0.1 for smooth jaws on turned steel, to 0.3 for toothed ones.</param>
    /// <param name="safety">S_s, at least 1.</param>
    public static double Needed(double cutting, double feed, double diameter, double gripped, double friction, double safety) =>
        safety / friction * double.Hypot(cutting * diameter / gripped, feed);
}
