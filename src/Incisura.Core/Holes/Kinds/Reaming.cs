using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>Reaming a hole to size: a little stock on a side, in and out at feed rate.</summary>
internal readonly struct Reaming : IHoleKind
{
    public static OperationDescription Description { get; } = new(
        "ream",
        "Reaming",
        "hole",
        [CutterFamily.Reamer],
        [Depth, Breakthrough, Before, DepthBefore, Feed, .. Planes],
        [EndOption],
        Large,
        [Output.Stock, Output.DepthRatio, Output.LeadLength, Output.DepthNeeded, Output.ProgrammedHeight, .. LoadRows])
    {
        AtMachine = SetAtMachine(Input.Breakthrough),
        Takes = LeftoverKind.Hole,
        Leaves = LeftoverKind.Hole,
    };

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        x.Propose(Input.Depth, 2 * setup.Diameter);
        x.Propose(Input.HoleBefore, Math.Round(10 * (setup.Diameter - (3 * Least(setup)))) / 10);
        x.Propose(Input.DepthOfHoleBefore, x[Input.Depth] + HoleTools.Bevel(setup.Cutter) + 1);
    }

    public static bool Uses(HoleSetup setup, in Inputs x, Input input) =>
        input switch { Input.Breakthrough => x.Through, Input.DepthOfHoleBefore => !x.Through, _ => true };

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check) =>
        check.Within("holeBefore", "The hole that is there", x[Input.HoleBefore], setup.Diameter * 0.7, setup.Diameter - 0.005, Quantity.Length);

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double lead = HoleTools.Bevel(setup.Cutter);
        HoleWork.Ratio(setup, x, ref r, ref trace);
        ThreadedDepth.Of(x, lead, 0, ref r, ref trace);
        HoleWork.Load(setup, x, setup.Diameter, x[Input.HoleBefore], 45, ref r, ref trace);
        HoleWork.Time(setup, x, true, ref r, ref trace);
        r[Output.Stock] = (setup.Diameter - x[Input.HoleBefore]) / 2;
        r[Output.BreakingTorque] = setup.Torsion.Breaking(ref trace);
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(HoleLimits.ToolStrength, r[Output.Torque], ToolTorsion.Share * r[Output.BreakingTorque]);
        if (!x.Through) limits.Add(HoleLimits.HoleDepth, x[Input.DepthOfHoleBefore], r[Output.DepthNeeded]);
    }

    public static void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        double least = Least(setup), most = setup.Practice.ReamerMostStock * least, stock = r[Output.Stock];
        if (stock < least * (1 - LimitDefinition.Tolerance) || stock > most * (1 + LimitDefinition.Tolerance))
            findings.Add(new(
                "ream-stock", Severity.Caution,
                new(
                    $"{{0}} on a side is too {(stock < least ? "little: the reamer rubs" : "much: its flutes are crowded")}; "
                        + $"{{1}} to {{2}} is usual at this diameter.",
                    new(stock, Quantity.Chip), new(least, Quantity.Chip), new Measure(most, Quantity.Chip)),
                "Take another drill before it."));
    }

    public static bool ReturnsAtFeed(HoleSetup setup) => true;

    private static double Least(HoleSetup setup) => setup.Practice.ReamerStock + (setup.Practice.ReamerStockPerDiameter * setup.Diameter);
}
