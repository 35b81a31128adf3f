using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Core.Milling;

/// <summary>A milling operation as the interface, the API and the exports use it; its load changes within a turn.</summary>
/// <typeparam name="TKind">Which operation.</typeparam>
public sealed class MillingOperation<TKind> : Operation<Milling<TKind>, MillingResult>, ILoadOverTurn
    where TKind : struct, IMillingKind
{
    /// <inheritdoc/>
    public RevolutionLoad Revolution(Situation situation, Choices choices, CancellationToken cancel = default)
    {
        (Taken given, Proposal proposal) = TakeProposed(situation, choices);
        cancel.ThrowIfCancellationRequested();
        return RevolutionLoad.Of((MillingSetup)given.Setup, Solve(given.Setup, proposal.Inputs), proposal.Inputs);
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
public readonly struct Milling<TKind> : IWork<MillingResult>
    where TKind : struct, IMillingKind
{
    private const double FullWidth = 0.98, LeastShare = 0.02, FinestFeed = 1e-6, Headroom = 1.15;

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
    public static IReadOnlyList<Lever> Levers { get; } =
    [
        new(
            Input.WidthOfCut, (s, in _) =>
                LeastShare * Of(s).Diameter, (s, in _) => Math.Min(Of(s).LargestWidth, Of(s).Diameter), (s, in _) => Of(s).Diameter)
        { Most = (s, in _) => Of(s).Diameter, Totals = [Input.StockWidth] },
        new(
            Input.DepthOfCut, (s, in _) => LeastShare * Of(s).Diameter, (s, in _) => Deepest(Of(s)),
            (s, in x) => Math.Max(x[Input.DepthOfCut], Deepest(Of(s)) * Headroom))
        {
            KeptFirst = true, Most = (s, in _) => Of(s).FluteLength, Totals = [Input.WallHeight, Input.StockHeight], Points = (32, true),
        },
        new(
            Input.FeedPerTooth, (s, in x) => Math.Max(LeastFeed(s, x), FinestFeed), ChartedChip,
            (s, in x) => Math.Max(x[Input.FeedPerTooth], LargestFeed(s, x)) * Headroom)
        { Least = LeastFeed, IsFeed = true },
    ];

    /// <inheritdoc/>
    public static CuttingSetup Draw(Situation situation, BuiltAssembly built, SpeedRow? row, IReadOnlyDictionary<string, string> options) =>
        new MillingSetup(built, situation.Material.Value, situation.Machine.Value, row, situation.Chart.Value.Practice);

    /// <inheritdoc/>
    public static double MostOf(FieldDescription field, Cutter cutter) =>
        field.Input == Input.WidthOfCut ? Math.Min(field.Most, cutter.CuttingDiameter) : field.Most;

    /// <inheritdoc/>
    public static void Follow(CuttingSetup setup, ref Inputs x) => TKind.Follow(Of(setup), ref x);

    /// <inheritdoc/>
    public static bool Uses(CuttingSetup setup, in Inputs x, Input input) => TKind.Uses(Of(setup), x, input);

    /// <inheritdoc/>
    public static void Refuse(CuttingSetup setup, in Inputs x, InputCheck check) => TKind.Refuse(Of(setup), x, check);

    /// <inheritdoc/>
    public static double SpeedDiameter(CuttingSetup setup, in Inputs x) => Engage(Of(setup), x).Diameter;

    /// <inheritdoc/>
    public static double Charted<TTrace>(CuttingSetup setup, SpeedRow row, in Inputs x, Input lever, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        MillingSetup own = Of(setup);
        if (lever == Input.WidthOfCut)
        {
            double ratio = WidthRatio(row);
            double most = TKind.MostWidth(own), width = Math.Min(ratio * own.Diameter, most);
            if (TTrace.Listens)
                trace.Take(ChartWidth, width, new("q_e", ratio), new("DC", own.Diameter), new("a_elargest", most));
            return width;
        }

        if (lever == Input.DepthOfCut)
        {
            double share = row.Operation == TKind.Description.Code ? 1 : TKind.Description.DepthFactor, steadiness = own.SteadinessFor(x);
            double depth = Math.Min(row.DepthRatio * share * own.Diameter * steadiness, Math.Min(own.LargestDepth, own.FluteLength));
            if (TTrace.Listens)
                trace.Take(
                    ChartDepth, depth, new("q_p", row.DepthRatio), new("k_p", share), new("DC", own.Diameter), new("k_s", steadiness),
                    new("APMX", own.LargestDepth), new("LCF", own.FluteLength));
            return depth;
        }

        double charted = row.FeedPerToothAt(own.Diameter), feed = ChartedFeed(own, row, x, Engage(own, x));
        if (TTrace.Listens) trace.Take(ChartFeed, feed, new("f_zchart", charted), new("k_thin", feed / charted));
        return feed;
    }

    /// <inheritdoc/>
    public static LimitDefinition? Refeed(CuttingSetup setup, SpeedRow row, ref Inputs x)
    {
        MillingSetup own = Of(setup);
        Engagement e = Engage(own, x);
        double feed = ChartedFeed(own, row, x, e),
            held = Math.Min(Math.Max(feed, own.LeastChip / e.MeanChipRatio), LargestFeed(own, e));
        x[Input.FeedPerTooth] = held;
        return held == feed ? null : feed < held ? MillingLimits.LeastChip : MillingLimits.LargestChip;
    }

    /// <inheritdoc/>
    public static void Solve<TTrace>(CuttingSetup setup, in Inputs x, out MillingResult result, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        MillingSetup own = Of(setup);
        result = default;
        TKind.Engage(own, x, ref result, ref trace);
        PassLoad.Solve(own, x, result.Engagement, ref result, ref trace);
        result[Output.PassesAcross] = result.Across.Count;
        result[Output.PassesDown] = result.Down.Count;
        Extent extent = TKind.Plan(own, x, ref result, ref trace);
        result.Judging.LoadsAt = TKind.WorstAt(x, result);
        PassLoad.Judge(own, x, result, extent.Axial, extent.Radial, extent.Reach, ref result.Judging);
        TKind.Judge(own, x, result, ref result.Judging);
    }

    /// <inheritdoc/>
    public static Sentence? Note(CuttingSetup setup, in Inputs x, Input input)
    {
        MillingSetup own = Of(setup);
        if (input is Input.WidthOfCut or Input.DepthOfCut) return new("{0} × D", new Measure(x[input] / own.Diameter, Quantity.Ratio));
        if (input != Input.FeedPerTooth || own.Row is not { } row) return null;
        NoTrace none = default;
        double charted = row.FeedPerToothAt(own.Diameter);
        return new(
            "chart {0} × {1}", new(charted, Quantity.Chip), new Measure(Charted(own, row, x, input, ref none) / charted, Quantity.Ratio));
    }

    /// <inheritdoc/>
    public static void Notice(CuttingSetup setup, in Inputs x, in MillingResult result, List<Finding> findings)
    {
        MillingSetup own = Of(setup);
        if (TKind.Description.Has(Input.WidthOfCut) && result.Across.Each / own.Diameter >= FullWidth)
            findings.Add(new(
                "full-width", Severity.Caution,
                new("The cutter is in the work over its full width: no side is free for chips to leave."), "Take more passes across."));
        if (Fitted(own, result) is { } fitted) findings.Add(fitted);
        TKind.Notice(own, x, result, findings);
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
    public static IEnumerable<Given> Givens(CuttingSetup setup, in Inputs x, in MillingResult result, Origins origins)
    {
        MillingSetup own = Of(setup);
        Engagement e = result.Engagement;
        string cutter = origins.Cutter, assembly = origins.Assembly, profile = $"profile of {cutter}, at this depth";
        const string cut = "geometry of the cut";
        List<Given> givens =
        [
            new("DC", "Cutting diameter", Quantity.Length, own.Diameter, cutter),
            new("λ", "Helix angle", Quantity.Angle, own.HelixAngle, cutter),
            new("LCF", "Flute length", Quantity.Length, own.FluteLength, cutter),
            new("APMX", "Largest depth", Quantity.Length, own.LargestDepth, cutter),
            new("a_e", "Width of a pass", Quantity.Length, e.InArc ? result.Across.Each : e.Width, cut),
            new("a_p", "Depth of a pass", Quantity.Length, e.Depth, cut),
            new("D_e", "Diameter in contact", Quantity.Length, e.Diameter, profile),
            new("κ", "Mean cutting edge angle in contact", Quantity.Angle, e.EdgeAngle, profile),
            new("κ_max", "Largest cutting edge angle in contact", Quantity.Angle, e.LargestEdgeAngle, profile),
            new("φ_1", "Arc begins at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Entry), cut),
            new("φ_2", "Arc ends at", Quantity.Angle, double.RadiansToDegrees(e.Arc.Exit), cut),
            new("s_max", "Largest sine over the arc", Quantity.Ratio, e.EvenChip ? 1 : e.Arc.LargestSine, cut),
            new("a_elargest", "Largest width", Quantity.Length, TKind.MostWidth(own), cutter),
            new("k_s", "Share of the depth for the steadiness", Quantity.Ratio, own.SteadinessFor(x), "picked"),
            new("c_0", "Clear way before and after", Quantity.Length, own.Practice.ClearWay, origins.Chart),
            new("h_s", "Lift between levels", Quantity.Length, own.Practice.Lift, origins.Chart),
            new("σ_D", "Fatigue strength of the cutting material", Quantity.Stress, own.Strength.Fatigue, "cutting material"),
            new("S_D", "Safety against fatigue", Quantity.Ratio, MillStrength.Safety, "rule"),
        ];
        if (own.RunOut.Offset > 0)
            givens.Add(new("e_r", "Offset of the axis, half of what a dial reads", Quantity.Chip, own.RunOut.Offset, assembly));
        if (own.Row is { } row)
            givens.AddRange(
            [
                new("f_zchart", "Charted feed per tooth", Quantity.Chip, row.FeedPerToothAt(own.Diameter), origins.Chart),
                new("q_e", "Width over diameter", Quantity.Ratio, WidthRatio(row), origins.Chart),
                new("q_p", "Charted depth over diameter", Quantity.Ratio, row.DepthRatio, origins.Chart),
            ]);
        return givens;
    }

    /// <inheritdoc/>
    public static IReadOnlyList<Attachment> Attach(CuttingSetup setup, in Inputs x, in MillingResult result)
    {
        MillingSetup own = Of(setup);
        WayList list = new();
        TKind.Walk(own, x, result, ref list);
        return [list.Way];
    }

    // Width over diameter the chart says, or the usual one where a row for another kind of cut serves.
    private static double WidthRatio(SpeedRow row) =>
        row.Operation != TKind.Description.Code && TKind.Description.WidthFactor is var factor && factor > 0 ? factor : row.WidthRatio;

    // Feed per tooth of the chart, with its chip kept at an engagement.
    private static double ChartedFeed(MillingSetup setup, SpeedRow row, in Inputs x, in Engagement e) =>
        row.FeedPerToothAt(setup.Diameter) * ChipThinning.Factor(x.ChipKept, setup.Charted, e, setup.Practice.LargestThinning);

    private static double Deepest(MillingSetup setup) => Math.Min(setup.FluteLength, setup.LargestDepth);

    // Chips outside what the material's figures were fitted for, and by how much the mean one.
    private static Finding? Fitted(MillingSetup setup, in MillingResult result)
    {
        double chip = result.Load.MeanChip;
        if (!(setup.FittedTo > 0) || (chip >= setup.FittedFrom && chip <= setup.FittedTo)) return null;
        bool thin = chip < setup.FittedFrom;
        return new(
            "chip-not-fitted", Severity.Caution,
            new(
                "The force figures of the material were fitted for chips of {0} to {1}; the mean chip here is {2}"
                    + (thin ? ", where forces are commonly larger than they say." : "."),
                new(setup.FittedFrom, Quantity.Chip), new(setup.FittedTo, Quantity.Chip), new Measure(chip, Quantity.Chip)),
            thin ? "Take more feed or width, or leave room to power and bend." : "Take the figures as a guess.");
    }

    // The feeds at which the chip is as thin, and as thick, as the edge stands.
    private static double LeastFeed(CuttingSetup setup, in Inputs x) => Of(setup).LeastChip / Engage(setup, x).MeanChipRatio;

    private static double LargestFeed(CuttingSetup setup, in Inputs x) => LargestFeed(Of(setup), Engage(setup, x));

    // Run-out takes its part of the largest chip.
    private static double LargestFeed(MillingSetup setup, in Engagement e) =>
        Math.Max(
            (setup.LargestChip / e.LargestChipRatio)
                - (e.EvenChip ? 0 : setup.RunOut.Step / (e.FeedFactor * e.Arc.LargestSine)), FinestFeed);

    // The feed whose chip is that of the chart, as far as the shop lets a thin chip be made up for; what was typed, where that is more.
    private static double ChartedChip(CuttingSetup setup, in Inputs x)
    {
        MillingSetup own = Of(setup);
        Engagement e = Engage(own, x);
        double largest = LargestFeed(own, e);
        if (own.Row is not { } row) return largest;
        ChipKept keeps = x.ChipKept == ChipKept.None ? ChipKept.Largest : x.ChipKept;
        double thinned = ChipThinning.Factor(keeps, own.Charted, e, own.Practice.LargestThinning);
        double kept = row.FeedPerToothAt(own.Diameter) * (x.ChipKept == ChipKept.None ? Math.Max(1, thinned) : thinned);
        return Math.Min(largest, x.IsTyped(Input.FeedPerTooth) ? Math.Max(kept, x[Input.FeedPerTooth]) : kept);
    }

    // How the teeth meet the work, without the load.
    private static Engagement Engage(CuttingSetup setup, in Inputs x)
    {
        MillingSetup own = Of(setup);
        NoTrace none = default;
        MillingResult result = default;
        TKind.Engage(own, x, ref result, ref none);
        return result.Engagement;
    }

    // The engine knows no more of a setup than that it cuts; the one it was given is the one this world drew.
    private static MillingSetup Of(CuttingSetup setup) => (MillingSetup)setup;
}
