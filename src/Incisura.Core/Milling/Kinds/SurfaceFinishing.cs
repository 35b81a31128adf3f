using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>
/// Finishing a free-form surface in lines so close that the ridge between them stays as low as wanted, with a ball, a corner radius or a barrel.
/// </summary>
internal readonly struct SurfaceFinishing : IMillingKind
{
    /// <summary>Ridge height wanted, mm.</summary>
    public static readonly LimitDefinition RidgeLimit = new(
        "ridge", "Ridge height", Quantity.Chip, Severity.Caution, "Take smaller steps, or a larger radius.");

    private const double Middle = 0.5, NextPlace = 0.05;

    private static readonly Formula PassesFormula = new(
        "i_e", "Passes across", Quantity.Count, "ceil(B/s_w - 1e-9)", "equal steps over the width, none wider than the ridge allows");
    private static readonly Formula StepFormula = new("s_r", "Step between passes", Quantity.Length, "B/i_e", "equal steps");
    private static readonly Formula RidgeFormula = new(
        "h_r", "Ridge height in use", Quantity.Chip, "R - sqrt(R^2 - s_r^2/4)", "circular segment, at the step in use");
    private static readonly Formula CurvedRidge = new(
        "h_r", "Ridge height in use", Quantity.Chip, "g*((ρ + g*R)*cos(s_r/(2*ρ)) - g*sqrt(R^2 - (ρ + g*R)^2*sin(s_r/(2*ρ))^2) - ρ)",
        "crest between two roundings on the bisector; g is 1 for a domed surface, -1 for a hollow one");
    private static readonly Formula TiltedDiameter = new(
        "D_e", "Diameter in contact", Quantity.Length, "2*(F + r*sin(min(90, β + θ_c)*pi/180))",
        "highest point in contact on the rounding of r beyond the flat of half-width F, with the axis tilted by β; it is in the stock over θ_c");
    private static readonly Formula BarrelDiameter = new(
        "D_e", "Diameter in contact", Quantity.Length, "2*(r_0 + R*cos((u_a + u*(u_b - u_a))*pi/180))",
        "place of the contact along the arc of the barrel, whose centre stands r_0 beside the axis");

    public static OperationDescription Description { get; } = new(
        "surface-finish",
        "Surface finishing",
        "surface",
        [CutterFamily.BallEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BarrelMill, CutterFamily.TaperedEndMill],
        [
            new(Input.RidgeHeight, "h_w", "Ridge height, at most", "Across", Quantity.Chip, 0.00001, 10, 0.005),
            new(Input.SurfaceWidth, "B", "Width of the surface", "Across", Quantity.Length, 0.01, 10_000, 40),
            new(Input.SurfaceRadius, "ρ", "Radius, where curved", "Across", Quantity.Length, 0.1, 100_000, 100),
            new(Input.StockWidth, "t_s", "Stock on the surface", "Deep", Quantity.Length, 0.001, 50, 0.2),
            new(Input.Tilt, "β", "Tilt from the normal", "Deep", Quantity.Angle, 0, 90),
            new(Input.ContactPlace, "u", "Place on a barrel", "Deep", Quantity.Ratio, 0, 1),
            FeedPerTooth,
            Length("Length of a line", 100),
            Deflection(15),
        ],
        [
            new(
                Choice.Surface, "Surface across", [
                    new("flat", "flat"), new("concave", "hollow"), new("convex", "domed"),
                ], "flat") { Group = "Across" },
            ChipKept("none"), PassWays with { Default = "both-ways" }],
        Large,
        [
            Output.Step, Output.PassesAcross, Output.Ridge, Output.Diameter, Output.Tilt,
            Output.ContactFrom, Output.ContactTo, Output.MeanChip, Output.LargestChip, Output.Power,
            Output.PeakForce, Output.PeakToValley,
        ])
    {
        AtMachine = SetAtMachine(Output.Step, Output.Tilt, Input.ContactPlace, Output.PassesAcross, Output.Overrun),
        ChartedAs = [SideFinish.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.Tilt, setup.TipIsBall ? 15 : 0);
        if (setup.Barrel is { } barrel && !x.IsTyped(Input.ContactPlace))
            x.Propose(Input.ContactPlace, barrel.IsFlank ? ClearPlace(setup, barrel, x) ?? Middle : Middle);
    }

    public static bool Uses(MillingSetup setup, in Inputs x, Input input) => input switch
    {
        Input.Tilt => setup.Barrel is null,
        Input.ContactPlace => setup.Barrel is not null,
        Input.SurfaceRadius => x.Surface != SurfaceForm.Flat,
        _ => true,
    };

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double radius = RadiusOf(setup), ridge = x[Input.RidgeHeight], depth = x[Input.StockWidth];
        check.Holds(
            radius > 0, "assembly", double.NaN,
            $"Cutter {setup.Cutter.Number} has no rounding that could form a surface; choose one with a ball, a corner radius or a barrel.");
        if (!(radius > 0)) return;
        check.Within("ridgeHeight", "The ridge height", ridge, 0.00001, radius, Quantity.Length);
        if (setup.Barrel is null) check.Within("stockWidth", "The stock on the surface", depth, 0.001, radius, Quantity.Length);
        if (x.Surface == SurfaceForm.Concave && x[Input.SurfaceRadius] <= radius * 1.001)
            check.Within("surfaceRadius", "The radius of a hollow surface", x[Input.SurfaceRadius], radius * 1.001, 100_000, Quantity.Length)
                .Holds(
                    false, "surfaceRadius", x[Input.SurfaceRadius],
                    $"A rounding of {radius:0.###} mm does not fit into it; take a smaller one.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double radius = RadiusOf(setup), surface = x[Input.SurfaceRadius];
        double wanted = Ridge.StepFor(radius, Math.Min(x[Input.RidgeHeight], radius), x.Surface, surface);
        r.Across = Passes.Even(x[Input.SurfaceWidth], wanted);
        r.Down = new(1, x[Input.StockWidth]);
        double step = r.Across.Each, stock = x[Input.StockWidth];
        if (TTrace.Listens)
        {
            double sign = Ridge.Sign(x.Surface);
            if (x.Surface == SurfaceForm.Flat) trace.Take(Ridge.FlatStep, wanted, new("h_w", x[Input.RidgeHeight]), new("R", radius));
            else trace.Take(Ridge.CurvedStep, wanted, new("ρ", surface), new("g", sign), new("R", radius), new("h_w", x[Input.RidgeHeight]));
            trace.Take(PassesFormula, r.Across.Count, new("B", x[Input.SurfaceWidth]), new("s_w", wanted));
            trace.Take(StepFormula, step, new("B", x[Input.SurfaceWidth]), new("i_e", r.Across.Count));
        }

        // On the flank of a barrel the stock lies across and the step along the axis; elsewhere the other way round, more or less.
        SurfaceStrip strip = StripOf(setup, x, radius, step);
        if (setup.Barrel is { IsFlank: true } barrel)
        {
            double place = x[Input.ContactPlace], diameter = barrel.DiameterAt(place);
            if (TTrace.Listens)
                trace.Take(
                    BarrelDiameter, diameter, new("r_0", barrel.CentreR), new("R", barrel.Radius), new("u_a", barrel.From), new("u_b", barrel.To),
                    new("u", place));
            r.Engagement = Engagement.Of(strip, diameter, stock, step, ref trace);
        }
        else
        {
            double flat = setup.Barrel?.CentreR ?? setup.Flat, tilt = TiltOf(setup, x),
                diameter = Ridge.DiameterInContact(flat, radius, strip.Over, tilt), over = double.RadiansToDegrees(strip.Over);
            if (TTrace.Listens)
            {
                if (x.Surface == SurfaceForm.Flat)
                    trace.Take(Ridge.FlatContact, over, new("t_s", stock), new("r", radius));
                else
                    trace.Take(
                        Ridge.CurvedContact, over, new("g", Ridge.Sign(x.Surface)), new("r", radius), new("ρ", surface), new("t_s", stock));
                trace.Take(TiltedDiameter, diameter, new("F", flat), new("r", radius), new("β", tilt), new("θ_c", over));
            }

            r.Engagement = Engagement.Of(strip, diameter, step, stock, ref trace);
        }

        r[Output.Step] = step;
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double radius = RadiusOf(setup), step = r.Across.Each, ridge = Ridge.HeightFor(radius, step, x.Surface, x[Input.SurfaceRadius]);
        r[Output.Ridge] = ridge;
        if (TTrace.Listens)
        {
            if (x.Surface == SurfaceForm.Flat) trace.Take(RidgeFormula, ridge, new("R", radius), new("s_r", step));
            else
                trace.Take(
                    CurvedRidge, ridge, new("ρ", x[Input.SurfaceRadius]), new("g", Ridge.Sign(x.Surface)), new("R", radius), new("s_r", step));
        }

        if (setup.Barrel is { } barrel)
        {
            // Along a flank the lines go towards the tip: on the finished side, towards the machine, nothing is left beyond half a step.
            r[Output.ContactFrom] = barrel.PlaceAt(r.Engagement.Strip.From);
            r[Output.ContactTo] = barrel.PlaceAt(r.Engagement.Strip.To);
            r[Output.Tilt] = barrel.IsFlank ? Math.Abs(barrel.LeanAt(x[Input.ContactPlace])) : TiltOf(setup, x);
        }
        else r[Output.Tilt] = x[Input.Tilt];

        PassTime.Solve<SurfaceFinishing, TTrace>(
            setup, x, r.Across.Count, 1,
            PassTime.OverrunOfSide(setup, r.Engagement.Diameter, Math.Min(r.Engagement.Width, r.Engagement.Diameter), ref trace), ref r, ref trace);
        FeedMarks.Solve(r.Engagement.Diameter / 2, x[Input.FeedPerTooth], setup.RunOut, ref r, ref trace);
        return new(r.Engagement.Depth, r.Engagement.Width, r.Engagement.Depth);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, r.Across.Count, 1, ref sink);

    public static void Judge(MillingSetup setup, in Inputs x, in MillingResult r, ref LimitSet limits) =>
        limits.Add(SurfaceFinishing.RidgeLimit, r[Output.Ridge], x[Input.RidgeHeight]);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        if (setup.TipIsBall && x[Input.Tilt] < 3)
            findings.Add(new(
                "tip-rubs", Severity.Caution,
                new(
                    "With the axis square to the surface the tip of the ball has no speed and rubs; the highest point in contact has Ø {0}.",
                    new Measure(r.Engagement.Diameter, Quantity.Length)),
                "Tilt the axis by 10° to 20°."));
        if (LeastTilt(setup, x) is var least && least > x[Input.Tilt])
            findings.Add(new(
                "end-gouges", Severity.Stop,
                new(
                    "The flat of {0} at the tip goes into a hollow surface of radius {1}, which bends up to it.",
                    new(2 * setup.Flat, Quantity.Length), new Measure(x[Input.SurfaceRadius], Quantity.Length)),
                least < 90 ? $"Tilt the axis by {Math.Ceiling(least * 10) / 10:0.#}° or more, or take a ball." : "Take a ball or a smaller cutter."));
        if (setup.Barrel is not { } barrel) return;
        double from = r[Output.ContactFrom], to = r[Output.ContactTo], place = x[Input.ContactPlace], low = place - from, high = 1 - to + place;
        if (barrel.IsFlank && barrel.Overlap(setup.Whole, x[Input.ContactPlace], x[Input.SurfaceWidth]) is var overlap && overlap > 0)
            findings.Add(new(
                "holder-touches", Severity.Stop,
                new(
                    "Leaning only {0}, shank or holder goes {1} into a flat surface of this width.", new(r[Output.Tilt], Quantity.Angle),
                    new Measure(overlap, Quantity.Length)),
                ClearPlace(setup, barrel, x) is { } clear
                    ? $"Put the contact at {clear:0.##} of the arc or nearer to the tip."
                    : "Let the cutter stand out further, or start from the free edge of the surface; no place on the arc clears."));
        if ((barrel.IsFlank && from < 0) || to > 1)
            findings.Add(new(
                "off-the-barrel",
                Severity.Stop,
                new(
                    "The contact runs from {0} to {1} of the barrel's arc, past its end.", new(from, Quantity.Ratio),
                    new Measure(to, Quantity.Ratio)),
                low < high
                    ? $"Put it between {low:0.##} and {high:0.##} of the arc, that is a tilt between {Math.Abs(barrel.LeanAt(low)):0.#}° "
                        + $"and {Math.Abs(barrel.LeanAt(high)):0.#}°."
                    : "Take less stock or smaller steps, or a barrel with a longer arc."));
        else
            findings.Add(new(
                "barrel-contact", Severity.Info,
                new(
                    "The contact runs from {0} to {1} of the arc, with the axis leaning {2} against the surface.", new(from, Quantity.Ratio),
                    new(to, Quantity.Ratio), new Measure(r[Output.Tilt], Quantity.Angle)),
                ""));
    }

    // A lens and a rounding take the stock up their flank, where they are fastest, but where that would reach past the rounding and the other way
    // would not.
    private static SurfaceStrip StripOf(MillingSetup setup, in Inputs x, double radius, double step)
    {
        double tilt = TiltOf(setup, x), stock = x[Input.StockWidth], surface = x[Input.SurfaceRadius];
        bool down = setup.Barrel is { IsFlank: true }
            || (tilt > 45 && tilt + double.RadiansToDegrees(Ridge.ContactAngle(radius, stock, x.Surface, surface)) > 90);
        (double, double) centre = setup.Barrel is { } barrel ? (barrel.CentreZ, barrel.CentreR) : (radius, setup.Flat);
        return new(centre, radius, tilt, down, step, stock, x.Surface, surface);
    }

    // From the surface's normal to the axis.
    private static double TiltOf(MillingSetup setup, in Inputs x) => setup.Barrel?.LeanAt(x[Input.ContactPlace]) + 90 ?? x[Input.Tilt];

    // The middle of the arc, or the place next to it, towards the tip, at which shank and holder clear the surface.
    private static double? ClearPlace(MillingSetup setup, BarrelArc barrel, in Inputs x)
    {
        double least = Ridge.ContactAngle(barrel.Radius, x[Input.StockWidth]) * barrel.Radius / barrel.ArcLength;
        for (double place = Middle; place >= least; place -= NextPlace)
            if (barrel.Overlap(setup.Whole, place, x[Input.SurfaceWidth]) <= 0) return place;
        return null;
    }

    // The tilt at which the far rounding of a cutter with a flat end touches a hollow surface, degrees; 0 where nothing can.
    private static double LeastTilt(MillingSetup setup, in Inputs x)
    {
        if (x.Surface != SurfaceForm.Concave || setup.Barrel is not null) return 0;
        double room = x[Input.SurfaceRadius] - setup.CornerRadius;
        return setup.Flat >= room ? 90 : double.RadiansToDegrees(Math.Asin(setup.Flat / room));
    }

    private static double RadiusOf(MillingSetup setup) => setup.Barrel?.Radius ?? setup.CornerRadius;
}
