using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;
using Incisura.Core.Machines;
using static Incisura.Core.Tests.Holes.HoleSample;

namespace Incisura.Core.Tests.Holes;

public sealed class ChainTests
{
    private static readonly HoleTarget Thread = new() { Kind = TargetKind.Threaded, Thread = new("M10×1.5"), Depth = 18, Chamfer = 0.5 };
    private static readonly RackTool Countersink = new(CutterFamily.Countersink), Tap = new(CutterFamily.CuttingTap),
        Counterbore = new(CutterFamily.Counterbore);

    private static HoleChain Chain(HoleTarget target, ToolShelf shelf, params (string Operation, int Assembly)[] picked)
    {
        HoleChain chain = HoleChain.Propose(target, shelf, picked.ToDictionary(p => p.Operation, p => p.Assembly));
        Assert.Empty(ChainCheck.Contradictions(target, chain));
        return chain;
    }

    private static IEnumerable<string> Refused(HoleTarget target) =>
        new HoleGroup { Name = "x", MaterialId = 1, MachineId = 1, Target = target, Pattern = new() { Form = PatternForm.Line } }
            .Check().Faults
            .Select(f => f.Field);

    private static IEnumerable<string> Operations(HoleChain chain) => chain.Steps.Select(s => s.Operation);

    private static ChainStep Step(HoleChain chain, string operation) => chain.Steps.Single(s => s.Operation == operation);

