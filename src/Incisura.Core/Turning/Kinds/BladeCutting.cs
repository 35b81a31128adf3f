using Incisura.Core.Cutters;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Plunges of a blade towards the axis: what grooves and parting off share.</summary>
internal static class BladeCutting
{
    public const double UsualDiameter = 40;

    /// <summary>What a plunge beside another takes of the blade's width, so that both its corners do not cut on one side only.</summary>
    public const double Beside = 0.8;

    public static readonly OutputWords WidthOfChip = new(Output.Depth, "a_p", "Width of the chip", Quantity.Length);

    public static readonly FieldDescription From = new(
        Input.Length, "L", "From the free end to the blade", TurningWords.Work, Quantity.Length, 0, 5000);

    private static readonly Formula WidthFormula = new("a_p", "Width of the chip", Quantity.Length, "1*CW", "the edge of the blade, in full");
    private static readonly Formula MostFormula = new(
        "D_m", "Largest diameter of the tip", Quantity.Length, "max(D_0, D_u)", "at the surface, inside where it ends");
    private static readonly Formula ReliefMostFormula = MostFormula with { Expression = "max(D_0, d_s)", Source = "at the shoulder it cuts back" };
    private static readonly Formula LeastFormula = new(
        "D_k", "Smallest diameter of the tip", Quantity.Length, "max(0, min(D_0, D_u))", "where it ends, inside at the surface");
    private static readonly Formula LastFormula = new("D_l", "Diameter at which it ends", Quantity.Length, "max(D_u, 1e-9)", "where it ends");

    /// <summary>The course of the plunges.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="end">Diameter at which they end, mm.</param>
    /// <param name="plunges">How many.</param>
    /// <param name="shoulder">Diameter of a shoulder that is cut back before, mm; 0 where none is.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, double end, int plunges, double shoulder, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double d1 = x[Input.StartDiameter], outer = Math.Max(d1, shoulder),
            last = setup.Inside ? Math.Max(end, d1) : Math.Clamp(end, 0, d1), at = Math.Max(0, x[Input.StandsOut] - x[Input.Length]);
        if (TTrace.Listens)
        {
            Chip(setup, ref trace);
            if (shoulder > 0) trace.Take(ReliefMostFormula, outer, new("D_0", d1), new("d_s", shoulder));
            else trace.Take(MostFormula, Math.Max(d1, last), new("D_0", d1), new("D_u", end));
            trace.Take(LeastFormula, Math.Min(d1, last), new("D_0", d1), new("D_u", end));
            trace.Take(LastFormula, Math.Max(last, 1e-9), new Term("D_u", end));
        }

        return new(true, 90, 0, setup.Width, plunges, outer, last, false, at, at);
    }

    /// <summary>Tells the width of the chip.</summary>
    public static void Chip<TTrace>(TurnedSetup setup, ref TTrace trace)
        where TTrace : struct, ITrace => trace.Take(WidthFormula, setup.Width, new Term("CW", setup.Width));

    public static HeldWork Held(in Inputs x)
    {
        double body = x[Input.BodyDiameter], bore = LongTurning.Thin(x[Input.WorkBore], body);
        return new(body, body, 0, bore, bore);
    }

    public static void Refuse(TurnedSetup setup, in Inputs x, double wide, InputCheck check) => check
        .Holds(
            x[Input.WorkBore] < x[Input.StartDiameter], "workBore", x[Input.WorkBore],
            $"A bore of Ø{x[Input.WorkBore]:0.##} mm leaves nothing of Ø{x[Input.StartDiameter]:0.##} mm; give a smaller bore.")
        .Holds(
            x[Input.StandsOut] >= x[Input.Length] + wide - 1e-9, "standsOut", x[Input.StandsOut],
            $"The blade would cut {x[Input.Length]:0.##} to {x[Input.Length] + wide:0.##} mm from the free end, in the chuck; let the work stand out "
                + "further.");

    /// <summary>Gap that the shank needs beside a shoulder at the end of a plunge, mm; 0 where it stays above the shoulder.</summary>
    public static double GapNeeded(TurnedSetup setup, in Inputs x, double end) =>
        (x[Input.ShoulderDiameter] / 2) - (end / 2) > setup.BladeReach ? Math.Max(0, (setup.ShankWidth - setup.Width) / 2) : 0;

    /// <summary>Judges what the blade reaches.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="deepest">Deepest plunge, mm.</param>
    /// <param name="widest">Diameter it goes into there, mm.</param>
    /// <param name="limits">Receives the judgements.</param>
    public static void Judge(TurnedSetup setup, double deepest, double widest, ref LimitSet limits)
    {
        limits.Add(TurningLimits.BladeReach, deepest, setup.BladeReach);
        if (!double.IsNaN(setup.LargestWork)) limits.Add(TurningLimits.BladeWork, widest, setup.LargestWork);
    }
}

