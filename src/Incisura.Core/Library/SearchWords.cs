using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Library;

/// <summary>The words of the trade, English and German, that mean the same thing as the names used here.</summary>
public static partial class SearchWords
{
    // Words of each family beside those of its name. Joined words are written as Plain joins them.
    private static readonly Dictionary<CutterFamily, string> Families = new()
    {
        [CutterFamily.SquareEndMill] = "schaftfraeser flat",
        [CutterFamily.CornerRadiusEndMill] = "schaftfraeser torusfraeser toroidal bullnose radiused eckenradius",
        [CutterFamily.BallEndMill] = "ballnose kugelfraeser vollradiusfraeser schaftfraeser spherical lollipop",
        [CutterFamily.TaperedEndMill] = "taper konisch kegelig schaftfraeser gesenkfraeser",
        [CutterFamily.HighFeedMill] = "hochvorschubfraeser",
        [CutterFamily.FaceMill] = "planfraeser messerkopf shell",
        [CutterFamily.SlotMill] = "scheibenfraeser nutenfraeser tslot saw slitting kreissaege saege disc",
        [CutterFamily.DovetailMill] = "schwalbenschwanzfraeser",
        [CutterFamily.ChamferMill] = "chamfering fasenfraeser fase",
        [CutterFamily.CornerRoundingMill] = "viertelkreisfraeser rounding",
        [CutterFamily.BarrelMill] = "tonnenfraeser kreissegmentfraeser oval",
        [CutterFamily.EngravingPoint] = "gravierstichel engraver",
        [CutterFamily.ThreadMill] = "gewindefraeser",
        [CutterFamily.FormCutter] = "formfraeser profilfraeser",
        [CutterFamily.CentreDrill] = "center bohrer zentrierbohrer",
        [CutterFamily.SpotDrill] = "spotting bohrer anbohrer",
        [CutterFamily.TwistDrill] = "bohrer spiralbohrer",
        [CutterFamily.FlatDrill] = "flat bottom bohrer flachbohrer",
        [CutterFamily.StepDrill] = "stepped bohrer stufenbohrer",
        [CutterFamily.IndexableDrill] = "insert bohrer wendeplattenbohrer vollbohrer udrill",
        [CutterFamily.GunDrill] = "gundrill gun bohrer tieflochbohrer einlippenbohrer",
        [CutterFamily.Reamer] = "reaming reibahle",
        [CutterFamily.Counterbore] = "flachsenker zapfensenker spotface",
        [CutterFamily.Countersink] = "kegelsenker senker deburring entgrater",
        [CutterFamily.BoringTool] = "boringbar ausdrehwerkzeug bohrstange rough",
        [CutterFamily.FineBoringHead] = "fine boring feinbohrkopf ausspindelkopf",
        [CutterFamily.CuttingTap] = "gewindebohrer",
        [CutterFamily.FormingTap] = "form rolling gewindeformer gewindefurcher",
        [CutterFamily.TaperPipeTap] = "gewindebohrer rohrgewindebohrer npt",
        [CutterFamily.OutsideTurningTool] = "external aussendrehhalter drehhalter drehmeissel",
        [CutterFamily.InsideTurningTool] = "internal boringbar innendrehhalter drehhalter bohrstange",
        [CutterFamily.GroovingBlade] = "groove einstechhalter stechhalter",
        [CutterFamily.InsideGroovingTool] = "groove inside einstechbohrstange inneneinstechhalter",
        [CutterFamily.FaceGroovingBlade] = "groove axial planeinstechhalter axialstechhalter",
        [CutterFamily.PartingBlade] = "cutoff part abstechhalter stechhalter",
        [CutterFamily.ThreadTurningTool] = "gewindedrehhalter drehhalter",
        [CutterFamily.InsideThreadTurningTool] = "gewindedrehhalter gewindebohrstange",
    };

    private static readonly Dictionary<CuttingMaterial, string> Materials = new()
    {
        [CuttingMaterial.Carbide] = "hartmetall vhm hm",
        [CuttingMaterial.HighSpeedSteel] = "highspeed schnellarbeitsstahl",
        [CuttingMaterial.PowderSteel] = "highspeed pm schnellarbeitsstahl",
        [CuttingMaterial.Ceramic] = "keramik",
        [CuttingMaterial.BoronNitride] = "boron nitride bornitrid",
        [CuttingMaterial.Diamond] = "pcd pkd diamant",
    };

