using System.Globalization;
using Serilog;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Incisura.Web.Hosting;

/// <summary>
/// What is written of a request: method, path, status, time, who, from where, and the trace it belongs to. Neither what was asked after the
/// `?` nor any body is, so that no password, code or link gets into a log.
/// </summary>
public static class Logs
{
    // Asked for by machines every few seconds.
    private static readonly PathString Health = new("/health");

    // Warns at every key it makes that keys are not encrypted; Start says so once, and who can read them.
    private const string KeysMade = "Microsoft.AspNetCore.DataProtection.KeyManagement.XmlKeyManager";

    /// <summary>Writes to the console: lines for a person in the demo, JSON (one object a line) otherwise; `Incisura:Log:Json` decides.</summary>
    public static void AddLogs(this WebApplicationBuilder builder, bool demo)
    {
        bool json = builder.Configuration.GetValue("Incisura:Log:Json", !demo);
        builder.Host.UseSerilog((context, log) =>
        {
            log.MinimumLevel.Override("Microsoft", LogEventLevel.Warning).MinimumLevel.Override("System", LogEventLevel.Warning)
                .MinimumLevel.Override(KeysMade, LogEventLevel.Error)
                .ReadFrom.Configuration(context.Configuration).Enrich.FromLogContext();
            if (json) log.WriteTo.Console(new RenderedCompactJsonFormatter());
            else log.WriteTo.Console(formatProvider: CultureInfo.InvariantCulture);
        });
    }

    /// <summary>Writes a line for each request once it is answered; outside the demo, or with `Incisura:Log:Requests`.</summary>
    public static void UseRequestLog(this WebApplication app, bool demo)
    {
        if (!app.Configuration.GetValue("Incisura:Log:Requests", !demo)) return;
        app.UseSerilogRequestLogging(o =>
        {
            o.IncludeQueryInRequestPath = false;
            o.EnrichDiagnosticContext = (line, context) =>
            {
                line.Set("Person", context.User.Identity?.Name ?? "");
                line.Set("Client", context.Connection.RemoteIpAddress?.ToString() ?? "");
            };
            o.GetLevel = (context, _, failed) =>
                failed is not null || context.Response.StatusCode >= StatusCodes.Status500InternalServerError ? LogEventLevel.Error
                    : context.Request.Path.StartsWithSegments(Health) ? LogEventLevel.Verbose
                    : LogEventLevel.Information;
        });
    }
}
