using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

/// <summary>Figures that would hurt a spindle if they were too small, each against a way of its own: walked, searched or drawn.</summary>
public sealed class SafeSideTests
{
    private static readonly Gen<(double Entry, double Length, double Depth, int Teeth, double Helix)> Arcs =
        Gen.Select(Gen.Double[0, Math.PI * 0.98], Gen.Double[0.02, 1], Gen.Double[0.2, 40], Gen.Int[1, 9], Gen.Double[0, 50])
            .Select(c => (c.Item1, Math.Max(0.01, (Math.PI - c.Item1) * c.Item2), c.Item3, c.Item4, c.Item5));

    [Fact]
    public void The_largest_section_is_the_same_in_the_mirror() => Arcs.Sample(
        c =>
        {
            double lag = ChipSection.Lag(c.Depth, c.Helix, 12);
            double here = ChipSection.Largest(0.1, c.Depth, c.Teeth, lag, ArcOfEngagement.Between(c.Entry, c.Entry + c.Length));
            double there = ChipSection.Largest(0.1, c.Depth, c.Teeth, lag, ArcOfEngagement.Between(Math.PI - c.Entry - c.Length, Math.PI - c.Entry));
            return Math.Abs(here - there) <= 1e-6 * here;
        },
        iter: 3000);

    [Fact]
    public void The_largest_section_of_any_arc_is_the_peak_of_slices_turned_step_by_step() => Arcs.Sample(
        c =>
        {
            double lag = ChipSection.Lag(c.Depth, c.Helix, 12), searched = 0;
            const int slices = 400, steps = 360;

            // An arc shorter than a step is met where an edge's front leaves it, or its tail enters it.
            double[] turns = [.. Enumerable.Range(0, steps).Select(i => 2 * Math.PI * i / steps), c.Entry + c.Length, c.Entry + lag];
            foreach (double turn in turns)
            {
                double section = 0;
                for (int k = 0; k < slices; k++)
                    for (int tooth = 0; tooth < c.Teeth; tooth++)
                    {
                        double angle = (turn - (lag * (k + 0.5) / slices) + (2 * Math.PI * tooth / c.Teeth)) % (2 * Math.PI);
                        if (angle < 0) angle += 2 * Math.PI;
                        if (angle >= c.Entry && angle <= c.Entry + c.Length) section += Math.Sin(angle) / slices;
                    }

                searched = Math.Max(searched, section);
            }

            double found = ChipSection.Largest(1, 1, c.Teeth, lag, ArcOfEngagement.Between(c.Entry, c.Entry + c.Length));
            double bySlices = (2 + lag) / slices * c.Teeth, bySteps = 2 * Math.PI / steps * c.Teeth;
            return found >= searched - bySlices && found <= searched + bySlices + bySteps;
        },
        iter: 25);

    [Theory]
    [InlineData(1e6)]
    [InlineData(1e12)]
    [InlineData(1e17)]
    public void A_lag_of_any_length_costs_no_more_and_evens_the_section_out(double depth)
    {
        ArcOfEngagement arc = ArcOfEngagement.Between(0.2, 1.4);
        double mean = (Math.Cos(0.2) - Math.Cos(1.4)) * 4 / (2 * Math.PI);
        Assert.Equal(mean, ChipSection.Largest(1, 1, 4, ChipSection.Lag(depth, 30, 12), arc), 1e-4);
    }

