namespace Incisura.Core.Threads;

/// <summary>Which way an insert goes into the groove of a thread.</summary>
public enum InfeedWay
{
    /// <summary>Straight in: both flanks cut.</summary>
    Radial,

    /// <summary>Along the flank that follows: only the leading one cuts.</summary>
    Flank,

    /// <summary>A little steeper than along the flank, so that the following one is cleaned too.</summary>
    ModifiedFlank,

    /// <summary>Along one flank and the other by turns.</summary>
    Alternating,
}

/// <summary>An insert in the groove of a thread: a trapezium with flanks, and a floor as wide as its nose.</summary>
/// <param name="Leading">Slope of the leading flank, tan of its angle.</param>
/// <param name="Following">Slope of the following flank.</param>
/// <param name="Floor">Width of the floor, mm, at least 0.</param>
public readonly record struct GrooveProfile(double Leading, double Following, double Floor)
{
    /// <summary>By how much the modified flank infeed is steeper than the flank, degrees: usual practice is 1 to 5.</summary>
    private const double Steeper = 2.5;

    private double Sum => Leading + Following;

    /// <summary>Sideways place of the insert at a depth, mm from where it ends, positive along the feed.</summary>
    /// <param name="way">Which way it goes in.</param>
    /// <param name="depth">Its depth, mm.</param>
    /// <param name="height">The depth it ends at, mm.</param>
    /// <param name="number">Number of the infeed, from 1.</param>
    public double Shift(InfeedWay way, double depth, double height, int number) => way switch
    {
        InfeedWay.Radial => 0,
        InfeedWay.Flank => -(height - depth) * Following,
        InfeedWay.ModifiedFlank => -(height - depth) * SteeperSlope,
        _ => number % 2 == 1 ? -(height - depth) * Following : (height - depth) * Leading,
    };

    /// <summary>Slope of the modified flank infeed.</summary>
    private double SteeperSlope => Math.Tan(Math.Max(0, Math.Atan(Following) - double.DegreesToRadians(Steeper)));

    /// <summary>Section of the whole groove at a depth, mm².</summary>
    public double Section(double depth) => depth * (Floor + (depth * Sum / 2));

    /// <summary>
    /// Section of the chip of an infeed, mm²: what it takes beyond the two before it. On each side of the groove the insert stands within what it cut
    /// there before last, so that no earlier one has to be looked at.
    /// </summary>
    /// <param name="now">Place and depth of this infeed.</param>
    /// <param name="before">Those of the one before; depth 0 for none.</param>
    /// <param name="beforeLast">Those of the one before that.</param>
    public double Chip((double Shift, double Depth) now, (double Shift, double Depth) before, (double Shift, double Depth) beforeLast) =>
        Section(now.Depth) - Common(now, before, before) - Common(now, beforeLast, beforeLast) + Common(now, before, beforeLast);

    /// <summary>Length of edge that cuts at a depth, mm: flanks that take a chip, and the floor.</summary>
    public double EdgeAt(InfeedWay way, double depth)
    {
        double leading = depth * Math.Sqrt(1 + (Leading * Leading)), following = depth * Math.Sqrt(1 + (Following * Following));
        return Floor + way switch
        {
            InfeedWay.Flank => leading,
            InfeedWay.Alternating => Math.Max(leading, following),
            _ => leading + following,
        };
    }

    /// <summary>
    /// Share of the force square to the edge that acts along the height of the thread: all of it at the floor, on a flank the sine of its angle.
    /// </summary>
    public double PassiveShare(InfeedWay way, double depth)
    {
        double leading = depth * Leading, following = depth * Following;
        return (Floor + way switch
        {
            InfeedWay.Flank => leading,
            InfeedWay.Alternating => Math.Max(leading, following),
            _ => leading + following,
        }) / EdgeAt(way, depth);
    }

    /// <summary>Outline of the chip of an infeed: along the groove it leaves, and back along the one it found. Empty where it takes none.</summary>
    /// <inheritdoc cref="Chip"/>
    public IReadOnlyList<ProfilePoint> Outline(
        (double Shift, double Depth) now, (double Shift, double Depth) before, (double Shift, double Depth) beforeLast)
    {
        (double Shift, double Depth)[] all = [now, before, beforeLast];
        GrooveProfile own = this;
        (double left, double right) = own.Top(now);
        SortedSet<double> corners = [];
        foreach ((double Shift, double Depth) one in all.Where(g => g.Depth > 0))
        {
            (double from, double to) = own.Top(one);
            corners.UnionWith([from, from + (one.Depth * Following), to - (one.Depth * Leading), to]);
            foreach ((double Shift, double Depth) other in all.Where(g => g.Depth > 0))
            {
                // Where the falling flank of one meets the rising one of the other, and where a flank meets the other's floor.
                (double otherFrom, double otherTo) = own.Top(other);
                if (Sum > 0) corners.Add(((from * Leading) + (otherTo * Following)) / Sum);
                corners.UnionWith([from + (other.Depth * Following), to - (other.Depth * Leading)]);
            }
        }

        double[] at = [.. corners.Where(z => z >= left - 1e-12 && z <= right + 1e-12)];
        return
        [
            .. at.Select(z => new ProfilePoint(z, own.DepthAt(now, z))),
            .. at.Reverse().Select(z => new ProfilePoint(z, Math.Min(own.DepthAt(now, z), Found(z)))),
        ];

        double Found(double z) => Math.Max(own.DepthAt(before, z), own.DepthAt(beforeLast, z));
    }

    private (double From, double To) Top((double Shift, double Depth) g) =>
        (g.Shift - (Floor / 2) - (g.Depth * Following), g.Shift + (Floor / 2) + (g.Depth * Leading));

    private double DepthAt((double Shift, double Depth) g, double z)
    {
        (double from, double to) = Top(g);
        if (g.Depth <= 0 || z <= from || z >= to) return 0;
        double falling = Following > 0 ? (z - from) / Following : double.PositiveInfinity,
            rising = Leading > 0 ? (to - z) / Leading : double.PositiveInfinity;
        return Math.Min(g.Depth, Math.Min(falling, rising));
    }

    // Section that three of the same profile have in common: between the inmost flanks, down to the least depth.
    private double Common((double Shift, double Depth) a, (double Shift, double Depth) b, (double Shift, double Depth) c)
    {
        double least = Math.Min(a.Depth, Math.Min(b.Depth, c.Depth));
        if (least <= 0) return 0;
        (double fromA, double toA) = Top(a);
        (double fromB, double toB) = Top(b);
        (double fromC, double toC) = Top(c);
        double wide = Math.Min(toA, Math.Min(toB, toC)) - Math.Max(fromA, Math.Max(fromB, fromC));
        if (wide <= 0) return 0;
        double deep = Sum > 0 ? Math.Min(least, wide / Sum) : least;
        return deep * (wide - (deep * Sum / 2));
    }
}
