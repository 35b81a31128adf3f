using Incisura.Core.Charts;
using Incisura.Core.Machines;

namespace Incisura.Core.Calculation;

/// <summary>The spindle that turns the work: its curve and speed, its chuck, and whether that holds the work against a cut.</summary>
public sealed class WorkSpindle
{
    private static readonly Chuck Usual = new();

    private static readonly Formula NeededFormula = new(
        "F_n", "Clamping force needed", Quantity.Force, "S_s/μ_s*sqrt((2000*M/d_g)^2 + F_x^2)",
        "friction of all jaws against the torque and against slipping along, with safety; VDI 3106");

    private static readonly Formula LeverFormula = new(
        "F_j", "Clamping force needed against levering", Quantity.Force,
        "k_i*S_s*2*sqrt((F_c*(l_x + l_j/2))^2 + (F_r*(l_x + l_j/2) + F_x*D_a/2)^2)/(c_j*l_j)",
        "moment about the middle of the jaws; the force of each has moved to the end of its length as the work lifts off; equilibrium of the jaws");

    /// <summary>Draws it together. The machine is taken as checked.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="counter">Whether the counter spindle turns the work.</param>
    public WorkSpindle(Machine machine, bool counter)
    {
        Counter = counter;
        Spindle = Of(machine, counter);
        Turns = counter ? machine.Counter is not null : Spindle is not null;
        Chuck = Spindle?.Chuck;
        ChuckSpeed = Spindle is null ? double.NaN : Spindle.ChuckSpeed > 0 ? Spindle.ChuckSpeed : Spindle.LargestSpeed;
        ClampedBy = Chuck is { } c && double.IsFinite(c.Force) ? new(c.Force, (int)c.Jaws, c.JawMass, c.JawRadius) : null;
    }

    /// <summary>Whether it is the counter spindle.</summary>
    public bool Counter { get; }

    /// <summary>Whether the machine turns the work with it at all.</summary>
    public bool Turns { get; }

    /// <summary>The spindle; that of the machine's main one where the counter spindle is missing, null where there is none.</summary>
    public MainSpindle? Spindle { get; }

    /// <summary>What clamps the work; null where it is not known.</summary>
    public Chuck? Chuck { get; }

    /// <summary>Highest speed of the chuck, rev/min: that of the spindle where none is stated; NaN without a main spindle.</summary>
    public double ChuckSpeed { get; }

    /// <summary>The chuck's grip over its speed; null where nothing is known of the chuck.</summary>
    public ChuckGrip? ClampedBy { get; }

    /// <summary>Friction μ_s between jaws and work: that of a usual chuck where none is known.</summary>
    public double Friction => Chuck?.Friction ?? Usual.Friction;

    /// <summary>The spindle of a machine that turns the work; null where it has none.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="counter">Whether it is the counter spindle; where that is missing, the main one.</param>
    public static MainSpindle? Of(Machine machine, bool counter) => counter ? machine.Counter ?? machine.Main : machine.Main;

    /// <summary>Whether the chuck holds a torque and a force along the axis at a speed; true where nothing is known of it.</summary>
    /// <param name="torque">M, N·m.</param>
    /// <param name="axial">Force along the axis, N.</param>
    /// <param name="gripped">Diameter gripped d_g, mm.</param>
    /// <param name="speed">n, rev/min.</param>
    /// <param name="practice">What the shop goes by.</param>
    public bool Holds(double torque, double axial, double gripped, double speed, ShopPractice practice) =>
        ClampedBy is not { } grip || Needed(torque, axial, gripped, practice) <= grip.At(speed);

    /// <summary>The grip a torque and a force along the axis need, and what is left of it at a speed.</summary>
    /// <param name="torque">M, N·m.</param>
    /// <param name="axial">Force along the axis, N.</param>
    /// <param name="gripped">Diameter gripped d_g, mm.</param>
    /// <param name="speed">n, rev/min.</param>
    /// <param name="practice">What the shop goes by.</param>
    /// <param name="r">Receives the figures.</param>
    /// <param name="trace">Listens to the steps.</param>
    internal void Hold<TResult, TTrace>(
        double torque, double axial, double gripped, double speed, ShopPractice practice, ref TResult r, ref TTrace trace)
        where TResult : struct, IOutputs
        where TTrace : struct, ITrace
    {
        double needed = Needed(torque, axial, gripped, practice);
        r[Output.GripNeeded] = needed;
        if (ClampedBy is { } grip) r[Output.GripLeft] = grip.At(speed);
        if (!TTrace.Listens) return;
        trace.Take(
            NeededFormula, needed, new("S_s", practice.GripSafety), new("μ_s", Friction), new("M", torque), new("d_g", gripped), new("F_x", axial));
        if (ClampedBy is { } held) ChuckGrip.Tell(held, speed, ref trace);
    }

