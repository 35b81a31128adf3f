using Incisura.Core.Calculation;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>Side milling as an operation: what it asks for, what it proposes, what it yields.</summary>
public sealed class SideMillingOperation : IOperation
{
    /// <summary>Codes of the fields.</summary>
    public const string StockWidth = "stockWidth", WidthOfCut = "widthOfCut", WallHeight = "wallHeight", DepthOfCut = "depthOfCut",
        FeedPerTooth = "feedPerTooth", CuttingSpeed = "cuttingSpeed", Length = "length", DeflectionAllowed = "deflectionAllowed";

    /// <summary>Codes of the options.</summary>
    public const string Chip = "chip", Ways = "ways", Steadiness = "steadiness";

    private const double DefaultLength = 100;
    private static readonly Dictionary<string, double> SteadinessFactors = new() { ["steady"] = 1, ["fair"] = 0.75, ["weak"] = 0.5 };

    private readonly double defaultDeflection;

    private SideMillingOperation(string code, string name, string chipDefault, double defaultDeflection)
    {
        this.defaultDeflection = defaultDeflection;
        Description = new(
            code,
            name,
            [CutterFamily.SquareEndMill],
            [
                new(StockWidth, "W", "Stock on the wall", "Across", Quantity.Length, 0.001, 2000),
                new(WidthOfCut, "a_e", "Width, at most", "Across", Quantity.Length, 0.001, 100),
                new(WallHeight, "H", "Wall height", "Deep", Quantity.Length, 0.001, 1000),
                new(DepthOfCut, "a_p", "Depth, at most", "Deep", Quantity.Length, 0.001, 500),
                new(FeedPerTooth, "f_z", "Feed per tooth", "Per tooth", Quantity.Chip, 0.0001, 5),
                new(CuttingSpeed, "v_c", "Cutting speed", "Fast", Quantity.CuttingSpeed, 0.5, 5000),
                new(Length, "L", "Length of cut", "Along", Quantity.Length, 0.1, 100_000),
                new(DeflectionAllowed, "δ", "Deflection allowed", "Held to", Quantity.Deviation, 0.1, 1000),
            ],
            [
                new(Chip, "Chip kept", [new("largest", "largest chip"), new("mean", "mean chip"), new("none", "feed as charted")], chipDefault),
                new(Ways, "Passes", [new("one-way", "one way, climb"), new("both-ways", "to and fro")], "one-way"),
                new(Steadiness, "Work held", [new("steady", "steadily"), new("fair", "fairly"), new("weak", "weakly")], "steady"),
            ]);
    }

    /// <summary>Rough side milling: the chip of the chart is kept when the width changes.</summary>
    public static SideMillingOperation Rough { get; } = new("side-rough", "Rough side milling", "largest", 60);

    /// <summary>Finish side milling: the feed per tooth of the chart is kept, since its marks make the finish.</summary>
    public static SideMillingOperation Finish { get; } = new("side-finish", "Finish side milling", "none", 20);

    /// <inheritdoc/>
    public OperationDescription Description { get; }

    /// <inheritdoc/>
    public CalculationResult Calculate(Situation situation, Choices choices, bool explain)
    {
        Cutter cutter = situation.Cutter.Value;
        Dictionary<string, string> options = CheckAtTheDoor(situation, choices);
        SideMillingSetup setup = new(situation.Built(), situation.Material.Value, situation.Machine.Value);
        SpeedRow? row = situation.Chart.Value.Find(cutter.Family, cutter.Material, situation.Material.Value.SubGroup, Description.Code);
        SideMillingWish wish = WishOf(choices.Numbers, options);

        DerivationTrace derivation = new();
        SideMillingProposal proposal;
        SideMillingResult result;
        if (explain)
        {
            proposal = SideMillingProposal.Propose(setup, row, wish, ref derivation);
            SideMilling.Solve(setup, proposal.Choices, out result, ref derivation);
        }
        else
        {
            NoTrace none = default;
            proposal = SideMillingProposal.Propose(setup, row, wish, ref none);
            SideMilling.Solve(setup, proposal.Choices, out result, ref none);
        }

        return new()
        {
            Operation = Description.Code,
            EngineVersion = Operations.EngineVersion,
            Fields = SideMillingFields.StatesOf(setup, row, wish, proposal),
            Options = options,
            Figures = FiguresOf(result),
            Limits = JudgedLimits(result.Limits),
            Findings = SideMillingFindings.Of(situation, proposal, result),
            Givens = explain ? SideMillingGivens.Of(situation, setup, row, wish, proposal) : [],
            Steps = explain ? derivation.Steps : [],
        };
    }

    /// <inheritdoc/>
    public OperatingWindow Window(Situation situation, Choices choices)
    {
        string[] free = [StockWidth, WidthOfCut, WallHeight, DepthOfCut];
        Choices rest = choices with { Numbers = choices.Numbers.Where(n => !free.Contains(n.Key)).ToDictionary() };
        Cutter cutter = situation.Cutter.Value;
        SideMillingWish wish = WishOf(rest.Numbers, CheckAtTheDoor(situation, rest));
        SideMillingSetup setup = new(situation.Built(), situation.Material.Value, situation.Machine.Value);
        SpeedRow? row = situation.Chart.Value.Find(cutter.Family, cutter.Material, situation.Material.Value.SubGroup, Description.Code);
        return SideMillingWindow.Of(setup, row, wish);
    }

