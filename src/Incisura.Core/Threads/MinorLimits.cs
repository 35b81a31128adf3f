using Incisura.Core.Quantities;

namespace Incisura.Core.Threads;

/// <summary>A class of an internal thread with the limits of its minor diameter.</summary>
/// <param name="Name">Class, such as 6H or 2B.</param>
/// <param name="Least">Least minor diameter, mm.</param>
/// <param name="Most">Largest minor diameter, mm.</param>
public readonly record struct MinorClass(string Name, double Least, double Most)
{
    /// <summary>Whether a minor diameter, mm, lies inside.</summary>
    public bool Holds(double minor) => minor >= Least - 1e-9 && minor <= Most + 1e-9;
}

/// <summary>Limits of the minor diameter of internal 60° threads by class: metric by ISO 965-1, unified by ASME B1.1.</summary>
public static class MinorLimits
{
    /// <summary>
    /// The class an internal thread states, or else the classes it has, tightest first; a pipe thread has one, and where no standard knows it there is
    /// none.
    /// </summary>
    /// <param name="t">The thread.</param>
    public static IReadOnlyList<MinorClass> Of(Thread t) => t.Form switch
    {
        _ when t.Class.Length > 0 && ThreadLimits.Of(t, t.Class) is { Internal: true } own => [new(t.Class, own.Minor.Least, own.Minor.Most)],
        ThreadForm.Metric or ThreadForm.Unified => Of(t.Diameter, t.Pitch),
        ThreadForm.PipeParallel when PipeLimits.Of(t, "") is { } pipe => [new("G", pipe.Minor.Least, pipe.Minor.Most)],
        _ => [],
    };

    /// <summary>The classes a thread of this diameter and pitch has, tightest first; empty where neither standard knows it.</summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pitch">P, mm.</param>
    public static IReadOnlyList<MinorClass> Of(double diameter, double pitch)
    {
        double basic = diameter - (5 * Math.Sqrt(3) / 8 * pitch);
        if (MetricLimits.MinorTolerance(pitch, 6) is not null)
            return
            [
                .. from grade in Enumerable.Range(4, 5)
                   let tolerance = MetricLimits.MinorTolerance(pitch, grade)
                   where tolerance is not null
                   select new MinorClass($"{grade}H", basic, basic + tolerance.Value),
            ];

        // 3B is left out: its own, tighter limit is not here.
        double perInch = Units.MillimetresPerInch / pitch;
        if (Math.Abs(perInch - Math.Round(perInch)) >= 0.005 || perInch > 80) return [];
        Thread t = new() { Form = ThreadForm.Unified, Diameter = diameter, Pitch = Units.MillimetresPerInch / Math.Round(perInch) };
        SizeLimits minor = UnifiedLimits.Of(t, "2B")!.Minor;
        return [new("2B", minor.Least, minor.Most)];
    }
}
