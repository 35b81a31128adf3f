using System.Net;
using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Exchange.Editions;
using Incisura.Exchange.Paper;

namespace Incisura.Web.Tests;

/// <summary>Every operation, published and read as somebody who must now program it.</summary>
public sealed class PapersTests(Workshop workshop) : IClassFixture<Workshop>
{
    [Fact]
    public async Task Whatever_is_set_at_the_machine_is_told_wherever_an_edition_is_read()
    {
        (Caller maren, Caller ines) = (await workshop.SignInAsync("maren"), await workshop.SignInAsync("ines"));
        Dictionary<string, string> records = [];
        foreach (IOperation operation in Operations.All)
            if (await ApprovedAsync(maren, ines, operation.Description.Code) is { Length: > 0 } number) records[number] = operation.Description.Code;

        // All that can be approved untouched; an engraving or a barrel that is proposed beyond a limit is not.
        Assert.True(records.Count > Operations.All.Count - 5, $"only {records.Count} of {Operations.All.Count}");
        await ines.PublishAsync(new { note = "One of each" });
        int edition = (await ines.GetAsync("/editions")).Json[0].GetProperty("number").GetInt32();
        using JsonDocument file = JsonDocument.Parse(await ines.BytesAsync($"/editions/{edition}/file"));
        int unstated = 0;
        foreach (JsonElement published in file.RootElement.GetProperty("records").EnumerateArray())
        {
            string number = published.GetProperty("record").GetString()!;
            if (!records.TryGetValue(number, out string? code)) continue;
            PublishedRecord record = EditionFile.Read<PublishedRecord>(System.Text.Encoding.UTF8.GetBytes(published.GetRawText()));
            string[] set = [.. record.SetAtMachine().Select(f => f.Code)];
            Assert.Equal(Wanted(record, Operations.Find(code)!.Description), set);

            // The file says it by itself, and so do Lookup and both cards.
            Assert.Equal(
                set,
                record.Figures.Select(f => (f.Code, f.AtMachine, f.Value)).Concat(record.Settings.Select(s => (s.Code, s.AtMachine, s.Value)))
                    .Where(f => f.AtMachine is not null && f.Value != 0).DistinctBy(f => f.Code).OrderBy(f => f.AtMachine).Select(f => f.Code));
            JsonElement entry = (await maren.GetAsync($"/lookup?q={number}"))["entries"][0];
            Assert.Equal(set, entry.GetProperty("figures").EnumerateArray().Select(f => f.GetProperty("code").GetString()));

            // What nobody stated is told so wherever it stands, also where it is set at the machine, as the length in the jaws.
            string[] notStated = [.. entry.GetProperty("notStated").EnumerateArray().Select(c => c.GetString()!)];
            Assert.Equal(record.NotStated(), notStated);
            unstated += set.Skip(4).Count(notStated.Contains);
            foreach (CardPaper paper in Enum.GetValues<CardPaper>())
            {
                IReadOnlyList<(string Name, string Value)> rows = new DataCards(paper, Inch: false, "", "").Told(record);
                Assert.All(record.SetAtMachine().Skip(4), f => Assert.Equal(
                    notStated.Contains(f.Code), rows.First(r => r.Name == f.Name).Value.StartsWith("not stated", StringComparison.Ordinal)));
                HashSet<string> told = [.. rows.Select(r => r.Name)];
                Assert.All(record.SetAtMachine().Skip(4), f => Assert.Contains(f.Name, told));
                Assert.All(record.HoldsFor(), s => Assert.Contains($"Holds for {char.ToLowerInvariant(s.Name[0])}{s.Name[1..]}", told));
            }

            // A turned record names the speed that is programmed, never the one at the tip alone.
            if (code.StartsWith("turn-", StringComparison.Ordinal)) Assert.Equal(["programmedSpeed", "speedClamp", "feedInUse"], set[..3]);
        }

        Assert.True(unstated > 0);
    }

    private static IEnumerable<string> Wanted(PublishedRecord record, OperationDescription operation) => operation.AtMachine.Where(
        code => record.Figures.Any(f => f.Code == code && f.Value != 0)
            || (record.Figures.All(f => f.Code != code) && record.Settings.Any(s => s.Code == code && s.Value != 0)));

    private static async Task<string> ApprovedAsync(Caller maren, Caller ines, string operation)
    {
        foreach ((int machine, int material) in new[] { (1, 1), (3, 1), (2, 6), (3, 6), (4, 2) })
        {
            Answer fits = await maren.GetAsync($"/library/assemblies?operation={operation}&machineId={machine}&materialId={material}&take=20");
            foreach (JsonElement row in fits["rows"].EnumerateArray())
            {
                int assembly = row.GetProperty("sheet").GetProperty("id").GetInt32();
                Answer made = await maren.PostAsync("/records", new { operation, materialId = material, assemblyId = assembly, machineId = machine });
                if (made.Status != HttpStatusCode.Created) continue;
                string of = $"/records/{made["number"].GetString()}";
                Dictionary<string, string> accepted = made["revisions"][0].GetProperty("cautions").EnumerateArray()
                    .ToDictionary(c => c.GetProperty("key").GetString()!, _ => "Known here.");
                int version = made["revisions"][0].GetProperty("version").GetInt32();
                Answer submitted = await maren.PostAsync($"{of}/submit", new { accepted }, version);
                if (submitted.Status == HttpStatusCode.OK
                    && (await ines.PostAsync($"{of}/approve", new { }, submitted["revisions"][0].GetProperty("version").GetInt32())).Status
                        == HttpStatusCode.OK)
                    return made["number"].GetString()!;
                await maren.PostAsync($"{of}/discard", new { }, version);
            }
        }

        return "";
    }
}
