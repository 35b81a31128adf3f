using System.Globalization;
using System.Text.Json;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Data;

/// <summary>How far a history goes: number and hash of its last entry.</summary>
public sealed record HeadOfHistory(long Entries, string Hash);

/// <summary>What decides beside contents: people, absences, events, reports, comments, approvals, held against what the history tells of them.</summary>
public static partial class Chronicle
{
    /// <summary>Acts on an absence.</summary>
    public const string Named = "named", Agreed = "agreed", Ended = "ended";

    /// <summary>What an absence is told as.</summary>
    public static string TellingOf(AbsenceRow a) => string.Create(
        CultureInfo.InvariantCulture, $"{a.Deputy} decides from {a.From:yyyy-MM-dd} to {a.Until:yyyy-MM-dd}");

    /// <summary>The hash of all that decides what somebody may do, and of what lets them in.</summary>
    public static async Task<string> ContentOfAsync(IncisuraDb db, Person person, CancellationToken cancel = default)
    {
        string role = await (from ur in db.UserRoles
                             join r in db.Roles on ur.RoleId equals r.Id
                             where ur.UserId == person.Id
                             select r.Name!).FirstOrDefaultAsync(cancel) ?? "";
        string factor = await db.SecondFactors.AsNoTracking().Where(f => f.PersonId == person.Id && f.Confirmed).Select(f => f.Secret)
            .FirstOrDefaultAsync(cancel) ?? "";
        return RecordParts.HashOf(string.Join(
            '\n', person.UserName, role, Person.IsClosed(person.LockoutEnd), person.PasswordHash ?? "", person.PasswordOnce, person.ByProvider,
            factor));
    }