    [Theory]
    [InlineData(CutterFamily.SquareEndMill, 3.9)]
    [InlineData(CutterFamily.SquareEndMill, 1.2)]
    [InlineData(CutterFamily.FaceMill, 12)]
    public void Facing_with_the_axis_to_either_side_takes_the_same_force(CutterFamily family, double offset)
    {
        Situation s = Sample.With(family, "face");
        double width = s.Cutter.Value.CuttingDiameter * 0.35;
        CalculationResult At(double e) => Operations.Find("face")!.Calculate(
            s,
            Sample.Typed(
                ("cuttingSpeed", 150), ("feedPerTooth", 0.1), ("widthOfCut", width), ("stockWidth", width), ("depthOfCut", 1), ("stockHeight", 1),
                ("offset", e)),
            explain: false);
        CalculationResult left = At(-offset), right = At(offset);
        Assert.Equal(left.Figure("peakForce"), right.Figure("peakForce"), 5e-4 * left.Figure("peakForce"));
        Assert.Equal(left.Figure("deflection"), right.Figure("deflection"), 5e-4 * left.Figure("deflection"));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(5)]
    public void A_ramp_is_as_deep_as_a_walk_over_its_own_floor_finds_it(int ramps)
    {
        const double length = 60, gain = 1.5;
        double[] floor = new double[601];
        double deepest = 0;
        for (int ramp = 0; ramp < ramps; ramp++)
            for (int i = 0; i <= 600; i++)
            {
                double along = ramp % 2 == 0 ? i / 600.0 : (600 - i) / 600.0, tip = -gain * (ramp + along);
                deepest = Math.Max(deepest, floor[i] - tip);
                floor[i] = tip;
            }

        Assert.Equal(deepest, RampPath.Deepest(gain, ramps), 12);
        double angle = Math.Atan(gain / length) * 180 / Math.PI;
        CalculationResult r = Operations.Find("ramp")!.Calculate(
            Sample.Situation,
            Sample.Typed(
                ("cuttingSpeed", 120), ("feedPerTooth", 0.05), ("length", length), ("rampAngle", angle), ("stockHeight", gain * ramps),
                ("depthOfCut", 10)),
            explain: false);
        Assert.Equal(gain, r.Figure("gain"), 9);
        Assert.Equal(deepest, r.Figure("depth"), 9);
        Assert.Equal(deepest, r.Limits.Single(l => l.Kind == MillingLimits.DepthOfCutter.Code).Used, 9);
        double removed = 12 * length * gain * ramps / 1000;
        Assert.Equal(removed, r.Figure("removalRate") * r.Figure("way") / r.Figure("feedRate"), 9);
    }

    [Fact]
    public void Ramps_to_and_fro_stay_within_the_depth_allowed() =>
        Gen.Select(Gen.Double[0.5, 40], Gen.Double[0.2, 6], Gen.Double[0.5, 12]).Sample(c =>
    {
        (double height, double angle, double allowed) = c;
        CalculationResult r = Operations.Find("ramp")!.Calculate(
            Sample.Situation,
            Sample.Typed(
                ("cuttingSpeed", 120), ("feedPerTooth", 0.05), ("length", 60), ("rampAngle", angle), ("stockHeight", height),
                ("depthOfCut", allowed)),
            explain: false);
        return r.Figure("depth") <= allowed * (1 + 1e-8) && r.Figure("tilt") <= angle * (1 + 1e-8);
    });

    [Fact]
    public void A_plunge_stepped_by_more_than_half_the_cutter_bites_near_the_axis_too()
    {
        Situation s = Sample.With(CutterFamily.SquareEndMill, "plunge", (Dimension.CuttingDiameter, 12), (Dimension.Teeth, 8));
        double Peak(double step) =>
            Operations.Find("plunge")!
                .Calculate(
                    s,
                    Sample.Typed(
                        ("cuttingSpeed", 100), ("feedPerTooth", 0.05), ("stockWidth", 6), ("widthOfCut", 6), ("sideStep", step), ("wallHeight", 5)),
                    explain: false)
                .Figure("peakForce");
        Assert.True(Peak(8.2137) >= 15.0725 / 14.4853 * Peak(5.999) * 0.99);
    }

    // Bites of every tooth between the plunge before, the open side and the rim, turned step by step and added as vectors.
    [Fact]
    public void The_bites_of_a_plunge_are_never_less_than_those_drawn_and_turned() =>
        Gen.Select(Gen.Double[0.3, 11.9], Gen.Double[0.3, 11], Gen.Int[1, 8]).Sample(
        c =>
        {
            (double width, double step, int teeth) = c;
            Situation s = Sample.With(CutterFamily.SquareEndMill, "plunge", (Dimension.CuttingDiameter, 12), (Dimension.Teeth, teeth));
            CalculationResult r = Operations.Find("plunge")!.Calculate(
                s,
                Sample.Typed(
                    ("cuttingSpeed", 100), ("feedPerTooth", 0.05), ("stockWidth", width), ("widthOfCut", width), ("sideStep", step),
                    ("wallHeight", 5)),
                explain: false);
            double force = r.Figure("specificForce") * 0.05 * Math.Sqrt(1 + (s.Material.Value.RadialRatio * s.Material.Value.RadialRatio)),
                found = r.Figure("peakForce") / force, searched = 0;
            for (int i = 0; i < 720; i++)
            {
                double x = 0, y = 0;
                for (int tooth = 0; tooth < teeth; tooth++)
                {
                    double angle = (2 * Math.PI * i / 720) + (2 * Math.PI * tooth / teeth), bite = Bite(angle, width, step);
                    x += bite * Math.Cos(angle);
                    y += bite * Math.Sin(angle);
                }

                searched = Math.Max(searched, double.Hypot(x, y));
            }

            Assert.True(found >= searched * (1 - 1e-9) && (width > 6 || step > 6 || found <= 2 * searched), $"{found} against {searched}");
        },
        iter: 100);

