namespace Incisura.Core.Turning;

/// <summary>The course of a turned cut: how the edge meets the work, in how many passes, and between which diameters.</summary>
/// <param name="Across">Whether the feed runs towards the axis, or else along the work.</param>
/// <param name="EdgeAngle">Cutting edge angle κ with that feed, degrees.</param>
/// <param name="CornerRadius">Corner radius r, mm; 0 where the edge is straight to its ends.</param>
/// <param name="Depth">Depth of each pass, square to the feed a_p, mm; of a blade its width.</param>
/// <param name="Passes">Number of passes.</param>
/// <param name="First">Diameter at which the tip begins: along the work that of the first pass, mm.</param>
/// <param name="Last">Diameter at which it ends: along the work that of the last pass, mm.</param>
/// <param name="ChipOutside">Whether the chip lies outside the tip, so that the largest diameter that cuts is 2·a_p larger.</param>
/// <param name="From">Where the force acts, nearest to the chuck, mm from it.</param>
/// <param name="To">Where it acts furthest from the chuck, mm.</param>
/// <param name="FaceStock">Stock on faces of an outline that the edge follows, mm; NaN where it follows none.</param>
public readonly record struct TurnedCourse(
    bool Across, double EdgeAngle, double CornerRadius, double Depth, int Passes, double First, double Last, bool ChipOutside,
    double From, double To, double FaceStock = double.NaN)
{
    /// <summary>Largest diameter that cuts when the tip is at one, mm.</summary>
    /// <param name="tip">Diameter of the tip, mm.</param>
    public double OuterAt(double tip) => ChipOutside ? tip + (2 * Depth) : tip;

    /// <summary>Smallest diameter the tip has, mm.</summary>
    public double Least => Math.Min(First, Last);

    /// <summary>Largest diameter the tip has, mm.</summary>
    public double Most => Math.Max(First, Last);
}

/// <summary>How the work stands between its spindle and its supports, for its bend.</summary>
/// <param name="Near">Diameter from the chuck to where it is turned, mm.</param>
/// <param name="Turned">Diameter over the length that is turned, as finished, mm.</param>
/// <param name="TurnedLength">That length, mm.</param>
/// <param name="Bore">Bore towards the chuck, mm.</param>
/// <param name="TurnedBore">Bore over the length that is turned, mm.</param>
/// <param name="Left">What is left on the diameters of an outline, on a side, mm.</param>
public readonly record struct HeldWork(double Near, double Turned, double TurnedLength, double Bore, double TurnedBore, double Left = 0);