    private static List<Figure> FiguresOf(in SideMillingResult r) =>
    [
        new("spindleSpeed", "n", "Spindle speed", Quantity.SpindleSpeed, r.Load.SpindleSpeed),
        new("feedRate", "v_f", "Feed rate", Quantity.FeedRate, r.Load.FeedRate),
        new("removalRate", "Q", "Removal rate", Quantity.RemovalRate, r.Load.RemovalRate),
        new("time", "T", "Time", Quantity.Time, r.Time),
        new("width", "a_e", "Width of each pass", Quantity.Length, r.Across.Each),
        new("depth", "a_p", "Depth of each pass", Quantity.Length, r.Down.Each),
        new("passesAcross", "i_e", "Passes across", Quantity.Count, r.Across.Count),
        new("passesDown", "i_p", "Passes down", Quantity.Count, r.Down.Count),
        new("arc", "φ_e", "Arc of engagement", Quantity.Angle, double.RadiansToDegrees(r.Arc.Length)),
        new("teethInCut", "z_c", "Teeth in cut", Quantity.Ratio, r.Load.TeethInCut),
        new("meanChip", "h_m", "Mean chip", Quantity.Chip, r.Load.MeanChip),
        new("largestChip", "h_max", "Largest chip", Quantity.Chip, r.Load.LargestChip),
        new("specificForce", "k_c", "Specific force", Quantity.Stress, r.Load.SpecificForce),
        new("power", "P_c", "Cutting power", Quantity.Power, r.Load.Power),
        new("torque", "M", "Torque", Quantity.Torque, r.Load.Torque),
        new("peakForce", "F", "Largest side force", Quantity.Force, r.PeakForce),
        new("deflection", "δ", "Deflection at the tip", Quantity.Deviation, r.Deflection),
        new("overrun", "e", "Way before and after", Quantity.Length, r.Overrun),
    ];

    private static List<JudgedLimit> JudgedLimits(LimitSet set) =>
    [
        .. Enumerable.Range(0, set.Count)
            .Select(i => set[i])
            .OrderByDescending(l => l.Judged ? l.Use : -1)
            .Select(l => new JudgedLimit(
                l.Kind,
                LimitCatalogue.NameOf(l.Kind),
                LimitCatalogue.QuantityOf(l.Kind),
                l.Used,
                l.Judged ? l.Allowed : null,
                l.Judged ? l.Use : null,
                LimitCatalogue.IsLeast(l.Kind),
                LimitCatalogue.SeverityOf(l.Kind))),
    ];

    private SideMillingWish WishOf(IReadOnlyDictionary<string, double> numbers, Dictionary<string, string> options)
    {
        double? Typed(string code) => numbers.TryGetValue(code, out double value) ? value : null;
        return new()
        {
            CuttingSpeed = Typed(CuttingSpeed),
            FeedPerTooth = Typed(FeedPerTooth),
            MostWidth = Typed(WidthOfCut),
            MostDepth = Typed(DepthOfCut),
            StockWidth = Typed(StockWidth),
            WallHeight = Typed(WallHeight),
            Length = Typed(Length),
            DefaultLength = DefaultLength,
            DeflectionAllowed = Typed(DeflectionAllowed),
            DefaultDeflection = defaultDeflection,
            BothWays = options[Ways] == "both-ways",
            ChipKept = options[Chip] switch { "largest" => ChipKept.Largest, "mean" => ChipKept.Mean, _ => ChipKept.None },
            Steadiness = SteadinessFactors[options[Steadiness]],
        };
    }

    private Dictionary<string, string> CheckAtTheDoor(Situation situation, Choices choices)
    {
        Cutter cutter = situation.Cutter.Value;
        InputCheck check = new();
        check.Holds(Description.Families.Contains(cutter.Family), "assembly", double.NaN, $"Cutter {cutter.Number} cannot do this operation; choose an assembly with a square end mill.");
        foreach ((string code, double value) in choices.Numbers)
        {
            FieldDescription? field = Description.Fields.FirstOrDefault(f => f.Code == code);
            if (field is null) check.Holds(false, code, value, $"This operation has no field named {code}; leave it out.");
            else check.Within(code, field.Name, value, field.Least, code == WidthOfCut ? cutter.CuttingDiameter : field.Most, field.Quantity);
        }

        Dictionary<string, string> options = [];
        foreach (OptionDescription option in Description.Options)
        {
            string picked = choices.Options.GetValueOrDefault(option.Code, option.Default);
            check.Holds(option.Picks.Any(p => p.Code == picked), option.Code, double.NaN, $"{option.Name}: “{picked}” is not offered; choose one of {string.Join(", ", option.Picks.Select(p => p.Code))}.");
            options[option.Code] = picked;
        }

        foreach (string code in choices.Options.Keys)
            check.Holds(options.ContainsKey(code), code, double.NaN, $"This operation has no option named {code}; leave it out.");
        check.ThrowIfAny();
        return options;
    }
}
