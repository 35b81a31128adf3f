using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Data;

namespace Incisura.Web.Tests;

public class StoredFormTests
{
    [Fact]
    public void Cutters_written_before_families_were_described_are_read_as_what_they_mean()
    {
        const string then =
            """
            {"number":"C-1","family":"squareEndMill","material":"carbide","coating":"AlTiN","cuttingDiameter":12,"teeth":4,
            "largestDepth":25,"fluteLength":26,
            "usableLength":26,"neckDiameter":0,"shankDiameter":12,"overallLength":83,"helixAngle":38,"leastChip":0.004,"largestChip":0.09,
            "largestWidthRatio":1,"largestSpeed":0,"groups":["P"],"remarks":""}
            """;
        Cutter read = DefinitionFormat.Read<Cutter>(then);
        Assert.Empty(read.Check().Faults);
        Assert.Equal((12d, 4, 26d, 0.09), (read.CuttingDiameter, read.Teeth, read.FluteLength, read[Dimension.LargestChip]));
        Assert.Equal(DefinitionFormat.Write(read), DefinitionFormat.Write(DefinitionFormat.Read<Cutter>(DefinitionFormat.Write(read))));
        Revised<Cutter> nested = DefinitionFormat.Read<Revised<Cutter>>($$"""{"id":3,"number":2,"value":{{then}}}""");
        Assert.Equal(83, nested.Value.OverallLength);
    }
}
