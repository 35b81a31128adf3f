namespace Incisura.Web.Hosting;

/// <summary>
/// The system's clock, in the time zone the workshop works by: what ends on a day ends with the day there, wherever the server stands. Times
/// are kept as UTC, and pages show them in their reader's own zone.
/// </summary>
/// <param name="zone">The zone.</param>
public sealed class WorkshopClock(TimeZoneInfo zone) : TimeProvider
{
    private const string Setting = "Incisura:TimeZone";

    public override TimeZoneInfo LocalTimeZone => zone;

    /// <summary>The clock the settings ask for; the server's own zone where they say nothing.</summary>
    public static TimeProvider Of(IConfiguration configuration) =>
        configuration[Setting] is { Length: > 0 } name && TimeZoneInfo.TryFindSystemTimeZoneById(name, out TimeZoneInfo? zone)
            ? new WorkshopClock(zone)
            : System;

    /// <summary>Refuses a zone that is none.</summary>
    /// <exception cref="StartException">It is.</exception>
    public static void Check(IConfiguration configuration)
    {
        if (configuration[Setting] is { Length: > 0 } name && !TimeZoneInfo.TryFindSystemTimeZoneById(name, out _))
            throw new StartException($"Incisura__TimeZone is {name}, which is no time zone; write one such as Europe/Dublin.");
    }
}

/// <summary>Days of the workshop.</summary>
public static class Days
{
    /// <summary>Today.</summary>
    public static DateOnly Today(this TimeProvider clock) => clock.DayOf(clock.GetUtcNow());

    /// <summary>The day on which something happened.</summary>
    public static DateOnly DayOf(this TimeProvider clock, DateTimeOffset at) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, clock.LocalTimeZone).DateTime);
}
