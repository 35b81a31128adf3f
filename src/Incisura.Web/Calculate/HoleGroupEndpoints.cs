using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.HoleGroups;
using Incisura.Exchange.Positions;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Microsoft.AspNetCore.Mvc;

namespace Incisura.Web.Calculate;

/// <summary>An assembly a step could be done with.</summary>
public sealed record StepTool(int AssemblyId, string Assembly, string Cutter, string Family, double Diameter);

/// <summary>One step of a chain as people see it.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="OperationName">Its name.</param>
/// <param name="Tool">What it is done with; null where nothing serves.</param>
/// <param name="Others">What else could do it.</param>
/// <param name="Takes">What it takes over from the steps before; null where it starts in the solid.</param>
/// <param name="Reason">Why this one, or what is missing.</param>
/// <param name="Numbers">Values chosen for it.</param>
/// <param name="Options">Picks for it.</param>
/// <param name="Extras">What it has beyond numbers and picks, such as the thread it mills.</param>
/// <param name="Result">What it comes to; null where nothing serves.</param>
/// <param name="Time">Time for one hole, min.</param>
public sealed record StepView(
    string Operation,
    string OperationName,
    StepTool? Tool,
    IReadOnlyList<StepTool> Others,
    Sentence? Takes,
    Sentence Reason,
    IReadOnlyDictionary<string, double> Numbers,
    IReadOnlyDictionary<string, string> Options,
    IReadOnlyList<Extra> Extras,
    CalculationResult? Result,
    double Time);

/// <summary>A group worked out, as people see it.</summary>
public sealed record GroupView(
    IReadOnlyList<StepView> Steps,
    ChainVerdict Verdict,
    IReadOnlyList<Sentence> Why,
    IReadOnlyList<Sentence> Notes,
    Sentence? Otherwise,
    IReadOnlyList<FallenPick> Fallen,
    IReadOnlyList<Position> Positions,
    IReadOnlyList<int> Order,
    double Travel,
    double TravelAsGiven,
    double Shortest,
    bool OrderKept,
    TouchingHoles? Touching,
    double Making,
    double Travelling,
    double Changing,
    double ChangeTime,
    double Time);

/// <summary>Groups of alike holes: chain, pattern, order and time.</summary>
public static class HoleGroupEndpoints
{
    private const int LargestFile = 8 * 1024 * 1024;

    public static StoredKind<StoredHoleGroup, HoleGroup> Groups { get; } = new(
        "hole group", g => g.Name, Check, (_, _, _) => Looks.None, () => new() { Definition = null! });

    public static void MapHoleGroups(this IEndpointRouteBuilder api)
    {
        // What is worked out there is nobody's to run before it was approved: readers do not see it.
        IEndpointRouteBuilder engineers = api.MapGroup("").RequireAuthorization(Access.Engineers);
        engineers.MapStored("/hole-groups", Groups);
        engineers.MapAll("/hole-groups", Groups, view => view.HoleGroups);
        RouteGroupBuilder group = api.MapGroup("/hole-groups").WithTags("hole-groups").RequireAuthorization(Access.Engineers);

        group.MapPost("/solve", async (HoleGroup definition, int? kept, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            definition = AsItStands(definition, view);
            Check(definition, view, 0).ThrowIfAny();
            GroupResult result = definition.Solve(ShelfOf(definition, view), view.Machines[definition.MachineId].Definition, cancel);

            // Against the group as it is kept: a drawing that changes can change how the hole is drilled, unseen.
            HoleGroup? before = kept is { } id && view.HoleGroups.GetValueOrDefault(id)?.Definition is { } stored ? AsItStands(stored, view) : null;
            HoleChain? then = before is null || Check(before, view, 0).Faults.Count > 0
                ? null
                : HoleChain.Propose(before.Target, ShelfOf(before, view), before.Picked, others: false, cancel);
            return ViewOf(result, then is null ? null : result.Chain.DrilledOtherwise(then));
        }).Calculates();

        group.MapPost("/positions", async (HttpContext context) =>
        {
            using MemoryStream content = new();
            await context.Request.Body.CopyToAsync(content, context.RequestAborted);
            return PositionFile.Read(content.ToArray());
        }).WithMetadata(new RequestSizeLimitAttribute(LargestFile)).Accepts<byte[]>("application/octet-stream");
    }

    private static HoleGroup AsItStands(HoleGroup group, ShelfView view) => group.Target.Thread is { } thread
        ? group with { Target = group.Target with { Thread = view.AsItStands(thread) } }
        : group;

    private static InputCheck Check(HoleGroup group, ShelfView view, int id) => AsItStands(group, view).Check()
        .Holds(view.Materials.ContainsKey(group.MaterialId), "materialId", group.MaterialId, "The work material does not exist; choose one.")
        .Holds(view.Machines.ContainsKey(group.MachineId), "machineId", group.MachineId, "The machine does not exist; choose one.")
        .Holds(view.Charts.Count > 0, "chart", double.NaN, "The shop has no speed chart; add one in Shop.");

    // Every assembly in use, judged by what it is to do.
    private static ToolShelf ShelfOf(HoleGroup group, ShelfView view) => ToolShelf.Of(view.Assemblies.Values
        .Where(a => !a.Definition.Retired && !view.Cutters[a.Definition.CutterId].Definition.Retired)
        .Select(a => view.SituationOf(group.MaterialId, a.Id, group.MachineId)!));

    private static GroupView ViewOf(GroupResult r, Sentence? otherwise) => new(
        [.. r.Chain.Steps.Select(StepOf)],
        r.Chain.Verdict,
        r.Chain.Why,
        r.Chain.Notes,
        otherwise,
        r.Chain.Fallen,
        r.Positions,
        r.Route.Order,
        r.Route.Travel,
        r.Route.AsGiven,
        r.Shortest,
        r.Route.Kept,
        r.Touching,
        r.Making,
        r.Travelling,
        r.Changing,
        r.ChangeTime,
        r.Time);

    private static StepView StepOf(ChainStep s) => new(
        s.Operation,
        Operations.Find(s.Operation)!.Description.Name,
        s.Situation is { } situation ? ToolOf(situation) : null,
        [.. s.Others.Select(ToolOf)],
        s.Takes,
        s.Reason,
        s.Choices.Numbers,
        s.Choices.Options,
        s.Choices.Extras,
        s.Result,
        s.Time);

    private static StepTool ToolOf(Situation s) =>
        new(s.Assembly.Id, s.Assembly.Value.Number, s.Cutter.Value.Number, s.Cutter.Value.Described.Name, s.Cutter.Value.CuttingDiameter);
}
