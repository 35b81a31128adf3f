using System.Globalization;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Milling.Kinds;
using Incisura.Core.Threads;

namespace Incisura.Core.HoleGroups;

/// <summary>Puts chains together for one hole and finds the best of them.</summary>
internal sealed partial class ChainBuilder(HoleTarget t, ToolShelf shelf, IReadOnlyDictionary<string, int> picked, ChainTrials trials)
{
    // A drill that is this near to the diameter asked for makes it; half the rounding of a drawing.
    private const double SameSize = 0.005;

    // A deep-hole drill is also taken where no other drill reaches, from this depth over diameter.
    private const double LeastStaged = 8;

    // Depth a bar or reamer runs out into below a blind hole, mm.
    private const double RunOut = 1;

    // A chamfer at 45°, within this many degrees of the cone.
    private const double ChamferCone = 90, ConeTolerance = 10;

    private readonly HashSet<string> asked = [], fitted = [];
    private readonly HoleTolerance? limits = t.Kind == TargetKind.Tolerance ? HoleTolerance.Read(t.Tolerance, t.Diameter) : null;

    private enum Way
    {
        Drill,
        Stages,
        DeepDrill,
        StepDrill,
        Bore,
        Helix,
        Nothing,
    }

    /// <summary>Picks that were asked for and fitted nowhere.</summary>
    public IEnumerable<FallenPick> Unfit =>
        picked.Where(p => asked.Contains(p.Key) && !fitted.Contains(p.Key)).Select(p => new FallenPick(p.Key, p.Value, WhyUnfit(p.Key, p.Value)));

    /// <summary>Number of an assembly, whether it can be used or not.</summary>
    public string NameOf(int assemblyId) => Of(assemblyId)?.Assembly.Value.Number ?? "The assembly picked";

    /// <summary>The first chain that works, or else the one with the least against it; a thread no tap makes is milled.</summary>
    public HoleChain Best()
    {
        HoleChain best = BestOf(Finishes());
        if (best.Verdict != ChainVerdict.Fails || t.Kind != TargetKind.Threaded || Mills() is not { Count: > 0 } mills) return best;
        HoleChain milled = BestOf(mills);
        if (Against(milled).CompareTo(Against(best)) >= 0) return best;
        return milled with { Notes = [.. milled.Notes, WhyMilled(best)] };
    }

    private HoleChain BestOf(List<Finish> finishes)
    {
        HoleChain? best = null;
        foreach (Way way in Enum.GetValues<Way>())
        {
            // What only a bar or a helix was tried for and failed is told as a missing drill.
            if (way == Way.Nothing)
            {
                if (best?.Steps.Any(s => s.Operation is "bore" or "helical-entry") == false) break;
                best = null;
            }

            foreach (Finish finish in finishes)
                foreach (Opening opening in Openings(way, finish))
                {
                    HoleChain chain = Whole(finish, opening);
                    if (best is null || Against(chain).CompareTo(Against(best)) < 0) best = chain;
                    if (best.Verdict == ChainVerdict.Works) return best;
                }

            if (best is { Verdict: not ChainVerdict.Fails }) return best;
        }

        // A step that is missing has named what would serve already.
        return best!.Steps.All(s => s.Found) ? best with { Notes = [.. best.Notes, .. Barred(finishes)] } : best;
    }

    // Where the chain fails, tools that have the size and may not be used are the first to look at.
    private IEnumerable<Sentence> Barred(List<Finish> finishes) => shelf.Barred
        .Where(
            b => OpeningFamilies.Contains(b.Situation.Cutter.Value.Family) && finishes.Exists(f => f.Takes(b.Situation.Cutter.Value.CuttingDiameter)))
        .Take(MostBarred)
        .Select(b => new Sentence($"{b.Situation.Assembly.Value.Number} has the size, but {b.Why}."));

