using Incisura.Core.Cutters;
using Incisura.Core.Records;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Tests;

public sealed class StagingTests : IAsyncLifetime
{
    private const int Many = 2500;

    private readonly string folder = Directory.CreateTempSubdirectory("incisura-staging-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private IncisuraDb Open() => new(
        new DbContextOptionsBuilder<IncisuraDb>().UseSqlite(IncisuraDb.ConnectionTo(Path.Combine(folder, "staging.db")) + ";Pooling=False")
            .AddInterceptors(new EachConnection()).Options);

    public async ValueTask InitializeAsync()
    {
        await using IncisuraDb db = Open();
        await db.PrepareAsync(Cancel);
        db.Add(Row(0, "S-0001", 0));
        await db.SaveChangesAsync(Cancel);
    }

    public ValueTask DisposeAsync()
    {
        Directory.Delete(folder, recursive: true);
        return ValueTask.CompletedTask;
    }

    private static StoredCutter Row(int id, string number, int revision, string by = "maren") => new()
    {
        Id = id,
        Name = number,
        Revision = revision,
        ChangedBy = by,
        ChangedAt = DateTimeOffset.UtcNow,
        Definition = new() { Number = number, Family = CutterFamily.SquareEndMill, Remarks = by },
    };

    private static async Task<List<StagedThing>> ManyAsync(IncisuraDb db)
    {
        int first = await Staging.ReserveAsync<StoredCutter>(db, Many, Cancel);
        StoredCutter known = await db.Cutters.AsNoTracking().SingleAsync(c => c.Name == "S-0001", Cancel);
        return
        [
            .. Enumerable.Range(0, Many).Select(i => new StagedThing(Row(first + i, $"S-1{i:0000}", 1), "")),
            new(Row(known.Id, "S-0001", known.Revision + 1, "tobiah"), known.TextOf()),
        ];
    }

    private async Task SaveBesideAsync(string number)
    {
        await using IncisuraDb other = Open();
        other.Database.SetCommandTimeout(1);
        other.Add(Row(0, number, 0, "ines"));
        await other.SaveChangesAsync(Cancel);
    }

    private static Task<IDisposable> AtOnce(CancellationToken cancel) => Task.FromResult<IDisposable>(new MemoryStream());

    private async Task<(int Cutters, int Revisions, IReadOnlyList<ChronicleFault> Faults)> StandsAsync()
    {
        await using IncisuraDb db = Open();
        return (await db.Cutters.CountAsync(Cancel), await db.History.CountAsync(Cancel), (await Chronicle.CheckAsync(db, cancel: Cancel)).Faults);
    }

    [Fact]
    public async Task Others_save_until_the_last_step_and_then_all_of_it_is_there_with_its_history()
    {
        await using IncisuraDb db = Open();
        List<StagedThing> things = await ManyAsync(db);
        List<int> reached = [];
        await Staging.WriteAsync<StoredCutter>(db, things, reached.Add, async _ =>
        {
            // Everything has been made ready by now, and nobody has seen any of it.
            await SaveBesideAsync("S-0002");
            Assert.Equal(2, (await StandsAsync()).Cutters);
            return new MemoryStream();
        }, Cancel);
        Assert.Equal([1000, 2000, Many + 1], reached);
        (int cutters, int revisions, IReadOnlyList<ChronicleFault> faults) = await StandsAsync();
        Assert.Equal((Many + 2, Many + 3), (cutters, revisions));
        Assert.Empty(faults);
        await using IncisuraDb after = Open();
        StoredCutter changed = await after.Cutters.SingleAsync(c => c.Name == "S-0001", Cancel);
        Assert.Equal((2, "tobiah", "tobiah"), (changed.Revision, changed.ChangedBy, changed.Definition.Remarks));
        ChangeRow told = await after.Changes.SingleAsync(c => c.Name == "S-0001" && c.Number == 2, Cancel);
        Assert.Contains("remarks", told.Changes, StringComparison.Ordinal);

        // Whoever adds one afterwards gets an identity of its own.
        await SaveBesideAsync("S-0003");
        Assert.Equal(Many + 3, (await StandsAsync()).Cutters);
    }

