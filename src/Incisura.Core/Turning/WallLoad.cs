namespace Incisura.Core.Turning;

/// <summary>A side of an outline that rises against the tool, and how the tool gets to it.</summary>
/// <param name="From">Direction of what the tool comes along, above 0 where that rises too, rad.</param>
/// <param name="Rise">Its own direction where it is steepest, rad: a right angle at a shoulder.</param>
/// <param name="Length">Its length, mm.</param>
/// <param name="Hollow">Radius of the hollow that leads into it, mm; 0 where the corner is sharp.</param>
internal readonly record struct OutlineWall(double From, double Rise, double Length, double Hollow)
{
    // Shallow cones, steep ones, and shoulders are looked at apart, rad.
    private const double Shallow = 0.6, Steep = 1.2;

    /// <summary>Takes alike sides together, on the safe side: as the steepest and longest of them, with the sharpest corner before it.</summary>
    /// <param name="walls">All of them.</param>
    public static OutlineWall[] Few(IEnumerable<OutlineWall> walls) =>
    [
        .. walls.GroupBy(w => w.Rise < Shallow ? 0 : w.Rise < Steep ? 1 : 2)
            .Select(g => new OutlineWall(g.Min(w => w.From), g.Max(w => w.Rise), g.Max(w => w.Length), g.Min(w => w.Hollow))),
    ];
}

/// <summary>
/// What an edge that follows an outline meets where that rises: as its corner comes to the side, the main edge, which leans from it by κ less the rise,
/// takes the stock over a long stretch of it at once, at the chip it had so far; going up, the stretch stays and the chip is thin.
/// </summary>
/// <param name="Load">The load as the corner comes to the side.</param>
/// <param name="Turned">Direction of the feed then, rad.</param>
/// <param name="Straight">Straight edge that stands in the stock of the side, mm.</param>
/// <param name="ThinChip">Chip beside the corner on the way up, mm.</param>
internal readonly record struct WallLoad(CornerLoad Load, double Turned, double Straight, double ThinChip)
{
    private const double Flat = 1e-3;

    /// <summary>Works it out.</summary>
    /// <param name="wall">The side.</param>
    /// <param name="c">The course, with its stock on diameters and faces.</param>
    /// <param name="edge">Angle up to which the edge goes on, degrees: κ_r, 180 of a round insert.</param>
    /// <param name="feed">Feed of a turn f, mm.</param>
    /// <param name="force11">k_c1.1, corrected, MPa.</param>
    /// <param name="exponent">m_c.</param>
    /// <param name="radial">k_r.</param>
    public static WallLoad Of(
        in OutlineWall wall, in TurnedCourse c, double edge, double feed, double force11, double exponent, double radial)
    {
        double κ = double.DegreesToRadians(edge), r = c.CornerRadius, leans = Math.Max(0, κ - wall.Rise);
        (double upSine, double upCosine) = Math.SinCos(wall.Rise);
        (double sine, double cosine) = Math.SinCos(leans);
        double stock = (c.Depth * upCosine) + (c.FaceStock * upSine), corner = r * (1 - cosine),
            straight = stock <= corner ? 0 : leans > Flat ? Math.Min(wall.Length, (stock - corner) / sine) : wall.Length,
            round = stock >= corner ? leans : Math.Acos(1 - (stock / r)),
            ahead = wall.Hollow > stock ? Math.Acos(1 - (stock / wall.Hollow)) : Math.PI, turned = Math.Max(wall.From, wall.Rise - ahead),
            angle = Math.Max(κ - turned, Flat),
            depth = (r * (1 - Math.Cos(Math.Min(angle, round + wall.Rise - turned)))) + (straight * Math.Sin(angle));
        return new(
            CornerLoad.Of(feed, Math.Max(depth, c.Depth), double.RadiansToDegrees(angle), r, force11, exponent, radial), turned, straight,
            feed * sine);
    }
}

/// <summary>The forces of a course where each is largest on the way.</summary>
/// <param name="along">The load along a diameter, or across a face.</param>
/// <param name="across">Whether the feed runs across.</param>
internal struct CourseForces(in CornerLoad along, bool across)
{
    /// <summary>The load where the cutting force is largest.</summary>
    public CornerLoad Load = along;

    /// <summary>Largest force along the axis, or across it where the feed runs across, N.</summary>
    public double Feed = along.Feed;

    /// <summary>Largest force square to that, away from the work, N; below 0 where the tool is drawn in.</summary>
    public double Passive = along.Passive;

    /// <summary>Longest edge in the work, mm.</summary>
    public double Edge = along.EdgeLength;

    /// <summary>Largest chip thickness, mm.</summary>
    public double Chip = along.LargestChip;

    /// <summary>Direction of the side up which the chip is thinnest, rad; NaN where there is none.</summary>
    public double Steepest = double.NaN;

    /// <summary>Thinnest chip beside the corner up a side, mm; NaN where there is none.</summary>
    public double ThinChip = double.NaN;

    /// <summary>Largest force square to the axis in the plane of the feed, N, at least 0.</summary>
    public readonly double Radial => Math.Abs(across ? Feed : Passive);

    /// <summary>Largest force along the axis, N, at least 0.</summary>
    public readonly double Axial => Math.Abs(across ? Passive : Feed);

    /// <summary>Takes what is met at a side.</summary>
    /// <param name="wall">The side.</param>
    /// <param name="met">What is met there.</param>
    public void Take(in OutlineWall wall, in WallLoad met)
    {
        (double sine, double cosine) = Math.SinCos(met.Turned);
        Passive = Larger(Passive, (met.Load.Passive * cosine) - (met.Load.Feed * sine));
        Feed = Larger(Feed, (met.Load.Feed * cosine) + (met.Load.Passive * sine));
        Edge = Math.Max(Edge, met.Load.EdgeLength);
        Chip = Math.Max(Chip, met.Load.LargestChip);
        if (met.Straight > 0 && !(met.ThinChip >= ThinChip)) (ThinChip, Steepest) = (met.ThinChip, wall.Rise);
        if (met.Load.Cutting > Load.Cutting) Load = met.Load;
    }

    private static double Larger(double one, double other) => Math.Abs(other) > Math.Abs(one) ? other : one;
}
