using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Facing: towards the axis at constant surface speed, to the middle or to a bore, in equal passes.</summary>
public readonly struct FaceTurning : ITurningKind
{
    private const double UsualDiameter = 50, UsualStands = 40;

    private static readonly Formula StockFormula = new(
        "s_t", "Stock on the face", Quantity.Length, "H - s", "less what is left");
    private static readonly Formula PassesFormula = new(
        "i_p", "Passes", Quantity.Count, "ceil(s_t/a_pmost - 1e-9)", "equal passes, none above the most allowed");
    private static readonly Formula DepthFormula = new("a_p", "Depth of each pass", Quantity.Length, "s_t/i_p", "equal passes");
    private static readonly Formula MostFormula = new("D_m", "Largest diameter of the tip", Quantity.Length, "1*D_0", "at the rim");
    private static readonly Formula LeastFormula = new(
        "D_k", "Smallest diameter of the tip", Quantity.Length, "1*d_i", "at the bore, or the middle");
    private static readonly Formula LastFormula = new(
        "D_l", "Diameter at which it ends", Quantity.Length, "max(d_i, 1e-9)", "at the bore, or the middle");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-face", "Facing", "turnedFace", [CutterFamily.OutsideTurningTool],
        [
            TurningWords.Before,
            TurningWords.Bore with { Name = "Faced to Ø, 0 to the middle" },
            new(Input.StockHeight, "H", "Stock on the face", TurningWords.Work, Quantity.Length, 0.01, 500),
            TurningWords.Body, TurningWords.StandsOut, WorkSpindleWords.Gripped, WorkSpindleWords.GripLength, TurningWords.SteadyAt,
            TurningWords.CutShare, TurningWords.Depth,
            TurningWords.Left with { Name = "Left for finishing", Default = 0 },
            TurningWords.Feed, TurningWords.Clamp, TurningWords.Deflection(100),
        ],
        TurningWords.Options, TurningWords.Large, TurningWords.Rows)
    {
        AtMachine = TurningWords.SetAtMachine(Output.Depth, Output.PassesDown, Input.StockLeft),
        ChartedAs = [RoughTurning.Description],
    };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x)
    {
        x.Propose(Input.StartDiameter, UsualDiameter);
        x.Propose(Input.StockHeight, x[Input.DepthOfCut] + x[Input.StockLeft]);
        x.Propose(Input.BodyDiameter, x[Input.StartDiameter]);
        x.Propose(Input.StandsOut, UsualStands);
    }

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check) => check
        .Holds(
            x[Input.StockHeight] > x[Input.StockLeft], "stockHeight", x[Input.StockHeight],
            $"{x[Input.StockLeft]:0.###} mm are to be left of {x[Input.StockHeight]:0.###} mm; leave less.")
        .Holds(
            x[Input.WorkBore] < x[Input.StartDiameter], "workBore", x[Input.WorkBore],
            $"Facing goes from Ø{x[Input.StartDiameter]:0.##} mm inwards; end at a smaller Ø.")
        .Holds(
            setup.TipAngle == 0 || setup.EdgeAngle > 90, "assembly", setup.EdgeAngle,
            $"At κ_r = {setup.EdgeAngle:0.#}° the main edge of this tool would drag over the face; take a tool above 90°.")
        .Holds(
            x[Input.StandsOut] > x[Input.StockHeight], "standsOut", x[Input.StandsOut],
            "More is to be faced off than stands out of the chuck; let the work stand out further.");

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double stock = Math.Max(x[Input.StockHeight] - x[Input.StockLeft], 1e-6), most = x[Input.DepthOfCut], d1 = x[Input.StartDiameter],
            bore = Math.Min(x[Input.WorkBore], d1);
        Passes passes = Passes.Even(stock, most);
        if (TTrace.Listens)
        {
            trace.Take(StockFormula, stock, new("H", x[Input.StockHeight]), new("s", x[Input.StockLeft]));
            trace.Take(PassesFormula, passes.Count, new("s_t", stock), new("a_pmost", most));
            trace.Take(DepthFormula, passes.Each, new("s_t", stock), new("i_p", passes.Count));
            trace.Take(MostFormula, d1, new Term("D_0", d1));
            trace.Take(LeastFormula, bore, new Term("d_i", bore));
            trace.Take(LastFormula, Math.Max(bore, 1e-9), new Term("d_i", bore));
        }

        return new(
            true, setup.AcrossAngle, setup.CornerRadius, passes.Each, passes.Count, d1, bore, false, x[Input.StandsOut],
            x[Input.StandsOut]);
    }

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x)
    {
        double body = x[Input.BodyDiameter], bore = LongTurning.Thin(x[Input.WorkBore], body);
        return new(body, body, 0, bore, bore);
    }

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        if (x.Centre && x[Input.WorkBore] == 0)
            findings.Add(new(
                "centre-in-the-way", Severity.Stop, new("The centre stands where the face ends."),
                "Face without the centre, or end before it reaches the tool."));
    }

    /// <inheritdoc/>
    public static void Follows(TurnedSetup setup, in Inputs x, Following after)
    {
        double stands = x[Input.StandsOut] - x[Input.StockHeight] + x[Input.StockLeft];
        after.Turning(
            "turn-rough", "rough turning", false, (Input.StartDiameter, x[Input.StartDiameter]), (Input.StandsOut, stands),
            (Input.WorkBore, x[Input.WorkBore]));
        if (x[Input.WorkBore] == 0) after.Hole("a hole on the axis");
    }

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink => Across(setup, x, course, speed, TurnedWay.Pass, ref sink);

    /// <summary>Passes towards the axis or away from it, each from its clear way outside the work.</summary>
    internal static void Across<TSink>(
        TurnedSetup setup, in Inputs x, in TurnedCourse c, in SurfaceSpeed speed, WayKind kind, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, from = Math.Max(0, c.First + (2 * Math.Sign(c.First - c.Last) * clear)),
            way = Math.Abs(from - c.Last) / 2, time = speed.Across(from, c.Last, x[Input.FeedPerRevolution]), n = speed.SpeedAt(c.First);
        for (int i = 1; i <= c.Passes; i++) sink.Take(new(kind, way, way / time) { Number = c.Passes > 1 ? i : 0, Speed = n });
        sink.Take(new(WayKind.Return, way + (2 * clear), setup.RapidFeed) { Count = c.Passes, Rapid = true, Speed = n });
    }
}
