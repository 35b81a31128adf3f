using CsCheck;
using Incisura.Core.Geometry;
using Incisura.Core.Turning;
using Incisura.Exchange.Dxf;

namespace Incisura.Exchange.Tests;

/// <summary>Outlines of turned work from drawings of one half of it.</summary>
public class DxfOutlineTests
{
    // A cylinder, a cone, a rounding and a shoulder, from the left.
    private static readonly StackSegment[] Drawn = [new(20, 48, 48), new(8, 48, 36, -20), new(10, 36, 30), new(12, 30, 30), new(15, 20, 20)];

    [Fact]
    public void Half_the_work_is_read_from_its_free_end()
    {
        DxfOutlineTaken taken = DxfOutline.Take(Read(Drawn), 0, freeEndLeft: false);
        Assert.Equal(
            [new(20, 15), new(30, 12), new(30, 10) { To = 36 }, new(36, 8) { To = 48, Arc = -20 }, new(48, 20)], taken.Steps.Select(Rounded));

        // From the other end the same work lies the other way about.
        Assert.Equal(
            [new(48, 20), new(48, 8) { To = 36, Arc = -20 }, new(36, 10) { To = 30 }, new(30, 12), new(20, 15)],
            DxfOutline.Take(Read(Drawn), 0, freeEndLeft: true).Steps.Select(Rounded));
    }

    [Fact]
    public void Inches_are_millimetres_and_what_is_drawn_wrong_is_said()
    {
        Assert.Equal(20 * 25.4, DxfOutline.Take(Read(Drawn), 25.4, freeEndLeft: false).Steps[0].Diameter, 3);
        DxfOutlineTaken none = DxfOutline.Take(new([], 1, new Dictionary<string, int>()), 0, freeEndLeft: false);
        Assert.Empty(none.Steps);
        Assert.Contains("no line or arc", none.Findings[^1], StringComparison.Ordinal);
    }

    [Fact]
    public void As_many_steps_are_read_as_an_outline_has() => Gen.Int[61, TurnedOutline.Most].Sample(
        count => DxfOutline.Take(
            Read([.. Enumerable.Range(0, count).Select(i => new StackSegment(1 + (0.01 * i), 100 + i, 100 + i))]), 0, freeEndLeft: true)
            .Steps.Count == count,
        iter: 5);

    private static DxfDrawing Read(StackSegment[] segments) =>
        DxfReader.Read(DxfWriter.Write(StackedProfile.Draw(segments, ProfilePart.Holder)));

    private static OutlineStep Rounded(OutlineStep s) => s with
    {
        Diameter = Math.Round(s.Diameter, 4),
        Length = Math.Round(s.Length, 4),
        To = s.To is { } to ? Math.Round(to, 4) : null,
        Arc = s.Arc is { } arc ? Math.Round(arc, 4) : null,
    };
}
