using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Quantities;
using Incisura.Web.Hosting;

namespace Incisura.Web.Calculate;

/// <summary>A situation and what was chosen in it.</summary>
/// <param name="MaterialId">Identity of the work material.</param>
/// <param name="AssemblyId">Identity of the assembly.</param>
/// <param name="MachineId">Identity of the machine.</param>
/// <param name="Numbers">Typed values by field code, base units; a field left out is proposed.</param>
/// <param name="Options">Picked options by code.</param>
public sealed record CalculationRequest(int MaterialId, int AssemblyId, int MachineId, Dictionary<string, double>? Numbers, Dictionary<string, string>? Options)
{
    [JsonIgnore]
    public Choices Choices => new(Numbers ?? [], Options ?? []);
}

/// <summary>Operations, units, and calculations that nobody has to save.</summary>
public static class CalculateEndpoints
{
    public static void MapCalculate(this IEndpointRouteBuilder api)
    {
        api.MapGet("/operations", () => Operations.All.Select(o => o.Description)).WithTags("calculate");
        // The page asks for the units while it asks who is signed in; they are no secret.
        api.MapGet("/quantities", () => Units.All).WithTags("calculate").AllowAnonymous();
        api.MapPost("/calculations/{operation}", async (string operation, CalculationRequest request, bool? explain, IncisuraDb db, Shelf shelf) =>
        {
            IOperation found = OperationOf(operation);
            return found.Calculate(SituationOf(request, await shelf.ViewAsync(db)), request.Choices, explain ?? false);
        }).WithTags("calculate").RequireAuthorization(Access.Engineers);
        api.MapPost("/calculations/{operation}/window", async (string operation, CalculationRequest request, IncisuraDb db, Shelf shelf) =>
            OperationOf(operation).Window(SituationOf(request, await shelf.ViewAsync(db)), request.Choices)).WithTags("calculate").RequireAuthorization(Access.Engineers);
    }

    /// <summary>The operation of a code.</summary>
    /// <exception cref="MissingException">There is none.</exception>
    public static IOperation OperationOf(string code) =>
        Operations.Find(code) ?? throw new MissingException($"There is no operation “{code}”; choose one of {string.Join(", ", Operations.All.Select(o => o.Description.Code))}.");

    /// <summary>The situation a request names.</summary>
    /// <exception cref="InputException">One of its parts does not exist.</exception>
    public static Situation SituationOf(CalculationRequest request, ShelfView view)
    {
        new InputCheck()
            .Holds(view.Materials.ContainsKey(request.MaterialId), "materialId", request.MaterialId, "The work material does not exist; choose one.")
            .Holds(view.Assemblies.ContainsKey(request.AssemblyId), "assemblyId", request.AssemblyId, "The assembly does not exist; choose one.")
            .Holds(view.Machines.ContainsKey(request.MachineId), "machineId", request.MachineId, "The machine does not exist; choose one.")
            .Holds(view.Charts.Count > 0, "chart", double.NaN, "The shop has no speed chart; add one in Shop.")
            .ThrowIfAny();
        return view.SituationOf(request.MaterialId, request.AssemblyId, request.MachineId)!;
    }
}
