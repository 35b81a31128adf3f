using Incisura.Core.Cutters.Kinds;

namespace Incisura.Core.Turning.Kinds;

/// <summary>Along the work, outside or inside by the tool: what roughing and finishing share.</summary>
internal static class LongTurning
{
    public static readonly string[] Extras = [Extra.CodeOf(typeof(TurnedOutline))];

    private const double UsualDiameter = 50, UsualLength = 60, UsualWall = 1.6, Room = 10;

    // What is left on faces, so that the main edge does not take a whole shoulder at once (shop practice).
    private const double UsualFace = 0.2;

    private static readonly Formula StockFormula = new(
        "s_t", "Stock on a side", Quantity.Length, "abs(D_0 - D_2)/2 - s", "between the diameters, less what is left");
    private static readonly Formula PassesFormula = new(
        "i_p", "Passes", Quantity.Count, "ceil(s_t/a_pmost - 1e-9)", "equal passes, none above the most allowed");
    private static readonly Formula DepthFormula = new("a_p", "Depth of each pass", Quantity.Length, "s_t/i_p", "equal passes");
    private static readonly Formula StepPassesFormula = new(
        "i_p", "Passes", Quantity.Count, "1*i_o", "equal passes from one diameter of the outline to the next, none above the most allowed");
    private static readonly Formula StepDepthFormula = new("a_p", "Depth of the deepest pass", Quantity.Length, "1*a_o", "between two diameters");
    private static readonly Formula StepLastFormula = new(
        "D_l", "Diameter of the tip in the last pass", Quantity.Length, "D_w - 2*w_s*s", "the deepest of the outline; what is left stays on");
    private static readonly Formula OneDepthFormula = new("a_p", "Depth of the pass", Quantity.Length, "abs(D_0 - D_o)/2", "in one pass");
    private static readonly Formula OneFirstFormula = new(
        "D_f", "Diameter of the tip where least is taken off", Quantity.Length, "1*D_q", "that of the outline nearest to the blank; in one pass");
    private static readonly Formula OneLastFormula = new(
        "D_l", "Diameter of the tip at its deepest", Quantity.Length, "1*D_w", "the deepest of the outline; in one pass");
    private static readonly Formula FirstFormula = new(
        "D_f", "Diameter of the tip in the first pass", Quantity.Length, "D_0 + 2*w_s*a_f", "w_s is −1 outside, 1 inside; depth a_f of that pass");
    private static readonly Formula LastFormula = new(
        "D_l", "Diameter of the tip in the last pass", Quantity.Length, "D_2 - 2*w_s*s", "what is left stays on");
    private static readonly Formula LeastFormula = new("D_k", "Smallest diameter of the tip", Quantity.Length, "min(D_f, D_l)", "of all passes");
    private static readonly Formula MostFormula = new("D_m", "Largest diameter of the tip", Quantity.Length, "max(D_f, D_l)", "of all passes");

    /// <summary>Diameters, lengths and how the work is held.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="stock">Stock on a side where nothing else was typed, mm.</param>
    /// <param name="largest">Whether the stock lies over the largest diameter of an outline, or else over all of it.</param>
    /// <param name="x">The inputs.</param>
    public static void Follow(TurnedSetup setup, double stock, bool largest, ref Inputs x)
    {
        double side = Side(setup);
        if (Even(setup, x) is > 0 and var even) x[Input.StartDiameter] = Math.Max(0.5, Blank(setup) - (2 * side * even));
        else if (setup.Outline is { } outline)
        {
            double from = largest ? Blank(setup) : outline.Steps[0].Diameter;
            x.Propose(Input.StartDiameter, Math.Max(0.5, from - (2 * side * stock)));
        }
        else x.Propose(Input.StartDiameter, setup.Inside ? UsualBore(setup, x, stock) : Outside(x, stock));
        x.Propose(Input.EndDiameter, Math.Max(0.2, x[Input.StartDiameter] + (2 * side * stock)));
        double reach = double.IsFinite(setup.Projection) ? setup.Projection : UsualLength, widest = Math.Max(x[Input.StartDiameter], EndOf(setup, x));
        double usual = !x.IsTyped(Input.StandsOut) ? UsualLength : Math.Min(UsualLength, Math.Max(x[Input.StandsOut] - Room, x[Input.StandsOut] / 2));
        x.Propose(Input.Length, setup.Inside ? Math.Max(0.5, Math.Min(usual, Math.Floor(0.8 * reach))) : usual);
        x.Propose(Input.BodyDiameter, setup.Inside ? Math.Ceiling(UsualWall * widest) : Math.Max(x[Input.StartDiameter], setup.Contour.Most));
        x.Propose(Input.StandsOut, Math.Ceiling(LengthOf(setup, x) + Room));
        x.Propose(Input.FaceStock, Math.Min(UsualFace, largest ? x[Input.StockLeft] : Math.Abs(x[Input.StartDiameter] - FreeOf(setup, x)) / 2));
    }

