using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Turning;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>What follows on turned work takes it over as it was left, and can be worked out with it.</summary>
public class GoesOnTests
{
    private static readonly (string, double)[] Stud =
        [("startDiameter", 60), ("standsOut", 120), ("bodyDiameter", 62), ("grippedDiameter", 61), ("deflectionAllowed", 2000)];

    [Theory]
    [InlineData("turn-face", CutterFamily.OutsideTurningTool, "turn-rough drill")]
    [InlineData("turn-rough", CutterFamily.OutsideTurningTool, "turn-finish")]
    [InlineData("turn-rough", CutterFamily.InsideTurningTool, "turn-finish")]
    [InlineData("turn-finish", CutterFamily.OutsideTurningTool, "turn-groove thread-turning part-off")]
    [InlineData("turn-finish", CutterFamily.InsideTurningTool, "turn-groove")]
    [InlineData("turn-groove", CutterFamily.GroovingBlade, "turn-groove thread-turning part-off")]
    [InlineData("part-off", CutterFamily.PartingBlade, "turn-face")]
    public void What_can_follow_is_worked_out_with_what_it_is_given(string operation, CutterFamily family, string expected)
    {
        CalculationResult r = Turn(operation, With(operation, family), null, [("support", operation == "part-off" ? "chuck" : "steady")]);
        IReadOnlyList<NextStep> steps = r.Attached<GoesOn>()!.Steps;
        Assert.Equal(expected.Split(' '), steps.Select(s => s.Operation));
        Assert.All(steps, s =>
        {
            OperationDescription next = Operations.Find(s.Operation)!.Description;
            Assert.All(s.Numbers.Keys, code => Assert.Contains(next.Fields, f => f.Code == code));
            Assert.All(s.Options, o => Assert.Contains(next.Options, c => c.Code == o.Key && c.Picks.Any(p => p.Code == o.Value)));
            CutterFamily by = next.Families.Contains(family) ? family : s.Operation == "turn-groove" && family == CutterFamily.InsideTurningTool
                ? CutterFamily.InsideGroovingTool : next.Families[0];
            CalculationResult then = Operations.Find(s.Operation)!.Calculate(With(s.Operation, by), new(s.Numbers, s.Options), explain: false);
            Assert.All(s.Numbers, n => Assert.Equal(n.Value, then.Field(n.Key).Value));
        });
    }

    [Fact]
    public void Finishing_takes_what_roughing_left_and_its_outline()
    {
        OutlineStep[] steps = [new(40, 30) { Chamfer = 1 }, new(50, 20)];
        CalculationResult r = Operations.Find("turn-rough")!.Calculate(
            With("turn-rough"),
            Typed([.. Stud, ("stockLeft", 0.4), ("faceStock", 0.15)]) with { Extras = [new TurnedOutline(steps)] }, explain: false);
        NextStep next = Assert.Single(r.Attached<GoesOn>()!.Steps);
        Assert.True(next.WithOutline);
        CalculationResult finish = Operations.Find("turn-finish")!.Calculate(
            With("turn-finish", feed: 0.1), new(next.Numbers, next.Options) { Extras = [new TurnedOutline(steps)] }, explain: false);
        Assert.Equal(0.4, finish.Figure("depth"), 9);
        Assert.Equal(0.15, finish.Field("faceStock").Value);
        Assert.Equal((120, 62, 61), (finish.Field("standsOut").Value, finish.Field("bodyDiameter").Value, finish.Field("grippedDiameter").Value));
    }

    [Fact]
    public void A_part_goes_over_to_the_counter_spindle_where_there_is_one()
    {
        CalculationResult r = Turn("part-off", With("part-off", CutterFamily.PartingBlade), [("startDiameter", 30), ("length", 24), ("workBore", 8)]);
        NextStep next = Assert.Single(r.Attached<GoesOn>()!.Steps);
        Assert.Equal("counter", next.Options["spindle"]);
        Assert.Equal((30, 12, 8), (next.Numbers["grippedDiameter"], next.Numbers["standsOut"], next.Numbers["workBore"]));
        Situation lone = With("part-off", CutterFamily.PartingBlade).OnMachine(m => m with { Counter = null });
        Assert.Empty(Turn("part-off", lone).Attached<GoesOn>()!.Steps);
    }

    [Fact]
    public void The_shoulder_that_roughing_left_stands_beside_the_blade()
    {
        CalculationResult r = Turn("turn-finish", With("turn-finish", feed: 0.1), [.. Stud, ("endDiameter", 59)]);
        NextStep off = r.Attached<GoesOn>()!.Steps[^1];
        Assert.Equal((59, 62), (off.Numbers["startDiameter"], off.Numbers["shoulderDiameter"]));
    }
}
