using System.Net.Http.Json;
using System.Net.Sockets;
using Incisura.Web.Accounts;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Connections.Features;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Upkeep;

/// <summary>A password that was given from the machine.</summary>
public sealed record GivenPassword(string Password);

/// <summary>
/// The door for commands of whoever keeps the machine: a socket beside the database, which only the account that runs the server can open.
/// A command on a workshop that is served goes through it; on one that is not, it works on the file.
/// </summary>
public static class HostDoor
{
    // What the system allows a socket's path to have.
    private const int LongestPath = 100;

    private const int GroupsOfPassword = 4;

    private static string SocketOf(string database) => database + ".sock";

    /// <summary>Listens on the socket too.</summary>
    public static void AddHostDoor(this WebApplicationBuilder builder, string database)
    {
        if (SocketOf(database).Length > LongestPath) return;
        string urls = builder.Configuration["urls"] is { Length: > 0 } given ? given : "http://localhost:5000";
        builder.WebHost.UseUrls($"{urls};http://unix:{SocketOf(database)}");
    }

    /// <summary>Maps what can be asked through it, and nowhere else.</summary>
    public static void MapHostDoor(this WebApplication app, string database)
    {
        string socket = SocketOf(database);
        File.Delete(socket);
        app.Lifetime.ApplicationStarted.Register(() =>
        {
            if (File.Exists(socket) && !OperatingSystem.IsWindows()) File.SetUnixFileMode(socket, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        });
        app.MapPost("/host/people/{name}/password", async (string name, GivenPassword given, IncisuraDb db, TimeProvider clock) =>
        {
            await ResetAsync(db, name, given.Password, clock.GetUtcNow());
            return TypedResults.NoContent();
        }).ExcludeFromDescription().AddEndpointFilter(async (context, next) =>
            context.HttpContext.Features.Get<IConnectionSocketFeature>()?.Socket.LocalEndPoint is UnixDomainSocketEndPoint
                ? await next(context)
                : Results.Problem("There is nothing here.", statusCode: 404, title: "Not found"));
    }

    /// <summary>Gives somebody a new password, and says it.</summary>
    public static async Task<int> ResetPasswordAsync(string database, string name, TextWriter says)
    {
        if (!File.Exists(database))
        {
            await says.WriteLineAsync($"There is nothing at {database}.");
            return 2;
        }

        string password = SpokenCode.Make(GroupsOfPassword);
        string? refused = await ThroughAsync(SocketOf(database), name, password) ?? await OnFileAsync(database, name, password);
        if (refused is { Length: > 0 })
        {
            await says.WriteLineAsync(refused);
            return 1;
        }

        await says.WriteLineAsync(
            $"{name} signs in with {password} once, and gives a password of their own while doing so. All sessions of {name} are ended, and a "
                + "second factor is taken away.");
        return 0;
    }

    // Null where nobody serves; empty where it was done; otherwise why not.
    private static async Task<string?> ThroughAsync(string socket, string name, string password)
    {
        if (!File.Exists(socket)) return null;
        using SocketsHttpHandler handler = new()
        {
            ConnectCallback = async (_, cancel) =>
            {
                Socket s = new(AddressFamily.Unix, SocketType.Stream, ProtocolType.Unspecified);
                await s.ConnectAsync(new UnixDomainSocketEndPoint(socket), cancel);
                return new NetworkStream(s, ownsSocket: true);
            },
        };
        using HttpClient client = new(handler) { BaseAddress = new("http://localhost") };
        try
        {
            using HttpResponseMessage answer =
                await client.PostAsJsonAsync($"/host/people/{Uri.EscapeDataString(name)}/password", new GivenPassword(password));
            if (answer.IsSuccessStatusCode) return "";
            return (await answer.Content.ReadFromJsonAsync<Microsoft.AspNetCore.Mvc.ProblemDetails>())?.Detail ?? answer.ReasonPhrase ?? "It failed.";
        }
        catch (HttpRequestException)
        {
            // A socket that a killed server left behind.
            return null;
        }
    }

    private static async Task<string> OnFileAsync(string database, string name, string password)
    {
        using DatabaseFile held = new(database);
        held.Hold();
        await using IncisuraDb db = IncisuraDb.At(database);
        try
        {
            await ResetAsync(db, name, password, DateTimeOffset.UtcNow);
            return "";
        }
        catch (MissingException missing)
        {
            return missing.Message;
        }
    }

    private static async Task ResetAsync(IncisuraDb db, string name, string password, DateTimeOffset now)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        string normal = name.ToUpperInvariant();
        Person person = await db.Users.FirstOrDefaultAsync(p => p.NormalizedUserName == normal)
            ?? throw new MissingException($"There is nobody named {name} in this workshop.");
        (person.PasswordHash, person.PasswordOnce) = (Passwords.Hash(person, password), true);
        (person.SecurityStamp, person.LockoutEnd) = (Guid.NewGuid().ToString(), null);
        await db.SaveChangesAsync();
        await SecondFactor.RemoveAsync(db, person.Id);
        await SessionStore.EndAllAsync(db, person.Id);
        await Account.TellAsync(db, person, Chronicle.NewPassword, "the machine", now);
        await transaction.CommitAsync();
    }
}
