using System.Globalization;
using Incisura.Core.Catalogue;
using Incisura.Core.Threads;

namespace Incisura.Core.Records;

/// <summary>Something a record rests on, at the revision it had.</summary>
/// <param name="Kind">cutter, holder, assembly, material, machine, chart, or engine.</param>
/// <param name="Id">Identity.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Revision">Revision it had.</param>
public sealed record Footing(string Kind, int Id, string Name, int Revision);

/// <summary>Something a record rests on that has been revised since.</summary>
/// <param name="Footing">What, and the revision the record rests on.</param>
/// <param name="Now">The revision it has now.</param>
public sealed record MovedFooting(Footing Footing, int Now);

/// <summary>A figure that differs between two calculations.</summary>
/// <param name="Code">Code of the figure or field.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Its name.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="From">Value before; null where it did not exist.</param>
/// <param name="To">Value after; null where it does not exist any more.</param>
public sealed record FigureChange(string Code, string Symbol, string Name, Quantity Quantity, double? From, double? To);

/// <summary>A limit whose use differs between two calculations.</summary>
/// <param name="Kind">Which limit.</param>
/// <param name="Name">Its name.</param>
/// <param name="From">Use before; null where it was not judged.</param>
/// <param name="To">Use after; null where it is not judged any more.</param>
public sealed record LimitChange(string Kind, string Name, double? From, double? To);

/// <summary>A finding that only one of two calculations has.</summary>
/// <param name="Finding">The finding.</param>
/// <param name="Appeared">Whether the later one has it; otherwise it vanished.</param>
public sealed record FindingChange(Finding Finding, bool Appeared);

/// <summary>How a record stands to how things are now.</summary>
/// <param name="Moved">What it rests on that has been revised since.</param>
/// <param name="Figures">Figures that would differ if it were calculated today.</param>
/// <param name="Limits">Limits whose use would differ.</param>
/// <param name="Findings">Findings that would appear or vanish.</param>
/// <param name="Refused">Why it can no longer be calculated; empty where it can.</param>
/// <param name="Breaks">Limits and findings that the figures as they were approved break now and did not then.</param>
public sealed record Standing(
    IReadOnlyList<MovedFooting> Moved,
    IReadOnlyList<FigureChange> Figures,
    IReadOnlyList<LimitChange> Limits,
    IReadOnlyList<FindingChange> Findings,
    string Refused,
    IReadOnlyList<Finding> Breaks)
{
    /// <summary>Nothing moved.</summary>
    public static Standing Firm { get; } = new([], [], [], [], "", []);

    /// <summary>Whether a figure, the use of a limit or a finding would differ today, or nothing could be calculated.</summary>
    public bool Stale => Refused.Length > 0 || Figures.Count > 0 || Limits.Count > 0 || Findings.Count > 0 || Breaks.Count > 0;

    /// <summary>Whether the figures as they were approved break a limit now, or nothing can be calculated any more.</summary>
    public bool Broken => Refused.Length > 0 || Breaks.Count > 0;

    /// <summary>
    /// The largest move of a figure or of a limit's use, over the larger of its two values: 1 for one that appeared or vanished, 2 where it broke.
    /// </summary>
    public double Move => Broken
        ? 2
        : Figures.Select(f => Share(f.From, f.To)).Concat(Limits.Select(l => Share(l.From, l.To))).DefaultIfEmpty().Max();

    /// <summary>What moved, and the first figure that would come out otherwise, in words.</summary>
    public Sentence Told
    {
        get
        {
            Sentence said = new($"Revised since: {string.Join(", ", Movers)}.");
            return Figures.FirstOrDefault(f => f.From is not null && f.To is not null) is { } figure
                ? said.Then(new(
                    $" {figure.Name} would be {{0}} instead of {{1}}.", new(figure.To!.Value, figure.Quantity),
                    new Measure(figure.From!.Value, figure.Quantity)))
                : said.Then(new(" No figure differs; how near they come to a limit does."));
        }
    }

    /// <summary>What was revised, as people call it.</summary>
    public IReadOnlyList<string> Movers =>
        [.. Moved.Select(m => m.Footing.Kind == Staleness.Engine ? "the calculation itself" : $"{m.Footing.Kind} {m.Footing.Name}")];

    /// <summary>What to tell first of what breaks; null where nothing does.</summary>
    public Sentence? FirstBreak => Breaks is [{ } first, ..] ? first.Text : null;

    /// <summary>What to tell first of the figures that moved: what is set at the machine, or else what moved most; null where none did.</summary>
    public FigureChange? Foremost => Figures.Where(f => f.From is not null && f.To is not null)
        .OrderByDescending(f => f.Code is "spindleSpeed" or "feedRate").ThenByDescending(f => Share(f.From, f.To)).FirstOrDefault();

    private static double Share(double? from, double? to) =>
        from is { } a && to is { } b && Math.Max(Math.Abs(a), Math.Abs(b)) is var most && most > 0 ? Math.Abs(a - b) / most : from == to ? 0 : 1;
}