    /// <summary>Tells of people who came before anything was told of what they may do.</summary>
    internal static async Task AdoptPeopleAsync(IncisuraDb db, DateTimeOffset now, CancellationToken cancel)
    {
        List<Change> known = [];
        foreach (Person person in await db.Users.AsNoTracking().OrderBy(p => p.UserName).ToListAsync(cancel))
            known.Add(new(now, "the program", PersonKind, 0, person.UserName!, Changed) { Content = await ContentOfAsync(db, person, cancel) });
        if (known.Count == 0) return;
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await AppendAsync(db, known, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Number and hash of the last entry, to be noted elsewhere; 0 and empty where there is none.</summary>
    public static async Task<HeadOfHistory> HeadAsync(IncisuraDb db, CancellationToken cancel = default) =>
        await db.Changes.AsNoTracking().OrderByDescending(c => c.Id).Select(c => new HeadOfHistory(c.Id, c.Hash)).FirstOrDefaultAsync(cancel)
            ?? new(0, "");

    // Entries by what they tell of, as far as something else than a content is held against them.
    private sealed class Entries
    {
        private readonly Dictionary<(string Kind, int Id, string Name), List<ChangeRow>> all = [];

        public void Take(ChangeRow row)
        {
            if (row.Kind is not (RecordKind or PersonKind or AbsenceKind or ThreadKind or KeyKind or EditionKind)) return;
            (string, int, string) of = (row.Kind, row.ObjectId, row.ObjectId == 0 ? row.Name : "");
            if (!all.TryGetValue(of, out List<ChangeRow>? rows)) all[of] = rows = [];
            rows.Add(row);
        }

        public List<ChangeRow> Of(string kind, int id, string name = "") => all.GetValueOrDefault((kind, id, name)) ?? [];

        public IEnumerable<ChangeRow> Of(string kind) => all.Where(a => a.Key.Kind == kind).SelectMany(a => a.Value);
    }

    private static async Task HoldAsync(IncisuraDb db, Entries entries, Action<string> add, CancellationToken cancel)
    {
        await HoldPeopleAsync(db, entries, add, cancel);
        await HoldAbsencesAsync(db, entries, add, cancel);
        await HoldRecordsAsync(db, entries, add, cancel);
        await HoldReportsAsync(db, entries, add, cancel);

        Compare(
            "A comment", entries.Of(RecordKind).Where(e => e.Act == Commented).Select(e => $"{e.Name} revision {e.Number} by {e.By}: {e.Reason}"),
            (await db.Comments.AsNoTracking().ToListAsync(cancel)).Select(c => $"{c.RecordNumber} revision {c.Revision} by {c.By}: {c.Text}"), add);
        Compare(
            "The approval of a thread",
            entries.Of(ThreadKind).Where(e => e.Act == nameof(RecordAct.Approve)).GroupBy(e => e.ObjectId)
                .Select(g => g.Last()).Select(e => $"{e.ObjectId} revision {e.Number} by {e.By}"),
            (await db.ThreadApprovals.AsNoTracking().ToListAsync(cancel)).Select(a => $"{a.ThreadId} revision {a.Revision} by {a.By}"), add);
        Compare(
            "The key", entries.Of(KeyKind).Where(e => e.Act == Added).Select(e => e.Name),
            (await db.EditionKeys.AsNoTracking().ToListAsync(cancel)).Select(k => k.Id), add);
        Compare(
            "The reading", entries.Of(EditionKind).Where(e => e.Act == Read).Select(e => $"of edition {e.ObjectId} by {e.By}"),
            (await db.Readings.AsNoTracking().ToListAsync(cancel)).Select(r => $"of edition {r.EditionNumber} by {r.Person}"), add);
    }

    private static async Task HoldPeopleAsync(IncisuraDb db, Entries entries, Action<string> add, CancellationToken cancel)
    {
        HashSet<string> here = [];
        foreach (Person person in await db.Users.AsNoTracking().ToListAsync(cancel))
        {
            here.Add(person.UserName!);
            string? told = entries.Of(PersonKind, 0, person.UserName!).LastOrDefault(e => e.Content.Length > 0)?.Content;
            if (told is null) add($"{person.UserName} is told by no entry.");
            else if (told != await ContentOfAsync(db, person, cancel))
                add($"The account of {person.UserName} (role, password, second factor, whether it is closed) is not what the history wrote.");
        }

        foreach (string gone in entries.Of(PersonKind).Select(e => e.Name).Distinct().Where(n => !here.Contains(n)))
            add($"The history tells of {gone}, who is not there any more.");
    }

    private static async Task HoldAbsencesAsync(IncisuraDb db, Entries entries, Action<string> add, CancellationToken cancel)
    {
        List<AbsenceRow> rows = await db.Absences.AsNoTracking().ToListAsync(cancel);
        Compare(
            "The absence",
            entries.Of(AbsenceKind).GroupBy(e => e.ObjectId).Where(g => g.All(e => e.Act != Ended))
                .Select(g => $"of {g.First().Name}: {g.First().Reason}{(g.Any(e => e.Act == Agreed) ? ", agreed" : "")}"),
            rows.Select(a => $"of {a.Approver}: {TellingOf(a)}{(a.AgreedAt is null ? "" : ", agreed")}"), add);
    }

    private static async Task HoldRecordsAsync(IncisuraDb db, Entries entries, Action<string> add, CancellationToken cancel)
    {
        await foreach (RecordRow record in db.Records.AsNoTracking().Include(r => r.Revisions).ThenInclude(v => v.Events).AsSplitQuery()
            .OrderBy(r => r.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            RecordRevisionRow? inForce = record.InForce();
            ILookup<int, string> told = entries.Of(RecordKind, record.Id).Where(e => Enum.TryParse<RecordAct>(e.Act, out _))
                .ToLookup(e => e.Number, e => $"{e.Act} by {e.By}/{e.InPlaceOf}: {e.Reason}");
            foreach (RecordRevisionRow v in record.Revisions)
            {
                string words = $"{record.Number} revision {v.Number}";
                if (!told[v.Number].SequenceEqual(v.Events.OrderBy(e => e.Id).Select(e => $"{e.Act} by {e.By}/{e.InPlaceOf}: {e.Reason}")))
                    add($"What happened to {words} is not what the history tells.");
                if (v.IsInForce != (v == inForce)) add($"Whether {words} is in force is not what follows from its state.");
                Terms terms = v.ReadTerms();
                if (v.EndsOn is null && (terms.Until is not null || terms.Pieces <= v.Made)) add($"{words} has lost the end of its approval.");
            }
        }
    }

    private static async Task HoldReportsAsync(IncisuraDb db, Entries entries, Action<string> add, CancellationToken cancel)
    {
        List<FloorReportRow> reports = await db.FloorReports.AsNoTracking().OrderBy(r => r.Id).ToListAsync(cancel);
        Compare(
            "The report", entries.Of(RecordKind).Where(e => e.Act == Reported)
                .Select(e => $"on {e.Name} revision {e.Number} by {e.By}, {OutcomeOf(e)}: {e.Reason}"),
            reports.Select(r => $"on {r.RecordNumber} revision {r.Revision} by {r.By}, {WordOf(r.Outcome)}: {r.Note}"), add);
        Compare(
            "The decision", entries.Of(RecordKind).Where(e => e.Act == Decided).Select(e => $"on {e.Name} revision {e.Number} by {e.By}: {e.Reason}"),
            reports.Where(r => r.SettledAt is not null)
                .Select(r => $"on {r.RecordNumber} revision {r.Revision} by {r.SettledBy}: {r.Decision}"),
            add);
        HashSet<(int, int)> forbidden = [.. reports.Where(r => r.Outcome == ReportOutcome.DoNotRun).Select(r => (r.RecordId, r.Revision))];
        HashSet<(int, int)> open =
            [.. reports.Where(r => r is { Outcome: ReportOutcome.DoNotRun, SettledAt: null }).Select(r => (r.RecordId, r.Revision))];
        foreach (var v in await db.RecordRevisions.AsNoTracking().Select(v => new { v.RecordId, v.Number, v.StoppedBy, Record = v.Record!.Number })
            .ToListAsync(cancel))
        {
            if (v.StoppedBy.Length == 0 && open.Contains((v.RecordId, v.Number)))
                add($"{v.Record} revision {v.Number} was stopped at a machine, and is not stopped any more though nobody decided.");
            if (v.StoppedBy.Length > 0 && !forbidden.Contains((v.RecordId, v.Number)))
                add($"{v.Record} revision {v.Number} is stopped, and nobody reported on it.");
        }
    }

    private static string WordOf(ReportOutcome outcome) => JsonNamingPolicy.CamelCase.ConvertName(outcome.ToString());

    private static string OutcomeOf(ChangeRow e) =>
        DefinitionFormat.Read<List<FieldDifference>>(e.Changes).FirstOrDefault(d => d.Field == "outcome")?.To?.Trim('"') ?? "";

    // What is told and what lies there, as often as each.
    private static void Compare(string what, IEnumerable<string> told, IEnumerable<string> here, Action<string> add)
    {
        Dictionary<string, int> balance = [];
        foreach (string t in told) balance[t] = balance.GetValueOrDefault(t) + 1;
        foreach (string h in here) balance[h] = balance.GetValueOrDefault(h) - 1;
        foreach ((string words, int left) in balance.Where(b => b.Value != 0))
            add($"{what} {words} is {(left > 0 ? "told, and is not there" : "there, and no entry tells of it")}.");
    }
}
