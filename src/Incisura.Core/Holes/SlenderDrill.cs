using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Core.Holes;

/// <summary>
/// A drill as a slender column: where it whirls and where it buckles. Its fluted body stands as a cylinder of 0.8 of its diameter,
/// as for bending.
/// </summary>
/// <param name="Bending">Diameter d_b of that cylinder, mm.</param>
/// <param name="Modulus">E, MPa.</param>
/// <param name="Density">ρ, kg/dm³.</param>
public readonly record struct SlenderDrill(double Bending, double Modulus, double Density)
{
    /// <summary>
    /// Share of the least whirling speed that may be used, a quarter below the first critical speed as shafts are run, and of Euler's buckling
    /// force, a safety of 2 (both by the practice of machine elements, such as Roloff and Matek).
    /// </summary>
    public const double SpeedShare = 0.75, ForceShare = 0.5;

    // First roots of the bending of a bar held at one end: free at the other, and guided at the other.
    private const double FreeRoot = 1.8751, GuidedRoot = 3.9266;

    private static readonly Formula WhirlFormula = new(
        "n_w", "Speed that does not whirl", Quantity.SpindleSpeed, "0.75*30/pi*λ^2/(l_0/1000)^2*sqrt(E*10^6/(ρ*1000))*d_b/4000",
        "first bending frequency of a bar held at one end and guided at the other, λ = 3.9266, with a margin; Timoshenko");

    private static readonly Formula FreeFormula = WhirlFormula with
    {
        Symbol = "n_0",
        Name = "Highest speed outside the bore",
        Expression = WhirlFormula.Expression.Replace("l_0", "l_p", StringComparison.Ordinal),
        Source = "first bending frequency of a bar held at one end and free at the other, λ = 1.8751, with a margin; Timoshenko",
    };

    private static readonly Formula BucklingFormula = new(
        "F_k", "Thrust that buckles the drill", Quantity.Force, "pi^3*E*d_b^4/64/(0.7*l_0)^2", "Euler, held at one end and guided at the other");

    /// <summary>The column of a cutter.</summary>
    public static SlenderDrill Of(Cutter cutter)
    {
        double body = cutter[Dimension.BodyDiameter] is var bd && bd > 0 ? bd : cutter.CuttingDiameter;
        bool carbide = cutter.Material == CuttingMaterial.Carbide && !cutter.Described.Inserts;
        return new(
            TipCompliance.FluteShare * body,
            carbide ? TipCompliance.Carbide : cutter.Described.Inserts ? TipCompliance.Steel : TipCompliance.HighSpeedSteel, carbide ? 14.5 : 7.85);
    }

    /// <summary>Highest speed at which the guided drill does not whirl, rev/min.</summary>
    /// <param name="length">Length without support, mm, above 0.</param>
    /// <param name="trace">Listens to the step.</param>
    public double GuidedSpeed<TTrace>(double length, ref TTrace trace)
        where TTrace : struct, ITrace => Speed(GuidedRoot, length, WhirlFormula, "l_0", ref trace);

    /// <summary>Highest speed with the tip in the air, rev/min.</summary>
    /// <param name="length">Length outside the holder, mm, above 0.</param>
    /// <param name="trace">Listens to the step.</param>
    public double FreeSpeed<TTrace>(double length, ref TTrace trace)
        where TTrace : struct, ITrace => Speed(FreeRoot, length, FreeFormula, "l_p", ref trace);

    /// <summary>Thrust at which the guided drill buckles, N.</summary>
    /// <param name="length">Length without support, mm, above 0.</param>
    /// <param name="trace">Listens to the step.</param>
    public double BucklingForce<TTrace>(double length, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double force = Math.Pow(Math.PI, 3) * Modulus * Math.Pow(Bending, 4) / 64 / Math.Pow(0.7 * length, 2);
        if (TTrace.Listens) trace.Take(BucklingFormula, force, new("E", Modulus), new("d_b", Bending), new("l_0", length));
        return force;
    }

    private double Speed<TTrace>(double root, double length, Formula formula, string symbol, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double metres = length / 1000;
        double speed = SpeedShare * 30 / Math.PI * root * root / (metres * metres) * Math.Sqrt(Modulus * 1e6 / (Density * 1000)) * Bending / 4000;
        if (TTrace.Listens)
            trace.Take(formula, speed, new("λ", root), new(symbol, length), new("E", Modulus), new("ρ", Density), new("d_b", Bending));
        return speed;
    }
}
