using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Holders;
using Incisura.Core.Quantities;
using Incisura.Core.Records;

namespace Incisura.Exchange.Editions;

/// <summary>An approved revision, as it is at hand when it is published.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="Result">What came out.</param>
/// <param name="Terms">What stands beside the figures.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ProposedBy">Who proposed it.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="ApprovedAt">When.</param>
/// <param name="Places">Where the assembly stands now.</param>
public sealed record ApprovedRevision(
    string Record, int Revision, Situation Situation, CalculationResult Result, Terms Terms, string Note, string ProposedBy, string ApprovedBy,
    DateTimeOffset ApprovedAt, IReadOnlyList<PublishedPlace> Places)
{
    /// <summary>The limits as they are today, where the figures are published although something stands against them; null otherwise.</summary>
    public IReadOnlyList<JudgedLimit>? LimitsToday { get; init; }
}

/// <summary>From a calculation to its published form, and back to what its readers are shown.</summary>
public static class Published
{
    /// <summary>Units of all quantities as editions state them.</summary>
    public static IReadOnlyDictionary<string, string> UnitsStated { get; } =
        Units.All.ToDictionary(u => Word(u.Quantity), u => u.Metric.Unit, StringComparer.Ordinal);

    /// <summary>A moment as editions write it.</summary>
    public static string Moment(DateTimeOffset at) => at.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    /// <summary>The moment that a text of an edition says.</summary>
    public static DateTimeOffset Moment(string at) => DateTimeOffset.Parse(at, CultureInfo.InvariantCulture);

    /// <summary>What is published of an approved revision.</summary>
    public static PublishedRecord Of(ApprovedRevision a)
    {
        (Situation s, CalculationResult result, Assembly assembly) = (a.Situation, a.Result, a.Situation.Assembly.Value);
        OperationDescription? operation = Operations.Find(result.Operation)?.Description;
        return new(
            a.Record, a.Revision,
            new(result.Operation, operation?.Name ?? result.Operation) { Thread = result.Attached<CutThread>()?.Text },
            new(s.Material.Value.Name, s.Material.Value.Condition, s.Material.Value.Group.ToString(), s.Material.Value.SubGroup)
            {
                Hardness = double.IsFinite(s.Material.Value.Hardness) ? s.Material.Value.Hardness : null,
                Designations = s.Material.Value.Designations is { Length: > 0 } others ? others : null,
            },
            new(s.Machine.Value.Name),
            new(
                s.Cutter.Value.Number, s.Cutter.Value.Described.Name, Word(s.Cutter.Value.Material), s.Cutter.Value.Grade, s.Cutter.Value.Coating,
                Word(s.Cutter.Value.Hand), s.Cutter.Value.Dimensions),
            new(
                assembly.Number, assembly.Projection, s.Built().GaugeLength, s.Holder.Value.Number, s.Holder.Value.Kind, s.Holder.Value.Interface,
                [.. s.Extensions.Select(e => e.Value.Number)], assembly.StockPlace, a.Places)
            {
                LengthRegister = assembly.LengthRegister > 0 ? assembly.LengthRegister : null,
                DiameterRegister = assembly.DiameterRegister > 0 ? assembly.DiameterRegister : null,
            },
            result.EngineVersion,
            [
                .. result.Figures.Select(f => new PublishedFigure(f.Code, f.Symbol, f.Name, Word(f.Quantity), f.Value, Word(f.Rank))
                {
                    AtMachine = Place(f.Code, operation),
                }),
            ],
            operation is null ? [] : [.. result.Fields.Where(f => f.Used).Select(f => Setting(f, operation)).OfType<PublishedSetting>()],
            operation is null ? [] : [.. operation.Options.Select(o => Option(o, result)).OfType<PublishedOption>()],
            Limits(result.Limits),
            [.. result.Findings.Select(f => new PublishedFinding(
                f.Code, Word(f.Severity), f.Text.ToString(), f.Text.Template,
                [.. f.Text.Measures.Select(m => new PublishedMeasure(m.Value, Word(m.Quantity)))], f.Cure))],
            [.. a.Terms.Accepted.Select(t => new PublishedAcceptance(t.Code, t.Text, t.Reason, t.By))],
            new(Word(a.Terms.Evidence.Kind), a.Terms.Evidence.Source),
            [.. (result.Attached<ToolWay>()?.Parts ?? []).Select(p =>
                new PublishedStage(p.Code, p.Name, p.Count, p.Length, p.Speed, p.FeedRate, p.Rapid, p.Coolant, p.Time) { From = p.From, To = p.To })],
            a.Note, a.ProposedBy, a.ApprovedBy, Moment(a.ApprovedAt))
        {
            Until = a.Terms.Until?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            Pieces = a.Terms.Pieces,
            LimitsToday = a.LimitsToday is { } today ? Limits(today) : null,
        };

        static IReadOnlyList<PublishedLimit> Limits(IReadOnlyList<JudgedLimit> limits) =>
        [
            .. limits.Select(l => new PublishedLimit(l.Kind, l.Name, Word(l.Quantity), l.Used, l.IsLeast, Word(l.Severity))
            {
                Allowed = l.Allowed,
                Use = l.Use,
                At = l.At,
            }),
        ];
    }

    /// <summary>The figures of a published record.</summary>
    public static IReadOnlyList<Figure> Figures(this PublishedRecord record) =>
        [.. record.Figures.Select(AsFigure)];

