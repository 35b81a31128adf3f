using System.Text.Json.Nodes;
using Incisura.Data;
using Incisura.Web.History;
using Microsoft.Data.Sqlite;

namespace Incisura.Web.Tests;

/// <summary>Whoever can write the file alters what decides, and leaves the chain alone: each is named.</summary>
public sealed class ForgeryTests(ForgeryTests.Lived lived) : IClassFixture<ForgeryTests.Lived>
{
    /// <summary>A demo in which everything that decides has happened once, as a file.</summary>
    public sealed class Lived : IAsyncLifetime
    {
        private readonly Workshop workshop = new();

        public string Folder { get; } = Directory.CreateTempSubdirectory("incisura-forged-").FullName;

        public string File => Path.Combine(Folder, "lived.db");

        public string Head { get; private set; } = "";

        public async ValueTask InitializeAsync()
        {
            Caller maren = await workshop.SignInAsync("maren"), tobiah = await workshop.SignInAsync("tobiah"),
                jory = await workshop.SignInAsync("jory"), adwin = await workshop.SignInAsync("adwin");
            await adwin.InviteAsync("edda", "engineer", "two old boats sank", new(workshop.CreateClient()));
            string today = DateTime.UtcNow.ToString("yyyy-MM-dd");
            Answer absence = await tobiah.PostAsync("/absences", new { deputy = "maren", from = today, until = today });
            (await maren.PostAsync($"/absences/{absence["id"].GetInt32()}/agreement", new { })).Expect(System.Net.HttpStatusCode.NoContent);
            foreach ((string number, string outcome) in new[] { ("R-0001", "doNotRun"), ("R-0002", "withChanges") })
            {
                Answer record = await maren.GetAsync($"/records/{number}");
                (await jory.PostAsync("/reports", new
                {
                    key = Guid.NewGuid(),
                    record = number,
                    revision = record["inForce"].GetInt32(),
                    edition = 1,
                    ranAt = DateTimeOffset.UtcNow,
                    outcome,
                    note = "It sings.",
                    finish = "",
                    chatter = false,
                    broke = false,
                })).Expect(System.Net.HttpStatusCode.OK);
            }

            (await jory.PostAsync("/editions/1/reading", new { })).Expect(System.Net.HttpStatusCode.NoContent);
            (await tobiah.PostAsync("/records/R-0003/comments", new { revision = 1, text = "Why so slow?" })).Expect(System.Net.HttpStatusCode.OK);
            Answer thread = await maren.GetAsync("/threads/start?text=M24");
            JsonNode worn = JsonNode.Parse(thread.Json.ToString())!;
            (worn["name"], worn["reason"], worn["diameter"]) = ("Worn 24", "Old boats.", 24.2);
            Answer own = (await maren.PostAsync("/shop/threads", worn)).Expect(System.Net.HttpStatusCode.Created);
            (await tobiah.PostAsync($"/shop/threads/{own["id"].GetInt32()}/approval", new { }, own["revision"].GetInt32()))
                .Expect(System.Net.HttpStatusCode.OK);
            await DatabaseCopy.MakeAsync(workshop.Database, File);
            await using IncisuraDb db = IncisuraDb.At(File);
            Head = (await Chronicle.HeadAsync(db)).Hash;
        }

        public async ValueTask DisposeAsync()
        {
            await workshop.DisposeAsync();
            SqliteConnection.ClearAllPools();
            Directory.Delete(Folder, recursive: true);
        }
    }

    private async Task<(int Code, string Says)> AfterAsync(string sql, string hash = "")
    {
        string file = Path.Combine(lived.Folder, $"{Guid.NewGuid():N}.db");
        File.Copy(lived.File, file);
        using (SqliteConnection connection = new($"Data Source={file};Pooling=False"))
        {
            await connection.OpenAsync(TestContext.Current.CancellationToken);
            using SqliteCommand command = connection.CreateCommand();

            // Whoever writes the file takes its own guards out first.
            command.CommandText = "SELECT group_concat('DROP TRIGGER \"' || name || '\";', ' ') FROM sqlite_master WHERE type = 'trigger'";
            string guards = (string)(await command.ExecuteScalarAsync(TestContext.Current.CancellationToken))!;
            command.CommandText = guards + "PRAGMA foreign_keys = OFF; PRAGMA ignore_check_constraints = ON; " + sql;
            await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }

        StringWriter says = new();
        int code = await CheckCommand.RunAsync(file, says, hash);
        return (code, says.ToString());
    }

    [Fact]
    public async Task What_nobody_altered_is_in_order_against_the_hash_that_was_noted()
    {
        (int code, string says) = await AfterAsync("SELECT 1", lived.Head);
        Assert.True(code == 0, says);
    }

