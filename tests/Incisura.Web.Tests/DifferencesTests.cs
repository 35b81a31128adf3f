namespace Incisura.Web.Tests;

public class DifferencesTests
{
    private static string[] Of(string before, string after) => [.. Differences.Of(before, after).Select(d => $"{d.Field}: {d.From} > {d.To}")];

    [Fact]
    public void Fields_are_told_by_their_paths_with_what_they_were_and_are()
    {
        Assert.Equal(["a: 1 > 2", "b.c: \"x\" > \"y\""], Of("""{"a":1,"b":{"c":"x","d":3}}""", """{"a":2,"b":{"c":"y","d":3}}"""));
        Assert.Equal(["new:  > true", "old: null > "], Of("""{"same":1,"old":null}""", """{"same":1,"new":true}"""));
        Assert.Empty(Of("""{"a":[1,2],"b":{}}""", """{"b":{},"a":[1,2]}"""));
        Assert.Equal(["a: [1,2] > [2,1]"], Of("""{"a":[1,2]}""", """{"a":[2,1]}"""));
        Assert.Equal(["a:  > 1"], Of("", """{"a":1}"""));
    }

    [Fact]
    public void Elements_of_a_list_are_told_by_what_they_are_called_wherever_they_stand()
    {
        string Row(string operation, double speed) =>
            $$"""{"family":"mill","cuttingMaterial":"carbide","subGroup":"P2","operation":"{{operation}}","cuttingSpeed":{{speed}}}""";
        Assert.Equal(
            ["rows[mill, carbide, P2, face].cuttingSpeed: 200 > 180"],
            Of($$"""{"rows":[{{Row("slot", 100)}},{{Row("face", 200)}}]}""", $$"""{"rows":[{{Row("face", 180)}},{{Row("slot", 100)}}]}"""));
        Assert.Equal(
            ["feeds[8].feed: 0.1 > ", "feeds[8].diameter: 8 > "],
            Of("""{"feeds":[{"feed":0.1,"diameter":8},{"feed":0.2,"diameter":12}]}""", """{"feeds":[{"feed":0.2,"diameter":12}]}"""));

        // Two of one name cannot be told apart, so that the list is one value.
        Assert.Single(Of("""{"feeds":[{"diameter":8},{"diameter":8}]}""", """{"feeds":[{"diameter":8},{"diameter":9},{"diameter":8}]}"""));
    }
}
