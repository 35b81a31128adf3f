using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>What going down a helix has in common, into the full or in a hole that is there.</summary>
internal static class Helix
{
    private static readonly Formula PathFormula = new("D_p", "Diameter of the path", Quantity.Length, "D_h - DC", "the rim makes the hole");
    private static readonly Formula DepthFormula = new(
        "t_p", "Depth of the tip", Quantity.Length, "H + t_b + r_ε",
        "depth of the hole; to break through also the way past the face and the corner radius");
    private static readonly Formula OpenFormula = new(
        "D_o", "Open in the middle, or left standing", Quantity.Length, "max(d_0, D_h - 2*DC)",
        "the hole that is there, or the core a cutter this small leaves");
    private static readonly Formula StandingFormula = OpenFormula with
    {
        Expression = "max(0, D_h - 2*DC)",
        Source = "the core a cutter this small leaves",
    };
    private static readonly Formula SweptFormula = new(
        "A_s", "Section swept square to the path, mm²", Quantity.Ratio, "pi/4*(D_h^2 - D_o^2)*sin(α*pi/180)",
        "volume of the hole over the way of the centre");
    private static readonly Formula ShareFormula = new(
        "q_b", "Share of the end face", Quantity.Ratio, "max(0, 1 - P*a_b*cos(α*pi/180)/A_s)",
        "what the side does not take of the hole, the end face takes under the middle");
    private static readonly Formula RoundsFormula = new("i_r", "Turns", Quantity.Count, "t_p/P + 1", "down the helix, and a level turn at the end");
    private static readonly Formula WayFormula = new("l", "Way at feed rate", Quantity.Length, "i_r*sqrt((pi*D_p)^2 + P^2)", "helix unrolled");
    private static readonly Formula DownFormula = new("v_fz", "Feed downwards", Quantity.FeedRate, "v_f*sin(α*pi/180)", "along the helix");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "l/v_f + 2*(t_p + h_s)/v_rapid", "helix at feed rate, down and up in rapid from h_s above");

    public static readonly CutterFamily[] Families = [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.HighFeedMill];

    public static readonly MillingField Hole = new(MillingInput.HoleDiameter, "D_h", "Diameter of the hole", "Across", Quantity.Length, 0.05, 2000);
    public static readonly MillingField Angle = new(MillingInput.RampAngle, "α", "Ramp angle", "Deep", Quantity.Angle, 0.05, 45, 2);
    public static readonly MillingField HoleDepth = new(MillingInput.StockHeight, "H", "Depth of the hole", "Deep", Quantity.Length, 0.001, 1000);
    public static readonly MillingField Through = new(MillingInput.Breakthrough, "t_b", "Past the far face", "Deep", Quantity.Length, 0, 100, 0);

    public static readonly MillingFigure[] Rows =
        [
            MillingFigure.RimFeed, MillingFigure.PathDiameter, MillingFigure.Pitch, MillingFigure.FeedDown, MillingFigure.Rounds,
            MillingFigure.ProgrammedDepth, .. LoadRows,
        ];

    public static void Follow(MillingSetup setup, double ratio, ref MillingInputs x)
    {
        x.Propose(MillingInput.HoleDiameter, ratio * setup.Diameter);
        x.Propose(MillingInput.StockHeight, setup.Diameter);
        if (setup.LargestRamp > 0) x.Propose(MillingInput.RampAngle, Math.Min(2, setup.LargestRamp));
    }

    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        double hole = x[MillingInput.HoleDiameter], least = setup.Diameter * 1.02;
        if (hole < least - 1e-9)
            check.Within("holeDiameter", "The diameter of the hole", hole, least, 2000, Quantity.Length)
                .Holds(
                    false, "holeDiameter", hole,
                    $"A cutter of {setup.Diameter:0.###} mm leaves no helix in it; take one of less than {hole / 1.02:0.###} mm.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, double before, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double hole = x[MillingInput.HoleDiameter], path = Math.Max(hole - setup.Diameter, 0.01 * setup.Diameter),
            pitch = CircularPath.Pitch(path, x[MillingInput.RampAngle]);
        if (TTrace.Listens)
        {
            trace.Take(PathFormula, path, new("D_h", hole), new("DC", setup.Diameter));
            trace.Take(CircularPath.PitchFormula, pitch, new("D_p", path), new("α", x[MillingInput.RampAngle]));
        }

        double width = (hole - before) / 2;
        r.Across = new(1, Math.Min(width, setup.Diameter));
        r.Down = new((int)Math.Min(Passes.Covering(x[MillingInput.StockHeight], pitch), Passes.Most), pitch);
        Engagement side = Engagement.InBend(setup.ContactAt(pitch), width, pitch, (path + setup.Diameter) / 2, ref trace);
        r.Engagement = side with { Face = FaceOf(setup, hole, before, x[MillingInput.RampAngle], side, ref trace) };
        r[MillingFigure.PathDiameter] = path;
        r[MillingFigure.Pitch] = pitch;
    }

    // The hole is what the helix makes in its time; what the side does not take of it under the middle, the end face takes.
    private static FaceCut FaceOf<TTrace>(MillingSetup setup, double hole, double before, double angle, in Engagement side, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        (double sine, double cosine) = Math.SinCos(double.DegreesToRadians(angle));
        double open = CircularPath.Open(hole, before, setup.Diameter);
        double swept = CircularPath.SweptSection(hole, open, angle), share = Math.Max(0, 1 - (side.Depth * side.Width * cosine / swept));
        if (share < 1e-9) share = 0;
        if (TTrace.Listens)
        {
            if (before > 0) trace.Take(OpenFormula, open, new("d_0", before), new("D_h", hole), new("DC", setup.Diameter));
            else trace.Take(StandingFormula, open, new("D_h", hole), new("DC", setup.Diameter));
            trace.Take(SweptFormula, swept, new("D_h", hole), new("D_o", open), new("α", angle));
            trace.Take(ShareFormula, share, new("P", side.Depth), new("a_b", side.Width), new("α", angle), new("A_s", swept));
        }

        return new(swept, share, sine);
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double path = r[MillingFigure.PathDiameter], pitch = r[MillingFigure.Pitch], feed = r.Load.FeedRate, past = x[MillingInput.Breakthrough],
            corner = past > 0 ? setup.CornerRadius : 0;
        double depth = x[MillingInput.StockHeight] + past + corner, rounds = (depth / pitch) + 1;
        double way = rounds * double.Hypot(Math.PI * path, pitch), time = (way / feed) + (2 * (depth + PassTime.Lift) / setup.RapidFeed);
        r[MillingFigure.RimFeed] = feed / r.Engagement.FeedFactor;
        r[MillingFigure.FeedDown] = feed * Math.Sin(double.DegreesToRadians(x[MillingInput.RampAngle]));
        r[MillingFigure.ProgrammedDepth] = depth;
        r[MillingFigure.Rounds] = rounds;
        r[MillingFigure.Way] = way;
        r[MillingFigure.Time] = time;
        if (TTrace.Listens)
        {
            trace.Take(DownFormula, r[MillingFigure.FeedDown], new("v_f", feed), new("α", x[MillingInput.RampAngle]));
            trace.Take(DepthFormula, depth, new("H", x[MillingInput.StockHeight]), new("t_b", past), new("r_ε", corner));
            trace.Take(RoundsFormula, rounds, new("t_p", depth), new("P", pitch));
            trace.Take(WayFormula, way, new("i_r", rounds), new("D_p", path), new("P", pitch));
            trace.Take(
                TimeFormula, time, new("l", way), new("v_f", feed), new("t_p", depth), new("h_s", PassTime.Lift), new("v_rapid", setup.RapidFeed));
        }

        return new(pitch, r.Engagement.Width, depth);
    }
}

