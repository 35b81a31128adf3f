using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>What going down a helix has in common, into the full or in a hole that is there.</summary>
internal static class Helix
{
    /// <summary>Least hole the cutter can enter on a helix without riding on its dead centre, mm.</summary>
    public static readonly LimitDefinition LeastHole = new(
        "leastHole", "Least hole", Quantity.Length, Severity.Stop, "Take a smaller cutter, or one that cuts to its centre.")
    { IsLeast = true };

    /// <summary>Largest hole that is cleared to its middle on one helix, mm.</summary>
    public static readonly LimitDefinition LargestHole = new(
        "largestHole", "Largest hole", Quantity.Length, Severity.Stop,
        "Take a larger cutter, or open the rest of the hole in further passes.");

    private static readonly WayKind Turn = new("turn", "Turns down the helix, and a level one");

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
        "A_s", "Section swept square to the path", Quantity.Section, "pi/4*(D_h^2 - D_o^2)*sin(α*pi/180)",
        "volume of the hole over the way of the centre");
    private static readonly Formula ShareFormula = new(
        "q_u", "Share of the end face", Quantity.Ratio, "max(0, 1 - P_u*a_b*cos(α*pi/180)/A_s)",
        "what the side does not take of the hole, the end face takes under the middle");
    private static readonly Formula RoundsFormula = new("i_r", "Turns", Quantity.Count, "t_p/P_u + 1", "down the helix, and a level turn at the end");
    private static readonly Formula WayFormula = new("l", "Way at feed rate", Quantity.Length, "i_r*sqrt((pi*D_p)^2 + P_u^2)", "helix unrolled");
    private static readonly Formula DownFormula = new("v_fz", "Feed downwards", Quantity.FeedRate, "v_f*sin(α*pi/180)", "along the helix");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "l/v_f + 2*(t_p + h_s)/v_rapid", "helix at feed rate, down and up in rapid from h_s above");

    internal static readonly CutterFamily[] Families = [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.HighFeedMill];

    internal static readonly FieldDescription Hole = new(Input.HoleDiameter, "D_h", "Diameter of the hole", "Across", Quantity.Length, 0.05, 2000);
    internal static readonly FieldDescription Angle = new(Input.RampAngle, "α", "Ramp angle", "Deep", Quantity.Angle, 0.05, 45, 2);
    internal static readonly FieldDescription HoleDepth = new(Input.StockHeight, "H", "Depth of the hole", "Deep", Quantity.Length, 0.001, 1000);
    internal static readonly FieldDescription Through = new(Input.Breakthrough, "t_b", "Past the far face", "Deep", Quantity.Length, 0, 100, 0);

    internal static readonly Output[] Rows =
        [
            Output.RimFeed, Output.PathDiameter, Output.DepthInTurn, Output.FeedDown, Output.Rounds,
            Output.ProgrammedDepth, .. LoadRows,
        ];

    internal static void Follow(MillingSetup setup, double ratio, ref Inputs x)
    {
        x.Propose(Input.HoleDiameter, ratio * setup.Diameter);
        x.Propose(Input.StockHeight, setup.Diameter);
        if (setup.LargestRamp > 0) x.Propose(Input.RampAngle, Math.Min(2, setup.LargestRamp));
    }

    internal static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double hole = x[Input.HoleDiameter], least = setup.Diameter * 1.02;
        if (hole < least - 1e-9)
            check.Within("holeDiameter", "The diameter of the hole", hole, least, 2000, Quantity.Length)
                .Holds(
                    false, "holeDiameter", hole,
                    $"A cutter of {setup.Diameter:0.###} mm leaves no helix in it; take one of less than {hole / 1.02:0.###} mm.");
    }

    internal static void Engage<TTrace>(MillingSetup setup, in Inputs x, double before, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double hole = x[Input.HoleDiameter], path = Math.Max(hole - setup.Diameter, 0.01 * setup.Diameter),
            pitch = CircularPath.Pitch(path, x[Input.RampAngle]);
        if (TTrace.Listens)
        {
            trace.Take(PathFormula, path, new("D_h", hole), new("DC", setup.Diameter));
            trace.Take(CircularPath.PitchFormula, pitch, new("D_p", path), new("α", x[Input.RampAngle]));
        }

        double width = (hole - before) / 2;
        r.Across = new(1, Math.Min(width, setup.Diameter));
        r.Down = new((int)Math.Min(Passes.Covering(x[Input.StockHeight], pitch), Passes.Most), pitch);
        Engagement side = Engagement.InBend(setup.ContactAt(pitch), width, pitch, (path + setup.Diameter) / 2, ref trace);
        r.Engagement = side with { Face = FaceOf(setup, hole, before, x[Input.RampAngle], side, ref trace) };
        r[Output.PathDiameter] = path;
        r[Output.DepthInTurn] = pitch;
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
            trace.Take(ShareFormula, share, new("P_u", side.Depth), new("a_b", side.Width), new("α", angle), new("A_s", swept));
        }

        return new(swept, share, sine);
    }

    internal static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        sink.Take(new(Turn, double.Hypot(Math.PI * r[Output.PathDiameter], r[Output.DepthInTurn]), r[Output.FeedRate])
        {
            Count = r[Output.Rounds],
            Speed = r[Output.SpindleSpeed],
        });
        sink.Take(new(WayKind.Lift, r[Output.ProgrammedDepth] + setup.Practice.Lift, setup.RapidFeed)
        {
            Count = 2,
            Rapid = true,
            Speed = r[Output.SpindleSpeed],
        });
    }

    internal static Extent Plan<TKind, TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TKind : struct, IMillingKind
        where TTrace : struct, ITrace
    {
        double path = r[Output.PathDiameter], pitch = r[Output.DepthInTurn], feed = r.Load.FeedRate, past = x[Input.Breakthrough],
            corner = past > 0 ? setup.CornerRadius : 0;
        double depth = x[Input.StockHeight] + past + corner, rounds = (depth / pitch) + 1;
        r[Output.RimFeed] = feed / r.Engagement.FeedFactor;
        r[Output.Thrust] = setup.RadialRatio * r.Load.FaceForce;
        r[Output.FeedDown] = feed * Math.Sin(double.DegreesToRadians(x[Input.RampAngle]));
        r[Output.ProgrammedDepth] = depth;
        r[Output.Rounds] = rounds;
        PassTime.Sum<TKind>(setup, x, ref r);
        if (TTrace.Listens)
        {
            trace.Take(DownFormula, r[Output.FeedDown], new("v_f", feed), new("α", x[Input.RampAngle]));
            if (r.Load.FaceForce > 0) trace.Take(PassLoad.FaceThrust, r[Output.Thrust], new("k_r", setup.RadialRatio), new("F_u", r.Load.FaceForce));
            trace.Take(DepthFormula, depth, new("H", x[Input.StockHeight]), new("t_b", past), new("r_ε", corner));
            trace.Take(RoundsFormula, rounds, new("t_p", depth), new("P_u", pitch));
            trace.Take(WayFormula, r[Output.Way], new("i_r", rounds), new("D_p", path), new("P_u", pitch));
            trace.Take(
                TimeFormula, r[Output.Time], new("l", r[Output.Way]), new("v_f", feed), new("t_p", depth), new("h_s", setup.Practice.Lift),
                new("v_rapid", setup.RapidFeed));
        }

        return new(pitch, r.Engagement.Width, depth);
    }
}