    private static (ChainVerdict, int) Against(HoleChain chain) => (chain.Verdict, chain.Steps.Count(s => !s.Found));

    // Spot, opening, chamfer where the spot did not leave it, and what finishes the hole.
    private HoleChain Whole(Finish finish, Opening opening)
    {
        List<ChainStep> steps = [];
        List<Sentence> cautions = [], notes = [];
        bool seat = t.Kind == TargetKind.Counterbored, chamfered = opening.Chamfered;
        double chamfer = seat ? t.SeatDiameter + (2 * t.Chamfer) : ChamferAround(opening.Diameter);
        if (opening.Steps[0] is { Situation: { } first, Found: true })
        {
            bool here = t.Chamfer > 0 && !seat && !chamfered;
            (ChainStep? spot, Sentence? note) = Spot(first.Cutter.Value, here ? chamfer : 0, opening.Diameter);
            if (spot is not null) steps.Add(spot);
            if (note is not null) notes.Add(note);
            chamfered |= here && spot?.Choices.Numbers["chamferDiameter"] >= chamfer;
        }

        steps.AddRange(opening.Steps);
        bool open = opening.Steps.All(s => s.Found);
        if (t.Chamfer > 0 && !chamfered && !seat && open) steps.Add(Countersink(chamfer, opening.Diameter));
        if (finish.Missing is { } missing) steps.Add(missing);
        else if (finish.Situation is { } s)
        {
            Dictionary<string, double> numbers = finish.Into(opening.Diameter);
            if (!t.Through && finish.AsksDepth) numbers["depthOfHoleBefore"] = opening.Depth;
            steps.Add(
                Step(finish.Operation, s, numbers, finish.Ends, finish.Why, finish.Others,
                    finish.Extras) with
                { Takes = TakesOver(opening, finish) });
        }

        if (t.Chamfer > 0 && seat && open) steps.Add(Countersink(chamfer, t.SeatDiameter));
        if (t.Kind == TargetKind.Tolerance && limits is null)
            cautions.Add(new(
                $"“{t.Tolerance}” is not a tolerance known here at this size: the hole is made to Ø{{0}}, and its limits are not checked.",
                Mm(t.Diameter)));
        if (t.Through && t.Chamfer > 0) notes.Add(new("The far edge is left as it is; deburr it."));
        return new(steps, cautions, notes);
    }

    private Sentence TakesOver(Opening opening, Finish finish)
    {
        double stock = (finish.Size - opening.Diameter) / 2;
        return t.Through
            ? new("In Ø{0} through, {1} on a side.", Mm(opening.Diameter), Mm(stock))
            : new("In Ø{0}, {1} deep, {2} on a side.", Mm(opening.Diameter), Mm(opening.Depth), Mm(stock));
    }

    private (ChainStep? Step, Sentence? Note) Spot(Cutter drill, double chamfer, double drilled)
    {
        Spotting rule = Spotting.Of(drill, t.Depth / drill.CuttingDiameter);
        if (!rule.Wanted) return (null, rule.Why);
        bool Chamfers(Situation s) => chamfer > 0 && s.Cutter.Value.CuttingDiameter >= chamfer && HasChamferCone(s);
        (List<Situation> able, List<Situation> all) = Candidates(
            "spot", [CutterFamily.SpotDrill], s => s.Cutter.Value[Dimension.PointAngle] >= rule.LeastAngle - 1e-9);
        double guide = Math.Round(8 * drill.CuttingDiameter) / 10;
        foreach (
            Situation s in able.OrderBy(s => !Chamfers(s))
                .ThenBy(s => !ToolShelf.StandsThere(s))
                .ThenBy(s => s.Cutter.Value.CuttingDiameter < guide)
                .ThenBy(s => Math.Abs(s.Cutter.Value.CuttingDiameter - guide)))
        {
            bool chamfers = Chamfers(s);
            double wide = chamfers ? chamfer : Math.Min(guide, s.Cutter.Value.CuttingDiameter);
            Dictionary<string, double> numbers = new() { ["chamferDiameter"] = wide };
            if (chamfers) numbers["holeBefore"] = drilled;
            ChainStep step = Step(
                "spot", s, numbers, Nothing,
                chamfers ? new("The smallest spot drill that leaves the chamfer to Ø{0}.", Mm(chamfer)) : new("Guides the drill."), all);
            if (step.Gravest != Severity.Stop) return (step, null);
        }

        return (null, able.Count == 0
            ? new("No spot: no spot drill here has a cone as flat as the point of the drill.")
            : new Sentence("No spot: none of the spot drills here can do it."));
    }