    private static readonly Dictionary<MaterialGroup, string> Groups = new()
    {
        [MaterialGroup.P] = "steel stahl",
        [MaterialGroup.M] = "stainless edelstahl rostfrei inox",
        [MaterialGroup.K] = "castiron cast iron ductile grey gray guss gusseisen",
        [MaterialGroup.N] = "aluminium aluminum alu ali nonferrous brass bronze copper messing kupfer",
        [MaterialGroup.S] = "titanium titan nickel superalloy",
        [MaterialGroup.H] = "hardened gehaertet",
    };

    /// <summary>What people at a machine call the work materials of a group (ISO 513).</summary>
    /// <param name="group">The group.</param>
    public static string Of(MaterialGroup group) => Groups[group];

    // Two words that people write as one, and one.
    private static readonly (string Two, string One)[] Joined =
    [
        ("end mill", "endmill"), ("face mill", "facemill"), ("thread mill", "threadmill"), ("chamfer mill", "chamfermill"), ("ball nose", "ballnose"),
        ("bull nose", "bullnose"), ("gun drill", "gundrill"),
        ("spot drill", "spotdrill"), ("twist drill", "twistdrill"), ("boring bar", "boringbar"), ("t slot", "tslot"), ("cast iron", "castiron"),
        ("high speed steel", "hss"), ("high feed", "highfeed"), ("u drill", "udrill"),
    ];

    private static readonly Dictionary<CutterFamily, string[]> FamilyWords = Cutters.Families.All.ToDictionary(
        f => f.Code, f => (string[])[.. Split(f.Name), .. Split(Families.GetValueOrDefault(f.Code, ""))]);
    private static readonly Dictionary<CuttingMaterial, string[]> MaterialWords = Enum.GetValues<CuttingMaterial>()
        .ToDictionary(m => m, m => (string[])[.. Split(CutterListing.WordsOf(m)), .. Split(Materials.GetValueOrDefault(m, ""))]);
    private static readonly Dictionary<MaterialGroup, string[]> GroupWords = Enum.GetValues<MaterialGroup>()
        .ToDictionary(g => g, g => (string[])[.. Split(Groups.GetValueOrDefault(g, ""))]);

    /// <summary>Words for a cutter of a family in a material: its name, what else the trade calls it, what it is made of and for.</summary>
    public static IEnumerable<string> Of(Cutter c) =>
        FamilyWords[c.Family].Concat(MaterialWords[c.Material]).Concat(c.Groups.SelectMany(g => GroupWords[g]));

    /// <summary>Plain words of a text, those that people join also joined.</summary>
    public static IEnumerable<string> Split(string text)
    {
        string plain = Plain(text);
        foreach (string word in plain.Split(' ', StringSplitOptions.RemoveEmptyEntries)) yield return word;
        foreach ((string two, string one) in Joined)
            if (plain.Contains(two, StringComparison.Ordinal)) yield return one;
    }

    /// <summary>A query with words that belong together joined.</summary>
    internal static string Join(string plain)
    {
        foreach ((string two, string one) in Joined)
        {
            // Their plural too, and only where they stand as words.
            int at = plain.IndexOf(two, StringComparison.Ordinal);
            if (at < 0 || (at > 0 && char.IsLetterOrDigit(plain[at - 1]))) continue;
            int end = at + two.Length;
            if (end < plain.Length && plain[end] == 's') end++;
            if (end == plain.Length || !char.IsLetterOrDigit(plain[end])) plain = $"{plain[..at]}{one}{plain[end..]}";
        }

        return Interface().Replace(plain, "$1$2");
    }

    /// <summary>A text in small letters without umlauts, with blanks between its words; spindle interfaces in one word.</summary>
    public static string Plain(string text)
    {
        StringBuilder plain = new(text.Length);
        foreach (char c in Letters(text)) plain.Append(char.IsLetterOrDigit(c) || c is '.' or ',' ? c : ' ');
        return Interface().Replace(plain.ToString(), "$1$2");
    }

    /// <summary>A text in small letters without umlauts and accents.</summary>
    internal static string Letters(string text)
    {
        StringBuilder plain = new(text.Length);
        foreach (char c in text.ToLowerInvariant())
            plain.Append(c switch { 'ä' => "ae", 'ö' => "oe", 'ü' => "ue", 'ß' => "ss", 'é' => "e", _ => c.ToString(CultureInfo.InvariantCulture) });
        return plain.ToString();
    }

    [GeneratedRegex(@"\b(sk|bt|cat|vdi|er|hsk[ -]?[a-f])[ -]?(\d{2,3})\b")]
    private static partial Regex Interface();
}
