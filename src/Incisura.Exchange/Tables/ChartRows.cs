using System.Globalization;
using System.Text.RegularExpressions;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Library;
using Incisura.Core.Quantities;

namespace Incisura.Exchange.Tables;

/// <summary>A row of a table, as far as it is one of a speed chart.</summary>
/// <param name="Line">Line it stands on.</param>
/// <param name="Row">The row; null where something in it cannot be taken.</param>
/// <param name="Faults">What cannot be taken.</param>
public sealed record ReadChartRow(int Line, SpeedRow? Row, IReadOnlyList<CellFault> Faults);

/// <summary>What was read of a table.</summary>
/// <param name="Rows">Its rows.</param>
/// <param name="LeftOut">Headings nobody knows, whose columns are left out.</param>
/// <param name="Missing">Columns without which no row can be read.</param>
public sealed record ReadChart(IReadOnlyList<ReadChartRow> Rows, IReadOnlyList<string> LeftOut, IReadOnlyList<string> Missing);

/// <summary>The rows of a speed chart as a table, out and in; feeds stand in a column for each diameter.</summary>
public static partial class ChartRows
{
    private static readonly string[] Needed = ["family", "cutting material", "work material", "operation", "speed"];

    private static readonly Dictionary<string, string> Synonyms = new()
    {
        ["family"] = "family",
        ["familyofcutter"] = "family",
        ["cutter"] = "family",
        ["tool"] = "family",
        ["cuttingmaterial"] = "cutting material",
        ["toolmaterial"] = "cutting material",
        ["workmaterial"] = "work material",
        ["subgroup"] = "work material",
        ["material"] = "work material",
        ["iso"] = "work material",
        ["operation"] = "operation",
        ["speed"] = "speed",
        ["cuttingspeed"] = "speed",
        ["vc"] = "speed",
        ["lasts"] = "lasts",
        ["life"] = "lasts",
        ["toollife"] = "lasts",
        ["exponent"] = "exponent",
        ["width/d"] = "width",
        ["ae/d"] = "width",
        ["depth/d"] = "depth",
        ["ap/d"] = "depth",
        ["depthofcut"] = "depth of cut",
        ["ap"] = "depth of cut",
        ["tried"] = "tried",
        ["triedhere"] = "tried",
        ["source"] = "source",
        ["from"] = "source",
    };

    private sealed record Column(string Code, double Diameter = double.NaN, double? PerUnit = null, bool Feet = false);

    /// <summary>Diameters that some of the rows have a feed for, rising.</summary>
    public static IReadOnlyList<double> DiametersOf(IEnumerable<SpeedRow> rows) =>
        [.. rows.SelectMany(r => r.Feeds).Select(f => f.Diameter).Distinct().Order()];

    /// <summary>Headings of the table of some rows.</summary>
    public static IReadOnlyList<string> Headings(IReadOnlyList<double> diameters) =>
    [
        "Family", "Cutting material", "Work material", "Operation", "Speed [m/min]", "Lasts [min]", "Exponent", "Width / D", "Depth / D",
        "Depth of cut [mm]",
        .. diameters.Select(d => FormattableString.Invariant($"Feed at Ø{d:R} [mm]")), "Tried here", "Source",
    ];

    /// <summary>A row as cells under <see cref="Headings"/>.</summary>
    public static IReadOnlyList<object?> Write(SpeedRow row, IReadOnlyList<double> diameters) =>
    [
        Families.Of(row.Family).Name, CutterListing.WordsOf(row.CuttingMaterial), row.SubGroup,
        Operations.Find(row.Operation)?.Description.Name ?? row.Operation, row.CuttingSpeed, row.Life, row.LifeExponent, row.WidthRatio,
        row.DepthRatio, row.Depth,
        .. diameters.Select(d => row.Feeds.FirstOrDefault(f => f.Diameter == d) is { FeedPerTooth: > 0 } f ? f.FeedPerTooth : (object?)null),
        row.Untried ? "no" : "yes", row.Source,
    ];

    /// <summary>Reads a table.</summary>
    /// <param name="table">The table.</param>
    /// <param name="inch">Whether speeds are ft/min, feeds and diameters inches, where a heading names no unit.</param>
    /// <param name="source">Where rows come from that do not say so.</param>
    public static ReadChart Read(Table table, bool inch, string source)
    {
        Column[] columns = [.. table.Headings.Select(h => ColumnOf(h, inch))];
        HashSet<string> seen = [];
        for (int i = 0; i < columns.Length; i++)
            if (columns[i].Code.Length > 0 && !seen.Add($"{columns[i].Code} {columns[i].Diameter}")) columns[i] = new("");
        List<string> missing = [.. Needed.Where(n => columns.All(c => c.Code != n))];
        return new(
            missing.Count > 0 ? [] : [.. table.Rows.Select(r => new RowReader(r, columns, table.DecimalComma, source).Read())],
            [.. table.Headings.Where((h, i) => columns[i].Code.Length == 0 && h.Length > 0)], missing);
    }

    private static Column ColumnOf(string heading, bool inch)
    {
        bool feet = FeetAtEnd().IsMatch(heading), metres = MetresAtEnd().IsMatch(heading);
        string plain = OtherUnit().Replace(heading, "");
        (string name, double? perUnit) = HeadingUnit.Of(plain);
        double per = perUnit ?? (inch ? Units.MillimetresPerInch : 1);
        if (FeedHeading().Match(name) is { Success: true } feed)
        {
            LengthReading diameter = LengthText.Read(feed.Groups["size"].Value, per, decimalComma: true);
            return diameter.Found && diameter.Mm > 0 ? new("feed", diameter.Mm, per) : new("");
        }

        string folded = string.Concat(name.ToLowerInvariant().Where(c => char.IsLetterOrDigit(c) || c == '/'));
        return new(Synonyms.GetValueOrDefault(folded, ""), PerUnit: per, Feet: feet || (inch && !metres));
    }

