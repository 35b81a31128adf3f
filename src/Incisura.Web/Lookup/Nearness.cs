using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Records;
using Incisura.Web.Find;

namespace Incisura.Web.Lookup;

/// <summary>A published record that is something like what was asked for, with what is different.</summary>
public sealed record Near(Findable Record, IReadOnlyList<string> Differs);

/// <summary>What comes nearest to a question that nothing answers.</summary>
public static class Nearness
{
    // What lies further away than another group of material is no help.
    private const double Furthest = 6;

    // More than are shown, since some of them do not hold.
    private const int Most = 12;

    /// <summary>The records that come nearest, nearest first; none where nothing of the question was understood.</summary>
    public static List<Near> Of(string question, IReadOnlyList<Findable> records, ShelfView view)
    {
        Asked asked = Asked.Of(question, view);
        if (asked.MaterialId == 0 && asked.CutterId == 0 && asked.Operations.Count == 0) return [];
        return
        [
            .. records.Select(r => (Record: r, Far: Far(r.Words, asked, view))).Where(r => r.Far < Furthest).OrderBy(r => r.Far)
                .ThenBy(r => r.Record.Record, StringComparer.Ordinal).Take(Most)
                .Select(r => new Near(r.Record, [.. Differs(r.Record.Words, asked, view)])),
        ];
    }

    private static double Far(SituationWords w, Asked asked, ShelfView view)
    {
        double far = 0;
        if (view.Materials.GetValueOrDefault(asked.MaterialId)?.Definition is { } m && w.MaterialId != asked.MaterialId)
            far += m.Group == w.Group ? 1 + (Math.Abs(m.Hardness - w.Hardness) / 100) : Furthest;
        if (view.Cutters.GetValueOrDefault(asked.CutterId)?.Definition is { } c && !IsOf(w, asked.CutterId, view))
            far += c.Described.Use == UseOf(w, view)
                ? 1 + (4 * Math.Abs(c.CalledSize - w.Diameter) / Math.Max(c.CalledSize, w.Diameter))
                : Furthest;
        if (asked.Operations.Count > 0 && !asked.Operations.Any(o => o.Code == w.Operation))
            far += asked.Operations.Any(o => Families(o.Code).Intersect(Families(w.Operation)).Any()) ? 2 : Furthest;
        if (asked.MachineId != 0 && asked.MachineId != w.MachineId) far += 1.5;
        return double.IsNaN(far) ? Furthest : far;
    }

    private static IEnumerable<string> Differs(SituationWords w, Asked asked, ShelfView view)
    {
        if (asked.MaterialId != 0 && asked.MaterialId != w.MaterialId)
            yield return $"for {w.Material}, not for {view.Materials[asked.MaterialId].Name}";
        if (asked.CutterId != 0 && !IsOf(w, asked.CutterId, view)) yield return $"with {w.Assembly}, another cutter";
        if (asked.Operations.Count > 0 && !asked.Operations.Any(o => o.Code == w.Operation)) yield return $"for {Small(w.OperationName)}";
        if (asked.MachineId != 0 && asked.MachineId != w.MachineId) yield return $"on {w.Machine}, not on {view.Machines[asked.MachineId].Name}";
    }

    private static bool IsOf(SituationWords w, int cutter, ShelfView view) => view.Assemblies.GetValueOrDefault(w.AssemblyId)?.CutterId == cutter;

    private static CutterUse? UseOf(SituationWords w, ShelfView view) =>
        view.Cutters.GetValueOrDefault(view.Assemblies.GetValueOrDefault(w.AssemblyId)?.CutterId ?? 0)?.Definition.Described.Use;

    private static IReadOnlyList<CutterFamily> Families(string operation) => Operations.Find(operation)?.Description.Families ?? [];

    private static string Small(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}
