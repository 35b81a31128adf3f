using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Holes;

/// <summary>A hole that crosses the bore.</summary>
/// <param name="Distance">Depth x below the surface at which the axes meet, or pass nearest, mm.</param>
/// <param name="Diameter">Its diameter d_x, mm, above 0.</param>
/// <param name="Angle">Angle θ between the axes, degrees, 10 to 170; 90 is square.</param>
/// <param name="Offset">Least distance of the axes, mm; 0 where they meet.</param>
public sealed record CrossHole(double Distance, double Diameter, double Angle = 90, double Offset = 0)
{
    /// <summary>Most crossing holes of a bore.</summary>
    public const int Most = 12;

    /// <summary>
    /// Half of the length along the bore over which its wall is open, mm: r/sin θ for the hole itself, and R·|cot θ| because a slanted
    /// hole meets the two sides of the bore at different depths. An offset only shortens it, so leaving it out errs on the safe side.
    /// </summary>
    /// <param name="bore">Diameter of the bore, mm.</param>
    public double HalfLength(double bore)
    {
        double angle = double.DegreesToRadians(Angle);
        return (Diameter / 2 / Math.Sin(angle)) + (Angle == 90 ? 0 : bore / 2 / Math.Abs(Math.Tan(angle)));
    }

    /// <summary>Refuses holes that no bore could have, before anything is worked out with them.</summary>
    internal static void CheckAll(IReadOnlyList<CrossHole> holes, InputCheck check)
    {
        check.Holds(holes.Count <= Most, "crossHoles", holes.Count, $"A bore takes at most {Most} crossing holes; leave some out.");
        for (int i = 0; i < holes.Count && i < Most; i++)
        {
            string at = $"crossHoles[{i}]";
            if (holes[i] is not { } hole)
            {
                check.Holds(false, at, double.NaN, $"Crossing hole {i + 1} is empty; give its depth and diameter, or leave it out.");
                continue;
            }

            check.Within($"{at}.distance", $"The depth of crossing hole {i + 1}", hole.Distance, -1000, 5000, Quantity.Length)
                .Within($"{at}.diameter", $"The diameter of crossing hole {i + 1}", hole.Diameter, 0.1, 500, Quantity.Length)
                .Within($"{at}.angle", $"The angle of crossing hole {i + 1}", hole.Angle, 10, 170, Quantity.Angle)
                .Within($"{at}.offset", $"The offset of crossing hole {i + 1}", hole.Offset, 0, 500, Quantity.Length);
        }
    }

    /// <summary>Refuses a hole that does not cross the bore.</summary>
    internal void Check(double bore, double depth, int number, InputCheck check)
    {
        string at = $"crossHoles[{number - 1}]";
        double half = HalfLength(bore);
        check.Holds(Distance - half >= 0 && Distance - half < depth, $"{at}.distance", Distance, $"Crossing hole {number} at {Distance:0.##} mm lies outside the bore, which is {depth:0.##} mm deep; give a distance between {half:0.##} and {depth + half:0.##} mm, or deepen the bore.")
            .Holds(Offset < (bore + Diameter) / 2, $"{at}.offset", Offset, $"Crossing hole {number} passes {Offset:0.##} mm beside the axis and never meets the bore; give less than {(bore + Diameter) / 2:0.##} mm, or leave it out.");
    }
}