/// <summary>Compares what a record rests on and what it says with how things stand now.</summary>
public static class Staleness
{
    /// <summary>Kind of the footing that stands for the engine.</summary>
    public const string Engine = "engine";

    /// <summary>How far a figure or the use of a limit may move, over the larger of its two values, before a record is stale.</summary>
    public const double Tolerance = 0.005;

    /// <summary>Code of the finding that figures as approved cannot be taken any more.</summary>
    public const string NoLongerPossible = "no-longer-possible";

    /// <summary>What moved: every footing with another revision now.</summary>
    /// <param name="then">What the record rests on.</param>
    /// <param name="now">The same things today, in any order.</param>
    public static IReadOnlyList<MovedFooting> Moved(IReadOnlyList<Footing> then, IReadOnlyList<Footing> now) =>
    [
        .. from f in then
           let today = now.FirstOrDefault(n => n.Kind == f.Kind && n.Id == f.Id)
           where today is not null && today.Revision != f.Revision
           select new MovedFooting(f, today.Revision),
    ];

    /// <summary>Everything a calculation rests on: its situation, the shop's own thread, and the engine that computed it.</summary>
    /// <param name="s">The situation.</param>
    /// <param name="choices">What was chosen.</param>
    /// <param name="engineVersion">Version of the engine.</param>
    public static IReadOnlyList<Footing> FootingsOf(Situation s, Choices choices, string engineVersion) =>
    [
        new("cutter", s.Cutter.Id, s.Cutter.Value.Number, s.Cutter.Number),
        new("holder", s.Holder.Id, s.Holder.Value.Number, s.Holder.Number),
        .. s.Extensions.Select(e => new Footing("holder", e.Id, e.Value.Number, e.Number)),
        new("assembly", s.Assembly.Id, s.Assembly.Value.Number, s.Assembly.Number),
        new("material", s.Material.Id, s.Material.Value.Name, s.Material.Number),
        new("machine", s.Machine.Id, s.Machine.Value.Name, s.Machine.Number),
        new("chart", s.Chart.Id, s.Chart.Value.Name, s.Chart.Number),
        .. choices.Extras.OfType<ThreadToCut>().Select(t => t.Own).OfType<Revised<OwnThread>>()
            .Select(t => new Footing("thread", t.Id, t.Value.Name, t.Number)),
        new(Engine, 0, "calculation", int.Parse(engineVersion, CultureInfo.InvariantCulture)),
    ];

    /// <summary>How a record stands today.</summary>
    /// <param name="operation">Its operation.</param>
    /// <param name="then">The situation it was made for, as it stood.</param>
    /// <param name="choices">What was chosen.</param>
    /// <param name="result">What came out.</param>
    /// <param name="now">The same situation as it stands today.</param>
    /// <param name="today">The same choices with what they name as it stands today.</param>
    public static Standing Of(
        IOperation operation, Situation then, Choices choices, CalculationResult result, Situation now, Choices today)
    {
        // Of the chart only what it reads counts: another row that was revised touches nothing here.
        (then, now) = (then.For(operation.Description), now.For(operation.Description));
        if (then.Chart.Value.SameAs(now.Chart.Value)) now = now with { Chart = then.Chart };
        IReadOnlyList<MovedFooting> moved = Moved(
            FootingsOf(then, choices, result.EngineVersion), FootingsOf(now, today, Operations.EngineVersion));
        if (moved.Count == 0) return Standing.Firm;
        Choices approved = today with { Numbers = AsApproved(operation, choices, result) };
        IReadOnlyList<Finding> breaks = Breaks(operation, approved, result, now);
        try
        {
            CalculationResult anew = operation.Calculate(now, today, explain: false);
            return new(
                moved, Changes(result.Figures, anew.Figures, Tolerance), LimitChanges(result.Limits, anew.Limits, Tolerance),
                FindingChanges(result.Findings, anew.Findings), "", breaks);
        }
        catch (InputException refused)
        {
            return new(moved, [], [], [], refused.Message, breaks);
        }
    }

    /// <summary>The limits of figures as they were approved, judged by how things stand today; empty where they cannot be worked out any more.</summary>
    /// <param name="operation">Their operation.</param>
    /// <param name="result">What came out then.</param>
    /// <param name="now">The same situation as it stands today.</param>
    /// <param name="today">The same choices with what they name as it stands today.</param>
    public static IReadOnlyList<JudgedLimit> LimitsToday(IOperation operation, CalculationResult result, Situation now, Choices today)
    {
        try
        {
            return operation.Calculate(now, today with { Numbers = AsApproved(operation, today, result) }, explain: false).Limits;
        }
        catch (InputException)
        {
            return [];
        }
    }

