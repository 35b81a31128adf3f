using System.Net;
using Incisura.Web.Upkeep;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Configuration;

namespace Incisura.Web.Tests;

/// <summary>What whoever keeps the machine relies on: copies while people work, restoring them, the door beside the database, health.</summary>
public sealed class UpkeepTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("incisura-upkeep-").FullName;

    public UpkeepTests() => Filled.CopyTo(Path.GetDirectoryName(Database)!);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private string Database => Path.Combine(folder, "data", "incisura.db");

    private string In(string name) => Path.Combine(folder, name);

    private async Task<(int Code, string Says)> RunAsync(params string[] words)
    {
        StringWriter says = new();
        int? code = await Commands.RunAsync(words, Database, KeyFolders.Of(Database, null, null), new ConfigurationManager(), says);
        return (Assert.IsType<int>(code), says.ToString());
    }

    [Fact]
    public async Task A_copy_made_while_people_save_is_one_moment_of_it_and_an_empty_folder_becomes_that_workshop_again()
    {
        int acknowledged = 0;
        string file = In("copies/monday.db");
        await using (ServerProcess server = await ServerProcess.StartAsync(Database))
        {
            using CancellationTokenSource stop = new();
            Caller maren = await server.SignInAsync("maren");
            Task writer = Task.Run(
                async () =>
                {
                    for (int i = 0; !stop.IsCancellationRequested; i++)
                    {
                        Answer sheet = await maren.GetAsync("/library/cutters/1");
                        (await maren.PutAsync("/library/cutters/1", sheet["definition"], sheet["revision"].GetInt32())).Expect(HttpStatusCode.OK);
                        Interlocked.Increment(ref acknowledged);
                    }
                },
                Cancel);
            while (Volatile.Read(ref acknowledged) < 5) await Task.Delay(10, Cancel);
            int before = Volatile.Read(ref acknowledged);
            (int code, string says) = await RunAsync("backup", file);
            Assert.Equal((0, true), (code, says.Contains("whole and sound", StringComparison.Ordinal)));
            int after = Volatile.Read(ref acknowledged);
            await stop.CancelAsync();
            await writer;

            // All that was acknowledged before it began is in it, and nothing of what came after it ended.
            Assert.InRange(RevisionIn(file), before + 1, after + 2);
            Assert.Equal(0, (await RunAsync("check", file)).Code);

            // A database in use is not replaced.
            (int busy, string said) = await RunAsync("restore", file, "--replace");
            Assert.Equal((2, true), (busy, said.Contains("another Incisura runs on it", StringComparison.Ordinal)));
        }

        Assert.Contains("--replace", (await RunAsync("restore", file)).Says, StringComparison.Ordinal);
        SqliteConnection.ClearAllPools();
        Directory.Delete(Path.GetDirectoryName(Database)!, recursive: true);
        Assert.Equal(0, (await RunAsync("restore", file)).Code);
        await using ServerProcess restored = await ServerProcess.StartAsync(Database);
        Assert.Equal(
            RevisionIn(file), (await (await restored.SignInAsync("maren")).GetAsync("/library/cutters/1"))["revision"].GetInt32());
    }

    private static int RevisionIn(string file)
    {
        using SqliteConnection connection = new($"Data Source={file};Mode=ReadOnly;Pooling=False");
        connection.Open();
        using SqliteCommand command = connection.CreateCommand();
        command.CommandText = "SELECT Revision FROM Cutters WHERE Id = 1";
        return Convert.ToInt32(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task What_is_broken_is_never_restored_and_what_is_replaced_is_kept()
    {
        await using (await ServerProcess.StartAsync(Database)) Assert.Equal(0, (await RunAsync("backup", In("good.db"))).Code);
        byte[] bytes = await File.ReadAllBytesAsync(In("good.db"), Cancel);
        Array.Clear(bytes, bytes.Length / 2, 64 * 1024);
        await File.WriteAllBytesAsync(In("broken.db"), bytes, Cancel);
        byte[] was = await File.ReadAllBytesAsync(Database, Cancel);
        (int code, string says) = await RunAsync("restore", In("broken.db"), "--replace");
        Assert.Equal((1, true), (code, says.Contains("not sound", StringComparison.Ordinal)));
        Assert.Equal(was, await File.ReadAllBytesAsync(Database, Cancel));
        Assert.Equal(2, (await RunAsync("restore", In("nothing.db"))).Code);
        Assert.Equal(2, (await RunAsync("backup")).Code);

        Assert.Equal(0, (await RunAsync("restore", In("good.db"), "--replace")).Code);
        string aside = Directory.GetFiles(Path.GetDirectoryName(Database)!, "*.replaced-*").OrderBy(f => f.Length).First();
        Assert.Null(await DatabaseCopy.FaultAsync(aside, Cancel));
    }

    [Fact]
    public async Task The_second_place_and_dated_copies_follow_by_themselves_and_the_oldest_go()
    {
        Directory.CreateDirectory(In("dated"));
        foreach (int year in new[] { 2019, 2020, 2021 }) await File.WriteAllTextAsync(In($"dated/incisura-{year}0101-000000.db"), "old", Cancel);
        await File.WriteAllTextAsync(In("dated/incisura-notes.db"), "somebody's own", Cancel);
        await using ServerProcess server = await ServerProcess.StartAsync(
            Database, ("Incisura__Copies__Folder", In("dated")), ("Incisura__Copies__Keep", "2"), ("Incisura__Copies__Second", In("second.db")),
            ("Incisura__Copies__EverySeconds", "5"));
        Caller maren = await server.SignInAsync("maren");
        Answer sheet = await maren.GetAsync("/library/cutters/1");
        int revision = (await maren.PutAsync("/library/cutters/1", sheet["definition"], sheet["revision"].GetInt32()))["revision"].GetInt32();
        await UntilAsync(() => File.Exists(In("second.db")) && RevisionIn(In("second.db")) == revision);
        await UntilAsync(() => Directory.GetFiles(In("dated")) is { Length: 4 } all && all.Any(f => f.EndsWith(".head", StringComparison.Ordinal)));
        string[] kept = [.. Directory.GetFiles(In("dated"), "*.db").Select(f => Path.GetFileName(f)).Order(StringComparer.Ordinal)];
        Assert.Equal(["incisura-20210101-000000.db", "incisura-notes.db"], [kept[0], kept[2]]);
        Assert.Null(await DatabaseCopy.FaultAsync(In("dated/" + kept[1]), Cancel));

        // What is noted beside a copy is in it, and in what is served.
        string noted = (await File.ReadAllTextAsync(In($"dated/{kept[1]}.head"), Cancel)).Trim().Split(' ')[^1];
        foreach (string file in new[] { In("dated/" + kept[1]), Database }) Assert.Equal(0, (await RunAsync("check", file, noted)).Code);
        Assert.Equal(1, (await RunAsync("check", Database, noted[1..] + "0")).Code);
        Assert.Contains("up to date", await TextAsync(server, "/health"), StringComparison.Ordinal);
    }

    private static async Task UntilAsync(Func<bool> there)
    {
        for (int i = 0; i < 1200 && !there(); i++) await Task.Delay(50, Cancel);
        Assert.True(there());
    }

    private static async Task<string> TextAsync(ServerProcess server, string path)
    {
        using HttpClient http = new();
        return await http.GetStringAsync(server.Address + path, Cancel);
    }

    [Fact]
    public async Task A_lost_password_is_given_anew_on_the_machine_through_the_door_or_on_the_file_and_ends_all_sessions()
    {
        string first;
        await using (ServerProcess server = await ServerProcess.StartAsync(Database))
        {
            Caller adwin = await server.SignInAsync("adwin");
            (int code, string says) = await RunAsync("reset-password", "Adwin");
            Assert.Equal(0, code);
            first = Given(says);
            (await adwin.GetAsync("/people")).Expect(HttpStatusCode.Unauthorized);
            await SignsInOnceAsync(server, "adwin", first);
            Assert.Contains("nobody named", (await RunAsync("reset-password", "nobody")).Says, StringComparison.Ordinal);

            // The door is no page.
            using HttpClient http = new() { BaseAddress = new(server.Address) };
            using HttpResponseMessage shut =
                await http.PostAsync("/host/people/adwin/password", System.Net.Http.Json.JsonContent.Create(new { password = "x" }), Cancel);
            Assert.Equal(HttpStatusCode.NotFound, shut.StatusCode);
            if (!OperatingSystem.IsWindows())
                Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(Database + ".sock"));
        }

        // The server was killed, so that its socket is still there.
        string second = Given((await RunAsync("reset-password", "adwin")).Says);
        Assert.NotEqual(first, second);
        await using ServerProcess again = await ServerProcess.StartAsync(Database);
        await SignsInOnceAsync(again, "adwin", second);
        Assert.Equal(0, (await RunAsync("check")).Code);
    }

    private static string Given(string says) => says.Split(" with ")[1].Split(' ')[0];

    // The password that was given lets nobody in as it is, nor twice.
    private static async Task SignsInOnceAsync(ServerProcess server, string name, string password)
    {
        using HttpClient http = new() { BaseAddress = new(server.Address) };
        Caller caller = new(http);
        string own = $"four old boats sank {password[..4]}";
        Assert.Equal(
            "password-needed", (await caller.PostAsync("/session", new { name, password })).Expect(HttpStatusCode.Unauthorized)["rule"].GetString());
        (await caller.GetAsync("/account/sessions")).Expect(HttpStatusCode.Unauthorized);
        (await caller.PostAsync("/session", new { name, password, next = "short" })).Expect(HttpStatusCode.UnprocessableEntity);
        (await caller.PostAsync("/session", new { name, password, next = own })).Expect(HttpStatusCode.OK);
        (await caller.PostAsync("/session", new { name, password, next = own })).Expect(HttpStatusCode.Unauthorized);
        (await caller.PostAsync("/session", new { name, password = own })).Expect(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Only_its_owner_reads_the_data_and_keys_are_copied_apart()
    {
        // Filled anew, with what the first publication makes beside the database.
        File.Delete(Database);
        await using (await ServerProcess.StartAsync(Database))
        {
            if (!OperatingSystem.IsWindows())
            {
                const UnixFileMode Others = (UnixFileMode)0b000_111_111;
                Assert.Equal(UnixFileMode.None, File.GetUnixFileMode(Path.GetDirectoryName(Database)!) & Others);
                foreach (string file in Directory.GetFiles(Path.GetDirectoryName(Database)!, "incisura.db*"))
                    if (!file.EndsWith(".lock", StringComparison.Ordinal)) Assert.Equal(UnixFileMode.None, File.GetUnixFileMode(file) & Others);
            }

            Assert.Equal(0, (await RunAsync("keys", In("safe"))).Code);
            Assert.Equal(0, (await RunAsync("backup", In("copy.db"))).Code);
        }

        // Each kind in a folder of its own.
        Assert.All(Directory.GetFiles(In("safe/sessions")), f => Assert.EndsWith(".xml", f, StringComparison.Ordinal));
        string pem = await File.ReadAllTextAsync(Assert.Single(Directory.GetFiles(In("safe/editions"))), Cancel);
        Assert.DoesNotContain(
            pem.Split('\n')[1], System.Text.Encoding.Latin1.GetString(await File.ReadAllBytesAsync(In("copy.db"), Cancel)), StringComparison.Ordinal);
    }

    [Fact]
    public void Keys_that_lay_in_one_folder_are_taken_apart_and_none_is_lost()
    {
        string keys = Path.Combine(Path.GetDirectoryName(Database)!, "keys");
        Directory.Delete(keys, recursive: true);
        Directory.CreateDirectory(keys);
        File.WriteAllText(Path.Combine(keys, "edition-signing-key.pem"), "signs");
        File.WriteAllText(Path.Combine(keys, "key-1.xml"), "protects");
        KeyFolders folders = KeyFolders.Of(Database, null, In("elsewhere"));
        for (int again = 0; again < 2; again++) folders.Prepare(Database);
        Assert.Equal("signs", File.ReadAllText(Path.Combine(keys, "editions", "edition-signing-key.pem")));
        Assert.Equal("protects", File.ReadAllText(Path.Combine(In("elsewhere"), "key-1.xml")));
        Assert.Empty(Directory.GetFiles(keys));
    }

    [Fact]
    public async Task A_newer_workshop_is_refused_and_an_older_one_is_copied_before_anything_of_it_changes()
    {
        Sql(
            "DELETE FROM __EFMigrationsHistory WHERE MigrationId LIKE '%_Factors'; DROP TABLE SecondFactors; ALTER TABLE Sessions DROP COLUMN "
                + "Device");
        await using (await ServerProcess.StartAsync(Database)) { }

        string copy = Assert.Single(Directory.GetFiles(Path.GetDirectoryName(Database)!, "*.before-*"));
        Assert.Null(await DatabaseCopy.FaultAsync(copy, Cancel));
        Sql("INSERT INTO __EFMigrationsHistory VALUES ('20990101000000_Tomorrow', '99.0')");
        using System.Diagnostics.Process refused = new()
        {
            StartInfo = new("dotnet", [Path.Combine(AppContext.BaseDirectory, "Incisura.Web.dll"), "--urls", "http://127.0.0.1:0"])
            {
                WorkingDirectory = folder,
                RedirectStandardError = true,
                RedirectStandardOutput = true,
                Environment = { ["Incisura__Database"] = Database },
            },
        };
        refused.Start();
        string says = await refused.StandardError.ReadToEndAsync(Cancel);
        await refused.WaitForExitAsync(Cancel);
        Assert.Equal(1, refused.ExitCode);
        Assert.Contains("written by a newer Incisura (step 20990101000000_Tomorrow)", says, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", says, StringComparison.Ordinal);
    }

    // What the last statement gives.
    private long Sql(string sql)
    {
        using SqliteConnection connection = new($"Data Source={Database};Pooling=False");
        connection.Open();
        using SqliteCommand command = connection.CreateCommand();
#pragma warning disable CA2100 // The text is written above.
        command.CommandText = sql;
#pragma warning restore CA2100
        long last = 0;
        using SqliteDataReader reader = command.ExecuteReader();
        do
            if (reader.Read()) last = reader.GetInt64(0);
        while (reader.NextResult());
        return last;
    }

    [Fact]
    public async Task Health_tells_a_broken_file_from_a_server_that_lives()
    {
        await using (await ServerProcess.StartAsync(Database)) { }

        SqliteConnection.ClearAllPools();
        int page = (int)Sql("PRAGMA wal_checkpoint(TRUNCATE); SELECT rootpage FROM sqlite_master WHERE name = 'ReportPhotos'");
        byte[] bytes = await File.ReadAllBytesAsync(Database, Cancel);

        // A page that nothing reads at the start.
        Array.Clear(bytes, (page - 1) * 4096, 4096);
        await File.WriteAllBytesAsync(Database, bytes, Cancel);
        await using ServerProcess server = await ServerProcess.StartAsync(Database, ready: "/health/live");
        using HttpClient http = new() { BaseAddress = new(server.Address) };
        string said = "";
        for (int i = 0; i < 600 && !said.Contains("is broken", StringComparison.Ordinal); i++)
        {
            await Task.Delay(50, Cancel);
            said = await (await http.GetAsync("/health/ready", Cancel)).Content.ReadAsStringAsync(Cancel);
        }

        Assert.Contains("Restore a copy", said, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, (await http.GetAsync("/health", Cancel)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync("/health/live", Cancel)).StatusCode);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