    private ChainStep Countersink(double chamfer, double hole)
    {
        CutterFamily[] families = [CutterFamily.Countersink, CutterFamily.SpotDrill];
        bool Fits(Situation s) => s.Cutter.Value.CuttingDiameter >= chamfer && !(s.Cutter.Value[Dimension.LeastDiameter] > hole) && HasChamferCone(s);
        Dictionary<string, double> numbers = new() { ["chamferDiameter"] = chamfer, ["holeBefore"] = hole };
        (List<Situation> able, List<Situation> all) = Candidates("countersink", families, Fits);
        ChainStep[] steps =
        [
            .. able.OrderBy(s => !ToolShelf.StandsThere(s))
            .ThenBy(s => Array.IndexOf(families, s.Cutter.Value.Family))
            .ThenBy(s => s.Cutter.Value.CuttingDiameter)
                .Select(
                    s =>
                        Step(
                            "countersink", s, numbers, Nothing, new(
                                "Chamfers to Ø{0} after drilling.", Mm(chamfer)), all) with { Takes = new("Around Ø{0}.", Mm(hole)) }),
        ];
        if (steps.MinBy(s => s.Gravest) is { } best) return best;

        // Wider than any countersink: a chamfer mill goes round.
        (able, all) = Candidates("chamfer", [CutterFamily.ChamferMill], s => s.Cutter.Value.CuttingDiameter <= 0.8 * hole && HasChamferCone(s));
        numbers = new() { ["leg"] = (chamfer - hole) / 2, ["length"] = Math.PI * chamfer };
        steps =
        [
            .. able.OrderBy(s => !ToolShelf.StandsThere(s)).ThenByDescending(s => s.Cutter.Value.CuttingDiameter)
                .Select(
                    s =>
                        Step(
                            "chamfer", s, numbers, Nothing, new(
                                "No countersink is as wide: a chamfer mill goes round to Ø{0}.", Mm(chamfer)), all) with { Takes = new("Around Ø{0}.",
                                Mm(hole)) }),
        ];
        return steps.FirstOrDefault(s => s.Gravest != Severity.Stop)
            ?? Missing("countersink", families, Fits, chamfer, new("No countersink of 90° from Ø{0} to Ø{1}.", Mm(hole), Mm(chamfer)));
    }

    // Coolant comes through the cutter where both it and the machine have it.
    private ChainStep Step(
        string operation, Situation s, Dictionary<string, double> numbers, IReadOnlyDictionary<string, string> ends, Sentence why,
        IReadOnlyList<Situation> others, IReadOnlyList<Extra>? extras = null)
    {
        Dictionary<string, string> options = new(ends);
        if (s.Cutter.Value.ThroughCoolant && s.Machine.Value.CoolantThrough == true) options[Common.Coolant] = "through";
        Choices choices = new(numbers, options) { Extras = extras ?? [] };
        (CalculationResult? result, string refused) = trials.Try(operation, s, choices);
        bool hand = picked.GetValueOrDefault(operation) == s.Assembly.Id;
        Sentence reason = result is null
            ? new(
                $"{s.Assembly.Value.Number} has the size but cannot do it: "
                    + $"{refused.Replace("{", "(", StringComparison.Ordinal).Replace("}", ")", StringComparison.Ordinal)}")
            : hand
            ? new Sentence("Picked by hand. ").Then(why)
            : why;
        return new(operation, s, choices, result, reason, others);
    }