    private static double Bite(double angle, double width, double step)
    {
        const int points = 400;
        double bite = 0;
        for (int i = 0; i < points; i++)
        {
            double t = 6 * (i + 0.5) / points, x = t * Math.Sin(angle), y = t * Math.Cos(angle);
            if (y > 6 - width && double.Hypot(x + step, y) > 6) bite += 6.0 / points;
        }

        return Math.Max(0, bite - (6.0 / points));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(1 + 1e-13)]
    [InlineData(1 - 1e-13)]
    public void The_last_bit_of_a_step_decides_no_count(double noise)
    {
        Situation s = Sample.With(CutterFamily.SquareEndMill, "plunge", (Dimension.CuttingDiameter, 12), (Dimension.Teeth, 4));
        CalculationResult r = Operations.Find("plunge")!.Calculate(
            s,
            Sample.Typed(
                ("cuttingSpeed", 100), ("feedPerTooth", 0.05), ("stockWidth", 3), ("widthOfCut", 3), ("sideStep", 6 * noise), ("wallHeight", 5),
                ("length", 60)),
            explain: false);
        Assert.Equal(90, r.Figure("arc"), 9); // 60° to the open side, 30° to the plunge before: one tooth of four
        Assert.Equal(10, r.Figure("rounds"));
        Assert.Equal(3 * 0.05 * r.Figure("specificForce") * Math.Sqrt(1 + (0.3 * 0.3)), r.Figure("peakForce"), 1e-6 * r.Figure("peakForce"));
        Assert.Equal(3, Passes.Even(0.3 * noise, 0.1).Count);
    }

    [Fact]
    public void A_helix_removes_the_volume_of_the_hole_in_its_time() => Gen.Select(Gen.Double[1.03, 2], Gen.Double[0.2, 10]).Sample(c =>
    {
        (double ratio, double angle) = c;
        CalculationResult r = Operations.Find("helical-entry")!.Calculate(
            Sample.Situation,
            Sample.Typed(("cuttingSpeed", 120), ("feedPerTooth", 0.05), ("holeDiameter", 12 * ratio), ("rampAngle", angle), ("stockHeight", 10)),
            explain: false);
        double minutes = 10 / r.Figure("feedDown"), volume = Math.PI / 4 * 144 * ratio * ratio * 10 / 1000;
        double side = r.Figure("depthInTurn") * 12 * Math.Cos(angle * Math.PI / 180) * r.Figure("feedRate") / 1000;
        bool more = r.Figure("power") >= Math.Max(side, r.Figure("removalRate")) * r.Figure("specificForce") / 60000 * (1 - 1e-9);
        return more && Math.Abs((r.Figure("removalRate") * minutes) - volume) <= 1e-9 * volume;
    });

    public static TheoryData<string, CutterFamily> Proposed => KindTests.All;

    // A chart that would turn every cutter far too fast, on a slow machine with weak axes.
    [Theory]
    [MemberData(nameof(Proposed))]
    public void A_proposal_keeps_the_speed_of_the_spindle_and_the_feed_of_the_axes(string code, CutterFamily family)
    {
        Situation s = Sample.With(family, code);
        SpeedChart fast = s.Chart.Value with { Rows = [.. s.Chart.Value.Rows.Select(r => r with { CuttingSpeed = 1800, DepthRatio = 1 })] };
        Situation slow = s with { Chart = new(1, 1, fast), Machine = new(1, 1, Sample.Machine with { LargestSpeed = 9000, LargestFeed = 900 }) };
        foreach (string chip in (ReadOnlySpan<string>)["largest", "none"])
        {
            Choices choices =
                Choices.None with
                {
                    Options = Operations.Find(code)!.Description.Options.Any(o => o.Code == "chip")
                        ? new Dictionary<string, string> { ["chip"] = chip }
                        : new Dictionary<string, string>()
                };
            CalculationResult r = Operations.Find(code)!.Calculate(slow, choices, explain: false);
            Assert.True(r.Figure("spindleSpeed") <= 9000 * (1 + 1e-9), $"{r.Figure("spindleSpeed")} rev/min");
            Assert.True(r.Figure("feedRate") <= 900 * (1 + 1e-9), $"{r.Figure("feedRate")} mm/min");
        }
    }

