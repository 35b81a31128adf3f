using System.Globalization;
using System.Text.RegularExpressions;
using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>A thread as text, as its standard writes it, and back from what people type.</summary>
public static partial class ThreadText
{
    private const double Inch = Units.MillimetresPerInch;
    private const int Longest = 60;

    /// <summary>The thread in words of its standard: M10×1.5-6H LH, 1/2-13 UNC-2A, G1/2, 3/4-14 NPT, Tr40×14 (P7) LH.</summary>
    /// <param name="t">The thread.</param>
    public static string Of(Thread t)
    {
        string end = $"{(t.Class.Length > 0 ? $"-{t.Class}" : "")}{(t.LeftHand ? " LH" : "")}", mm = Plain(t.Diameter),
            lead = t.Starts > 1 ? $"{Plain(t.Lead)} (P{Plain(t.Pitch)})" : Plain(t.Pitch), perInch = Plain(t.PerInch);
        string inch = InchText(t.Diameter), starts = t.Starts > 1 ? $" {t.Starts} starts" : "";
        string pipe = PipeSize(t);
        return t.Form switch
        {
            ThreadForm.Metric => $"M{mm}×{lead}{end}",
            ThreadForm.Unified => $"{inch}-{perInch} {SeriesOf(t)}{end}{starts}",
            ThreadForm.PipeParallel => $"G{pipe}{(t.Class.Length > 0 ? $" {t.Class}" : "")}{(t.LeftHand ? " LH" : "")}",
            ThreadForm.PipeTaper => $"R{pipe}{end}",
            ThreadForm.PipeTaper60 => $"{pipe}-{perInch} NPT{end}",
            ThreadForm.PipeTaper60Dry => $"{pipe}-{perInch} NPTF{end}",
            ThreadForm.Trapezoidal => $"Tr{mm}×{lead}{end}",
            ThreadForm.Acme => $"{inch}-{perInch} ACME{end}{starts}",
            ThreadForm.StubAcme => $"{inch}-{perInch} Stub ACME{end}{starts}",
            ThreadForm.Buttress => $"S{mm}×{lead}{end}",
            ThreadForm.Round => $"Rd{mm}×1/{perInch}{end}{starts}",
            _ => $"Pg{pipe}{end}",
        };
    }

    /// <summary>Series of a unified thread: UNC, UNF, UNEF, UN of constant pitch, or UNS for any other pair.</summary>
    /// <param name="t">The thread.</param>
    public static string SeriesOf(Thread t) => ThreadTables.Find(t)?.Series ?? "UNS";

    /// <summary>The thread somebody means; null where the text says none.</summary>
    /// <param name="text">What was typed.</param>
    public static Thread? Read(string text)
    {
        if (text.Length > Longest) return null;
        string s = Spaces().Replace(text.Replace(',', '.').Replace('×', 'x').Replace('*', 'x').Trim(), " ");
        bool left = Left().IsMatch(s);
        s = Left().Replace(s, "").Trim();
        int starts = 1;
        if (Starts().Match(s) is { Success: true } many)
        {
            starts = int.Parse(many.Groups[1].Value, CultureInfo.InvariantCulture);
            s = Starts().Replace(s, "").Trim();
        }

        Thread? read = Pitched(s) ?? Conduit(s) ?? Round(s) ?? Pipe(s) ?? PerInchOf(s);
        return read is null ? null : read with { LeftHand = left, Starts = starts > 1 ? starts : read.Starts };
    }

    /// <summary>A number of inches as a shop writes it: 1/2, 1-1/4, 2; decimals where it is no sixty-fourth.</summary>
    internal static string Fraction(double inches)
    {
        double parts = inches * 64;
        if (Math.Abs(parts - Math.Round(parts)) > 1e-6) return Plain(inches);
        int whole = (int)(Math.Round(parts) / 64), top = (int)Math.Round(parts) % 64, bottom = 64;
        for (; top > 0 && top % 2 == 0; bottom /= 2) top /= 2;
        return top == 0 ? $"{whole}" : whole == 0 ? $"{top}/{bottom}" : $"{whole}-{top}/{bottom}";
    }

    // M and Tr and S: diameter, then pitch, or lead with the pitch behind.
    private static Thread? Pitched(string s)
    {
        if (Metric().Match(s) is not { Success: true } m) return null;
        ThreadForm form = m.Groups["form"].Value.ToUpperInvariant() switch
        {
            "TR" => ThreadForm.Trapezoidal,
            "S" => ThreadForm.Buttress,
            _ => ThreadForm.Metric,
        };
        double diameter = Number(m.Groups["d"].Value);
        double lead = m.Groups["lead"].Success ? Number(m.Groups["lead"].Value) : UsualPitch(form, diameter);
        double pitch = m.Groups["p"].Success ? Number(m.Groups["p"].Value) : lead, starts = Math.Round(lead / pitch);
        if (!(diameter > 0) || !(pitch > 0) || starts < 1 || Math.Abs((starts * pitch) - lead) > 1e-6 * lead) return null;
        return new() { Form = form, Diameter = diameter, Pitch = pitch, Starts = (int)starts, Class = m.Groups["class"].Value };
    }

    private static double UsualPitch(ThreadForm form, double diameter) => ThreadTables.All.FirstOrDefault(
        l => l.Thread.Form == form && Math.Abs(l.Thread.Diameter - diameter) < 5e-4 && l.Series is "coarse" or "preferred")?.Thread.Pitch ?? 0;

    private static Thread? Conduit(string s) =>
        ConduitSize().Match(s) is { Success: true } m ? Listed(ThreadForm.Conduit, m.Groups[1].Value) : null;

