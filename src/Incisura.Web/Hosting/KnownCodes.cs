using System.Reflection;
using System.Text.Json.Nodes;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Microsoft.OpenApi;

namespace Incisura.Web.Hosting;

/// <summary>
/// The codes the engine knows, in the description of the API: a page that asks for a figure, a field, a limit or a picture there is not does not
/// compile.
/// </summary>
public static class KnownCodes
{
    private static readonly Dictionary<(Type Of, string Member), Lazy<string[]>> Codes = new()
    {
        [(typeof(Figure), "code")] = Sorted(() => Outputs.Shared.Concat(Operations.All.SelectMany(o => o.Description.Own)).Select(w => w.Code)),
        [(typeof(FieldDescription), "code")] = Sorted(FieldsOf),
        [(typeof(FieldState), "code")] = Sorted(FieldsOf),
        [(typeof(OptionDescription), "code")] = Sorted(() => Operations.All.SelectMany(o => o.Description.Options).Select(c => c.Code)),
        [(typeof(OperationDescription), "picture")] = Sorted(() => Operations.All.Select(o => o.Description.Picture)),
        [(typeof(JudgedLimit), "kind")] = Sorted(LimitsOf),
    };

    /// <summary>Names the codes a member can have, where they are known.</summary>
    public static void Tell(OpenApiSchema schema, Type type)
    {
        if (schema.Properties is not { } members) return;
        foreach (((Type of, string member), Lazy<string[]> codes) in Codes)
            if (of == type && members.TryGetValue(member, out IOpenApiSchema? found) && found is OpenApiSchema one)
                one.Enum = [.. codes.Value.Select(c => (JsonNode)JsonValue.Create(c))];
    }

    private static Lazy<string[]> Sorted(Func<IEnumerable<string>> codes) => new(() => [.. codes().Distinct().Order(StringComparer.Ordinal)]);

    private static IEnumerable<string> FieldsOf() => Operations.All.SelectMany(o => o.Description.Fields).Select(f => f.Code);

    private static IEnumerable<string> LimitsOf() => typeof(LimitDefinition).Assembly.GetTypes()
        .Where(t => !t.ContainsGenericParameters)
        .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic))
        .Where(f => f.FieldType == typeof(LimitDefinition))
        .Select(f => ((LimitDefinition)f.GetValue(null)!).Code);
}
