using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;

namespace Incisura.Web.Find;

/// <summary>What a question names: a cutter, a work material, a machine, operations; and what is left of it.</summary>
/// <param name="CutterId">0 for none; so with the others.</param>
/// <param name="MaterialId">Work material.</param>
/// <param name="MachineId">Machine.</param>
/// <param name="Operations">Operations that have all the words which are left in their names; none where no word is.</param>
/// <param name="Rest">How many words are left when everything with a name of its own is taken out.</param>
public sealed record Asked(int CutterId, int MaterialId, int MachineId, IReadOnlyList<OperationDescription> Operations, int Rest)
{
    /// <summary>Reads a question by the names of library and shop, long names first.</summary>
    public static Asked Of(string question, ShelfView view)
    {
        string rest = $" {question.Trim()} ";
        int material = Take(view.Materials.Values.SelectMany(m => m.Definition.Names().Select(name => (name, m.Id))));
        int machine = Take(view.Machines.Values.Select(m => (m.Name, m.Id)));
        int cutter = Take(view.Assemblies.Values.Select(a => (a.Name, a.CutterId)));
        if (cutter == 0) cutter = Take(view.Cutters.Values.Select(c => (c.Name, c.Id)));
        string[] words = rest.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return new(
            cutter, material, machine,
            words.Length == 0
                ? []
                : [
                    .. Core.Catalogue.Operations.All.Select(o => o.Description)
                        .Where(o => words.All(w => o.Name.Contains(w, StringComparison.OrdinalIgnoreCase)))],
            words.Length);

        int Take(IEnumerable<(string Name, int Id)> things)
        {
            (string Name, int Id) longest = things
                .Where(t => t.Name.Length > 0 && rest.Contains($" {t.Name} ", StringComparison.OrdinalIgnoreCase))
                .OrderByDescending(t => t.Name.Length)
                .FirstOrDefault();
            if (longest.Id != 0) rest = rest.Replace($" {longest.Name} ", " ", StringComparison.OrdinalIgnoreCase);
            return longest.Id;
        }
    }
}
