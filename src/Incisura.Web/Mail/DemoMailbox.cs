using System.Buffers;
using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using Microsoft.Extensions.Options;
using MimeKit;
using SmtpServer;
using SmtpServer.ComponentModel;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace Incisura.Web.Mail;

/// <summary>Stands in for the workshop's mail server in the demo: takes every mail on this machine alone, and keeps the last ones to be read.</summary>
public sealed class DemoMailbox : BackgroundService
{
    private const int Most = 200;

    private readonly ConcurrentQueue<(MimeMessage Mail, DateTimeOffset At)> mails = [];
    private readonly TimeProvider clock;
    private readonly int port;

    public DemoMailbox(TimeProvider clock, IOptions<MailOptions> options)
    {
        this.clock = clock;

        // A port nobody has; the mail settings point to it.
        using Socket probe = new(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp);
        probe.Bind(new IPEndPoint(IPAddress.Loopback, 0));
        port = ((IPEndPoint)probe.LocalEndPoint!).Port;
        (options.Value.Host, options.Value.Port) = (IPAddress.Loopback.ToString(), port);
        options.Value.Security = MailKit.Security.SecureSocketOptions.None;
        if (options.Value.Every > TimeSpan.FromSeconds(5)) options.Value.Every = TimeSpan.FromSeconds(5);
    }

    /// <summary>Mails to an address, newest first.</summary>
    public IReadOnlyList<MailView> Of(string address) =>
    [
        .. mails.Where(m => m.Mail.To.Mailboxes.Any(t => string.Equals(t.Address, address, StringComparison.OrdinalIgnoreCase)))
            .Select(m => new MailView(m.At, m.Mail.Subject ?? "", m.Mail.TextBody ?? "")).Reverse(),
    ];

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        SmtpServer.ComponentModel.ServiceProvider services = new();
        services.Add(new Store(this));
        await new SmtpServer.SmtpServer(
            new SmtpServerOptionsBuilder().ServerName("demo").Endpoint(e => e.Endpoint(new(IPAddress.Loopback, port))).Build(), services)
            .StartAsync(stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
    }

    private void Take(MimeMessage mail)
    {
        mails.Enqueue((mail, clock.GetUtcNow()));
        while (mails.Count > Most) mails.TryDequeue(out _);
    }

    private sealed class Store(DemoMailbox box) : MessageStore
    {
        public override async Task<SmtpResponse> SaveAsync(
            ISessionContext context, IMessageTransaction transaction, ReadOnlySequence<byte> buffer, CancellationToken cancellationToken)
        {
            using MemoryStream content = new(buffer.ToArray());
            box.Take(await MimeMessage.LoadAsync(content, cancellationToken));
            return SmtpResponse.Ok;
        }
    }
}
