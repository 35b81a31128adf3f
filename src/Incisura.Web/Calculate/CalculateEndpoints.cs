using System.Text.Json.Serialization;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Milling;
using Incisura.Core.Quantities;
using Incisura.Web.Hosting;

namespace Incisura.Web.Calculate;

/// <summary>A situation and what was chosen in it.</summary>
/// <param name="MaterialId">Identity of the work material.</param>
/// <param name="AssemblyId">Identity of the assembly.</param>
/// <param name="MachineId">Identity of the machine.</param>
/// <param name="Numbers">Typed values by field code, base units; a field left out is proposed.</param>
/// <param name="Options">Picked options by code.</param>
/// <param name="Leftover">What was taken over from the record of a step before.</param>
/// <param name="Method">The method that was applied, in words.</param>
[JsonUnmappedMemberHandling(JsonUnmappedMemberHandling.Disallow)]
public record CalculationRequest(
    int MaterialId, int AssemblyId, int MachineId, Dictionary<string, double>? Numbers =
        null, Dictionary<string, string>? Options = null, TakenLeftover? Leftover = null, string? Method = null)
{
    /// <summary>What it has beyond numbers and picks, such as holes that cross the bore.</summary>
    public IReadOnlyList<Extra>? Extras { get; init; }

    [JsonIgnore]
    public Choices Choices => new(Numbers ?? [], Options ?? [])
    {
        Method = Method ?? "",
        Extras = Extras ?? [],
    };
}

/// <summary>Which revision of a record a step before is taken from; what it left stands there.</summary>
public sealed record TakenLeftover(string Record, int Revision);

/// <summary>Operations, units, and calculations that nobody has to save.</summary>
public static class CalculateEndpoints
{
    public static void MapCalculate(this IEndpointRouteBuilder api)
    {
        api.MapGet("/operations", () => Operations.All.Select(o => o.Description)).WithTags("calculate");
        // The page asks for the units while it asks who is signed in; they are no secret.
        api.MapGet("/quantities", () => Units.All).WithTags("calculate").AllowAnonymous();
        RouteGroupBuilder calculations = api.MapGroup("/calculations").WithTags("calculate").RequireAuthorization(Access.Engineers);
        calculations.Calculates();
        calculations.MapPost("/{operation}", async (
            string operation, CalculationRequest request, bool? explain, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            (IOperation of, Situation situation, Choices choices) =
                (OperationOf(operation), SituationOf(request, await shelf.ViewAsync(db)), await ChoicesOf(request, db, shelf));
            return Telemetry.Calculated(of.Description.Code, () => of.Calculate(situation, choices, explain ?? false, cancel));
        });
        calculations.MapPost("/{operation}/window", async (
            string operation, string across, string up, int? size, CalculationRequest request, IncisuraDb db, Shelf shelf,
            CancellationToken cancel) =>
            OperationOf(operation)
                .Window(SituationOf(request, await shelf.ViewAsync(db)), await ChoicesOf(request, db, shelf), new(across, up, size ?? 256), cancel));
        calculations.MapPost("/{operation}/best", async (
            string operation, string? aim, CalculationRequest request, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
            OperationOf(operation)
                .Best(
                    SituationOf(request, await shelf.ViewAsync(db)), await ChoicesOf(request, db, shelf),
                    Wire.Optional<BestAim>(aim, "aim") ?? BestAim.Removal, cancel));
        calculations.MapPost("/{operation}/revolution", async (
            string operation, CalculationRequest request, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
            OperationOf(operation) is ILoadOverTurn turning
                ? turning.Revolution(SituationOf(request, await shelf.ViewAsync(db)), await ChoicesOf(request, db, shelf), cancel)
                : throw new MissingException("The load of this operation does not change within a turn; look at its figures."));
        calculations.MapThreadWays();
        calculations.MapPost("/{operation}/methods/{id:int}", async (
            string operation, int id, CalculationRequest request, IncisuraDb db, Shelf shelf) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            StoredMethod method = view.Methods.GetValueOrDefault(id)
                ?? throw new MissingException($"There is no method with the identity {id}; choose one from the list.");
            return method.Definition.Apply(OperationOf(operation), SituationOf(request, view), method.Revision);
        });
    }

    /// <summary>What a request chose, with what the record it goes on from left, and what has changed there since.</summary>
    /// <exception cref="InputException">That revision does not exist, or leaves nothing.</exception>
    public static async Task<Choices> ChoicesOf(CalculationRequest request, IncisuraDb db, Shelf shelf)
    {
        ShelfView view = await shelf.ViewAsync(db);
        Choices choices = view.WithThreads(request.Choices);
        new InputCheck()
            .Holds(
                choices.Extras.OfType<ThreadToCut>().All(t => t.OwnId == 0 || t.Own is not null), "threadToCut", double.NaN,
                "The shop has no such thread any more; choose another.")
            .ThrowIfAny();
        return request.Leftover is { } taken ? choices with { Leftover = await LeftoverEndpoints.OfAsync(taken, request.MaterialId, db) } : choices;
    }

    /// <summary>The operation of a code.</summary>
    /// <exception cref="MissingException">There is none.</exception>
    public static IOperation OperationOf(string code) =>
        Operations.Find(code)
            ?? throw new MissingException(
                $"There is no operation “{code}”; choose one of {string.Join(", ", Operations.All.Select(o => o.Description.Code))}.");

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
