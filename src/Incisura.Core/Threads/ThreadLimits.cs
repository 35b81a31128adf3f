namespace Incisura.Core.Threads;

/// <summary>A diameter between two limits, mm; a limit the standard leaves open is not a number.</summary>
/// <param name="Least">Least, mm.</param>
/// <param name="Most">Largest, mm.</param>
public readonly record struct SizeLimits(double Least, double Most)
{
    /// <summary>Whether a diameter, mm, lies inside.</summary>
    public bool Holds(double diameter) => !(diameter < Least - 1e-9) && !(diameter > Most + 1e-9);
}

/// <summary>Limits of size of a thread in a class.</summary>
/// <param name="Class">Class, such as 6H, 6g or 2A; empty where the standard has one only.</param>
/// <param name="Internal">Whether they are those of the internal thread.</param>
/// <param name="Major">Limits of the major diameter.</param>
/// <param name="Pitch">Limits of the pitch diameter.</param>
/// <param name="Minor">Limits of the minor diameter.</param>
/// <param name="Source">Where they come from.</param>
/// <param name="Checked">Whether their figures were compared with the standard's own tables; others are set down from memory.</param>
public sealed record ThreadLimits(
    string Class, bool Internal, SizeLimits Major, SizeLimits Pitch, SizeLimits Minor, string Source, bool Checked)
{
    /// <summary>Limits of a class; null where the standard has none for this thread.</summary>
    /// <param name="t">The thread; its own class does not matter.</param>
    /// <param name="name">Class.</param>
    public static ThreadLimits? Of(Thread t, string name) => t.Form switch
    {
        ThreadForm.Metric => MetricLimits.Of(t, name),
        ThreadForm.Unified => UnifiedLimits.Of(t, name),
        ThreadForm.PipeParallel => PipeLimits.Of(t, name),
        _ => null,
    };

    /// <summary>Usual classes of a thread, the most usual first; empty where none is known.</summary>
    /// <param name="t">The thread.</param>
    public static IReadOnlyList<string> ClassesOf(Thread t) => [.. UsualOf(t.Form).Where(c => Of(t, c) is not null)];

    /// <summary>Limits in every usual class, and in the thread's own.</summary>
    /// <param name="t">The thread.</param>
    public static IReadOnlyList<ThreadLimits> All(Thread t) =>
        [.. UsualOf(t.Form).Append(t.Class).Distinct().Select(c => Of(t, c)).OfType<ThreadLimits>().OrderBy(l => l.Internal)];

    private static string[] UsualOf(ThreadForm form) => form switch
    {
        ThreadForm.Metric => ["6g", "6h", "4h", "5g6g", "8g", "6e", "6f", "6H", "5H", "4H", "7H", "8H", "6G"],
        ThreadForm.Unified => ["2A", "3A", "1A", "2B", "3B", "1B"],
        ThreadForm.PipeParallel => ["A", "B", ""],
        _ => [],
    };
}
