using System.Diagnostics;
using System.Diagnostics.Metrics;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace Incisura.Web.Hosting;

/// <summary>Where measurements and traces go (OpenTelemetry, OTLP over HTTP). Without an address nothing is measured nor sent.</summary>
public sealed class TelemetryOptions
{
    /// <summary>Where the settings stand.</summary>
    public const string Section = "Incisura:Telemetry";

    /// <summary>Address of the collector, such as http://127.0.0.1:4318.</summary>
    public string Collector { get; init; } = "";

    /// <summary>Share of requests that are traced, 0 to 1.</summary>
    public double Traced { get; init; } = 0.1;

    /// <summary>How often measurements are sent, seconds.</summary>
    public int EverySeconds { get; init; } = 30;
}

/// <summary>Measurements and traces behind a switch: requests, connections, limits that were hit, the runtime, and our own calculations.</summary>
public static class Telemetry
{
    private const string Name = "Incisura";

    private static readonly string[] Frameworks = ["Hosting", "Server.Kestrel", "RateLimiting", "Diagnostics"];

    private static readonly Meter Meter = new(Name);
    private static readonly ActivitySource Source = new(Name);
    private static readonly Histogram<double> Calculations = Meter.CreateHistogram<double>(
        "incisura.calculation.duration", "s", "How long a calculation took, by operation");

    /// <summary>Measures and traces what is done for a request; both cost nothing while nobody listens.</summary>
    /// <param name="operation">Word for the operation.</param>
    /// <param name="work">What is done.</param>
    public static T Calculated<T>(string operation, Func<T> work)
    {
        if (!Calculations.Enabled && !Source.HasListeners()) return work();
        using Activity? activity = Source.StartActivity("calculate");
        activity?.SetTag("incisura.operation", operation);
        long from = Stopwatch.GetTimestamp();
        try
        {
            return work();
        }
        finally
        {
            Calculations.Record(Stopwatch.GetElapsedTime(from).TotalSeconds, new KeyValuePair<string, object?>("incisura.operation", operation));
        }
    }

    /// <summary>Refuses settings that cannot be.</summary>
    /// <exception cref="StartException">What they name is no address, or no share.</exception>
    public static void Check(IConfiguration configuration)
    {
        TelemetryOptions o = OptionsOf(configuration);
        if (o.Collector.Length > 0 && AddressOf(o) is null)
            throw new StartException($"Incisura__Telemetry__Collector is {o.Collector}, which is no address; write http://127.0.0.1:4318.");
        if (o.Traced is not (>= 0 and <= 1) || o.EverySeconds < 1)
            throw new StartException("Incisura__Telemetry__Traced is a share from 0 to 1, and __EverySeconds 1 at least.");
    }

    /// <summary>Sends them where the settings name a collector.</summary>
    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        TelemetryOptions o = OptionsOf(builder.Configuration);
        if (AddressOf(o) is not { } at) return;
        builder.Services.AddOpenTelemetry()
            .ConfigureResource(r => r.AddService(Name.ToLowerInvariant(), serviceVersion: typeof(Telemetry).Assembly.GetName().Version?.ToString()))
            .WithMetrics(m => m
                .AddMeter([Name, "System.Runtime", .. Frameworks.Select(f => "Microsoft.AspNetCore." + f)])
                .AddOtlpExporter((e, reader) =>
                {
                    (e.Protocol, e.Endpoint) = (OpenTelemetry.Exporter.OtlpExportProtocol.HttpProtobuf, new Uri(at, "/v1/metrics"));
                    reader.PeriodicExportingMetricReaderOptions.ExportIntervalMilliseconds = o.EverySeconds * 1000;
                }))
            .WithTracing(t => t
                .AddSource(Name)
                .AddAspNetCoreInstrumentation(a => a.Filter = c => !c.Request.Path.StartsWithSegments("/health"))
                .SetSampler(new ParentBasedSampler(new TraceIdRatioBasedSampler(o.Traced)))
                .AddOtlpExporter(e =>
                    (e.Protocol, e.Endpoint) = (OpenTelemetry.Exporter.OtlpExportProtocol.HttpProtobuf, new Uri(at, "/v1/traces"))));
    }

    private static Uri? AddressOf(TelemetryOptions o) =>
        Uri.TryCreate(o.Collector, UriKind.Absolute, out Uri? at) && at.Scheme is "http" or "https" ? at : null;

    private static TelemetryOptions OptionsOf(IConfiguration configuration) =>
        configuration.GetSection(TelemetryOptions.Section).Get<TelemetryOptions>() ?? new();
}
