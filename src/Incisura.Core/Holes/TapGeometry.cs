using Incisura.Core.Cutters;
using Incisura.Core.Cutters.Kinds;

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
        ChipsAhead = !Forming && cutter.Picked("flutes") is "point" or "straight";
        Flutes = Forming ? "" : cutter.Picked("flutes");
        Left = cutter.Hand == Hand.Left;
        Torsion = ToolTorsion.Of(cutter, Diameter - (1.0825 * Pitch), Forming ? ToolTorsion.GroovedCore : ToolTorsion.FlutedCore);
    }

    /// <summary>D, mm.</summary>
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
}
