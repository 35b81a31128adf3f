using System.Globalization;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Core.Library;

/// <summary>A holder in a list.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Holder">The holder.</param>
/// <param name="Assemblies">Shop numbers of the assemblies it is in.</param>
public sealed record ListedHolder(int Id, Holder Holder, IReadOnlyList<string> Assemblies);

/// <summary>An assembly in a list.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Built">The assembly put together.</param>
/// <param name="Machines">Names of the machines it stands in.</param>
/// <param name="Approved">How many approved records rest on it.</param>
public sealed record ListedAssembly(int Id, BuiltAssembly Built, IReadOnlyList<string> Machines, int Approved);

/// <summary>How holders and assemblies are searched, narrowed and sorted.</summary>
public static class HolderListing
{
    /// <summary>The rules for holders.</summary>
    public static ListingRules<ListedHolder> Holders { get; } = new(
        h => h.Holder.Number,
        h => new()
        {
            Words =
                [.. SearchWords.Split(
                    $"{h.Holder.Kind} {h.Holder.Role} {h.Holder.Interface} "
                        + $"{(h.Holder.ThroughCoolant ? "through coolant" : "")}").Concat(German(h.Holder)).Distinct()],
            Numbers = [h.Holder.Number, .. h.Assemblies],
            Text = SearchWords.Plain(h.Holder.Remarks),
            Sizes = h.Holder.LeastClamping == h.Holder.LargestClamping ? [h.Holder.LargestClamping] : [.. WholeSizes(h.Holder)],
        },
        [
            new("role", h => [CutterListing.Code(h.Holder.Role)]),
            new("kind", h => [h.Holder.Kind]),
            new("interface", h => h.Holder.Interface.Length > 0 ? [h.Holder.Interface] : []),
            new("use", h => [h.Assemblies.Count > 0 ? "assembled" : "loose"]),
            new("state", h => [h.Holder.Retired ? "retired" : "inUse"]),
        ],
        (h, column) => column switch
        {
            "kind" => h.Holder.Kind,
            "interface" => h.Holder.Interface,
            "clamping" => h.Holder.LargestClamping,
            "gaugeLength" => h.Holder.GaugeLength,
            "largestSpeed" => h.Holder.LargestSpeed,
            "leastGrip" => h.Holder.LeastGrip,
            _ => null,
        });

    /// <summary>The rules for assemblies.</summary>
    public static ListingRules<ListedAssembly> Assemblies { get; } = new(
        a => a.Built.Definition.Number,
        a =>
        {
            SearchFacts cutter = CutterListing.Rules.Facts(new(0, a.Built.Cutter, [], [], 0));
            return cutter with
            {
                Words =
                    [.. cutter.Words.Concat(
                        SearchWords.Split(
                            $"{a.Built.Holder.Kind} "
                                + $"{a.Built.Holder.Interface} {string.Join(' ', a.Machines)}")).Concat(German(a.Built.Holder)).Distinct()],
                Numbers = [a.Built.Definition.Number, .. cutter.Numbers, a.Built.Holder.Number, .. a.Built.Extensions.Select(e => e.Number)],
                Text = $"{cutter.Text} {SearchWords.Plain(a.Built.Definition.StockPlace)}",
                Slenderness = a.Built.Definition.Projection / a.Built.Cutter.CuttingDiameter,
            };
        },
        [
            new("family", a => CutterListing.Rules.Facets[0].Values(Cutter(a))),
            new("group", a => CutterListing.Rules.Facets[1].Values(Cutter(a))),
            new("interface", a => [a.Built.Holder.Interface]),
            new("machine", a => a.Machines),
            new("data", a => [a.Approved > 0 ? "approved" : "none"]),
            new("state", a => [a.Built.Definition.Retired ? "retired" : "inUse"]),
        ],
        (a, column) => column switch
        {
            "size" => a.Built.Cutter.CalledSize,
            "teeth" => a.Built.Cutter.Teeth,
            "projection" => a.Built.Definition.Projection,
            "gaugeLength" => a.Built.GaugeLength,
            "family" => a.Built.Cutter.Described.Name,
            "stockPlace" => a.Built.Definition.StockPlace,
            _ => null,
        });

    // What the trade also calls a holder, by a word of its kind.
    private static readonly (string Kind, string Words)[] Trade =
    [
        ("collet", "spannzange spannzangenfutter chuck"), ("shrink", "schrumpffutter schrumpf"),
        ("hydraulic", "hydrodehnspannfutter dehnspannfutter chuck"), ("side-lock", "weldon"), ("arbor", "aufsteckdorn dorn"),
        ("tapping", "gewindeschneidfutter"), ("extension", "verlaengerung"), ("sleeve", "reduzierhuelse"), ("turret", "revolver"),
    ];

    private static IEnumerable<string> German(Holder h) =>
        Trade.Where(t => h.Kind.Contains(t.Kind, StringComparison.OrdinalIgnoreCase)).SelectMany(t => SearchWords.Split(t.Words));

    private static ListedCutter Cutter(ListedAssembly a) => new(0, a.Built.Cutter, [], [], 0);

    // A holder with a range is found by every whole size in it.
    private static IEnumerable<double> WholeSizes(Holder h) =>
        Enumerable.Range((int)Math.Ceiling(h.LeastClamping), Math.Max(0, (int)Math.Floor(h.LargestClamping) - (int)Math.Ceiling(h.LeastClamping) + 1))
            .Select(i => (double)i)
            .Append(h.LeastClamping)
            .Append(h.LargestClamping);
}