    [Fact]
    public async Task A_stop_leaves_nothing_and_the_connection_can_be_used_again()
    {
        await using IncisuraDb db = Open();
        await db.Database.OpenConnectionAsync(Cancel);
        List<StagedThing> things = await ManyAsync(db);
        using CancellationTokenSource stop = new();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(
            () => Staging.WriteAsync<StoredCutter>(db, things, _ => stop.Cancel(), AtOnce, stop.Token));
        await Assert.ThrowsAsync<InvalidOperationException>(
            () => Staging.WriteAsync<StoredCutter>(db, things, _ => { }, _ => throw new InvalidOperationException("no turn"), Cancel));
        Assert.Equal((1, 1), ((await StandsAsync()).Cutters, (await StandsAsync()).Revisions));
        await Staging.WriteAsync<StoredCutter>(db, things, _ => { }, AtOnce, Cancel);
        Assert.Equal(Many + 1, (await StandsAsync()).Cutters);
        Assert.Empty((await StandsAsync()).Faults);
    }

    [Theory]
    [InlineData("S-12345", "There is a S-12345 already")]
    [InlineData("s-12345", "There is a s-12345 already")]
    [InlineData("S-0001", "ines changed S-0001")]
    public async Task What_somebody_else_saved_meanwhile_stops_all_of_it_with_a_sentence(string number, string says)
    {
        await using IncisuraDb db = Open();
        List<StagedThing> things = await ManyAsync(db);
        RuleException refused = await Assert.ThrowsAsync<RuleException>(() => Staging.WriteAsync<StoredCutter>(db, things, _ => { }, async _ =>
        {
            await using IncisuraDb other = Open();
            StoredCutter? known = await other.Cutters.FirstOrDefaultAsync(c => c.Name == number, Cancel);
            if (known is null) other.Add(Row(0, number, 0, "ines"));
            else (known.ChangedBy, known.Definition) = ("ines", known.Definition with { Coating = "hers" });
            await other.SaveChangesAsync(Cancel);
            return new MemoryStream();
        }, Cancel));
        Assert.StartsWith(says, refused.Message, StringComparison.Ordinal);
        Assert.True((await StandsAsync()).Cutters <= 2);
        Assert.Empty((await StandsAsync()).Faults);
    }

    [Fact]
    public async Task Nothing_is_saved_without_its_history()
    {
        await using IncisuraDb db = Open();
        db.Add(Row(0, "S-0009", 0));
        Assert.Throws<NotSupportedException>(() => db.SaveChanges());
        Assert.Equal(0, await db.Cutters.CountAsync(c => c.Name == "S-0009", Cancel));
    }

    [Fact]
    public async Task Every_connection_writes_through_to_the_disk()
    {
        for (int i = 0; i < 3; i++)
        {
            await using IncisuraDb db = Open();
            Assert.Equal(2, await db.Database.SqlQueryRaw<int>("SELECT synchronous AS Value FROM pragma_synchronous").SingleAsync(Cancel));
        }
    }

    [Fact]
    public async Task Reserved_identities_are_nobody_elses()
    {
        await using IncisuraDb db = Open();
        int first = await Staging.ReserveAsync<StoredCutter>(db, 10, Cancel), second = await Staging.ReserveAsync<StoredCutter>(db, 5, Cancel);
        Assert.Equal(first + 10, second);
        await SaveBesideAsync("S-0004");
        Assert.Equal(second + 5, await db.Cutters.Where(c => c.Name == "S-0004").Select(c => c.Id).SingleAsync(Cancel));
        Assert.Equal(1, await Staging.ReserveAsync<StoredHolder>(db, 3, Cancel));
    }
}
