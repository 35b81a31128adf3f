using Incisura.Core.Checks;
using Incisura.Core.Quantities;
using Incisura.Core.Records;
using Incisura.Core.Threads;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Incisura.Web.Records;
using Microsoft.EntityFrameworkCore;
using Thread = Incisura.Core.Threads.Thread;

namespace Incisura.Web.Shop;

/// <summary>A form of thread, as the list of threads knows it.</summary>
public sealed record ThreadFormView(ThreadForm Form, string Name, string Standard, double FlankAngle, bool Taper, int Count, string Missing);

/// <summary>A row of the list of threads.</summary>
/// <param name="Text">What it is called; with it the thread is asked for.</param>
/// <param name="Form">Its form.</param>
/// <param name="Series">Series within its form.</param>
/// <param name="Diameter">Major diameter, mm.</param>
/// <param name="Pitch">Pitch, mm.</param>
/// <param name="Checked">Whether its figures were compared with the standard's own tables.</param>
/// <param name="Own">Identity of the shop's own thread; null for a listed one.</param>
/// <param name="Parent">The listed thread an own one was made from.</param>
public sealed record ThreadRow(
    string Text, ThreadForm Form, string Series, double Diameter, double Pitch, bool Checked, int? Own = null, string? Parent = null);

/// <summary>A list of threads, shortened where it is long.</summary>
public sealed record ThreadRows(IReadOnlyList<ThreadRow> Rows, int Total);

/// <summary>The basic dimensions of a thread, mm.</summary>
public sealed record ThreadSizes(
    double Major, double InternalMajor, double Pitch, double Minor, double InternalMinor, double Height, double InternalHeight, double Bearing,
    bool HeightKnown);

/// <summary>Two limits, mm; null where the standard leaves one open.</summary>
public sealed record LimitPair(double? Least, double? Most);

/// <summary>Limits of size in a class.</summary>
public sealed record ThreadClass(string Name, bool Internal, LimitPair Major, LimitPair Pitch, LimitPair Minor, string Source, bool Checked);

/// <summary>What belongs around a thread, mm; null where it is not known.</summary>
/// <param name="CoilInsert">Hole for a coil insert: minor, pitch and major diameter.</param>
/// <param name="Undercut">Undercut behind the external thread.</param>
/// <param name="ChamferOutside">Largest diameter a chamfer begins at, outside.</param>
/// <param name="ChamferInside">Least diameter a countersink reaches, inside.</param>
public sealed record ThreadAround(CoilInsertHole? CoilInsert, Undercut? Undercut, double ChamferOutside, double ChamferInside);

/// <summary>Where a taper thread is gauged, mm.</summary>
public sealed record ThreadGauge(double SmallEnd, double AtGauge, double Length, double? Effective, double PerPitch);

/// <summary>Size over three wires, mm.</summary>
public sealed record ThreadWires(double Wire, double Best, double Over, double WithLead, double Least, double Most);

/// <summary>What milling it with a one-profile cutter does to the flanks of the internal thread.</summary>
/// <param name="Cutter">Diameter of the cutter, mm.</param>
/// <param name="Error">Flank error, µm, along the axis.</param>
/// <param name="Allowed">Error allowed, µm.</param>
/// <param name="Largest">Largest cutter inside it, mm; null where none is.</param>
public sealed record ThreadMilled(double Cutter, double Error, double Allowed, double? Largest);