    /// <summary>Even stock along the outline of a forging, mm; 0 for a bar or a tube.</summary>
    public static double Even(TurnedSetup setup, in Inputs x) => setup.Outline is null ? 0 : x[Input.EvenStock];

    /// <summary>1 inside, where the diameter grows, and −1 outside.</summary>
    public static double Side(TurnedSetup setup) => setup.Inside ? 1 : -1;

    /// <summary>Diameter that is turned to last, mm: of an outline its deepest.</summary>
    public static double EndOf(TurnedSetup setup, in Inputs x) =>
        setup.Outline is null ? x[Input.EndDiameter] : setup.Inside ? setup.Contour.Most : setup.Contour.Least;

    /// <summary>Length that is turned, mm.</summary>
    public static double LengthOf(TurnedSetup setup, in Inputs x) => setup.Outline is null ? x[Input.Length] : setup.Contour.Length;

    // Diameter of an outline nearest to the blank, mm.
    private static double Blank(TurnedSetup setup) => setup.Inside ? setup.Contour.Least : setup.Contour.Most;

    // Diameter one pass along all diameters begins at, mm.
    private static double FreeOf(TurnedSetup setup, in Inputs x) => setup.Outline is { } outline ? outline.Steps[0].Diameter : x[Input.EndDiameter];

    public static bool Uses(TurnedSetup setup, in Inputs x, Input input) => input switch
    {
        Input.WorkBore => !setup.Inside,
        Input.EndDiameter or Input.Length => setup.Outline is null,
        Input.StartDiameter => Even(setup, x) == 0,
        Input.EvenStock => setup.Outline is not null,
        Input.FaceStock => setup.Contour.Walls.Count > 0,
        _ => true,
    };

    /// <summary>Room for the bands of passes.</summary>
    public static int BandsOf(TurnedSetup setup) => Math.Max(1, 2 * setup.Contour.Levels.Count);

    /// <summary>
    /// The bands of passes from the blank inwards, or from the bore outwards: one for each diameter of the outline, and of a forging also for each of
    /// its own.
    /// </summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="left">Left on a side, mm.</param>
    /// <param name="most">Most depth of a pass, mm.</param>
    /// <param name="bands">Receives them.</param>
    /// <returns>How many.</returns>
    public static int Bands(TurnedSetup setup, in Inputs x, double left, double most, Span<PassBand> bands)
    {
        double side = Side(setup), at = x[Input.StartDiameter], even = Even(setup, x);
        IReadOnlyList<double> levels = setup.Contour.Levels;
        int count = 0, done = 0, raw = even > 0 ? 0 : levels.Count, all = Math.Max(1, levels.Count);
        while (done < all)
        {
            double to = (setup.Outline is null ? x[Input.EndDiameter] : levels[done]) - (2 * side * left),
                forged = raw < levels.Count ? levels[raw] - (2 * side * even) : double.NaN;
            if (side * (to - forged) > 0)
            {
                to = forged;
                raw++;
            }
            else done++;
            to = Math.Max(1e-3, to);
            double stock = side * (to - at) / 2;
            if (stock <= 1e-9 && (done < all || count > 0)) continue;
            Passes passes = Passes.Even(Math.Max(stock, 1e-6), most);
            bands[count++] = new(to, passes.Each, passes.Count);
            at = to;
        }

        return count;
    }

    /// <summary>The course of the cut.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="left">Left on a side, mm.</param>
    /// <param name="most">Most depth of a pass, mm; infinite for one pass along all diameters.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static TurnedCourse Course<TTrace>(TurnedSetup setup, in Inputs x, double left, double most, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double side = Side(setup), d1 = x[Input.StartDiameter], d2 = EndOf(setup, x), out1 = x[Input.StandsOut];
        if (!double.IsFinite(most)) return InOnePass(setup, x, ref trace);
        Span<PassBand> bands = stackalloc PassBand[BandsOf(setup)];
        int count = Bands(setup, x, left, most, bands), passes = 0;
        double deepest = 0, stock = 0;
        for (int i = 0; i < count; i++)
        {
            passes += bands[i].Count;
            stock += bands[i].Count * bands[i].Each;
            deepest = Math.Max(deepest, bands[i].Each);
        }

