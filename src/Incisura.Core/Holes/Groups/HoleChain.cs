using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Quantities;
using Incisura.Core.Threads;

namespace Incisura.Core.Holes.Groups;

/// <summary>One step of a chain: an operation with a cutter of the library, or what is missing for it.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Situation">Its situation; null where nothing serves.</param>
/// <param name="Choices">What was chosen in it.</param>
/// <param name="Result">What it comes to; null where nothing serves.</param>
/// <param name="Reason">Why this cutter, or what is missing and what would come nearest.</param>
/// <param name="Others">Other assemblies that could do the step.</param>
public sealed record ChainStep(string Operation, Situation? Situation, Choices Choices, CalculationResult? Result, Sentence Reason, IReadOnlyList<Situation> Others)
{
    /// <summary>Whether a cutter was found.</summary>
    public bool Found => Result is not null;

    /// <summary>Time for one hole, min.</summary>
    public double Time => Result?.Figures.FirstOrDefault(f => f.Code == "time")?.Value ?? 0;
}

/// <summary>Proposes the chain of operations that makes a hole, out of cutters that the library really has.</summary>
public static class HoleChain
{
    // A drill that is this near to the diameter asked for makes it; half the rounding of a drawing.
    private const double SameSize = 0.005;

    /// <summary>Proposes a chain.</summary>
    /// <param name="target">The hole.</param>
    /// <param name="shelf">Situations of every assembly that can be used, in the work material and on the machine.</param>
    /// <param name="picked">Assemblies chosen by hand, by the code of the operation.</param>
    /// <param name="cancel">Stops the work.</param>
    public static IReadOnlyList<ChainStep> Propose(HoleTarget target, IReadOnlyList<Situation> shelf, IReadOnlyDictionary<string, int> picked, CancellationToken cancel = default)
    {
        Builder b = new(target, shelf, picked, cancel);
        return target.Kind switch
        {
            TargetKind.Threaded => b.Threaded(),
            TargetKind.Tolerance => b.ToTolerance(),
            TargetKind.Counterbored => b.Counterbored(),
            _ => b.Plain(),
        };
    }

    private sealed class Builder(HoleTarget t, IReadOnlyList<Situation> shelf, IReadOnlyDictionary<string, int> picked, CancellationToken cancel)
    {
        private readonly List<ChainStep> steps = [];

        public List<ChainStep> Plain() => Chain(t.Diameter, t.Depth, null);

        public List<ChainStep> Counterbored()
        {
            Dictionary<string, double> seat = new() { ["depth"] = t.SeatDepth, ["holeBefore"] = t.Diameter };
            ChainStep step = Choose(
                "counterbore", [CutterFamily.Counterbore, CutterFamily.FlatDrill], s => Math.Abs(s.Cutter.Value.CuttingDiameter - t.SeatDiameter) <= SameSize, _ => new(seat, Nothing), s => s.Assembly.Value.Projection,
                _ => new("Makes the seat of Ø{0}.", Mm(t.SeatDiameter)), t.SeatDiameter, new("No counterbore of Ø{0} with a pilot that enters Ø{1}.", Mm(t.SeatDiameter), Mm(t.Diameter)));
            return Chain(t.Diameter, t.Depth, step);
        }

        public List<ChainStep> ToTolerance()
        {
            // Its stock is asked of the reamer; how deep the drill goes, too.
            ChainStep reamer = Choose(
                "ream", [CutterFamily.Reamer], s => Math.Abs(s.Cutter.Value.CuttingDiameter - t.Diameter) < 1e-6, _ => new(DepthOnly, Ends), s => s.Assembly.Value.Projection,
                _ => new($"Reams Ø{{0}} {t.Tolerance}.", Mm(t.Diameter)), t.Diameter, new("No reamer of Ø{0}.", Mm(t.Diameter)));
            if (reamer.Found)
            {
                double wanted = Field(reamer, "holeBefore"), stock = (t.Diameter - wanted) / 2;
                return Chain(wanted, t.Through ? t.Depth : Figure(reamer, "depthNeeded"), reamer, Math.Max(0.05, 0.6 * stock * 2), "ream");
            }

            ChainStep bore = Choose(
                "fine-bore", [CutterFamily.FineBoringHead], s => s.Cutter.Value[Dimension.LeastDiameter] <= t.Diameter && s.Cutter.Value[Dimension.LargestDiameter] >= t.Diameter,
                _ => new(new Dictionary<string, double>(DepthOnly) { ["boreDiameter"] = t.Diameter }, Ends), s => s.Assembly.Value.Projection,
                _ => new($"No reamer of Ø{{0}}: the head is set to it and bores {t.Tolerance}.", Mm(t.Diameter)), t.Diameter, new("No reamer of Ø{0}, and no fine-boring head that reaches it.", Mm(t.Diameter)));
            return bore.Found ? Chain(Field(bore, "holeBefore"), t.Depth, bore, 1, "fine-bore") : Chain(t.Diameter - 0.3, t.Depth, bore, 0.3, "ream");
        }