    /// <summary>
    /// What is set at the machine, the foremost first: figures, and settings that no figure tells. What is 0 is not set, as an allowance of none.
    /// Editions from before it was marked are read by today's descriptions.
    /// </summary>
    public static IReadOnlyList<PublishedFigure> SetAtMachine(this PublishedRecord record)
    {
        OperationDescription? operation = Operations.Find(record.Operation.Code)?.Description;
        return
        [
            .. record.Figures.Concat(record.Settings.Select(s => new PublishedFigure(s.Code, s.Symbol, s.Name, s.Quantity, s.Value, "row")
                {
                    AtMachine = s.AtMachine,
                }))
                .DistinctBy(f => f.Code)
                .Select(f => (Figure: f, Place: f.AtMachine ?? Place(f.Code, operation)))
                .Where(f => f.Place is not null && f.Figure.Value != 0)
                .OrderBy(f => f.Place).Select(f => f.Figure),
        ];
    }

    /// <summary>Codes of the settings that nobody stated, so that a usual value was taken.</summary>
    public static IReadOnlyList<string> NotStated(this PublishedRecord record) =>
        [.. record.Settings.Where(s => s.Assumed == true).Select(s => s.Code)];

    /// <summary>What the part is that the figures hold for, beside what is set at the machine.</summary>
    public static IEnumerable<PublishedSetting> HoldsFor(this PublishedRecord record)
    {
        HashSet<string> set = [.. record.SetAtMachine().Select(f => f.Code)];
        return record.Settings.Where(s => s.OfPart && s.Value != 0 && !set.Contains(s.Code));
    }

    /// <summary>A published figure as the core has it.</summary>
    public static Figure AsFigure(this PublishedFigure f) =>
        new(f.Code, f.Symbol, f.Name, Read<Quantity>(f.Quantity), f.Value, Read<FigureRank>(f.Rank));

    /// <summary>A published setting as a figure.</summary>
    public static Figure AsFigure(this PublishedSetting s) => new(s.Code, s.Symbol, s.Name, Read<Quantity>(s.Quantity), s.Value);

    /// <summary>The limits of a published record.</summary>
    public static IReadOnlyList<JudgedLimit> Limits(this PublishedRecord record) =>
    [
        .. record.Limits.Select(l =>
            new JudgedLimit(l.Code, l.Name, Read<Quantity>(l.Quantity), l.Used, l.Allowed, l.Use, l.IsLeast, Read<Severity>(l.Severity), l.At)),
    ];

    /// <summary>The findings of a published record.</summary>
    public static IReadOnlyList<Finding> Findings(this PublishedRecord record) =>
    [
        .. record.Findings.Select(f => new Finding(
            f.Code, Read<Severity>(f.Severity),
            new(f.Template, [.. f.Measures.Select(m => new Measure(m.Value, Read<Quantity>(m.Quantity)))]), f.Cure)),
    ];

    /// <summary>What stands beside the figures of a published record.</summary>
    public static Terms Terms(this PublishedRecord record) => new(
        [.. record.Accepted.Select(a => new Acceptance(a.Code, a.Says, a.Reason, a.By))],
        new(Read<EvidenceKind>(record.Evidence.Kind), record.Evidence.Source),
        record.Until is { } day ? DateOnly.Parse(day, CultureInfo.InvariantCulture) : null, record.Pieces);

    /// <summary>What stood against a published record, with why it may be used nevertheless, as a line; empty for nothing.</summary>
    public static string Against(this PublishedRecord record) => string.Join(
        "; ", Usable.Overruled(record.Terms()).Select(a => $"{a.Text} Used nevertheless: {a.Reason} ({a.By})"));

    /// <summary>The stages of a published record.</summary>
    public static IReadOnlyList<WayPart> Stages(this PublishedRecord record) =>
    [
        .. record.Stages.Select(p =>
            new WayPart(p.Code, p.Name, p.Count, p.Length, p.From, p.To, p.Speed, p.FeedRate, p.Rapid, p.Coolant, p.Time, Editable: false)),
    ];

    private static PublishedSetting? Setting(FieldState state, OperationDescription operation) =>
        operation.Fields.FirstOrDefault(f => f.Code == state.Code) is { } field && double.IsFinite(state.Value)
            ? new(field.Code, field.Symbol, field.Name, Word(field.Quantity), state.Value, field.Role == FieldRole.Part)
            {
                AtMachine = Place(field.Code, operation),
                Assumed = field.Role == FieldRole.Part && state.Origin == Origin.Default ? true : null,
            }
            : null;

    private static int? Place(string code, OperationDescription? operation)
    {
        for (int i = 0; i < operation?.AtMachine.Count; i++)
            if (operation.AtMachine[i] == code) return i + 1;
        return null;
    }

    private static PublishedOption? Option(OptionDescription option, CalculationResult result) =>
        result.Options.TryGetValue(option.Code, out string? picked)
            ? new(option.Code, option.Name, picked, option.Picks.FirstOrDefault(p => p.Code == picked)?.Words ?? picked)
            : null;

    private static string Word<TEnum>(TEnum value)
        where TEnum : struct, Enum
    {
        string name = value.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }

    private static TEnum Read<TEnum>(string word)
        where TEnum : struct, Enum => Enum.Parse<TEnum>(word, ignoreCase: true);
}
