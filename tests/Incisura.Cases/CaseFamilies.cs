using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Milling;

namespace Incisura.Cases;

/// <summary>Figures a calculation gives for a case, by the names the cases use.</summary>
public sealed class CaseFigures : Dictionary<string, double>;

/// <summary>Inputs of a case.</summary>
public sealed class CaseInputs(JsonElement inputs)
{
    public double this[string name] => inputs.GetProperty(name).GetDouble();

    public double Or(string name, double otherwise) => inputs.TryGetProperty(name, out JsonElement value) ? value.GetDouble() : otherwise;

    public bool Is(string name) => inputs.TryGetProperty(name, out JsonElement value) && value.ValueKind == JsonValueKind.True;

    public JsonElement Raw(string name) => inputs.GetProperty(name);
}

/// <summary>The calculation of the core that answers to each family of cases.</summary>
public static class CaseFamilies
{
    public static readonly IReadOnlyDictionary<string, Func<CaseInputs, CaseFigures>> Covered = new Dictionary<string, Func<CaseInputs, CaseFigures>>
    {
        ["milling"] = Milling,
        ["chip-thinning"] = Thinning,
        ["deflection"] = Deflection,
        ["even-passes"] = EvenPasses,
    };

    /// <summary>Families of the reference that later operations will answer to; listed by name at every run.</summary>
    public static readonly IReadOnlyList<string> NotYetCovered =
    [
        "ball-diameter", "corner-radius-diameter", "scallop", "arc-feed", "corner-engagement", "helical-entry", "chamfer-mill",
        "drilling", "through-depth", "spot-depth", "tapping", "tap-drill", "iso-metric", "unified", "npt", "infeed", "thread-milling",
        "turning", "facing-time", "tool-life", "economic-life",
    ];

    private static CaseFigures Milling(CaseInputs c)
    {
        NoTrace none = default;
        double diameter = c["D"], width = c["ae"];
        ArcOfEngagement arc = c.Is("centred") ? ArcOfEngagement.Centred(diameter, width, ref none) : ArcOfEngagement.Side(diameter, width, ref none);
        MillingCut cut = new(diameter, (int)c["z"], c.Or("kappa", 90), c["vc"], c["fz"], c["ap"], width, c["kc11"], c["mc"]);
        cut.Solve(arc, out MillingLoad load, ref none);
        return new()
        {
            ["spindleSpeed"] = load.SpindleSpeed,
            ["feedRate"] = load.FeedRate,
            ["engagementAngle"] = double.RadiansToDegrees(arc.Length),
            ["meanChipThickness"] = load.MeanChip,
            ["maxChipThickness"] = load.LargestChip,
            ["specificCuttingForce"] = load.SpecificForce,
            ["metalRemovalRate"] = load.RemovalRate,
            ["power"] = load.Power,
            ["torque"] = load.Torque,
            ["teethInCut"] = load.TeethInCut,
        };
    }

    private static CaseFigures Thinning(CaseInputs c)
    {
        NoTrace none = default;
        ArcOfEngagement arc = c.Is("centred") ? ArcOfEngagement.Centred(c["D"], c["ae"], ref none) : ArcOfEngagement.Side(c["D"], c["ae"], ref none);
        return new()
        {
            ["feedPerToothForMean"] = ChipThinning.FeedForMeanChip(c["target"], c.Or("kappa", 90), arc),
            ["feedPerToothForMax"] = ChipThinning.FeedForLargestChip(c["target"], c.Or("kappa", 90), arc),
        };
    }

    private static CaseFigures Deflection(CaseInputs c)
    {
        BeamSegment[] segments = [.. c.Raw("segments").EnumerateArray().Select(s => new BeamSegment(s[0].GetDouble(), s[1].GetDouble(), c["youngsModulus"]))];
        return new() { ["tipDeflection"] = TipCompliance.Of(segments).Deflection(c["force"], 0) / 1000 };
    }

    private static CaseFigures EvenPasses(CaseInputs c)
    {
        Passes passes = Passes.Even(c["total"], c["most"]);
        return new() { ["passes"] = passes.Count, ["depthEach"] = passes.Each };
    }
}
