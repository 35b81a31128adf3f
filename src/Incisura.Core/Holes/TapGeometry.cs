using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Threads;

namespace Incisura.Core.Holes;

/// <summary>What a tap brings: its thread, its lead, and what its core stands.</summary>
public sealed class TapGeometry
{
    /// <summary>The geometry of a tap; the cutter is taken as checked.</summary>
    public TapGeometry(Cutter cutter)
    {
        Diameter = cutter[Dimension.ThreadDiameter];
        Pitch = cutter[Dimension.Pitch];
        LeadLength = Taps.LeadLength(cutter);
        Forming = cutter.Family == CutterFamily.FormingTap;
        ChipsAhead = cutter.Family == CutterFamily.CuttingTap && cutter.Picked("flutes") is "point" or "straight";
        Flutes = Forming || cutter.Family == CutterFamily.TaperPipeTap ? "" : cutter.Picked("flutes");
        Left = cutter.Hand == Hand.Left;
        Thread = cutter.TapThread!;
        if (FormDescription.Of(Thread.Form).Taper > 0)
        {
            Taper = FormDescription.Of(Thread.Form).Taper;
            GaugeLength = Math.Max(GaugeShare * cutter.FluteLength, LeadLength + Pitch);
        }

        (FloorShare, FlankSlope) = Thread.Form switch
        {
            ThreadForm.PipeParallel or ThreadForm.PipeTaper => (1.0 / 6, Math.Tan(double.DegreesToRadians(27.5))),
            ThreadForm.PipeTaper60 or ThreadForm.PipeTaper60Dry => (0.033, Slope60),
            _ => (1.0 / 8, Slope60),
        };
        Torsion = ToolTorsion.Of(cutter, Diameter - (1.0825 * Pitch), Forming ? ToolTorsion.GroovedCore : ToolTorsion.FlutedCore);
    }

    // The gauge plane of a taper tap lies about two thirds up its thread, as the usual projections through a ring gauge come to (ASME B94.9).
    private const double GaugeShare = 0.65;
    private static readonly double Slope60 = Math.Tan(Math.PI / 6);

    /// <summary>The thread it cuts or forms.</summary>
    public Thread Thread { get; }

    /// <summary>Growth of the diameter along the axis; 0 of a parallel tap.</summary>
    public double Taper { get; }

    /// <summary>Length from the tip to the gauge plane of a taper tap, mm; 0 of a parallel one.</summary>
    public double GaugeLength { get; }

    /// <summary>Width of the groove at its root over the pitch.</summary>
    public double FloorShare { get; }

    /// <summary>Slope of the flanks, tan of half their angle.</summary>
    public double FlankSlope { get; }

    /// <summary>D, mm; of a taper tap in its gauge plane.</summary>
    public double Diameter { get; }

    /// <summary>P, mm.</summary>
    public double Pitch { get; }

    /// <summary>l_a, mm.</summary>
    public double LeadLength { get; }

    /// <summary>Whether it forms the thread instead of cutting it.</summary>
    public bool Forming { get; }

    /// <summary>Whether chips go ahead of the tap or stay in its straight flutes.</summary>
    public bool ChipsAhead { get; }

    /// <summary>Form of the flutes; empty for a forming tap.</summary>
    public string Flutes { get; }

    /// <summary>Whether it cuts a left-hand thread.</summary>
    public bool Left { get; }

    /// <summary>What its core stands.</summary>
    public ToolTorsion Torsion { get; }

    /// <summary>Hole for a wanted height, mm.</summary>
    /// <param name="percent">Height wanted over the full one, %.</param>
    /// <param name="trace">Listens to the step.</param>
    public double HoleFor<TTrace>(double percent, ref TTrace trace)
        where TTrace : struct, ITrace => ThreadHole.For(Diameter, Pitch, percent, Forming, ref trace, Thread.Form);

    /// <summary>Height that a hole gives, % of the full one.</summary>
    /// <param name="hole">d_0, mm.</param>
    /// <param name="trace">Listens to the step.</param>
    public double HeightOf<TTrace>(double hole, ref TTrace trace)
        where TTrace : struct, ITrace => ThreadHole.HeightOf(Diameter, Pitch, hole, Forming, ref trace, Thread.Form);

    /// <summary>Minor diameter of the thread for a height, mm.</summary>
    /// <param name="percent">Height over the full one, %.</param>
    public double MinorFor(double percent) => ThreadHole.MinorFor(Diameter, Pitch, percent, Thread.Form);

    /// <summary>Most height a hole may ask for, %: full at the tip of a taper tap, which is less than full at its gauge plane.</summary>
    public double MostHeight
    {
        get
        {
            NoTrace none = default;
            return Taper > 0 ? HeightOf(HoleFor(100, ref none) - (Taper * GaugeLength), ref none) : 100;
        }
    }

    /// <summary>Height a hole is usually drilled for, %: a cylindrical hole for a taper thread has the core of the middle of its length.</summary>
    public double UsualHeight
    {
        get
        {
            NoTrace none = default;
            return Taper > 0 ? Math.Round(HeightOf(HoleFor(100, ref none) - (Taper * GaugeLength / 4), ref none)) : Forming ? 70 : 75;
        }
    }

    /// <summary>Whether it makes a thread: of its form, size, pitch and hand, with one start, and of its class where both say one.</summary>
    /// <param name="work">The thread.</param>
    public bool Makes(WorkThread work) =>
        ThreadTables.Same(Thread, work.Thread) && work.Thread is { Starts: 1 } t && t.LeftHand == Left && work.Shape == ThreadShape.Of(t)
            && (t.Class.Length == 0 || Thread.Class.Length == 0 || t.Class == Thread.Class);
}
