using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Derivations;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Holes;
using Incisura.Core.Milling;
using Incisura.Core.ThreadCutting;
using Incisura.Core.Threads;
using Incisura.Core.Turning;
using Incisura.Core.Wear;
using Thread = Incisura.Core.Threads.Thread;

namespace Incisura.Cases;

/// <summary>Figures a calculation gives for a case, by the names the cases use.</summary>
public sealed class CaseFigures : Dictionary<string, double>;

/// <summary>Inputs of a case.</summary>
public sealed class CaseInputs(JsonElement inputs)
{
    private readonly HashSet<string> asked = [];

    /// <summary>Inputs that the calculation never asked for: it does not know them, so what it gives is not what the case is about.</summary>
    public IReadOnlyList<string> Unknown => [.. inputs.EnumerateObject().Select(p => p.Name).Where(n => !asked.Contains(n))];

    public double this[string name] => Raw(name).GetDouble();

    public double Or(string name, double otherwise) => Has(name) ? Raw(name).GetDouble() : otherwise;

    public bool Is(string name) => Has(name) && Raw(name).ValueKind == JsonValueKind.True;

    public bool Has(string name)
    {
        asked.Add(name);
        return inputs.TryGetProperty(name, out _);
    }

    public JsonElement Raw(string name)
    {
        asked.Add(name);
        return inputs.GetProperty(name);
    }
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
        ["drilling"] = Drilling,
        ["through-depth"] = ThroughDepth,
        ["spot-depth"] = c => new() { ["depth"] = AxisDepth.ForChamfer(c["chamferDiameter"], c.Or("flat", 0), c["pointAngle"]) },
        ["tapping"] = Tapping,
        ["tap-drill"] = TapDrill,
        ["tool-life"] = ToolLife,
        ["chip-section"] = Section,
        ["plunge-arc"] = PlungeArc,
        ["ramp-depth"] = RampDepth,
        ["helix-rate"] = HelixRate,
        ["load-peak"] = LoadPeak,
        ["ball-load"] = BallLoad,
        ["mill-strength"] = Strength,
        ["iso-metric"] = Metric,
        ["unified"] = Unified,
        ["npt"] = Npt,
        ["infeed"] = Infeed,
        ["run-in"] = c => new() { ["length"] = TurningSetup.RunUpWay(c["spindleSpeed"], c["pitch"], c["acceleration"]) },
        ["bar-bend"] = c => new()
        {
            ["micrometres"] = WorkBend.At(c["force"], c["D"], c["length"], c["at"], c.Is("tailstock"), c["youngsModulus"]),
        },
        ["turning"] = Turning,
        ["facing-time"] = c => new()
        {
            ["minutes"] = new SurfaceSpeed(c["vc"], c["spindleClamp"]).Across(c["fromDiameter"], c["toDiameter"], c["fn"]),
        },
        ["part-off"] = c => new()
        {
            ["minutes"] = new SurfaceSpeed(c["vc"], c["spindleClamp"]).Across(
                c["fromDiameter"], c["toDiameter"], c["fn"], c.Or("slowFrom", 0), c.Or("slowFeed", c["fn"])),
        },
        ["finish-feed"] = c => new() { ["feedPerRevolution"] = FeedMark.FeedFor(c["peakToValley"], c["cornerRadius"]) },
        ["thread-milling"] = ThreadMilling,
        ["wires"] = c => new()
        {
            ["overWires"] = Wires.Over(c["pitchDiameter"], c["pitch"], c["wire"], c["flankAngle"]),
            ["bestWire"] = Wires.Best(c["pitch"], c["flankAngle"]),
        },
        ["thread-mill-flank"] = c => new()
        {
            ["flankErrorMicrometres"] = FlankError.Of(c["major"], c["minor"], c["pitch"], c.Or("flankAngle", 60), c["cutter"]),
        },
        ["lead-angle"] = c => new() { ["degrees"] = ThreadShape.LeadAngle(c["pitch"] * c.Or("starts", 1), c["pitchDiameter"]) },
        ["runout"] = c => new() { ["largestChip"] = new RunOut(c["runout"], (int)c["z"]).LargestChip(c["fz"], 1) },
    };

    /// <summary>Families of the reference that later operations will answer to; listed by name at every run.</summary>
    public static readonly IReadOnlyList<string> NotYetCovered =
    [
        "economic-life", "refit", "cost", "most-output",
    ];

    private static CaseFigures Infeed(CaseInputs c)
    {
        InfeedLaw law = c.Raw("law").GetString() switch
        {
            "constantArea" => InfeedLaw.ConstantSection,
            "handbook" => InfeedLaw.Eased,
            _ => InfeedLaw.Equal,
        };
        IReadOnlyList<double> depths = new InfeedSchedule(law, c["h"], (int)c["n"]).Depths();
        CaseFigures figures = [];
        for (int i = 0; i < depths.Count; i++) figures[$"passes.{i}"] = depths[i] - (i == 0 ? 0 : depths[i - 1]);
        return figures;
    }

    private static CaseFigures ThreadMilling(CaseInputs c)
    {
        MillingFeeds feeds = MillingFeeds.Of(c["vc"], c["fz"], (int)c["z"], c["D_tool"], c["D_thread"], !c.Is("external"));
        return new() { ["spindleSpeed"] = feeds.SpindleSpeed, ["contourFeedRate"] = feeds.Rim, ["centreFeedRate"] = feeds.Centre };
    }

    private static CaseFigures Turning(CaseInputs c)
    {
        NoTrace none = default;
        TurningLoad load = new TurningCut(c["D"], c["vc"], c["fn"], c["ap"], c["kapr"], c["re"], c["kc11"], c["mc"]).Solve(ref none);
        return new()
        {
            ["spindleSpeed"] = load.SpindleSpeed,
            ["cuttingSpeed"] = c["vc"],
            ["feedRate"] = load.FeedRate,
            ["chipThickness"] = load.Chip,
            ["specificCuttingForce"] = load.SpecificForce,
            ["cuttingForce"] = load.Force,
            ["power"] = load.Power,
            ["motorPower"] = CuttingSetup.MotorPower(load.Power, c.Or("eta", 1)),
            ["torque"] = load.Torque,
            ["metalRemovalRate"] = load.RemovalRate,
            ["peakToValley"] = FeedMark.Flat(c["fn"], c["re"]),
        };
    }

    private static CaseFigures ToolLife(CaseInputs c)
    {
        NoTrace none = default;
        return new() { ["minutes"] = new TaylorLife(c["C"], 1, c["n"]).LifeAt(c["vc"], ref none) };
    }

    private static CaseFigures Milling(CaseInputs c)
    {
        NoTrace none = default;
        double diameter = c["D"], width = c["ae"];
        ArcOfEngagement arc = c.Is("centred") ? ArcOfEngagement.Centred(diameter, width, ref none) : ArcOfEngagement.Side(diameter, width, ref none);
        MillingCut cut = new(diameter, (int)c["z"], c.Or("kappa", 90), c["vc"], c["fz"], c["ap"], width, c["kc11"], c["mc"]);
        cut.Solve(arc, out MillingLoad load, ref none);
        CaseFigures figures = new()
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
        WithMotor(c, figures, load.Power);
        return figures;
    }

    private static void WithMotor(CaseInputs c, CaseFigures figures, double power)
    {
        if (c.Has("eta")) figures["motorPower"] = CuttingSetup.MotorPower(power, c["eta"]);
    }

    private static CaseFigures Section(CaseInputs c)
    {
        ArcOfEngagement arc = ArcOfEngagement.Between(double.DegreesToRadians(c["entry"]), double.DegreesToRadians(c["exit"]));
        return new() { ["largestSection"] = ChipSection.Largest(c["fz"], c["ap"], (int)c["z"], ChipSection.Lag(c["ap"], c["helix"], c["D"]), arc) };
    }

    private static CaseFigures LoadPeak(CaseInputs c)
    {
        double half = c["D"] / 2, depth = c["ap"];
        Profile profile = new(ProfileShape.Revolved, [new(ProfilePart.Cutting, 0, 0, 0, half), new(ProfilePart.Cutting, 0, half, depth + 10, half)]);
        EdgeLoad load = LoadOf(c, profile, c["helix"], c["kr"]);
        return new() { ["peakResultant"] = Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared), ["meanTorque"] = load.MeanTorque };
    }

    private static CaseFigures BallLoad(CaseInputs c)
    {
        double half = c["D"] / 2;
        Profile ball = new(ProfileShape.Revolved, [new(ProfilePart.Cutting, 0, 0, half, half, -Math.Tan(Math.PI / 8))]);
        double torque = LoadOf(c, ball, 0, 0).MeanTorque;
        return new() { ["meanTorque"] = torque, ["powerPer1000"] = torque * Math.PI * 1000 / 30000 };
    }

    private static EdgeLoad LoadOf(CaseInputs c, Profile profile, double helix, double radialRatio)
    {
        double depth = c["ap"];
        Contact contact = new ContactProfile(profile).At(depth);
        Engagement e = Engagement.Of(
            contact, contact.Diameter, depth,
            ArcOfEngagement.Between(double.DegreesToRadians(c["entry"]), double.DegreesToRadians(c["exit"])));
        EdgeLoad.Of(new(profile, (int)c["z"], helix, c["D"], c["mc"], radialRatio), e, c["fz"], c["kc11"], 1, out EdgeLoad load);
        return load;
    }

    private static CaseFigures Strength(CaseInputs c)
    {
        SectionStress stress = SectionStress.Of(c["force"], c["leverArm"], c["torque"], c["coreDiameter"]);
        return new() { ["bending"] = stress.Bending, ["torsion"] = stress.Torsion, ["equivalent"] = stress.Equivalent };
    }

    private static CaseFigures PlungeArc(CaseInputs c)
    {
        NoTrace none = default;
        return new() { ["arc"] = double.RadiansToDegrees(ArcOfEngagement.Plunge(c["D"], c["ae"], c["step"], ref none).Length) };
    }

    private static CaseFigures RampDepth(CaseInputs c)
    {
        double gain = RampPath.Gain(c["length"], c["rampAngle"]);
        return new()
        {
            ["gainOfLeg"] = gain,
            ["deepestInFirstLeg"] = RampPath.Deepest(gain, 1),
            ["deepestInLaterLegs"] = RampPath.Deepest(gain, (int)c["legs"]),
        };
    }

    private static CaseFigures HelixRate(CaseInputs c)
    {
        double hole = c["holeDiameter"];
        return new()
        {
            ["removalRate"] = CircularPath.SweptSection(hole, CircularPath.Open(hole, 0, c["D"]), c["rampAngle"]) * c["centreFeed"] / 1000
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
        BeamSegment[] segments =
            [.. c.Raw("segments").EnumerateArray().Select(s => new BeamSegment(s[0].GetDouble(), s[1].GetDouble(), c["youngsModulus"]))];
        return new() { ["tipDeflection"] = TipCompliance.Of(segments).Deflection(c["force"], 0) / 1000 };
    }

    private static CaseFigures EvenPasses(CaseInputs c)
    {
        Passes passes = Passes.Even(c["total"], c["most"]);
        return new() { ["passes"] = passes.Count, ["depthEach"] = passes.Each };
    }

    private static CaseFigures BallDiameter(CaseInputs c) => new()
    {
        ["effectiveDiameter"] = Ridge.DiameterInContact(0, c["D"] / 2, Ridge.ContactAngle(c["D"] / 2, c["ap"]), c.Or("tilt", 0))
    };

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

    private static CaseFigures ArcFeed(CaseInputs c) => new()
    {
        ["centreFeedRate"] = c["feedRate"] * CircularPath.CentreFactor(c["partRadius"], c["D"] / 2, !c.Is("internal"))
    };

    private static CaseFigures CornerEngagement(CaseInputs c)
    {
        NoTrace none = default;
        double diameter = c["D"], width = c["ae"];
        return new()
        {
            ["engagementAngle"] = double.RadiansToDegrees(
                ArcOfEngagement.Bend(diameter, width, c["cornerRadius"], false, c.Or("cornerAngle", 90), ref none).Length),
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

    private static CaseFigures Drilling(CaseInputs c)
    {
        NoTrace none = default;
        new HoleCut(c["D"], c.Or("holeDiameter", 0), c.Or("sig", 180) / 2, (int)c.Or("z", 2), c["vc"], c["fn"], c["kc11"], c["mc"])
            .Solve(out HoleLoad load, ref none);
        CaseFigures figures = new()
        {
            ["spindleSpeed"] = load.SpindleSpeed,
            ["feedRate"] = load.FeedRate,
            ["chipThickness"] = load.Chip,
            ["specificCuttingForce"] = load.SpecificForce,
            ["power"] = load.Power,
            ["torque"] = load.Torque,
            ["thrust"] = load.Thrust,
            ["metalRemovalRate"] = load.RemovalRate,
        };
        WithMotor(c, figures, load.Power);
        return figures;
    }

    private static CaseFigures ThroughDepth(CaseInputs c)
    {
        NoTrace none = default;
        Inputs x = default;
        x.Pick(Choice.End, 1);
        x.Type(Input.Depth, c["thickness"]);
        x.Type(Input.Breakthrough, c.Or("breakthrough", 0));
        HoleResult r = default;
        AxisDepth.OfDrill(c["D"], c.Or("pointAngle", 180), x, ref r, ref none);
        return new() { ["tipLength"] = r[Output.PointLength], ["programmedDepth"] = r[Output.ProgrammedDepth] };
    }

    // The speed as the machine allows it, and the feed that follows it to the last bit.
    private static CaseFigures Tapping(CaseInputs c)
    {
        double wanted = 1000 * c["vc"] / (Math.PI * c["D"]), lead = c["pitch"] * c.Or("starts", 1),
            most = c.Or("synchronousLimit", double.PositiveInfinity);
        double n = InStep.SpeedUpTo(Math.Min(wanted, most), lead);
        return new()
        {
            ["spindleSpeed"] = n,
            ["feedRate"] = n * lead,
            ["cuttingSpeed"] = Math.PI * c["D"] * n / 1000,
            ["limited"] = wanted > most ? 1 : 0,
        };
    }

    private static CaseFigures TapDrill(CaseInputs c)
    {
        NoTrace none = default;
        return new()
        {
            ["cutTap"] = ThreadHole.For(c["D"], c["pitch"], c["percent"], false, ref none),
            ["formTap"] = ThreadHole.For(c["D"], c["pitch"], c["percent"], true, ref none),
        };
    }

    private static CaseFigures Chamfer(CaseInputs c)
    {
        Cone cone = new(c["tipDiameter"], c["includedAngle"]);
        double depth = cone.TipDepthFor(c["width"], c["tipBelow"]);
        return new() { ["axialDepth"] = depth, ["effectiveDiameterTop"] = cone.DiameterAt(depth) };
    }

    private static CaseFigures Metric(CaseInputs c)
    {
        Thread t = new() { Form = ThreadForm.Metric, Diameter = c["d"], Pitch = c["pitch"] };
        ThreadShape basic = ThreadShape.Of(t);
        CaseFigures figures = new()
        {
            ["basic.pitch"] = basic.Pitch,
            ["basic.minorInternal"] = basic.InternalMinor,
            ["basic.minorExternalD3"] = basic.Minor,
        };
        foreach (string name in new[] { "6g", "6H" }) Add(figures, t, name, 1);
        return figures;
    }

    private static CaseFigures Unified(CaseInputs c)
    {
        Thread t = new() { Form = ThreadForm.Unified, Diameter = 25.4 * c["D"], Pitch = 25.4 / c["threadsPerInch"] };
        CaseFigures figures = [];
        foreach (string name in new[] { "1A", "2A", "3A", "1B", "2B", "3B" }) Add(figures, t, name, 25.4);
        return figures;
    }

    private static void Add(CaseFigures figures, Thread t, string name, double unit)
    {
        if (ThreadLimits.Of(t, name) is not { } limits) return;
        string side = limits.Internal ? "int" : "ext";
        foreach ((string what, SizeLimits size) in new[] { ("major", limits.Major), ("pitch", limits.Pitch), ("minor", limits.Minor) })
            (figures[$"{side}{name}.{what}.0"], figures[$"{side}{name}.{what}.1"]) = (size.Least / unit, size.Most / unit);
    }

    private static CaseFigures Npt(CaseInputs c)
    {
        _ = c.Raw("size");
        GaugePlane plane = GaugePlane.Of60(25.4 * c["pipeDiameter"], c["threadsPerInch"], 25.4 * c["L1"]);
        return new() { ["E0"] = plane.SmallEnd / 25.4, ["E1"] = plane.AtGauge / 25.4, ["L2"] = plane.Effective / 25.4 };
    }
}
