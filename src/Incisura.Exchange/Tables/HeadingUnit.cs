using System.Text.RegularExpressions;

namespace Incisura.Exchange.Tables;

/// <summary>The unit that a heading of a column names, as in DC [mm], x (in), OAL in, x in mm.</summary>
public static partial class HeadingUnit
{
    /// <summary>Parts a heading into its name and its unit.</summary>
    /// <param name="heading">The heading.</param>
    /// <returns>The name without the unit, and millimetres per unit: 25.4, 1, or null where none is named.</returns>
    public static (string Name, double? MillimetresPerUnit) Of(string heading)
    {
        Match unit = AtEnd().Match(heading);
        if (!unit.Success) return (heading, null);
        double? per = unit.Groups["unit"].Value.ToLowerInvariant() switch
        {
            "mm" => 1,
            "in" or "inch" or "inches" or "\"" or "″" => Core.Quantities.Units.MillimetresPerInch,
            _ => null,
        };
        return (heading[..unit.Index], per);
    }

    [GeneratedRegex(
        @"[\s,]*[\[(]\s*(in\s+)?(?<unit>mm|in|inch|inches|""|″|°|µm|μm|rev/min|deg)\s*[\])]\s*$|\s+(in\s+)?(?<unit>mm|inch|inches|in)\s*$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex AtEnd();
}
