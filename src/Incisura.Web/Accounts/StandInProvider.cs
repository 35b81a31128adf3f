using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Text;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.IdentityModel.JsonWebTokens;
using Microsoft.IdentityModel.Tokens;

namespace Incisura.Web.Accounts;

/// <summary>
/// Stands in for a workshop's provider of identity (OpenID Connect, code flow with PKCE) on this machine alone. It believes whoever says who
/// they are, so it is for the demo and for tests.
/// </summary>
public sealed class StandInProvider : IHostedService, IAsyncDisposable
{
    private static readonly string[] Code = ["code"], Algorithms = [SecurityAlgorithms.RsaSha256];

    private readonly RSA key = RSA.Create(2048);
    private readonly ConcurrentDictionary<string, Grant> grants = new();
    private WebApplication? app;

    public StandInProvider()
    {
        using Socket probe = new(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp);
        probe.Bind(new IPEndPoint(IPAddress.Loopback, 0));
        Address = $"http://127.0.0.1:{((IPEndPoint)probe.LocalEndPoint!).Port}";
    }

    private sealed record Grant(string Name, string Subject, string Factor, string Client, string Back, string Nonce, string Challenge);

    /// <summary>Where it is.</summary>
    public string Address { get; }

    public Task StartAsync(CancellationToken cancellationToken)
    {
        WebApplicationBuilder builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls(Address);
        app = builder.Build();
        app.MapGet("/.well-known/openid-configuration", () => new
        {
            issuer = Address,
            authorization_endpoint = Address + "/authorize",
            token_endpoint = Address + "/token",
            jwks_uri = Address + "/keys",
            response_types_supported = Code,
            id_token_signing_alg_values_supported = Algorithms,
        });
        app.MapGet("/keys", () =>
        {
            RSAParameters half = key.ExportParameters(includePrivateParameters: false);
            return new { keys = new[] { new { kty = "RSA", use = "sig", kid = "stand-in", n = Coded(half.Modulus!), e = Coded(half.Exponent!) } } };
        });
        app.MapGet("/authorize", Authorize);
        app.MapPost("/token", TokenAsync);
        return app.StartAsync(cancellationToken);
    }

    public Task StopAsync(CancellationToken cancellationToken) => app?.StopAsync(cancellationToken) ?? Task.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        if (app is not null) await app.DisposeAsync();
        key.Dispose();
    }

    // Asks who comes, and sends them back as that one: `as` is the name, `sub` what never changes of them, `amr` how they proved it.
    private IResult Authorize(HttpRequest request)
    {
        IQueryCollection q = request.Query;
        if (q["as"].ToString() is not { Length: > 0 } name)
        {
            IEnumerable<string> people = DemoPeople.All.Select(p =>
                $"<p><a href=\"{HtmlEncoder.Default.Encode(QueryHelpers.AddQueryString(request.QueryString.Value!, "as", p.Name))}\">{p.FullName}</a></p>");
            return Results.Content($"<!doctype html><title>Who are you?</title><h1>Who are you?</h1>{string.Concat(people)}", "text/html");
        }

        string code = Coded(RandomNumberGenerator.GetBytes(24));
        string subject = q["sub"].ToString() is { Length: > 0 } given ? given : "of-" + name;
        grants[code] = new(name, subject, q["amr"].ToString(), q["client_id"].ToString(), q["redirect_uri"].ToString(), q["nonce"].ToString(),
            q["code_challenge"].ToString());
        return Results.Redirect(
            QueryHelpers.AddQueryString(q["redirect_uri"].ToString(), new Dictionary<string, string?> { ["code"] = code, ["state"] = q["state"] }));
    }

    // A code is good once, for who asked and knows what the challenge was made from.
    private async Task<IResult> TokenAsync(HttpRequest request)
    {
        IFormCollection form = await request.ReadFormAsync();
        if (!grants.TryRemove(form["code"].ToString(), out Grant? grant) || grant.Client != form["client_id"] || grant.Back != form["redirect_uri"]
            || grant.Challenge != Coded(SHA256.HashData(Encoding.ASCII.GetBytes(form["code_verifier"].ToString()))))
            return Results.BadRequest(new { error = "invalid_grant" });
        Dictionary<string, object> claims = new()
        {
            ["sub"] = grant.Subject,
            ["preferred_username"] = grant.Name,
            ["nonce"] = grant.Nonce,
        };
        if (grant.Factor.Length > 0) claims["amr"] = grant.Factor.Split(' ');
        string token = new JsonWebTokenHandler().CreateToken(new SecurityTokenDescriptor
        {
            Issuer = Address,
            Audience = grant.Client,
            Claims = claims,
            SigningCredentials = new(new RsaSecurityKey(key) { KeyId = "stand-in" }, SecurityAlgorithms.RsaSha256),
        });
        return Results.Json(new { id_token = token, access_token = "none", token_type = "Bearer", expires_in = 300 });
    }

    private static string Coded(byte[] bytes) => Base64UrlEncoder.Encode(bytes);
}
