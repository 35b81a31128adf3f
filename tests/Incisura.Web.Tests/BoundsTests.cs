using System.Net;
using System.Text.Json;

namespace Incisura.Web.Tests;

/// <summary>What the API's description says of lengths and ranges, and that it is kept to.</summary>
public sealed class BoundsTests(SharedWorkshop workshop)
{
    private async Task<JsonElement> SchemasAsync()
    {
        using HttpClient http = workshop.CreateClient();
        using JsonDocument document = JsonDocument.Parse(await http.GetStringAsync("/api/v1/openapi.json", TestContext.Current.CancellationToken));
        return document.RootElement.GetProperty("components").GetProperty("schemas").Clone();
    }

    [Theory]
    [InlineData("Holder", "runOut", 0, 500)]
    [InlineData("Machine", "efficiency", 0.2, 1)]
    [InlineData("WorkMaterial", "chipExponent", 0, 0.6)]
    public async Task Ranges_are_those_the_checks_keep(string type, string member, double least, double most)
    {
        JsonElement said = (await SchemasAsync()).GetProperty(type).GetProperty("properties").GetProperty(member);
        Assert.Equal((least, most), (said.GetProperty("minimum").GetDouble(), said.GetProperty("maximum").GetDouble()));
    }

    [Fact]
    public async Task A_range_that_follows_other_members_is_not_said_as_if_it_were_fixed() =>
        Assert.False((await SchemasAsync()).GetProperty("LabelSheet").GetProperty("properties").GetProperty("used").TryGetProperty("maximum", out _));

    [Fact]
    public async Task Every_text_and_every_list_that_is_sent_has_a_length()
    {
        JsonElement schemas = await SchemasAsync();
        foreach (string type in new[] { "Cutter", "Holder", "CalculationRequest", "NewPerson", "ManyRequest", "ProfileRequest", "NewComment" })
            foreach (JsonProperty member in schemas.GetProperty(type).GetProperty("properties").EnumerateObject())
            {
                string text = member.Value.ToString();
                if (text.Contains("\"string\"", StringComparison.Ordinal) && !text.Contains("\"array\"", StringComparison.Ordinal))
                    Assert.Matches("maxLength|enum|format|additionalProperties", text);
                if (text.Contains("\"array\"", StringComparison.Ordinal)) Assert.Contains("maxItems", text, StringComparison.Ordinal);
            }
    }

    [Fact]
    public async Task What_is_longer_than_the_description_says_is_refused_before_it_costs_anything()
    {
        Caller maren = await workshop.SignInAsync("maren");
        (await maren.PostAsync("/library/cutters/many/preview", new { ids = new int[5001], changes = new { } })).Expect(HttpStatusCode.BadRequest);
        Dictionary<string, double> numbers = Enumerable.Range(0, 501).ToDictionary(i => $"n{i}", i => 1.0);
        Answer refused = (await maren.PostAsync("/calculations/slot", new { materialId = 1, assemblyId = 6, machineId = 1, numbers }))
            .Expect(HttpStatusCode.BadRequest);
        Assert.Equal("$.numbers", refused["field"].GetString());
        (await maren.PostAsync("/library/views", new { list = "cutters", name = "x", query = new string('x', 5001) }))
            .Expect(HttpStatusCode.BadRequest);
    }
}
