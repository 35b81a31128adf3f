using Incisura.Core.Holders;
using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.HoleGroups;

/// <summary>An assembly that cannot be used in a chain, and why.</summary>
/// <param name="Situation">The assembly with the work material and the machine.</param>
/// <param name="Why">Why it cannot, a sentence.</param>
public sealed record BarredTool(Situation Situation, string Why);

/// <summary>The assemblies a chain can be made with, and those it cannot, each with the reason.</summary>
/// <param name="Usable">Assemblies that the machine takes and that are meant for the work material.</param>
/// <param name="Barred">The others.</param>
public sealed record ToolShelf(IReadOnlyList<Situation> Usable, IReadOnlyList<BarredTool> Barred)
{
    /// <summary>Judges assemblies by machine, tool store and work material.</summary>
    /// <param name="assemblies">Situations of every assembly in use, in one work material and on one machine.</param>
    public static ToolShelf Of(IEnumerable<Situation> assemblies)
    {
        List<Situation> usable = [];
        List<BarredTool> barred = [];
        foreach (Situation s in assemblies)
        {
            if (WhyNot(s) is { } why) barred.Add(new(s, why));
            else usable.Add(s);
        }

        return new(usable, barred);
    }

    /// <summary>Whether the assembly stands in a place of the machine.</summary>
    /// <param name="s">The assembly with the machine.</param>
    public static bool StandsThere(Situation s) => s.Assembly.Value.Places.Any(p => p.MachineId == s.Machine.Id);

    /// <summary>Why an assembly cannot be used in a chain; null where it can.</summary>
    /// <param name="s">The assembly with the work material and the machine.</param>
    public static string? WhyNot(Situation s)
    {
        Machine machine = s.Machine.Value;
        MaterialGroup group = s.Material.Value.Group;
        if (!s.Cutter.Value.Groups.Contains(group)) return $"its cutter is not meant for group {group}";
        if (s.Holder.Value.Interface != machine.Interface)
            return $"its holder has {s.Holder.Value.Interface} and {machine.Name} takes {machine.Interface}";
        if (s.IsUndriven()) return $"{machine.Name} turns no tool in its holder {s.Holder.Value.Number}";
        BuiltAssembly built = s.Built();
        if (built.Check() is { Faults: [InputFault fault, ..] }) return fault.Sentence.TrimEnd('.');
        return StandsThere(s) ? null : machine.Store.WhyNot(machine, built.Stored)?.TrimEnd('.');
    }
}
