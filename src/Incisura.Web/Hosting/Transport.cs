using System.Net;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Identity;
using IPNetwork = System.Net.IPNetwork;

namespace Incisura.Web.Hosting;

/// <summary>How the server is reached.</summary>
public sealed class TransportOptions
{
    /// <summary>Where the settings stand.</summary>
    public const string Section = "Incisura:Transport";

    /// <summary>The address people reach it at, such as https://tools.example; codes on labels and cards hold it. Empty for as it was asked.</summary>
    public string PublicAddress { get; init; } = "";

    /// <summary>Addresses or networks (10.0.0.0/8) of proxies whose word on client and scheme is taken, parted by commas.</summary>
    public string Proxies { get; init; } = "";

    /// <summary>
    /// Whether it is reached without TLS, over a network nobody listens on: cookies then go over plain HTTP. The demo always is.
    /// </summary>
    public bool PlainHttp { get; init; }
}

/// <summary>TLS, cookies and proxies.</summary>
public static class Transport
{
    private static readonly TimeSpan Remembered = TimeSpan.FromDays(365);

    public static void AddTransport(this WebApplicationBuilder builder, bool demo)
    {
        TransportOptions o = OptionsOf(builder.Configuration);
        bool plain = IsPlain(builder.Configuration, demo);
        builder.Services.AddHsts(h => h.MaxAge = Remembered);
        builder.Services.Configure<CookieAuthenticationOptions>(IdentityConstants.ApplicationScheme, c =>
        {
            // Only ever sent over TLS, to this host alone, where the browser sees to it by the name.
            c.Cookie.Name = plain ? "incisura" : "__Host-incisura";
            c.Cookie.SecurePolicy = plain ? CookieSecurePolicy.SameAsRequest : CookieSecurePolicy.Always;
            c.Cookie.Path = "/";
        });
        builder.Services.Configure<ForwardedHeadersOptions>(f =>
        {
            f.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
            f.KnownProxies.Clear();
            f.KnownIPNetworks.Clear();
            foreach (string proxy in ProxiesOf(o))
                if (IPNetwork.TryParse(proxy, out IPNetwork network)) f.KnownIPNetworks.Add(network);
                else if (IPAddress.TryParse(proxy, out IPAddress? address)) f.KnownProxies.Add(address);
        });
    }

    /// <summary>Whether cookies may go over plain HTTP.</summary>
    public static bool IsPlain(IConfiguration configuration, bool demo) => demo || OptionsOf(configuration).PlainHttp;

    /// <summary>Refuses settings that cannot be.</summary>
    /// <exception cref="StartException">A proxy or an address is none.</exception>
    public static void Check(IConfiguration configuration)
    {
        TransportOptions o = OptionsOf(configuration);
        if (ProxiesOf(o).FirstOrDefault(p => !IPNetwork.TryParse(p, out _) && !IPAddress.TryParse(p, out _)) is { } wrong)
            throw new StartException($"Incisura__Transport__Proxies names {wrong}, which is no address and no network such as 10.0.0.0/8.");
        if (o.PublicAddress.Length > 0 && !(Uri.TryCreate(o.PublicAddress, UriKind.Absolute, out Uri? at) && at.Scheme is "http" or "https"))
            throw new StartException($"Incisura__Transport__PublicAddress is {o.PublicAddress}, which is no address; write https://tools.example.");
    }

    public static void UseTransport(this WebApplication app, bool demo)
    {
        if (OptionsOf(app.Configuration).Proxies.Length > 0) app.UseForwardedHeaders();
        if (!demo) app.UseHsts();
    }

    /// <summary>The address people reach the server at, without a slash at its end.</summary>
    public static string AddressOf(HttpRequest request)
    {
        string at = OptionsOf(request.HttpContext.RequestServices.GetRequiredService<IConfiguration>()).PublicAddress;
        return at.Length > 0 ? at.TrimEnd('/') : $"{request.Scheme}://{request.Host}";
    }

    private static string[] ProxiesOf(TransportOptions o) =>
        o.Proxies.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    private static TransportOptions OptionsOf(IConfiguration configuration) =>
        configuration.GetSection(TransportOptions.Section).Get<TransportOptions>() ?? new();
}