        double first = Math.Max(1e-3, d1 + (2 * side * bands[0].Each)), last = bands[count - 1].To;
        if (TTrace.Listens)
        {
            if (setup.Outline is null)
            {
                trace.Take(StockFormula, stock, new("D_0", d1), new("D_2", d2), new("s", left));
                trace.Take(PassesFormula, passes, new("s_t", stock), new("a_pmost", most));
                trace.Take(DepthFormula, deepest, new("s_t", stock), new("i_p", passes));
                trace.Take(LastFormula, last, new("D_2", d2), new("w_s", side), new("s", left));
            }
            else
            {
                trace.Take(StepPassesFormula, passes, new Term("i_o", passes));
                trace.Take(StepDepthFormula, deepest, new Term("a_o", deepest));
                trace.Take(StepLastFormula, last, new("D_w", d2), new("w_s", side), new("s", left));
            }

            trace.Take(FirstFormula, first, new("D_0", d1), new("w_s", side), new("a_f", bands[0].Each));
            Range(first, last, ref trace);
        }

        return new(
            false, setup.EdgeAngle, setup.CornerRadius, deepest, passes, first, last, !setup.Inside, out1 - LengthOf(setup, x), out1);
    }

    /// <summary>How the work stands when it is done.</summary>
    public static HeldWork Held(TurnedSetup setup, in Inputs x, double left)
    {
        double body = x[Input.BodyDiameter], after = EndOf(setup, x) - (2 * Side(setup) * left), length = LengthOf(setup, x);
        return setup.Inside
            ? new(body, body, length, 0, Math.Min(after, 0.999 * body), left)
            : new(body, after, length, Thin(x[Input.WorkBore], body), Thin(x[Input.WorkBore], after), left);
    }

    private static TurnedCourse InOnePass<TTrace>(TurnedSetup setup, in Inputs x, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double d1 = x[Input.StartDiameter], free = FreeOf(setup, x), depth = Math.Max(Math.Abs(d1 - free) / 2, 1e-6), deepest = EndOf(setup, x),
            other = setup.Outline is null ? deepest : Blank(setup), out1 = x[Input.StandsOut];
        if (TTrace.Listens)
        {
            trace.Take(OneDepthFormula, depth, new("D_0", d1), new("D_o", free));
            trace.Take(OneFirstFormula, other, new Term("D_q", other));
            trace.Take(OneLastFormula, deepest, new Term("D_w", deepest));
            Range(other, deepest, ref trace);
        }

        return new(
            false, setup.EdgeAngle, setup.CornerRadius, depth, 1, other, deepest, !setup.Inside, out1 - LengthOf(setup, x), out1,
            x[Input.FaceStock]);
    }

    private static void Range<TTrace>(double first, double last, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        trace.Take(LeastFormula, Math.Min(first, last), new("D_f", first), new("D_l", last));
        trace.Take(MostFormula, Math.Max(first, last), new("D_f", first), new("D_l", last));
    }

    /// <summary>A bore that leaves something of a diameter, mm: what does not is refused elsewhere.</summary>
    public static double Thin(double bore, double diameter) => Math.Min(bore, 0.999 * diameter);

    /// <summary>Refuses diameters and lengths that contradict each other.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="left">Left on a side, mm.</param>
    /// <param name="blank">Whether the diameter before is that of a blank, or else that over the free end of an outline.</param>
    /// <param name="check">Takes the faults.</param>
    public static void Refuse(TurnedSetup setup, in Inputs x, double left, bool blank, InputCheck check)
    {
        double d1 = x[Input.StartDiameter], d2 = blank ? EndOf(setup, x) : FreeOf(setup, x), length = LengthOf(setup, x),
            stock = Side(setup) * (d2 - d1) / 2, deepest = EndOf(setup, x);
        string more = setup.Inside ? "larger" : "smaller";
        if (setup.Outline is { } outline)
        {
            outline.Refuse(setup.Inside, check);
            double thick = Blank(setup);
            check.Holds(
                !blank || Side(setup) * (thick - d1) >= 0, "startDiameter", d1,
                $"The outline reaches Ø{thick:0.###} mm, and the work has Ø{d1:0.###} mm before; give "
                    + (setup.Inside ? "a smaller bore." : "a larger blank."));
        }

        if (Even(setup, x) is > 0 and var even)
        {
            check.Holds(
                even > left + 1e-9, "evenStock", even,
                $"Of {even:0.###} mm along the outline {left:0.###} mm are to be left, so that nothing is taken off; leave less, or give the stock of the "
                    + "forging.")
                .Holds(
                    !setup.Inside || Blank(setup) > 2 * even, "evenStock", even,
                    $"With {even:0.###} mm on a side the bore of Ø{Blank(setup):0.###} mm is closed; give less, or 0 and the Ø before.");
            if (even <= left + 1e-9) return;
        }


        check.Holds(
            stock > left + 1e-9, setup.Outline is null ? "endDiameter" : "startDiameter", setup.Outline is null ? d2 : d1,
            stock <= 0
                ? $"From Ø{d1:0.###} to Ø{d2:0.###} mm nothing is taken off {(setup.Inside ? "inside" : "outside")}; give a {more} finished Ø, or a "
                    + $"blank that is {(setup.Inside ? "bored smaller" : "larger")}."
                : $"Between Ø{d1:0.###} and Ø{d2:0.###} mm lie {stock:0.###} mm on a side, and {left:0.###} mm are to be left; leave less.")
            .Holds(
                x[Input.StandsOut] >= length - 1e-9, "standsOut", x[Input.StandsOut],
                $"{length:0.##} mm cannot be turned on work that stands {x[Input.StandsOut]:0.##} mm out of the chuck; let it stand out further.")
            .Holds(
                !setup.Inside || x[Input.BodyDiameter] > deepest, "bodyDiameter", x[Input.BodyDiameter],
                $"A bore of Ø{deepest:0.###} mm leaves no wall of Ø{x[Input.BodyDiameter]:0.##} mm; give the outside Ø of the work.")
            .Holds(
                setup.Inside || x[Input.WorkBore] < deepest, "workBore", x[Input.WorkBore],
                $"A bore of Ø{x[Input.WorkBore]:0.##} mm leaves nothing of Ø{deepest:0.##} mm; give a smaller bore.");
    }

    public static void Judge(TurnedSetup setup, in Inputs x, ref LimitSet limits)
    {
        if (setup.Contour is { SteepestFall: > 0 and var falls }) limits.Add(TurningLimits.TrailingEdge, falls, setup.TrailingAngle);
        if (setup.Inside)
        {
            JudgeBar(setup, x, LengthOf(setup, x), ref limits);
        }
        else if (Even(setup, x) == 0 && setup.Turning.Chuck is { LargestBar: > 0 and var bar } && x[Input.GrippedDiameter] == x[Input.StartDiameter])
            limits.Add(TurningLimits.BarThroughSpindle, x[Input.GrippedDiameter], bar);
    }

    /// <summary>Judges what a bar needs of the bore and of itself.</summary>
    /// <param name="setup">The setup.</param>
    /// <param name="x">The inputs.</param>
    /// <param name="deep">How deep it goes in, mm.</param>
    /// <param name="limits">Receives the judgements.</param>
    public static void JudgeBar(TurnedSetup setup, in Inputs x, double deep, ref LimitSet limits)
    {
        limits.Add(TurningLimits.LeastBore, x[Input.StartDiameter], setup.LeastBore);
        limits.Add(Limits.Reach, deep, setup.Projection);
        limits.Add(TurningLimits.Overhang, setup.Projection / setup.Cutter.ShankSize, TurningTools.LargestOverhang(setup.Cutter));
    }

    public static void Notice(TurnedSetup setup, in WorkResult r, List<Finding> findings)
    {
        if (setup.TipAngle > 0 && setup.Contour.SteepestRise > setup.EdgeAngle + 1e-6)
            findings.Add(new(
                "main-edge-gouges", Severity.Stop,
                new(
                    "The outline rises by {0}, and at κ_r {1} the main edge cuts into it before the corner gets there.",
                    new(setup.Contour.SteepestRise, Quantity.Angle), new Measure(setup.EdgeAngle, Quantity.Angle)),
                "Take a tool of a larger κ_r, above 90° for a square shoulder, or turn it from the other end."));
        if (r.Has(Output.ThinChip))
            findings.Add(new(
                "up-the-side", Severity.Info,
                new(
                    "Where the outline rises by {0}, up to {1} of edge take what stands on the side at once, and going up the chip is only {2} thick.",
                    new(r[Output.SteepRise], Quantity.Angle), new(r[Output.EdgeLength], Quantity.Length),
                    new Measure(r[Output.ThinChip], Quantity.Chip)),
                "Leave less on faces, or turn them from outside inwards."));
        if (setup.TipAngle > 0)
            findings.Add(new(
                "follows", Severity.Info,
                new(
                    "At κ_r {0}, ψ_r {1}, the insert follows a contour that falls by up to {2}; steeper, its trailing edge touches.",
                    new(setup.EdgeAngle, Quantity.Angle), new(90 - setup.EdgeAngle, Quantity.Angle),
                    new Measure(setup.TrailingAngle, Quantity.Angle)), ""));
    }

    /// <summary>What can follow: finishing what is left, and then what is done on a finished diameter.</summary>
    public static void Follows(TurnedSetup setup, in Inputs x, double left, Following after)
    {
        double free = FreeOf(setup, x), tip = free - (2 * Side(setup) * left);
        if (left > 0)
        {
            if (setup.Contour.Walls.Count > 0)
                after.Turning("turn-finish", "finish turning", true, (Input.StartDiameter, tip), (Input.FaceStock, x[Input.FaceStock]));
            else if (setup.Outline is not null) after.Turning("turn-finish", "finish turning", true, (Input.StartDiameter, tip));
            else
                after.Turning(
                    "turn-finish", "finish turning", false, (Input.StartDiameter, tip), (Input.EndDiameter, free), (Input.Length, x[Input.Length]));
        }
        else if (setup.Inside) after.Turning("turn-groove", "a groove in the bore", false, (Input.StartDiameter, free));
        else after.Outside(setup.Outline is null ? free : setup.Outline.Steps[^1].End, x[Input.WorkBore]);
    }

    /// <summary>Walks the passes of all bands, each back in rapid.</summary>
    public static void Walk<TSink>(TurnedSetup setup, in Inputs x, double left, double most, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, f = x[Input.FeedPerRevolution], side = Side(setup), at = x[Input.StartDiameter], back = 0;
        Span<PassBand> bands = stackalloc PassBand[BandsOf(setup)];
        Span<TurnedContour.Stretch> room = stackalloc TurnedContour.Stretch[2 * setup.Contour.Parts];
        int count = Bands(setup, x, left, most, bands), number = 0;
        foreach (PassBand band in bands[..count])
        {
            for (int i = 1; i <= band.Count; i++)
            {
                double tip = Math.Max(1e-3, at + (2 * side * band.Each * i)), n = speed.SpeedAt(tip);
                (double length, int stretches) = setup.Outline is null ? (x[Input.Length], 1)
                    : setup.Contour.Under(tip, left, x[Input.FaceStock], Even(setup, x), room);
                sink.Take(new(TurnedWay.Pass, length + (stretches * clear), n * f) { Number = ++number, Speed = n });
                back += length + (3 * stretches * clear);
            }

            at = band.To;
        }

        sink.Take(new(WayKind.Return, back, setup.RapidFeed) { Rapid = true, Speed = speed.SpeedAt(at) });
    }

    /// <summary>Walks one pass along every diameter of the outline, and over the faces between them.</summary>
    public static void WalkOutline<TSink>(TurnedSetup setup, in Inputs x, in SurfaceSpeed speed, ref TSink sink)
        where TSink : struct, IWaySink
    {
        double clear = setup.Practice.ClearWay, f = x[Input.FeedPerRevolution], way = x[Input.Length], n = speed.SpeedAt(FreeOf(setup, x));
        if (setup.Outline is null) sink.Take(new(TurnedWay.Along, way + clear, n * f) { Number = 1, Speed = n });
        else way = setup.Contour.Walk(speed, f, clear, ref sink);
        sink.Take(new(WayKind.Return, way + (3 * clear), setup.RapidFeed) { Rapid = true, Speed = n });
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
    public static readonly WayKind Pass = new("pass", "Pass {0}"), Along = new("along", "Along Ø {0}"), Face = new("face", "Face {0}"),
        Plunge = new("plunge", "Plunge"), Slow = new("slow", "Slower to the end"),
        Chamfer = new("chamfer", "Chamfer"), Relief = new("relief", "Shoulder cut back"), Round = new("round", "Arc {0}"),
        Wall = new("wall", "Wall {0}"), Floor = new("floor", "Along the bottom");
}
