using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Cleaning an inside corner of what a larger cutter left: leftover, load, and whether a cutter between is worth its time.</summary>
internal readonly struct CornerCleaning : IMillingKind
{
    private static readonly Formula WayFormula = new(
        "L", "Length of a pass, on average", Quantity.Length, "A_c/t_c", "section of the leftover over its thickness");
    private static readonly Formula BetweenTime = new(
        "T_m",
        "Time with a cutter between",
        Quantity.Time,
        "T_w + (ceil(t_c/2/(a_e*q) - 1e-9)*ceil(H/(a_p*q) - 1e-9) + ceil(t_c/2/a_e - 1e-9)*ceil(H/a_p - "
            + "1e-9))*((L + 2*l_e)/v_f + (L + 2*l_e)/v_rapid)",
        "each takes half the leftover; widths, depths and feeds grow with the diameter by q = D_m/DC, so that feed rates stay");

    public static OperationDescription Description { get; } = new(
        "corner-cleaning",
        "Corner cleaning",
        "corner",
        [CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill],
        [
            new(Input.CornerRadius, "R_c", "Radius wanted", "Bend", Quantity.Length, 0.01, 1000),
            WallMilling.CornerAngle,
            new(Input.DiameterBefore, "D_v", "Cutter before", "Bend", Quantity.Length, 0.05, 2000),
            Width,
            new(Input.WallHeight, "H", "Height of the corner", "Deep", Quantity.Length, 0.001, 1000),
            Depth,
            FeedPerTooth,
            new(Input.ChangeTime, "T_w", "Time to change a cutter", "Along", Quantity.Time, 0, 60, 0.2),
            Deflection(30),
        ],
        [ChipKept("largest")],
        Large,
        [
            Output.Leftover, Output.PassesAcross, Output.BendArc, Output.CutterBetween, Output.TimeWithBetween,
            .. LoadRows,
        ])
    {
        AtMachine = SetAtMachine(Output.Depth, Output.PassesAcross, Output.PassesDown, Input.WidthOfCut),
        Takes = LeftoverKind.Wall,
        ChartedAs = [SideRough.Description, SideFinish.Description],
        DepthFactor = 0.5,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.CornerRadius, 0.6 * setup.Diameter);
        x.Propose(Input.DiameterBefore, 2.5 * setup.Diameter);
        x.Propose(Input.WallHeight, x[Input.DepthOfCut]);
        double wanted = x[Input.CornerRadius], before = Math.Max(x[Input.DiameterBefore] / 2, wanted * 1.0001),
            angle = x[Input.CornerAngle];
        x.Propose(Input.Length, InsideCorner.Section(before, wanted, angle) / InsideCorner.Leftover(before, wanted, angle));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double wanted = x[Input.CornerRadius], before = x[Input.DiameterBefore] / 2;
        if (wanted < (setup.Diameter / 2) - 1e-9)
            check.Within("cornerRadius", "The radius wanted", wanted, setup.Diameter / 2, before, Quantity.Length)
                .Holds(
                    false, "cornerRadius", wanted,
                    $"A cutter of {setup.Diameter:0.###} mm leaves a larger one; take one of at most {2 * wanted:0.###} mm.");
        check.Holds(
            before > wanted * 1.0001, "diameterBefore", 2 * before,
            $"Nothing is left to cut: a cutter of {2 * before:0.###} mm leaves no more than the radius wanted. Give the cutter "
                + $"before, of more than {2 * wanted:0.###} mm.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wanted = x[Input.CornerRadius], before = Math.Max(x[Input.DiameterBefore] / 2, wanted * 1.0001),
            angle = x[Input.CornerAngle];
        double leftover = InsideCorner.Leftover(before, wanted, angle);
        if (TTrace.Listens) trace.Take(InsideCorner.LeftoverFormula, leftover, new("R_1", before), new("R_c", wanted), new("θ", angle));
        PassDivision.Across(leftover, Math.Min(x[Input.WidthOfCut], setup.Diameter), ref r, ref trace);
        PassDivision.Down(x[Input.WallHeight], x[Input.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        double width = Math.Min(r.Across.Each, contact.Diameter), radius = wanted;
        if (radius > contact.Diameter / 2 * (1 + 1e-9)) r.Engagement = Engagement.InBend(contact, width, r.Down.Each, radius, ref trace);
        else
            r.Engagement = Engagement.Of(contact, width, r.Down.Each, ArcOfEngagement.Bend(contact.Diameter, width, radius, false, angle, ref trace));
        r[Output.Leftover] = leftover;
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double wanted = x[Input.CornerRadius], before = Math.Max(x[Input.DiameterBefore] / 2, wanted * 1.0001),
            angle = x[Input.CornerAngle], leftover = r[Output.Leftover];
        double section = InsideCorner.Section(before, wanted, angle), length = x[Input.Length];
        double overrun = PassTime.OverrunOfSide(setup, r.Engagement.Diameter, r.Across.Each, ref trace);
        if (TTrace.Listens)
        {
            trace.Take(InsideCorner.SectionFormula, section, new("R_1", before), new("R_c", wanted), new("θ", angle));
            trace.Take(WayFormula, length, new("A_c", section), new("t_c", leftover));
        }

        PassTime.Solve<CornerCleaning, TTrace>(setup, x, (double)r.Across.Count * r.Down.Count, r.Down.Count, overrun, ref r, ref trace);
        double between = before + wanted, grown = between / setup.Diameter, way = length + (2 * overrun), feed = r.Load.FeedRate;
        double mine = (double)Passes.Even(leftover / 2, r.Across.Each).Count * r.Down.Count;
        double its = (double)Passes
            .Even(leftover / 2, r.Across.Each * grown).Count * Passes
            .Even(x[Input.WallHeight], r.Down.Each * grown).Count;
        r[Output.BendArc] = r[Output.Arc];
        r[Output.CutterBetween] = between;
        r[Output.TimeWithBetween] = x[Input.ChangeTime] + ((mine + its) * ((way / feed) + (way / setup.RapidFeed)));
        if (TTrace.Listens)
        {
            trace.Take(InsideCorner.BetweenFormula, between, new("R_1", before), new("R_c", wanted));
            trace.Take(
                BetweenTime, r[Output.TimeWithBetween], new("T_w", x[Input.ChangeTime]), new("t_c", leftover),
                new("a_e", r.Across.Each), new("q", grown), new("H", x[Input.WallHeight]), new("a_p", r.Down.Each), new("L", length),
                new("l_e", overrun), new("v_f", feed), new("v_rapid", setup.RapidFeed));
        }

        return new(r.Down.Each, r.Across.Each, x[Input.WallHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, (double)r.Across.Count * r.Down.Count, r.Down.Count, ref sink);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        double saved = r[Output.Time] - r[Output.TimeWithBetween];
        Measure between = new(r[Output.CutterBetween], Quantity.Length);
        findings.Add(saved > 0
            ? new(
                "cutter-between", Severity.Info,
                new("A cutter of {0} between evens the leftover and saves {1}, its change counted.", between, new Measure(saved, Quantity.Time)),
                "Put it between the two.")
            : new(
                "cutter-between", Severity.Info,
                new(
                    "A cutter of {0} between would even the leftover; with its change it costs {1} more and is not worth its time.", between,
                    new Measure(-saved, Quantity.Time)),
                ""));
        NoTrace none = default;
        double whole = Math.Min(r[Output.Leftover], r.Engagement.Diameter);
        ArcOfEngagement atOnce = ArcOfEngagement.Bend(
            r.Engagement.Diameter, whole, x[Input.CornerRadius], false, x[Input.CornerAngle], ref none);
        if (r.Across.Count > 1)
            findings.Add(new(
                "corner-at-once", Severity.Info,
                new(
                    "Taken at once, the leftover of {0} would raise the arc to {1}; in passes it stays at {2}.", new(whole, Quantity.Length),
                    new(double.RadiansToDegrees(atOnce.Length), Quantity.Angle), new Measure(r[Output.Arc], Quantity.Angle)),
                ""));
        if (x[Input.CornerRadius] <= r.Engagement.Diameter / 2 * (1 + 1e-9))
            findings.Add(new(
                "corner-as-cutter", Severity.Caution,
                new(
                    "The radius wanted is the cutter's own: it turns on the spot, with an arc of {0}.",
                    new Measure(r[Output.Arc], Quantity.Angle)),
                $"Take a smaller cutter, which can run round the corner: at most {1.6 * x[Input.CornerRadius]:0.##} mm."));
    }
}
