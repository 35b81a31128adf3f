using Incisura.Core.Records;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Mail;

/// <summary>Writes what people are told by mail, in the transaction of what it tells: a mail goes out only for what was saved.</summary>
public static class Letters
{
    /// <summary>Tells an act on a record to those it waits for: a proposal to approvers, a decision to who proposed it.</summary>
    public static async Task TellAsync(
        IncisuraDb db, RecordRow record, RecordRevisionRow row, RecordAct act, Actor by, IReadOnlyCollection<string> contributors, string reason,
        TimeProvider clock)
    {
        DateTimeOffset now = clock.GetUtcNow();
        string what = $"{record.Number} revision {row.Number}", because = reason.Length > 0 ? $": {reason}" : ".";
        (IReadOnlyList<string> to, string says) = act switch
        {
            RecordAct.Submit => (
                await ApproversAsync(db, contributors, clock.Today()), $"{what} waits for you, proposed by {by.Name}."),
            RecordAct.SendBack => ([row.ProposedBy], $"{what} was sent back by {by.Name}{because}"),
            RecordAct.Approve => ([row.ProposedBy], $"{what} was approved by {by.Name}{because}"),
            RecordAct.Withdraw => ([row.ProposedBy], $"{what} was withdrawn by {by.Name}{because}"),
            _ => (Array.Empty<string>(), ""),
        };
        foreach (string name in to.Where(n => n != by.Name))
            db.Add(new LetterRow { To = name, At = now, Says = says, Path = $"/records/{record.Number}" });
    }

    /// <summary>Tells that a record in force breaks a limit now, to who proposed it.</summary>
    public static LetterRow Broken(RecordRow record, RecordRevisionRow row, string says, DateTimeOffset now) => new()
    {
        To = row.ProposedBy,
        At = now,
        Says = $"{record.Number} revision {row.Number} is in force and breaks a limit now: {says}",
        Path = "/records?state=stale",
    };

    /// <summary>Tells that somebody at a machine says that a record must not be run, to who proposed it and to approvers.</summary>
    public static void TellStopped(
        IncisuraDb db, RecordRow record, RecordRevisionRow row, FloorReportRow report, IReadOnlyList<string> approvers)
    {
        foreach (string name in approvers.Append(row.ProposedBy).Distinct())
            db.Add(new LetterRow
            {
                To = name,
                At = report.At,
                Says = $"{record.Number} revision {row.Number}: {row.StoppedBy} It stays so until somebody decides.",
                Path = $"/records/{record.Number}?rev={row.Number}",
            });
    }

    /// <summary>Tells that an edition was published, with how far the history went: whoever keeps the mail can hold a database against it.</summary>
    public static IEnumerable<LetterRow> Published(EditionFileRow file, string by, HeadOfHistory head, IEnumerable<string> to, DateTimeOffset now) =>
        to.Where(n => n != by).Select(n => new LetterRow
        {
            To = n,
            At = now,
            Says = $"Edition {file.EditionNumber} was published by {by}, with {file.Count} records. Its file is {file.Sha256}; the history had "
                + $"{head.Entries} entries, the last one {head.Hash}.",
            Path = $"/editions/{file.EditionNumber}",
        });

    /// <summary>Tells a comment to who proposed the revision, and to who has decided on it or said something before.</summary>
    public static IEnumerable<LetterRow> Commented(RecordRow record, RecordRevisionRow row, string by, string text, DateTimeOffset now) =>
        row.Events.Where(e => e.Act is RecordAct.SendBack or RecordAct.Approve).Select(e => e.By).Append(row.ProposedBy).Distinct()
            .Where(n => n != by).Select(n => new LetterRow
            {
                To = n,
                At = now,
                Says = $"{by} says about {record.Number} revision {row.Number}: {text}",
                Path = $"/records/{record.Number}?rev={row.Number}",
            });

    /// <summary>Asks an engineer to decide while an approver is away.</summary>
    public static LetterRow Asked(AbsenceRow row, DateTimeOffset now) => new()
    {
        To = row.Deputy,
        At = now,
        Says = $"{row.Approver} asks you to decide in their place from {row.From:yyyy-MM-dd} to {row.Until:yyyy-MM-dd}. Agree to it first.",
        Path = "/absences",
    };

    /// <summary>Tells what was changed or heard at a machine to who proposed the record; one that ran as given and well is only counted.</summary>
    public static void TellReported(IncisuraDb db, RecordRow record, RecordRevisionRow row, FloorReportRow report)
    {
        string[] said =
        [
            report.SpeedOverride is { } speed ? $"spindle at {speed:0.#} %" : "", report.FeedOverride is { } feed ? $"feed at {feed:0.#} %" : "",
            report.Chatter ? "it chattered" : "", report.Broke ? "something broke" : "", report.Note.TrimEnd('.'),
        ];
        string with = string.Join(", ", said.Where(s => s.Length > 0));
        string how = report.Outcome == ReportOutcome.WithChanges ? "with changes" : "as given";
        db.Add(new LetterRow
        {
            To = row.ProposedBy,
            At = report.At,
            Says = $"{report.By} ran {record.Number} revision {row.Number} {how}{(with.Length > 0 ? ": " + with : "")}.",
            Path = $"/records/{record.Number}?rev={row.Number}",
        });
    }

    /// <summary>Tells somebody what was done to their account; who has just been added has given no address yet.</summary>
    public static void TellAccount(IncisuraDb db, Person person, string act, string by, IReadOnlyList<string> fields, DateTimeOffset now)
    {
        string says = act switch
        {
            Chronicle.NewPassword => "a new password was given",
            Chronicle.FactorMade => "a second factor was made",
            Chronicle.FactorRemoved => "the second factor was taken away",
            Chronicle.Invited => "a link for a new password was made",
            Chronicle.Changed when fields.Count > 0 => $"{string.Join(", ", fields.Select(Word))} changed",
            _ => "",
        };
        if (says.Length == 0) return;
        string who = by == person.UserName ? "yourself" : by;
        db.Add(NoticeOf(person, $"Account {person.UserName}: {says}, by {who}. If that is not right, tell the administrator.", now));

        static string Word(string field) => field switch
        {
            "fullName" => "the name",
            "address" => "the mail address",
            "role" => "the role",
            "closed" => "whether it is closed",
            _ => field,
        };
    }

    /// <summary>Tells the address that somebody's mail went to until now.</summary>
    public static void TellMoved(IncisuraDb db, Person person, string address, DateTimeOffset now)
    {
        string says = $"Account {person.UserName}: mail goes elsewhere from now on. If that is not right, tell the administrator.";
        db.Add(NoticeOf(person, says, now, address));
    }

    private static LetterRow NoticeOf(Person person, string says, DateTimeOffset now, string address = "") =>
        new() { To = person.UserName!, Address = address, At = now, Says = says, Path = "/account" };

    // Those who may decide: approvers that did not work on it, and deputies of absent ones.
    private static async Task<IReadOnlyList<string>> ApproversAsync(IncisuraDb db, IReadOnlyCollection<string> contributors, DateOnly today)
    {
        IReadOnlyList<string> approvers = await Person.NamesAsync(db, Role.Approver);
        IEnumerable<string> deputies = (await db.Absences.AsNoTracking().ToListAsync()).Where(a => a.IsOn(today)).Select(a => a.Deputy);
        return [.. approvers.Concat(deputies).Distinct().Where(n => !contributors.Contains(n, StringComparer.OrdinalIgnoreCase))];
    }
}
