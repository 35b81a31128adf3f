using Microsoft.AspNetCore.Hosting;

namespace Incisura.Web.Tests;

internal static class QuietHost
{
    /// <summary>Keeps a host's log out of what the tests say.</summary>
    public static void Quiet(this IWebHostBuilder builder)
    {
        foreach (string source in new[] { "Default", "Override:Microsoft", "Override:Microsoft.Hosting.Lifetime", "Override:System" })
            builder.UseSetting($"Serilog:MinimumLevel:{source}", "Fatal");
    }
}
