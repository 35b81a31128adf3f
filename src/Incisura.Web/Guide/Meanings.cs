using System.Reflection;
using System.Text.Json;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Quantities;
using Incisura.Web.Hosting;
using Assembly = Incisura.Core.Holders.Assembly;

namespace Incisura.Web.Guide;

/// <summary>What a field, a figure or a limit means.</summary>
/// <param name="Code">Its code, as the API has it.</param>
/// <param name="Name">Plain words; empty where the page that shows it has them.</param>
/// <param name="Symbol">Its symbol; empty for none.</param>
/// <param name="Quantity">What it measures; null for words and choices.</param>
/// <param name="Means">What it means, with range and source, as the code says it.</param>
/// <param name="Cure">What would cure an excess; empty for all but limits.</param>
public sealed record Meaning(string Code, string Name, string Symbol, Quantity? Quantity, string Means, string Cure = "");

/// <summary>What an operation asks, tells and keeps.</summary>
public sealed record OperationMeanings(IReadOnlyList<Meaning> Fields, IReadOnlyList<Meaning> Figures, IReadOnlyList<Meaning> Limits);

/// <summary>What things mean, from the descriptions in the code: there is no second place that could say otherwise.</summary>
public static partial class Meanings
{
    private static readonly Lazy<Dictionary<string, string>> Summaries = new(Read);

    private static readonly Dictionary<string, Type> Kinds = new()
    {
        ["material"] = typeof(WorkMaterial),
        ["machine"] = typeof(Machine),
        ["holder"] = typeof(Holder),
        ["assembly"] = typeof(Assembly),
        ["chart"] = typeof(SpeedRow),
    };

    private static readonly Lazy<IReadOnlyList<(LimitDefinition Value, string Means)>> AllLimits = new(
        () => Statics<LimitDefinition>(typeof(IOperation).Assembly.GetTypes()));

    /// <summary>What the fields of a kind of thing mean; a cutter's are its dimensions.</summary>
    public static IReadOnlyList<Meaning> OfKind(string kind) => kind == "cutter"
        ? [
            .. Statics<Dimension>([typeof(Dimension)]).Select(d => new Meaning(
                d.Value.Symbol, d.Value.Name, d.Value.Symbol, d.Value.Quantity, d.Means)),
        ]
        : Kinds.TryGetValue(kind, out Type? type)
        ? [
            .. type.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.CanWrite)
                .Select(p => new Meaning(JsonNamingPolicy.CamelCase.ConvertName(p.Name), "", "", null, Of($"P:{Named(type)}.{p.Name}"))),
        ]
        : throw new MissingException($"Nothing of the kind {kind} is described; ask for one of cutter, {string.Join(", ", Kinds.Keys)}.");

    /// <summary>What an operation's fields, figures and limits mean.</summary>
    public static OperationMeanings OfOperation(string code)
    {
        OperationDescription d = Operations.Find(code)?.Description ?? throw new MissingException($"There is no operation {code}.");
        return new(
            [.. d.Fields.Select(f => new Meaning(f.Code, f.Name, f.Symbol, f.Quantity, Of($"F:{Named(typeof(Input))}.{f.Input}")))],
            [
                .. d.Large.Concat(d.Rows).Distinct().Select(o => (Output: o, Words: d.Words(o))).Select(o => new Meaning(
                    o.Words.Code, o.Words.Name, o.Words.Symbol, o.Words.Quantity, Of($"F:{Named(typeof(Output))}.{o.Output}"))),
            ],
            [.. AllLimits.Value.Select(l => new Meaning(l.Value.Code, l.Value.Name, "", l.Value.Quantity, l.Means, l.Value.Cure))]);
    }

    // Values that some types keep for all, each with its description.
    private static IReadOnlyList<(T Value, string Means)> Statics<T>(IEnumerable<Type> types)
        where T : class
    {
        const BindingFlags all = BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.DeclaredOnly;
        return
        [
            .. types.Where(t => !t.ContainsGenericParameters).SelectMany(t => t.GetFields(all).Where(f => f.FieldType == typeof(T) && !f.IsPrivate)
                .Select(f => ((T)f.GetValue(null)!, Of($"F:{Named(t)}.{f.Name}")))
                .Concat(t.GetProperties(all).Where(p => p.PropertyType == typeof(T))
                    .Select(p => ((T)p.GetValue(null)!, Of($"P:{Named(t)}.{p.Name}"))))),
        ];
    }

    private static string Of(string member) => Summaries.Value.GetValueOrDefault(member, "");

    private static string Named(Type type) => type.FullName!.Replace('+', '.');

    private static Dictionary<string, string> Read()
    {
        string file = Path.ChangeExtension(typeof(IOperation).Assembly.Location, ".xml");
        if (!File.Exists(file)) return [];
        return XDocument.Load(file).Descendants("member").Where(m => m.Element("summary") is not null)
            .ToDictionary(m => m.Attribute("name")!.Value, m => Plain(m.Element("summary")!));
    }

    // The words of a summary; what it refers to is said by its last name.
    private static string Plain(XElement summary) => Space().Replace(
        string.Concat(summary.Nodes().Select(n => n switch
        {
            XText t => t.Value,
            XElement e => LastName().Match(e.Attribute("cref")?.Value ?? e.Attribute("name")?.Value ?? e.Value).Value,
            _ => "",
        })), " ").Trim();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Space();

    [GeneratedRegex(@"[^.:]*$")]
    private static partial Regex LastName();
}
