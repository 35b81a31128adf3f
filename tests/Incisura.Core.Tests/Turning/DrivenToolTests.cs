using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.HoleGroups;
using Incisura.Core.Machines;
using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

/// <summary>Tools that turn in a turret, and blocks and places that cannot turn them.</summary>
public class DrivenToolTests
{
    [Theory]
    [InlineData(false, "tool", true)]
    [InlineData(true, "tool", false)]
    [InlineData(false, "main", false)]
    public void A_fixed_block_turns_no_drill(bool driven, string turns, bool stopped)
    {
        Situation s = With("drill", CutterFamily.TwistDrill);
        s = s.OnMachine(m => m with { Interface = s.Holder.Value.Interface }) with
        {
            Holder = s.Holder with { Value = s.Holder.Value with { Driven = driven } },
        };
        Assert.Equal(stopped, Turn("drill", s, null, [("spindle", turns)]).Findings.Any(f => f.Code == "not-driven" && f.Severity == Severity.Stop));
    }

    [Fact]
    public void A_chain_of_holes_leaves_fixed_blocks_on_the_shelf_and_says_why()
    {
        Situation s = With("drill", CutterFamily.TwistDrill);
        s = s.OnMachine(m => m with { Interface = s.Holder.Value.Interface });
        Assert.Contains("turns no tool", ToolShelf.WhyNot(s), StringComparison.Ordinal);
        Assert.Null(ToolShelf.WhyNot(s with { Holder = s.Holder with { Value = s.Holder.Value with { Driven = true } } }));
    }

    [Fact]
    public void A_mill_turns_what_is_in_its_spindle()
    {
        Situation s = With("drill", CutterFamily.TwistDrill);
        s = s.OnMachine(m => m with { Main = null, Counter = null, Interface = s.Holder.Value.Interface });
        Assert.DoesNotContain(Turn("drill", s).Findings, f => f.Code == "not-driven");
    }

    [Theory]
    [InlineData(12, true, true)]
    [InlineData(13, true, false)]
    [InlineData(13, false, true)]
    public void A_driven_head_stands_in_a_place_that_drives(int place, bool driven, bool stands)
    {
        Machine machine = Lathe with { Store = new() { Kind = ToolStoreKind.Turret, Places = 24, DrivenPlaces = 12 } };
        InputCheck check = new();
        machine.Store.CheckPlace(
            check, "place", machine, place, new("A-1", machine.Interface, 60, 100, 2, driven), new Dictionary<int, StoredTool>());
        Assert.Equal(stands, check.Faults.Count == 0);
        if (!stands) Assert.Contains("1 to 12", check.Faults[0].Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void No_more_places_drive_than_there_are()
    {
        Machine machine = Lathe with { Store = new() { Kind = ToolStoreKind.Turret, Places = 12, DrivenPlaces = 13 } };
        Assert.Contains(machine.Check().Faults, f => f.Field == "store.drivenPlaces");
    }
}
