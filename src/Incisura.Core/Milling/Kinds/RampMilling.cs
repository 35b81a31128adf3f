using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>
/// Ramping to and fro into the full, and a level pass at the end. The load is the largest: from the second ramp on the floor of the
/// ramp before lies high at the far end, so that the cutter stands there twice the gain of a ramp deep.
/// </summary>
internal readonly struct RampMilling : IMillingKind
{
    private static readonly WayKind Ramp = new("ramp", "Ramps to and fro"), Level = new("level", "Level at the end");

    private static readonly Formula ThrustFormula = new(
        "F_f", "Thrust", Quantity.Force, "k_r*k_c11*(f_z*sin(α_r*pi/180))^(1 - m_c)*DC/2*ceil(z/2)",
        "force square to the edges of the end face: half of them cut the floor, from the axis to the rim, with the share of the feed along the axis");
    private static readonly Formula OneFormula = new(
        "g_most", "Gain of a ramp, at most", Quantity.Length, "min(L*tan(α*pi/180), a_pmost)",
        "rise of a ramp of this angle over its length, within the depth allowed: one ramp is enough");
    private static readonly Formula MostFormula = OneFormula with
    {
        Expression = "min(L*tan(α*pi/180), a_pmost/2)",
        Source = "rise of a ramp of this angle over its length; to and fro twice the gain must stay within the depth allowed",
    };
    private static readonly Formula RampsFormula = new(
        "i_p", "Ramps", Quantity.Count, "ceil(H/g_most - 1e-9)", "equal ramps, none above the most allowed");
    private static readonly Formula GainFormula = new("g", "Gain of a ramp", Quantity.Length, "H/i_p", "equal ramps");
    private static readonly Formula DeepestFormula = new(
        "a_p", "Largest depth in cut", Quantity.Length, "min(i_p, 2)*g",
        "at the end of a ramp, above the floor of the ramp before, which lies high there");
    private static readonly Formula AngleFormula = new(
        "α_r", "Ramp angle in use", Quantity.Angle, "atan(g/L)*180/pi", "equal ramps over the whole length");
    private static readonly Formula RateFormula = new(
        "Q", "Removal rate over all ramps", Quantity.RemovalRate, "DC*L*H/l*v_f/1000", "what is removed, over the way at feed rate");
    private static readonly Formula DownFormula = new("v_fz", "Feed downwards", Quantity.FeedRate, "v_f*sin(α_r*pi/180)", "along the ramp");
    private static readonly Formula WayFormula = new(
        "l", "Way at feed rate", Quantity.Length, "i_p*L/cos(α_r*pi/180) + L", "ramps, and a level pass at the end");
    private static readonly Formula TimeFormula = new(
        "T", "Time", Quantity.Time, "l/v_f + 2*h_s/v_rapid", "ramps to and fro, with approach and lift h_s");

    public static OperationDescription Description { get; } = new(
        "ramp",
        "Ramping",
        "ramp",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill, CutterFamily.HighFeedMill],
        [
            new(Input.RampAngle, "α", "Ramp angle, at most", "Deep", Quantity.Angle, 0.05, 60, 3), StockHeight, Depth, FeedPerTooth,
            Length("Length of a ramp", 60), Deflection(60),
        ],
        [ChipKept("largest")],
        Large,
        [Output.Gain, Output.Depth, Output.PassesDown, Output.Tilt, Output.FeedDown, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.Gain, Output.Tilt, Output.PassesDown, Output.FeedDown),
        ChartedAs = [SlotMilling.Description, SideRough.Description],
        DepthFactor = 0.25,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        if (setup.LargestRamp > 0) x.Propose(Input.RampAngle, Math.Min(3, setup.LargestRamp));
        x.Propose(Input.StockHeight, Math.Min(x[Input.DepthOfCut], RampPath.Gain(x[Input.Length], x[Input.RampAngle])));
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double height = x[Input.StockHeight], allowed = x[Input.DepthOfCut],
            rise = RampPath.Gain(x[Input.Length], x[Input.RampAngle]);
        bool one = height <= Math.Min(rise, allowed) * (1 + 1e-9);
        double most = Math.Min(rise, one ? allowed : allowed / 2);
        r.Across = new(1, setup.Diameter);
        r.Down = Passes.Even(height, most);
        double deepest = RampPath.Deepest(r.Down.Each, r.Down.Count);
        if (TTrace.Listens)
        {
            trace.Take(
                one ? OneFormula : MostFormula, most, new("L", x[Input.Length]), new("α", x[Input.RampAngle]), new("a_pmost", allowed));
            trace.Take(RampsFormula, r.Down.Count, new("H", height), new("g_most", most));
            trace.Take(GainFormula, r.Down.Each, new("H", height), new("i_p", r.Down.Count));
            trace.Take(DeepestFormula, deepest, new("i_p", r.Down.Count), new("g", r.Down.Each));
        }

        Contact contact = setup.ContactAt(deepest);
        r.Engagement = Engagement.Of(contact, contact.Diameter, deepest, ArcOfEngagement.Side(contact.Diameter, contact.Diameter, ref trace));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double length = x[Input.Length], angle = Math.Atan(r.Down.Each / length), feed = r.Load.FeedRate;
        PassTime.Sum<RampMilling>(setup, x, ref r);
        double way = r[Output.Way];
        double chip = x[Input.FeedPerTooth] * Math.Sin(angle), lips = Math.Ceiling(setup.Teeth / 2.0);
        r[Output.Thrust] = setup.RadialRatio * setup.SpecificForce11 * Common.Wear(x) * Math.Pow(chip, 1 - setup.ChipExponent)
            * setup.Diameter / 2 * lips;
        r[Output.Gain] = r.Down.Each;
        r[Output.RemovalRate] = setup.Diameter * length * x[Input.StockHeight] / way * feed / 1000;
        r[Output.Tilt] = double.RadiansToDegrees(angle);
        r[Output.FeedDown] = feed * Math.Sin(angle);
        if (TTrace.Listens)
        {
            trace.Take(AngleFormula, r[Output.Tilt], new("g", r.Down.Each), new("L", length));
            trace.Take(
                ThrustFormula, r[Output.Thrust], new("k_r", setup.RadialRatio), new("k_c11", setup.SpecificForce11 * Common.Wear(x)),
                new("f_z", x[Input.FeedPerTooth]), new("α_r", r[Output.Tilt]), new("m_c", setup.ChipExponent), new("DC", setup.Diameter),
                new("z", setup.Teeth));
            trace.Take(DownFormula, r[Output.FeedDown], new("v_f", feed), new("α_r", r[Output.Tilt]));
            trace.Take(WayFormula, way, new("i_p", r.Down.Count), new("L", length), new("α_r", r[Output.Tilt]));
            trace.Take(
                RateFormula, r[Output.RemovalRate], new("DC", setup.Diameter), new("L", length), new("H", x[Input.StockHeight]),
                new("l", way), new("v_f", feed));
            trace.Take(
                TimeFormula, r[Output.Time], new("l", way), new("v_f", feed), new("h_s", setup.Practice.Lift), new("v_rapid", setup.RapidFeed));
        }

        return new(r.Engagement.Depth, setup.Diameter, x[Input.StockHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double length = x[Input.Length], feed = r[Output.FeedRate], n = r[Output.SpindleSpeed];
        sink.Take(new(Ramp, length / Math.Cos(Math.Atan(r.Down.Each / length)), feed) { Count = r.Down.Count, Speed = n });
        sink.Take(new(Level, length, feed) { Speed = n });
        sink.Take(new(WayKind.Lift, setup.Practice.Lift, setup.RapidFeed) { Count = 2, Rapid = true, Speed = r[Output.SpindleSpeed] });
    }

    // From the second ramp on the floor of the ramp before lies highest at the far end.
    public static double WorstAt(in Inputs x, in MillingResult r) => x[Input.Length];

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(MillingLimits.RampAngle, r[Output.Tilt], setup.LargestRamp);
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);
        PassLoad.JudgeThrust(setup, r, ref limits);
    }
}
