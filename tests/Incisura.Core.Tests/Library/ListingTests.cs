using Incisura.Core.Cutters;
using Incisura.Core.Library;
using Incisura.Core.Materials;
using Incisura.Core.Quantities;

namespace Incisura.Core.Tests.Library;

public class ListingTests
{
    private static readonly ListedCutter[] Shelf =
    [
        Listed(1, "C-9", CutterFamily.SquareEndMill, 12, "TiN", machines: ["Mill"], approved: 2),
        Listed(2, "C-10", CutterFamily.BallEndMill, 6, "AlTiN", lu: 40),
        Listed(3, "C-11", CutterFamily.BallEndMill, 12.7, "AlTiN"),
        Listed(4, "T-1", CutterFamily.CuttingTap, 10, "TiCN"),
        Listed(5, "C-12", CutterFamily.SquareEndMill, 12, "DLC", groups: [MaterialGroup.N]),
        Listed(6, "C-1012", CutterFamily.CornerRadiusEndMill, 8, ""),
    ];

    private static readonly Listing<ListedCutter> List = new(Shelf, CutterListing.Rules);

    private static ListedCutter Listed(
        int id, string number, CutterFamily family, double size, string coating, double lu = 0, MaterialGroup[]? groups = null,
        string[]? machines = null, int approved = 0)
    {
        Dictionary<string, double> dimensions = new(Families.Of(family).Start) { [Families.Of(family).CalledBy] = size };
        if (lu > 0) (dimensions["LU"], dimensions["LCF"]) = (lu, 6);
        return new(
            id,
            new()
            {
                Number = number,
                Family = family,
                Dimensions = dimensions,
                Coating = coating,
                Groups = groups ?? [MaterialGroup.P, MaterialGroup.M],
            },
            [], machines ?? [], approved);
    }

    private static IEnumerable<string> Find(string text, params (string Facet, string Value)[] filters) =>
        List.Ask(new() { Text = text, Filters = filters.ToDictionary(f => f.Facet, f => (IReadOnlyList<string>)[.. f.Value.Split('|')]) }).Rows
            .Select(r => r.Cutter.Number);

    [Theory]
    [InlineData("Ø12", "C-9 C-12")]
    [InlineData("12mm", "C-9 C-12")]
    [InlineData("12", "C-9 C-12")]
    [InlineData("101", "C-1012")]
    [InlineData("1/2\"", "C-11")]
    [InlineData("0.5in", "C-11")]
    [InlineData("ball 6 long", "C-10")]
    [InlineData("ball short", "C-11")]
    [InlineData("bal mill", "C-10 C-11")]
    [InlineData("sqare", "C-9 C-12")]
    [InlineData("M10", "T-1")]
    [InlineData("m10x1.5", "T-1")]
    [InlineData("z4 tin", "C-9")]
    [InlineData("r1", "C-1012")]
    [InlineData("r3", "C-10")]
    [InlineData("c-1", "C-10 C-11 C-12 C-1012")]
    [InlineData("nothing like this", "")]
    [InlineData("", "C-9 C-10 C-11 C-12 C-1012 T-1")]
    [InlineData("1/0", "")]
    public void Search_forgives(string text, string numbers) => Assert.Equal(numbers.Split(' ', StringSplitOptions.RemoveEmptyEntries), Find(text));

    [Fact]
    public void A_facet_counts_and_filters_any_number_of_values()
    {
        ListedCutter[] many =
            [.. Enumerable.Range(0, 150).Select(
                i => Listed(i, $"C-{i}", CutterFamily.SquareEndMill, 12, "TiN", machines: [$"Mill {i % 76}", "Shared"]))];
        Listing<ListedCutter> list = new(many, CutterListing.Rules);
        ListAnswer<ListedCutter> all = list.Ask(new());
        Assert.Equal(77, all.Counts["machine"].Count);
        Assert.All(all.Counts["machine"], c => Assert.Equal(many.Count(m => m.Machines.Contains(c.Value)), c.Count));
        Assert.All(
            all.Counts["machine"],
            c =>
                Assert.Equal(c.Count, list.Ask(new() { Filters = new Dictionary<string, IReadOnlyList<string>> { ["machine"] = [c.Value] } }).Total));
        Assert.Equal(0, list.Ask(new() { Filters = new Dictionary<string, IReadOnlyList<string>> { ["machine"] = ["Mill 76"] } }).Total);
    }

