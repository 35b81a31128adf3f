using System.Globalization;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Milling.Kinds;
using Incisura.Core.Threads;

namespace Incisura.Core.HoleGroups;

/// <content>What opens a hole: a drill, stages, a step drill, a boring bar or a helix.</content>
internal sealed partial class ChainBuilder
{
    // What opens the hole: its steps, the diameter and depth they leave, and whether the chamfer is there.
    private sealed record Opening(IReadOnlyList<ChainStep> Steps, double Diameter, double Depth, bool Chamfered = false);

    private IEnumerable<Opening> Openings(Way way, Finish finish) => way switch
    {
        Way.Drill => Drilled(finish).Where(o => !PastStages(o)),
        Way.Stages => Staged(finish),
        Way.DeepDrill => Drilled(finish).Where(PastStages),
        Way.StepDrill => ByStep(finish),
        Way.Bore => Bored(finish),
        Way.Helix => ByHelix(finish),
        _ => [new([NoDrill(finish)], finish.Hole, finish.DepthIn(finish.Hole))],
    };

    private static bool PastStages(Opening o) => o.Steps[0].Result?.Findings.Any(f => f.Code == "staged") == true;

    private const int MostBarred = 4;

    private static readonly CutterFamily[] Drills = [CutterFamily.TwistDrill, CutterFamily.IndexableDrill, CutterFamily.FlatDrill];
    private static readonly CutterFamily[] PilotDrills = [CutterFamily.TwistDrill, CutterFamily.FlatDrill];
    private static readonly CutterFamily[] OpeningFamilies = [.. Drills, CutterFamily.StepDrill, CutterFamily.GunDrill];

    private IEnumerable<Opening> Drilled(Finish finish)
    {
        (List<Situation> able, List<Situation> all) = Candidates("drill", Drills, s => finish.Takes(s.Cutter.Value.CuttingDiameter));
        foreach (
            Situation s in able.OrderBy(s => !ToolShelf.StandsThere(s))
                .ThenBy(s => Math.Abs(s.Cutter.Value.CuttingDiameter - finish.Hole))
                .ThenBy(s => Array.IndexOf(Drills, s.Cutter.Value.Family))
                .ThenBy(Length))
        {
            double d = s.Cutter.Value.CuttingDiameter, depth = finish.DepthIn(d);
            yield return new([Step("drill", s, new() { ["depth"] = depth }, Through, finish.WhyDrill(d), all)], d, depth);
        }
    }

    private IEnumerable<Opening> ByStep(Finish finish)
    {
        (List<Situation> able, List<Situation> all) = Candidates(
            "drill", [CutterFamily.StepDrill], s => finish.Takes(s.Cutter.Value.CuttingDiameter));
        foreach (Situation s in able.OrderBy(s => !ToolShelf.StandsThere(s)).ThenBy(Length))
        {
            double d = s.Cutter.Value.CuttingDiameter, depth = finish.DepthIn(d), chamfer = ChamferAround(d);
            Dictionary<string, double> numbers = new() { ["chamferDiameter"] = chamfer };
            ChainStep step = Step(
                "drill", s, numbers, Through, finish.WhyDrill(d).Then(new(" Its step leaves the chamfer to Ø{0}.", Mm(chamfer))), all);

            // The step sits at a fixed length: it serves where that gives just the depth asked for, or more of a blind core.
            double got = step.Found ? Field(step, "depth") : double.NaN;
            bool deepEnough = t.Kind is TargetKind.Threaded or TargetKind.Tolerance ? got >= depth - 1e-9 : Math.Abs(got - depth) <= 0.05;
            if (t.Chamfer > 0 && t.Kind != TargetKind.Counterbored && !t.Through && deepEnough) yield return new([step], d, got, Chamfered: true);
        }
    }

