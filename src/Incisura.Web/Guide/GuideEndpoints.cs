using Incisura.Web.Hosting;

namespace Incisura.Web.Guide;

/// <summary>Help in place: the guide, and what every field, figure and limit means.</summary>
public static class GuideEndpoints
{
    public static void MapGuide(this IEndpointRouteBuilder api)
    {
        RouteGroupBuilder guide = api.MapGroup("/guide").WithTags("guide");
        guide.MapGet("/", (GuideBook book) => book.Pages.Select(p => new GuideTitle(p.Slug, p.Title)));
        guide.MapGet("/{slug}", (string slug, GuideBook book) => book.Pages.FirstOrDefault(p => p.Slug == slug)
            ?? throw new MissingException($"The guide has no page {slug}; choose one from its list."));
        guide.MapGet("/pictures/{name}", (string name, GuideBook book) => TypedResults.PhysicalFile(
            book.PictureOf(name) ?? throw new MissingException($"The guide has no picture {name}."), "image/png")).Produces<byte[]>();
        RouteGroupBuilder meanings = api.MapGroup("/meanings").WithTags("guide");
        meanings.MapGet("/kinds/{kind}", Meanings.OfKind);
        meanings.MapGet("/operations/{operation}", (string operation) => Meanings.OfOperation(operation));
    }
}
