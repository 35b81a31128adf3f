using Incisura.Core.Cutters;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>Centre drilling: a pilot and a cone that bears a centre, by the diameter at the surface.</summary>
internal readonly struct CentreDrilling : IHoleKind
{
    public static OperationDescription Description { get; } = new(
        "centre-drill", "Centre drilling", "hole", [CutterFamily.CentreDrill],
        [Chamfer with { Name = "Diameter at the surface" }, Dwell with { Default = 2 }, Feed, .. Planes],
        [], Large, [Output.ProgrammedHeight, .. LoadRows])
    {
        AtMachine = SetAtMachine(Input.DwellTurns),
        Takes = LeftoverKind.Hole,
        ChartedAs = [SpotDrilling.Description, Drilling.Description],
        Own = [new(Output.Own0, "M_p", "Torque of the pilot", Quantity.Torque) { Code = "pilotTorque" }],
    };

    private static readonly Formula PilotFormula = new(
        "M_p", "Torque of the pilot", Quantity.Torque, "M*(D/d_c)^2", "the share of its own section: the torque follows the square of the diameter");

    public static void Follow(HoleSetup setup, ref Inputs x) =>
        x.Propose(Input.ChamferDiameter, setup.Diameter + (0.7 * (setup.Cutter.ShankSize - setup.Diameter)));

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check) =>
        check.Within(
            "chamferDiameter", "The diameter at the surface", x[Input.ChamferDiameter], setup.Diameter, setup.Cutter.ShankSize, Quantity.Length);

    // The cone is widest where it is deepest.
    public static double WorstAt(in HoleResult r) => r[Output.ProgrammedDepth];

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        AxisDepth.OfCone(setup.Diameter, setup.PointAngle, setup.Cutter[Dimension.PilotLength], x, ref r, ref trace);
        HoleWork.Load(setup, x, x[Input.ChamferDiameter], 0, setup.PointAngle / 2, ref r, ref trace);
        HoleWork.Time(setup, x, false, ref r, ref trace);

        // The pilot bears what it cuts itself: the share of its own section.
        double share = setup.Diameter / x[Input.ChamferDiameter];
        r[Output.Own0] = r[Output.Torque] * share * share;
        r[Output.BreakingTorque] = setup.Torsion.Breaking(ref trace);
        if (TTrace.Listens)
            trace.Take(
                PilotFormula, r[Output.Own0], new("M", r[Output.Torque]), new("D", setup.Diameter), new("d_c", x[Input.ChamferDiameter]));
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits) =>
        limits.Add(HoleLimits.ToolStrength, r[Output.Own0], ToolTorsion.Share * r[Output.BreakingTorque]);
}

/// <summary>Spot drilling: the depth follows from the chamfer wanted, and from the flat the web leaves.</summary>
internal readonly struct SpotDrilling : IHoleKind
{
    private const double Shallow = 0.05;

    public static OperationDescription Description { get; } = new(
        "spot",
        "Spot drilling",
        "hole",
        [CutterFamily.SpotDrill],
        [
            Chamfer, new(Input.WebFlat, "w_f", "Flat left by the web", "Deep", Quantity.Length, 0, 20, 0),
            Before with { Name = "Hole to be drilled after", Default = 0 }, Dwell with { Default = 2 }, Feed, .. Planes,
        ],
        [],
        Large,
        [Output.ProgrammedHeight, .. LoadRows])
    {
        AtMachine = SetAtMachine(Input.DwellTurns),
        ChartedAs = [Drilling.Description],
    };

    public static void Follow(HoleSetup setup, ref Inputs x) =>
        x.Propose(
            Input.ChamferDiameter, x[Input.HoleBefore] > 0 ? Math.Min(x[Input.HoleBefore] + 1, setup.Diameter) : 0.8 * setup.Diameter);

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check) => check
        .Within("chamferDiameter", "The chamfer diameter", x[Input.ChamferDiameter], 0.05, setup.Diameter, Quantity.Length)
        .Within("webFlat", "The flat left by the web", x[Input.WebFlat], 0, Math.Max(0, x[Input.ChamferDiameter] - 0.01), Quantity.Length);

    // The cone is widest where it is deepest.
    public static double WorstAt(in HoleResult r) => r[Output.ProgrammedDepth];

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        AxisDepth.OfCone(x[Input.WebFlat], setup.PointAngle, 0, x, ref r, ref trace);
        HoleWork.Load(setup, x, x[Input.ChamferDiameter], 0, setup.PointAngle / 2, ref r, ref trace);
        HoleWork.Time(setup, x, false, ref r, ref trace);
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits) =>
        limits.Add(Limits.FluteLength, r[Output.ProgrammedDepth], setup.FluteLength);

    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        double after = x[Input.HoleBefore], left = (x[Input.ChamferDiameter] - after) / 2;
        if (after <= 0) return;
        findings.Add(left > Shallow
            ? new(
                "chamfer-left", Severity.Info,
                new("The hole of {0} leaves a chamfer of {1} on a side.", new(after, Quantity.Length), new Measure(left, Quantity.Length)), "")
            : new(
                "chamfer-lost", Severity.Caution,
                new(
                    "The hole of {0} takes the whole spot of {1} away: no chamfer is left.", new(after, Quantity.Length),
                    new Measure(x[Input.ChamferDiameter], Quantity.Length)),
                "Spot wider, with a larger spot drill if need be, or chamfer after drilling."));
    }
}

