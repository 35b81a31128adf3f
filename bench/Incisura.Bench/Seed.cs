using Microsoft.Data.Sqlite;

namespace Incisura.Bench;

/// <summary>Fills a stopped demo's database with copies of its records, each with a revision and events of its own.</summary>
internal static class Seed
{
    public static void Records(string file, int count)
    {
        using SqliteConnection connection = new($"Data Source={file}");
        connection.Open();
        Run("CREATE TEMP TABLE Many AS WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < $count) "
            + "SELECT n.i, s.Id AS Source FROM n JOIN Records s ON s.Id = 1 + n.i % (SELECT COUNT(*) FROM Records)");
        Run("CREATE TEMP TABLE First AS SELECT MAX(Id) AS Id FROM Records");
        Run("CREATE TEMP TABLE FirstRevision AS SELECT MAX(Id) AS Id FROM RecordRevisions");

        // Told apart by a thread of their own, which only their name shows.
        Copy(
            "Records", "First.Id + Many.i", "Records x JOIN Many ON x.Id = Many.Source, First",
            ("Number", "printf('R-%05d', First.Id + Many.i)"), ("Thread", "'bench ' || Many.i"));
        Copy(
            "RecordRevisions", "FirstRevision.Id + Many.i",
            "RecordRevisions x JOIN Many ON x.RecordId = Many.Source AND x.Number = 1, First, FirstRevision",
            ("RecordId", "First.Id + Many.i"), ("Search", "printf('r-%05d ', First.Id + Many.i) || x.Search"));
        Copy(
            "RecordEvents", "NULL",
            "RecordEvents x JOIN RecordRevisions o ON o.Id = x.RevisionId JOIN Many ON o.RecordId = Many.Source AND o.Number = 1, FirstRevision",
            ("RevisionId", "FirstRevision.Id + Many.i"));

        // A member of each table, copied but for what is named.
        void Copy(string table, string id, string from, params (string Column, string As)[] other)
        {
            List<string> columns = [];
            using (SqliteCommand ask = connection.CreateCommand())
            {
                ask.CommandText = $"SELECT name FROM pragma_table_info('{table}') WHERE name <> 'Id'";
                using SqliteDataReader reader = ask.ExecuteReader();
                while (reader.Read()) columns.Add(reader.GetString(0));
            }

            IEnumerable<string> values = columns.Select(c => Array.Find(other, o => o.Column == c).As ?? $"x.\"{c}\"");
            string names = string.Join(", ", columns.Select(c => $"\"{c}\""));
            Run($"INSERT INTO {table} (Id, {names}) SELECT {id}, {string.Join(", ", values)} FROM {from}");
        }

        void Run(string sql)
        {
            using SqliteCommand command = connection.CreateCommand();
            command.CommandText = sql;
            if (sql.Contains("$count", StringComparison.Ordinal)) command.Parameters.AddWithValue("$count", count);
            command.ExecuteNonQuery();
        }
    }
}
