using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Exchange.Tables;
using Incisura.Web.Hosting;

namespace Incisura.Web.Library;

/// <summary>How far an import has come.</summary>
public enum ImportState
{
    /// <summary>Rows are being looked at; nothing is written.</summary>
    Looking,

    /// <summary>Every row has been looked at; the person decides.</summary>
    Ready,

    /// <summary>Rows are being written, all in one transaction.</summary>
    Writing,

    /// <summary>Written.</summary>
    Done,

    /// <summary>Stopped by the person; nothing was written.</summary>
    Cancelled,

    /// <summary>Failed; nothing was written.</summary>
    Failed,
}

/// <summary>What becomes of a row.</summary>
public enum RowOutcome
{
    /// <summary>A new cutter.</summary>
    Added,

    /// <summary>A cutter that is there and changes.</summary>
    Changed,

    /// <summary>A cutter that is there as it is.</summary>
    Same,

    /// <summary>Taken, but a value looks like a slip.</summary>
    Asked,

    /// <summary>Cannot be taken.</summary>
    Refused,
}

/// <summary>A row after it was looked at.</summary>
internal sealed record LookedRow(int Line, Cutter Cutter, int ExistingId, int ExistingRevision, RowOutcome Outcome, IReadOnlyList<CellFault> Faults)
{
    /// <summary>Number of the cutter of the same file that replaces it, which has no identity yet; empty for none.</summary>
    public string ReplacedBy { get; init; } = "";
}

/// <summary>One import of a table, from the file to the written rows. Its owner alone sees it.</summary>
internal sealed class ImportJob(int id, string owner, string file, Table table, Desk desk) : IDisposable
{
    // Stands for the identity that a cutter of the same file gets when it is written.
    private const int InThisFile = int.MaxValue;

    private const string Stopped = "Stopped; nothing was written.";

    private readonly Lock gate = new();
    private CancellationTokenSource stop = new();
    private int round;

    public int Id => id;

    public string Owner => owner;

    public string File => file;

    public Table Table => table;

    public bool Inch { get; private set; }

    public IReadOnlyList<ColumnMeaning> Meanings { get; private set; } = [];

    public IReadOnlyList<LookedRow> Rows { get; private set; } = [];

    public ImportState State { get; private set; }

    public int Reached { get; private set; }

    public string Said { get; private set; } = "";

    public DateTimeOffset Touched { get; set; }

    /// <summary>Looks at every row in the background; nothing is written.</summary>
    public void Look(IReadOnlyList<ColumnMeaning> meanings, bool inch, ShelfView view)
    {
        int mine;
        CancellationToken cancel;
        lock (gate)
        {
            if (State is ImportState.Writing or ImportState.Done)
                throw new Core.Records.RuleException("import-state", "The rows are being written or are written already; start another import.");
            stop.Cancel();
            stop.Dispose();
            stop = new();
            (mine, cancel) = (++round, stop.Token);
            (Meanings, Inch, Reached, Rows, State, Said) = (meanings, inch, 0, [], ImportState.Looking, "");
        }

        desk.Begin(
            $"Looking at the rows of {file}",
            () =>
            {
                LookAtAll();
                return Task.CompletedTask;
            },
            failed => Finish(
                mine, failed is OperationCanceledException ? ImportState.Cancelled : ImportState.Failed, [],
                failed is OperationCanceledException ? Stopped : "The rows could not be looked at. " + ProblemHandler.SentenceOf(failed)));

        void LookAtAll()
        {
            Dictionary<string, StoredCutter> known = view.Cutters.Values.ToDictionary(c => c.Name, StringComparer.OrdinalIgnoreCase);
            Dictionary<string, int> seen = new(StringComparer.OrdinalIgnoreCase);
            int numbers = meanings.ToList().FindIndex(m => m.Code == "number");
            HashSet<string> inFile = numbers < 0
                ? []
                : new(table.Rows.Select(r => r.Cells[numbers]).Where(n => !known.ContainsKey(n)), StringComparer.OrdinalIgnoreCase);
            List<LookedRow> rows = new(table.Rows.Count);
            foreach ((int line, string[] cells) in table.Rows)
            {
                cancel.ThrowIfCancellationRequested();
                rows.Add(LookAt(line, cells, meanings, known, seen, inFile));
                Reached = rows.Count;
            }

            Finish(mine, ImportState.Ready, WithoutLost(rows), "");
        }
    }

    /// <summary>Writes in the background through <paramref name="write"/>, which reports how many rows it has reached.</summary>
    public void Write(Func<IReadOnlyList<LookedRow>, Action<int>, CancellationToken, Task<string>> write, bool goodRowsOnly)
    {
        IReadOnlyList<LookedRow> rows;
        CancellationToken cancel;
        lock (gate)
        {
            if (State != ImportState.Ready)
                throw new Core.Records.RuleException("import-state", "The rows are not ready to be written; wait until all have been looked at.");
            int refused = Rows.Count(r => r.Outcome == RowOutcome.Refused);
            if (refused > 0 && !goodRowsOnly)
                throw new Core.Records.RuleException(
                    "refused-rows", $"{refused} rows cannot be taken, so nothing was written. Mend them, or take the good rows only.");
            rows = [.. Rows.Where(r => r.Outcome is RowOutcome.Added or RowOutcome.Changed or RowOutcome.Asked)];
            stop.Dispose();
            stop = new();
            (cancel, Reached, State) = (stop.Token, 0, ImportState.Writing);
        }

        int mine = round;
        desk.Begin(
            $"Writing the rows of {file}",
            async () => Finish(mine, ImportState.Done, Rows, await write(rows, n => Reached = n, cancel)),
            failed => Finish(
                mine, failed is OperationCanceledException ? ImportState.Cancelled : ImportState.Failed, Rows,
                failed is OperationCanceledException ? Stopped : "Nothing was written: " + ProblemHandler.SentenceOf(failed)));
    }

