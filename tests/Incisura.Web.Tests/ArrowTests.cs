using System.Reflection;
using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Cutters;
using Incisura.Data;

namespace Incisura.Web.Tests;

public class ArrowTests
{
    private static IEnumerable<string> Own(Assembly assembly) => assembly.GetReferencedAssemblies().Select(a => a.Name!).Where(n => n.StartsWith("Incisura.", StringComparison.Ordinal));

    [Fact]
    public void All_arrows_between_the_projects_point_down()
    {
        Assert.Empty(Own(typeof(Cutter).Assembly));
        Assert.Equal(["Incisura.Core"], Own(typeof(IncisuraDb).Assembly));
        Assert.Equal(["Incisura.Core"], Own(typeof(Exchange.Dxf.DxfReader).Assembly));
    }

    [Fact]
    public void The_core_knows_neither_files_nor_the_web_nor_the_clock()
    {
        string[] names = [.. typeof(Cutter).Assembly.GetReferencedAssemblies().Select(a => a.Name!)];
        Assert.DoesNotContain(names, n => n.Contains("AspNetCore", StringComparison.Ordinal) || n.Contains("EntityFramework", StringComparison.Ordinal) || n.Contains("FileSystem", StringComparison.Ordinal) || n.Contains("Net.Http", StringComparison.Ordinal));
    }

    [Fact]
    public void Cutters_written_before_families_were_described_are_read_as_what_they_mean()
    {
        const string then = """{"number":"C-1","family":"squareEndMill","material":"carbide","coating":"AlTiN","cuttingDiameter":12,"teeth":4,"largestDepth":25,"fluteLength":26,"usableLength":26,"neckDiameter":0,"shankDiameter":12,"overallLength":83,"helixAngle":38,"leastChip":0.004,"largestChip":0.09,"largestWidthRatio":1,"largestSpeed":0,"groups":["P"],"remarks":""}""";
        Cutter read = DefinitionFormat.Read<Cutter>(then);
        Assert.Empty(read.Check().Faults);
        Assert.Equal((12d, 4, 26d, 0.09), (read.CuttingDiameter, read.Teeth, read.FluteLength, read[Dimension.LargestChip]));
        Assert.Equal(DefinitionFormat.Write(read), DefinitionFormat.Write(DefinitionFormat.Read<Cutter>(DefinitionFormat.Write(read))));
        Revised<Cutter> nested = DefinitionFormat.Read<Revised<Cutter>>($$"""{"id":3,"number":2,"value":{{then}}}""");
        Assert.Equal(83, nested.Value.OverallLength);
    }
}