    [Fact]
    public void A_threaded_hole_is_drilled_chamfered_and_tapped_with_what_the_library_has()
    {
        HoleChain chain = Chain(Thread, Rack.ForThreads);
        Assert.Equal(["drill", "countersink", "tap"], Operations(chain));
        Assert.NotEqual(ChainVerdict.Fails, chain.Verdict);
        Assert.Contains(chain.Notes, n => n.ToString().Contains("centres itself", StringComparison.Ordinal));
        Assert.Equal(8.5, Step(chain, "drill").Situation!.Cutter.Value.CuttingDiameter);
        Assert.Equal(8.5, Step(chain, "tap").Choices.Numbers["holeBefore"]);
        Assert.Equal(Step(chain, "drill").Choices.Numbers["depth"], Step(chain, "tap").Choices.Numbers["depthOfHoleBefore"]);
        Assert.Contains("77 % thread height", Step(chain, "drill").Reason.ToString(), StringComparison.Ordinal);
        Assert.Contains("In Ø8.5 mm", Step(chain, "tap").Takes!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_spot_guides_steel_drills_only_and_leaves_the_chamfer_where_it_is_wide_enough()
    {
        RackTool[] rest = [new(CutterFamily.SpotDrill, (Dimension.CuttingDiameter, 16)), Tap, Countersink];
        HoleChain steel = Chain(Thread, Rack.Of([Rack.Drill(8.5, CuttingMaterial.HighSpeedSteel), .. rest]));
        Assert.Equal(["spot", "drill", "tap"], Operations(steel));
        Assert.Equal(11, steel.Steps[0].Choices.Numbers["chamferDiameter"]);
        Assert.Equal(
            ["spot", "drill", "countersink", "tap"],
            Operations(Chain(Thread with { Chamfer = 4 }, Rack.Of([Rack.Drill(8.5, CuttingMaterial.HighSpeedSteel), .. rest]))));

        // A carbide drill deeper than its point guides itself asks for a spot as flat as its point, and goes without where there is none.
        HoleTarget deep = new() { Diameter = 8.5, Depth = 80, Chamfer = 0 };
        Assert.Equal(["drill"], Operations(Chain(deep, Rack.Of([Rack.Drill(8.5, flutes: 120), .. rest]))));
        Assert.Equal(
            ["spot", "drill"],
            Operations(Chain(
                deep,
                Rack.Of(
                    [
                        Rack.Drill(8.5, flutes: 120), .. rest,
                        new(CutterFamily.SpotDrill, (Dimension.CuttingDiameter, 12), (Dimension.PointAngle, 142)),
                    ]))));
        Assert.Equal(
            ["drill"],
            Operations(Chain(new() { Diameter = 8, Depth = 16, Chamfer = 0 }, Rack.Of([Rack.Drill(8, family: CutterFamily.FlatDrill), .. rest]))));
    }

    [Fact]
    public void What_is_missing_is_named_with_what_comes_nearest_or_what_stands_against_it()
    {
        HoleChain other = Chain(Thread with { Thread = new("M12×1.75") }, Rack.ForThreads);
        Assert.Equal(ChainVerdict.Fails, other.Verdict);
        Assert.Contains("No tap for M12×1.75", Step(other, "tap").Reason.ToString(), StringComparison.Ordinal);
        Assert.Contains("Ø10 mm", Step(other, "tap").Reason.ToString(), StringComparison.Ordinal);
        Assert.Contains(other.Why, w => w.ToString().StartsWith("Tapping in step: No tap", StringComparison.Ordinal));
        Assert.Contains(
            "LH", Step(Chain(Thread with { Thread = new("M10×1.5 LH") }, Rack.ForThreads), "tap").Reason.ToString(), StringComparison.Ordinal);
        ToolShelf barred = Rack.Of([Tap, Rack.Drill(8.5) with { Change = c => c with { Groups = [Core.Materials.MaterialGroup.N] } }]);
        Assert.Contains(
            "A-2 would serve, but its cutter is not meant for group P", Step(Chain(Thread, barred), "drill").Reason.ToString(),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_pick_that_does_not_fit_falls_and_is_said_and_one_that_does_goes_first()
    {
        HoleTarget larger = Thread with { Thread = new("M12×1.75") };
        ToolShelf shelf = Rack.Of(
            [
                Rack.Drill(8.5), Rack.Drill(10.2), Rack.Drill(10.3),
                new(
                    CutterFamily.CuttingTap, (Dimension.ThreadDiameter, 12), (Dimension.Pitch, 1.75), (Dimension.NeckDiameter, 9),
                    (Dimension.ShankDiameter, 9), (Dimension.FluteLength, 17.5)),
                Tap, Countersink,
            ]);
        HoleChain fell = Chain(larger, shelf, ("drill", 1), ("ream", 5));
        Assert.Equal(10.3, Step(fell, "drill").Situation!.Cutter.Value.CuttingDiameter);
        Assert.Equal([("drill", 1), ("ream", 5)], fell.Fallen.Select(f => (f.Operation, f.AssemblyId)));
        Assert.Contains("does not fit this hole", fell.Fallen[0].Why.ToString(), StringComparison.Ordinal);
        Assert.Contains("does not need", fell.Fallen[1].Why.ToString(), StringComparison.Ordinal);
        Assert.Equal(("tap", 99), Chain(Thread, shelf, ("tap", 99)).Fallen.Select(f => (f.Operation, f.AssemblyId)).Single());
        HoleChain held = Chain(larger, shelf, ("drill", 2));
        Assert.Empty(held.Fallen);
        Assert.StartsWith("Picked by hand.", Step(held, "drill").Reason.ToString(), StringComparison.Ordinal);
        Assert.Equal([3], Step(held, "drill").Others.Select(o => o.Assembly.Id));
    }

    [Theory]
    [InlineData("tap", CutterFamily.CuttingTap, 44, false)] // shank as thick as the thread: runs into the core behind the usable length
    [InlineData("tap", CutterFamily.CuttingTap, 20, true)]
    [InlineData("ream", CutterFamily.Reamer, 60, false)]
    [InlineData("ream", CutterFamily.Reamer, 30, true)]
    public void A_shank_as_thick_as_the_hole_does_not_enter_it(string operation, CutterFamily family, double depth, bool inside)
    {
        Situation s = With(
            family, operation, (Dimension.ShankDiameter, 10), (Dimension.UsableLength, 42), (Dimension.NeckDiameter, 8),
            (Dimension.OverallLength, 110));
        JudgedLimit reach = Calculate(operation, s, ("depth", depth)).Limits.Single(l => l.Kind == Limits.Reach.Code);
        Assert.Equal(inside, reach.Use <= 1);
        Assert.Equal(42, reach.Allowed!.Value, 9);
    }

    [Fact]
    public void A_blind_hole_becomes_as_deep_as_the_tap_needs_in_the_hole_really_drilled()
    {
        ToolShelf shelf = Rack.Of(
            [
                Rack.Drill(8.4, flutes: 90),
                Tap with { Change = c => c with { Picks = new Dictionary<string, string> { ["flutes"] = "straight", ["lead"] = "C" } } },
            ]);
        HoleChain chain = Chain(Thread with { Depth = 25, Chamfer = 0 }, shelf);
        Assert.True(Step(chain, "drill").Choices.Numbers["depth"] >= Step(chain, "tap").Result!.Figure("depthNeeded") - 1e-9);
        Assert.NotEqual(ChainVerdict.Fails, chain.Verdict);
    }

    [Fact]
    public void A_pilot_that_meets_the_bottom_fails_and_another_counterbore_is_taken_where_there_is_one()
    {
        HoleTarget blind = new() { Kind = TargetKind.Counterbored, Diameter = 11, Depth = 9.7, SeatDiameter = 18, SeatDepth = 5, Chamfer = 0 };
        HoleChain fails = Chain(blind, Rack.Of([Rack.Drill(11), Counterbore]));
        Assert.Equal(ChainVerdict.Fails, fails.Verdict);
        Assert.Contains(fails.Why, w => w.ToString().Contains("Depth of the hole", StringComparison.Ordinal));
        Assert.Equal(
            3,
            Step(
                Chain(
                    blind, Rack.Of(
                        [Rack.Drill(11), Counterbore, Rack.Drill(18, family: CutterFamily.FlatDrill)])), "counterbore").Situation!.Assembly.Id);
        Assert.Equal(["target.seatDepth"], Refused(blind with { Through = true, Depth = 20, SeatDepth = 20 }));
        Assert.Equal(
            ["drill", "counterbore", "countersink"],
            Operations(Chain(
                blind with { Depth = 30, Chamfer = 0.5 },
                Rack.Of([Rack.Drill(11), Counterbore, new(CutterFamily.Countersink, (Dimension.LargestDiameter, 25))]))));
    }

    [Fact]
    public void What_the_store_cannot_carry_is_not_proposed_and_what_stands_there_goes_first()
    {
        HoleTarget hole = new() { Diameter = 8.5, Depth = 20, Chamfer = 0 };
        Func<Situation, Situation> at(double longest) =>
            s =>
                s with
                {
                    Machine =
                        s.Machine with
                        {
                            Value = s.Machine.Value with { Store = new() { Kind = ToolStoreKind.Magazine, Places = 20, LargestLength = longest } }
                        }
                };
        RackTool drill = Rack.Drill(8.5), longer = Rack.Drill(8.5, flutes: 200);
        HoleChain chain = Chain(hole, Rack.Of([longer with { Place = at(200) }, drill with { Place = at(200) }]));
        Assert.Equal(2, Step(chain, "drill").Situation!.Assembly.Id);
        Assert.Empty(Step(chain, "drill").Others);
        Assert.Contains(
            "changes tools up to 200", Step(Chain(hole, Rack.Of([longer with { Place = at(200) }])), "drill").Reason.ToString(),
            StringComparison.Ordinal);
        RackTool standing =
            longer with { Place = s => s with { Assembly = s.Assembly with { Value = s.Assembly.Value with { Places = [new(s.Machine.Id, 4)] } } } };
        Assert.Equal(2, Step(Chain(hole, Rack.Of([drill, standing])), "drill").Situation!.Assembly.Id);
    }

    [Fact]
    public void The_drill_before_a_reamer_leaves_the_stock_it_wants_though_a_shorter_one_leaves_less()
    {
        HoleTarget bore = new() { Kind = TargetKind.Tolerance, Diameter = 10, Depth = 15, Chamfer = 0 };
        RackTool reamer = new(CutterFamily.Reamer);
        Assert.Equal(2, Step(Chain(bore, Rack.Of([Rack.Drill(9.9), Rack.Drill(9.7, flutes: 90), reamer])), "drill").Situation!.Assembly.Id);
        HoleChain little = Chain(bore, Rack.Of([Rack.Drill(9.9), reamer]));
        Assert.Equal(ChainVerdict.Cautions, little.Verdict);
        Assert.Contains(little.Why, w => w.ToString().Contains("rubs", StringComparison.Ordinal));

        // It runs out below the reamer.
        HoleChain fits = Chain(bore, Rack.Of([Rack.Drill(9.7), reamer]));
        Assert.True(Step(fits, "drill").Choices.Numbers["depth"] >= Step(fits, "ream").Result!.Figure("programmedDepth") + 0.5);
    }

    [Theory]
    [InlineData("H7", "ream", 10)]
    [InlineData("h7", "ream", 10)]
    [InlineData("P7", "ream", 9.985)]
    [InlineData("D10", "fine-bore", 10.069)]
    [InlineData("±0.02", "ream", 10)]
    [InlineData("+0.05/+0.03", "fine-bore", 10.04)]
    public void A_tolerance_is_read_and_its_middle_aimed_at(string tolerance, string operation, double size)
    {
        ToolShelf shelf = Rack.Of(
            [
                new(CutterFamily.Reamer), new(CutterFamily.Reamer, (Dimension.CuttingDiameter, 9.985)),
                new(
                    CutterFamily.FineBoringHead, (Dimension.LeastDiameter, 9), (Dimension.LargestDiameter, 12), (Dimension.CuttingDiameter, 10),
                    (Dimension.BodyDiameter, 8)),
                Rack.Drill(9.7), Rack.Drill(9.3), Rack.Drill(9.1),
            ]);
        HoleChain chain = Chain(
            new() { Kind = TargetKind.Tolerance, Diameter = 10, Depth = 12, Through = true, Tolerance = tolerance, Chamfer = 0 }, shelf);
        ChainStep last = chain.Steps[^1];
        Assert.Equal(operation, last.Operation);
        Assert.Equal(size, operation == "ream" ? last.Situation!.Cutter.Value.CuttingDiameter : last.Choices.Numbers["boreDiameter"], 9);
        Assert.Empty(chain.Cautions);
    }

    [Fact]
    public void A_tolerance_that_is_not_read_is_said_not_to_be_checked()
    {
        HoleTarget odd = new() { Kind = TargetKind.Tolerance, Diameter = 10, Depth = 12, Through = true, Tolerance = "banana", Chamfer = 0 };
        HoleChain chain = Chain(odd, Rack.Of([new(CutterFamily.Reamer), Rack.Drill(9.7)]));
        Assert.Equal(ChainVerdict.Cautions, chain.Verdict);
        Assert.Contains(chain.Why, w => w.ToString().Contains("limits are not checked", StringComparison.Ordinal));
        Assert.Equal(["target.tolerance"], Refused(odd with { Tolerance = "{9}" }));
    }

    [Fact]
    public void The_next_tap_is_tried_where_no_drill_makes_the_hole_of_the_first()
    {
        ToolShelf shelf = Rack.Of(
            [
                new(CutterFamily.FormingTap),
                Tap with { Change = c => c with { Picks = new Dictionary<string, string> { ["flutes"] = "straight", ["lead"] = "C" } } },
                Rack.Drill(8.5, flutes: 90),
            ]);
        HoleChain chain = Chain(Thread with { Chamfer = 0 }, shelf);
        Assert.Equal(2, Step(chain, "tap").Situation!.Assembly.Id);
        Assert.NotEqual(ChainVerdict.Fails, chain.Verdict);
    }

    [Fact]
    public void Coolant_comes_through_where_drill_and_machine_have_it()
    {
        HoleTarget deep = new() { Diameter = 8.5, Depth = 45, Chamfer = 0 };
        RackTool drill = Rack.Drill(8.5, flutes: 90) with { Change = c => c with { ThroughCoolant = true } };
        RackTool At(bool? has) =>
            drill with { Place = s => s with { Machine = s.Machine with { Value = s.Machine.Value with { CoolantThrough = has } } } };
        Assert.Equal("through", Step(Chain(deep, Rack.Of([At(true)])), "drill").Choices.Options["coolant"]);
        Assert.False(Step(Chain(deep, Rack.Of([At(null)])), "drill").Choices.Options.ContainsKey("coolant"));
        Assert.False(Step(Chain(deep, Rack.Of([At(false)])), "drill").Choices.Options.ContainsKey("coolant"));
        Finding stop = Assert.Single(
            Core.Catalogue.Operations.Find("drill")!
                .Calculate(Rack.Of([At(false)]).Usable[0], Sample.Typed(("depth", 20)).Picked("coolant", "through"), false).Findings,
            f => f.Code == "machine-coolant");
        Assert.Equal(Severity.Stop, stop.Severity);
    }

    [Fact]
    public void A_hole_too_deep_for_pecks_gets_a_pilot_and_a_deep_hole_drill_and_a_shallow_one_does_not()
    {
        Func<Cutter, Cutter> channels = c => c with { ThroughCoolant = true };
        RackTool gun = new(CutterFamily.GunDrill) { Change = channels }, flat = Rack.Drill(8, family: CutterFamily.FlatDrill),
            pilot = Rack.Drill(8.02, family: CutterFamily.FlatDrill);
        HoleTarget deep = new() { Diameter = 8, Depth = 150, Chamfer = 0 };
        HoleChain chain = Chain(deep, Rack.Of([gun, flat, pilot]));
        Assert.Equal(["drill", "deep-hole"], Operations(chain));
        Assert.Equal(8.02, Step(chain, "deep-hole").Choices.Numbers["pilotDiameter"]);
        Assert.Equal(Step(chain, "drill").Choices.Numbers["depth"], Step(chain, "deep-hole").Choices.Numbers["pilotDepth"]);
        Assert.Equal(["drill"], Operations(Chain(deep with { Depth = 20 }, Rack.Of([gun, flat, pilot]))));
        Assert.Equal(ChainVerdict.Fails, Chain(deep with { Depth = 36 }, Rack.Of([gun, Rack.Drill(8, flutes: 20)])).Verdict);
    }

    [Fact]
    public void Where_no_drill_has_the_size_a_step_drill_a_bar_or_a_helix_opens_the_hole()
    {
        HoleTarget wide = new() { Diameter = 48, Depth = 25, Chamfer = 0 };
        RackTool bar = new(
            CutterFamily.BoringTool, (Dimension.LeastDiameter, 41), (Dimension.CuttingDiameter, 48), (Dimension.LargestDiameter, 54),
            (Dimension.BodyDiameter, 30));
        RackTool mill = new(
            CutterFamily.SquareEndMill, (Dimension.CuttingDiameter, 30), (Dimension.ShankDiameter, 25), (Dimension.UsableLength, 60),
            (Dimension.FluteLength, 60), (Dimension.OverallLength, 120));
        Assert.Equal(["drill", "bore"], Operations(Chain(wide, Rack.Of([bar, mill, Rack.Drill(40, family: CutterFamily.IndexableDrill)]))));
        Assert.Equal(["helical-entry"], Operations(Chain(wide, Rack.Of([mill, Rack.Drill(20)]))));
        HoleChain none = Chain(wide with { Depth = 200 }, Rack.Of([mill, Rack.Drill(20)]));
        Assert.Contains("No drill makes Ø48 mm", Assert.Single(none.Why).ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_chamfer_wider_than_any_countersink_is_milled()
    {
        RackTool mill = new(CutterFamily.ChamferMill, (Dimension.LargestDiameter, 12));
        Assert.Equal(
            ["drill", "chamfer"],
            Operations(Chain(
                new() { Diameter = 30, Depth = 25, Chamfer = 1 }, Rack
                    .Of([Rack.Drill(30, family: CutterFamily.IndexableDrill), mill, Countersink]))));
    }

    [Fact]
    public void No_chain_of_a_thousand_from_three_hundred_tools_says_it_works_and_does_not()
    {
        Random random = new(11);
        List<RackTool> tools = [];
        double Draw(double from, double to) => Math.Round(10 * (from + ((to - from) * random.NextDouble()))) / 10;
        (double D, double P)[] threads = [(4, 0.7), (5, 0.8), (6, 1), (8, 1.25), (10, 1.5), (12, 1.75), (16, 2), (20, 2.5)];
        for (int i = 0; i < 130; i++)
            tools.Add(Rack.Drill(
                Draw(2, 25), i % 3 == 0 ? CuttingMaterial.HighSpeedSteel : CuttingMaterial.Carbide,
                i % 7 == 0 ? CutterFamily.FlatDrill : CutterFamily.TwistDrill, Draw(15, 150)));
        foreach (double d in new[] { 2.5, 3.3, 4.2, 5, 6.8, 8.5, 10.2, 14, 17.5, 5.8, 7.8, 9.7, 11.7, 15.6, 6.6, 9, 11, 13.5 })
            for (int i = 0; i < 3; i++) tools.Add(Rack.Drill(d, (CuttingMaterial)(i % 2), flutes: d * (4 + (5 * i))));
        for (int i = 0; i < 60; i++)
        {
            (double d, double p) = threads[i % threads.Length];
            double shank = i % 2 == 0 ? d : Math.Round(7 * d) / 10;
            tools.Add(
                new(
                    i % 3 == 2 ? CutterFamily.FormingTap : CutterFamily.CuttingTap, (Dimension.ThreadDiameter, d), (Dimension.Pitch, p),
                    (Dimension.FluteLength, 10 * p), (Dimension.UsableLength, 4 * d), (Dimension.NeckDiameter, 0.7 * d),
                    (Dimension.ShankDiameter, shank), (Dimension.OverallLength, (4 * d) + 60))
                {
                    Change =
                        c => c with { Hand = i % 11 == 0 ? Hand.Left : Hand.Right }
                });
        }

        foreach (double d in new[] { 6.0, 8, 10, 12, 16 })
            tools.Add(new(
                CutterFamily.Reamer, (Dimension.CuttingDiameter, d), (Dimension.FluteLength, 2 * d), (Dimension.UsableLength, 4 * d),
                (Dimension.NeckDiameter, 0.85 * d), (Dimension.ShankDiameter, d), (Dimension.OverallLength, (4 * d) + 50)));
        foreach (double d in new[] { 6.0, 10, 16, 25 })
            tools.Add(new(CutterFamily.SpotDrill, (Dimension.CuttingDiameter, d), (Dimension.ShankDiameter, d)));
        foreach (double d in new[] { 10.4, 16.5, 25, 31 }) tools.Add(new(CutterFamily.Countersink, (Dimension.LargestDiameter, d)));
        foreach ((double d, double pilot) in new[] { (11.0, 6.6), (15, 9), (18, 11), (20, 13.5) })
            tools.Add(new(CutterFamily.Counterbore, (Dimension.CuttingDiameter, d), (Dimension.PilotDiameter, pilot)));
        ToolShelf shelf = Rack.Of(tools);
        Assert.InRange(shelf.Usable.Count, 200, 300);
        int working = 0;
        for (int i = 0; i < 1000; i++)
        {
            HoleTarget target = TargetDraw.Of(random);
            HoleChain chain = HoleChain.Propose(target, shelf, new Dictionary<string, int>(), others: false, TestContext.Current.CancellationToken);
            Assert.True(ChainCheck.Contradictions(target, chain) is [], $"{target}: {string.Join("; ", ChainCheck.Contradictions(target, chain))}");
            if (chain.Verdict != ChainVerdict.Fails) working++;
        }

        Assert.True(working > 150, $"{working}");
    }
}
