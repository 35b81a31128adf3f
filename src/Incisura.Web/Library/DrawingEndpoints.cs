using System.ComponentModel.DataAnnotations;
using System.Text;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Library;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Svg;
using Incisura.Web.Hosting;

namespace Incisura.Web.Library;

/// <summary>A DXF drawing as text, and how a profile is to be taken from it.</summary>
/// <param name="Text">The file's text.</param>
/// <param name="MillimetresPerUnit">Unit of the drawing; 0 takes the file's own.</param>
/// <param name="Upright">Whether the axis stands upright.</param>
/// <param name="LeftOut">Chains to leave out.</param>
/// <param name="CuttingUntil">Length from the tip that cuts, mm; 0 for a holder.</param>
public sealed record ProfileRequest(
    [property: MaxLength(1_000_000)] string Text, double MillimetresPerUnit, bool Upright, IReadOnlyList<int> LeftOut, double CuttingUntil);

/// <summary>Drawings out as SVG and DXF, and profiles in from DXF.</summary>
public static class DrawingEndpoints
{
    private const long LargestDrawing = 4 * 1024 * 1024;

    public static void MapDrawings(this IEndpointRouteBuilder library)
    {
        library.MapPost(
            "/profiles/read",
            (ProfileRequest request) =>
                DxfProfile.Take(
                    DxfReader.Read(request.Text), new(request.MillimetresPerUnit, request.Upright, request.LeftOut), request.CuttingUntil))
            .WithTags("profiles")
            .Calculates()
            .RequireAuthorization(Access.Engineers)
            .WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(LargestDrawing));

        library.MapGet("/cutters/{id:int}/drawing.{format}", async (int id, string format, IncisuraDb db, Shelf shelf) =>
        {
            Cutter c = ((await shelf.ViewAsync(db)).Cutters.GetValueOrDefault(id) ?? throw StoredEndpoints.Missing("cutter", id)).Definition;
            Profile profile = c.Profile();
            return Send(profile, $"{c.Number}, {CutterListing.WordsOf(c)}", c.Number, format, [
                .. c.Described.Dimensions.Where(
                    d => d.Dimension.Quantity == Core.Quantities.Quantity.Length && Along.Contains(d.Dimension.Symbol) && c[d.Dimension] > 0)
                    .Select(d => new SvgDimension(FormattableString.Invariant($"{d.Dimension.Symbol} {c[d.Dimension]:0.###}"), c[d.Dimension]))
                    .OrderBy(d => d.Until),
            ]);
        }).WithTags("cutters").Produces<byte[]>();

        library.MapGet("/holders/{id:int}/drawing.{format}", async (int id, string format, IncisuraDb db, Shelf shelf) =>
        {
            Holder h = ((await shelf.ViewAsync(db)).Holders.GetValueOrDefault(id) ?? throw StoredEndpoints.Missing("holder", id)).Definition;
            return Send(
                h.Profile(), $"{h.Number}, {h.Kind}", h.Number, format, [new(FormattableString.Invariant($"{h.GaugeLength:0.###}"), h.GaugeLength)]);
        }).WithTags("holders").Produces<byte[]>();

        library.MapGet("/assemblies/{id:int}/drawing.{format}", async (int id, string format, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            BuiltAssembly built = view.Build((view.Assemblies.GetValueOrDefault(id) ?? throw StoredEndpoints.Missing("assembly", id)).Definition)!;
            return Send(built.Profile(), $"{built.Definition.Number}, "
                + $"{CutterListing.WordsOf(built.Cutter)} in {built.Holder.Number}", built.Definition.Number, format,
                [
                    new(FormattableString.Invariant($"out {built.ToolLength:0.###}"), built.ToolLength),
                    new(FormattableString.Invariant($"to the gauge line {built.GaugeLength:0.###}"), built.GaugeLength),
                ]);
        }).WithTags("assemblies").Produces<byte[]>();
    }

    private static readonly HashSet<string> Along = ["APMX", "LCF", "LU", "OAL", "CW", "SDL", "LPIL", "LH", "CDX"];

    private static Microsoft.AspNetCore.Http.HttpResults.FileContentHttpResult Send(
        Profile profile, string title, string name, string format, IReadOnlyList<SvgDimension> dimensions) => format switch
        {
            "svg" => TypedResults.File(Encoding.UTF8.GetBytes(SvgDrawing.Write(profile, title, dimensions)), "image/svg+xml", name + ".svg"),
            "dxf" => TypedResults.File(Encoding.ASCII.GetBytes(DxfWriter.Write(profile)), "application/dxf", name + ".dxf"),
            _ => throw new MissingException($"There is no drawing as {format}; choose svg or dxf."),
        };
}
