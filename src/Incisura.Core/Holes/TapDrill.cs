using Incisura.Core.Cutters;
using Incisura.Core.Threads;

namespace Incisura.Core.Holes;

/// <summary>A drill and the thread its hole would give.</summary>
/// <param name="Diameter">Its diameter, mm.</param>
/// <param name="Height">Thread height over the full one, %.</param>
/// <param name="Minor">Minor diameter of the thread, mm.</param>
/// <param name="Class">Tightest class whose limits hold it; empty for none.</param>
public readonly record struct TapDrill(double Diameter, double Height, double Minor, string Class)
{
    /// <summary>What a drill would give before a tap; null where the tap cannot use its hole.</summary>
    /// <param name="tap">The tap.</param>
    /// <param name="diameter">Diameter of the drill, mm.</param>
    public static TapDrill? Of(TapGeometry tap, double diameter)
    {
        NoTrace none = default;
        double height = tap.HeightOf(diameter, ref none);
        if (height < 30 || height > tap.MostHeight) return null;
        double minor = tap.MinorFor(height);
        return new(diameter, height, minor, MinorLimits.Of(tap.Thread).FirstOrDefault(c => c.Holds(minor)).Name ?? "");
    }

    /// <summary>Whether the minor diameter is inside the class a thread states, or, where it states none, inside any.</summary>
    /// <param name="t">The thread.</param>
    public bool Holds(Thread t)
    {
        double minor = Minor;
        return MinorLimits.Of(t).Any(c => c.Holds(minor));
    }

    /// <summary>Families whose hole a tap can follow.</summary>
    public static IReadOnlyList<CutterFamily> Families { get; } = [CutterFamily.TwistDrill, CutterFamily.StepDrill, CutterFamily.FlatDrill];
}
