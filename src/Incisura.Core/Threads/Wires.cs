namespace Incisura.Core.Threads;

/// <summary>Measurement of an external thread over three wires: geometry of a wire between the flanks; ASME B1.2.</summary>
/// <param name="BestWire">Wire that touches the flanks at the pitch diameter w, mm.</param>
/// <param name="OverWires">Size over the wires M, mm, the lead angle neglected.</param>
/// <param name="WithLead">The same with the lead angle taken into account, mm.</param>
/// <param name="LeastWire">Thinnest wire that stands out of the groove, mm.</param>
/// <param name="MostWire">Thickest wire that still touches the flanks, mm.</param>
public readonly record struct Wires(double BestWire, double OverWires, double WithLead, double LeastWire, double MostWire)
{
    /// <summary>Measurement over wires of an external thread with flanks that lean alike; null for others, and for taper threads.</summary>
    /// <param name="t">The thread.</param>
    /// <param name="wire">Wire w, mm; the best one where it is not a number.</param>
    /// <param name="pitchDiameter">d_2, mm; the basic one where it is not a number.</param>
    public static Wires? Of(Thread t, double wire = double.NaN, double pitchDiameter = double.NaN)
    {
        FormDescription form = FormDescription.Of(t.Form);
        if (!form.Symmetric || form.Taper > 0) return null;
        ThreadShape s = ThreadShape.Of(t);
        double half = double.DegreesToRadians(form.FlankAngle / 2), best = Best(t.Pitch, form.FlankAngle), w = double.IsNaN(wire) ? best : wire,
            d2 = double.IsNaN(pitchDiameter) ? s.Pitch : pitchDiameter, cot = 1 / Math.Tan(half), cosec = 1 / Math.Sin(half);

        // From where the flanks would meet: a wire reaches w·(1 + 1/sin(α/2)) out, and touches them w·(1/sin(α/2) − sin(α/2)) out.
        double meets = d2 - (t.Pitch / 2 * cot), lead = Math.Tan(double.DegreesToRadians(ThreadShape.LeadAngle(t)));
        return new(
            best, Over(d2, t.Pitch, w, form.FlankAngle), meets + (w * (1 + Math.Sqrt((cosec * cosec) + (cot * cot * lead * lead)))),
            (s.Major - meets) / (1 + cosec), (s.Major - meets) / (cosec - Math.Sin(half)));
    }

    /// <summary>Wire that touches the flanks at the pitch diameter, mm: P/(2·cos(α/2)).</summary>
    /// <param name="pitch">P, mm.</param>
    /// <param name="flankAngle">α, degrees.</param>
    public static double Best(double pitch, double flankAngle) => pitch / (2 * Math.Cos(double.DegreesToRadians(flankAngle / 2)));

    /// <summary>Size over three wires M, mm: d_2 + w·(1 + 1/sin(α/2)) − P/2·cot(α/2).</summary>
    /// <param name="pitchDiameter">d_2, mm.</param>
    /// <param name="pitch">P, mm.</param>
    /// <param name="wire">w, mm.</param>
    /// <param name="flankAngle">α, degrees.</param>
    public static double Over(double pitchDiameter, double pitch, double wire, double flankAngle)
    {
        double half = double.DegreesToRadians(flankAngle / 2);
        return pitchDiameter + (wire * (1 + (1 / Math.Sin(half)))) - (pitch / 2 / Math.Tan(half));
    }
}
