using System.Globalization;
using MailKit.Net.Smtp;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using MimeKit;

namespace Incisura.Web.Mail;

/// <summary>Sends what waits, one mail for each person with all that happened; what cannot be sent is tried again for three days.</summary>
public sealed partial class Post(
    IServiceScopeFactory scopes, IOptions<MailOptions> options, TimeProvider clock, ILogger<Post> logger) : BackgroundService
{
    private const int MostOfAPerson = 100;

    private readonly SemaphoreSlim sending = new(1, 1);

    private static readonly TimeSpan GivenUp = TimeSpan.FromDays(3);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using PeriodicTimer timer = new(options.Value.Every, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await SendAsync(stoppingToken);
            }
            catch (Exception failed) when (failed is not OperationCanceledException)
            {
                LogFailure(failed, options.Value.Host);
            }
        }
    }

    /// <summary>Sends what waits now.</summary>
    /// <returns>How many mails went out.</returns>
    public async Task<int> SendAsync(CancellationToken cancel)
    {
        // One at a time, so that no mail goes out twice.
        await sending.WaitAsync(cancel);
        try
        {
            return await SendWaitingAsync(cancel);
        }
        finally
        {
            sending.Release();
        }
    }

    public override void Dispose()
    {
        sending.Dispose();
        base.Dispose();
    }

    private async Task<int> SendWaitingAsync(CancellationToken cancel)
    {
        await using AsyncServiceScope scope = scopes.CreateAsyncScope();
        IncisuraDb db = scope.ServiceProvider.GetRequiredService<IncisuraDb>();
        DateTimeOffset since = clock.GetUtcNow() - GivenUp;
        await db.Letters.Where(l => l.At <= since).ExecuteDeleteAsync(cancel);
        if (options.Value.Host.Length == 0) return 0;
        var waiting = await db.Letters.Where(l => l.SentAt == null).Select(l => new { l.To, l.Address }).Distinct().ToListAsync(cancel);
        if (waiting.Count == 0) return 0;
        List<string> people = waiting.ConvertAll(w => w.To);
        Dictionary<string, Person> known = await db.Users.AsNoTracking().Where(p => people.Contains(p.UserName!))
            .ToDictionaryAsync(p => p.UserName!, cancel);
        using SmtpClient client = new();
        int sent = 0;
        foreach (var to in waiting)
        {
            List<LetterRow> letters = await db.Letters.Where(l => l.SentAt == null && l.To == to.To && l.Address == to.Address)
                .OrderBy(l => l.Id).Take(MostOfAPerson).ToListAsync(cancel);

            // Who has given no address is told in the application only.
            Person? person = known.GetValueOrDefault(to.To);
            if ((to.Address.Length > 0 ? to.Address : person?.Email) is { Length: > 0 } address)
            {
                try
                {
                    await DeliverAsync(client, person?.FullName ?? to.To, address, letters, cancel);
                    sent++;
                }
                catch (Exception failed) when (failed is not OperationCanceledException)
                {
                    LogFailure(failed, options.Value.Host);
                    foreach (LetterRow letter in letters) letter.Failures++;
                    await db.SaveChangesAsync(cancel);
                    continue;
                }
            }

            foreach (LetterRow letter in letters) letter.SentAt = clock.GetUtcNow();
            await db.SaveChangesAsync(cancel);
        }

        if (client.IsConnected) await client.DisconnectAsync(true, cancel);
        return sent;
    }

    private async Task DeliverAsync(SmtpClient client, string name, string address, List<LetterRow> letters, CancellationToken cancel)
    {
        MailOptions o = options.Value;
        if (!client.IsConnected)
        {
            await client.ConnectAsync(o.Host, o.Port, o.Security, cancel);
            if (o.User.Length > 0) await client.AuthenticateAsync(o.User, o.Password, cancel);
        }

        MimeMessage message = new()
        {
            Subject = letters.Count == 1
                ? letters[0].Says.Split('\n')[0]
                : string.Create(CultureInfo.InvariantCulture, $"{letters.Count} things happened"),
            Body = new TextPart("plain")
            {
                Text = string.Join("\n\n", letters.Select(l => $"{l.Says}\n{o.Link.TrimEnd('/')}{l.Path}")) + "\n",
            },
        };
        message.From.Add(MailboxAddress.Parse(o.From));
        message.To.Add(new MailboxAddress(name, address));
        await client.SendAsync(message, cancel);
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Mail could not be sent over {Host}; it is tried again")]
    private partial void LogFailure(Exception exception, string host);
}