    private static Thread? Round(string s)
    {
        if (RoundSize().Match(s) is not { Success: true } m) return null;
        double diameter = Number(m.Groups["d"].Value);
        Thread? read = m.Groups["n"].Success
            ? new() { Form = ThreadForm.Round, Diameter = diameter, Pitch = Inch / Number(m.Groups["n"].Value) }
            : ThreadTables.All.FirstOrDefault(l => l.Thread.Form == ThreadForm.Round && l.Thread.Diameter == diameter)?.Thread;
        return read is null ? null : read with { Class = m.Groups["class"].Value };
    }

    // G 1/2 A, R 1/2, Rc 1/2.
    private static Thread? Pipe(string s)
    {
        if (PipeSizeOf().Match(s) is not { Success: true } m) return null;
        ThreadForm form = m.Groups["form"].Value.Equals("G", StringComparison.OrdinalIgnoreCase) ? ThreadForm.PipeParallel : ThreadForm.PipeTaper;
        return Listed(form, m.Groups["size"].Value) is { } t ? t with { Class = m.Groups["class"].Value.ToUpperInvariant() } : null;
    }

    // 1/2-13 UNC-2A, #10-32, 3/4 NPT, 1-5 ACME: size, threads per inch, form.
    private static Thread? PerInchOf(string s)
    {
        if (PerInchSize().Match(s) is not { Success: true } m) return null;
        string word = Spaces().Replace(m.Groups["form"].Value.ToUpperInvariant(), " "), size = m.Groups["size"].Value.Trim();
        ThreadForm form = word switch
        {
            "NPT" => ThreadForm.PipeTaper60,
            "NPTF" => ThreadForm.PipeTaper60Dry,
            "ACME" => ThreadForm.Acme,
            "STUB ACME" => ThreadForm.StubAcme,
            _ => ThreadForm.Unified,
        };
        string name = m.Groups["class"].Value.ToUpperInvariant();
        double? perInch = m.Groups["n"].Success ? Number(m.Groups["n"].Value) : null;
        if (form is ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry)
            return Listed(form, size) is { } t && !(Math.Abs(t.PerInch - (perInch ?? t.PerInch)) > 1e-3) ? t with { Class = name } : null;
        if (ThreadTables.InchSize(size.Replace(' ', '-')) is not { } diameter) return null;
        string series = word is "UNC" or "UNF" or "UNEF" ? word : "";
        perInch ??= ThreadTables.All.FirstOrDefault(
            l => l.Thread.Form == form && Math.Abs(l.Thread.Diameter - diameter) < 1e-6 && (form != ThreadForm.Unified || l.Series == series))
            ?.Thread.PerInch;
        if (perInch is not > 0) return null;
        Thread read = new() { Form = form, Diameter = diameter, Pitch = Inch / perInch.Value, Class = name };

        // A series that is said must be the one the pair belongs to.
        return series.Length > 0 && SeriesOf(read) != series ? null : read;
    }

    private static Thread? Listed(ThreadForm form, string size) =>
        ThreadTables.All.FirstOrDefault(l => l.Thread.Form == form && l.Size == size.Replace(' ', '-'))?.Thread;

    // A pipe thread is called by its pipe; one that no standard lists by its diameter.
    private static string PipeSize(Thread t) => ThreadTables.Find(t)?.Size ?? $" Ø{Plain(t.Diameter)}×{Plain(t.Pitch)}";

    private static string InchText(double mm)
    {
        double number = ((mm / Inch) - 0.06) / 0.013;
        return mm < 6 && Math.Abs(number - Math.Round(number)) < 1e-4 && number is > -0.5 and < 12.5 ? $"#{Math.Round(number)}" : Fraction(mm / Inch);
    }

    private static string Plain(double value) => Math.Round(value, 4).ToString(CultureInfo.InvariantCulture);

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    private const string Class = @"(?:[ -]+(?<class>\d[a-zA-Z](?:\d[a-zA-Z])?))?$";

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();

    [GeneratedRegex(@"[ -]+(LH|left(?:-hand)?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Left();

    [GeneratedRegex(@"[ -]+(\d{1,2}) ?(?:starts?|st)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Starts();

    [GeneratedRegex(
        @"^(?<form>MF?|TR|S) ?(?<d>\d+\.?\d*)(?: ?x ?(?:Ph ?)?(?<lead>\d*\.?\d+)(?: ?\(?P ?(?<p>\d*\.?\d+)\)?)?)?" + Class,
        RegexOptions.IgnoreCase)]
    private static partial Regex Metric();

    [GeneratedRegex(@"^Pg ?(\d+\.?\d*)$", RegexOptions.IgnoreCase)]
    private static partial Regex ConduitSize();

    [GeneratedRegex(@"^Rd ?(?<d>\d+\.?\d*)(?: ?x ?1/(?<n>\d+\.?\d*)""?)?" + Class, RegexOptions.IgnoreCase)]
    private static partial Regex RoundSize();

    [GeneratedRegex(@"^(?<form>G|Rc|R) ?(?<size>\d+(?:[ -]\d+/\d+|/\d+)?)""?(?:[ -]*(?<class>[ABab]))?$", RegexOptions.IgnoreCase)]
    private static partial Regex PipeSizeOf();

    [GeneratedRegex(
        @"^(?<size>#\d+|\d+[ -]\d+/\d+|\d+/\d+|\d*\.\d+|\d+)""?(?: ?[-x] ?(?<n>\d+\.?\d*))?(?: ?-?(?<form>UNC|UNF|UNEF|UNS|UN|NPTF|NPT|Stub ACME|ACME))?"
            + @"(?:[ -]+(?<class>\d[a-zA-Z]))?$",
        RegexOptions.IgnoreCase)]
    private static partial Regex PerInchSize();
}