        public List<ChainStep> Threaded()
        {
            bool Fits(Situation s) => Math.Abs(s.Cutter.Value[Dimension.ThreadDiameter] - t.Diameter) < 1e-6 && Math.Abs(s.Cutter.Value[Dimension.Pitch] - t.Pitch) < 1e-6 && s.Cutter.Value.Hand == (t.LeftHand ? Hand.Left : Hand.Right);
            ChainStep tap = Choose(
                "tap", [CutterFamily.CuttingTap, CutterFamily.FormingTap], Fits, _ => new(DepthOnly, Ends), s => Unfit(s) + (0.001 * s.Assembly.Value.Projection), WhyTap,
                t.Diameter, new($"No {(t.LeftHand ? "left-hand " : "")}tap for {{0}} × {{1}}.", Mm(t.Diameter), Mm(t.Pitch)));
            if (tap.Situation is not { } situation) return Chain(ThreadHole.MinorFor(t.Diameter, t.Pitch, 75), t.Depth + (3 * t.Pitch), tap, 0.1 * t.Pitch, "tap");

            TapGeometry geometry = new(situation.Cutter.Value);
            return Chain(Figure(tap, "holeForHeight"), t.Through ? t.Depth : Figure(tap, "depthNeeded"), tap, 0.35 * t.Pitch, "tap", d => TapDrill.Of(geometry, d));
        }

        // Spot, drill, chamfer where the spot did not leave it, and what finishes the hole.
        private List<ChainStep> Chain(double hole, double depth, ChainStep? last, double within = SameSize, string before = "", Func<double, TapDrill?>? thread = null)
        {
            double chamfer = (t.Kind == TargetKind.Plain ? hole : t.Diameter) + (2 * t.Chamfer);
            ChainStep drill = Drill(hole, depth, within, before, thread);
            ChainStep[] opening = InStages(drill, hole, depth) ?? [drill];
            double drilled = opening[^1].Situation?.Cutter.Value.CuttingDiameter ?? hole;
            (ChainStep spot, bool chamfered) = Spot(chamfer, drilled);
            steps.Add(spot);
            steps.AddRange(opening);
            if (t.Chamfer > 0 && !chamfered && t.Kind != TargetKind.Counterbored) steps.Add(Countersink(chamfer, drilled));
            if (last is not null) steps.Add(opening[^1].Found ? Again(last, drilled, depth) : last);
            return steps;
        }

        // The finishing step once more, into the hole that the drill really leaves.
        private ChainStep Again(ChainStep step, double drilled, double depth)
        {
            if (step.Situation is null) return step;
            Dictionary<string, double> numbers = new(step.Choices.Numbers) { ["holeBefore"] = drilled };
            if (!t.Through && step.Operation != "fine-bore") numbers["depthOfHoleBefore"] = Math.Ceiling((10 * depth) - 1e-9) / 10;
            Choices choices = step.Choices with { Numbers = numbers };
            return Try(step.Operation, step.Situation, choices) is { } result ? step with { Choices = choices, Result = result } : step;
        }

        private (ChainStep Step, bool Chamfered) Spot(double chamfer, double drilled)
        {
            bool Wide(Situation s) => s.Cutter.Value.CuttingDiameter >= chamfer && s.Cutter.Value[Dimension.PointAngle] <= 100;
            bool chamfers = t.Chamfer > 0 && t.Kind != TargetKind.Counterbored && shelf.Any(s => s.Cutter.Value.Family == CutterFamily.SpotDrill && Wide(s));
            double wide = chamfers ? chamfer : Math.Round(8 * drilled) / 10;
            Dictionary<string, double> numbers = new() { ["chamferDiameter"] = wide };
            if (chamfers) numbers["holeBefore"] = drilled;
            ChainStep step = Choose(
                "spot", [CutterFamily.SpotDrill], s => chamfers ? Wide(s) : s.Cutter.Value.CuttingDiameter >= wide, _ => new(numbers, Nothing), s => s.Cutter.Value.CuttingDiameter,
                _ => chamfers ? new("The smallest spot drill that leaves the chamfer to Ø{0}.", Mm(chamfer)) : t.Chamfer > 0 && t.Kind != TargetKind.Counterbored ? new("Guides the drill; the chamfer to Ø{0} comes after.", Mm(chamfer)) : new("Guides the drill."),
                wide, new("No spot drill of at least Ø{0}.", Mm(wide)));
            return (step, chamfers && step.Found);
        }