    /// <summary>The figures that differ, in the order of the later calculation, and those that vanished.</summary>
    /// <param name="before">Earlier figures.</param>
    /// <param name="after">Later figures.</param>
    /// <param name="tolerance">How far a figure may move, over the larger of its two values.</param>
    public static IReadOnlyList<FigureChange> Changes(IReadOnlyList<Figure> before, IReadOnlyList<Figure> after, double tolerance = LastBits) =>
    [
        .. from a in after
           let b = before.FirstOrDefault(f => f.Code == a.Code)
           where b is null || Differs(b.Value, a.Value, tolerance)
           select new FigureChange(a.Code, a.Symbol, a.Name, a.Quantity, b?.Value, a.Value),
        .. from b in before
           where after.All(a => a.Code != b.Code)
           select new FigureChange(b.Code, b.Symbol, b.Name, b.Quantity, b.Value, null),
    ];

    /// <summary>What was typed otherwise, or has become a usual or proposed value, between two calculations of an operation.</summary>
    /// <param name="operation">The operation.</param>
    /// <param name="before">The earlier one.</param>
    /// <param name="after">The later one.</param>
    public static IReadOnlyList<FigureChange> ChoiceChanges(OperationDescription operation, CalculationResult before, CalculationResult after) =>
    [
        .. from field in operation.Fields
           let b = before.Fields.FirstOrDefault(f => f.Code == field.Code && f.Used)
           let a = after.Fields.FirstOrDefault(f => f.Code == field.Code && f.Used)
           where (a is null) != (b is null) || (a is not null && Differs(b!.Value, a.Value, LastBits))
           where field.Role == FieldRole.Part || a?.Origin == Origin.Typed || b?.Origin == Origin.Typed
           select new FigureChange(field.Code, field.Symbol, field.Name, field.Quantity, b?.Value, a?.Value),
    ];

    /// <summary>The limits whose use differs, and those that appeared or vanished.</summary>
    /// <param name="before">Earlier limits.</param>
    /// <param name="after">Later limits.</param>
    /// <param name="tolerance">How far a use may move, over the larger of its two values.</param>
    public static IReadOnlyList<LimitChange> LimitChanges(
        IReadOnlyList<JudgedLimit> before, IReadOnlyList<JudgedLimit> after, double tolerance = LastBits) =>
    [
        .. from a in after
           let b = before.FirstOrDefault(l => l.Kind == a.Kind)
           where b is null || (b.Use is null) != (a.Use is null) || (a.Use is { } now && Differs(b.Use!.Value, now, tolerance))
           select new LimitChange(a.Kind, a.Name, b?.Use, a.Use),
        .. from b in before
           where after.All(a => a.Kind != b.Kind)
           select new LimitChange(b.Kind, b.Name, b.Use, null),
    ];

    /// <summary>The findings of caution and stop that only one of the two has; that something was tried meanwhile moves nothing.</summary>
    /// <param name="before">Earlier findings.</param>
    /// <param name="after">Later findings.</param>
    public static IReadOnlyList<FindingChange> FindingChanges(IReadOnlyList<Finding> before, IReadOnlyList<Finding> after) =>
    [
        .. after.Where(a => a.Severity > Severity.Info && !before.Any(b => Same(a, b))).Select(a => new FindingChange(a, true)),
        .. before.Where(b => b.Severity > Severity.Info && !Common.SaysUntried(b) && !after.Any(a => Same(a, b)))
            .Select(b => new FindingChange(b, false)),
    ];

    // What was approved is run as it was approved, whatever would be proposed today.
    private static Dictionary<string, double> AsApproved(IOperation operation, Choices choices, CalculationResult result)
    {
        HashSet<string> known = [.. operation.Description.Fields.Select(f => f.Code)];
        return result.Fields
            .Where(f => f.Used && known.Contains(f.Code) && double.IsFinite(f.Value) && (f.Code != "toolLife" || choices.Numbers.ContainsKey(f.Code)))
            .ToDictionary(f => f.Code, f => f.Value);
    }

    private static IReadOnlyList<Finding> Breaks(IOperation operation, Choices approved, CalculationResult then, Situation now)
    {
        try
        {
            return [
                .. operation.Calculate(now, approved, explain: false).Findings
                .Where(f => f.Severity > Severity.Info && !then.Findings.Any(b => Same(f, b)))];
        }
        catch (InputException refused)
        {
            return [new(NoLongerPossible, Severity.Stop, new("The figures as approved "
                + $"cannot be run any more: {refused.Message}"), "Calculate it anew.")];
        }
    }

    // Two findings say the same where code, gravity and words agree; a number that moves within them is told among the figures and limits.
    private static bool Same(Finding a, Finding b) => a.Code == b.Code && a.Severity == b.Severity && a.Text.Template == b.Text.Template;

    private const double LastBits = 1e-9;

    private static bool Differs(double a, double b, double tolerance) => Math.Abs(a - b) > tolerance * Math.Max(Math.Abs(a), Math.Abs(b));
}
