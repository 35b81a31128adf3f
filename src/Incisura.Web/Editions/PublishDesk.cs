using Incisura.Core.Records;
using Incisura.Web.Hosting;

namespace Incisura.Web.Editions;

/// <summary>Publishes in the background, one edition at a time.</summary>
public sealed class PublishDesk(IServiceScopeFactory scopes, Publisher publisher, Shelf shelf, Desk desk)
{
    // What is small is done before whoever publishes would look again.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1.5);

    private readonly Lock gate = new();
    private Work? work;

    /// <summary>How far it is; null where nothing was published since the start.</summary>
    public PublishProgress? Progress => work?.Progress;

    /// <summary>Begins, and waits a moment for the end.</summary>
    /// <exception cref="RuleException">Another edition is being published.</exception>
    public async Task<PublishProgress> StartAsync(PublishWish wish)
    {
        Work begun;
        lock (gate)
        {
            if (work is { Progress.Running: true } other)
                throw new RuleException(
                    "publishing", $"{other.Progress.By} is publishing an edition right now; wait until it is there, and look what it has.");
            work = begun = new(wish.By);
        }

        Task run = desk.Begin("Publishing", () => RunAsync(begun, wish), failed =>
        {
            begun.Rule = failed as RuleException;
            string says = failed is OperationCanceledException ? "It was stopped; nothing was published." : ProblemHandler.SentenceOf(failed);
            begun.Progress = begun.Progress with { Running = false, Refused = says };
        });
        await Task.WhenAny(run, Task.Delay(Patience));
        return begun.Rule is { } rule ? throw rule : begun.Progress;
    }

    /// <summary>Stops what is going on; then nothing is published.</summary>
    public PublishProgress? Stop()
    {
        work?.Stop.Cancel();
        return work?.Progress;
    }

    private async Task RunAsync(Work begun, PublishWish wish)
    {
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        EditionFileRow file = await publisher.PublishAsync(
            db, await shelf.ViewAsync(db), wish, (done, total) => begun.Progress = begun.Progress with { Done = done, Total = total },
            begun.Stop.Token);
        begun.Progress = begun.Progress with
        {
            Running = false,
            Edition = EditionReading.SummaryOf(file, wish.At, wish.By, wish.Note),
        };
    }

    private sealed class Work(string by)
    {
        private volatile PublishProgress progress = new(by, 0, 0, true, null, "");

        public PublishProgress Progress
        {
            get => progress;
            set => progress = value;
        }

        /// <summary>The rule that forbade it.</summary>
        public RuleException? Rule { get; set; }

        public CancellationTokenSource Stop { get; } = new();
    }
}
