using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Records;

/// <summary>A situation in words, as the sentence at the head of every page needs it.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="OperationName">Its name, with the thread that is cut.</param>
/// <param name="MaterialId">Identity of the work material.</param>
/// <param name="Material">Its name.</param>
/// <param name="Condition">Its condition.</param>
/// <param name="Hardness">Its hardness, HB.</param>
/// <param name="Group">Its group.</param>
/// <param name="AssemblyId">Identity of the assembly.</param>
/// <param name="Assembly">Its number.</param>
/// <param name="Diameter">Size the cutter is called by, mm.</param>
/// <param name="Teeth">Teeth of the cutter.</param>
/// <param name="Turning">Whether it turns.</param>
/// <param name="Projection">Length out of the holder, mm.</param>
/// <param name="Holder">Kind of the holder.</param>
/// <param name="MachineId">Identity of the machine.</param>
/// <param name="Machine">Its name.</param>
public sealed record SituationWords(
    string Operation,
    string OperationName,
    int MaterialId,
    string Material,
    string Condition,
    double Hardness,
    MaterialGroup Group,
    int AssemblyId,
    string Assembly,
    double Diameter,
    int Teeth,
    bool Turning,
    double Projection,
    string Holder,
    int MachineId,
    string Machine)
{
    /// <summary>A situation in words, with the thread that is cut.</summary>
    /// <param name="operation">Code of the operation.</param>
    /// <param name="s">The situation.</param>
    /// <param name="result">What came out.</param>
    public static SituationWords Of(string operation, Situation s, CalculationResult result) => new(
        operation,
        (Operations.Find(operation)?.Description.Name ?? operation) + (result.Attached<CutThread>() is { } thread ? $" {thread.Text}" : ""),
        s.Material.Id,
        s.Material.Value.Name,
        s.Material.Value.Condition,
        s.Material.Value.Hardness,
        s.Material.Value.Group,
        s.Assembly.Id,
        s.Assembly.Value.Number,
        s.Cutter.Value.CalledSize,
        s.Cutter.Value.Teeth,
        s.Cutter.Value.Described.Use == CutterUse.Turning,
        s.Assembly.Value.Projection,
        s.Holder.Value.Kind,
        s.Machine.Id,
        s.Machine.Value.Name);
}
