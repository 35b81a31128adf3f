using System.Globalization;

namespace Incisura.Web.Hosting;

/// <summary>Revisions as entity tags: "3" is revision 3.</summary>
public static class Tags
{
    public static void Send(HttpContext context, int revision) =>
        context.Response.Headers.ETag = $"\"{revision.ToString(CultureInfo.InvariantCulture)}\"";

    /// <summary>The revision a write was made from.</summary>
    /// <exception cref="BadHttpRequestException">The header is missing or no revision of ours (428).</exception>
    public static int Required(HttpContext context)
    {
        string tag = context.Request.Headers.IfMatch.ToString();
        return int.TryParse(tag.Trim('"'), NumberStyles.None, CultureInfo.InvariantCulture, out int revision)
            ? revision
            : throw new BadHttpRequestException(
                "A write must name the revision it was made from, as If-Match: \"3\".", StatusCodes.Status428PreconditionRequired);
    }

}
