using System.Net;
using System.Text;

namespace Incisura.Web.Tests;

public sealed class CalculationTests(SharedWorkshop workshop)
{
    private static object Request(object? numbers = null, object? options = null) =>
        new { materialId = 1, assemblyId = 6, machineId = 1, numbers, options };

    [Fact]
    public async Task The_same_question_gets_the_same_bits()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer first = await maren.PostAsync("/calculations/side-rough?explain=true", Request(new { widthOfCut = 2.4 }));
        Answer second = await maren.PostAsync("/calculations/side-rough?explain=true", Request(new { widthOfCut = 2.4 }));
        Assert.Equal(first.Json.GetRawText(), second.Json.GetRawText());
        Assert.NotEmpty(first["steps"].EnumerateArray());
    }

    [Theory]
    [InlineData("""{"widthOfCut":-1}""", "widthOfCut")]
    [InlineData("""{"widthOfCut":0}""", "widthOfCut")]
    [InlineData("""{"depthOfCut":1e308}""", "depthOfCut")]
    [InlineData("""{"cuttingSpeed":1e-300}""", "cuttingSpeed")]
    [InlineData("""{"sidewaysness":1}""", "sidewaysness")]
    public async Task A_value_out_of_range_names_its_field_and_what_is_allowed(string numbers, string field)
    {
        Caller maren = await workshop.SignInAsync("maren");
        string body = $$"""{"materialId":1,"assemblyId":6,"machineId":1,"numbers":{{numbers}}}""";
        Answer refused = (await maren.SendAsync(
            HttpMethod.Post, "/calculations/side-rough",
            new StringContent(body, Encoding.UTF8, "application/json"))).Expect(HttpStatusCode.UnprocessableEntity);
        Assert.Equal([field], refused.FaultFields);
    }

    [Theory]
    [InlineData("""{"materialId":1,"assemblyId":6,"machineId":1,"numbers":{"widthOfCut":"wide"}}""")]
    [InlineData("""{"materialId":1,"assemblyId":6,"machineId":1,"numbers":{"widthOfCut":1e999}}""")]
    [InlineData("""{"materialId":1.5,"assemblyId":6,"machineId":1}""")]
    [InlineData("[]")]
    public async Task A_body_of_another_shape_is_refused_in_words(string body)
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer answer = await maren.SendAsync(
            HttpMethod.Post, "/calculations/side-rough", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.True(answer.Status is HttpStatusCode.BadRequest or HttpStatusCode.UnprocessableEntity, answer.Status.ToString());
        Assert.NotEmpty(answer.Detail);
    }

    [Fact]
    public async Task Unknown_identities_and_operations_are_named()
    {
        Caller maren = await workshop.SignInAsync("maren");
        Answer refused = await maren.PostAsync("/calculations/side-rough", new { materialId = 999, assemblyId = 998, machineId = 997 });
        Assert.Equal(["materialId", "assemblyId", "machineId"], refused.Expect(HttpStatusCode.UnprocessableEntity).FaultFields);
        (await maren.PostAsync("/calculations/whittle", Request())).Expect(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_body_of_ten_megabytes_is_refused_early()
    {
        Caller maren = await workshop.SignInAsync("maren");
        string body = "{\"materialId\":1,\"assemblyId\":6,\"machineId\":1,\"options\":{\"chip\":\"" + new string('x', 10_000_000) + "\"}}";
        Answer refused = await maren.SendAsync(
            HttpMethod.Post, "/calculations/side-rough", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.NotEqual(HttpStatusCode.OK, refused.Status);
        Assert.InRange((int)refused.Status, 400, 499);
    }

    [Fact]
    public async Task Every_operation_of_the_catalogue_answers_for_every_assembly_of_the_demo()
    {
        Caller maren = await workshop.SignInAsync("maren");
        int answered = 0;
        foreach (var operation in (await maren.GetAsync("/operations")).Json.EnumerateArray())
            foreach (var family in operation.GetProperty("families").EnumerateArray())
                foreach (
                    var assembly in (await maren.GetAsync($"/library/assemblies?family={family.GetString()}&take=3"))["rows"]
                        .EnumerateArray()
                        .Select(r => r.GetProperty("sheet")))
                {
                    Answer answer = await maren.PostAsync(
                        $"/calculations/{operation.GetProperty("code").GetString()}",
                        new { materialId = 2, assemblyId = assembly.GetProperty("id").GetInt32(), machineId = 1 });

                    // What the chart has no row for asks for its figures by name; nothing else may be in the way.
                    if (answer.Status == HttpStatusCode.UnprocessableEntity)
                        Assert.All(
                            answer.FaultFields,
                            f => Assert.Contains(f, (string[])["cuttingSpeed", "feedPerRevolution", "feedPerTooth", "widthOfCut", "depthOfCut"]));
                    else
                    {
                        answer.Expect(HttpStatusCode.OK);
                        Assert.NotEmpty(answer["limits"].EnumerateArray());
                        answered++;
                    }
                }

        Assert.True(answered > 40, $"{answered} answered");
    }
}
