namespace Incisura.Core.Wear;

/// <summary>
/// Taylor's relation between cutting speed and tool life, through one point that is known: v_c·T^n stays the same
/// (Taylor 1907; ISO 3685, ISO 8688).
/// </summary>
/// <param name="Speed">Cutting speed v_cchart of the known point, m/min, above 0.</param>
/// <param name="Life">Tool life T_chart at that speed, min, above 0; 0 where it is not known.</param>
/// <param name="Exponent">Exponent n_T, above 0 up to 1; 0 where it is not known.</param>
public readonly record struct TaylorLife(double Speed, double Life, double Exponent)
{
    private static readonly Formula ChartSpeed = new("v_c", "Cutting speed proposed", Quantity.CuttingSpeed, "v_cchart", "speed chart of the shop");
    private static readonly Formula SpeedFormula = new(
        "v_c", "Cutting speed for the life wanted", Quantity.CuttingSpeed, "v_cchart*(T_chart/T_L)^n_T",
        "Taylor 1907, through the point of the speed chart");
    private static readonly Formula LifeFormula = new(
        "T_e", "Tool life at this speed", Quantity.Time, "T_chart*(v_cchart/v_c)^(1/n_T)", "Taylor 1907, through the point of the speed chart");

    /// <summary>Whether the relation is known.</summary>
    public bool Known => Life > 0 && Exponent > 0;

    /// <summary>Cutting speed v_c at which an edge lasts for a life, m/min.</summary>
    /// <param name="life">Tool life wanted T_L, min, above 0.</param>
    /// <param name="trace">Listens to the step.</param>
    public double SpeedFor<TTrace>(double life, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double speed = Speed * Math.Pow(Life / life, Exponent);
        if (TTrace.Listens) trace.Take(SpeedFormula, speed, new("v_cchart", Speed), new("T_chart", Life), new("T_L", life), new("n_T", Exponent));
        return speed;
    }

    /// <summary>Tool life T_e of an edge at a cutting speed, min.</summary>
    /// <param name="speed">Cutting speed v_c, m/min, above 0.</param>
    /// <param name="trace">Listens to the step.</param>
    public double LifeAt<TTrace>(double speed, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double life = Life * Math.Pow(Speed / speed, 1 / Exponent);
        if (TTrace.Listens) trace.Take(LifeFormula, life, new("T_chart", Life), new("v_cchart", Speed), new("v_c", speed), new("n_T", Exponent));
        return life;
    }

    /// <summary>Tool life that stands where none was typed: the one the cutting speed gives; 0 where it is not known.</summary>
    internal double LifeOrNone(double speed)
    {
        NoTrace none = default;
        return Known ? LifeAt(speed, ref none) : 0;
    }

    /// <summary>Cutting speed proposed: that of the known point, moved along the life where another one is wanted.</summary>
    /// <param name="life">Tool life wanted T_L, min; that of the point where none is.</param>
    /// <param name="trace">Listens to the step.</param>
    internal double Proposed<TTrace>(double life, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (Known && life != Life) return SpeedFor(life, ref trace);
        if (TTrace.Listens) trace.Take(ChartSpeed, Speed, new Term("v_cchart", Speed));
        return Speed;
    }

    /// <summary>What goes into the derivation.</summary>
    internal IEnumerable<Given> Givens(string chart) =>
    [
        new("T_chart", "Tool life at the charted speed", Quantity.Time, Life, chart),
        new("n_T", "Exponent of the life", Quantity.Ratio, Exponent, chart),
    ];

    /// <summary>Refuses a pace where nothing is known of the life.</summary>
    internal void Refuse(bool paced, InputCheck check) => check.Holds(
        Known
            || !paced, "toolLife", double.NaN,
            "The speed chart does not say how long an edge lasts at its speed, so no life can be kept; leave it empty, "
                + "or add life and exponent to the row.");
}
