using Incisura.Core.Cutters.Kinds;

namespace Incisura.Core.Holes;

/// <summary>How deep a tip goes: the depth of the hole, the length of the point, and the way past the far face.</summary>
public static class AxisDepth
{
    private static readonly Formula PointFormula = new("l_t", "Length of the point", Quantity.Length, "D/2/tan(σ/2*pi/180)", "geometry of the point");
    private static readonly Formula FlatFormula = new("l_t", "Length of the point", Quantity.Length, "0*D", "a flat end has no point");
    private static readonly Formula ThroughFormula = new(
        "t_p", "Programmed depth", Quantity.Length, "t + l_t + t_b", "thickness, point and breakthrough");
    private static readonly Formula FullFormula = new(
        "t_p", "Programmed depth", Quantity.Length, "t + l_t", "depth to the full diameter, and the point below it");
    private static readonly Formula ToPointFormula = new("t_p", "Programmed depth", Quantity.Length, "1*t", "depth stated to the point");
    private static readonly Formula FullDepthFormula = new(
        "t_D", "Depth at full diameter", Quantity.Length, "t_p - l_t", "the point is not at full diameter");
    private static readonly Formula HeightFormula = new(
        "z_p", "Programmed height", Quantity.Length, "z_0 - t_p", "height of the surface above the datum, less the depth");
    private static readonly Formula ConeFormula = new(
        "t_p", "Programmed depth", Quantity.Length, "t_c + (d_c - w_f)/2/tan(σ/2*pi/180)",
        "cone from its least diameter w_f to the chamfer wanted, below what lies before the cone");

    /// <summary>Length of a point, mm; 0 for a flat end.</summary>
    /// <param name="diameter">Diameter at its base, mm.</param>
    /// <param name="pointAngle">Point angle σ, degrees, above 0 up to 180.</param>
    public static double PointLength(double diameter, double pointAngle) => Parts.ConeHeight(diameter, 0, pointAngle);

    /// <summary>Depth of the tip of a drill, with what led to it.</summary>
    /// <param name="diameter">D, mm.</param>
    /// <param name="pointAngle">σ, degrees; 180 for a flat end.</param>
    /// <param name="x">Depth, whether through and whether to the point, breakthrough, surface.</param>
    /// <param name="r">Receives point, full depth, programmed depth and height.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void OfDrill<TTrace>(double diameter, double pointAngle, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double point = PointLength(diameter, pointAngle), depth = x[Input.Depth], past = x[Input.Breakthrough];
        double tip = x.Through ? depth + point + past : x.ToPoint ? depth : depth + point;
        r[Output.PointLength] = point;
        r[Output.FullDepth] = x.Through ? depth : tip - point;
        if (TTrace.Listens)
        {
            if (pointAngle >= 180) trace.Take(FlatFormula, point, new Term("D", diameter));
            else trace.Take(PointFormula, point, new("D", diameter), new("σ", pointAngle));
            if (x.Through) trace.Take(ThroughFormula, tip, new("t", depth), new("l_t", point), new("t_b", past));
            else if (x.ToPoint) trace.Take(ToPointFormula, tip, new Term("t", depth));
            else trace.Take(FullFormula, tip, new("t", depth), new("l_t", point));
            if (!x.Through) trace.Take(FullDepthFormula, tip - point, new("t_p", tip), new("l_t", point));
        }

        Programme(tip, x, ref r, ref trace);
    }

    /// <summary>Depth of the tip that makes a chamfer of a wanted diameter at the surface, mm.</summary>
    /// <param name="chamferDiameter">d_c, mm.</param>
    /// <param name="leastDiameter">Diameter w at which the cone begins, mm: the web's flat, or the least diameter of a countersink.</param>
    /// <param name="pointAngle">Included angle σ of the cone, degrees, below 180.</param>
    /// <param name="before">Length t_c of the tool before the cone, mm.</param>
    public static double ForChamfer(double chamferDiameter, double leastDiameter, double pointAngle, double before = 0) =>
        before + Parts.ConeHeight(chamferDiameter, leastDiameter, pointAngle);

    /// <summary>The same, with the steps and the figures.</summary>
    public static void OfCone<TTrace>(double leastDiameter, double pointAngle, double before, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double chamfer = x[Input.ChamferDiameter], tip = ForChamfer(chamfer, leastDiameter, pointAngle, before);
        if (TTrace.Listens) trace.Take(ConeFormula, tip, new("t_c", before), new("d_c", chamfer), new("w_f", leastDiameter), new("σ", pointAngle));
        Programme(tip, x, ref r, ref trace);
    }

    /// <summary>Writes the programmed depth and the height it means above the datum.</summary>
    public static void Programme<TTrace>(double tip, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        r[Output.ProgrammedDepth] = tip;
        r[Output.ProgrammedHeight] = x[Input.Surface] - tip;
        if (TTrace.Listens) trace.Take(HeightFormula, x[Input.Surface] - tip, new("z_0", x[Input.Surface]), new("t_p", tip));
    }
}