/// <summary>Countersinking a hole that is there to a diameter at the surface.</summary>
internal readonly struct Countersinking : IHoleKind
{
    public static OperationDescription Description { get; } = new(
        "countersink", "Countersinking", "hole", [CutterFamily.Countersink, CutterFamily.SpotDrill],
        [Chamfer, Before, Dwell with { Default = 3 }, Feed, .. Planes], [], Large,
        [Output.EdgeLength, Output.ProgrammedHeight, .. LoadRows])
    {
        AtMachine = SetAtMachine(Input.DwellTurns),
        Takes = LeftoverKind.Hole,
        ChartedAs = [SpotDrilling.Description],
    };

    private static readonly Formula EdgeFormula = new(
        "b", "Edge in the work", Quantity.Length, "(d_c - d_0)/2/sin(σ/2*pi/180)", "slant of the cone between hole and chamfer");

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        x.Propose(Input.HoleBefore, Math.Max(0.5 * setup.Diameter, Least(setup)));
        x.Propose(Input.ChamferDiameter, Math.Min(setup.Diameter, x[Input.HoleBefore] + 1));
    }

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check) => check
        .Within(
            "holeBefore", "The hole that is there", x[Input.HoleBefore], Math.Max(0.05, Least(setup)), setup.Diameter * 0.999, Quantity.Length)
        .Within(
            "chamferDiameter", "The chamfer diameter", x[Input.ChamferDiameter], x[Input.HoleBefore] + 0.01, setup.Diameter, Quantity.Length);

    // The cone is widest where it is deepest.
    public static double WorstAt(in HoleResult r) => r[Output.ProgrammedDepth];

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double chamfer = x[Input.ChamferDiameter], hole = x[Input.HoleBefore];
        AxisDepth.OfCone(Least(setup), setup.PointAngle, 0, x, ref r, ref trace);
        HoleWork.Load(setup, x, chamfer, hole, setup.PointAngle / 2, ref r, ref trace);
        HoleWork.Time(setup, x, false, ref r, ref trace);
        r[Output.BreakingTorque] = Body(setup, chamfer).Breaking(ref trace);
        r[Output.EdgeLength] = (chamfer - hole) / 2 / Math.Sin(double.DegreesToRadians(setup.PointAngle / 2));
        if (TTrace.Listens) trace.Take(EdgeFormula, r[Output.EdgeLength], new("d_c", chamfer), new("d_0", hole), new("σ", setup.PointAngle));
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits) =>
        limits.Add(HoleLimits.ToolStrength, r[Output.Torque], ToolTorsion.Share * r[Output.BreakingTorque]);

    // The cone above the chamfer, or the shank where that is thinner.
    private static ToolTorsion Body(HoleSetup setup, double chamfer) =>
        ToolTorsion.Of(setup.Cutter, Math.Min(chamfer, setup.Cutter.ShankSize / ToolTorsion.FlutedCore));

    private static double Least(HoleSetup setup) => setup.Cutter[Dimension.LeastDiameter] is var least && least > 0 ? least : 0;
}