/// <summary>Entering the full on a helix.</summary>
internal readonly struct HelicalEntry : IMillingKind
{
    public static OperationDescription Description { get; } = new(
        "helical-entry", "Helical entry", "helix", Helix.Families,
        [Helix.Hole, Helix.Angle, Helix.HoleDepth, Helix.Through, FeedPerTooth, Deflection(60)],
        [ChipKept("largest")], Large, Helix.Rows)
    {
        AtMachine = SetAtMachine(
            Output.PathDiameter, Output.DepthInTurn, Output.ProgrammedDepth, Output.Rounds, Input.RampAngle, Input.Breakthrough,
            Output.RimFeed, Output.FeedDown),
        Leaves = LeftoverKind.Hole,
        LeavesBy = Input.HoleDiameter,
        ChartedAs = [SlotMilling.Description, SideRough.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x) => Helix.Follow(setup, 1.6, ref x);

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check) => Helix.Refuse(setup, x, check);

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Engage(setup, x, 0, ref r, ref trace);

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Plan<HelicalEntry, TTrace>(setup, x, ref r, ref trace);

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink => Helix.Walk(setup, x, r, ref sink);

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(MillingLimits.RampAngle, x[Input.RampAngle], setup.LargestRamp);
        limits.Add(Helix.LeastHole, x[Input.HoleDiameter], setup.Diameter + setup.DeadCentre);
        limits.Add(Helix.LargestHole, x[Input.HoleDiameter], 2 * (setup.Diameter - setup.CornerRadius));
        PassLoad.JudgeThrust(setup, r, ref limits);
    }
}

/// <summary>Opening a hole that is there on a helix.</summary>
internal readonly struct HelicalBoring : IMillingKind
{
    public static OperationDescription Description { get; } = new(
        "helical-bore",
        "Helical boring",
        "helix",
        Helix.Families,
        [
            Helix.Hole, new(Input.HoleBefore, "d_0", "Diameter that is there", "Across", Quantity.Length, 0.05, 2000), Helix.Angle,
            Helix.HoleDepth, Helix.Through, FeedPerTooth, Deflection(40),
        ],
        [ChipKept("largest")],
        Large,
        Helix.Rows)
    {
        AtMachine = SetAtMachine(
            Output.PathDiameter, Output.DepthInTurn, Output.ProgrammedDepth, Output.Rounds, Input.RampAngle, Input.Breakthrough,
            Output.RimFeed, Output.FeedDown),
        Leaves = LeftoverKind.Hole,
        LeavesBy = Input.HoleDiameter,
        ChartedAs = [SideRough.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        Helix.Follow(setup, 2.5, ref x);
        x.Propose(Input.HoleBefore, Math.Max(0.05, x[Input.HoleDiameter] - (0.5 * setup.Diameter)));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        Helix.Refuse(setup, x, check);
        double hole = x[Input.HoleDiameter], before = x[Input.HoleBefore];
        check.Holds(
            before < hole, "holeBefore", before,
            $"Nothing is left to cut: {before:0.###} mm are there and {hole:0.###} mm are wanted. Give a hole that "
                + $"is there of less than {hole:0.###} mm.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace =>
            Helix.Engage(setup, x, Math.Min(x[Input.HoleBefore], x[Input.HoleDiameter] * (1 - 1e-6)), ref r, ref trace);

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace => Helix.Plan<HelicalBoring, TTrace>(setup, x, ref r, ref trace);

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink => Helix.Walk(setup, x, r, ref sink);

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(Helix.LargestHole, x[Input.HoleDiameter], x[Input.HoleBefore] + (2 * (setup.Diameter - setup.CornerRadius)));
        PassLoad.JudgeThrust(setup, r, ref limits);
    }
}