    [Fact]
    public void A_mended_word_is_told() => Assert.Equal("“sqare” was taken for “square”", Assert.Single(List.Ask(new() { Text = "sqare" }).Mended));

    [Fact]
    public void Filters_keep_one_of_their_values_and_all_of_each_other()
    {
        Assert.Equal(["C-9", "C-12", "C-1012"], Find("", ("family", "squareEndMill|cornerRadiusEndMill")));
        Assert.Equal(["C-9"], Find("", ("family", "squareEndMill"), ("group", "P")));
        Assert.Equal(["C-9"], Find("", ("data", "approved")));
        Assert.Empty(Find("", ("machine", "no such machine")));
    }

    [Fact]
    public void A_count_says_what_choosing_the_value_would_leave()
    {
        ListAnswer<ListedCutter> answer = List.Ask(
            new() { Filters = new Dictionary<string, IReadOnlyList<string>> { ["family"] = ["squareEndMill"] } });
        Assert.Equal(2, answer.Total);
        foreach ((string facet, IReadOnlyList<FacetCount> counts) in answer.Counts)
            foreach (FacetCount c in counts)
                Assert.Equal(
                    c.Count, facet == "family"
                        ? Find("", (facet, c.Value)).Count()
                        : Find("", ("family", "squareEndMill"), (facet, c.Value)).Count());
    }

    [Fact]
    public void Any_column_sorts_both_ways_and_pages_make_up_the_whole()
    {
        IEnumerable<double> sizes = List.Ask(new() { Sort = "DC" }).Rows.Select(r => r.Cutter[Dimension.CuttingDiameter]).Where(double.IsFinite);
        Assert.Equal(sizes.Order(), sizes);
        Assert.Equal(
            List.Ask(new() { Sort = "size" }).Rows.Reverse().Select(r => r.Id),
            List.Ask(new() { Sort = "size", Descending = true }).Rows.Select(r => r.Id));
        Assert.Equal(List.Ask(new()).Rows, Enumerable.Range(0, 3).SelectMany(i => List.Ask(new() { Skip = 2 * i, Take = 2 }).Rows));
    }

    [Fact]
    public void Sizes_can_be_bounded() =>
        Assert.Equal(["C-10", "C-1012"], List.Ask(new() { LeastSize = 6, LargestSize = 8 }).Rows.Select(r => r.Cutter.Number));

    [Fact]
    public void Likely_duplicates_are_found_with_what_differs()
    {
        Cutter a = Shelf[0].Cutter, slightly = a.With(Dimension.OverallLength, a.OverallLength * 1.002) with { Number = "X", Coating = "none" },
            longer = a.With(Dimension.OverallLength, a.OverallLength * 1.1);
        LikelyDuplicates found = Assert.Single(Duplicates.Of([(1, a), (2, slightly), (3, longer), (4, a with { Retired = true })]));
        Assert.Equal([1, 2], found.Ids);
        Assert.Equal(["OAL", "coating"], found.Differing);
    }

    [Theory]
    [InlineData("12", 12)]
    [InlineData("12,5", 12.5)]
    [InlineData(".5 in", 12.7)]
    [InlineData("3/8", 9.525)]
    [InlineData("1-1/2\"", 38.1)]
    [InlineData("1 1/2", 38.1)]
    [InlineData("125 thou", 3.175)]
    [InlineData("2 cm", 20)]
    public void Lengths_of_tables_are_read(string text, double mm)
    {
        Assert.True(LengthText.TryRead(text, out double read));
        Assert.Equal(mm, read, 12);
    }

    [Theory]
    [InlineData("")]
    [InlineData("1/0")]
    [InlineData("twelve")]
    [InlineData("12 apples")]
    [InlineData("1/2/3")]
    public void What_is_no_length_is_not_read(string text) => Assert.False(LengthText.TryRead(text, out _));
}