/// <summary>What is asked about measuring and milling a thread; what is left out is proposed.</summary>
/// <param name="Wire">Wire, mm.</param>
/// <param name="Cutter">Diameter of a one-profile cutter, mm.</param>
/// <param name="Allowed">Flank error allowed, µm.</param>
/// <param name="Plating">Thickness of a coating, µm, before which the limits are told.</param>
public readonly record struct ThreadQuestions(double? Wire, double? Cutter, double? Allowed, double? Plating)
{
    private const double UsualAllowed = 10;

    /// <summary>What milling with one profile does; null for taper threads and unequal flanks.</summary>
    internal ThreadMilled? Milled(Thread t, in ThreadShape s)
    {
        FormDescription form = FormDescription.Of(t.Form);
        if (!form.Symmetric || form.Taper > 0) return null;
        double allowed = Allowed ?? UsualAllowed,
            largest = FlankError.LargestCutter(s.InternalMajor, s.InternalMinor, t.Lead, form.FlankAngle, allowed);
        double cutter = Cutter ?? (double.IsNaN(largest) ? 0.7 * s.InternalMinor : ShopRounding.Down(largest));
        return new(
            cutter, FlankError.Of(s.InternalMajor, s.InternalMinor, t.Lead, form.FlankAngle, cutter), allowed,
            double.IsNaN(largest) ? null : largest);
    }

    /// <summary>Checks what was given against the thread.</summary>
    internal InputCheck Check(ThreadShape s)
    {
        InputCheck check = new();
        if (Wire is { } wire) check.Within("wire", "The wire", wire, 0.01, s.Major, Quantity.Length);
        if (Cutter is { } cutter) check.Within("cutter", "The cutter", cutter, 0.1, s.InternalMinor, Quantity.Length);
        if (Allowed is { } allowed) check.Within("allowed", "The flank error allowed", allowed, 0.1, 1000, Quantity.Deviation);
        if (Plating is { } plating) check.Within("plating", "The coating", plating, 0, 200, Quantity.Deviation);
        return check;
    }

    /// <summary>Limits of a class before the coating.</summary>
    internal ThreadLimits Before(ThreadLimits limits, Thread t) =>
        Plating is { } microns ? Core.Threads.Plating.Before(limits, FormDescription.Of(t.Form).FlankAngle, microns / 1000) : limits;
}

/// <summary>All that is known of a thread.</summary>
public sealed record ThreadView(
    string Text, ThreadForm Form, string FormName, string Standard, string Series, bool Listed, bool Checked, string Missing, double Diameter,
    double Pitch, double Lead, int Starts, bool LeftHand, bool Inch, double LeadingFlank, double FollowingFlank, double Taper, double LeadAngle,
    double? StressArea, LimitPair? Engagement, ThreadSizes Sizes, ThreadGauge? Gauge, IReadOnlyList<ThreadClass> Classes, ThreadWires? Wires,
    ThreadMilled? Milled, ThreadAround Around, double? Plating, IReadOnlyList<ProfilePoint> External, IReadOnlyList<ProfilePoint> Internal,
    IReadOnlyList<ThreadDifference> Differences);

/// <summary>Whether an own thread may be published with what rests on it.</summary>
/// <param name="Approved">Whether its present revision is approved.</param>
/// <param name="Revision">Revision that was approved last; null for none.</param>
/// <param name="By">Who approved it.</param>
/// <param name="At">When.</param>
public sealed record ThreadStanding(bool Approved, int? Revision, string? By, DateTimeOffset? At);

/// <summary>Listed threads, and the shop's own.</summary>
public static class ThreadEndpoints
{
    private const int MostRows = 200, Pitches = 4;

