using System.Globalization;
using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>A thread a standard lists.</summary>
/// <param name="Thread">The thread, without class.</param>
/// <param name="Series">Series within its form, such as coarse or UNC; empty where there is one only.</param>
/// <param name="Size">Size as people call it, such as 10, #10, 1/2 or 13.5.</param>
/// <param name="Checked">Whether its figures were compared with the standard's own tables; others are set down from memory.</param>
public sealed record ListedThread(Thread Thread, string Series, string Size, bool Checked);

/// <summary>The sizes that standards list. Figures live in a table for each form: size, then pitches or threads per inch, then what else it
/// needs.</summary>
public static class ThreadTables
{
    // Sizes of a cutter or a drawing that mean the same thread, mm.
    private const double SameDiameter = 0.006, SamePitch = 0.0012;

    private const double Inch = Units.MillimetresPerInch;

    // The sizes whose figures were compared with the standards' own tables.
    private static readonly string[] CheckedUnified =
    [
        "#4", "#6", "#8", "#10", "1/4", "5/16", "3/8", "7/16", "1/2", "9/16", "5/8", "3/4", "7/8", "1", "1-1/8", "1-1/4", "1-3/8", "1-1/2",
    ];

    private static readonly string[] CheckedPipe = ["1/16", "1/8", "1/4", "3/8", "1/2", "3/4", "1", "1-1/4", "1-1/2", "2"];

    private static readonly (double Diameter, double Length)[] TaperGauges =
        [.. Rows(ThreadFigures.Pipe).Where(r => r.Cells[2] != "-").Select(r => (Number(r.Cells[1]), Number(r.Cells[2])))],
        Taper60Gauges = [.. Rows(ThreadFigures.Pipe60).Select(r => (Number(r.Cells[1]) * Inch, Number(r.Cells[2]) * Inch))];

    private static readonly (double Major, double Minor)[] Conduits =
        [.. Rows(ThreadFigures.Conduit).Select(r => (Number(r.Cells[1]), Number(r.Cells[2])))];

    /// <summary>Every thread a standard lists, by form, diameter and falling pitch.</summary>
    public static IReadOnlyList<ListedThread> All { get; } =
    [
        .. Metric(), .. Unified(), .. Pipes(), .. Pipes60(), .. Pitches(ThreadForm.Trapezoidal, ThreadFigures.Trapezoidal), .. Acmes(ThreadForm.Acme),
        .. Acmes(ThreadForm.StubAcme), .. Pitches(ThreadForm.Buttress, ThreadFigures.Trapezoidal), .. Rounds(), .. Conduit(),
    ];

    /// <summary>The listed thread of a form, diameter and pitch, whatever its starts, hand and class; null where no standard lists it.</summary>
    /// <param name="t">The thread.</param>
    public static ListedThread? Find(Thread t) => All.FirstOrDefault(l => Same(l.Thread, t));

    /// <summary>The listed thread of a form that lies nearest: by diameter first, then by pitch.</summary>
    /// <param name="t">The thread.</param>
    public static ListedThread Nearest(Thread t) => All.Where(l => l.Thread.Form == t.Form)
        .MinBy(l => (Math.Abs(Math.Log(l.Thread.Diameter / t.Diameter)) * 10) + Math.Abs(Math.Log(l.Thread.Pitch / t.Pitch)))!;

    /// <summary>Whether two threads have form, diameter and pitch in common.</summary>
    internal static bool Same(Thread a, Thread b) =>
        a.Form == b.Form && Math.Abs(a.Diameter - b.Diameter) < 5e-4 && Math.Abs(a.Pitch - b.Pitch) < 5e-4;

    /// <summary>
    /// The parallel thread that a diameter and a pitch mean: the listed metric, unified or pipe thread of these sizes, or else a metric one.
    /// </summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pitch">P, mm; that of an inch thread may be rounded.</param>
    /// <param name="leftHand">Whether it is left-hand.</param>
    /// <param name="form">Its form, where that is known.</param>
    public static Thread Meant(double diameter, double pitch, bool leftHand = false, ThreadForm? form = null) => (All.Select(l => l.Thread)
        .Where(t => form is { } known ? t.Form == known : t.Form is ThreadForm.Metric or ThreadForm.Unified or ThreadForm.PipeParallel)
        .FirstOrDefault(t => Math.Abs(t.Diameter - diameter) < SameDiameter && Math.Abs(t.Pitch - pitch) < SamePitch)
            ?? new() { Form = form ?? ThreadForm.Metric, Diameter = diameter, Pitch = pitch }) with
    { LeftHand = leftHand };

    /// <summary>The listed thread of a form whose diameter lies nearest.</summary>
    internal static Thread Sized(ThreadForm form, double diameter) =>
        All.Select(l => l.Thread).Where(t => t.Form == form).MinBy(t => Math.Abs(t.Diameter - diameter))!;

    /// <summary>Length to the gauge plane of a taper thread, mm; null where no standard lists the size.</summary>
    internal static double? GaugeLength(Thread t)
    {
        foreach ((double diameter, double length) in t.Form == ThreadForm.PipeTaper ? TaperGauges : Taper60Gauges)
            if (Math.Abs(diameter - t.Diameter) < 5e-3) return length;
        return null;
    }

    /// <summary>Minor diameter of a conduit thread, mm; from its profile where no standard lists it.</summary>
    internal static double ConduitMinor(double diameter, double pitch)
    {
        foreach ((double major, double minor) in Conduits)
            if (Math.Abs(major - diameter) < 5e-3 && pitch > 1) return minor;
        return diameter - (2 * 0.477 * pitch);
    }

