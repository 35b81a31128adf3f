using System.Globalization;
using Incisura.Core.Cutters;
using Incisura.Core.Threads;

namespace Incisura.Core.Library;

/// <summary>A cutter in a list, with what the rest of the library says of it.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Cutter">The cutter.</param>
/// <param name="Assemblies">Shop numbers of the assemblies it is in.</param>
/// <param name="Machines">Names of the machines it stands in.</param>
/// <param name="Approved">How many approved records rest on it.</param>
public sealed record ListedCutter(int Id, Cutter Cutter, IReadOnlyList<string> Assemblies, IReadOnlyList<string> Machines, int Approved);

/// <summary>How cutters are searched, narrowed and sorted.</summary>
public static class CutterListing
{
    /// <summary>Words for the cutting materials.</summary>
    public static string WordsOf(CuttingMaterial material) => material switch
    {
        CuttingMaterial.Carbide => "carbide",
        CuttingMaterial.HighSpeedSteel => "HSS",
        CuttingMaterial.PowderSteel => "powder HSS",
        CuttingMaterial.Cermet => "cermet",
        CuttingMaterial.Ceramic => "ceramic",
        CuttingMaterial.BoronNitride => "CBN",
        _ => "diamond",
    };

    /// <summary>The rules.</summary>
    public static ListingRules<ListedCutter> Rules { get; } = new(
        c => c.Cutter.Number,
        FactsOf,
        [
            new("family", c => [Code(c.Cutter.Family)]),
            new("group", c => c.Cutter.Groups.Select(g => g.ToString())),
            new("material", c => [Code(c.Cutter.Material)]),
            new("size", c => [Band(c.Cutter.CalledSize)]),
            new(
                "reach",
                c =>
                    Reach(c.Cutter) is var r && double.IsNaN(r)
                        ? []
                        : [r >= SearchText.LongFrom ? "long" : r <= SearchText.ShortUntil ? "short" : "usual"]),
            new("machine", c => c.Machines),
            new("data", c => [c.Approved > 0 ? "approved" : "none"]),
            new("use", c => [c.Assemblies.Count > 0 ? "assembled" : "loose"]),
            new("state", c => [c.Cutter.Retired ? "retired" : "inUse"]),
        ],
        KeyOf);

    /// <summary>A cutter in words: Ø12 z4 square end mill.</summary>
    public static string WordsOf(Cutter c)
    {
        string size = c.CalledSize.ToString("0.###", CultureInfo.InvariantCulture);
        return c.Described switch
        {
            { } f when c.TapThread is { } thread => $"{thread} {f.Name}",
            { Shank: ShankForm.Blade } f => $"{f.Name}, {size} wide",
            { Code: CutterFamily.ThreadTurningTool or CutterFamily.InsideThreadTurningTool } f =>
                $"{f.Name}, shank {size}, {c[Dimension.ProfileAngle]:0.#}°, pitch {PitchesOf(c)}",
            { Use: CutterUse.Turning } f when f.Has(Dimension.CuttingWidth) =>
                string.Create(CultureInfo.InvariantCulture, $"{f.Name}, shank {size}, {c[Dimension.CuttingWidth]:0.###} wide"),
            { Use: CutterUse.Turning } f => $"{f.Name}, shank {size}{(f.Picks.Count > 0 ? ", insert " + c.Picked("insert") : "")}",
            { Use: CutterUse.Milling } f when f.Has(Dimension.Teeth) => $"Ø{size} z{c.Teeth} {f.Name}",
            { } f => $"Ø{size} {f.Name}",
        };
    }

    private static string PitchesOf(Cutter c) => c[Dimension.LargestPitch] > c[Dimension.Pitch]
        ? string.Create(CultureInfo.InvariantCulture, $"{c[Dimension.Pitch]:0.###} to {c[Dimension.LargestPitch]:0.###}")
        : c[Dimension.Pitch].ToString("0.###", CultureInfo.InvariantCulture);

    private static SearchFacts FactsOf(ListedCutter listed)
    {
        Cutter c = listed.Cutter;
        IEnumerable<string> picks = c.Described.Picks.SelectMany(
            p => SearchWords.Split(p.Picks.FirstOrDefault(o => o.Code == c.Picked(p.Code))?.Words ?? ""));
        return new()
        {
            Words =
                [.. SearchWords.Of(c).Concat(
                    SearchWords.Split($"{c.Coating} {c.Grade} {string.Join(' ', listed.Machines)}")).Concat(picks).Concat(c.Hand == Hand.Left
                        ? ["left"]
                        : []).Concat(c.ThroughCoolant
                        ? ["coolant", "through", "innenkuehlung", "ik"]
                        : []).Distinct()],
            Numbers = [c.Number, .. listed.Assemblies],
            Text = SearchWords.Plain($"{c.Remarks} {c.Coating} {c.Grade}"),
            Sizes = double.IsNaN(c.CalledSize) ? [] : [c.CalledSize],
            Radius = c.Family == CutterFamily.BallEndMill ? c.CalledSize / 2 : c[Dimension.CornerRadius],
            Teeth = c.Described.Has(Dimension.Teeth) ? c.Teeth : 0,
            Slenderness = Reach(c),
            Pitch = c[Dimension.Pitch],
        };
    }

    private static double Reach(Cutter c) => c.UsableLength / c.CuttingDiameter;

    private static string Band(double size) =>
        size switch { <= 3 => "0-3", <= 6 => "3-6", <= 10 => "6-10", <= 16 => "10-16", <= 25 => "16-25", <= 50 => "25-50", _ => "50-" };

    private static IComparable? KeyOf(ListedCutter c, string column) => column switch
    {
        "family" => c.Cutter.Described.Name,
        "material" => WordsOf(c.Cutter.Material),
        "coating" => c.Cutter.Coating,
        "size" => c.Cutter.CalledSize,
        "approved" => c.Approved,
        _ => Dimension.Find(column) is { } d ? c.Cutter[d] : null,
    };

    /// <summary>A value of an enumeration as the wire writes it.</summary>
    internal static string Code<TEnum>(TEnum value)
        where TEnum : struct, Enum => char.ToLowerInvariant(value.ToString()[0]) + value.ToString()[1..];
}
