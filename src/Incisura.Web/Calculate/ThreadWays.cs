using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Library;
using Incisura.Core.Quantities;
using Incisura.Web.Hosting;

namespace Incisura.Web.Calculate;

/// <summary>One way to make a thread with what the shop has.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="OperationName">Its name.</param>
/// <param name="AssemblyId">Identity of the assembly.</param>
/// <param name="Assembly">Its number.</param>
/// <param name="Cutter">Its cutter in words.</param>
/// <param name="MachineId">Identity of the machine.</param>
/// <param name="Machine">Its name.</param>
/// <param name="Here">Whether the assembly stands in a place of the machine.</param>
/// <param name="Time">Time of one thread, min.</param>
/// <param name="Tightest">The load that is nearest to its limit, or a length that is too short; null where none could be judged.</param>
/// <param name="Keeps">Whether it keeps every limit and may be run.</param>
/// <param name="Against">What must not be run about it; empty for nothing.</param>
/// <param name="Request">What to ask to look at it.</param>
public sealed record ThreadWay(
    string Operation, string OperationName, int AssemblyId, string Assembly, string Cutter, int MachineId, string Machine, bool Here, double Time,
    JudgedLimit? Tightest, bool Keeps, string Against, CalculationRequest Request);

/// <summary>Tapping, milling and turning of one thread beside each other, with every assembly on every machine.</summary>
public static class ThreadWays
{
    private const int Most = 40;
    private static readonly string[] Operations = ["tap", "thread-milling", "thread-turning"];

    public static void MapThreadWays(this RouteGroupBuilder calculations) =>
        calculations.MapPost("/{operation}/ways", async (
            string operation, CalculationRequest request, IncisuraDb db, Shelf shelf, CancellationToken cancel) =>
        {
            ShelfView view = await shelf.ViewAsync(db);
            Choices choices = await CalculateEndpoints.ChoicesOf(request, db, shelf);
            CalculationResult now = CalculateEndpoints.OperationOf(operation)
                .Calculate(CalculateEndpoints.SituationOf(request, view), choices, explain: false, cancel);
            CutThread thread = now.Attached<CutThread>()
                ?? throw new MissingException("This operation cuts no thread, so there are no other ways to compare.");
            double length = now.Fields.First(f => f.Code is "depth" or "length").Value;
            ThreadToCut chosen = choices.Extras.OfType<ThreadToCut>().FirstOrDefault() ?? new(thread.Text);
            List<ThreadWay> ways = [];
            foreach (string way in Operations)
                foreach (StoredAssembly assembly in view.Assemblies.Values)
                    foreach (StoredMachine machine in view.Machines.Values)
                        if (Of(way, assembly, machine, request.MaterialId, thread, chosen, length, now.Options, view,
                            cancel) is { } one) ways.Add(one);
            return ways.OrderByDescending(w => w.Keeps).ThenByDescending(w => w.Here).ThenBy(w => w.Time).Take(Most).ToList();
        });

    // A way that the shop has; null where the parts do not go together, or the cutter makes another thread.
    private static ThreadWay? Of(
        string operation, StoredAssembly assembly, StoredMachine machine, int materialId, CutThread thread, ThreadToCut chosen, double length,
        IReadOnlyDictionary<string, string> picked, ShelfView view, CancellationToken cancel)
    {
        IOperation known = Core.Catalogue.Operations.Find(operation)!;
        if (view.SituationOf(materialId, assembly.Id, machine.Id) is not { } s || !known.Description.Families.Contains(s.Cutter.Value.Family)
            || s.Cutter.Value.Retired || assembly.Definition.Retired || s.Holder.Value.Interface != s.Machine.Value.Interface
            || (operation == "thread-turning" && s.Machine.Value.Main is null))
            return null;
        bool tap = operation == "tap";
        if (tap && (!thread.Inside || thread.Own)) return null;
        CalculationRequest request = new(
            materialId, assembly.Id, machine.Id,
            new() { [operation == "thread-turning" ? "length" : "depth"] = length },
            operation switch
            {
                "tap" => new() { ["end"] = picked.GetValueOrDefault("end", "blind") },
                "thread-milling" => new() { ["side"] = thread.Inside ? "inside" : "outside", ["end"] = picked.GetValueOrDefault("end", "blind") },
                _ => [],
            })
        {
            Extras = tap ? null : [chosen],
        };
        if (tap && thread.Starts > 1) request.Numbers!["starts"] = thread.Starts;
        try
        {
            CalculationResult r = known.Calculate(s, request.Choices, explain: false, cancel);
            if (r.Attached<CutThread>() is not { } made || made.Plain != thread.Plain || made.Inside != thread.Inside) return null;
            return new(
                operation, known.Description.Name, assembly.Id, assembly.Name, CutterListing.WordsOf(s.Cutter.Value), machine.Id, machine.Name,
                assembly.Definition.Places.Any(p => p.MachineId == machine.Id), r.Figures.First(f => f.Code == "time").Value,
                r.Limits.FirstOrDefault(l => l.Use > 1) ?? r.Limits.FirstOrDefault(l => l.Use is not null && l.Quantity != Quantity.Length),
                ComparisonEndpoints.Keeps(r),
                r.Findings.FirstOrDefault(f => f.Severity == Severity.Stop)?.Text.ToString() ?? "", request);
        }
        catch (InputException)
        {
            return null;
        }
    }
}