    public static StoredKind<StoredThread, OwnThread> Threads { get; } = new(
        "thread", t => t.Name, (t, _, _) => t.Check(), (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static void MapThreads(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder shop = api.MapGroup("/shop");
        shop.MapStored("/threads", Threads);
        shop.MapTouched("/threads", Threads);
        shop.MapAll("/threads", Threads, view => view.Threads);
        RouteGroupBuilder group = api.MapGroup("/threads").WithTags("threads");
        group.MapGet("/forms", () => FormDescription.All.Select(f => new ThreadFormView(
            f.Form, f.Name, f.Standard, f.FlankAngle, f.Taper > 0, ThreadTables.All.Count(l => l.Thread.Form == f.Form), f.Missing)));
        group.MapGet("/", ListAsync);
        group.MapGet("/view", (string text, [AsParameters] ThreadQuestions asked) =>
            ThreadText.Read(text) is { } t ? ViewOf(t, asked) : throw NoThread(text));
        group.MapGet("/start", (string text) => OwnThread.From(ThreadTables.Nearest(ThreadText.Read(text) ?? throw NoThread(text)).Thread));
        group.MapPost("/look", (OwnThread own) =>
        {
            own.CheckShape().ThrowIfAny();
            return ViewOf(own);
        });
        shop.MapGet("/threads/{id:int}/standing", async (int id, IncisuraDb db) => StandingOf(await FindAsync(db, id), await ApprovalAsync(db, id)))
            .WithTags("threads");
        shop.MapPost("/threads/{id:int}/approval", ApproveAsync)
            .AddEndpointFilter<OneWriter>()
            .RequireAuthorization(Access.Approvers)
            .WithTags("threads");
    }

    private static async Task<ThreadRows> ListAsync(string? text, string? form, IncisuraDb db, Shelf shelf)
    {
        string words = text?.Trim() ?? "";
        ThreadForm? of = string.IsNullOrEmpty(form) ? null : FormDescription.All.FirstOrDefault(
            f => f.Form.ToString().Equals(form, StringComparison.OrdinalIgnoreCase))?.Form
                ?? throw new MissingException($"There is no form of thread called {form}; choose one of the list.");
        IEnumerable<ThreadRow> own = (await shelf.ViewAsync(db)).Threads.Values
            .Where(o => of is null || o.Definition.Thread.Form == of)
            .Where(o => words.Length == 0 || o.Name.Contains(words, StringComparison.OrdinalIgnoreCase)
                || o.Definition.Parent.Contains(words, StringComparison.OrdinalIgnoreCase))
            .OrderBy(o => o.Name, StringComparer.OrdinalIgnoreCase)
            .Select(o => new ThreadRow(
                o.Name, o.Definition.Thread.Form, "own", o.Definition.Diameter, o.Definition.Pitch, false, o.Id, o.Definition.Parent));
        IEnumerable<Thread> listed = words.Length > 0 ? ThreadSearch.Find(words, int.MaxValue) : ThreadTables.All.Select(l => l.Thread);
        List<ThreadRow> rows = [.. own, .. listed.Where(t => of is null || t.Form == of).Select(RowOf)];
        return new([.. rows.Take(MostRows)], rows.Count);
    }

    // Whoever changed it since the last approval, or stands in for somebody who did, does not decide on it, as with records.
    private static async Task<ThreadStanding> ApproveAsync(int id, HttpContext context, IncisuraDb db, TimeProvider clock)
    {
        int revision = Tags.Required(context);
        StoredThread thread = await FindAsync(db, id);
        Actor actor = context.User.Actor();
        string by = actor.Name;
        if (thread.Revision != revision)
            throw new RuleException("changed", $"This thread was changed to revision {thread.Revision} meanwhile; look at it again.");
        ThreadApprovalRow? row = await db.ThreadApprovals.FirstOrDefaultAsync(a => a.ThreadId == id);
        int approved = row?.Revision ?? 0;
        List<string> contributors = await db.History.AsNoTracking()
            .Where(r => r.Kind == thread.Kind && r.ObjectId == id && r.Number > approved).Select(r => r.By).Distinct().ToListAsync();
        if (RecordLife.IsOwn(contributors, actor))
            throw new RuleException("own-proposal", "Nobody decides on their own proposal; ask another approver.");
        DateTimeOffset now = clock.GetUtcNow();
        if (row is null) db.Add(row = new() { ThreadId = id, Revision = revision, By = by, At = now });
        else (row.Revision, row.By, row.At) = (revision, by, now);
        row.ThreadName = thread.Name;
        await db.SaveChangesAsync();
        return StandingOf(thread, row);
    }

    private static async Task<StoredThread> FindAsync(IncisuraDb db, int id) =>
        await db.Threads.AsNoTracking().FirstOrDefaultAsync(t => t.Id == id) ?? throw StoredEndpoints.Missing("thread", id);

    private static Task<ThreadApprovalRow?> ApprovalAsync(IncisuraDb db, int id) =>
        db.ThreadApprovals.AsNoTracking().FirstOrDefaultAsync(a => a.ThreadId == id);

    private static ThreadStanding StandingOf(StoredThread thread, ThreadApprovalRow? approval) =>
        new(approval?.Revision == thread.Revision, approval?.Revision, approval?.By, approval?.At);

    private static MissingException NoThread(string text) => new(
        $"“{(text.Length > 40 ? text[..40] + "…" : text)}” names no thread. Write it as its standard does: M10×1.5, 1/2-13 UNC, G1/4, 3/4-14 NPT, "
            + "Tr40×14 (P7) LH.");

    private static ThreadRow RowOf(Thread t) => ThreadTables.Find(t) is { } listed
        ? new(t.ToString(), t.Form, listed.Series, t.Diameter, t.Pitch, listed.Checked)
        : new(t.ToString(), t.Form, "not listed", t.Diameter, t.Pitch, false);

    private static ThreadView ViewOf(OwnThread own) =>
        ViewOf(own.Thread, default, own.Shape) with
        {
            Text = own.Name,
            Series = "own",
            Listed = false,
            Checked = false,
            Differences = own.Differences,
        };

    private static ThreadView ViewOf(Thread t, in ThreadQuestions asked, ThreadShape? shape = null)
    {
        t.Check().ThrowIfAny();
        FormDescription form = FormDescription.Of(t.Form);
        ThreadShape s = shape ?? ThreadShape.Of(t);
        asked.Check(s).ThrowIfAny();
        ListedThread? listed = ThreadTables.Find(t);
        (double least, double most) = ThreadShape.NormalEngagement(t);
        ThreadQuestions plated = asked;
        return new(
            t.ToString(), t.Form, form.Name, form.Standard, listed?.Series ?? "", listed is not null, listed?.Checked ?? false, form.Missing,
            t.Diameter, t.Pitch, t.Lead, t.Starts, t.LeftHand, form.Inch, form.LeadingFlank, form.FollowingFlank, form.Taper,
            ThreadShape.LeadAngle(t.Lead, s.Pitch), Known(ThreadShape.StressArea(t)), double.IsNaN(least) ? null : new(least, most),
            new(s.Major, s.InternalMajor, s.Pitch, s.Minor, s.InternalMinor, s.Height, s.InternalHeight, s.Bearing, s.HeightKnown), GaugeOf(t),
            [.. ThreadLimits.All(t).Select(l => ClassOf(plated.Before(l, t)))], WiresOf(t, asked.Wire ?? double.NaN, s.Pitch), asked.Milled(t, s),
            new(CoilInsertHole.Of(t), Undercut.Of(t), s.Minor, s.InternalMajor), asked.Plating,
            ThreadProfile.External(t, s, Pitches), ThreadProfile.Internal(t, s, Pitches), []);
    }

    private static ThreadGauge? GaugeOf(Thread t) => GaugePlane.Of(t) is { } g
        ? new(g.SmallEnd, g.AtGauge, g.Gauge, Known(g.Effective), t.Pitch * GaugePlane.Taper)
        : null;

    private static ThreadWires? WiresOf(Thread t, double wire, double pitchDiameter) => Wires.Of(t, wire, pitchDiameter) is { } w
        ? new(double.IsNaN(wire) ? w.BestWire : wire, w.BestWire, w.OverWires, w.WithLead, w.LeastWire, w.MostWire)
        : null;

    private static ThreadClass ClassOf(ThreadLimits l) => new(l.Class, l.Internal, Pair(l.Major), Pair(l.Pitch), Pair(l.Minor), l.Source, l.Checked);

    private static LimitPair Pair(SizeLimits s) => new(Known(s.Least), Known(s.Most));

    private static double? Known(double value) => double.IsNaN(value) ? null : value;
}
