namespace Incisura.Core.Calculation;

/// <summary>What a field says.</summary>
public enum FieldRole
{
    /// <summary>How it is made, whatever the size of the cutter: speeds, ratios, allowances, planes.</summary>
    Way,

    /// <summary>How it is made, in proportion to the cutter: widths, depths of cut, pecks, feeds of a tooth.</summary>
    WayBySize,

    /// <summary>What the part is: its depths, walls, holes and stock.</summary>
    Part,

    /// <summary>What the cut is only judged or proposed by: errors allowed, finish and life wanted.</summary>
    Judging,
}

/// <summary>The roles of the fields of all operations.</summary>
public static class FieldRoles
{
    private static readonly Dictionary<string, FieldRole> Roles = new()
    {
        ["widthOfCut"] = FieldRole.WayBySize,
        ["depthOfCut"] = FieldRole.WayBySize,
        ["sideStep"] = FieldRole.WayBySize,
        ["feedPerTooth"] = FieldRole.WayBySize,
        ["feedPerRevolution"] = FieldRole.WayBySize,
        ["firstPeck"] = FieldRole.WayBySize,
        ["leastPeck"] = FieldRole.WayBySize,
        ["chipRoom"] = FieldRole.WayBySize,
        ["startLength"] = FieldRole.WayBySize,
        ["depth"] = FieldRole.Part,
        ["surface"] = FieldRole.Part,
        ["holeBefore"] = FieldRole.Part,
        ["depthOfHoleBefore"] = FieldRole.Part,
        ["boreDiameter"] = FieldRole.Part,
        ["chamferDiameter"] = FieldRole.Part,
        ["pilotDiameter"] = FieldRole.Part,
        ["pilotDepth"] = FieldRole.Part,
        ["starts"] = FieldRole.Part,
        ["stockWidth"] = FieldRole.Part,
        ["stockHeight"] = FieldRole.Part,
        ["wallHeight"] = FieldRole.Part,
        ["length"] = FieldRole.Part,
        ["holeDiameter"] = FieldRole.Part,
        ["pocketWidth"] = FieldRole.Part,
        ["pocketLength"] = FieldRole.Part,
        ["cornerRadius"] = FieldRole.Part,
        ["cornerAngle"] = FieldRole.Part,
        ["diameterBefore"] = FieldRole.Part,
        ["engravingDepth"] = FieldRole.Part,
        ["engravingWidth"] = FieldRole.Part,
        ["surfaceRadius"] = FieldRole.Part,
        ["surfaceWidth"] = FieldRole.Part,
        ["slotWidth"] = FieldRole.Part,
        ["leg"] = FieldRole.Part,
        ["crestDiameter"] = FieldRole.Part,
        ["heightToCut"] = FieldRole.Part,
        ["rootDiameter"] = FieldRole.Part,
        ["bodyDiameter"] = FieldRole.Part,
        ["standsOut"] = FieldRole.Part,
        ["runIn"] = FieldRole.Part,
        ["runOut"] = FieldRole.Part,
        ["startDiameter"] = FieldRole.Part,
        ["endDiameter"] = FieldRole.Part,
        ["grippedDiameter"] = FieldRole.Part,
        ["workBore"] = FieldRole.Part,
        ["steadyAt"] = FieldRole.Part,
        ["shoulderDiameter"] = FieldRole.Part,
        ["shoulderGap"] = FieldRole.Part,
        ["slowFrom"] = FieldRole.Part,
        ["evenStock"] = FieldRole.Part,
        ["gripLength"] = FieldRole.Part,
        ["toolLife"] = FieldRole.Judging,
        ["deflectionAllowed"] = FieldRole.Judging,
        ["flankErrorAllowed"] = FieldRole.Judging,
        ["finishWanted"] = FieldRole.Judging,
        ["ridgeHeight"] = FieldRole.Judging,
        ["arcWanted"] = FieldRole.Judging,
        ["threadHeight"] = FieldRole.Judging,
        ["cutShare"] = FieldRole.Judging,
        ["changeTime"] = FieldRole.Judging,
        ["webFlat"] = FieldRole.Judging,
        ["firstInfeed"] = FieldRole.WayBySize,
        ["leastInfeed"] = FieldRole.WayBySize,
    };

    /// <summary>The role of a field.</summary>
    /// <param name="code">Code of the field.</param>
    public static FieldRole Of(string code) => Roles.GetValueOrDefault(code, FieldRole.Way);
}