/// <summary>Entering the full on a helix.</summary>
public readonly struct HelicalEntry : IMillingKind
{
    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "helical-entry", "Helical entry", "helix", Helix.Families,
        [Helix.Hole, Helix.Angle, Helix.HoleDepth, Helix.Through, FeedPerTooth, CuttingSpeed, ToolLife, Deflection(60)],
        [ChipKept("largest"), EdgeWear, CoolantBy, WorkHeld], Large, Helix.Rows)
    { ChartedAs = ["slot", "side-rough"] };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x) => Helix.Follow(setup, 1.6, ref x);

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check) => Helix.Refuse(setup, x, check);

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Engage(setup, x, 0, ref r, ref trace);

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Plan(setup, x, ref r, ref trace);

    /// <inheritdoc/>
    public static void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(LimitKind.RampAngle, x[MillingInput.RampAngle], setup.LargestRamp);
        limits.Add(LimitKind.LeastHole, x[MillingInput.HoleDiameter], setup.Diameter + setup.DeadCentre);
        limits.Add(LimitKind.LargestHole, x[MillingInput.HoleDiameter], 2 * (setup.Diameter - setup.CornerRadius));
    }
}

/// <summary>Opening a hole that is there on a helix.</summary>
public readonly struct HelicalBoring : IMillingKind
{
    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "helical-bore",
        "Helical boring",
        "helix",
        Helix.Families,
        [
            Helix.Hole, new(MillingInput.HoleBefore, "d_0", "Diameter that is there", "Across", Quantity.Length, 0.05, 2000), Helix.Angle,
            Helix.HoleDepth, Helix.Through, FeedPerTooth, CuttingSpeed, ToolLife, Deflection(40),
        ],
        [ChipKept("largest"), EdgeWear, CoolantBy, WorkHeld],
        Large,
        Helix.Rows)
    { ChartedAs = ["side-rough"] };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        Helix.Follow(setup, 2.5, ref x);
        x.Propose(MillingInput.HoleBefore, Math.Max(0.05, x[MillingInput.HoleDiameter] - (0.5 * setup.Diameter)));
    }

    /// <inheritdoc/>
    public static void Refuse(MillingSetup setup, in MillingInputs x, InputCheck check)
    {
        Helix.Refuse(setup, x, check);
        double hole = x[MillingInput.HoleDiameter], before = x[MillingInput.HoleBefore];
        check.Holds(
            before < hole, "holeBefore", before,
            $"Nothing is left to cut: {before:0.###} mm are there and {hole:0.###} mm are wanted. Give a hole that "
                + $"is there of less than {hole:0.###} mm.");
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace =>
            Helix.Engage(setup, x, Math.Min(x[MillingInput.HoleBefore], x[MillingInput.HoleDiameter] * (1 - 1e-6)), ref r, ref trace);

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Plan(setup, x, ref r, ref trace);

    /// <inheritdoc/>
    public static void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits) =>
        limits.Add(LimitKind.LargestHole, x[MillingInput.HoleDiameter], x[MillingInput.HoleBefore] + (2 * (setup.Diameter - setup.CornerRadius)));
}
