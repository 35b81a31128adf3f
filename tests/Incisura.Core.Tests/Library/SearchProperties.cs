using CsCheck;
using Incisura.Core.Cutters;
using Incisura.Core.Library;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests.Library;

public class SearchProperties
{
    private static Gen<T> One<T>(params T[] of) => Gen.Int[0, of.Length - 1].Select(i => of[i]);

    private static readonly Gen<ListedCutter> AnyCutter =
        from family in Gen.Enum<CutterFamily>()
        from id in Gen.Int[1, 100_000]
        from size in Gen.Double[0.5, 60]
        from coating in One("TiN", "AlTiN", "DLC", "")
        from groups in Gen.Enum<MaterialGroup>().Array[1, 4]
        from machines in One("Brindle", "Tansy", "Morrow").Array[0, 2]
        from approved in Gen.Int[0, 2]
        from retired in Gen.Bool
        select new ListedCutter(
            id,
            new()
            {
                Number = $"C-{id}",
                Family = family,
                Dimensions = new Dictionary<string, double>(Families.Of(family).Start) { [Families.Of(family).CalledBy] = size },
                Coating = coating,
                Groups = [.. groups.Distinct()],
                Retired = retired,
            },
            [],
            [.. machines.Distinct()],
            approved);

    private static readonly Gen<ListQuery> AnyQuery =
        from iso in One("", "P", "K|N", "no such")
        from data in One("", "approved", "none")
        from state in One("", "inUse", "retired", "inUse|retired")
        from sort in One("", "size", "LU", "family", "coating", "approved", "no such column")
        from down in Gen.Bool
        from text in One("", "mill", "tin", "drill c-1", "z4")
        select new ListQuery
        {
            Text = text,
            Sort = sort,
            Descending = down,
            Take = int.MaxValue,
            Filters = new[] { ("group", iso), ("data", data), ("state", state) }
                .Where(f => f.Item2.Length > 0)
                .ToDictionary(f => f.Item1, f => (IReadOnlyList<string>)f.Item2.Split('|')),
        };

    [Fact]
    public void The_fast_list_answers_as_a_plain_one_would() => Gen.Select(AnyCutter.Array[0, 60], AnyQuery).Sample((cutters, query) =>
    {
        cutters = [.. cutters.DistinctBy(c => c.Id)];
        Listing<ListedCutter> list = new(cutters, CutterListing.Rules);
        ListAnswer<ListedCutter> answer = list.Ask(query);
        SearchFacts[] facts = [.. cutters.Select(CutterListing.Rules.Facts)];
        SearchText text = SearchText.Read(query.Text, facts, SearchText.VocabularyOf(facts));
        HashSet<int> plain = [.. cutters.Where(c => Fits(c, query, text)).Select(c => c.Id)];
        bool same = answer.Total == plain.Count && answer.Rows.All(r => plain.Contains(r.Id))
            && answer.Rows.DistinctBy(r => r.Id).Count() == answer.Total;
        bool counted = answer.Counts["family"].Sum(c => c.Count) == plain.Count;
        return same && counted && answer.All == cutters.Length;
    });

    [Fact]
    public void A_list_made_from_an_earlier_one_answers_the_same() =>
        Gen.Select(AnyCutter.Array[1, 30], AnyCutter.Array[1, 30], AnyQuery).Sample((before, added, query) =>
    {
        ListedCutter[] all = [.. before.Concat(added).DistinctBy(c => c.Id)];
        Listing<ListedCutter> earlier = new([.. before.DistinctBy(c => c.Id)], CutterListing.Rules);
        ListAnswer<ListedCutter> fresh = new Listing<ListedCutter>(all, CutterListing.Rules).Ask(query),
            taken = new Listing<ListedCutter>(all, CutterListing.Rules, earlier).Ask(query);
        return fresh.Rows.SequenceEqual(taken.Rows) && fresh.Total == taken.Total;
    });

    [Fact]
    public void Nothing_that_is_typed_breaks_the_search() => Gen.String[0, 30].Sample(text =>
    {
        Listing<ListedCutter> list = new([new(1, Sample.Cutter, [], [], 0)], CutterListing.Rules);
        return list.Ask(new() { Text = text }).Total is 0 or 1;
    });

    [Fact]
    public void Every_cutter_is_found_by_its_number_and_by_its_size() => AnyCutter.Sample(c =>
    {
        Listing<ListedCutter> list = new([c], CutterListing.Rules);
        string size = c.Cutter.CalledSize.ToString("0.###", System.Globalization.CultureInfo.InvariantCulture);
        return list.Ask(new() { Text = c.Cutter.Number.ToLowerInvariant() }).Total == 1 && list.Ask(new() { Text = "Ø" + size }).Total == 1
            && list.Ask(new() { Text = size + "mm" }).Total == 1;
    });

    [Fact]
    public void Duplicates_never_share_a_cutter_between_groups() => AnyCutter.Array[0, 40].Sample(cutters =>
    {
        IReadOnlyList<LikelyDuplicates> found = Duplicates.Of(cutters.DistinctBy(c => c.Id).Select(c => (c.Id, c.Cutter)));
        int[] ids = [.. found.SelectMany(f => f.Ids)];
        return ids.Distinct().Count() == ids.Length && found.All(f => f.Ids.Count > 1);
    });

    private static bool Fits(ListedCutter c, ListQuery query, SearchText text) =>
        query.Filters.All(f => CutterListing.Rules.Facets.Single(x => x.Code == f.Key).Values(c).Intersect(f.Value).Any())
        && text.Finds(CutterListing.Rules.Facts(c));
}
