namespace Incisura.Web.Hosting;

/// <summary>The one page of the application, for every address that is no file and not the API's.</summary>
public static class Pages
{
    private static readonly PathString[] NoPages = ["/api", "/host", "/health"];

    /// <summary>Gives the page where nothing else has the address; not as a route, which would hide what a refused request lacks.</summary>
    public static IApplicationBuilder UsePages(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        HttpRequest request = context.Request;
        bool page = context.GetEndpoint() is null && (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
            && !NoPages.Any(p => request.Path.StartsWithSegments(p)) && !Path.HasExtension(request.Path);
        if (!page)
        {
            await next(context);
            return;
        }

        context.Response.ContentType = "text/html; charset=utf-8";
        context.Response.Headers.CacheControl = "no-cache";
        await context.Response.SendFileAsync(
            context.RequestServices.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider.GetFileInfo("index.html"),
            context.RequestAborted);
    });
}
