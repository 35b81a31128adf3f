using System.Globalization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Library;
using Incisura.Core.Materials;
using Incisura.Core.Quantities;

namespace Incisura.Exchange.Tables;

/// <summary>A cell that cannot be taken.</summary>
/// <param name="Column">Index of the column; −1 where the whole row is meant.</param>
/// <param name="Sentence">What is wrong and what would cure it.</param>
/// <param name="Meant">Value that was probably meant, mm; not a number where there is no guess.</param>
public sealed record CellFault(int Column, string Sentence, double Meant = double.NaN);

/// <summary>Cutters as rows of a table, out and in.</summary>
public static class CutterRows
{
    /// <summary>The columns that some of these cutters need.</summary>
    public static IReadOnlyList<string> ColumnsFor(IReadOnlyCollection<Cutter> cutters) =>
    [
        .. CutterColumns.Words.Where(w => w != "segments" || cutters.Any(c => c.Segments.Count > 0)),
        .. Dimension.All.Where(d => cutters.Any(c => c.Dimensions.ContainsKey(d.Symbol))).Select(d => "dimensions." + d.Symbol),
        .. CutterColumns.Picks.Where(p => cutters.Any(c => c.Picks.ContainsKey(p))).Select(p => "picks." + p),
    ];

    /// <summary>One cutter as cells.</summary>
    /// <param name="c">The cutter.</param>
    /// <param name="columns">Fields of the columns.</param>
    /// <param name="numberOf">Number of a cutter by its identity.</param>
    public static IReadOnlyList<object?> Write(Cutter c, IReadOnlyList<string> columns, Func<int, string> numberOf) =>
        [.. columns.Select(code => code switch
    {
        "number" => c.Number,
        "family" => c.Described.Name,
        "material" => CutterListing.WordsOf(c.Material),
        "grade" => c.Grade,
        "coating" => c.Coating,
        "hand" => c.Hand.ToString().ToLowerInvariant(),
        "throughCoolant" => YesNo(c.ThroughCoolant),
        "regrinds" => (double)c.Regrinds,
        "groups" => string.Concat(c.Groups),
        "retired" => YesNo(c.Retired),
        "replacedBy" => c.ReplacedById == 0 ? "" : numberOf(c.ReplacedById),
        "remarks" => c.Remarks,
        "segments" =>
            string.Join(
                "; ",
                c.Segments.Select(
                    s =>
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"{s.Length:R} {s.LowerDiameter:R} {s.UpperDiameter:R} {s.ArcRadius:R} {(s.Cuts ? "cuts" : "")}").Trim())),
        _ when code.StartsWith("dimensions.", StringComparison.Ordinal) => c.Dimensions.TryGetValue(code[11..], out double v) ? v : (object?)null,
        _ => c.Picks.GetValueOrDefault(code[6..], ""),
    })];

    /// <summary>Reads a row.</summary>
    /// <param name="cells">Its cells.</param>
    /// <param name="meanings">What the columns mean.</param>
    /// <param name="find">The cutter of a number, as it stands now, or null.</param>
    /// <param name="identityOf">Identity of a cutter by its number; 0 where there is none.</param>
    /// <param name="decimalComma">Whether a comma is known to stand before decimals in this table.</param>
    /// <returns>The cutter, and what cannot be taken; blank cells leave what stands.</returns>
    public static (Cutter Cutter, IReadOnlyList<CellFault> Faults) Read(
        string[] cells, IReadOnlyList<ColumnMeaning> meanings, Func<string, Cutter?> find, Func<string, int> identityOf, bool decimalComma = false)
    {
        List<CellFault> faults = [];
        string number = Cell("number");
        Cutter? before = number.Length > 0 ? find(number) : null;
        string family = Cell("family");
        Family? described = family.Length == 0 ? before?.Described ?? Families.Of(CutterFamily.SquareEndMill) : FamilyOf(family);
        if (described is null)
        {
            faults.Add(new(
                Column("family"),
                $"“{family}” is no known family; write one such as {Families.Of(CutterFamily.SquareEndMill).Name}, "
                    + $"{Families.Of(CutterFamily.TwistDrill).Name} or {Families.Of(CutterFamily.CuttingTap).Name}."));
            described = Families.Of(CutterFamily.SquareEndMill);
        }

        Cutter c = before is null || before.Family != described.Code ? new() { Number = number, Family = described.Code } : before;
        Dictionary<string, double> dimensions = new(c.Dimensions);
        Dictionary<string, string> picks = new(c.Picks);
        for (int i = 0; i < meanings.Count; i++)
        {
            string code = meanings[i].Code, text = cells[i];
            if (text.Length == 0 || code.Length == 0 || code is "number" or "family") continue;
            if (code.StartsWith("dimensions.", StringComparison.Ordinal)) ReadDimension(i, code[11..], text, meanings[i].Inch);
            else if (code == CutterColumns.ApproachAngle)
                ReadOther(i, text, Dimension.EdgeAngle, psi => 90 - psi, "ψ_r", "κ_r", "its complement to 90°");
            else if (code == CutterColumns.PeripheralTeeth) ReadOther(i, text, Dimension.Teeth, z => z, "ZEFP", "ZEFF", "the teeth of the face");
            else if (code.StartsWith("picks.", StringComparison.Ordinal)) ReadPick(i, code[6..], text);
            else c = ReadWord(c, i, code, text);
        }

        // A new cutter takes what its family starts from for what the table does not tell and the cut does not rest on.
        if (before is null)
            foreach (FamilyDimension d in described.Dimensions)
                if (!dimensions.ContainsKey(d.Dimension.Symbol) && Untold(d.Dimension, dimensions) is { } value)
                    dimensions[d.Dimension.Symbol] = value;
        c = c with { Dimensions = dimensions, Picks = picks, Groups = c.Groups.Count > 0 ? c.Groups : [MaterialGroup.P] };

        HashSet<int> told = [.. faults.Select(f => f.Column)];
        foreach (InputFault f in c.Check().Faults)
            if (!told.Contains(Column(f.Field)) || Column(f.Field) < 0) faults.Add(new(Column(f.Field), f.Sentence, f.Meant));
        return (c, faults);

        int Column(string code) => Enumerable.Range(0, meanings.Count).FirstOrDefault(i => meanings[i].Code == code, -1);

        string Cell(string code) => Column(code) is var i and >= 0 ? cells[i] : "";

        void ReadDimension(int i, string symbol, string text, bool inch)
        {
            Dimension d = Dimension.Find(symbol)!;
            if (described.Dimensions.All(f => f.Dimension != d)) return;
            bool length = d.Quantity is Quantity.Length or Quantity.Chip;
            LengthReading reading = length ? LengthText.Read(text, inch ? Units.MillimetresPerInch : 1, decimalComma) : Number(text);
            if (reading.Doubtful)
                faults.Add(new(
                    i, $"“{Short(text)}” can be {reading.Mm:0.####} mm or {reading.Other:0.####} mm; write it with a point, or with its unit.",
                    reading.Other));
            else if (reading.Found) dimensions[symbol] = reading.Mm;
            else
                faults.Add(new(
                    i, $"“{Short(text)}” is no {(length ? "length" : "number")}; write {(length ? "12, 12.5 mm or 1/2 in" : "a plain number")}."));
        }

        LengthReading Number(string text) =>
            double.TryParse(LengthText.Plain(text).TrimEnd('°').Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out double value)
                && double.IsFinite(value)
                ? new(true, value, double.NaN)
                : LengthReading.None;

        // A column that says the same as another in other terms: where both stand in the row, they must agree.
        void ReadOther(int i, string text, Dimension d, Func<double, double> taken, string own, string name, string what)
        {
            if (described.Dimensions.All(f => f.Dimension != d)) return;
            LengthReading reading = Number(text);
            int beside = Column("dimensions." + d.Symbol);
            if (!reading.Found) faults.Add(new(i, $"“{Short(text)}” is no number; write a plain number."));
            else if (
                beside >= 0 && cells[beside].Length > 0 && Number(cells[beside]) is { Found: true } other
                    && Math.Abs(other.Mm - taken(reading.Mm)) > 1e-6)
                faults.Add(new(
                    i,
                    $"{own} is {reading.Mm:0.###} and {name} is {other.Mm:0.###}: they do not go together, so it is not clear which is "
                        + $"{what}. Leave one of the two columns out."));
            else dimensions[d.Symbol] = taken(reading.Mm);
        }

        void ReadPick(int i, string code, string text)
        {
            PickDescription? pick = described.Picks.FirstOrDefault(p => p.Code == code);
            if (pick is null) return;
            OptionPick? picked = pick.Picks.FirstOrDefault(
                p => p.Code.Equals(text, StringComparison.OrdinalIgnoreCase) || p.Words.Equals(text, StringComparison.OrdinalIgnoreCase));
            if (picked is not null) picks[code] = picked.Code;
            else
                faults.Add(new(
                    i,
                    $"“{Short(text)}” is not offered for {pick.Name.ToLowerInvariant()}; write one of "
                        + $"{string.Join(", ", pick.Picks.Select(p => p.Code))}."));
        }

        Cutter ReadWord(Cutter at, int i, string code, string text)
        {
            switch (code)
            {
                case "material":
                    CuttingMaterial? material = MaterialOf(text);
                    if (material is null)
                        faults.Add(new(
                            i,
                            $"“{Short(text)}” is no known cutting material; write one of "
                                + $"{string.Join(", ", Enum.GetValues<CuttingMaterial>().Select(CutterListing.WordsOf))}."));
                    return at with { Material = material ?? at.Material };
                case "grade": return at with { Grade = text };
                case "coating": return at with { Coating = text };
                case "remarks": return at with { Remarks = text };
                case "hand":
                    if (!Enum.TryParse(text, ignoreCase: true, out Hand hand) || !Enum.IsDefined(hand))
                        faults.Add(new(i, $"“{Short(text)}” is no hand; write right, left or neutral."));
                    return at with { Hand = hand };
                case "throughCoolant": return at with { ThroughCoolant = Truth(i, text) };
                case "retired": return at with { Retired = Truth(i, text) };
                case "regrinds":
                    if (!int.TryParse(text, NumberStyles.Integer, CultureInfo.InvariantCulture, out int regrinds))
                        faults.Add(new(i, $"“{Short(text)}” is no whole number of regrinds."));
                    return at with { Regrinds = regrinds };
                case "replacedBy":
                    int by = identityOf(text);
                    if (by == 0) faults.Add(new(i, $"There is no cutter {Short(text)} that could replace this one."));
                    return at with { ReplacedById = by };
                case "groups":
                    string letters = text.ToUpperInvariant()
                        .Replace(" ", "", StringComparison.Ordinal)
                        .Replace(",", "", StringComparison.Ordinal)
                        .Replace("/", "", StringComparison.Ordinal);
                    if (letters.Any(l => !"PMKNSH".Contains(l, StringComparison.Ordinal)))
                    {
                        faults.Add(new(i, $"“{Short(text)}” names no material groups; write letters of P, M, K, N, S, H, such as PMK."));
                        return at;
                    }

                    return at with { Groups = [.. letters.Distinct().Select(l => Enum.Parse<MaterialGroup>(l.ToString()))] };
                default:
                    if (Segments(text) is { } segments) return at with { Segments = segments };
                    faults.Add(new(
                        i, "The profile cannot be read; write length, front and back diameter and rounding of "
                            + "each segment, separated by semicolons."));
                    return at;
            }
        }

        bool Truth(int i, string text)
        {
            if (text.ToLowerInvariant() is "yes" or "true" or "1" or "x" or "y") return true;
            if (text.ToLowerInvariant() is not ("no" or "false" or "0" or "n" or "-")) faults.Add(new(i, $"“{Short(text)}” is neither yes nor no."));
            return false;
        }
    }

    private static double? Untold(Dimension d, Dictionary<string, double> told)
    {
        double Told(Dimension of) => told.GetValueOrDefault(of.Symbol, double.NaN);
        double? First(params ReadOnlySpan<double> values)
        {
            foreach (double v in values)
                if (double.IsFinite(v)) return v;
            return null;
        }

        return d.Symbol switch
        {
            "LU" => First(Told(Dimension.FluteLength)),
            "APMX" => First(Told(Dimension.FluteLength)),
            "LCF" => First(Told(Dimension.LargestDepth)),
            "DMM" => First(Told(Dimension.CuttingDiameter)),
            "a_e/DC" => 1,
            "h_max" => First(Told(Dimension.CuttingDiameter) * 0.007),
            _ => null,
        };
    }

    internal static Family? FamilyOf(string text)
    {
        string folded = Fold(text);
        return Families.All.FirstOrDefault(f => Fold(f.Name) == folded || Fold(f.Code.ToString()) == folded)
            ?? (folded.Length >= 4 ? Families.All.FirstOrDefault(f => folded.Contains(Fold(f.Name), StringComparison.Ordinal)) : null);
    }

    internal static CuttingMaterial? MaterialOf(string text)
    {
        string folded = Fold(text);
        foreach (CuttingMaterial m in Enum.GetValues<CuttingMaterial>())
            if (Fold(CutterListing.WordsOf(m)) == folded || Fold(m.ToString()) == folded) return m;
        return folded switch
        {
            "hm" or "solidcarbide" or "hw" or "hc" => CuttingMaterial.Carbide,
            "hsse" or "hssco" => CuttingMaterial.HighSpeedSteel,
            "pcd" => CuttingMaterial.Diamond,
            "pcbn" => CuttingMaterial.BoronNitride,
            _ => null,
        };
    }

    private static List<StackSegment>? Segments(string text)
    {
        List<StackSegment> segments = [];
        foreach (string part in text.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            string[] words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            double[] numbers =
                [.. words.Take(4).Select(w => double.TryParse(w, NumberStyles.Float, CultureInfo.InvariantCulture, out double v) ? v : double.NaN)];
            if (numbers.Length < 3 || numbers.Any(double.IsNaN)) return null;
            segments.Add(new(numbers[0], numbers[1], numbers[2], numbers.Length > 3 ? numbers[3] : 0, words.Length > 4));
        }

        return segments;
    }

    private static string YesNo(bool value) => value ? "yes" : "no";

    private static string Fold(string text) => string.Concat(text.ToLowerInvariant().Where(char.IsLetterOrDigit));

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}
