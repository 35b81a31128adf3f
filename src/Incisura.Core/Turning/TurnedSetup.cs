using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Holders;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Turning;

/// <summary>All that stays the same while the choices of a turned cut change: the edge, its shank, and what turns and clamps the work.</summary>
public sealed class TurnedSetup : TurningSetup
{
    // Share of an edge that may be in the work, by the shape of the insert: what its corner behind bears (shop practice for carbide).
    private static readonly Dictionary<string, double> Shares = new()
    {
        ["C"] = 2 / 3.0,
        ["S"] = 2 / 3.0,
        ["D"] = 0.5,
        ["T"] = 0.5,
        ["W"] = 0.5,
        ["V"] = 0.25,
        ["R"] = 0.4,
    };

    /// <summary>Draws the setup together. The objects are taken as checked.</summary>
    /// <param name="built">The assembly.</param>
    /// <param name="material">The work material.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="row">Row of the speed chart proposals start from; null where there is none.</param>
    /// <param name="practice">What the shop goes by where no standard says.</param>
    /// <param name="counter">Whether the counter spindle turns the work.</param>
    public TurnedSetup(
        BuiltAssembly built, WorkMaterial material, Machine machine, SpeedRow? row, ShopPractice practice, bool counter)
        : base(built, material, machine, row, practice, counter)
    {
        HasCounter = machine.Counter is not null;
        Width = Cutter[Dimension.CuttingWidth];
        CornerRadius = Cutter[Dimension.CornerRadius] is var corner && corner > 0 ? corner : 0;
        EdgeAngle = Cutter[Dimension.EdgeAngle] is var angle && angle > 0 ? angle : 90;
        if (IsBlade)
        {
            (BladeReach, ShankWidth) = (Cutter[Dimension.Reach], Cutter[Dimension.ShankWidth]);
            LargestWork = Cutter[Dimension.GreatestWork];
            (LeastFaceGroove, LargestFaceGroove) = (Cutter[Dimension.LeastFaceGroove], Cutter[Dimension.LargestFaceGroove]);
            EdgeAllowed = Width;
            return;
        }

        string shape = Cutter.Picked("insert");
        TipAngle = TurningTools.TipAngle(Cutter);
        if (TipAngle == 0) (CornerRadius, EdgeAngle) = (Cutter[Dimension.InscribedCircle] / 2, 90);
        WholeEdge = TurningTools.EdgeLength(Cutter);
        EdgeAllowed = Shares[shape] * WholeEdge;
        Wiper = Cutter[Dimension.WiperLength] is var wiper && wiper > 0 ? wiper : 0;
    }

    /// <summary>Whether a counter spindle can take the work over.</summary>
    public bool HasCounter { get; }

    /// <summary>Whether the cutter is a blade, for grooves and for parting off.</summary>
    public bool IsBlade => Width > 0;

    /// <summary>Width of a blade's edge CW, mm; NaN of other tools.</summary>
    public double Width { get; }

    /// <summary>Corner radius r_ε, mm, of a round insert half its diameter.</summary>
    public double CornerRadius { get; }

    /// <summary>Cutting edge angle κ_r with the feed along the work, degrees.</summary>
    public double EdgeAngle { get; }

    /// <summary>Angle up to which the edge goes on from its corner, degrees: that of a round insert has no end.</summary>
    internal double EdgeReaches => TipAngle > 0 ? EdgeAngle : 180;

    /// <summary>Tip angle ε_r, degrees; 0 for a round insert and for blades.</summary>
    public double TipAngle { get; }

    /// <summary>
    /// Angle κ_r′ between the trailing edge and the feed along the work, degrees: up to where the tool follows a contour that falls.
    /// </summary>
    public double TrailingAngle => TipAngle > 0 ? 180 - EdgeAngle - TipAngle : 90;

    /// <summary>Cutting edge angle with the feed towards the axis, where the edge that trails along the work leads, degrees.</summary>
    public double AcrossAngle => TipAngle > 0 ? 90 + TrailingAngle : 90;

    /// <summary>Angle of the edge that trails and leaves the marks, held to where marks can be worked out, degrees.</summary>
    /// <param name="across">Whether the feed runs towards the axis.</param>
    public double MarkAngle(bool across) => Math.Clamp(across && TipAngle > 0 ? EdgeAngle - 90 : TrailingAngle, 0.1, 89);

    /// <summary>Length of the wiper edge b_s beside the corner, mm; 0 where there is none.</summary>
    public double Wiper { get; }

    /// <summary>Least depth at which the insert forms its chip at a feed, mm; NaN where nobody has said.</summary>
    /// <param name="feed">Feed of a turn f, mm.</param>
    public double LeastDepthAt(double feed) => SideOfField(
        Dimension.LeastFormingDepth, Dimension.LeastFormingDepthFast, Dimension.LeastFormingFeed, Dimension.LargestFormingFeed, feed);

    /// <summary>Largest feed at which the insert forms its chip at a depth, mm; NaN where nobody has said.</summary>
    /// <param name="depth">Depth of cut a_p, mm.</param>
    public double LargestFeedAt(double depth) => SideOfField(
        Dimension.LargestFormingFeed, Dimension.LargestFormingFeedDeep, Dimension.LeastFormingDepth, Dimension.LargestFormingDepth, depth);

    // A side of the field in which the chip forms: from one corner to the next, even where the other corner is not stated.
    private double SideOfField(Dimension near, Dimension far, Dimension from, Dimension to, double at)
    {
        double one = Cutter[near], other = Cutter[far];
        if (!(other > 0)) return one;
        return one + ((other - one) * Math.Clamp((at - Cutter[from]) / (Cutter[to] - Cutter[from]), 0, 1));
    }

    /// <summary>Largest length of edge in the work, mm.</summary>
    public double EdgeAllowed { get; }

    /// <summary>Length of the whole edge of the insert, mm; 0 for a blade.</summary>
    public double WholeEdge { get; }

    /// <summary>Depth a blade reaches before its shank, mm; NaN of other tools.</summary>
    public double BladeReach { get; } = double.NaN;

    /// <summary>Width of the shank behind the blade, mm; NaN of other tools.</summary>
    public double ShankWidth { get; } = double.NaN;

    /// <summary>Whether the blade is curved for grooves in a face.</summary>
    public bool IntoFace => LargestFaceGroove > 0;

    /// <summary>Least outer diameter at which it goes into a face DAXN, mm; NaN of other tools.</summary>
    public double LeastFaceGroove { get; } = double.NaN;

    /// <summary>Largest outer diameter at which it goes into a face DAXX, mm; NaN of other tools.</summary>
    public double LargestFaceGroove { get; } = double.NaN;

    /// <summary>Largest diameter a blade goes into to its full reach, mm; NaN where it is not stated.</summary>
    public double LargestWork { get; } = double.NaN;

    /// <summary>The finished outline, where it has several diameters; null elsewhere.</summary>
    public TurnedOutline? Outline { get; private set; }

    /// <summary>How the outline runs; without pieces where there is none.</summary>
    internal TurnedContour Contour => Outline?.Contour ?? TurnedContour.None;

    /// <inheritdoc/>
    public override void Take(IReadOnlyList<Extra> extras)
    {
        base.Take(extras);
        Outline = Extra<TurnedOutline>();
    }
}