    /// <summary>Length in the jaws that is proposed for a diameter, mm (shop practice).</summary>
    internal static double UsualGrip(double gripped) => Math.Clamp(Math.Round(0.8 * gripped), 5, 40);

    /// <summary>The grip that keeps work from being levered out of the jaws, where nothing but them holds it.</summary>
    /// <param name="pull">The forces.</param>
    /// <param name="x">The inputs, with the length in the jaws.</param>
    /// <param name="blow">How far a force that comes at once counts more.</param>
    /// <param name="practice">What the shop goes by.</param>
    /// <param name="r">Receives the figure.</param>
    /// <param name="trace">Listens to the steps.</param>
    internal void Lever<TResult, TTrace>(
        in LeverPull pull, in Inputs x, double blow, ShopPractice practice, ref TResult r, ref TTrace trace)
        where TResult : struct, IOutputs
        where TTrace : struct, ITrace
    {
        if (ClampedBy is not { } grip) return;
        double length = x[Input.GripLength], share = grip.LeverShare(Friction), needed = Levered(pull, grip, length, blow, practice);
        r[Output.LeverForce] = needed;
        if (TTrace.Listens)
            trace.Take(
                LeverFormula, needed, new("k_i", blow), new("S_s", practice.GripSafety), new("F_c", pull.Cutting), new("l_x", pull.At),
                new("l_j", length), new("F_r", pull.Radial), new("F_x", pull.Axial), new("D_a", pull.Diameter), new("c_j", share));
    }

    /// <summary>Whether the chuck keeps the work from being levered out at a speed; true where nothing is known of it.</summary>
    internal bool HoldsLever(in LeverPull pull, in Inputs x, double speed, ShopPractice practice) =>
        ClampedBy is not { } grip || Levered(pull, grip, x[Input.GripLength], 1, practice) <= grip.At(speed);

    /// <summary>Judges whether the work is levered out, where that was worked out.</summary>
    /// <param name="r">Figures with the force needed.</param>
    /// <param name="speed">Highest speed on the way, rev/min.</param>
    /// <param name="limits">Receives the judgement.</param>
    internal void JudgeLever<TResult>(in TResult r, double speed, ref LimitSet limits)
        where TResult : struct, IOutputs
    {
        if (r.Has(Output.LeverForce) && ClampedBy is { } grip) limits.Add(Limits.Leverage, r[Output.LeverForce], Math.Max(grip.At(speed), 1e-6));
    }

    /// <summary>Judges the grip; one that is not known stays unjudged.</summary>
    /// <param name="r">Figures with the force needed, and that left where it is known.</param>
    /// <param name="limits">Receives the judgement.</param>
    /// <param name="at">Largest diameter that cuts where it is worst, mm; NaN where it is the same all along.</param>
    internal static void Judge<TResult>(in TResult r, ref LimitSet limits, double at = double.NaN)
        where TResult : struct, IOutputs
    {
        double needed = r[Output.GripNeeded], holds = r.Has(Output.GripLeft) ? Math.Max(r[Output.GripLeft], 1e-6) : double.NaN;
        if (double.IsNaN(holds) || double.IsNaN(at)) limits.Add(Limits.ChuckGrip, needed, holds);
        else limits.AddAt(Limits.ChuckGrip, needed, holds, at);
    }

    private double Levered(in LeverPull pull, in ChuckGrip grip, double length, double blow, ShopPractice practice) =>
        ChuckGrip.NeededAgainstLever(blow * pull.MomentAbout(length / 2), length, grip.LeverShare(Friction), practice.GripSafety);

    private double Needed(double torque, double axial, double gripped, ShopPractice practice) =>
        ChuckGrip.Needed(2000 * torque / gripped, axial, gripped, gripped, Friction, practice.GripSafety);

