using System.Collections.Concurrent;
using System.Net;
using System.Text.Json.Nodes;

namespace Incisura.Web.Tests;

/// <summary>Writes that a server acknowledged, and so promised to keep whatever happens to it.</summary>
internal sealed class Promises
{
    private const int Materials = 8;

    private readonly ConcurrentDictionary<string, string> drafts = [];
    private readonly ConcurrentDictionary<int, int> revisions = [];
    private int next, acknowledged;

    /// <summary>How many there are.</summary>
    public int Made => Volatile.Read(ref acknowledged);

    /// <summary>Drafts a record with a note of its own.</summary>
    public async Task<string> DraftAsync(Caller maren)
    {
        int n = Interlocked.Increment(ref next);
        Answer made = await maren.PostAsync(
            "/records",
            new
            {
                operation = "side-rough",
                materialId = 1 + (n % Materials),
                assemblyId = 5 + (n / Materials % 4),
                machineId = 1,
                note = $"note {n}",
            });
        if (made.Status != HttpStatusCode.Created) return "";
        string number = made["number"].GetString()!;
        drafts[number] = $"note {n}";
        Interlocked.Increment(ref acknowledged);
        return number;
    }

    /// <summary>Changes a cutter, or the chart under which every record is judged anew.</summary>
    public async Task ReviseAsync(Caller maren, string path, int cutter, string member)
    {
        int n = Interlocked.Increment(ref next);
        Answer sheet = await maren.GetAsync(path);
        JsonObject definition = JsonNode.Parse(sheet["definition"].GetRawText())!.AsObject();
        if (member == "practice") definition["rows"]![0]!["cuttingSpeed"] = 100 + (n % 50);
        else definition[member] = $"remark {n}";
        Answer saved = await maren.PutAsync(path, definition, sheet["revision"].GetInt32());
        if (saved.Status != HttpStatusCode.OK) return;
        Interlocked.Increment(ref acknowledged);
        if (cutter == 0) return;
        int revision = saved["revision"].GetInt32();
        revisions.AddOrUpdate(cutter, revision, (_, was) => Math.Max(was, revision));
    }

    /// <summary>Sees that all of it is there.</summary>
    public async Task KeptAsync(Caller maren)
    {
        foreach ((string number, string note) in drafts)
        {
            Answer record = (await maren.GetAsync($"/records/{number}")).Expect(HttpStatusCode.OK);


            // A later one may have been saved without being acknowledged.
            string kept = record["revisions"][0].GetProperty("note").GetString()!;
            Assert.True(NumberOf(kept) >= NumberOf(note), $"{number} promised {note} and has {kept}");
        }

        foreach ((int cutter, int revision) in revisions)
            Assert.True((await maren.GetAsync($"/library/cutters/{cutter}"))["revision"].GetInt32() >= revision);

        static int NumberOf(string note) => int.Parse(note.Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
