using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Along the work, outside or inside by the tool: what roughing and finishing share.</summary>
internal static class LongTurning
{
    private const double UsualDiameter = 50, UsualLength = 60, UsualWall = 1.6, Room = 10;

    private static readonly Formula StockFormula = new(
        "s_t", "Stock on a side", Quantity.Length, "abs(D_0 - D_2)/2 - s", "between the diameters, less what is left");
    private static readonly Formula PassesFormula = new(
        "i_p", "Passes", Quantity.Count, "ceil(s_t/a_pmost - 1e-9)", "equal passes, none above the most allowed");
    private static readonly Formula DepthFormula = new("a_p", "Depth of each pass", Quantity.Length, "s_t/i_p", "equal passes");
    private static readonly Formula OneDepthFormula = DepthFormula with { Expression = "abs(D_0 - D_2)/2", Source = "in one pass" };
    private static readonly Formula OneLastFormula = new(
        "D_l", "Diameter of the tip in the last pass", Quantity.Length, "1*D_2", "in one pass");
    private static readonly Formula FirstFormula = new(
        "D_f", "Diameter of the tip in the first pass", Quantity.Length, "D_0 + 2*w_s*a_p", "w_s is −1 outside, 1 inside");
    private static readonly Formula LastFormula = new(
        "D_l", "Diameter of the tip in the last pass", Quantity.Length, "D_2 - 2*w_s*s", "what is left stays on");
    private static readonly Formula LeastFormula = new("D_k", "Smallest diameter of the tip", Quantity.Length, "min(D_f, D_l)", "of all passes");
    private static readonly Formula MostFormula = new("D_m", "Largest diameter of the tip", Quantity.Length, "max(D_f, D_l)", "of all passes");

    /// <summary>Diameters, lengths and how the work is held.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="stock">Stock on a side where nothing else was typed, mm.</param>
    /// <param name="x">The inputs.</param>
    public static void Follow(TurnedSetup setup, double stock, ref Inputs x)
    {
        double side = Side(setup);
        x.Propose(Input.StartDiameter, setup.Inside ? UsualBore(setup, x, stock) : Outside(x, stock));
        x.Propose(Input.EndDiameter, Math.Max(0.2, x[Input.StartDiameter] + (2 * side * stock)));
        double reach = double.IsFinite(setup.Projection) ? setup.Projection : UsualLength;
        x.Propose(Input.Length, setup.Inside ? Math.Max(1, Math.Floor(Math.Min(UsualLength, 0.8 * reach))) : UsualLength);
        x.Propose(Input.BodyDiameter, setup.Inside ? Math.Ceiling(UsualWall * x[Input.EndDiameter]) : x[Input.StartDiameter]);
        x.Propose(Input.StandsOut, Math.Ceiling(x[Input.Length] + Room));
    }

    public static double Side(TurnedSetup setup) => setup.Inside ? 1 : -1;

    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => input != Input.WorkBore || !setup.Inside;

    /// <summary>The course of the cut.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="left">Left on a side, mm.</param>
    /// <param name="most">Most depth of a pass, mm; infinite for one pass.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, double left, double most, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double side = Side(setup), d1 = x[Input.StartDiameter], d2 = x[Input.EndDiameter],
            stock = Math.Max((Math.Abs(d1 - d2) / 2) - left, 1e-6);
        Passes passes = Passes.Even(stock, most);
        double first = Math.Max(1e-3, d1 + (2 * side * passes.Each)), last = Math.Max(1e-3, d2 - (2 * side * left)), out1 = x[Input.StandsOut];
        if (TTrace.Listens)
        {
            if (double.IsFinite(most))
            {
                trace.Take(StockFormula, stock, new("D_0", d1), new("D_2", d2), new("s", left));
                trace.Take(PassesFormula, passes.Count, new("s_t", stock), new("a_pmost", most));
                trace.Take(DepthFormula, passes.Each, new("s_t", stock), new("i_p", passes.Count));
                trace.Take(LastFormula, last, new("D_2", d2), new("w_s", side), new("s", left));
            }
            else
            {
                trace.Take(OneDepthFormula, passes.Each, new("D_0", d1), new("D_2", d2));
                trace.Take(OneLastFormula, last, new Term("D_2", d2));
            }

            trace.Take(FirstFormula, first, new("D_0", d1), new("w_s", side), new("a_p", passes.Each));
            trace.Take(LeastFormula, Math.Min(first, last), new("D_f", first), new("D_l", last));
            trace.Take(MostFormula, Math.Max(first, last), new("D_f", first), new("D_l", last));
        }

