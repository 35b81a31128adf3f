using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;

namespace Incisura.Core.Tests.Calculation;

public sealed class FieldRoleTests
{
    [Fact]
    public void Every_field_of_a_size_of_the_part_or_the_cutter_has_its_role()
    {
        FieldDescription[] all = [.. Operations.All.SelectMany(o => o.Description.Fields).DistinctBy(f => f.Code)];
        Assert.All(
            all.Where(f => f.Group is "Before" or "Pilot" && f.Quantity == Core.Quantities.Quantity.Length && f.Code != "pilotClearance"),
            f => Assert.Equal(FieldRole.Part, f.Role));
        Assert.All(
            all.Where(f => f.Quantity is Core.Quantities.Quantity.CuttingSpeed or Core.Quantities.Quantity.Ratio && f.Code != "starts"),
            f => Assert.True(f.Role is FieldRole.Way or FieldRole.Judging));
        foreach (FieldRole role in Enum.GetValues<FieldRole>()) Assert.Contains(all, f => f.Role == role);
    }
}