        private ChainStep Countersink(double chamfer, double drilled)
        {
            Dictionary<string, double> numbers = new() { ["chamferDiameter"] = chamfer, ["holeBefore"] = drilled };
            return Choose(
                "countersink", [CutterFamily.Countersink], s => s.Cutter.Value.CuttingDiameter >= chamfer && !(s.Cutter.Value[Dimension.LeastDiameter] > drilled), _ => new(numbers, Nothing), s => s.Cutter.Value.CuttingDiameter,
                _ => new("No spot drill is wide enough for the chamfer to Ø{0}.", Mm(chamfer)), chamfer, new("No countersink from Ø{0} to Ø{1}.", Mm(drilled), Mm(chamfer)));
        }

        private ChainStep Drill(double hole, double depth, double within, string before, Func<double, TapDrill?>? thread)
        {
            Dictionary<string, double> numbers = new() { ["depth"] = t.Through ? t.Depth : Math.Ceiling((10 * depth) - 1e-9) / 10 };
            bool Fits(Situation s)
            {
                double d = s.Cutter.Value.CuttingDiameter;
                return s.Cutter.Value.Family != CutterFamily.StepDrill && Math.Abs(d - hole) <= within && (thread is null || thread(d) is { Class.Length: > 0 }) && (before is not ("ream" or "fine-bore") || d < t.Diameter - 0.02);
            }

            Sentence Why(Situation s)
            {
                double d = s.Cutter.Value.CuttingDiameter;
                if (thread?.Invoke(d) is { } got) return new($"Leaves {got.Height.ToString("0", CultureInfo.InvariantCulture)} % thread height, minor diameter inside {got.Class}; its flutes clear {{0}}.", Mm(numbers["depth"]));
                return before is "ream" or "fine-bore"
                    ? new("Leaves {0} on a side for the step after; its flutes clear {1}.", Mm((t.Diameter - d) / 2), Mm(numbers["depth"]))
                    : new("Has the diameter of the hole; its flutes clear {0}.", Mm(numbers["depth"]));
            }

            return Choose(
                "drill", [CutterFamily.TwistDrill, CutterFamily.IndexableDrill, CutterFamily.FlatDrill], Fits, _ => new(numbers, Through), s => (thread is null ? 0 : Math.Abs(s.Cutter.Value.CuttingDiameter - hole)) + (0.001 * s.Assembly.Value.Projection), Why,
                hole, within > SameSize ? new("No drill of Ø{0} or within {1} of it.", Mm(hole), Mm(within)) : new("No drill of Ø{0}.", Mm(hole)));
        }

        // Too deep for the drills there are, or deeper than the shop drills without stages: a pilot, and a deep-hole drill behind it.
        private ChainStep[]? InStages(ChainStep drill, double hole, double depth)
        {
            if (drill.Result is { } result && result.Findings.All(f => f.Code != "staged")) return null;
            double pilotDepth = Math.Round(15 * hole) / 10;
            Dictionary<string, double> pilotNumbers = new() { ["depth"] = pilotDepth };
            ChainStep pilot = Choose(
                "drill", [CutterFamily.TwistDrill, CutterFamily.FlatDrill], s => s.Cutter.Value.CuttingDiameter >= hole - 1e-9 && s.Cutter.Value.CuttingDiameter <= hole * StagedDrilling.WidestPilot, _ => new(pilotNumbers, Nothing),
                s => s.Cutter.Value.CuttingDiameter + (0.001 * s.Assembly.Value.Projection), _ => new("Drills the pilot that guides the deep-hole drill, {0} deep.", Mm(pilotDepth)), hole, new("No drill from Ø{0} to Ø{1} for a pilot.", Mm(hole), Mm(hole * StagedDrilling.WidestPilot)));
            Dictionary<string, double> numbers = new() { ["depth"] = t.Through ? t.Depth : Math.Ceiling((10 * depth) - 1e-9) / 10, ["pilotDepth"] = pilotDepth };
            if (pilot.Situation is { } guide) numbers["pilotDiameter"] = guide.Cutter.Value.CuttingDiameter;
            ChainStep deep = Choose(
                "deep-hole", [CutterFamily.GunDrill], s => Math.Abs(s.Cutter.Value.CuttingDiameter - hole) <= SameSize, _ => new(numbers, Through), s => s.Assembly.Value.Projection,
                _ => new("{0} × D is drilled in stages behind the pilot.", new Measure(Math.Round(t.Depth / hole, 1), Quantity.Ratio)), hole, new("No deep-hole drill of Ø{0}.", Mm(hole)));

            // Without a deep-hole drill a drill that pecks is better than none.
            return deep.Found ? [pilot, deep] : null;
        }

