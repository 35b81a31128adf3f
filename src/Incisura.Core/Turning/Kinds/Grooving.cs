using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>
/// Grooving outside, in a bore or in a face, by the tool: straight in, several plunges beside each other where the groove is wider than the blade, and
/// a pass along walls and bottom where it is wanted.
/// </summary>
public readonly struct Grooving : ITurningKind
{
    private const double UsualShare = 0.5, UsualWall = 1.6;

    private static readonly Formula PlungesFormula = new(
        "i_b", "Plunges", Quantity.Count, "1 + max(0, ceil((b_g - CW)/(0.8*CW) - 1e-9))",
        "the first in full, each beside it at most 0.8 of the blade");
    private static readonly Formula BottomFormula = new(
        "D_u", "Diameter at the bottom", Quantity.Length, "D_0 + 2*w_s*t", "depth on both sides; w_s is −1 outside, 1 inside");
    private static readonly Formula FirstFormula = new(
        "D_f", "Diameter of the tip in the first pass", Quantity.Length, "D_0 - 2*CW", "the blade's inner corner, at the outer wall");
    private static readonly Formula LastFormula = new(
        "D_l", "Diameter of the tip in the last pass", Quantity.Length, "D_0 - 2*b_g", "the blade's inner corner, at the inner wall");
    private static readonly Formula LeastFormula = new("D_k", "Smallest diameter of the tip", Quantity.Length, "min(D_f, D_l)", "of all plunges");
    private static readonly Formula MostFormula = new("D_m", "Largest diameter of the tip", Quantity.Length, "max(D_f, D_l)", "of all plunges");

    private static readonly OptionDescription Walls = new(
        Choice.Own0, "Walls and bottom", [new("plunged", "as the plunges leave them"), new("finished", "gone over once")], "plunged")
    { Code = "walls", Group = TurningWords.Work };

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "turn-groove", "Grooving", "turnedGroove",
        [CutterFamily.GroovingBlade, CutterFamily.InsideGroovingTool, CutterFamily.FaceGroovingBlade, CutterFamily.PartingBlade],
        [
            TurningWords.Before,
            new(Input.Depth, "t", "Depth of the groove", TurningWords.Work, Quantity.Length, 0.05, 200),
            new(Input.SlotWidth, "b_g", "Width of the groove", TurningWords.Work, Quantity.Length, 0.3, 300),
            BladeCutting.From, TurningWords.Bore, TurningWords.Body, TurningWords.StandsOut, WorkSpindleWords.Gripped, WorkSpindleWords.GripLength,
            TurningWords.SteadyAt, TurningWords.CutShare, TurningWords.Feed, TurningWords.Clamp, TurningWords.Deflection(100),
        ],
        [.. TurningWords.Options, Walls],
        [Output.ProgrammedSpeed, Output.FeedInUse, Output.InnerDiameter, Output.Time],
        [.. TurningWords.Rows.Where(o => o is not (Output.PeakToValley or Output.FormError)), Output.Depth])
    {
        AtMachine = TurningWords.SetAtMachine(Output.InnerDiameter, Output.PassesDown),
        Own =
        [
            new(Output.InnerDiameter, "D_u", "Ø at the bottom", Quantity.Length),
            new(Output.PassesDown, "i_b", "Plunges", Quantity.Count), BladeCutting.WidthOfChip,
        ],
    };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x)
    {
        x.Propose(
            Input.StartDiameter,
            setup.IntoFace ? Math.Round((setup.LeastFaceGroove + setup.LargestFaceGroove) / 2)
                : setup.Inside ? Math.Ceiling(1.2 * setup.LeastBore) : BladeCutting.UsualDiameter);
        x.Propose(Input.Depth, Math.Round(Math.Min(UsualShare * setup.BladeReach, x[Input.StartDiameter] / 6), 1));
        x.Propose(Input.SlotWidth, setup.Width);
        x.Propose(Input.Length, setup.Inside ? Math.Floor(0.5 * setup.Projection) : 20);
        x.Propose(Input.BodyDiameter, setup.Inside ? Math.Ceiling(UsualWall * Bottom(setup, x)) : x[Input.StartDiameter] + (setup.IntoFace ? 10 : 0));
        x.Propose(Input.StandsOut, Math.Ceiling((setup.IntoFace ? x[Input.Depth] : x[Input.Length] + x[Input.SlotWidth]) + 20));
    }

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Length => !setup.IntoFace,
        Input.WorkBore => !setup.Inside,
        _ => true,
    };

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check)
    {
        double wide = x[Input.SlotWidth], d0 = x[Input.StartDiameter], bore = x[Input.WorkBore];
        check.Holds(
            wide >= setup.Width - 1e-9, "slotWidth", wide,
            $"A blade of {setup.Width:0.###} mm cuts no groove of {wide:0.###} mm; take a narrower blade.");
        if (setup.IntoFace)
            check.Holds(
                d0 - (2 * wide) > bore, "slotWidth", wide,
                $"A groove {wide:0.###} mm wide from Ø{d0:0.##} mm inwards leaves nothing inside it; make it narrower, or begin further out.")
                .Holds(
                    d0 < x[Input.BodyDiameter], "startDiameter", d0,
                    $"The face has Ø{x[Input.BodyDiameter]:0.##} mm; let the groove begin within it.")
                .Holds(
                    x[Input.Depth] < x[Input.StandsOut], "depth", x[Input.Depth],
                    $"The work stands {x[Input.StandsOut]:0.##} mm out of the chuck; make the groove less deep.");
        else if (setup.Inside)
            check.Holds(
                Bottom(setup, x) < x[Input.BodyDiameter], "depth", x[Input.Depth],
                $"A groove {x[Input.Depth]:0.###} mm deep cuts through the wall of Ø{x[Input.BodyDiameter]:0.##} mm; make it less deep.");
        else
            check.Holds(
                Bottom(setup, x) > bore, "depth", x[Input.Depth],
                $"A groove {x[Input.Depth]:0.###} mm deep cuts through Ø{d0:0.##} mm; make it less deep, or part off.");
        if (!setup.IntoFace) BladeCutting.Refuse(setup, x, wide, check);
    }

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double width = x[Input.SlotWidth], d0 = x[Input.StartDiameter], end = Bottom(setup, x);
        int plunges = 1 + (int)Math.Max(0, Math.Ceiling(((width - setup.Width) / (BladeCutting.Beside * setup.Width)) - 1e-9));
        if (TTrace.Listens) trace.Take(PlungesFormula, plunges, new("b_g", width), new("CW", setup.Width));
        if (!setup.IntoFace)
        {
            if (TTrace.Listens) trace.Take(BottomFormula, end, new("D_0", d0), new("w_s", LongTurning.Side(setup)), new("t", x[Input.Depth]));
            return BladeCutting.Course(setup, x, end, plunges, 0, ref trace);
        }

        double first = Math.Max(1e-3, d0 - (2 * setup.Width)), last = Math.Max(1e-3, d0 - (2 * width)), at = x[Input.StandsOut];
        if (TTrace.Listens)
        {
            BladeCutting.Chip(setup, ref trace);
            trace.Take(FirstFormula, first, new("D_0", d0), new("CW", setup.Width));
            trace.Take(LastFormula, last, new("D_0", d0), new("b_g", width));
            trace.Take(LeastFormula, Math.Min(first, last), new("D_f", first), new("D_l", last));
            trace.Take(MostFormula, Math.Max(first, last), new("D_f", first), new("D_l", last));
        }

        return new(false, 90, 0, setup.Width, plunges, first, last, true, at, at);
    }

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x)
    {
        double body = x[Input.BodyDiameter], bore = LongTurning.Thin(x[setup.Inside ? Input.StartDiameter : Input.WorkBore], body);
        return new(body, body, 0, bore, bore);
    }

    /// <inheritdoc/>
    public static void Work<TTrace>(TurnedSetup setup, in Inputs x, in TurnedCourse course, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (!setup.IntoFace) r[Output.InnerDiameter] = Bottom(setup, x);
    }

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        double d0 = x[Input.StartDiameter];
        if (setup.IntoFace)
        {
            limits.Add(TurningLimits.BladeReach, x[Input.Depth], setup.BladeReach);
            limits.Add(TurningLimits.LeastFaceGroove, d0, setup.LeastFaceGroove);
            limits.Add(TurningLimits.LargestFaceGroove, d0, setup.LargestFaceGroove);
            return;
        }

        BladeCutting.Judge(setup, Math.Abs(d0 - Bottom(setup, x)) / 2, d0, ref limits);
        if (setup.Inside) LongTurning.JudgeBar(setup, x, x[Input.Length] + x[Input.SlotWidth], ref limits);
    }

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        if (r[Output.PassesDown] > 1 && !Finished(x))
            findings.Add(new(
                "groove-as-plunged", Severity.Info, new("Walls and bottom stay as the plunges leave them."),
                "Let them be gone over once, or finish them with another tool."));
        if (setup.IntoFace)
            findings.Add(new(
                "groove-in-face", Severity.Info,
                new("The first plunge is that at the outer wall, Ø{0}, which the blade is curved for; the others go inwards from there.",
                    new Measure(x[Input.StartDiameter], Quantity.Length)), ""));
    }

    /// <inheritdoc/>
    public static void Follows(TurnedSetup setup, in Inputs x, Following after)
    {
        if (!setup.Inside && !setup.IntoFace) after.Outside(x[Input.StartDiameter], x[Input.WorkBore]);
    }

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        if (setup.IntoFace) IntoFace(setup, x, course, speed, ref sink);
        else FaceTurning.Across(setup, x, course, speed, TurnedWay.Pass, ref sink);
        if (!Finished(x)) return;
        double f = x[Input.FeedPerRevolution], clear = setup.Practice.ClearWay, floor = x[Input.SlotWidth] - setup.Width;
        if (setup.IntoFace)
        {
            Straight(TurnedWay.Wall, 1, x[Input.Depth] + clear, f, speed.SpeedAt(course.First), ref sink);
            Across(TurnedWay.Floor, course.First, course.Last, f, speed, ref sink);
            Straight(TurnedWay.Wall, 2, x[Input.Depth] + clear, f, speed.SpeedAt(course.Last), ref sink);
        }
        else
        {
            double from = Math.Max(0, course.First + (2 * Math.Sign(course.First - course.Last) * clear));
            Across(TurnedWay.Wall, from, course.Last, f, speed, ref sink, 1);
            Straight(TurnedWay.Floor, 0, floor, f, speed.SpeedAt(course.Last), ref sink);
            Across(TurnedWay.Wall, from, course.Last, f, speed, ref sink, 2);
        }
    }

    // Plunges along the axis, beside each other from the outer wall inwards.
    private static void IntoFace<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse c, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, way = x[Input.Depth] + clear, n = speed.SpeedAt(c.First);
        for (int i = 0; i < c.Passes; i++)
        {
            n = speed.SpeedAt(c.First + ((c.Last - c.First) * i / Math.Max(1, c.Passes - 1)));
            sink.Take(new(TurnedWay.Pass, way, n * x[Input.FeedPerRevolution]) { Number = c.Passes > 1 ? i + 1 : 0, Speed = n });
        }

        sink.Take(new(WayKind.Return, way + (2 * clear), setup.RapidFeed) { Count = c.Passes, Rapid = true, Speed = n });
    }

    private static void Straight<TSink>(WayKind kind, int number, double way, double feed, double speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        if (way > 1e-9) sink.Take(new(kind, way, speed * feed) { Number = number, Speed = speed });
    }

    private static void Across<TSink>(
        WayKind kind, double from, double to, double feed, in SurfaceSpeed speed, ref TSink sink, int number = 0)
        where TSink : struct, IWaySink
    {
        double way = Math.Abs(from - to) / 2;
        if (way > 1e-9) sink.Take(new(kind, way, way / speed.Across(from, to, feed)) { Number = number, Speed = speed.SpeedAt(to) });
    }

    private static bool Finished(in Inputs x) => x.Picked(Choice.Own0) == 1;

    private static double Bottom(TurnedSetup setup, in Inputs x) =>
        Math.Max(0, x[Input.StartDiameter] + (2 * LongTurning.Side(setup) * x[Input.Depth]));
}
