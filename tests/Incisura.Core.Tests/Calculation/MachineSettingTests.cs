using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;

namespace Incisura.Core.Tests.Calculation;

/// <summary>What each description says is set at the machine.</summary>
public sealed class MachineSettingTests
{
    // Fields that a figure tells as it comes out, by the figures of which one does.
    private static readonly Dictionary<string, string[]> ToldBy = new()
    {
        ["widthOfCut"] = ["width", "widthOfCut", "step", "pathDiameter"],
        ["depthOfCut"] = ["depth", "gain"],
        ["feedPerRevolution"] = ["feedInUse"],
        ["cuttingSpeed"] = ["spindleSpeed", "programmedSpeed"],
        ["firstInfeed"] = ["firstInfeed"],
        ["rampAngle"] = ["rampAngle", "tilt"],
        ["tilt"] = ["tilt"],
        ["stockLeft"] = ["stockLeft"],
        ["surface"] = ["programmedHeight"],
        ["chipRoom"] = ["programmedDepth"],
        ["breakthrough"] = ["programmedDepth"],
        ["pitch"] = ["feedInUse"],
    };

    public static TheoryData<string> All => [.. Operations.All.Select(o => o.Description.Code)];

    [Theory]
    [MemberData(nameof(All))]
    public void Everything_that_is_chosen_of_the_way_is_set_at_the_machine_or_told_by_a_figure_that_is(string operation)
    {
        OperationDescription d = Operations.Find(operation)!.Description;
        Assert.Equal(d.AtMachine.Distinct(), d.AtMachine);
        Assert.All(d.Fields.Where(f => f.Role is FieldRole.Way or FieldRole.WayBySize), f => Assert.True(
            d.AtMachine.Contains(f.Code) || (ToldBy.TryGetValue(f.Code, out string[]? by) && by.Any(d.AtMachine.Contains)),
            $"{operation}: {f.Name} is on no paper."));
        Assert.All(d.AtMachine, code => Assert.True(
            d.Fields.Any(f => f.Code == code && f.Role != FieldRole.Judging) || Outputs.Shared.Any(o => o.Code == code), $"{operation}: {code}"));

        // Where the control keeps the surface speed, the speed at the tip would mislead.
        if (d.AtMachine.Contains("programmedSpeed")) Assert.DoesNotContain(d.AtMachine, c => c is "cuttingSpeed" or "spindleSpeed" or "feedRate");
    }
}
