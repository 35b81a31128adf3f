namespace Incisura.Core.Holes;

/// <summary>
/// A cut that advances along the axis between two diameters: speed, feed, chip, force, torque and thrust by the relation of Kienzle
/// for each lip. Drills, countersinks, reamers and boring bars rest on it.
/// </summary>
/// <param name="Outer">Largest diameter cut D_a, mm, above 0; the cutting speed is stated for it.</param>
/// <param name="Inner">Least diameter cut D_i, mm, from 0 to below <paramref name="Outer"/>.</param>
/// <param name="EdgeAngle">Angle κ between edge and axis, degrees, above 0 up to 90: half the point angle of a drill.</param>
/// <param name="Lips">Number of lips z that cut, at least 1.</param>
/// <param name="CuttingSpeed">v_c, m/min, above 0.</param>
/// <param name="FeedPerRevolution">f, mm, above 0.</param>
/// <param name="SpecificForce11">k_c1.1, MPa, above 0.</param>
/// <param name="ChipExponent">m_c, 0 to 0.6.</param>
public readonly record struct HoleCut(
    double Outer, double Inner, double EdgeAngle, int Lips, double CuttingSpeed, double FeedPerRevolution, double SpecificForce11,
    double ChipExponent)
{
    private static readonly Formula SpeedFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "1000*v_c/(pi*D_a)", "definition of cutting speed; ISO 3002-3");
    private static readonly Formula FeedFormula = new("v_f", "Feed rate", Quantity.FeedRate, "n*f", "definition of feed per revolution; ISO 3002-3");
    private static readonly Formula ChipFormula = new(
        "h", "Chip thickness", Quantity.Chip, "f/z_l*sin(κ*pi/180)", "geometry of the lip; Kienzle and Victor 1952");
    private static readonly Formula ForceFormula = new("k_c", "Specific cutting force", Quantity.Stress, "k_c11*h^(-m_c)", "Kienzle and Victor 1952");
    private static readonly Formula RateFormula = new(
        "Q", "Removal rate", Quantity.RemovalRate, "pi/4*(D_a^2 - D_i^2)*v_f/1000", "volume swept in a minute");
    private static readonly Formula PowerFormula = new(
        "P_c", "Cutting power", Quantity.Power, "Q*k_c/60000", "work of the specific force on the volume removed");
    private static readonly Formula TorqueFormula = new("M", "Torque", Quantity.Torque, "P_c*30000/(pi*n)", "power over angular speed");
    private static readonly Formula ThrustFormula = new(
        "F_l", "Thrust of the lips", Quantity.Force, "0.5*k_c*(D_a - D_i)/2*f*sin(κ*pi/180)",
        "half the cutting force of all lips acts along the axis; Kienzle and Victor 1952");

    /// <summary>Works the cut out.</summary>
    /// <param name="load">The result.</param>
    /// <param name="trace">Listens to the steps.</param>
    public void Solve<TTrace>(out HoleLoad load, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double sine = EdgeAngle == 90 ? 1 : Math.Sin(double.DegreesToRadians(EdgeAngle));
        double n = CuttingSetup.SpindleSpeedFor(CuttingSpeed, Outer), feed = n * FeedPerRevolution, chip = FeedPerRevolution / Lips * sine;
        double force = SpecificForce11 * Math.Pow(chip, -ChipExponent), rate = Math.PI / 4 * ((Outer * Outer) - (Inner * Inner)) * feed / 1000;
        double power = rate * force / 60_000, torque = power * 30_000 / (Math.PI * n),
            thrust = 0.5 * force * (Outer - Inner) / 2 * FeedPerRevolution * sine;
        load = new(n, feed, chip, force, rate, power, torque, thrust);
        if (!TTrace.Listens) return;

        trace.Take(SpeedFormula, n, new("v_c", CuttingSpeed), new("D_a", Outer));
        trace.Take(FeedFormula, feed, new("n", n), new("f", FeedPerRevolution));
        trace.Take(ChipFormula, chip, new("f", FeedPerRevolution), new("z_l", Lips), new("κ", EdgeAngle));
        trace.Take(ForceFormula, force, new("k_c11", SpecificForce11), new("h", chip), new("m_c", ChipExponent));
        trace.Take(RateFormula, rate, new("D_a", Outer), new("D_i", Inner), new("v_f", feed));
        trace.Take(PowerFormula, power, new("Q", rate), new("k_c", force));
        trace.Take(TorqueFormula, torque, new("P_c", power), new("n", n));
        trace.Take(ThrustFormula, thrust, new("k_c", force), new("D_a", Outer), new("D_i", Inner), new("f", FeedPerRevolution), new("κ", EdgeAngle));
    }
}

/// <summary>What a cut along the axis takes.</summary>
/// <param name="SpindleSpeed">n, rev/min.</param>
/// <param name="FeedRate">v_f, mm/min.</param>
/// <param name="Chip">h, mm.</param>
/// <param name="SpecificForce">k_c, MPa.</param>
/// <param name="RemovalRate">Q, cm³/min.</param>
/// <param name="Power">P_c at the edge, kW.</param>
/// <param name="Torque">M, N·m.</param>
/// <param name="Thrust">F_f, N.</param>
public readonly record struct HoleLoad(
    double SpindleSpeed, double FeedRate, double Chip, double SpecificForce, double RemovalRate, double Power, double Torque, double Thrust);