        // A tap for a blind hole draws its chips back or makes none; one for a through hole drives them ahead.
        private int Unfit(Situation s)
        {
            TapGeometry tap = new(s.Cutter.Value);
            return tap.Forming ? 1 : t.Through == (tap.Flutes == "point") ? 0 : 2;
        }

        private Sentence WhyTap(Situation s)
        {
            TapGeometry tap = new(s.Cutter.Value);
            return new(tap.Forming ? "Forms the thread: no chips." : tap.Flutes switch
            {
                "point" => t.Through ? "Its spiral point drives the chips ahead, out of the far side." : "Drives the chips ahead; the hole is drilled deeper for them.",
                "spiral" => t.Through ? "No tap with a spiral point stands ready; spiral flutes draw the chips back." : "Its spiral flutes draw the chips out of the blind hole.",
                _ => "Straight flutes keep the chips; the hole is drilled deeper for them.",
            });
        }

        // The first by rank among those that can be calculated and run; one picked by hand goes before all others.
        private ChainStep Choose(
            string operation, CutterFamily[] families, Func<Situation, bool> fits, Func<Situation, Choices> choose, Func<Situation, double> rank, Func<Situation, Sentence> why, double size, Sentence missing)
        {
            List<Situation> family = [.. shelf.Where(s => families.Contains(s.Cutter.Value.Family))];
            List<Situation> fitting = [.. family.Where(fits).OrderBy(rank).ThenBy(s => s.Assembly.Value.Number, StringComparer.Ordinal)];
            if (picked.TryGetValue(operation, out int by) && shelf.FirstOrDefault(s => s.Assembly.Id == by) is { } hand && Try(operation, hand, choose(hand)) is { } own)
                return new(operation, hand, choose(hand), own, new("Picked by hand."), [.. fitting.Where(s => s != hand)]);

            Sentence? refused = null;
            foreach (Situation s in fitting)
            {
                Choices choices = choose(s);
                CalculationResult? result = Try(operation, s, choices, out string reason);
                Finding? stop = result?.Findings.FirstOrDefault(f => f.Severity == Severity.Stop);
                if (result is not null && stop is null) return new(operation, s, choices, result, why(s), [.. fitting.Where(o => o != s)]);
                refused ??= new Sentence($" {s.Assembly.Value.Number} has the size but cannot do it: ").Then(stop?.Text ?? new(reason));
            }

            double[] nearest = [.. family.Select(s => s.Cutter.Value.CuttingDiameter).Distinct().OrderBy(d => Math.Abs(d - size)).Take(4)];
            Sentence instead = refused ?? (nearest.Length == 0
                ? new(" Nothing of this kind is set up for this machine and material.")
                : new($" There {(nearest.Length == 1 ? "is" : "are")} {string.Join(", ", nearest.Select((_, i) => $"Ø{{{i}}}"))}.", [.. nearest.Select(Mm)]));
            return new(operation, null, new(new Dictionary<string, double>(), Nothing), null, missing.Then(instead), fitting);
        }

        private CalculationResult? Try(string operation, Situation s, Choices choices) => Try(operation, s, choices, out _);

        private CalculationResult? Try(string operation, Situation s, Choices choices, out string reason)
        {
            reason = "";
            try
            {
                return Operations.Find(operation)!.Calculate(s, choices, explain: false, cancel);
            }
            catch (InputException refused)
            {
                reason = refused.Faults[0].Sentence;
                return null;
            }
        }

        private Dictionary<string, double> DepthOnly => new() { ["depth"] = t.Depth };

        private Dictionary<string, string> Ends => new() { [HoleWords.End] = t.Through ? "through" : "blind" };

        private Dictionary<string, string> Through => t.Through ? Ends : Nothing;

        private static Dictionary<string, string> Nothing => [];

        private static double Figure(ChainStep step, string code) => step.Result!.Figures.First(f => f.Code == code).Value;

        private static double Field(ChainStep step, string code) => step.Result!.Fields.First(f => f.Code == code).Value;

        private static Measure Mm(double mm) => new(mm, Quantity.Length);
    }
}
