using System.Security.Cryptography;
using System.Text;
using Incisura.Core.Quantities;
using Incisura.Exchange.Editions;
using Incisura.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Editions;

/// <summary>
/// `lay-out FOLDER`: writes all editions as static files with a small reader's page, for any web server or cache to serve. Only what was published is
/// in it. Each file comes to its place whole, the index last, so that who reads meanwhile sees the old state or the new one.
/// </summary>
public static class LayOutCommand
{
    /// <summary>Word that calls it.</summary>
    public const string Word = "lay-out";

    /// <summary>Lays out.</summary>
    /// <param name="database">The workshop's database, in use or not.</param>
    /// <param name="keys">Where the key lies that the index is signed with.</param>
    /// <param name="folder">Where to; what is there already and right is left alone.</param>
    /// <param name="settings">The workshop's name, and whether readers must be signed in.</param>
    /// <param name="says">Takes what is said.</param>
    /// <returns>0 where it is done, 2 where there is no database.</returns>
    public static async Task<int> RunAsync(string database, KeyFolders keys, string folder, IConfiguration settings, TextWriter says)
    {
        if (!File.Exists(database))
        {
            await says.WriteLineAsync($"There is no database {database}.");
            return 2;
        }

        TimeProvider clock = WorkshopClock.Of(settings);
        await using IncisuraDb db = IncisuraDb.At(database);
        if ((await db.Database.GetPendingMigrationsAsync()).Any())
        {
            await says.WriteLineAsync($"{database} was written by an earlier version; start this one on it first.");
            return 2;
        }

        LaidOutIndex index = await WriteEditionsAsync(db, folder, settings["Incisura:Workshop"] ?? "", clock);
        byte[] bytes = EditionFile.Write(index);
        bool signIn = settings.GetValue("Incisura:LayOut:SignIn", true);
        await PutAsync(folder, "nginx.conf", Encoding.UTF8.GetBytes(NginxFor(folder, signIn)));
        string pages = Path.Combine(AppContext.BaseDirectory, "reader");
        foreach (string file in Directory.GetFiles(pages, "*", SearchOption.AllDirectories))
            await PutAsync(folder, Path.GetRelativePath(pages, file), await File.ReadAllBytesAsync(file));
        await PutAsync(folder, "index.json", bytes);

        // The key is made by the server when it publishes first, and belongs to its account; this command makes none.
        if (index.Editions.Count > 0)
            await PutAsync(folder, "index.json.sig", new SigningKeys(keys.Editions, clock).Sign(SHA256.HashData(bytes)).Signature);
        await says.WriteLineAsync(
            $"{Count(index.Editions.Count, "edition")} in {folder}, the newest for {Count(index.Parts.Count, "machine")}; readers "
                + (signIn ? "must be signed in (Incisura__LayOut__SignIn=false lets anybody read)." : "need not be signed in."));
        return 0;
    }

