namespace Incisura.Core.Quantities;

/// <summary>Rounding for figures that people dial in.</summary>
public static class ShopRounding
{
    /// <summary>The value rounded down to three significant digits, so that a value held to a limit stays inside it.</summary>
    /// <param name="value">A finite value above 0.</param>
    public static double Down(double value)
    {
        // Steps above 1 are whole; below it the scale is, so that neither rounds away from the decimal number meant.
        double exponent = 2 - Math.Floor(Math.Log10(value));
        if (exponent <= 0) return Math.Floor(value / Math.Pow(10, -exponent)) * Math.Pow(10, -exponent);
        double scale = Math.Pow(10, exponent);
        return Math.Floor(value * scale) / scale;
    }
}
