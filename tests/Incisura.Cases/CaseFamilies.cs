using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Geometry;
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
        ["ball-diameter"] = BallDiameter,
        ["corner-radius-diameter"] = CornerRadiusDiameter,
        ["scallop"] = Scallop,
        ["arc-feed"] = ArcFeed,
        ["corner-engagement"] = CornerEngagement,
        ["helical-entry"] = HelicalPath,
        ["chamfer-mill"] = Chamfer,
    };

    /// <summary>Families of the reference that later operations will answer to; listed by name at every run.</summary>
    public static readonly IReadOnlyList<string> NotYetCovered =
    [
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

    private static CaseFigures BallDiameter(CaseInputs c) => new() { ["effectiveDiameter"] = Ridge.DiameterInContact(0, c["D"] / 2, c["ap"], c.Or("tilt", 0)) };

    // The same road as every calculation takes: from the outline of the cutter.
    private static CaseFigures CornerRadiusDiameter(CaseInputs c)
    {
        double half = c["D"] / 2, corner = c["re"];
        Profile profile = new(ProfileShape.Revolved,
        [
            new(ProfilePart.Cutting, 0, 0, 0, half - corner),
            new(ProfilePart.Cutting, 0, half - corner, corner, half, -Math.Tan(Math.PI / 8)),
            new(ProfilePart.Cutting, corner, half, Math.Max(corner, c["ap"]) + 10, half),
        ]);
        return new() { ["effectiveDiameter"] = new ContactProfile(profile).At(c["ap"]).Diameter };
    }

    private static CaseFigures Scallop(CaseInputs c)
    {
        double step = Ridge.StepFor(c["radius"], c["scallopHeight"]);
        return new() { ["stepover"] = step, ["scallopHeight"] = Ridge.HeightFor(c["radius"], step) };
    }

    private static CaseFigures ArcFeed(CaseInputs c) => new() { ["centreFeedRate"] = c["feedRate"] * CircularPath.CentreFactor(c["partRadius"], c["D"] / 2, !c.Is("internal")) };

    private static CaseFigures CornerEngagement(CaseInputs c)
    {
        NoTrace none = default;
        double diameter = c["D"], width = c["ae"];
        return new()
        {
            ["engagementAngle"] = double.RadiansToDegrees(ArcOfEngagement.Bend(diameter, width, c["cornerRadius"], false, c.Or("cornerAngle", 90), ref none).Length),
            ["onStraightWall"] = double.RadiansToDegrees(ArcOfEngagement.Side(diameter, width, ref none).Length),
        };
    }

    private static CaseFigures HelicalPath(CaseInputs c)
    {
        double path = c["holeDiameter"] - c["D"];
        return new()
        {
            ["pathDiameter"] = path,
            ["pitch"] = CircularPath.Pitch(path, c["rampAngle"]),
            ["centreFeedRate"] = c["feedRate"] * CircularPath.CentreFactor(c["holeDiameter"] / 2, c["D"] / 2, false),
        };
    }

    private static CaseFigures Chamfer(CaseInputs c)
    {
        Cone cone = new(c["tipDiameter"], c["includedAngle"]);
        double depth = cone.TipDepthFor(c["width"], c["tipBelow"]);
        return new() { ["axialDepth"] = depth, ["effectiveDiameterTop"] = cone.DiameterAt(depth) };
    }
}