    [Fact]
    public void A_cutter_rated_for_little_width_keeps_to_it_in_loops_and_is_judged_by_the_width_of_its_arc()
    {
        Situation s = Sample.With(CutterFamily.SquareEndMill, "side-rough", (Dimension.CuttingDiameter, 12), (Dimension.LargestWidthRatio, 0.15));
        IOperation loops = Operations.Find("constant-engagement")!;
        CalculationResult proposed = loops.Calculate(s, Choices.None, explain: false);
        JudgedLimit width = proposed.Limits.Single(l => l.Kind == MillingLimits.WidthOfCutter.Code);
        Assert.Equal(0.15 * 12, width.Used, 9);
        Assert.False(width.Use > 1 + 1e-9);
        JudgedLimit wide = loops.Calculate(s, Sample.Typed(("arcWanted", 60)), explain: false).Limits
            .Single(l => l.Kind == MillingLimits.WidthOfCutter.Code);
        Assert.Equal(0.25 * 12, wide.Used, 9); // 60° are a quarter of the diameter on a straight wall
        Assert.True(wide.Use > 1.6);
    }

    [Theory]
    [InlineData(BestAim.Time)]
    [InlineData(BestAim.Removal)]
    public void The_best_point_never_shrinks_what_is_to_be_removed(BestAim aim)
    {
        foreach ((string code, CutterFamily family) in KindTests.All.Select(row => row.Data).DistinctBy(row => row.Item1))
        {
            IOperation operation = Operations.Find(code)!;
            Situation s = Sample.With(family, code);
            BestPoint best = operation.Best(s, Choices.None, aim, CancellationToken.None);
            if (!best.Found) continue;
            CalculationResult before = operation.Calculate(s, Choices.None, explain: false);
            CalculationResult after = operation.Calculate(s, Sample.Typed([.. best.Values.Select(v => (v.Code, v.Value))]), explain: false);
            foreach (string total in (ReadOnlySpan<string>)["stockWidth", "wallHeight", "stockHeight", "length"])
                if (before.Fields.FirstOrDefault(f => f.Code == total) is { } field)
                    Assert.True(
                        after.Field(total).Value >= field.Value * (1 - 1e-9),
                        $"{code} {family}: {total} {field.Value} became {after.Field(total).Value}");
            if (aim == BestAim.Time)
                Assert.True(after.Figure("time") <= before.Figure("time") * (1 + 1e-6) || before.Limits.Any(l => l.Use > 1), $"{code} {family}");
            else Assert.Equal(best.RemovalRate, after.Figure("removalRate"), 1e-9 * best.RemovalRate);
        }
    }

    [Fact]
    public void A_projection_of_any_fraction_leaves_every_face_flat_and_the_tip_stiff()
    {
        IEnumerable<double> projections = Enumerable.Range(330, 180)
            .Select(i => i / 10.0)
            .Concat(Enumerable.Range(84, 44).Select(i => i * 25.4 / 64));
        foreach (double projection in projections)
        {
            Situation s = Sample.Situation with { Assembly = new(1, 1, Sample.Assembly with { Projection = projection }) };
            Assert.All(s.Built().Profile().Elements, e => Assert.False(e.FromZ != e.ToZ && Math.Abs(e.FromZ - e.ToZ) < 1e-9, $"{projection}: {e}"));
            double deflection = Operations.Find("side-rough")!.Calculate(s, Choices.None, explain: false).Figure("deflection");
            Assert.InRange(deflection, 0.1, 200);
        }
    }

    [Fact]
    public void A_beam_of_no_thickness_is_not_a_stiffness() =>
        Assert.False(TipCompliance.Of([new BeamSegment(10, 10, 600_000), new BeamSegment(1, 0, 210_000)]).Known);
}
