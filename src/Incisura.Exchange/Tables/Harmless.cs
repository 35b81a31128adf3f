namespace Incisura.Exchange.Tables;

/// <summary>
/// Texts that a spreadsheet would take for a formula are written with an apostrophe in front, and read without it, so that nothing
/// in a table is ever run and nothing is lost on the way out and in again.
/// </summary>
public static class Harmless
{
    private const string Starts = "=+-@\t\r";

    public static string Write(string text) =>
        LooksLikeFormula(text) || (text.StartsWith('\'') && LooksLikeFormula(text.TrimStart('\''))) ? "'" + text : text;

    public static string Read(string text) => text.StartsWith('\'') && LooksLikeFormula(text.TrimStart('\'')) ? text[1..] : text;

    public static bool LooksLikeFormula(string text) => text.Length > 0 && Starts.Contains(text[0], StringComparison.Ordinal);
}