    /// <summary>Stops what runs.</summary>
    public void Cancel()
    {
        lock (gate) stop.Cancel();
    }

    public void Dispose() => stop.Dispose();

    private void Finish(int mine, ImportState state, IReadOnlyList<LookedRow> rows, string said)
    {
        lock (gate)
            if (mine == round) (State, Rows, Said) = (state, rows, said);
    }

    // A row that is replaced by a refused row of the file would point to nothing.
    private static List<LookedRow> WithoutLost(List<LookedRow> rows)
    {
        HashSet<string> taken = new(rows.Where(r => r.Outcome != RowOutcome.Refused).Select(r => r.Cutter.Number), StringComparer.OrdinalIgnoreCase);
        for (bool again = true; again;)
        {
            again = false;
            for (int i = 0; i < rows.Count; i++)
            {
                LookedRow row = rows[i];
                if (row.Outcome == RowOutcome.Refused || row.ReplacedBy.Length == 0 || taken.Contains(row.ReplacedBy)) continue;
                rows[i] = row with
                {
                    Outcome = RowOutcome.Refused,
                    Faults = [new(-1, $"{row.ReplacedBy}, which replaces it, cannot be taken itself.")],
                };
                again |= taken.Remove(row.Cutter.Number);
            }
        }

        return rows;
    }

    private LookedRow LookAt(
        int line, string[] cells, IReadOnlyList<ColumnMeaning> meanings, Dictionary<string, StoredCutter> known, Dictionary<string, int> seen,
        HashSet<string> inFile)
    {
        string replacedBy = "";
        int IdentityOf(string number)
        {
            if (known.TryGetValue(number, out StoredCutter? there)) return there.Id;
            if (!inFile.Contains(number)) return 0;
            replacedBy = number;
            return InThisFile;
        }

        (Cutter cutter, IReadOnlyList<CellFault> faults) = CutterRows
            .Read(cells, meanings, n => known.GetValueOrDefault(n)?.Definition, IdentityOf, table.DecimalComma);
        StoredCutter? existing = known.GetValueOrDefault(cutter.Number);
        if (cutter.Number.Length > 0 && !seen.TryAdd(cutter.Number, line))
            faults = [.. faults, new(-1, $"{cutter.Number} stands in row {seen[cutter.Number]} already; a number is taken once.")];
        if (faults.Count > 0) return new(line, cutter, 0, 0, RowOutcome.Refused, faults);
        IReadOnlyList<InputFault> doubts = cutter.Doubts();
        bool same = existing is not null && ManyEndpoints.Differences(existing.Definition, cutter).Count == 0;
        RowOutcome outcome = same ? RowOutcome.Same : doubts.Count > 0 ? RowOutcome.Asked : existing is null ? RowOutcome.Added : RowOutcome.Changed;
        return new(
            line, cutter, existing?.Id ?? 0, existing?.Revision
                ?? 0, outcome, [.. doubts.Select(d => new CellFault(-1, d.Sentence, d.Meant))])
        { ReplacedBy = replacedBy };
    }
}

/// <summary>The imports that are going on, a few for each person; old ones are forgotten.</summary>
internal sealed class ImportDesk(Desk desk, TimeProvider clock)
{
    private const int MostPerPerson = 3;
    private static readonly TimeSpan Forgotten = TimeSpan.FromHours(2);
    private readonly Lock gate = new();
    private readonly List<ImportJob> jobs = [];
    private int last;

    /// <summary>Lets one table be opened at a time.</summary>
    public SemaphoreSlim Opening { get; } = new(1);

    public ImportJob Open(string owner, string file, Table table)
    {
        lock (gate)
        {
            IEnumerable<ImportJob> surplus = jobs.Where(j => j.Owner == owner).OrderByDescending(j => j.Id).Skip(MostPerPerson - 1);
            foreach (
                ImportJob old in jobs.Where(j => clock.GetUtcNow() - j.Touched > Forgotten)
                    .Concat(surplus)
                    .Where(j => j.State != ImportState.Writing)
                    .Distinct()
                    .ToList())
            {
                old.Cancel();
                old.Dispose();
                jobs.Remove(old);
            }

            ImportJob job = new(++last, owner, file, table, desk) { Touched = clock.GetUtcNow() };
            jobs.Add(job);
            return job;
        }
    }

    public ImportJob Find(int id, string owner)
    {
        lock (gate)
        {
            ImportJob job = jobs.FirstOrDefault(j => j.Id == id && j.Owner == owner)
                ?? throw new MissingException("This import is over or was forgotten; choose the file again.");
            job.Touched = clock.GetUtcNow();
            return job;
        }
    }
}
