namespace Incisura.Core.Milling;

/// <summary>A bend or corner of the wall: engagement, load and feed there, against the straight.</summary>
internal static class Bend
{
    private static readonly Formula RimFeed = new(
        "v_frim", "Feed of the centre that holds the rim", Quantity.FeedRate, "v_f*k_b",
        "both turn about one centre; k_b is the path of the centre over the wall");
    private static readonly Formula ChipFeed = new(
        "v_fchip", "Feed of the centre that keeps the chip", Quantity.FeedRate, "v_f*s_max/s_b",
        "largest sine on the straight over that in the bend");
    private static readonly Formula Chip = new(
        "h_b", "Largest chip in the bend", Quantity.Chip, "h_max*s_b/s_max", "the feed of the centre unchanged");

    /// <summary>Writes the figures of the bend; nothing for a straight wall.</summary>
    public static void Solve<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double radius = x[Input.CornerRadius];
        if (!(radius > 0)) return;
        Engagement e = r.Engagement;
        double diameter = e.Diameter, cutter = diameter / 2, width = Math.Min(e.Width, diameter);
        double angle = x[Input.CornerAngle] > 0 ? x[Input.CornerAngle] : 90;
        ArcOfEngagement arc = ArcOfEngagement.Bend(diameter, width, radius, x.OuterBend, angle, ref trace);
        double straight = r[Output.PeakForce], inBend = EdgeLoad.LargestResultant(setup, e with { Arc = arc }, x);
        double centre = Math.Max(0, CircularPath.CentreFactor(radius, cutter, x.OuterBend));
        r[Output.BendArc] = double.RadiansToDegrees(arc.Length);
        r[Output.BendChip] = r.Load.LargestChip * arc.LargestSine / e.Arc.LargestSine;
        r[Output.BendForce] = inBend / straight;
        r[Output.BendRimFeed] = r.Load.FeedRate * centre;
        r[Output.BendChipFeed] = r.Load.FeedRate * e.Arc.LargestSine / arc.LargestSine;
        r[Output.BendLargestCutter] = x.OuterBend ? 0 : LargestCutter(radius, width);
        if (!TTrace.Listens) return;
        trace.Take(Chip, r[Output.BendChip], new("h_max", r.Load.LargestChip), new("s_b", arc.LargestSine), new("s_max", e.Arc.LargestSine));
        trace.Take(RimFeed, r[Output.BendRimFeed], new("v_f", r.Load.FeedRate), new("k_b", centre));
        trace.Take(
            ChipFeed, r[Output.BendChipFeed], new("v_f", r.Load.FeedRate), new("s_max", e.Arc.LargestSine), new("s_b", arc.LargestSine));
    }

    /// <summary>Says what the bend does to the load.</summary>
    public static void Notice(in Inputs x, in MillingResult r, List<Finding> findings)
    {
        double radius = x[Input.CornerRadius], cutter = r.Engagement.Diameter / 2;
        if (!(radius > 0)) return;
        Measure Angle(Output f, MillingResult of) => new(of[f], Quantity.Angle);
        if (!x.OuterBend && radius <= cutter * (1 + 1e-9))
            findings.Add(new(
                "corner-as-cutter",
                Severity.Caution,
                new(
                    "The corner is as small as the cutter: it turns on the spot, and its arc jumps from {0} to {1}.", Angle(Output.Arc, r),
                    Angle(Output.BendArc, r)),
                r[Output.BendLargestCutter] > 0
                    ? $"Slow down to {r[Output.BendChipFeed]:0} mm/min in the corner, or take a cutter of at most "
                        + $"{r[Output.BendLargestCutter]:0.##} mm, whose arc stays within a quarter turn."
                    : $"Slow down to {r[Output.BendChipFeed]:0} mm/min in the corner, take a smaller cutter, or take less width."));
        else if (r[Output.BendForce] > 1.02)
            findings.Add(new(
                "bend-load",
                r[Output.BendForce] > 1.5 ? Severity.Caution : Severity.Info,
                new(
                    "In the bend the arc grows from {0} to {1} and the side force to {2} times that on the straight, if the centre keeps its feed.",
                    Angle(Output.Arc, r), Angle(Output.BendArc, r), new Measure(r[Output.BendForce], Quantity.Ratio)),
                $"Run the centre at {Math.Min(r[Output.BendRimFeed], r[Output.BendChipFeed]):0} mm/min there: "
                    + $"{r[Output.BendRimFeed]:0} holds the rim, {r[Output.BendChipFeed]:0} keeps the chip."));
        else if (x.OuterBend)
            findings.Add(new(
                "bend-thin",
                Severity.Info,
                new(
                    "Round the outside the arc falls from {0} to {1}; the centre runs at {2} to hold the feed at the rim.",
                    Angle(Output.Arc, r), Angle(Output.BendArc, r), new Measure(r[Output.BendRimFeed], Quantity.FeedRate)),
                ""));
    }

    /// <summary>Refuses a corner the cutter does not fit into.</summary>
    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double radius = x[Input.CornerRadius], least = setup.Diameter / 2;
        if (!x.OuterBend && radius > 0 && radius < least - 1e-9)
            check.Within("cornerRadius", "The radius of the corner", radius, least, 10_000, Quantity.Length)
                .Holds(
                    false, "cornerRadius", radius,
                    $"A cutter of {setup.Diameter:0.###} mm does not fit; take one of at most {2 * radius:0.###} mm, or 0 for a straight wall.");
    }

    // Largest cutter whose arc stays within a quarter turn: (R − r)² + r² = (R − a)².
    private static double LargestCutter(double radius, double width)
    {
        double stock = radius - width, room = (2 * stock * stock) - (radius * radius);
        return stock > 0 && room >= 0 ? radius + Math.Sqrt(room) : 0;
    }
}
