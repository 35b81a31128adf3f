using Incisura.Web.Coverage;
using Incisura.Web.Hosting;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Incisura.Web.Tests;

/// <summary>Work behind an answer ends whatever happens to it, says why, and what nobody foresaw is logged.</summary>
public sealed class DeskTests
{
    private const int Busy = 5;

    private readonly Book log = new();

    [Theory]
    [InlineData(true, "The database is busy")]
    [InlineData(false, "The server failed")]
    public async Task Filling_ends_with_a_sentence_for_each_gap_where_nothing_can_be_done(bool foreseen, string says)
    {
        Exception fault = foreseen ? new SqliteException("locked", Busy) : new InvalidOperationException("bad");
        FillDesk desk = new(new Broken(fault), new(log), TimeProvider.System);
        FillProgress now = desk.Start([new("slot", 1, 1, 1), new("face", 1, 1, 1)], "maren");
        for (int i = 0; i < 1000 && now.Running; i++)
        {
            await Task.Delay(10, TestContext.Current.CancellationToken);
            now = desk.Find(now.Id, "maren");
        }

        Assert.False(now.Running);
        Assert.Equal(2, now.Done.Count);
        Assert.All(now.Done, d => Assert.StartsWith(says, d.WhyNot, StringComparison.Ordinal));
        Assert.Equal(foreseen ? 0 : 2, log.Lines);
    }

    [Fact]
    public async Task Whoever_waits_is_told_how_it_ended()
    {
        Exception? told = null;
        Desk desk = new(log);
        await desk.Begin("Counting", () => throw new InvalidOperationException("bad"), e => told = e);
        Assert.Equal(("bad", 1), (told!.Message, log.Lines));
        await desk.Begin("Counting", () => throw new OperationCanceledException(), e => told = e);
        Assert.IsType<OperationCanceledException>(told);
        told = null;
        await desk.Begin("Counting", () => Task.CompletedTask, e => told = e);
        Assert.Equal((null, 1), (told, log.Lines));
    }

    private sealed class Broken(Exception fault) : IServiceScopeFactory
    {
        public IServiceScope CreateScope() => throw fault;
    }

    private sealed class Book : ILogger<Desk>
    {
        public int Lines { get; private set; }

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(
            LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter) => Lines++;
    }
}
