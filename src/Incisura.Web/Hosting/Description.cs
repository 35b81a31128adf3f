using Microsoft.OpenApi;

namespace Incisura.Web.Hosting;

/// <summary>The description of the API (OpenAPI), from which the client's types and the tests with odd requests are made.</summary>
public static class Description
{
    public static IServiceCollection AddDescription(this IServiceCollection services) => services.AddOpenApi("v1", o =>
    {
        o.AddDocumentTransformer((document, _, _) =>
        {
            Bounds.Tell(document);
            return Task.CompletedTask;
        });
        o.AddSchemaTransformer((schema, context, _) =>
        {
            KnownCodes.Tell(schema, context.JsonTypeInfo.Type);
            Bounds.Tell(schema, context.JsonTypeInfo);

            // Every member of a value type, and every one that is worked out, is always written; the generator does not see that by itself.
            if (schema.Properties is not { Count: > 0 } members) return Task.CompletedTask;
            if (context.JsonTypeInfo.Type.IsValueType) schema.Required = members.Keys.ToHashSet();
            foreach (var workedOut in context.JsonTypeInfo.Properties.Where(p => p.Set is null && p.Get is not null))
                if (members.TryGetValue(workedOut.Name, out var member))
                {
                    (schema.Required ??= new HashSet<string>()).Add(workedOut.Name);
                    if (member is OpenApiSchema own) own.Type &= ~JsonSchemaType.Null;
                }

            return Task.CompletedTask;
        });
    });
}