    /// <summary>An inch size or a number as millimetres: #10, 1-1/4, 3/4, 1.5.</summary>
    internal static double? InchSize(string size)
    {
        if (size.StartsWith('#'))
            return int.TryParse(size.AsSpan(1), NumberStyles.None, CultureInfo.InvariantCulture, out int n) && n <= 16
                ? (0.06 + (0.013 * n)) * Inch
                : null;
        double sum = 0;
        foreach (string part in size.Split('-', ' '))
        {
            string[] halves = part.Split('/');
            if (!Plain(halves[0], out double top)) return null;
            double bottom = 1;
            if (halves.Length > 2 || (halves.Length == 2 && (!Plain(halves[1], out bottom) || bottom == 0))) return null;
            sum += top / bottom;
        }

        return Math.Round(sum * Inch, 10);
    }

    private static bool Plain(string text, out double value) =>
        double.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value);

    private static ListedThread[] Metric() =>
    [
        .. Rows(ThreadFigures.Metric).SelectMany(r => r.Cells.Select((cell, i) => (r.Size, Cell: cell, Coarse: i == 0)))
            .Where(c => c.Cell != "-")
            .Select(c => new ListedThread(
                new() { Form = ThreadForm.Metric, Diameter = Number(c.Size), Pitch = Number(c.Cell) }, c.Coarse ? "coarse" : "fine", c.Size,
                c.Coarse && Number(c.Size) is not (7 or > 64))),
    ];

    private static List<ListedThread> Unified()
    {
        string[] series = ["UNC", "UNF", "UNEF"];
        List<ListedThread> all = [];
        foreach ((string size, string[] cells) in Rows(ThreadFigures.Unified))
            for (int i = 0; i < cells.Length; i++)
                if (cells[i] != "-") Add(size, Number(cells[i]), series[i], i < 2 && CheckedUnified.Contains(size));

        // Constant pitch in eighths of an inch, where no graded series has the pair.
        foreach ((double perInch, int least) in new[] { (8.0, 9), (12, 5), (16, 4) })
            for (int eighths = least; eighths <= 32; eighths++) Add(ThreadText.Fraction(eighths / 8.0), perInch, "UN", false);
        return [.. all.OrderBy(l => l.Thread.Diameter).ThenByDescending(l => l.Thread.Pitch)];

        void Add(string size, double perInch, string name, bool known)
        {
            Thread t = new() { Form = ThreadForm.Unified, Diameter = InchSize(size)!.Value, Pitch = Inch / perInch };
            if (!all.Any(l => Same(l.Thread, t))) all.Add(new(t, name, size, known));
        }
    }

    private static IEnumerable<ListedThread> Pipes() => new[] { ThreadForm.PipeParallel, ThreadForm.PipeTaper }.SelectMany(
        form => Rows(ThreadFigures.Pipe).Where(r => form == ThreadForm.PipeParallel || r.Cells[2] != "-").Select(r => new ListedThread(
            new() { Form = form, Diameter = Number(r.Cells[1]), Pitch = Inch / Number(r.Cells[0]) }, "", r.Size, CheckedPipe.Contains(r.Size))));

    private static IEnumerable<ListedThread> Pipes60() => new[] { ThreadForm.PipeTaper60, ThreadForm.PipeTaper60Dry }.SelectMany(
        form => Rows(ThreadFigures.Pipe60).Take(form == ThreadForm.PipeTaper60 ? int.MaxValue : 12).Select(r => new ListedThread(
            new() { Form = form, Diameter = Number(r.Cells[1]) * Inch, Pitch = Inch / Number(r.Cells[0]) }, "", r.Size,
            form == ThreadForm.PipeTaper60 && CheckedPipe.Contains(r.Size))));

    private static IEnumerable<ListedThread> Pitches(ThreadForm form, string table) => Rows(table).SelectMany(
        r => r.Cells.Select(cell => new ListedThread(
            new() { Form = form, Diameter = Number(r.Size), Pitch = Number(cell) }, cell == r.Cells[0] ? "preferred" : "", r.Size, false)));

    private static IEnumerable<ListedThread> Acmes(ThreadForm form) => Rows(ThreadFigures.Acme).Select(
        r => new ListedThread(new() { Form = form, Diameter = InchSize(r.Size)!.Value, Pitch = Inch / Number(r.Cells[0]) }, "", r.Size, false));

    private static IEnumerable<ListedThread> Rounds() => ThreadFigures.RoundSizes.Select(d => new ListedThread(
        new() { Form = ThreadForm.Round, Diameter = d, Pitch = Inch / ThreadFigures.RoundSteps.First(s => d <= s.UpTo).PerInch }, "",
        d.ToString(CultureInfo.InvariantCulture), false));

    private static IEnumerable<ListedThread> Conduit() => Rows(ThreadFigures.Conduit).Select(r => new ListedThread(
        new() { Form = ThreadForm.Conduit, Diameter = Number(r.Cells[1]), Pitch = Inch / Number(r.Cells[0]) }, "", r.Size, false));

    private static IEnumerable<(string Size, string[] Cells)> Rows(string table) => table.Split('\n').Select(line =>
    {
        int colon = line.IndexOf(':', StringComparison.Ordinal);
        return (line[..colon], line[(colon + 1)..].Split(' ', StringSplitOptions.RemoveEmptyEntries));
    });

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
