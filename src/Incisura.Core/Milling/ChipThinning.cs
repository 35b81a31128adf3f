namespace Incisura.Core.Milling;

/// <summary>What the feed per tooth keeps when the width of cut changes.</summary>
public enum ChipKept
{
    /// <summary>The feed per tooth stays as the chart has it.</summary>
    None,

    /// <summary>The largest chip thickness of the chart's own width is kept.</summary>
    Largest,

    /// <summary>The mean chip thickness of the chart's own width is kept.</summary>
    Mean,
}

/// <summary>Feed per tooth from a wanted chip thickness: the inverse of the geometry of the undeformed chip.</summary>
public static class ChipThinning
{
    /// <summary>Feed per tooth f_z, mm, that gives a mean chip thickness: f_z = h_m/(sin κ · mean sine over the arc).</summary>
    /// <param name="meanChip">Wanted h_m, mm, above 0.</param>
    /// <param name="edgeAngle">Cutting edge angle κ, degrees, above 0 up to 90.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double FeedForMeanChip(double meanChip, double edgeAngle, in ArcOfEngagement arc) =>
        meanChip / (MillingCut.SineOfEdge(edgeAngle) * arc.MeanSine);

    /// <summary>Feed per tooth f_z, mm, that gives a largest chip thickness: f_z = h_max/(sin κ · largest sine over the arc).</summary>
    /// <inheritdoc cref="FeedForMeanChip"/>
    /// <param name="largestChip">Wanted h_max, mm, above 0.</param>
    /// <param name="edgeAngle">Cutting edge angle κ, degrees, above 0 up to 90.</param>
    /// <param name="arc">Arc of engagement.</param>
    public static double FeedForLargestChip(double largestChip, double edgeAngle, in ArcOfEngagement arc) =>
        largestChip / (MillingCut.SineOfEdge(edgeAngle) * arc.LargestSine);

    /// <summary>Factor on a feed per tooth stated for one engagement that keeps its chip at another.</summary>
    /// <param name="kept">What is kept.</param>
    /// <param name="stated">Engagement the feed is stated for.</param>
    /// <param name="used">Engagement it is used at.</param>
    /// <param name="most">Largest factor, 1 or more; the shop's practice.</param>
    public static double Factor(ChipKept kept, in Engagement stated, in Engagement used, double most) => kept switch
    {
        ChipKept.Largest => Math.Min(stated.LargestChipRatio / used.LargestChipRatio, most),
        ChipKept.Mean => Math.Min(stated.MeanChipRatio / used.MeanChipRatio, most),
        _ => 1,
    };
}
