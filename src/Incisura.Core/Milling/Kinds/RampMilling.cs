using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Core.Quantities;
using static Incisura.Core.Calculation.ShopOptions;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Ramping to and fro into the full, and a level pass at the end. The load is that at the end of a ramp.</summary>
public readonly struct RampMilling : IMillingKind
{
    private static readonly Formula MostFormula = new("a_pmost", "Depth of a ramp, at most", Quantity.Length, "min(L*tan(α*pi/180), a_pm)", "rise of a ramp of this angle over its length, within the depth allowed");
    private static readonly Formula AngleFormula = new("α_r", "Ramp angle in use", Quantity.Angle, "atan(a_p/L)*180/pi", "equal ramps over the whole length");
    private static readonly Formula DownFormula = new("v_fz", "Feed downwards", Quantity.FeedRate, "v_f*sin(α_r*pi/180)", "along the ramp");
    private static readonly Formula WayFormula = new("l", "Way at feed rate", Quantity.Length, "i_p*L/cos(α_r*pi/180) + L", "ramps, and a level pass at the end");
    private static readonly Formula TimeFormula = new("T", "Time", Quantity.Time, "l/v_f + 2*h_s/v_rapid", "ramps to and fro, with approach and lift h_s");

    /// <inheritdoc/>
    public static MillingDescription Description { get; } = new(
        "ramp",
        "Ramping",
        "ramp",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill, CutterFamily.HighFeedMill],
        [new(MillingInput.RampAngle, "α", "Ramp angle, at most", "Deep", Quantity.Angle, 0.05, 60, 3), StockHeight, Depth, FeedPerTooth, CuttingSpeed, ToolLife, Length("Length of a ramp", 60), Deflection(60)],
        [ChipKept("largest"), EdgeWear, CoolantBy, WorkHeld],
        Large,
        [MillingFigure.Depth, MillingFigure.PassesDown, MillingFigure.Tilt, MillingFigure.FeedDown, .. LoadRows])
    { ChartedAs = ["slot", "side-rough"], DepthFactor = 0.25 };

    /// <inheritdoc/>
    public static void Follow(MillingSetup setup, ref MillingInputs x)
    {
        if (setup.LargestRamp > 0) x.Propose(MillingInput.RampAngle, Math.Min(3, setup.LargestRamp));
        x.Propose(MillingInput.StockHeight, Math.Min(x[MillingInput.DepthOfCut], Gain(x)));
    }

    /// <inheritdoc/>
    public static void Engage<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double most = Math.Min(Gain(x), x[MillingInput.DepthOfCut]);
        if (TTrace.Listens) trace.Take(MostFormula, most, new("L", x[MillingInput.Length]), new("α", x[MillingInput.RampAngle]), new("a_pm", x[MillingInput.DepthOfCut]));
        r.Across = new(1, setup.Diameter);
        PassDivision.Down(x[MillingInput.StockHeight], most, ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(contact, contact.Diameter, r.Down.Each, ArcOfEngagement.Side(contact.Diameter, contact.Diameter, ref trace));
    }

    /// <inheritdoc/>
    public static Extent Plan<TTrace>(MillingSetup setup, in MillingInputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double length = x[MillingInput.Length], angle = Math.Atan(r.Down.Each / length), feed = r.Load.FeedRate;
        double way = (r.Down.Count * length / Math.Cos(angle)) + length, time = (way / feed) + (2 * PassTime.Lift / setup.RapidFeed);
        r[MillingFigure.Tilt] = double.RadiansToDegrees(angle);
        r[MillingFigure.FeedDown] = feed * Math.Sin(angle);
        r[MillingFigure.Way] = way;
        r[MillingFigure.Time] = time;
        if (TTrace.Listens)
        {
            trace.Take(AngleFormula, r[MillingFigure.Tilt], new("a_p", r.Down.Each), new("L", length));
            trace.Take(DownFormula, r[MillingFigure.FeedDown], new("v_f", feed), new("α_r", r[MillingFigure.Tilt]));
            trace.Take(WayFormula, way, new("i_p", r.Down.Count), new("L", length), new("α_r", r[MillingFigure.Tilt]));
            trace.Take(TimeFormula, time, new("l", way), new("v_f", feed), new("h_s", PassTime.Lift), new("v_rapid", setup.RapidFeed));
        }

        return new(r.Down.Each, setup.Diameter, x[MillingInput.StockHeight]);
    }

    /// <inheritdoc/>
    public static void Judge(MillingSetup setup, in MillingInputs x, in MillingResult r, ref LimitSet limits)
    {
        limits.Add(LimitKind.RampAngle, r[MillingFigure.Tilt], setup.LargestRamp);
        PassLoad.JudgeChipRoom(setup, x, r, ref limits);
    }

    private static double Gain(in MillingInputs x) => x[MillingInput.Length] * Math.Tan(double.DegreesToRadians(x[MillingInput.RampAngle]));
}
