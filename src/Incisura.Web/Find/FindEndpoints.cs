using System.Security.Claims;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Library;
using Incisura.Core.Threads;
using Incisura.Web.Coverage;
using Incisura.Web.Guide;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Find;

/// <summary>Something found, with the page it is on.</summary>
public sealed record Found(string Kind, string Name, string About, string Path);

/// <summary>The search box: one question over all places the person may see.</summary>
public static class FindEndpoints
{
    private const int MostOfAKind = 6;

    public static void MapFind(this IEndpointRouteBuilder api) =>
        api.MapGet("/find", async (string q, ClaimsPrincipal user, IncisuraDb db, Shelf shelf, GuideBook guide) =>
    {
        string[] words = q.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (words.Length == 0) return [];
        ShelfView view = await shelf.ViewAsync(db);
        bool engineer = user.SeesDrafts();

        ListQuery asked = new() { Text = q, Take = MostOfAKind, Filters = new Dictionary<string, IReadOnlyList<string>> { ["state"] = ["inUse"] } };
        IEnumerable<Found> cutters = view.Listings.Cutters.Ask(asked).Rows
            .Select(c => new Found("cutter", c.Cutter.Number, CutterListing.WordsOf(c.Cutter), $"/library/cutters/{c.Id}"));
        IEnumerable<Found> holders = view.Listings.Holders.Ask(asked).Rows
            .Select(h => new Found("holder", h.Holder.Number, $"{h.Holder.Kind}, {h.Holder.Interface}", $"/library/holders/{h.Id}"));
        IEnumerable<Found> assemblies = view.Listings.Assemblies.Ask(asked).Rows.Select(a => new Found(
            "assembly", a.Built.Definition.Number,
            FormattableString.Invariant(
                $"{CutterListing.WordsOf(a.Built.Cutter)}, {a.Built.Definition.Projection:0.###} out of {a.Built.Holder.Kind}"),
            $"/library/assemblies/{a.Id}"));
        IEnumerable<Found> materials = view.Materials.Values.Select(
            m => new Found(
                "material", m.Name, $"{m.Definition.Group} {m.Definition.Condition} {m.Definition.Designations}".Trim(),
                $"/shop/materials/{m.Id}"));
        IEnumerable<Found> machines = view.Machines.Values.Select(m => new Found("machine", m.Name, m.Definition.Kind, "/shop/machines"));
        IEnumerable<Found> own = view.Threads.Values.Select(
            t => new Found("thread", t.Name, $"own, made from {t.Definition.Parent}", $"/shop/threads/{t.Id}"));
        IEnumerable<Found> threads = ThreadText.Read(q) is null ? [] : ThreadSearch.Find(q, MostOfAKind).Select(
            t => new Found(
                "thread", t.ToString(), FormDescription.Of(t.Form).Name, $"/shop/threads/listed?thread={Uri.EscapeDataString(t.ToString())}"));
        IEnumerable<Found> records = engineer
            ? (await db.Records.AsNoTracking().OrderByDescending(r => r.Id).Select(r => r.Number).ToListAsync())
                .Select(n => new Found("record", n, "record", $"/records/{n}"))
            : [];
        IReadOnlyList<Found> answers = engineer ? await AnswersAsync(Asked.Of(q, view), db, view) : [];

        IEnumerable<Found> help = guide.Find(words).Take(MostOfAKind).Select(p => new Found("guide", p.Heading, p.Page, p.Path));

        // What is called just that stands before what holds it.
        return answers.Concat(assemblies).Concat(cutters).Concat(holders).Concat(threads)
            .Concat(
                new[] { own, materials, machines, records }.SelectMany(
                    kind =>
                        kind.Where(f => words.All(w => $"{f.Kind} {f.Name} {f.About}".Contains(w, StringComparison.OrdinalIgnoreCase)))
                            .Take(MostOfAKind)))
            .Concat(help)
            .OrderByDescending(f => string.Equals(f.Name, q.Trim(), StringComparison.OrdinalIgnoreCase))
            .ToList();
    }).WithTags("find");

    // What there is for a material, a cutter or a machine and an operation, counted, with the list behind it.
    private static async Task<IReadOnlyList<Found>> AnswersAsync(Asked asked, IncisuraDb db, ShelfView view)
    {
        int things = new[] { asked.MaterialId, asked.CutterId, asked.MachineId }.Count(id => id != 0);
        if (things + (asked.Operations.Count > 0 ? 1 : 0) < 2 || (asked.Rest > 0 && asked.Operations.Count == 0)) return [];
        List<string> codes = [.. asked.Operations.Select(o => o.Code)];
        var counts = await db.RecordRevisions.AsNoTracking().Where(RecordRevisionRow.Counted)
            .Where(v => (asked.MaterialId == 0 || v.MaterialId == asked.MaterialId)
                && (asked.CutterId == 0 || v.CutterId == asked.CutterId)
                && (asked.MachineId == 0 || v.MachineId == asked.MachineId)
                && (codes.Count == 0 || codes.Contains(v.Operation)))
            .GroupBy(v => v.Operation)
            .Select(g => new { Operation = g.Key, All = g.Count(), Approved = g.Count(v => v.IsInForce) })
            .ToListAsync();
        string of = string.Join(
            ", ", new[]
            {
                view.Materials.GetValueOrDefault(asked.MaterialId)?.Name, view.Cutters.GetValueOrDefault(asked.CutterId)?.Name,
                view.Machines.GetValueOrDefault(asked.MachineId)?.Name,
            }.OfType<string>());
        string filters = string.Concat(
            new[] { ("material", asked.MaterialId), ("cutter", asked.CutterId), ("machine", asked.MachineId) }.Where(f => f.Item2 != 0)
                .Select(f => $"&{f.Item1}={f.Item2}"));
        IEnumerable<OperationDescription> operations = codes.Count > 0
            ? asked.Operations
            : Operations.All.Select(o => o.Description).Where(o => counts.Exists(c => c.Operation == o.Code));
        return
        [
            .. from o in operations
               let c = counts.Find(c => c.Operation == o.Code)
               orderby c?.Approved ?? 0 descending
               select new Found(
                   "figures", $"{o.Name}, {of}",
                   c is null ? "nothing yet: fill the gap in Coverage" : $"{c.Approved} approved of {c.All}",
                   c is null ? $"/records/coverage?view=operation&operation={o.Code}" : $"/records?counts=any&operation={o.Code}{filters}"),
        ];
    }
}
