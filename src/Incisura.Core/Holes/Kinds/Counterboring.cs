using Incisura.Core.Cutters;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>Counterboring a flat seat around a hole that is there, with a piloted counterbore or a flat-bottomed drill.</summary>
internal readonly struct Counterboring : IHoleKind
{
    /// <summary>Play a pilot may lack in its hole, mm: the rounding of both.</summary>
    public const double PilotPlay = 0.02;

    public static OperationDescription Description { get; } = new(
        "counterbore",
        "Counterboring",
        "hole",
        [CutterFamily.Counterbore, CutterFamily.FlatDrill],
        [Depth with { Name = "Depth of the seat" }, Dwell with { Default = 2 }, Before, DepthBefore, Feed, .. Planes],
        [],
        Large,
        [Output.Stock, Output.ProgrammedHeight, .. LoadRows])
    {
        AtMachine = SetAtMachine(Input.DwellTurns),
        Takes = LeftoverKind.Hole,
        ChartedAs = [Drilling.Description],
    };

    public static void Follow(HoleSetup setup, ref Inputs x)
    {
        double pilot = Pilot(setup);
        x.Propose(Input.Depth, 0.6 * setup.Diameter);
        x.Propose(Input.HoleBefore, pilot > 0 ? pilot : 0.6 * setup.Diameter);
        x.Propose(Input.DepthOfHoleBefore, x[Input.Depth] + PilotLength(setup));
    }

    public static void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        double pilot = Pilot(setup), hole = x[Input.HoleBefore];
        check.Holds(
            hole < setup.Diameter, "holeBefore", hole,
            $"The hole that is there, Ø{hole:0.###} mm, leaves no seat for Ø{setup.Diameter:0.###} mm; give a "
                + "smaller hole or take a larger counterbore.")
            .Holds(
                pilot <= hole + PilotPlay, "holeBefore", hole,
                $"The pilot of Ø{pilot:0.###} mm does not enter a hole of Ø{hole:0.###} mm; open the hole, or "
                    + "take a counterbore with a smaller pilot.");
    }

    public static void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(setup.Diameter, 180, x, ref r, ref trace);
        HoleWork.Load(setup, x, setup.Diameter, x[Input.HoleBefore], 90, ref r, ref trace);
        HoleWork.Time(setup, x, false, ref r, ref trace);
        r[Output.Stock] = (setup.Diameter - x[Input.HoleBefore]) / 2;
    }

    public static void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        limits.Add(Limits.FluteLength, x[Input.Depth], setup.FluteLength);
        if (PilotLength(setup) > 0) limits.Add(HoleLimits.HoleDepth, x[Input.DepthOfHoleBefore], x[Input.Depth] + PilotLength(setup));
    }

    private static double Pilot(HoleSetup setup) => setup.Cutter[Dimension.PilotDiameter] is var d && d > 0 ? d : 0;

    private static double PilotLength(HoleSetup setup) => setup.Cutter[Dimension.PilotLength] is var l && l > 0 ? l : 0;
}
