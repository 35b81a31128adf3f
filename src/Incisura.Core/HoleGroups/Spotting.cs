using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;

namespace Incisura.Core.HoleGroups;

/// <summary>Whether a drill is helped by a spot, and how flat the spot must be.</summary>
/// <param name="Wanted">Whether a spot helps.</param>
/// <param name="LeastAngle">Least angle of its cone, degrees.</param>
/// <param name="Why">Why none is made; null where one is.</param>
public sealed record Spotting(bool Wanted, double LeastAngle, Sentence? Why)
{
    /// <summary>A carbide point this flat or flatter centres itself, degrees: its chisel edge is thinned.</summary>
    public const double SelfCentring = 135;

    /// <summary>Up to this depth over diameter it does so without a pilot.</summary>
    public const double SelfCentringDepth = 8;

    /// <summary>Judges a drill.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="depthRatio">Depth over diameter.</param>
    public static Spotting Of(Cutter drill, double depthRatio)
    {
        Spotting None(string why, params Measure[] measures) => new(false, 0, new(why, measures));
        double angle = drill[Dimension.PointAngle];
        switch (drill.Family)
        {
            case CutterFamily.FlatDrill: return None("No spot: a flat drill would meet the cone with its corners.");
            case CutterFamily.IndexableDrill:
                return None(
                "No spot: an indexable drill starts on its middle insert, which a cone would leave without support.");
            case CutterFamily.TwistDrill or CutterFamily.StepDrill: break;
            default: return None("No spot: nothing here needs guiding.");
        }

        if (drill.Material != CuttingMaterial.Carbide) return new(true, 0, null);
        return angle >= SelfCentring && depthRatio <= SelfCentringDepth
            ? None("No spot: the {0} point of the drill centres itself.", new Measure(angle, Quantity.Angle))
            : new(true, angle, null);
    }
}
