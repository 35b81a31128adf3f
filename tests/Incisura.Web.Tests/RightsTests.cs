using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Authorization.Infrastructure;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Incisura.Web.Tests;

/// <summary>Who may ask what: written down in docs/rights.md as the endpoints declare it, and so for everybody who asks.</summary>
public sealed class RightsTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Head = """
        # Who may ask what

        Written from the endpoints themselves (`make golden` writes it anew), and asked of each by everybody in a test: an endpoint that is not here, or
        answers otherwise, fails it. R reader, E engineer, A approver, K administrator, who keeps people. Readers see library and shop as they stand, and of
        cutting data only what was published: no draft, no record, no coverage, no history.

        | | R | E | A | K | |
        |---|---|---|---|---|---|
        """;

    private static readonly (string Role, string Name)[] People =
        [("Reader", "jory"), ("Engineer", "maren"), ("Approver", "tobiah"), ("Administrator", "adwin")];

    // What does something for good to others, or ends the session that asks: what it declares is enough.
    private static readonly string[] NotAsked = ["DELETE /api/v1/session", "DELETE /api/v1/account/sessions", "POST /api/v1/editions/keys"];

    private sealed record Endpoint(string Method, string Path, string? Takes, bool Open, HashSet<string> Roles)
    {
        public bool Lets(string role) => Open || Roles.Count == 0 || Roles.Contains(role);
    }

    private async Task<List<Endpoint>> EndpointsAsync()
    {
        IAuthorizationPolicyProvider policies = workshop.Services.GetRequiredService<IAuthorizationPolicyProvider>();
        List<Endpoint> all = [];
        foreach (RouteEndpoint e in workshop.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>())
        {
            string path = e.RoutePattern.RawText!.TrimEnd('/');
            if (!path.StartsWith("/api/v1/", StringComparison.Ordinal)) continue;
            AuthorizationPolicy? policy = await AuthorizationPolicy.CombineAsync(
                policies, e.Metadata.GetOrderedMetadata<IAuthorizeData>(), e.Metadata.GetOrderedMetadata<AuthorizationPolicy>());
            HashSet<string>? roles = null;
            foreach (var needed in policy?.Requirements.OfType<RolesAuthorizationRequirement>() ?? [])
                roles = [.. roles is null ? needed.AllowedRoles : needed.AllowedRoles.Intersect(roles)];
            bool open = policy is null || e.Metadata.GetMetadata<IAllowAnonymous>() is not null;
            foreach (string method in e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [])
                all.Add(new(method, path, e.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes[0], open, roles ?? []));
        }

        return [.. all.OrderBy(e => e.Path, StringComparer.Ordinal).ThenBy(e => e.Method, StringComparer.Ordinal)];
    }

    private static string LineOf(Endpoint e)
    {
        string marks = string.Join(" | ", People.Select(p => e.Lets(p.Role) ? "×" : " "));
        return $"| {e.Method} `{e.Path["/api/v1".Length..]}` | {marks} | {(e.Open ? "also who is not signed in" : "")} |";
    }

    [Fact]
    public async Task What_each_endpoint_declares_is_written_down()
    {
        string file = Path.Combine(Repository.Root, "docs", "rights.md");
        string written = Head + "\n" + string.Join('\n', (await EndpointsAsync()).Select(LineOf)) + "\n";
        if (Environment.GetEnvironmentVariable("INCISURA_GOLDEN") == "write")
            await File.WriteAllTextAsync(file, written, TestContext.Current.CancellationToken);
        else Assert.Equal(await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken), written);
    }

    [Fact]
    public void Whatever_costs_more_than_a_look_is_taken_in_turns()
    {
        string[] dear = ["/api/v1/calculations", "/api/v1/comparisons", "/api/v1/library/labels", "/api/v1/library/cutters/duplicates"];
        RouteEndpoint[] all = [.. workshop.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()];
        RouteEndpoint[] taxing =
        [
            .. all.Where(e => e.RoutePattern.RawText is { } path && (dear.Any(d => path.StartsWith(d, StringComparison.Ordinal))
                || path.Contains("export.", StringComparison.Ordinal) || path.EndsWith("cards.pdf", StringComparison.Ordinal))),
        ];
        Assert.True(taxing.Length >= 12, $"only {taxing.Length}");
        Assert.All(taxing, e => Assert.Equal("turns", e.Metadata.GetMetadata<EnableRateLimitingAttribute>()?.PolicyName));
    }

    [Fact]
    public async Task Everybody_is_let_in_where_it_is_written_and_nowhere_else()
    {
        List<Endpoint> all = await EndpointsAsync();
        Assert.True(all.Count > 120, $"only {all.Count} endpoints were found");
        List<string> otherwise = [];
        foreach ((string role, string name) in People)
        {
            Caller who = await workshop.SignInAsync(name);
            foreach (Endpoint e in all.Where(e => !NotAsked.Any(n => $"{e.Method} {e.Path}".StartsWith(n, StringComparison.Ordinal))))
            {
                // Nothing there has this identity, so that nothing is done where it is let through.
                string path = Regex.Replace(e.Path["/api/v1".Length..], @"\{\w+:guid\}", Guid.Empty.ToString());
                path = Regex.Replace(path, @"\{[^}]*\}", "987654");
                Answer answer = await who.SendAsync(
                    new(e.Method), path, e.Takes is null ? null : new StringContent("{}", Encoding.UTF8, e.Takes));
                bool refused = answer.Status == HttpStatusCode.Forbidden;
                if (refused == e.Lets(role)) otherwise.Add($"{role}: {e.Method} {e.Path} answers {answer.Status}");
            }
        }

        Assert.True(otherwise.Count == 0, string.Join('\n', otherwise));
    }
}
