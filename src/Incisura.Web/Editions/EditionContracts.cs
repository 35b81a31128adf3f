using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Records;
using Incisura.Web.Records;

namespace Incisura.Web.Editions;

/// <summary>What an edition says about itself.</summary>
/// <param name="Number">Its number.</param>
/// <param name="PublishedAt">When it was published.</param>
/// <param name="PublishedBy">By whom.</param>
/// <param name="Note">Why, and what is new.</param>
/// <param name="Digest">SHA-256 of its file.</param>
/// <param name="Count">How many records it has.</param>
/// <param name="Size">Bytes of its file.</param>
/// <param name="SignedWith">Key it was signed with; empty where it was published before editions were signed.</param>
/// <param name="AsksReading">Whether its readers are asked to say that they have read it.</param>
public sealed record EditionSummary(
    int Number, DateTimeOffset PublishedAt, string PublishedBy, string Note, string Digest, int Count, long Size, string SignedWith,
    bool AsksReading);

/// <summary>One record in an edition.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="Note">The proposer's note.</param>
/// <param name="ApprovedBy">Who approved it.</param>
/// <param name="Figures">The figures.</param>
/// <param name="Since">What became of it since.</param>
/// <param name="Terms">Accepted cautions, evidence, and how far the approval reaches.</param>
/// <param name="Cautions">Its cautions, each with why it may stand.</param>
public sealed record EditionEntryView(
    string Record, int Revision, SituationWords Situation, string Note, string ApprovedBy, IReadOnlyList<Figure> Figures, SinceThen Since,
    Terms Terms, IReadOnlyList<CautionView> Cautions);

/// <summary>A page of an edition.</summary>
/// <param name="Summary">What it says about itself.</param>
/// <param name="Newest">Number of the newest edition there is.</param>
/// <param name="LookedAt">When it was compared with how things stand.</param>
/// <param name="Counts">How many of its records hold, are stale, and so on.</param>
/// <param name="Total">How many were found.</param>
/// <param name="Read">When whoever asks said that they have read it; null where they have not.</param>
/// <param name="Entries">Those on this page.</param>
public sealed record EditionView(
    EditionSummary Summary, int Newest, DateTimeOffset LookedAt, IReadOnlyDictionary<string, int> Counts, int Total, DateTimeOffset? Read,
    IReadOnlyList<EditionEntryView> Entries);

/// <summary>How a record would differ between the last edition and the next.</summary>
public enum EditionChange
{
    Same,
    Added,
    Changed,
    Removed,
}

/// <summary>What of a record the next edition takes.</summary>
public enum EditionTake
{
    /// <summary>What is in force.</summary>
    InForce,

    /// <summary>What the edition before has, though another revision was approved since.</summary>
    Before,

    /// <summary>Nothing.</summary>
    Nothing,
}

/// <summary>One record of the next edition, or one that it would no longer have.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="Revision">Revision in force; 0 for none.</param>
/// <param name="PublishedRevision">Revision in the last edition; 0 for none.</param>
/// <param name="Change">How the next edition would differ.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="StaleBy">What was revised since, so that it does not hold; empty where it does.</param>
/// <param name="Against">What stands against taking it; it stays out unless an approver says why it goes in nevertheless. Empty for nothing.</param>
/// <param name="Yields">Whether a reason takes it in.</param>
public sealed record PendingEntry(
    string Record, int Revision, int PublishedRevision, EditionChange Change, SituationWords Situation, IReadOnlyList<string> StaleBy,
    IReadOnlyList<Sentence> Against, bool Yields);

/// <summary>What the next edition would bring.</summary>
/// <param name="Counts">How many records stay, are new, and so on.</param>
/// <param name="Out">How many stay out of it, as something stands against them.</param>
/// <param name="Total">How many were found.</param>
/// <param name="Entries">Those on this page.</param>
public sealed record PendingView(IReadOnlyDictionary<string, int> Counts, int Out, int Total, IReadOnlyList<PendingEntry> Entries);

/// <summary>An edition to be published.</summary>
/// <param name="Note">Why, and what is new.</param>
/// <param name="Takes">Records of which it does not take what is in force.</param>
/// <param name="AsksReading">Whether its readers are asked to say that they have read it.</param>
/// <param name="Reasons">Why a record goes in although something stands against it, by its number; whoever reads the figures sees it.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public sealed record PublishRequest(string? Note = null, IReadOnlyDictionary<string, EditionTake>? Takes = null, bool AsksReading = false,
    IReadOnlyDictionary<string, string>? Reasons = null);

/// <summary>How far publishing is.</summary>
/// <param name="By">Who publishes.</param>
/// <param name="Done">Records that were put together.</param>
/// <param name="Total">Of how many.</param>
/// <param name="Running">Whether it goes on.</param>
/// <param name="Edition">What was published; null until then.</param>
/// <param name="Refused">Why nothing was published; empty where it was, or goes on.</param>
public sealed record PublishProgress(string By, int Done, int Total, bool Running, EditionSummary? Edition, string Refused);

/// <summary>A public key that editions are or were signed with.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Pem">The key, PEM.</param>
/// <param name="Since">When it was made.</param>
/// <param name="Editions">Editions that were signed with it.</param>
/// <param name="Current">Whether the next edition is signed with it.</param>
public sealed record EditionKeyView(string Id, string Pem, DateTimeOffset Since, IReadOnlyList<int> Editions, bool Current);

/// <summary>Somebody, and when they said that they have read an edition; null where they have not.</summary>
public sealed record ReaderView(string Name, string FullName, DateTimeOffset? ReadAt);

/// <summary>How a record differs between two editions.</summary>
/// <param name="Record">Number of the record.</param>
/// <param name="From">Revision in the one; 0 where it is not in it.</param>
/// <param name="To">Revision in the other; 0 where it is not in it.</param>
/// <param name="Change">How it differs.</param>
/// <param name="Situation">What it is for.</param>
/// <param name="Figures">Figures and settings that differ.</param>
/// <param name="Limits">Limits whose use differs.</param>
/// <param name="Findings">Findings that only one of them has.</param>
/// <param name="Others">What else differs, in words.</param>
public sealed record EditionDifference(
    string Record, int From, int To, EditionChange Change, SituationWords Situation, IReadOnlyList<FigureChange> Figures,
    IReadOnlyList<LimitChange> Limits, IReadOnlyList<FindingChange> Findings, IReadOnlyList<string> Others);

/// <summary>How two editions differ.</summary>
/// <param name="From">The one.</param>
/// <param name="To">The other.</param>
/// <param name="Counts">How many records are the same, new, and so on.</param>
/// <param name="Total">How many differ.</param>
/// <param name="Entries">Those on this page.</param>
public sealed record EditionDifferences(
    EditionSummary From, EditionSummary To, IReadOnlyDictionary<string, int> Counts, int Total, IReadOnlyList<EditionDifference> Entries);
