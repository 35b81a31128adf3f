using System.ComponentModel.DataAnnotations;
using Incisura.Exchange.Dxf;
using Incisura.Web.Hosting;
using Microsoft.AspNetCore.Mvc;

namespace Incisura.Web.Calculate;

/// <summary>A DXF drawing of turned work as text, one half of it about the axis.</summary>
/// <param name="Text">The file's text.</param>
/// <param name="MillimetresPerUnit">Unit of the drawing; 0 takes the file's own.</param>
/// <param name="FreeEndLeft">Whether the free end of the work lies on the left.</param>
public sealed record OutlineRequest([property: MaxLength(1_000_000)] string Text, double MillimetresPerUnit, bool FreeEndLeft);

/// <summary>Outlines of turned work from drawings.</summary>
public static class OutlineEndpoints
{
    private const long LargestDrawing = 4 * 1024 * 1024;

    public static void MapOutlines(this IEndpointRouteBuilder api) => api.MapPost(
        "/calculations/outline",
        (OutlineRequest request) => DxfOutline.Take(DxfReader.Read(request.Text), request.MillimetresPerUnit, request.FreeEndLeft))
        .WithTags("calculate").Calculates().RequireAuthorization(Access.Engineers).WithMetadata(new RequestSizeLimitAttribute(LargestDrawing));
}
