using System.Globalization;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Threads;

namespace Incisura.Core.HoleGroups;

/// <summary>What can finish the hole, in the order it is tried.</summary>
internal sealed partial class ChainBuilder
{
    /// <summary>One way to finish a hole, and what it asks of the opening before it.</summary>
    private sealed record Finish
    {
        /// <summary>Code of the operation; empty where the opening is the hole.</summary>
        public string Operation { get; init; } = "";

        /// <summary>What does it; null where nothing has to.</summary>
        public Situation? Situation { get; init; }

        /// <summary>The step as it is shown where nothing serves.</summary>
        public ChainStep? Missing { get; init; }

        /// <summary>Diameter the step makes, mm.</summary>
        public double Size { get; init; }

        /// <summary>Diameter of the opening it wants, mm.</summary>
        public required double Hole { get; init; }

        /// <summary>Whether it can follow an opening of a diameter, mm.</summary>
        public required Func<double, bool> Takes { get; init; }

        /// <summary>Depth to which an opening of a diameter must have it, mm.</summary>
        public required Func<double, double> DepthIn { get; init; }

        /// <summary>Values of the step in an opening of a diameter.</summary>
        public Func<double, Dictionary<string, double>> Into { get; init; } = _ => [];

        /// <summary>Whether the step asks how deep the opening is.</summary>
        public bool AsksDepth { get; init; } = true;

        /// <summary>Picks of the step.</summary>
        public IReadOnlyDictionary<string, string> Ends { get; init; } = new Dictionary<string, string>();

        /// <summary>What the step has beyond numbers and picks, such as the thread it mills.</summary>
        public IReadOnlyList<Extra> Extras { get; init; } = [];

        /// <summary>Why this one.</summary>
        public Sentence Why { get; init; } = new("");

        /// <summary>Why a drill of a diameter.</summary>
        public required Func<double, Sentence> WhyDrill { get; init; }

        /// <summary>All assemblies of its kind that fit.</summary>
        public IReadOnlyList<Situation> Others { get; init; } = [];
    }

    private List<Finish> Finishes() => t.Kind switch
    {
        TargetKind.Threaded => Taps(),
        TargetKind.Tolerance => ToTolerance(),
        TargetKind.Counterbored => Seats(),
        _ => [AsItIs(t.Diameter)],
    };

    private List<Finish> ToTolerance()
    {
        List<Finish> able = [.. Reamers(), .. Heads()];
        return able.Count > 0 ? able : [NoFinisher()];
    }

    private Finish AsItIs(double hole) => new()
    {
        Hole = hole,
        Size = hole,
        Takes = d => Math.Abs(d - hole) <= SameSize,
        DepthIn = _ => t.Through ? t.Depth : Up(t.Depth),
        WhyDrill = _ => new("Has the diameter of the hole."),
    };

    private List<Finish> Taps()
    {
        CutterFamily[] families = [CutterFamily.CuttingTap, CutterFamily.FormingTap, CutterFamily.TaperPipeTap];
        WorkThread work = t.Work!;
        bool Fits(Situation s) => new TapGeometry(s.Cutter.Value).Makes(work);
        (List<Situation> able, List<Situation> all) = Candidates("tap", families, Fits);
        List<Finish> taps = [];
        foreach (Situation s in able.OrderBy(ChipsUnfit).ThenBy(s => !ToolShelf.StandsThere(s)).ThenBy(Length))
        {
            TapGeometry tap = new(s.Cutter.Value);
            Dictionary<string, double> Into(double d) => new() { ["depth"] = t.Depth, ["holeBefore"] = d };
            NoTrace none = default;
            double hole = tap.HoleFor(tap.UsualHeight, ref none);
            bool Holds(double d) => TapDrill.Of(tap, d) is { } got
                && (tap.Taper > 0 ? Math.Abs(d - hole) <= 0.1 * tap.Pitch : Math.Abs(d - hole) <= 0.35 * tap.Pitch && got.Holds(work.Thread));
            taps.Add(new()
            {
                Operation = "tap",
                Situation = s,
                Size = tap.Diameter,
                Hole = hole,
                Takes = Holds,
                Into = Into,
                DepthIn = d => DepthFor("tap", s, Into(d)),
                Ends = Ends,
                Why = WhyTap(tap, able),
                WhyDrill = d => TapDrill.Of(tap, d) is { } got
                    ? new(
                        $"Leaves {got.Height.ToString("0", CultureInfo.InvariantCulture)} % thread height"
                            + (got.Class.Length > 0 ? $", minor diameter inside {got.Class}." : "."))
                    : new("Leaves the core of the thread."),
                Others = all,
            });
        }

        if (taps.Count > 0) return taps;
        double core = ThreadHole.MinorFor(work.Thread.Diameter, work.Thread.Pitch, HeightUntapped, work.Thread.Form);
        return
        [
            AsItIs(core) with
            {
                Takes = d => Math.Abs(d - core) <= 0.1 * work.Thread.Pitch,
                DepthIn = _ => t.Through ? t.Depth : Up(t.Depth + (3 * work.Thread.Pitch)),
                WhyDrill = _ => new("Leaves the core of the thread."),
                Missing = Missing("tap", families, Fits, work.Thread.Diameter, new($"No tap for {work.Text}.")),
            },
        ];
    }

