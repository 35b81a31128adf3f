namespace Incisura.Core.Turning;

/// <summary>Limits that only turning has.</summary>
public static class TurningLimits
{
    private static readonly Input[] Loaded = [Input.DepthOfCut, Input.FeedPerRevolution];

    /// <summary>Highest speed of the chuck that the clamp of the surface speed may let the spindle reach, rev/min.</summary>
    public static readonly LimitDefinition Clamp = new(
        "speedClamp", "Speed clamp", Quantity.SpindleSpeed, Severity.Stop,
        "Clamp the spindle at the highest speed of spindle and chuck, or lower.")
    { Bounds = [Input.SpeedClamp] };

    /// <summary>Least depth at which the chip breaks, mm.</summary>
    public static readonly LimitDefinition LeastFormingDepth = new(
        "leastFormingDepth", "Least depth for the chip", Quantity.Length, Severity.Caution,
        "Take fewer passes, or an insert whose chip breaks at less depth.")
    { IsLeast = true };

    /// <summary>Largest depth the chip former takes, mm.</summary>
    public static readonly LimitDefinition LargestFormingDepth = new(
        "largestFormingDepth", "Largest depth for the chip", Quantity.Length, Severity.Caution,
        "Take more passes, or an insert for more depth.")
    { Holds = [Input.DepthOfCut] };

    /// <summary>Least feed at which the chip breaks, mm.</summary>
    public static readonly LimitDefinition LeastFormingFeed = new(
        "leastFormingFeed", "Least feed for the chip", Quantity.Chip, Severity.Caution,
        "Raise the feed, or take an insert whose chip breaks at a lower one.")
    { IsLeast = true };

    /// <summary>Largest feed the chip former takes, mm.</summary>
    public static readonly LimitDefinition LargestFormingFeed = new(
        "largestFormingFeed", "Largest feed for the chip", Quantity.Chip, Severity.Caution, "Lower the feed, or take an insert for more feed.")
    { WithFeed = FeedShare.Even, Holds = [Input.FeedPerRevolution] };

    /// <summary>Length of edge that may be in the work, mm.</summary>
    public static readonly LimitDefinition EdgeLength = new(
        "edgeLength", "Edge in the work", Quantity.Length, Severity.Caution, "Take less depth, or a larger insert.")
    { Holds = [Input.DepthOfCut] };

    /// <summary>The whole edge of the insert: beyond it the shank is in the work, mm.</summary>
    public static readonly LimitDefinition WholeEdge = new(
        "wholeEdge", "Whole edge of the insert", Quantity.Length, Severity.Stop,
        "Take less depth, or a larger insert: beyond its edge the shank rubs.")
    { Holds = [Input.DepthOfCut] };

    /// <summary>Feed that the corner bears: half its radius for roughing, mm.</summary>
    public static readonly LimitDefinition CornerFeed = new(
        "cornerFeed", "Feed for the corner", Quantity.Chip, Severity.Caution, "Lower the feed, or take a larger corner radius.")
    { WithFeed = FeedShare.Even, Holds = [Input.FeedPerRevolution] };

    /// <summary>Error on the radius by the bend of work and bar, µm.</summary>
    public static readonly LimitDefinition SizeError = new(
        "sizeError", "Bend away from the cut", Quantity.Deviation, Severity.Caution,
        "Support the work with a centre or a steady rest, let it stand out less, or take less depth or feed; inside, a thicker or shorter bar.")
    { WithFeed = FeedShare.Load, Holds = Loaded };

    /// <summary>Peak to valley wanted, µm.</summary>
    public static readonly LimitDefinition Finish = new(
        "finish", "Peak to valley", Quantity.Deviation, Severity.Caution, "Lower the feed, or take a larger corner radius.")
    { Bounds = [Input.FeedPerRevolution] };

    /// <summary>Angle κ_r′ of the trailing edge, up to which a tool follows an outline that falls back, degrees.</summary>
    public static readonly LimitDefinition TrailingEdge = new(
        "trailingEdge", "Fall of the outline", Quantity.Angle, Severity.Stop,
        "Take a slimmer insert, let the outline fall less steeply, or groove it.");

    /// <summary>Least radius of a hollow of the outline that the corner of the tool has to fit, mm.</summary>
    public static readonly LimitDefinition InnerCorner = new(
        "innerCorner", "Corner radius in the hollow", Quantity.Length, Severity.Stop,
        "Take a smaller corner radius, or give the hollow a larger one.");

    /// <summary>Length over diameter that a bar may stand out, by what it is made of.</summary>
    public static readonly LimitDefinition Overhang = new(
        "overhang", "Overhang of the bar over its Ø", Quantity.Ratio, Severity.Caution,
        "Let the bar stand out less, or take a thicker one, one of carbide, or a damped one.");

    /// <summary>Bore the bar needs, mm.</summary>
    public static readonly LimitDefinition LeastBore = new(
        "leastBore", "Bore for the bar", Quantity.Length, Severity.Stop, "Open the bore first, or take a thinner bar.")
    { IsLeast = true };

    /// <summary>Depth a blade reaches, mm.</summary>
    public static readonly LimitDefinition BladeReach = new(
        "bladeReach", "Reach of the blade", Quantity.Length, Severity.Stop, "Take a blade that reaches further, or turn the work smaller first.");

    /// <summary>Largest diameter a blade goes into, mm.</summary>
    public static readonly LimitDefinition BladeWork = new(
        "bladeWork", "Ø of the work for the blade", Quantity.Length, Severity.Stop, "Take a blade for larger work.");

    /// <summary>Least outer diameter of a groove in a face that the blade is curved for, mm.</summary>
    public static readonly LimitDefinition LeastFaceGroove = new(
        "leastFaceGroove", "Least outer Ø in the face", Quantity.Length, Severity.Stop,
        "Take a blade curved for a smaller groove, or begin further out.")
    { IsLeast = true };

    /// <summary>Largest outer diameter of a groove in a face that the blade is curved for, mm.</summary>
    public static readonly LimitDefinition LargestFaceGroove = new(
        "largestFaceGroove", "Largest outer Ø in the face", Quantity.Length, Severity.Stop,
        "Take a blade curved for a larger groove, or begin further in and widen outwards.");

    /// <summary>Gap beside a shoulder that the shank of the blade needs, mm.</summary>
    public static readonly LimitDefinition ShoulderGap = new(
        "shoulderGap", "Gap beside the shoulder", Quantity.Length, Severity.Stop,
        "Rough the shoulder further back, let the work stand out further, or take a blade that reaches further.")
    { IsLeast = true };

    /// <summary>Largest bar that goes through the spindle, mm.</summary>
    public static readonly LimitDefinition BarThroughSpindle = new(
        "barThroughSpindle", "Bar through the spindle", Quantity.Length, Severity.Caution,
        "Clamp sawn blanks, or take a machine with a larger spindle.");
}
