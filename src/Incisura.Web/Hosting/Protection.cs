namespace Incisura.Web.Hosting;

/// <summary>Headers that keep pages to their own scripts, and a door that takes writes from our own pages only.</summary>
public static class Protection
{
    private const string ContentPolicy =
        "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; object-src 'none'; frame-ancestors "
            + "'none'; base-uri 'self'; form-action 'self'";

    // The camera reads the codes of labels; nothing else of the device is asked for.
    private const string Permissions = "camera=(self), geolocation=(), microphone=(), payment=(), usb=()";

    public static IApplicationBuilder UseProtection(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        // As the answer leaves, so that one that reports an error has them too.
        context.Response.OnStarting(() =>
        {
            IHeaderDictionary headers = context.Response.Headers;
            headers.ContentSecurityPolicy = ContentPolicy;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "same-origin";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            headers["Permissions-Policy"] = Permissions;
            if (context.Request.Path.StartsWithSegments("/api") && headers.CacheControl.Count == 0) headers.CacheControl = "no-store";
            return Task.CompletedTask;
        });
        if (!IsSafe(context.Request) && IsForeign(context.Request))
        {
            await Results.Problem("This write came from another site and was refused.", statusCode: 403, title: "Refused").ExecuteAsync(context);
            return;
        }

        await next(context);
    });

    private static bool IsSafe(HttpRequest request) =>
        HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method);

    // Browsers always say where a write comes from; programs with no browser send neither header and carry no cookie by accident.
    private static bool IsForeign(HttpRequest request)
    {
        string site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0) return site is not ("same-origin" or "none");
        string origin = request.Headers.Origin.ToString();
        return origin.Length > 0 && !(Uri.TryCreate(origin, UriKind.Absolute, out Uri? from) && from.Authority == request.Host.Value);
    }
}
