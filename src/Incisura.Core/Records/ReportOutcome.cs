namespace Incisura.Core.Records;

/// <summary>How a record's figures did at the machine.</summary>
public enum ReportOutcome
{
    /// <summary>They ran as they are given.</summary>
    AsGiven,

    /// <summary>They ran, with speed, feed or something else changed.</summary>
    WithChanges,

    /// <summary>They must not be run before somebody has decided.</summary>
    DoNotRun,
}