    // What was altered, how, and by which words it is named.
    public static TheoryData<string, string, string> Forged => new()
    {
        { "a stop lifted", "UPDATE RecordRevisions SET StoppedBy = ''", "not stopped any more" },
        {
            "a stop lifted and its report deleted",
            "UPDATE RecordRevisions SET StoppedBy = ''; DELETE FROM FloorReports WHERE Outcome = 'DoNotRun'",
            "The report on R-0001"
        },
        {
            "a report decided",
            "UPDATE FloorReports SET SettledAt = At, SettledBy = 'tobiah', Decision = 'fine'; UPDATE RecordRevisions SET StoppedBy "
                + "= ''",
            "The decision on R-0001"
        },
        { "who reported", "UPDATE FloorReports SET \"By\" = 'edda'", "The report on R-0001" },
        { "a report's words", "UPDATE FloorReports SET Note = 'All well.' WHERE RecordNumber = 'R-0002'", "The report on R-0002" },
        { "a stop invented", "UPDATE RecordRevisions SET StoppedBy = 'x' WHERE RecordId = 5", "nobody reported on it" },
        { "who approved", "UPDATE RecordEvents SET \"By\" = 'ines' WHERE Act = 'Approve'", "is not what the history tells" },
        { "who wrote", "UPDATE RecordEvents SET \"By\" = 'edda' WHERE Id = 1", "is not what the history tells" },
        { "an event taken out", "DELETE FROM RecordEvents WHERE Id = 1", "is not what the history tells" },
        { "in whose place", "UPDATE RecordEvents SET InPlaceOf = 'tobiah' WHERE Id = 2", "is not what the history tells" },
        { "a reason", "UPDATE RecordEvents SET Reason = 'because' WHERE Id = 2", "is not what the history tells" },
        { "what is in force", "UPDATE RecordRevisions SET IsInForce = 0", "is not what follows from its state" },
        { "a record deleted", "DELETE FROM RecordRevisions WHERE RecordId = 4", "not there any more" },
        { "a cutter deleted", "DELETE FROM Cutters WHERE Id = 3", "cutter 3 is told" },
        {
            "a cutter of an assembly deleted",
            "DELETE FROM Cutters WHERE Id = (SELECT CutterId FROM Assemblies LIMIT 1)",
            "is told, and is not there"
        },
        { "a machine deleted", "DELETE FROM Machines WHERE Id = 2", "machine 2 is told" },
        { "a revision deleted", "DELETE FROM Revisions WHERE rowid = 7", "missing among the revisions" },
        { "a definition altered", "UPDATE Materials SET Definition = replace(Definition, 'quenched', 'quencheD')", "is not what entry" },
        {
            "a reader made an approver",
            "UPDATE AspNetUserRoles SET RoleId = (SELECT Id FROM AspNetRoles WHERE Name = 'Approver') WHERE UserId = (SELECT Id FROM AspNetUsers "
                + "WHERE UserName = 'jory')",
            "The account of jory"
        },
        { "a password replaced", "UPDATE AspNetUsers SET PasswordHash = 'x' WHERE UserName = 'tobiah'", "The account of tobiah" },
        { "an account closed", "UPDATE AspNetUsers SET LockoutEnd = 253370764800000 WHERE UserName = 'edda'", "The account of edda" },
        { "let in by the provider", "UPDATE AspNetUsers SET ByProvider = 1 WHERE UserName = 'edda'", "The account of edda" },
        {
            "somebody put in",
            "UPDATE AspNetUsers SET UserName = 'evil' WHERE UserName = 'edda'",
            "evil is told by no entry"
        },
        { "somebody taken out", "DELETE FROM AspNetUsers WHERE UserName = 'edda'", "edda, who is not there" },
        {
            "a second factor put in",
            "INSERT INTO SecondFactors (PersonId, Secret, Confirmed, LastStep, Recovery) SELECT Id, 'x', 1, 0, '' FROM AspNetUsers WHERE "
                + "UserName = 'ines'",
            "The account of ines"
        },
        {
            "a deputy put in",
            "INSERT INTO Absences (Approver, Deputy, \"From\", Until, AgreedAt) SELECT 'ines', 'edda', \"From\", Until, AgreedAt "
                + "FROM Absences",
            "The absence of ines"
        },
        { "a deputy of somebody else", "UPDATE Absences SET Deputy = 'edda'", "The absence of tobiah" },
        { "a deputy who did not agree", "UPDATE Absences SET AgreedAt = NULL", "The absence of tobiah" },
        { "a comment in another's name", "UPDATE Comments SET \"By\" = 'ines'", "A comment R-0003" },
        { "a comment deleted", "DELETE FROM Comments", "A comment R-0003" },
        { "an approval of a thread", "UPDATE ThreadApprovals SET \"By\" = 'ines'", "The approval of a thread" },
        { "a thread approved further", "UPDATE ThreadApprovals SET Revision = 9", "The approval of a thread" },
        { "a reading", "DELETE FROM Readings", "The reading of edition 1" },
        { "a key", "UPDATE EditionKeys SET Id = 'x'", "The key" },
    };

    [Theory]
    [MemberData(nameof(Forged))]
    public async Task An_altered_row_of_what_decides_is_named(string what, string sql, string says)
    {
        (int code, string said) = await AfterAsync(sql);
        Assert.True(code == 1, $"{what}: {said}");
        Assert.Contains(says, said, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("its end cut off", "DELETE FROM Changes WHERE Id > (SELECT MAX(Id) - 3 FROM Changes)")]
    [InlineData("only the last one gone", "DELETE FROM Changes WHERE Id = (SELECT MAX(Id) FROM Changes)")]
    public async Task A_shortened_history_is_found_against_the_hash_that_was_noted(string what, string sql)
    {
        (int code, string said) = await AfterAsync(sql, lived.Head);
        Assert.True(code == 1, $"{what}: {said}");
        Assert.Contains("No entry has the hash that was noted", said, StringComparison.Ordinal);
    }
}
