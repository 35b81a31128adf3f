using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>A milling operation as the interface, the API and the exports use it; its load changes within a turn.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class MillingOperation<TKind> : Operation<Milling<TKind>, MillingSetup, MillingResult>, ILoadOverTurn
    where TKind : struct, IMillingKind
{
    /// <inheritdoc/>
    public RevolutionLoad Revolution(Situation situation, Choices choices, CancellationToken cancel = default)
    {
        (Taken<MillingSetup> given, Proposal proposal) = TakeProposed(situation, choices);
        cancel.ThrowIfCancellationRequested();
        return RevolutionLoad.Of(given.Setup, Solve(given.Setup, proposal.Inputs), proposal.Inputs);
    }
}

/// <summary>An operation whose load changes within a turn.</summary>
public interface ILoadOverTurn
{
    /// <summary>Works out the load over one revolution.</summary>
    /// <param name="situation">What it is about.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="InputException">A value cannot be computed with; each fault names its field.</exception>
    RevolutionLoad Revolution(Situation situation, Choices choices, CancellationToken cancel = default);
}

/// <summary>The world of milling: what the engine has to know of a milling operation.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public readonly struct Milling<TKind> : IWork<MillingSetup, MillingResult>
    where TKind : struct, IMillingKind
{
    private const double FullWidth = 0.98, LeastShare = 0.02, LeastFeed = 1e-6, Headroom = 1.15;

    private static readonly Formula ChartWidth = new(
        "a_emost", "Width proposed", Quantity.Length, "min(q_e*DC, a_elargest)", "speed chart of the shop, within the cutter's largest width");
    private static readonly Formula ChartDepth = new(
        "a_pmost", "Depth proposed", Quantity.Length, "min(q_p*k_p*DC*k_s, APMX, LCF)",
        "speed chart of the shop, with the share k_p this operation takes of another one's row, for the steadiness of the work, within the "
            + "cutter's flutes");
    private static readonly Formula ChartFeed = new(
        "f_z", "Feed per tooth proposed", Quantity.Chip, "f_zchart*k_thin", "speed chart of the shop, with the chip kept at this engagement");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = Common.Complete(TKind.Description, MillingWords.WorkHeld) with
    {
        LoadOverTurn = true,
        Free =
        [
            .. new[] { Input.WidthOfCut, Input.DepthOfCut, Input.CuttingSpeed, Input.FeedPerTooth }
                .Where(i => i == Input.CuttingSpeed || TKind.Description.Has(i)).Select(i => Codes.Of(i)),
        ],
    };

    /// <inheritdoc/>
    public static IReadOnlyList<Lever<MillingSetup>> Levers { get; } =
    [
        new(
            Input.WidthOfCut, (s, in _) => LeastShare * s.Diameter, (s, in _) => Math.Min(s.LargestWidth, s.Diameter), (s, in _) => s.Diameter)
        { GivesWay = 3, Most = (s, in _) => s.Diameter, Totals = [Input.StockWidth] },
        new(
            Input.DepthOfCut, (s, in _) => LeastShare * s.Diameter, (s, in _) => Math.Min(s.FluteLength, s.LargestDepth),
            (s, in x) => Math.Max(x[Input.DepthOfCut], Math.Min(s.FluteLength, s.LargestDepth) * Headroom))
        { GivesWay = 2, Most = (s, in _) => s.FluteLength, Totals = [Input.WallHeight, Input.StockHeight], Points = (32, true) },
        new(
            Input.FeedPerTooth, (s, in x) => Math.Max(s.LeastChip / Engage(s, x).MeanChipRatio, LeastFeed),
            (s, in x) => s.LargestChip / Engage(s, x).LargestChipRatio,
            (s, in x) => Math.Max(x[Input.FeedPerTooth], s.LargestChip / Engage(s, x).LargestChipRatio) * Headroom)
        { GivesWay = 4, Least = (s, in x) => s.LeastChip / Engage(s, x).MeanChipRatio, IsFeed = true },
    ];

    /// <inheritdoc/>
    public static MillingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new(built, situation.Material.Value, situation.Machine.Value, row);

    /// <inheritdoc/>
    public static double MostOf(FieldDescription field, Cutter cutter) =>
        field.Input == Input.WidthOfCut ? Math.Min(field.Most, cutter.CuttingDiameter) : field.Most;

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref Inputs x) => TKind.Follow(setup, ref x);

    /// <inheritdoc/>
    public static bool Uses(MillingSetup setup, in Inputs x, Input input) => TKind.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check) => TKind.Refuse(setup, x, check);

    /// <inheritdoc/>
    public static double SpeedDiameter(MillingSetup setup, in Inputs x) => Engage(setup, x).Diameter;

    /// <inheritdoc/>
    public static double Charted<TTrace>(MillingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (lever == Input.WidthOfCut)
        {
            double width = Math.Min(row.WidthRatio * setup.Diameter, setup.LargestWidth);
            if (TTrace.Listens)
                trace.Take(ChartWidth, width, new("q_e", row.WidthRatio), new("DC", setup.Diameter), new("a_elargest", setup.LargestWidth));
            return width;
        }

        if (lever == Input.DepthOfCut)
        {
            double share = row.Operation == TKind.Description.Code ? 1 : TKind.Description.DepthFactor, steadiness = x.Steadiness;
            double depth = Math.Min(row.DepthRatio * share * setup.Diameter * steadiness, Math.Min(setup.LargestDepth, setup.FluteLength));
            if (TTrace.Listens)
                trace.Take(
                    ChartDepth, depth, new("q_p", row.DepthRatio), new("k_p", share), new("DC", setup.Diameter), new("k_s", steadiness),
                    new("APMX", setup.LargestDepth), new("LCF", setup.FluteLength));
            return depth;
        }

        double charted = row.FeedPerToothAt(setup.Diameter), feed = charted * ChipThinning.Factor(x.ChipKept, setup.Charted, Engage(setup, x));
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new("f_zchart", charted), new("k_thin", feed / charted));
        return feed;
    }

    /// <inheritdoc/>
    public static LimitDefinition? HoldChip(MillingSetup setup, ref Inputs x)
    {
        Engagement e = Engage(setup, x);
        double feed = x[Input.FeedPerTooth],
            held = Math.Min(Math.Max(feed, setup.LeastChip / e.MeanChipRatio), setup.LargestChip / e.LargestChipRatio);
        x[Input.FeedPerTooth] = held;
        return held == feed ? null : feed < held ? MillingLimits.LeastChip : MillingLimits.LargestChip;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(MillingSetup setup, in Inputs x, out MillingResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        result = default;
        TKind.Engage(setup, x, ref result, ref trace);
        PassLoad.Solve(setup, x, result.Engagement, ref result, ref trace);
        result[Output.PassesAcross] = result.Across.Count;
        result[Output.PassesDown] = result.Down.Count;
        Extent extent = TKind.Plan(setup, x, ref result, ref trace);
        LimitSet limits = default;
        PassLoad.Judge(setup, x, result, extent.Axial, extent.Radial, extent.Reach, ref limits);
        TKind.Judge(setup, x, result, ref limits);
        result.Limits = limits;
    }

    /// <inheritdoc/>
    public static Sentence? Note(MillingSetup setup, in Inputs x, Input input)
    {
        if (input is Input.WidthOfCut or Input.DepthOfCut) return new("{0} × D", new Measure(x[input] / setup.Diameter, Quantity.Ratio));
        if (input != Input.FeedPerTooth || setup.Row is not { } row) return null;
        NoTrace none = default;
        double charted = row.FeedPerToothAt(setup.Diameter);
        return new(
            "chart {0} × {1}", new(charted, Quantity.Chip), new Measure(Charted(setup, row, x, input, ref none) / charted, Quantity.Ratio));
    }

    /// <inheritdoc/>
    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult result, List<Finding> findings)
    {
        if (TKind.Description.Has(Input.WidthOfCut) && result.Across.Each / setup.Diameter >= FullWidth)
            findings.Add(new(
                "full-width", Severity.Caution,
                new("The cutter is in the work over its full width: no side is free for chips to leave."), "Take more passes across."));
        if (result.Load.TeethInCut < 1)
            findings.Add(new(
                "pulsing", Severity.Info,
                new(
                    "On average {0} teeth are in cut: the load comes in pulses.", new Measure(result.Load.TeethInCut, Quantity.Ratio)), ""));
        TKind.Notice(setup, x, result, findings);
    }

    /// <inheritdoc/>
    public static string SymbolOf(FieldDescription field) =>
        field.Input switch { Input.WidthOfCut => "a_emost", Input.DepthOfCut => "a_pmost", _ => field.Symbol };

    /// <inheritdoc/>
    public static IReadOnlyList<LeftPart> Left(Leftover leftover, in Inputs x) =>
    [
        new(Input.StockWidth, leftover.Across, "stock on the wall", TakesNothing: true), new(Input.WallHeight, leftover.Height, "a wall of"),
        new(Input.DiameterBefore, leftover.CutterDiameter, "roundings of a cutter of"), new(Input.Length, leftover.Length, "a length of"),
    ];

    /// <inheritdoc/>
    public static IEnumerable<Given> Givens(MillingSetup setup, in Inputs x, in MillingResult result, Origins origins)
    {
        Engagement e = result.Engagement;
        string cutter = origins.Cutter, assembly = origins.Assembly, profile = $"profile of {cutter}, at this depth";
        const string cut = "geometry of the cut", same = "the same in every operation";
        List<Given> givens =
        [
            new("DC", "Cutting diameter", Quantity.Length, setup.Diameter, cutter),
            new("λ", "Helix angle", Quantity.Angle, setup.HelixAngle, cutter),
            new("LCF", "Flute length", Quantity.Length, setup.FluteLength, cutter),
            new("APMX", "Largest depth", Quantity.Length, setup.LargestDepth, cutter),
            new("a_e", "Width of a pass", Quantity.Length, e.InArc ? result.Across.Each : e.Width, cut),
            new("a_p", "Depth of a pass", Quantity.Length, e.Depth, cut),
            new("D_e", "Diameter in contact", Quantity.Length, e.Diameter, profile),
            new("κ", "Mean cutting edge angle in contact", Quantity.Angle, e.EdgeAngle, profile),
            new("κ_max", "Largest cutting edge angle in contact", Quantity.Angle, e.LargestEdgeAngle, profile),
            new("φ_1", "Arc begins at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Entry), cut),
            new("φ_2", "Arc ends at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Exit), cut),
            new("s_max", "Largest sine over the arc", Quantity.Ratio, e.EvenChip ? 1 : e.Arc.LargestSine, cut),
            new("K_1", "Its fall with the distance from the tip", Quantity.Ratio, setup.Tip.Fall, assembly),
            new("l_1", "Length of the first segment", Quantity.Length, setup.Tip.FirstLength, assembly),
            new("EI_1", "Its stiffness, N·mm²", Quantity.Ratio, setup.Tip.FirstStiffness, assembly),
            new("a_elargest", "Largest width", Quantity.Length, setup.LargestWidth, cutter),
            new("k_s", "Share of the depth for the steadiness", Quantity.Ratio, x.Steadiness, "picked"),
            new("c_0", "Clear way before and after", Quantity.Length, PassTime.Clearance, same),
            new("h_s", "Lift between levels", Quantity.Length, PassTime.Lift, same),
        ];
        if (setup.Row is { } row)
            givens.AddRange(
            [
                new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(setup.Diameter), origins.Chart),
                new("q_e", "Charted width over diameter", Quantity.Ratio, row.WidthRatio, origins.Chart),
                new("q_p", "Charted depth over diameter", Quantity.Ratio, row.DepthRatio, origins.Chart),
            ]);
        return givens;
    }

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(MillingSetup setup, in Inputs x, in MillingResult result)
    {
        WayList list = new();
        TKind.Walk(setup, x, result, ref list);
        return [list.Way];
    }

    // How the teeth meet the work, without the load.
    private static Engagement Engage(MillingSetup setup, in Inputs x)
    {
        NoTrace none = default;
        MillingResult result = default;
        TKind.Engage(setup, x, ref result, ref none);
        return result.Engagement;
    }
}