    // Thread height a hole is drilled for where no tap says, % of the full one.
    private const double HeightUntapped = 75;

    // A tap for a blind hole draws its chips back or makes none; one for a through hole drives them ahead.
    private int ChipsUnfit(Situation s)
    {
        TapGeometry tap = new(s.Cutter.Value);
        return tap.Forming ? 1 : t.Through == (tap.Flutes == "point") ? 0 : 2;
    }

    private Sentence WhyTap(TapGeometry tap, List<Situation> able) => new(tap.Forming ? "Forms the thread: no chips." : tap.Flutes switch
    {
        "point" =>
            t.Through
                ? "Its spiral point drives the chips ahead, out of the far side."
                : "Drives the chips ahead; the hole is drilled deeper for them.",
        "spiral" => !t.Through ? "Its spiral flutes draw the chips out of the blind hole."
            : able.Any(s => new TapGeometry(s.Cutter.Value).Flutes == "point")
                ? "Its spiral flutes draw the chips back; no chain with a spiral point works."
            : "Its spiral flutes draw the chips back: no tap for this thread has a spiral point.",
        _ => "Straight flutes keep the chips; the hole is drilled deeper for them.",
    });

    private IEnumerable<Finish> Reamers()
    {
        (List<Situation> able, List<Situation> all) = Candidates("ream", [CutterFamily.Reamer], ReamsIt);
        foreach (
            Situation s in able.OrderBy(s => Math.Abs(s.Cutter.Value.CuttingDiameter - t.Diameter))
                .ThenBy(s => !ToolShelf.StandsThere(s))
                .ThenBy(Length))
        {
            double size = s.Cutter.Value.CuttingDiameter;
            if (trials.Try("ream", s, new(new Dictionary<string, double> { ["depth"] = t.Depth }, Ends)).Result is not { } alone) continue;
            double wanted = alone.Fields.First(f => f.Code == "holeBefore").Value;
            Dictionary<string, double> Into(double d) => new() { ["depth"] = t.Depth, ["holeBefore"] = d };
            yield return new()
            {
                Operation = "ream",
                Situation = s,
                Size = size,
                Hole = wanted,
                Takes = d => d < size - 0.02 && d > wanted - (size - wanted),
                Into = Into,
                DepthIn = d => DepthFor("ream", s, Into(d)),
                Ends = Ends,
                Why = limits is { } l
                    ? new($"Reams Ø{{0}}; {t.Tolerance} is {{1}} to {{2}}.", Mm(size), Mm(l.Least), Mm(l.Most))
                    : new("Reams Ø{0}.", Mm(size)),
                WhyDrill = d => new("Leaves {0} on a side for the step after.", Mm((size - d) / 2)),
                Others = all,
            };
        }
    }

    private bool ReamsIt(Situation s) =>
        limits?.Holds(s.Cutter.Value.CuttingDiameter) ?? (Math.Abs(s.Cutter.Value.CuttingDiameter - t.Diameter) < 1e-6);

