namespace Incisura.Web.Hosting;

/// <summary>Where work goes on behind an answer: it always ends, whoever waits is told how, and what nobody foresaw is in the log.</summary>
public sealed partial class Desk(ILogger<Desk> log)
{
    /// <summary>Begins a work.</summary>
    /// <param name="name">What it is, for the log.</param>
    /// <param name="work">Does it.</param>
    /// <param name="failed">Is told how it ended where it did not end well; of a work that was stopped, that it was cancelled.</param>
    public Task Begin(string name, Func<Task> work, Action<Exception> failed) => Task.Run(async () =>
    {
        try
        {
            await work();
        }
        catch (Exception fault)
        {
            failed(fault);
            if (fault is not OperationCanceledException) Told(name, fault);
        }
    });

    /// <summary>What went wrong, in a sentence for a person; what nobody foresaw is logged.</summary>
    public string Told(string name, Exception fault)
    {
        if (!ProblemHandler.IsForeseen(fault)) Failed(fault, name);
        return ProblemHandler.SentenceOf(fault);
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "{Work} failed")]
    private partial void Failed(Exception exception, string work);
}
