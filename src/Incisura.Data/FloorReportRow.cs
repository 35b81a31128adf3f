using System.Linq.Expressions;
using Incisura.Core.Records;

namespace Incisura.Data;

/// <summary>What happened at a machine when a record was used.</summary>
public sealed class FloorReportRow
{
    /// <summary>
    /// What somebody has still to look at: what must not be run waits for a decision, what was changed or heard for whoever proposed the record.
    /// </summary>
    public static Expression<Func<FloorReportRow, bool>> Open { get; } = r =>
        r.SettledAt == null && (r.Outcome == ReportOutcome.DoNotRun || r.Outcome == ReportOutcome.WithChanges || r.Chatter || r.Broke);

    private static readonly Func<FloorReportRow, bool> OpenNow = Open.Compile();

    /// <summary>Whether it is one of those.</summary>
    public bool IsOpen => OpenNow(this);

    public int Id { get; set; }

    /// <summary>Given by whoever sends it, so that what is sent twice is kept once.</summary>
    public required Guid Key { get; init; }

    public required int RecordId { get; init; }

    public required string RecordNumber { get; init; }

    public required int Revision { get; init; }

    public required int EditionNumber { get; init; }

    /// <summary>When it was written at the machine.</summary>
    public required DateTimeOffset RanAt { get; init; }

    /// <summary>When it reached the server.</summary>
    public required DateTimeOffset At { get; init; }

    public required string By { get; init; }

    public required ReportOutcome Outcome { get; init; }

    /// <summary>Spindle override, %.</summary>
    public double? SpeedOverride { get; init; }

    /// <summary>Feed override, %.</summary>
    public double? FeedOverride { get; init; }

    /// <summary>Life of an edge, min in the cut.</summary>
    public double? LifeMinutes { get; init; }

    /// <summary>Life of an edge, pieces.</summary>
    public int? LifePieces { get; init; }

    /// <summary>Load the machine showed, %.</summary>
    public double? Load { get; init; }

    /// <summary>Pieces made in this run.</summary>
    public int? Pieces { get; init; }

    /// <summary>The finish, in words or as it was measured.</summary>
    public string Finish { get; init; } = "";

    public bool Chatter { get; init; }

    public bool Broke { get; init; }

    public string Note { get; init; } = "";

    /// <summary>What it looked like; null where none was sent, or none was asked for.</summary>
    public ReportPhotoRow? Photo { get; init; }

    /// <summary>Whether a photo came with it.</summary>
    public bool HasPhoto { get; init; }

    /// <summary>When an engineer decided on it; null while nobody has, or nothing is to be decided.</summary>
    public DateTimeOffset? SettledAt { get; set; }

    public string SettledBy { get; set; } = "";

    /// <summary>What was decided, and why.</summary>
    public string Decision { get; set; } = "";
}

/// <summary>The photo of a report, kept beside it so that lists never read it.</summary>
public sealed class ReportPhotoRow
{
    public int ReportId { get; set; }

    /// <summary>A JPEG picture that was made anew here, with nothing in it but what is seen.</summary>
    public required byte[] Jpeg { get; init; }
}
