namespace Incisura.Core.Turning;

/// <summary>One turning cut at one diameter: speed, feed, named chip, force, power and torque by the relation of Kienzle.</summary>
/// <param name="Diameter">Diameter at which the edge cuts D, mm, above 0.</param>
/// <param name="CuttingSpeed">v_c, m/min, above 0.</param>
/// <param name="Feed">Feed of a turn f, mm, above 0.</param>
/// <param name="Depth">Depth of cut a_p, mm, above 0.</param>
/// <param name="EdgeAngle">Cutting edge angle κ_r, degrees, 15 to 118.</param>
/// <param name="CornerRadius">Corner radius r_ε, mm, at least 0.</param>
/// <param name="SpecificForce11">k_c1.1, corrected, MPa, above 0.</param>
/// <param name="ChipExponent">m_c, 0 to 0.6.</param>
public readonly record struct TurningCut(
    double Diameter, double CuttingSpeed, double Feed, double Depth, double EdgeAngle, double CornerRadius, double SpecificForce11,
    double ChipExponent)
{
    /// <summary>n = 1000·v_c/(π·D).</summary>
    public static readonly Formula SpindleSpeedFormula = new(
        "n", "Spindle speed", Quantity.SpindleSpeed, "1000*v_c/(pi*D)", "definition of cutting speed; ISO 3002-3");

    /// <summary>v_f = n·f.</summary>
    public static readonly Formula FeedRateFormula = new("v_f", "Feed rate", Quantity.FeedRate, "n*f", "definition of feed; ISO 3002-3");

    /// <summary>h = f·sin κ_r.</summary>
    public static readonly Formula ChipFormula = new(
        "h", "Chip thickness beside the corner", Quantity.Chip, "f*sin(κ_r*pi/180)", "geometry of the undeformed chip; ISO 3002-3");

    /// <summary>k_c = k_c1.1·h^(−m_c).</summary>
    public static readonly Formula SpecificForceFormula = new(
        "k_c", "Specific cutting force", Quantity.Stress, "k_c11*h^(-m_c)", "Kienzle and Victor 1952");

    /// <summary>F_c = k_c·a_p·f.</summary>
    public static readonly Formula ForceFormula = new(
        "F_c", "Cutting force", Quantity.Force, "k_c*a_p*f", "specific force on the section of the chip");

    /// <summary>Q = a_p·f·v_c.</summary>
    public static readonly Formula RemovalRateFormula = new(
        "Q", "Removal rate", Quantity.RemovalRate, "a_p*f*v_c", "section of the chip by the cutting speed");

    /// <summary>P_c = F_c·v_c/60000.</summary>
    public static readonly Formula PowerFormula = new("P_c", "Cutting power", Quantity.Power, "F_c*v_c/60000", "force by speed");

    /// <summary>M = F_c·D/2000.</summary>
    public static readonly Formula TorqueFormula = new("M", "Torque", Quantity.Torque, "F_c*D/2000", "force by half the diameter");

    /// <summary>Works the cut out.</summary>
    /// <param name="trace">Listens to the steps.</param>
    public TurningLoad Solve<TTrace>(ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double n = CuttingSetup.SpindleSpeedFor(CuttingSpeed, Diameter), feedRate = n * Feed,
            chip = Feed * Math.Sin(double.DegreesToRadians(EdgeAngle));
        double specific = SpecificForce11 * Math.Pow(chip, -ChipExponent), force = specific * Depth * Feed, rate = Depth * Feed * CuttingSpeed,
            power = force * CuttingSpeed / 60_000, torque = force * Diameter / 2000;
        if (TTrace.Listens)
        {
            trace.Take(SpindleSpeedFormula, n, new("v_c", CuttingSpeed), new("D", Diameter));
            trace.Take(FeedRateFormula, feedRate, new("n", n), new("f", Feed));
            trace.Take(ChipFormula, chip, new("f", Feed), new("κ_r", EdgeAngle));
            trace.Take(SpecificForceFormula, specific, new("k_c11", SpecificForce11), new("h", chip), new("m_c", ChipExponent));
            trace.Take(ForceFormula, force, new("k_c", specific), new("a_p", Depth), new("f", Feed));
            trace.Take(RemovalRateFormula, rate, new("a_p", Depth), new("f", Feed), new("v_c", CuttingSpeed));
            trace.Take(PowerFormula, power, new("F_c", force), new("v_c", CuttingSpeed));
            trace.Take(TorqueFormula, torque, new("F_c", force), new("D", Diameter));
        }

        return new(n, feedRate, chip, specific, force, power, torque, rate);
    }
}

/// <summary>What one turning cut asks of tool and machine, the corner of the insert not looked at.</summary>
/// <param name="SpindleSpeed">n, rev/min.</param>
/// <param name="FeedRate">v_f, mm/min.</param>
/// <param name="Chip">h, mm.</param>
/// <param name="SpecificForce">k_c, MPa.</param>
/// <param name="Force">F_c, N.</param>
/// <param name="Power">P_c, kW, before the efficiency of the machine.</param>
/// <param name="Torque">M, N·m.</param>
/// <param name="RemovalRate">Q, cm³/min.</param>
public readonly record struct TurningLoad(
    double SpindleSpeed, double FeedRate, double Chip, double SpecificForce, double Force, double Power, double Torque, double RemovalRate);
