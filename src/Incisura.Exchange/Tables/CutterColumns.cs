using System.Globalization;
using System.Text.RegularExpressions;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;

namespace Incisura.Exchange.Tables;

/// <summary>What a column of a table of cutters means.</summary>
/// <param name="Code">Field of the cutter: a word such as number, dimensions.DC, or picks.form; empty where the column is left out.</param>
/// <param name="Inch">Whether lengths without a unit are inches.</param>
public readonly record struct ColumnMeaning(string Code, bool Inch);

/// <summary>The columns that a table of cutters can have: the same for reading and writing.</summary>
public static partial class CutterColumns
{
    /// <summary>Fields besides dimensions and picks.</summary>
    public static IReadOnlyList<string> Words { get; } =
    [
        "number", "family", "material", "grade", "coating", "hand", "throughCoolant", "regrinds", "groups", "retired", "replacedBy", "remarks",
        "segments",
    ];

    /// <summary>Codes of the families' picks.</summary>
    public static IReadOnlyList<string> Picks { get; } = [.. Families.All.SelectMany(f => f.Picks).Select(p => p.Code).Distinct()];

    /// <summary>Angle ψ_r = 90° − κ_r, which tables call lead or approach angle (ISO 3002); it is taken into κ_r.</summary>
    public const string ApproachAngle = "approachAngle";

    /// <summary>Cutting edges on the periphery, ZEFP; where a table has ZEFF too, the two must agree.</summary>
    public const string PeripheralTeeth = "peripheralTeeth";

    /// <summary>Every field a column may mean, with plain words.</summary>
    public static IReadOnlyList<(string Code, string Name)> All { get; } =
    [
        .. Words.Select(w => (w, Plain(w))),
        .. Dimension.All.Select(d => ("dimensions." + d.Symbol, $"{d.Symbol}, {d.Name}")),
        .. Picks.Select(p => ("picks." + p, Plain(p))),
        (ApproachAngle, "PSIR, approach angle ψ (90° − κ)"),
        (PeripheralTeeth, "ZEFP, cutting edges on the periphery"),
    ];

    private static readonly Dictionary<string, string> Synonyms = Build();

    /// <summary>What the headings most likely mean; a field is given to one column only.</summary>
    /// <param name="headings">Headings as they stand.</param>
    /// <param name="inch">Whether lengths are inches where a heading names no unit.</param>
    public static IReadOnlyList<ColumnMeaning> Match(IReadOnlyList<string> headings, bool inch)
    {
        HashSet<string> taken = [];
        ColumnMeaning[] meanings = new ColumnMeaning[headings.Count];
        for (int i = 0; i < meanings.Length; i++)
        {
            (string name, double? perUnit) = HeadingUnit.Of(headings[i]);
            string? code = Synonyms.GetValueOrDefault(Fold(name)) ?? Synonyms.GetValueOrDefault(Fold(headings[i]));

            // A unit in the heading counts before the one that is said for the whole table.
            bool inches = perUnit is { } per ? per != 1 : inch;
            meanings[i] = code is not null && taken.Add(code) ? new(code, inches) : new("", inches);
        }

        return meanings;
    }

    /// <summary>Heading a field is written under.</summary>
    public static string Heading(string code) =>
        code.StartsWith("dimensions.", StringComparison.Ordinal) && Dimension.Find(code[11..]) is { } d
            ? Units.Of(d.Quantity).Metric.Unit is { Length: > 0 } unit ? $"{d.Symbol} [{unit}]" : d.Symbol
            : code.StartsWith("picks.", StringComparison.Ordinal) ? "pick " + code[6..] : Plain(code);

    private static Dictionary<string, string> Build()
    {
        Dictionary<string, string> all = [];
        foreach (string word in Words) Add(word, word, Plain(word));
        foreach (Dimension d in Dimension.All) Add("dimensions." + d.Symbol, d.Symbol, d.Name, $"{d.Symbol} {d.Name}", $"{d.Name} {d.Symbol}");
        Add("number", "no", "nr", "id", "tool", "tool no", "tool number", "cutter number", "cutter no", "article", "item");
        Add("family", "type", "kind", "tool type", "geometry");
        Add("material", "cutting material", "substrate", "made of", "of");
        Add("grade", "carbide grade", "quality");
        Add("coating", "coat", "layer");
        Add("throughCoolant", "coolant", "internal coolant", "through coolant");
        Add("groups", "iso", "iso group", "may cut", "material groups", "for");
        Add("remarks", "remark", "note", "notes", "comment", "comments", "description");
        Add("dimensions.DC", "d", "ø", "dia", "diameter", "d1", "dc mm", "tool diameter", "nominal diameter", "cut dia");
        Add("dimensions.ZEFF", "z", "flutes", "number of teeth", "number of flutes", "no of teeth", "no of flutes", "edges", "cutting edges");
        Add("dimensions.LCF", "cutting length", "length of cut", "flute", "l2", "loc");
        Add("dimensions.APMX", "ap max", "max depth", "depth of cut", "ap");
        Add("dimensions.LU", "reach", "usable", "neck length", "l3");
        Add("dimensions.OAL", "length", "total length", "overall", "l1", "l");
        Add("dimensions.DMM", "shank", "shank dia", "d2", "shank ø");
        Add("dimensions.DN", "neck", "neck dia", "d3", "neck ø");
        Add("dimensions.RE", "radius", "r", "corner", "nose radius");
        Add("dimensions.FHA", "helix");
        Add("dimensions.SIG", "included angle", "tip angle", "angle");
        Add("dimensions.KAPR", "kappa", "κr", "κ", "cutting edge angle", "tool cutting edge angle", "setting angle");
        Add(ApproachAngle, "psir", "ψr", "ψ", "lead angle", "approach angle", "tool lead angle", "tool approach angle");
        Add(PeripheralTeeth, "zefp", "peripheral teeth", "peripheral cutting edges");
        Add("dimensions.TP", "pitch");
        Add("dimensions.RPMX", "max speed", "max rpm", "rpm max");
        Add("dimensions.h_min", "hmin", "min chip");
        Add("dimensions.h_max", "hmax", "max chip");

        // Last, since a column called flutes most often counts them.
        foreach (string pick in Picks) Add("picks." + pick, "pick " + pick, pick);
        return all;

        void Add(string code, params ReadOnlySpan<string> names)
        {
            foreach (string name in names) all.TryAdd(Fold(name), code);
        }
    }

    private static string Plain(string code) => CapitalInside().Replace(code, m => " " + m.Value.ToLowerInvariant());

    private static string Fold(string heading) =>
        string.Concat(heading.ToLowerInvariant().Where(c => char.IsLetterOrDigit(c) || c is 'ø' or '/' or '_'))
            .ToString(CultureInfo.InvariantCulture);

    [GeneratedRegex("(?<=[a-z])[A-Z]")]
    private static partial Regex CapitalInside();
}