    // One row on its way from text to figures.
    private sealed class RowReader((int Line, string[] Cells) at, Column[] columns, bool decimalComma, string source)
    {
        private readonly List<CellFault> _faults = [];

        public ReadChartRow Read()
        {
            Family? family = Known("family", CutterRows.FamilyOf, "family of cutter", Families.Of(CutterFamily.SquareEndMill).Name);
            CuttingMaterial? material = Known("cutting material", t => CutterRows.MaterialOf(t), "cutting material", "carbide");
            OperationDescription? operation = Known("operation", OperationOf, "operation", "side-rough");
            int speedAt = Array.FindIndex(columns, c => c.Code == "speed");
            double told = Number("speed", double.NaN), speed = columns[speedAt].Feet ? Units.Of(Quantity.CuttingSpeed).FromInch(told) : told;
            List<FeedPoint> feeds = [];
            for (int i = 0; i < columns.Length; i++)
                if (columns[i].Code == "feed" && at.Cells[i].Length > 0) feeds.Add(new(columns[i].Diameter, At(i, columns[i].PerUnit!.Value)));
            string tried = Text("tried").ToLowerInvariant();
            if (family is null || material is null || operation is null) return new(at.Line, null, _faults);
            SpeedRow row = new()
            {
                Family = family.Code,
                CuttingMaterial = material.Value,
                SubGroup = Text("work material"),
                Operation = operation.Code,
                CuttingSpeed = speed,
                Life = Number("lasts", 0),
                LifeExponent = Number("exponent", 0),
                WidthRatio = Number("width", family.Use == CutterUse.Milling ? double.NaN : 1),
                DepthRatio = Number("depth", 1),
                Depth = Index("depth of cut") is var deep and >= 0 && at.Cells[deep].Length > 0 ? At(deep, columns[deep].PerUnit!.Value) : null,
                Feeds = [.. feeds.OrderBy(f => f.Diameter)],
                Untried = tried is not ("yes" or "true" or "1" or "x"),
                Source = Text("source") is { Length: > 0 } own ? own : source,
            };
            if (_faults.Count == 0)
                _faults.AddRange(new SpeedChart { Name = "chart", Rows = [row] }.Check(Operations.FeedInStep).Faults
                    .Select(f => new CellFault(ColumnAt(f.Field), f.Sentence.Replace(" of row 1", "", StringComparison.Ordinal))));
            if (!operation.Families.Contains(family.Code))
                _faults.Add(new(ColumnAt("operation"), $"{operation.Name} is not done with a {family.Name}; name another operation or family."));
            return new(at.Line, _faults.Count == 0 ? row : null, _faults);
        }

        private int ColumnAt(string field) => field.Split('.').Last() switch
        {
            "cuttingSpeed" => Index("speed"),
            "widthRatio" => Index("width"),
            "depthRatio" => Index("depth"),
            "depth" => Index("depth of cut"),
            "life" => Index("lasts"),
            "lifeExponent" => Index("exponent"),
            "subGroup" => Index("work material"),
            "operation" => Index("operation"),
            _ => -1,
        };

        private int Index(string code) => Array.FindIndex(columns, c => c.Code == code);

        private string Text(string code) => Index(code) is var i and >= 0 ? at.Cells[i] : "";

        private double Number(string code, double untold) =>
            Index(code) is var i and >= 0 && at.Cells[i].Length > 0 ? At(i, 1) : untold;

        private double At(int i, double per)
        {
            LengthReading reading = LengthText.Read(at.Cells[i], per, decimalComma);
            if (!reading.Found) _faults.Add(new(i, $"“{Short(at.Cells[i])}” is no number; write a plain number."));
            else if (reading.Doubtful)
                _faults.Add(new(i, $"“{Short(at.Cells[i])}” can be read in two ways; write it with a point.", reading.Other));
            return reading.Found ? reading.Mm : double.NaN;
        }

        private T? Known<T>(string code, Func<string, T?> find, string what, string such)
        {
            string text = Text(code);
            T? found = text.Length == 0 ? default : find(text);
            if (found is null)
                _faults.Add(new(
                    Index(code),
                    text.Length == 0
                        ? $"The {what} is missing; write one such as {such}."
                        : $"“{Short(text)}” is no known {what}; write one such as {such}."));
            return found;
        }

        private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
    }

    private static OperationDescription? OperationOf(string text) => Operations.All.Select(o => o.Description)
        .FirstOrDefault(d => d.Code.Equals(text, StringComparison.OrdinalIgnoreCase) || d.Name.Equals(text, StringComparison.OrdinalIgnoreCase));

    [GeneratedRegex(@"^\s*(feed( per tooth)?|f_?z)\s*(at\s*)?(Ø|ø|dia\.?|d)?\s*(?<size>\d[\d.,/ ]*)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex FeedHeading();

    [GeneratedRegex(@"(\bsfm|\bft\s*/\s*min|\bfpm)[\])\s]*$", RegexOptions.IgnoreCase)]
    private static partial Regex FeetAtEnd();

    [GeneratedRegex(@"\bm\s*/\s*min[\])\s]*$", RegexOptions.IgnoreCase)]
    private static partial Regex MetresAtEnd();

    [GeneratedRegex(@"[\s,]*[\[(]?\s*(sfm|fpm|ft\s*/\s*min|m\s*/\s*min|min)\s*[\])]?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex OtherUnit();
}
