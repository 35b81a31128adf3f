using System.Text.Json.Serialization;
using Incisura.Core.Records;

namespace Incisura.Web.Reports;

/// <summary>What happened at a machine when a record was used.</summary>
/// <param name="Key">Made by whoever sends it; what is sent twice with one key is kept once.</param>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Edition">The edition it was read in.</param>
/// <param name="RanAt">When it was written at the machine.</param>
/// <param name="Outcome">How it did.</param>
/// <param name="SpeedOverride">Spindle override, %, 1 to 200.</param>
/// <param name="FeedOverride">Feed override, %, 1 to 200.</param>
/// <param name="LifeMinutes">Life of an edge, min in the cut, to 100 000.</param>
/// <param name="LifePieces">Life of an edge, pieces, to a million.</param>
/// <param name="Load">Load the machine showed, %, to 300.</param>
/// <param name="Pieces">Pieces made in this run, to a million.</param>
/// <param name="Finish">The finish, in words or as it was measured, 200 characters.</param>
/// <param name="Chatter">Whether it chattered.</param>
/// <param name="Broke">Whether something broke.</param>
/// <param name="Note">What else there is to say, 2000 characters.</param>
/// <param name="Photo">A photo as JPEG, PNG or WebP, base64, at most 700 kB; never given back here.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record FloorReportRequest(
    Guid Key, string Record, int Revision, int Edition, DateTimeOffset RanAt, ReportOutcome Outcome, double? SpeedOverride = null,
    double? FeedOverride = null, double? LifeMinutes = null, int? LifePieces = null, double? Load = null, int? Pieces = null, string Finish = "",
    bool Chatter = false, bool Broke = false, string Note = "", byte[]? Photo = null);

/// <summary>A floor report as it is read.</summary>
/// <param name="Id">Its identity.</param>
/// <param name="By">Who reported.</param>
/// <param name="At">When it reached the server.</param>
/// <param name="Report">What was reported, without its photo.</param>
/// <param name="HasPhoto">Whether a photo came with it.</param>
/// <param name="Open">Whether it waits for a decision.</param>
/// <param name="SettledBy">Who decided; empty for nobody.</param>
/// <param name="SettledAt">When.</param>
/// <param name="Decision">What was decided, and why.</param>
public sealed record FloorReportView(
    int Id, string By, DateTimeOffset At, FloorReportRequest Report, bool HasPhoto, bool Open, string SettledBy, DateTimeOffset? SettledAt,
    string Decision);

/// <summary>What many reports say of one figure.</summary>
/// <param name="Count">How many say something of it.</param>
/// <param name="Least">The least.</param>
/// <param name="Middle">The median.</param>
/// <param name="Most">The largest.</param>
public sealed record ReportSpread(int Count, double Least, double Middle, double Most)
{
    /// <summary>Of some values; null where there is none.</summary>
    public static ReportSpread? Of(IEnumerable<double?> values)
    {
        double[] sorted = [.. values.OfType<double>().Order()];
        return sorted.Length == 0
            ? null
            : new(sorted.Length, sorted[0], (sorted[(sorted.Length - 1) / 2] + sorted[sorted.Length / 2]) / 2, sorted[^1]);
    }
}

/// <summary>What was reported of a revision, summed up.</summary>
/// <param name="Revision">The revision.</param>
/// <param name="AsGiven">How many ran it as it is given.</param>
/// <param name="WithChanges">How many ran it with changes.</param>
/// <param name="DoNotRun">How many say that it must not be run.</param>
/// <param name="Chattered">How many heard it chatter.</param>
/// <param name="Broke">At how many something broke.</param>
/// <param name="SpeedOverride">Spindle override, %.</param>
/// <param name="FeedOverride">Feed override, %.</param>
/// <param name="LifeMinutes">Life of an edge, min.</param>
/// <param name="LifePieces">Life of an edge, pieces.</param>
/// <param name="Load">Load, %.</param>
public sealed record ReportSummary(
    int Revision, int AsGiven, int WithChanges, int DoNotRun, int Chattered, int Broke, ReportSpread? SpeedOverride, ReportSpread? FeedOverride,
    ReportSpread? LifeMinutes, ReportSpread? LifePieces, ReportSpread? Load);

/// <summary>All reports on a record, newest first, and what they come to.</summary>
public sealed record ReportsView(IReadOnlyList<ReportSummary> Summaries, IReadOnlyList<FloorReportView> Reports);

/// <summary>A decision on a report that says that a record must not be run.</summary>
/// <param name="Text">What was decided, and why.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record ReportDecision(string Text);