/// <summary>Parting off: a blade to the bore or past the middle, slower towards the end, beside a shoulder that its shank must clear.</summary>
public readonly struct PartingOff : ITurningKind
{
    private const double UsualSlow = 0.5, UsualSlowFrom = 0.25, Past = 0.5;

    private static readonly OptionDescription Shoulder = new(
        Choice.Own0, "Shoulder beside", [new("stands", "as it stands"), new("relieved", "cut back first by the blade")], "stands")
    { Code = "shoulder", Group = "Beside" };

    private static readonly Formula EndFormula = new(
        "D_u", "Diameter where it ends", Quantity.Length, "max(0, d_i - 2*c_p)", "a little past the wall of a bore, c_p, or to the middle");
    private static readonly Formula GapFormula = new(
        "l_n", "Gap the shank needs", Quantity.Length, "k_g*(B - CW)/2",
        "the shank is wider than the blade, and k_g = 1 where it goes below the shoulder");

    /// <inheritdoc/>
    public static OperationDescription Description { get; } = new(
        "part-off", "Parting off", "partOff", [CutterFamily.PartingBlade, CutterFamily.GroovingBlade],
        [
            TurningWords.Before, TurningWords.Bore,
            BladeCutting.From with { Name = "Length of the part" },
            TurningWords.Body, TurningWords.StandsOut, WorkSpindleWords.Gripped, WorkSpindleWords.GripLength, TurningWords.SteadyAt,
            TurningWords.CutShare,
            new(Input.ShoulderDiameter, "d_s", "Ø of a shoulder beside, 0 if none", "Beside", Quantity.Length, 0, 2000, 0),
            new(Input.ShoulderGap, "l_g", "Gap from blade to shoulder", "Beside", Quantity.Length, 0, 1000),
            new(Input.Leg, "c", "Chamfer cut before, 0 if none", "Beside", Quantity.Length, 0, 20, 0),
            TurningWords.Feed, TurningWords.Clamp,
            new(Input.SlowFrom, "d_v", "Feeds slower from Ø", "Fast", Quantity.Length, 0, 2000),
            new(Input.SlowShare, "k_v", "Share of the feed there", "Fast", Quantity.Ratio, 0.1, 1, UsualSlow),
            TurningWords.Deflection(150),
        ],
        [.. TurningWords.Options, Shoulder],
        [Output.ProgrammedSpeed, Output.FeedInUse, Output.TopSpeed, Output.Time],
        [.. TurningWords.Rows.Where(o => o is not (Output.PeakToValley or Output.FormError or Output.TopSpeed)), Output.GapNeeded])
    {
        AtMachine = TurningWords.SetAtMachine(Input.SlowFrom, Input.SlowShare),
        ChartedAs = [Grooving.Description],
        Own = [BladeCutting.WidthOfChip],
    };

    /// <inheritdoc/>
    public static void Follow(TurnedSetup setup, ref Inputs x)
    {
        x.Propose(Input.StartDiameter, Math.Min(BladeCutting.UsualDiameter, Math.Floor(1.8 * setup.BladeReach)));
        x.Propose(Input.Length, 30);
        x.Propose(Input.BodyDiameter, Math.Max(x[Input.StartDiameter], x[Input.ShoulderDiameter]));
        x.Propose(Input.ShoulderGap, x[Input.ShoulderDiameter] > 0 ? 1 : 0);
        x.Propose(Input.StandsOut, Math.Ceiling(x[Input.Length] + setup.Width + x[Input.ShoulderGap] + 15));
        x.Propose(Input.SlowFrom, x[Input.WorkBore] > 0 ? 0 : Math.Ceiling(UsualSlowFrom * x[Input.StartDiameter]));
    }

    /// <inheritdoc/>
    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) =>
        input != Input.ShoulderGap || x[Input.ShoulderDiameter] > 0;

    /// <inheritdoc/>
    public static void Refuse(TurnedSetup setup, in Inputs x, InputCheck check)
    {
        BladeCutting.Refuse(setup, x, setup.Width + (ReliefOf(setup, x) is { Width: > 0 } r ? x[Input.ShoulderGap] + r.Width : 0), check);
        check.Holds(
            x[Input.ShoulderDiameter] == 0 || x[Input.ShoulderDiameter] > x[Input.StartDiameter], "shoulderDiameter", x[Input.ShoulderDiameter],
            $"A shoulder of Ø{x[Input.ShoulderDiameter]:0.##} mm does not stand above Ø{x[Input.StartDiameter]:0.##} mm; give 0 for none.")
            .Holds(
                x[Input.Leg] < (x[Input.StartDiameter] - x[Input.WorkBore]) / 2, "leg", x[Input.Leg],
                "The chamfer is larger than what is cut through; give a smaller one.");
    }

    /// <inheritdoc/>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double end = EndOf(x);
        if (TTrace.Listens) trace.Take(EndFormula, end, new("d_i", x[Input.WorkBore]), new("c_p", Past));
        bool relieved = ReliefOf(setup, x).Plunges > 0;
        return BladeCutting.Course(setup, x, end, 1, relieved ? x[Input.ShoulderDiameter] : 0, ref trace);
    }

    /// <inheritdoc/>
    public static HeldWork Held(TurnedSetup setup, in Inputs x) => BladeCutting.Held(x);

    /// <inheritdoc/>
    public static void Work<TTrace>(TurnedSetup setup, in Inputs x, in TurnedCourse course, ref WorkResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        if (x[Input.ShoulderDiameter] == 0) return;
        double gap = BladeCutting.GapNeeded(setup, x, EndOf(x));
        r[Output.GapNeeded] = gap;
        if (TTrace.Listens) trace.Take(GapFormula, gap, new("k_g", gap > 0 ? 1 : 0), new("B", setup.ShankWidth), new("CW", setup.Width));
    }

    /// <inheritdoc/>
    public static void Judge(TurnedSetup setup, in Inputs x, in WorkResult r, ref LimitSet limits)
    {
        Relief relief = ReliefOf(setup, x);
        double deep = (x[Input.StartDiameter] - EndOf(x)) / 2, back = relief.Plunges > 0 ? (x[Input.ShoulderDiameter] - relief.To) / 2 : 0;

        // How large work may be is stated for the whole reach, so that the deeper plunge is asked.
        BladeCutting.Judge(setup, Math.Max(deep, back), x[back > deep ? Input.ShoulderDiameter : Input.StartDiameter], ref limits);
        if (r.Has(Output.GapNeeded)) limits.Add(TurningLimits.ShoulderGap, Math.Max(x[Input.ShoulderGap] + relief.Width, 1e-6), r[Output.GapNeeded]);
    }

    /// <inheritdoc/>
    public static void Notice(TurnedSetup setup, in Inputs x, in WorkResult r, List<Finding> findings)
    {
        if (ReliefOf(setup, x) is { Plunges: > 0 } relief)
            findings.Add(new(
                "relieved-first", Severity.Info,
                new(
                    "The blade first cuts the shoulder back by {0} down to Ø{1}, so that its shank goes past.", new(relief.Width, Quantity.Length),
                    new Measure(relief.To, Quantity.Length)),
                ""));
        else if (r.Has(Output.GapNeeded) && r[Output.GapNeeded] > x[Input.ShoulderGap])
            findings.Add(new(
                "rough-further", Severity.Stop,
                new(
                    "Before the blade is through, its shank meets the shoulder of Ø{0}.",
                    new Measure(x[Input.ShoulderDiameter], Quantity.Length)),
                $"Rough the shoulder back {r[Output.GapNeeded] - x[Input.ShoulderGap]:0.##} mm further, or below "
                    + $"Ø{(2 * setup.BladeReach) + EndOf(x):0.##} mm, or let the blade cut it back first."));
        if (x.Centre)
            findings.Add(new(
                "centre-pinches", Severity.Stop, new("A part held between chuck and centre pinches the blade as it comes off."),
                "Take the centre away before, or leave a neck and saw."));
        if (x[Input.WorkBore] == 0)
            findings.Add(new(
                "pip", Severity.Info,
                new(
                    "In the middle the edge stands still against the work: below Ø{0} the spindle no longer gets faster, and a pip stays.",
                    new Measure(r[Output.ClampDiameter], Quantity.Length)),
                ""));
        else
            findings.Add(new(
                "burr", Severity.Info, new("The part comes off with a burr at its bore."), ""));
    }

    /// <inheritdoc/>
    public static void Follows(TurnedSetup setup, in Inputs x, Following after)
    {
        // The part goes on in the other spindle, which took it over before it was off.
        if (setup.HasCounter && !x.Counter)
            after.OverTo("turn-face", "facing the other end, in the counter spindle", x[Input.StartDiameter], x[Input.Length], x[Input.WorkBore]);
    }

    /// <inheritdoc/>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, in TurnedCourse course, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, f = x[Input.FeedPerRevolution], d0 = x[Input.StartDiameter], from = d0 + (2 * clear),
            n = speed.SpeedAt(d0), turn = Math.Clamp(x[Input.SlowFrom], course.Last, d0), leg = x[Input.Leg];
        if (ReliefOf(setup, x) is { Plunges: > 0 } relief)
        {
            double top = x[Input.ShoulderDiameter] + (2 * clear), down = (top - relief.To) / 2, each = speed.Across(top, relief.To, f);
            sink.Take(new(TurnedWay.Relief, down, down / each) { Count = relief.Plunges, Speed = speed.SpeedAt(top - (2 * clear)) });
            sink.Take(new(WayKind.Return, down + (2 * clear), setup.RapidFeed) { Count = relief.Plunges, Rapid = true, Speed = n });
        }

        if (leg > 0)
        {
            // A short plunge beside the part, then the chamfer on the way in again.
            double deep = (speed.Across(from, d0 - (2 * leg), f) * 2) + 1e-12;
            sink.Take(new(TurnedWay.Chamfer, 2 * (clear + leg), 2 * (clear + leg) / deep) { Speed = n });
        }

        double way = (from - turn) / 2, time = speed.Across(from, turn, f);
        sink.Take(new(TurnedWay.Plunge, way, way / time) { Speed = n });
        if (turn > course.Last)
        {
            double rest = (turn - course.Last) / 2, slow = speed.Across(turn, course.Last, f * x[Input.SlowShare]);
            sink.Take(new(TurnedWay.Slow, rest, rest / slow) { Speed = speed.SpeedAt(turn) });
        }

        sink.Take(new(WayKind.Return, ((from - course.Last) / 2) + (2 * clear), setup.RapidFeed) { Rapid = true, Speed = n });
    }

    // What the blade cuts off the shoulder beside before it parts: only what its shank needs, and only where it is to.
    private static Relief ReliefOf(TurnedSetup setup, in Inputs x)
    {
        double end = EndOf(x), wide = BladeCutting.GapNeeded(setup, x, end) - x[Input.ShoulderGap];
        return x.Picked(Choice.Own0) != 1 || !(wide > 1e-9) ? default
            : new(wide, (2 * setup.BladeReach) + end, (int)Math.Ceiling((wide / (BladeCutting.Beside * setup.Width)) - 1e-9));
    }

    private readonly record struct Relief(double Width, double To, int Plunges);

    private static double EndOf(in Inputs x) => x[Input.WorkBore] > 0 ? Math.Max(0, x[Input.WorkBore] - (2 * Past)) : 0;
}