    // Too deep for the drills there are, or deeper than the shop drills without stages: a pilot, and a deep-hole drill behind it.
    private IEnumerable<Opening> Staged(Finish finish)
    {
        (List<Situation> able, List<Situation> all) = Candidates(
            "deep-hole", [CutterFamily.GunDrill], s => finish.Takes(s.Cutter.Value.CuttingDiameter));
        foreach (Situation gun in able.OrderBy(s => !ToolShelf.StandsThere(s)).ThenBy(Length))
        {
            double d = gun.Cutter.Value.CuttingDiameter, depth = finish.DepthIn(d), pilotDepth = Math.Round(15 * d) / 10,
                widest = d * StagedDrilling.WidestPilot;
            if (pilotDepth > depth) continue;
            (List<Situation> pilots, List<Situation> allPilots) = Candidates(
                "drill", PilotDrills, s => s.Cutter.Value.CuttingDiameter >= d - 1e-9 && s.Cutter.Value.CuttingDiameter <= widest);
            ChainStep[] pilotSteps =
            [
                .. pilots.OrderBy(s => s.Cutter.Value.CuttingDiameter <= d + 1e-9)
                .ThenBy(s => !ToolShelf.StandsThere(s))
                .ThenBy(s => s.Cutter.Value.CuttingDiameter)
                .ThenBy(Length)
                    .Select(
                        s =>
                            Step(
                                "drill", s, new() { ["depth"] = pilotDepth }, Nothing,
                                new("Drills the pilot that guides the deep-hole drill, {0} deep.", Mm(pilotDepth)), allPilots)),
            ];
            if (pilotSteps.Length == 0)
                pilotSteps = [Missing("drill", PilotDrills, s => false, d, new("No drill from Ø{0} to Ø{1} for a pilot.", Mm(d), Mm(widest)))];
            foreach (ChainStep pilot in pilotSteps)
            {
                double wide = pilot.Situation?.Cutter.Value.CuttingDiameter ?? d;
                ChainStep deep = Step(
                    "deep-hole", gun, new() { ["depth"] = depth, ["pilotDepth"] = pilotDepth, ["pilotDiameter"] = wide }, Through,
                    new("{0} × D is drilled in stages behind the pilot.", new Measure(Math.Round(depth / d, 1), Quantity.Ratio)), all)
                    with
                { Takes = new("In the pilot of Ø{0}, {1} deep.", Mm(wide), Mm(pilotDepth)) };
                if (depth / d >= LeastStaged || deep.Result?.Findings.All(f => f.Code != "needs-no-stages") == true)
                    yield return new([pilot, deep], d, depth);
            }
        }
    }

    // No drill of the size: a smaller one, and a bar that opens the hole.
    private IEnumerable<Opening> Bored(Finish finish)
    {
        double hole = finish.Hole, depth = finish.DepthIn(hole);
        (List<Situation> bars, List<Situation> all) = Candidates("bore", [CutterFamily.BoringTool], s => BoresIt(s, hole));
        foreach (Situation bar in bars.OrderBy(s => !ToolShelf.StandsThere(s)).ThenBy(Length))
        {
            double body = bar.Cutter.Value[Dimension.BodyDiameter];
            (List<Situation> drills, List<Situation> allDrills) = Candidates(
                "drill", Drills, s => s.Cutter.Value.CuttingDiameter >= body && s.Cutter.Value.CuttingDiameter <= hole - (2 * RoughBar.LeastStock));
            foreach (
                Situation drill in drills.OrderBy(s => !ToolShelf.StandsThere(s))
                    .ThenByDescending(s => s.Cutter.Value.CuttingDiameter)
                    .ThenBy(Length))
            {
                double d = drill.Cutter.Value.CuttingDiameter, drilled = t.Through ? depth : depth + RunOut;
                yield return new(
                    [
                        Step(
                            "drill", drill, new() { ["depth"] = drilled }, Through,
                            new("No drill has Ø{0}: this one opens the hole for the bar.", Mm(hole)), allDrills),
                        Step(
                            "bore", bar, new() { ["depth"] = depth, ["holeBefore"] = d, ["boreDiameter"] = hole }, Ends,
                            new("The bar bores it to Ø{0}.", Mm(hole)), all) with { Takes = new(
                                "In Ø{0}, {1} on a side.", Mm(d), Mm((hole - d) / 2)) },
                    ],
                    hole,
                    depth);
            }
        }
    }

    private IEnumerable<Opening> ByHelix(Finish finish)
    {
        double hole = finish.Hole, depth = finish.DepthIn(hole);
        (List<Situation> mills, List<Situation> all) = Candidates(
            "helical-entry", Helix.Families, s => s.Cutter.Value.CuttingDiameter is var d && d * 1.02 <= hole && 2 * d >= hole);
        foreach (Situation mill in mills.OrderBy(s => !ToolShelf.StandsThere(s)).ThenByDescending(s => s.Cutter.Value.CuttingDiameter).ThenBy(Length))
        {
            Dictionary<string, double> numbers = new() { ["holeDiameter"] = hole, ["stockHeight"] = depth, ["breakthrough"] = t.Through ? 1 : 0 };
            yield return new(
                [Step("helical-entry", mill, numbers, Nothing, new("No drill has Ø{0}: it is milled on a helix.", Mm(hole)), all)], hole, depth);
        }
    }

    private ChainStep NoDrill(Finish finish) =>
        Missing(
            "drill", Drills, s => finish.Takes(s.Cutter.Value.CuttingDiameter), finish.Hole,
            new("No drill makes Ø{0}, and nothing else here opens it.", Mm(finish.Hole)));
}