    /// <summary>Says where the machine cannot turn the work, or where nothing is known of its chuck.</summary>
    internal void Notice(List<Finding> findings)
    {
        if (!Turns)
            findings.Add(new(
                "no-main-spindle", Severity.Stop,
                new(Counter ? "This machine has no counter spindle." : "This machine does not turn the work."),
                Counter
                    ? "Pick the main spindle, or enter the counter spindle in Shop."
                    : "Take a turning centre, or enter its main spindle in Shop."));
        else if (ClampedBy is null)
            findings.Add(new(
                "chuck-unknown", Severity.Caution, new("How hard the chuck clamps is not known, so its grip could not be judged."),
                "Enter the clamping force on the machine's page in Shop."));
    }

    /// <summary>What a derivation takes from the chuck and the shop.</summary>
    internal IEnumerable<Given> Givens(ShopPractice practice, Origins origins)
    {
        yield return new("μ_s", "Friction of the jaws", Quantity.Ratio, Friction, Chuck is null ? "of a usual chuck" : origins.Machine);
        yield return new("S_s", "Safety of the grip", Quantity.Ratio, practice.GripSafety, origins.Chart);
        if (ClampedBy is not { } grip) yield break;
        yield return new("F_0", "Clamping force at rest", Quantity.Force, grip.AtRest, origins.Machine);
        yield return new("c_j", "Share of the jaws against levering", Quantity.Ratio, grip.LeverShare(Friction), origins.Machine);
        yield return new("i_b", "Jaws", Quantity.Count, grip.Jaws, origins.Machine);
        yield return new("m_b", "Mass of a jaw", Quantity.Mass, grip.JawMass, origins.Machine);
        yield return new("r_b", "Radius of that mass", Quantity.Length, grip.JawRadius, origins.Machine);
    }
}

/// <summary>Forces that lever work out of its jaws.</summary>
/// <param name="Cutting">F_c, N.</param>
/// <param name="Radial">F_r square to the axis, N, at least 0.</param>
/// <param name="Axial">F_x along the axis, N, at least 0.</param>
/// <param name="Diameter">Largest diameter that cuts, mm.</param>
/// <param name="At">Where they act, furthest from the chuck l_x, mm.</param>
internal readonly record struct LeverPull(double Cutting, double Radial, double Axial, double Diameter, double At)
{
    /// <summary>Moment about a place within the chuck, N·m: that of the force along the axis taken the way that adds.</summary>
    /// <param name="within">Its distance from the face of the jaws, mm.</param>
    public double MomentAbout(double within) =>
        double.Hypot(Cutting * (At + within), (Radial * (At + within)) + (Axial * Diameter / 2)) / 1000;
}

/// <summary>Words of what turns and holds the work, which turning, threads and holes share.</summary>
internal static class WorkSpindleWords
{
    public const string Work = "Work";

    public static readonly FieldDescription Gripped = new(
        Input.GrippedDiameter, "d_g", "Ø gripped by the jaws", Work, Quantity.Length, 0.5, 2000);

    public static readonly FieldDescription GripLength = new(
        Input.GripLength, "l_j", "Length in the jaws", Work, Quantity.Length, 1, 1000);

    public static readonly OptionDescription Spindle = new(
        Choice.Spindle, "Spindle", [new("main", "main spindle"), new("counter", "counter spindle")], "main")
    { Group = Work };

    public static readonly OptionDescription Stands = new(
        Choice.Stands, "Cuts",
        [
            new("front-up", "in front, rake up"), new("behind-down", "behind, rake down"), new("behind-up", "behind, rake up"),
            new("front-down", "in front, rake down"),
        ],
        "front-up")
    { Group = Work };

    /// <summary>Whether the counter spindle was picked.</summary>
    public static bool IsCounter(IReadOnlyDictionary<string, string> options) => options.GetValueOrDefault(Codes.Of(Choice.Spindle)) == "counter";
}

/// <summary>What the picks of how the work turns mean, which turning and threads share.</summary>
internal static class WorkSpindlePicks
{
    extension(in Inputs x)
    {
        /// <summary>Whether the counter spindle turns the work.</summary>
        public bool Counter => x.Picked(Choice.Spindle) == 1;

        /// <summary>
        /// Whether the work turns clockwise, seen from its free end, so that its surface runs against the rake face: in the counter spindle it is seen
        /// from the other side.
        /// </summary>
        public bool Clockwise => (x.Picked(Choice.Stands) is 2 or 3) != x.Counter;
    }
}