    // A head is set to the middle of the tolerance.
    private IEnumerable<Finish> Heads()
    {
        double bore = Math.Round(limits?.Middle ?? t.Diameter, 4);
        (List<Situation> able, List<Situation> all) = Candidates("fine-bore", [CutterFamily.FineBoringHead], s => BoresIt(s, bore));
        foreach (Situation s in able.OrderBy(s => !ToolShelf.StandsThere(s)).ThenBy(Length))
        {
            double wanted = bore - (2 * FineBar.Stock), body = s.Cutter.Value[Dimension.BodyDiameter];
            yield return new()
            {
                Operation = "fine-bore",
                Situation = s,
                Size = bore,
                Hole = wanted,
                Takes = d => d <= bore - (2 * FineBar.LeastStock) && d >= Math.Max(body, wanted - 1.5),
                Into = d => new() { ["depth"] = t.Depth, ["holeBefore"] = d, ["boreDiameter"] = bore },
                DepthIn = _ => t.Through ? t.Depth : Up(t.Depth + RunOut),
                AsksDepth = false,
                Ends = Ends,
                Why = limits is { } l
                    ? new($"No reamer makes it: the head is set to Ø{{0}}; {t.Tolerance} is {{1}} to {{2}}.", Mm(bore), Mm(l.Least), Mm(l.Most))
                    : new("No reamer makes it: the head is set to Ø{0}.", Mm(bore)),
                WhyDrill = d => new("Leaves {0} on a side for the step after.", Mm((bore - d) / 2)),
                Others = all,
            };
        }
    }

    private static bool BoresIt(Situation s, double bore) =>
        s.Cutter.Value[Dimension.LeastDiameter] <= bore && s.Cutter.Value[Dimension.LargestDiameter] >= bore;

    private Finish NoFinisher() => AsItIs(t.Diameter - 0.3) with
    {
        Takes = d => d < t.Diameter - 0.02 && d > t.Diameter - 0.6,
        WhyDrill = d => new("Leaves {0} on a side for the step after.", Mm((t.Diameter - d) / 2)),
        Missing = Missing(
            "ream", [CutterFamily.Reamer], ReamsIt, t.Diameter, new("No reamer makes Ø{0}, and no fine-boring head reaches it.", Mm(t.Diameter))),
    };

    private List<Finish> Seats()
    {
        CutterFamily[] families = [CutterFamily.Counterbore, CutterFamily.FlatDrill];
        bool Fits(Situation s) =>
            Math.Abs(s.Cutter.Value.CuttingDiameter - t.SeatDiameter) <= SameSize
                && !(s.Cutter.Value[Dimension.PilotDiameter] > t.Diameter + Counterboring.PilotPlay);
        double Gap(Situation s) => t.Diameter - (s.Cutter.Value[Dimension.PilotDiameter] is var pilot && pilot > 0 ? pilot : 0);
        (List<Situation> able, List<Situation> all) = Candidates("counterbore", families, Fits);
        Finish hole = AsItIs(t.Diameter);
        Finish[] seats =
        [
            .. able.OrderBy(s => Array.IndexOf(families, s.Cutter.Value.Family))
            .ThenBy(Gap)
            .ThenBy(s => !ToolShelf.StandsThere(s))
            .ThenBy(Length)
            .Select(s => hole with
            {
                Operation = "counterbore",
                Situation = s,
                Size = t.SeatDiameter,
                Into = d => new() { ["depth"] = t.SeatDepth, ["holeBefore"] = d },
                Why = new("Makes the seat of Ø{0}.", Mm(t.SeatDiameter)),
                Others = all,
            }),
        ];
        return seats.Length > 0
            ? [.. seats]
            : [hole with { Missing = Missing("counterbore", families, Fits, t.SeatDiameter, new("No counterbore "
                + "of Ø{0} with a pilot that enters Ø{1}.", Mm(t.SeatDiameter), Mm(t.Diameter))) }];
    }

    // How deep the step wants the opening that is really made; what it refuses is told by the step itself.
    private double DepthFor(string operation, Situation s, Dictionary<string, double> numbers, IReadOnlyList<Extra>? extras = null)
    {
        if (t.Through) return t.Depth;
        CalculationResult? alone = trials.Try(operation, s, new(numbers, Ends) { Extras = extras ?? [] }).Result;
        return Up(alone?.Fields.First(f => f.Code == "depthOfHoleBefore").Value ?? t.Depth);
    }
}