        return new(
            false, setup.EdgeAngle, setup.CornerRadius, stock, passes.Each, passes.Count, first, last, !setup.Inside, x[Input.Length],
            out1 - x[Input.Length], out1);
    }

    public static HeldWork Held(TurnedSetup setup, in Inputs x, double left)
    {
        double body = x[Input.BodyDiameter], after = x[Input.EndDiameter] - (2 * Side(setup) * left);
        return setup.Inside
            ? new(body, body, x[Input.Length], 0, Math.Min(after, 0.999 * body))
            : new(body, after, x[Input.Length], Thin(x[Input.WorkBore], body), Thin(x[Input.WorkBore], after));
    }

    /// <summary>A bore that leaves something of a diameter, mm: what does not is refused elsewhere.</summary>
    public static double Thin(double bore, double diameter) => Math.Min(bore, 0.999 * diameter);

    public static void Refuse(TurnedSetup setup, in Inputs x, double left, InputCheck check)
    {
        double d1 = x[Input.StartDiameter], d2 = x[Input.EndDiameter], length = x[Input.Length], stock = Side(setup) * (d2 - d1) / 2;
        string more = setup.Inside ? "larger" : "smaller";
        check.Holds(
            stock > left + 1e-9, "endDiameter", d2,
            stock <= 0
                ? $"From Ø{d1:0.###} to Ø{d2:0.###} mm nothing is taken off {(setup.Inside ? "inside" : "outside")}; give a {more} finished Ø, or a "
                    + $"blank that is {(setup.Inside ? "bored smaller" : "larger")}."
                : $"Between Ø{d1:0.###} and Ø{d2:0.###} mm lie {stock:0.###} mm on a side, and {left:0.###} mm are to be left; leave less.")
            .Holds(
                x[Input.StandsOut] >= length - 1e-9, "standsOut", x[Input.StandsOut],
                $"{length:0.##} mm cannot be turned on work that stands {x[Input.StandsOut]:0.##} mm out of the chuck; let it stand out further.")
            .Holds(
                !setup.Inside || x[Input.BodyDiameter] > d2, "bodyDiameter", x[Input.BodyDiameter],
                $"A bore of Ø{d2:0.###} mm leaves no wall of Ø{x[Input.BodyDiameter]:0.##} mm; give the outside Ø of the work.")
            .Holds(
                setup.Inside || x[Input.WorkBore] < d2, "workBore", x[Input.WorkBore],
                $"A bore of Ø{x[Input.WorkBore]:0.##} mm leaves nothing of Ø{d2:0.##} mm; give a smaller bore.");
    }

    public static void Judge(TurnedSetup setup, in Inputs x, ref LimitSet limits)
    {
        if (setup.Inside)
        {
            limits.Add(TurningLimits.LeastBore, x[Input.StartDiameter], setup.LeastBore);
            limits.Add(Limits.Reach, x[Input.Length], setup.Projection);
        }
        else if (setup.Chuck is { LargestBar: > 0 and var bar } && x[Input.GrippedDiameter] == x[Input.StartDiameter])
            limits.Add(TurningLimits.BarThroughSpindle, x[Input.GrippedDiameter], bar);
    }

    public static void Notice(TurnedSetup setup, List<Finding> findings)
    {
        if (setup.TipAngle > 0)
            findings.Add(new(
                "follows", Severity.Info,
                new(
                    "The insert follows a contour that falls by up to {0}; steeper, its trailing edge touches.",
                    new Measure(setup.TrailingAngle, Quantity.Angle)), ""));
    }

    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse c, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, f = x[Input.FeedPerRevolution];
        for (int i = 1; i <= c.Passes; i++)
        {
            double n = speed.SpeedAt(c.TipIn(i));
            sink.Take(new(TurnedWay.Pass, c.Way + clear, n * f) { Number = c.Passes > 1 ? i : 0, Speed = n });
        }

        sink.Take(new(WayKind.Return, c.Way + (3 * clear), setup.RapidFeed) { Count = c.Passes, Rapid = true, Speed = speed.SpeedAt(c.Most) });
    }

    private static double Outside(in Inputs x, double stock) =>
        x.IsTyped(Input.EndDiameter) ? x[Input.EndDiameter] + (2 * stock) : UsualDiameter;

    private static double UsualBore(TurnedSetup setup, in Inputs x, double stock) =>
        x.IsTyped(Input.EndDiameter) ? Math.Max(0.5, x[Input.EndDiameter] - (2 * stock))
            : double.IsFinite(setup.LeastBore) ? Math.Ceiling(1.1 * setup.LeastBore) : UsualDiameter;
}