    // Those that can be used, fit, and are not ruled out by a pick; and all that fit, picked or not.
    private (List<Situation> Able, List<Situation> All) Candidates(string operation, CutterFamily[] families, Func<Situation, bool> fits)
    {
        List<Situation> all =
            [
                .. shelf.Usable.Where(s => families.Contains(s.Cutter.Value.Family) && fits(s))
                .OrderBy(s => s.Assembly.Value.Number, StringComparer.Ordinal)];
        if (!picked.TryGetValue(operation, out int by)) return (all, all);
        asked.Add(operation);
        List<Situation> hand = [.. all.Where(s => s.Assembly.Id == by)];
        if (hand.Count > 0) fitted.Add(operation);
        return (hand, all);
    }

    private ChainStep Missing(string operation, CutterFamily[] families, Func<Situation, bool> fits, double size, Sentence missing)
    {
        BarredTool? barred = shelf.Barred.FirstOrDefault(b => families.Contains(b.Situation.Cutter.Value.Family) && fits(b.Situation));
        double[] nearest =
            [
                .. shelf.Usable.Where(s => families.Contains(s.Cutter.Value.Family))
                .Select(s => s.Cutter.Value.CuttingDiameter)
                .Distinct()
                .OrderBy(d => Math.Abs(d - size))
                .Take(4)];
        Sentence instead = barred is { } b
            ? new($" {b.Situation.Assembly.Value.Number} would serve, but {b.Why}.")
            : nearest.Length == 0
                ? new(" Nothing of this kind is set up for this machine and material.")
                : new(
                    $" There {(nearest.Length == 1 ? "is" : "are")} {string.Join(", ", nearest.Select((_, i) => $"Ø{{{i}}}"))}.",
                    [.. nearest.Select(Mm)]);
        return new(operation, null, Choices.None, null, missing.Then(instead), []);
    }

    private Situation? Of(int assemblyId) =>
        shelf.Usable.Concat(shelf.Barred.Select(b => b.Situation)).FirstOrDefault(s => s.Assembly.Id == assemblyId);

    private Sentence WhyUnfit(string operation, int assemblyId)
    {
        if (Of(assemblyId) is not { } s) return new("The assembly picked is not in use any more.");
        if (shelf.Barred.FirstOrDefault(b => b.Situation == s) is { } barred) return new($"{s.Assembly.Value.Number} was picked, but {barred.Why}.");
        return new(
            $"{s.Assembly.Value.Number}, a {s.Cutter.Value.Described.Name} of Ø{{0}}, was picked and does not fit this hole.",
            Mm(s.Cutter.Value.CuttingDiameter));
    }

    // Diameter of the chamfer at the surface around an opening: of a plain hole its own, of any other that it is to have.
    private double ChamferAround(double opening) => (t.Kind == TargetKind.Plain ? opening : t.Nominal()) + (2 * t.Chamfer);

    private static bool HasChamferCone(Situation s) => Math.Abs(s.Cutter.Value[Dimension.PointAngle] - ChamferCone) <= ConeTolerance;

    private static double Length(Situation s) => s.Assembly.Value.Projection;

    private Dictionary<string, string> Ends => new() { [Codes.Of(Choice.End)] = t.Through ? "through" : "blind" };

    private Dictionary<string, string> Through => t.Through ? Ends : Nothing;

    private static Dictionary<string, string> Nothing => [];

    private static double Field(ChainStep step, string code) => step.Result!.Fields.First(f => f.Code == code).Value;

    private static double Up(double depth) => Math.Ceiling((10 * depth) - 1e-9) / 10;

    private static Measure Mm(double mm) => new(mm, Quantity.Length);
}
