using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Machines;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Holes and threads on the axis of work that turns: by the spindle that turns it, and held by its chuck.</summary>
public class OnTheAxisTests
{
    public static TheoryData<string, CutterFamily> Holes =>
    [
        .. Operations.All.Where(o => o.Description.Has(Input.GrippedDiameter) && o.Description.Options.Any(c => c.OnLathes))
            .SelectMany(o => o.Description.Families.Take(1), (o, f) => (o.Description.Code, f)),
    ];

    [Fact]
    public void Every_hole_operation_can_be_done_on_the_axis() => Assert.Equal(10, Holes.Count);

    [Theory]
    [MemberData(nameof(Holes))]
    public void The_spindle_of_the_work_gives_speed_and_power_and_its_chuck_holds(string operation, CutterFamily family)
    {
        Situation s = With(operation, family);
        CalculationResult tool = Turn(operation, s), main = Turn(operation, s, [("grippedDiameter", 60)], [("spindle", "main")]),
            counter = Turn(operation, s, [("grippedDiameter", 60)], [("spindle", "counter")]);
        Assert.False(tool.Field("grippedDiameter").Used);
        Assert.DoesNotContain(tool.Figures, f => f.Code == "gripNeeded");
        Assert.Equal(3500, main.Limit("highestSpeed").Allowed);
        Assert.Equal(5000, counter.Limit("highestSpeed").Allowed);

        // What the tool does to the hole does not ask what turns, as long as the speed is the same.
        if (main.Figure("spindleSpeed") == tool.Figure("spindleSpeed") && main.Figure("feedInUse") == tool.Figure("feedInUse"))
            Assert.Equal(tool.Figure("torque"), main.Figure("torque"), 9);
        double torque = main.Figure("torque"), thrust = main.Figures.FirstOrDefault(f => f.Code == "thrust")?.Value ?? 0,
            needed = 2.5 / 0.15 * double.Hypot(2000 * torque / 60, thrust);
        Assert.Equal(1, needed / main.Figure("gripNeeded"), 6);
    }

    [Fact]
    public void A_small_grip_lets_a_large_drill_turn_the_work_in_its_jaws()
    {
        Situation s = With("drill", CutterFamily.TwistDrill).OnMachine(Clamped(20_000));
        JudgedLimit wide = Turn("drill", s, [("grippedDiameter", 200)], [("spindle", "main")]).Limit("chuckGrip"),
            small = Turn("drill", s, [("grippedDiameter", 10)], [("spindle", "main")]).Limit("chuckGrip");
        Assert.True(small.Used > wide.Used);
        Assert.True(wide.Use < 1 && small.Use > 1);
        Assert.True(small.Allowed < 20_000);

        static Func<Machine, Machine> Clamped(double force) => m => m with
        {
            Main = m.Main! with { Chuck = new() { Force = force, JawMass = 0.2, JawRadius = 60 } },
        };
    }

    [Fact]
    public void A_machine_that_does_not_turn_the_work_says_so()
    {
        Situation mill = With("drill", CutterFamily.TwistDrill).OnMachine(m => m with { Main = null, Counter = null });
        Assert.Contains(Turn("drill", mill, null, [("spindle", "main")]).Findings, f => f.Code == "no-main-spindle" && f.Severity == Severity.Stop);
        Assert.DoesNotContain(Turn("drill", mill).Findings, f => f.Code == "no-main-spindle");
        Situation bare = With("drill", CutterFamily.TwistDrill).OnMachine(m => m with { Main = m.Main! with { Chuck = null } });
        CalculationResult r = Turn("drill", bare, null, [("spindle", "main")]);
        Assert.Contains(r.Findings, f => f.Code == "chuck-unknown");
        Assert.Null(r.Limit("chuckGrip").Allowed);
    }

    [Fact]
    public void A_thread_is_turned_on_the_counter_spindle_and_held_by_its_chuck()
    {
        Situation s = With("thread-turning", CutterFamily.ThreadTurningTool);
        CalculationResult main = Turn("thread-turning", s), counter = Turn("thread-turning", s, null, [("spindle", "counter")]);
        Assert.Equal(3500, main.Limit("highestSpeed").Allowed);
        Assert.Equal(5000, counter.Limit("highestSpeed").Allowed);
        double needed = 2.5 / 0.15 * double.Hypot(2000 * main.Figure("torque") / main.Field("grippedDiameter").Value, main.Figure("passiveForce"));
        Assert.Equal(1, needed / main.Figure("gripNeeded"), 6);
        Situation without = s.OnMachine(m => m with { Counter = null });
        Assert.Contains(Turn("thread-turning", without, null, [("spindle", "counter")]).Findings, f => f.Code == "no-main-spindle");
    }
}