/// <summary>Stretches of the way of a turning tool.</summary>
internal static class TurnedWay
{
    public static readonly WayKind Pass = new("pass", "Pass {0}"), Plunge = new("plunge", "Plunge"), Slow = new("slow", "Slower to the end"),
        Chamfer = new("chamfer", "Chamfer");
}

/// <summary>Rough turning along the work, outside or inside by the tool: equal passes down to what is left for finishing.</summary>
public readonly struct RoughTurning : ITurningKind
{
    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-rough", "Rough turning", "turned", [CutterFamily.OutsideTurningTool, CutterFamily.InsideTurningTool],
        [
            TurningWords.Before, TurningWords.After, TurningWords.Length, TurningWords.Bore, TurningWords.Body, TurningWords.StandsOut,
            TurningWords.Gripped, TurningWords.SteadyAt, TurningWords.Depth, TurningWords.Left, TurningWords.Feed, TurningWords.Clamp,
            TurningWords.Deflection(150),
        ],
        TurningWords.Options, TurningWords.Large, TurningWords.Rows);

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x) =>
        LongTurning.Follow(setup, x[Input.DepthOfCut] + x[Input.StockLeft], ref x);

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => LongTurning.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check) => LongTurning.Refuse(setup, x, x[Input.StockLeft], check);

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => LongTurning.Course(setup, x, x[Input.StockLeft], x[Input.DepthOfCut], ref trace);

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x) => LongTurning.Held(setup, x, x[Input.StockLeft]);

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits) => LongTurning.Judge(setup, x, ref limits);

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings) => LongTurning.Notice(setup, findings);

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink => LongTurning.Walk(setup, x, course, speed, ref sink);
}

/// <summary>Finish turning along the work in one pass, outside or inside by the tool: the feed follows from the finish wanted.</summary>
public readonly struct FinishTurning : ITurningKind
{
    private const double UsualStock = 0.5;

    private static readonly Formula FeedFormula = new(
        "f", "Feed per revolution for the finish", Quantity.Chip, "min(f_chart, q_r)",
        "charted, and no more than q_r, the feed whose marks are R_w high");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-finish", "Finish turning", "turned", [CutterFamily.OutsideTurningTool, CutterFamily.InsideTurningTool],
        [
            TurningWords.Before, TurningWords.After, TurningWords.Length, TurningWords.Bore, TurningWords.Body, TurningWords.StandsOut,
            TurningWords.Gripped, TurningWords.SteadyAt, TurningWords.Feed, TurningWords.Clamp,
            new(Input.FinishWanted, "R_w", "Peak to valley wanted", TurningWords.HeldTo, Quantity.Deviation, 0.05, 500, 10),
            TurningWords.Deflection(15),
        ],
        TurningWords.Options,
        [Output.ProgrammedSpeed, Output.FeedInUse, Output.PeakToValley, Output.Time],
        [.. TurningWords.Rows.Where(o => o != Output.PeakToValley), Output.Depth])
    { ChartedAs = [RoughTurning.Description] };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x) => LongTurning.Follow(setup, UsualStock, ref x);

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => LongTurning.Uses(setup, x, input);

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check) => LongTurning.Refuse(setup, x, 0, check);

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace => LongTurning.Course(setup, x, 0, double.PositiveInfinity, ref trace);

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x) => LongTurning.Held(setup, x, 0);

    /// <inheritdoc/>
    public static double FeedFrom<TTrace>(TurnedSetup setup, double charted, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wanted = FeedMark.ExactFeedFor(
            x[Input.FinishWanted], setup.CornerRadius, setup.EdgeAngle, Math.Clamp(setup.TrailingAngle, 0.1, 89)),
            feed = Math.Min(charted, wanted);
        if (TTrace.Listens) trace.Take(FeedFormula, feed, new("f_chart", charted), new("q_r", wanted));
        return feed;
    }

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        LongTurning.Judge(setup, x, ref limits);
        limits.Add(TurningLimits.Finish, r[Output.PeakToValley], x[Input.FinishWanted]);
    }

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings) => LongTurning.Notice(setup, findings);

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink => LongTurning.Walk(setup, x, course, speed, ref sink);
}
