using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Milling;

/// <summary>
/// The part of a turn during which a tooth is in the work. Angles run from the direction square to the feed in which the chip
/// starts at nothing (conventional sense); the same arc serves climb milling, in which it is passed from the other end.
/// </summary>
public readonly record struct ArcOfEngagement
{
    /// <summary>Formula of the arc when the cutter works with its side.</summary>
    public static readonly Formula SideArc = new(
        "φ_e", "Arc of engagement", Quantity.Angle, "acos(1 - 2*a_e/D_e)*180/pi", "geometry of the side cut; ISO 3002-3");

    /// <summary>Formula of the arc when the cutter stands in the middle of the width.</summary>
    public static readonly Formula CentredArc = new(
        "φ_e", "Arc of engagement", Quantity.Angle, "2*asin(a_e/D_e)*180/pi", "geometry of the centred face cut; ISO 3002-3");

    private ArcOfEngagement(double entry, double exit, double cosEntry, double cosExit)
    {
        Entry = entry;
        Exit = exit;
        CosEntry = cosEntry;
        CosExit = cosExit;
        LargestSine = cosEntry >= 0 && cosExit <= 0
            ? 1
            : Math.Sqrt(1 - Math.Min(cosEntry * cosEntry, cosExit * cosExit));
    }

    /// <summary>Angle φ₁ at which the arc begins, radians, 0 to π.</summary>
    public double Entry { get; }

    /// <summary>Angle φ₂ at which the arc ends, radians, φ₁ to π.</summary>
    public double Exit { get; }

    /// <summary>cos φ₁.</summary>
    public double CosEntry { get; }

    /// <summary>cos φ₂.</summary>
    public double CosExit { get; }

    /// <summary>Largest sine over the arc, 0 to 1: the largest chip is f_z·sin κ times this.</summary>
    public double LargestSine { get; }

    /// <summary>Length of the arc φ_e, radians.</summary>
    public double Length => Exit - Entry;

    /// <summary>Mean sine over the arc: the mean chip is f_z·sin κ times this.</summary>
    public double MeanSine => (CosEntry - CosExit) / Length;

    /// <summary>Side cut: φ₁ = 0, φ₂ = acos(1 − 2·a_e/D).</summary>
    /// <param name="diameter">Diameter in contact D_e, mm, above 0.</param>
    /// <param name="width">Width of cut a_e, mm, above 0 up to the diameter.</param>
    /// <param name="trace">Listens to the step.</param>
    public static ArcOfEngagement Side<TTrace>(double diameter, double width, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double cosExit = 1 - (2 * width / diameter);
        ArcOfEngagement arc = new(0, Math.Acos(cosExit), 1, cosExit);
        if (TTrace.Listens) trace.Take(SideArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter));
        return arc;
    }

    /// <summary>Face cut with the cutter in the middle of the width: φ_e = 2·asin(a_e/D).</summary>
    /// <inheritdoc cref="Side"/>
    public static ArcOfEngagement Centred<TTrace>(double diameter, double width, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double sine = width / diameter, half = Math.Asin(sine);
        ArcOfEngagement arc = new((Math.PI / 2) - half, (Math.PI / 2) + half, sine, -sine);
        if (TTrace.Listens) trace.Take(CentredArc, double.RadiansToDegrees(arc.Length), new("a_e", width), new("D_e", diameter));
        return arc;
    }
}