    private static async Task<LaidOutIndex> WriteEditionsAsync(IncisuraDb db, string folder, string workshop, TimeProvider clock)
    {
        var editions = await db.EditionFiles.AsNoTracking()
            .Join(db.Editions, f => f.EditionNumber, e => e.Number, (f, e) => new { File = f, Edition = e })
            .OrderByDescending(e => e.File.EditionNumber)
            .ToListAsync();
        List<LaidOutEdition> laid = [];
        foreach (var e in editions)
        {
            string name = EditionFileEndpoints.NameOf(e.File.EditionNumber) + ".json";
            if (!File.Exists(Path.Combine(folder, name)) || await DigestAsync(Path.Combine(folder, name)) != e.File.Sha256)
                await PutAsync(folder, name, to => EditionStore.WriteAsync(db, e.File, to));
            if (e.File.Signature.Length > 0) await PutAsync(folder, name + ".sig", e.File.Signature);
            laid.Add(new(
                e.File.EditionNumber, Published.Moment(e.Edition.PublishedAt), e.Edition.Note, e.File.Count, name, e.File.Sha256, e.File.KeyId));
        }

        foreach (EditionKeyRow key in await db.EditionKeys.AsNoTracking().ToListAsync())
            await PutAsync(folder, EditionFileEndpoints.NameOf(key), EditionFileEndpoints.PemOf(key));
        List<LaidOutPart> parts = [];
        List<LaidOutChange> since = [];
        if (laid is [var newest, ..])
        {
            List<PublishedRecord> records = [];
            await foreach (PublishedRecord r in EditionFileEndpoints.RecordsAsync(db, newest.Number, CancellationToken.None)) records.Add(r);
            int number = 0;
            foreach (IGrouping<string, PublishedRecord> of in records.GroupBy(r => r.Machine.Name).OrderBy(g => g.Key, StringComparer.Ordinal))
            {
                byte[] part = EditionFile.Write(new LaidOutRecords(LaidOutRecords.Form, new(newest.Number, newest.Sha256), of.Key, [.. of]));
                string name = $"{EditionFileEndpoints.NameOf(newest.Number)}-machine-{++number}.json";
                await PutAsync(folder, name, part);
                parts.Add(new(of.Key, of.Count(), name, EditionStore.Sha256(part)));
            }

            using Shelf shelf = new();
            IReadOnlyDictionary<string, SinceThen> became = await Publication.SinceAsync(
                records.ConvertAll(r => new Entry(r.Record, r.Revision)), db, await shelf.ViewAsync(db), clock.Today());
            since = [.. became.Where(b => b.Value.What != Since.Holds).Select(b => new LaidOutChange(b.Key, Wire.WordOf(b.Value.What)))
                .OrderBy(c => c.Record, StringComparer.Ordinal)];
        }

        return new(
            LaidOutIndex.Form, workshop, Published.Moment(clock.GetUtcNow()), laid, parts, since,
            Units.All.ToDictionary(u => Wire.WordOf(u.Quantity), u => new LaidOutUnit(u.Metric.Unit, u.Metric.Decimals)));
    }

    private static Task PutAsync(string folder, string name, byte[] bytes) => PutAsync(folder, name, async to => await to.WriteAsync(bytes));

    // A file is there whole or as it was before.
    private static async Task PutAsync(string folder, string name, Func<Stream, Task> write)
    {
        string file = Path.Combine(folder, name), written = file + ".new";
        Directory.CreateDirectory(Path.GetDirectoryName(file)!);
        await using (FileStream to = new(written, FileMode.Create)) await write(to);
        File.Move(written, file, overwrite: true);
    }

    private static async Task<string> DigestAsync(string file)
    {
        await using FileStream from = File.OpenRead(file);
        return Convert.ToHexStringLower(await SHA256.HashDataAsync(from));
    }

    private static string Count(int n, string one) => n == 1 ? $"1 {one}" : $"{n} {one}s";

    private static string NginxFor(string folder, bool signIn) =>
        $$"""
        # Within the server block of deploy/nginx.conf: the editions that were laid out, under /editions-read/.
        location /editions-read/ {
          alias {{folder}}/;
          index index.html;
          types {
            text/html html; text/css css; application/javascript js; application/json json; application/x-pem-file pem;
            application/octet-stream sig;
          }
          gzip on;
          gzip_types application/json application/javascript text/css;
          add_header Cache-Control "no-cache";
          add_header X-Content-Type-Options nosniff;
        {{(signIn ? "  auth_request /editions-read-signed-in;" : "  # Anybody may read: Incisura__LayOut__SignIn is false.")}}
        }
        {{(signIn
            ? """

              # Whoever is signed in to the workshop may read.
              location = /editions-read-signed-in {
                internal;
                proxy_pass http://127.0.0.1:5080/api/v1/account/signed-in;
                proxy_pass_request_body off;
                proxy_set_header Content-Length "";
                proxy_set_header Host $host;
                proxy_set_header X-Forwarded-Proto $scheme;
                proxy_set_header X-Forwarded-For $remote_addr;
              }

              """
            : "")}}
        """;
}
