using Incisura.Core.Cutters.Kinds;
using Incisura.Core.Geometry;
using Incisura.Core.Materials;

namespace Incisura.Core.Cutters;

/// <summary>A cutter: its family, and the dimensions the family asks for by their symbols. Lengths in mm, measured from the tip.</summary>
public sealed record Cutter
{
    /// <summary>The workshop's number for it, unique in the library.</summary>
    public required string Number { get; init; }

    /// <summary>Geometry family.</summary>
    public CutterFamily Family { get; init; }

    /// <summary>Cutting material.</summary>
    public CuttingMaterial Material { get; init; }

    /// <summary>Grade in the shop's words, such as P25 of ISO 513; empty where nobody has said.</summary>
    public string Grade { get; init; } = "";

    /// <summary>Coating in the shop's words; empty for none.</summary>
    public string Coating { get; init; } = "";

    /// <summary>Hand.</summary>
    public Hand Hand { get; init; }

    /// <summary>Whether coolant comes through it.</summary>
    public bool ThroughCoolant { get; init; }

    /// <summary>Regrinds left; 0 where it is not reground.</summary>
    public int Regrinds { get; init; }

    /// <summary>Values of the family's dimensions, base units, by symbol.</summary>
    public IReadOnlyDictionary<string, double> Dimensions { get; init; } = new Dictionary<string, double>();

    /// <summary>What is picked of the family's choices, by code; what is left out takes its default.</summary>
    public IReadOnlyDictionary<string, string> Picks { get; init; } = new Dictionary<string, string>();

    /// <summary>The free profile, from tip to back; only a family with a free profile has one.</summary>
    public IReadOnlyList<StackSegment> Segments { get; init; } = [];

    /// <summary>Groups of work material the cutter may cut.</summary>
    public IReadOnlyList<MaterialGroup> Groups { get; init; } = [];

    /// <summary>Whether it is out of use; it stays for records that rest on it, and lists leave it out.</summary>
    public bool Retired { get; init; }

    /// <summary>Identity of the cutter that replaces it; 0 for none.</summary>
    public int ReplacedById { get; init; }

    /// <summary>Remarks.</summary>
    public string Remarks { get; init; } = "";

    /// <summary>Value of a dimension, base unit; not a number where the cutter has none.</summary>
    /// <param name="dimension">The dimension.</param>
    public double this[Dimension dimension] => Dimensions.TryGetValue(dimension.Symbol, out double value) ? value : double.NaN;

    /// <summary>Size people call it by, mm: its cutting diameter, a thread's or a step's diameter, or the shank of a turning tool.</summary>
    public double CalledSize => Dimensions.TryGetValue(Described.CalledBy, out double value) ? value : double.NaN;

    /// <summary>Diameter its edges run on when it turns, mm, DC or what stands for it; not a number for a cutter that stands still.</summary>
    public double CuttingDiameter => Described.Use == CutterUse.Turning ? double.NaN : CalledSize;

    /// <summary>
    /// What feeds of the speed chart go by, mm: the cutting diameter; of an edge that stands still the width of a blade, or else the corner radius.
    /// </summary>
    public double FeedSize =>
        Described.Use != CutterUse.Turning ? CuttingDiameter
            : this[Dimension.CuttingWidth] is var width && width > 0 ? width
            : this[Dimension.CornerRadius];

    /// <summary>Number of teeth ZEFF; 1 where the family has no such dimension.</summary>
    public int Teeth => this[Dimension.Teeth] is var z && z >= 1 ? (int)z : 1;

    /// <summary>Largest depth of cut APMX, mm.</summary>
    public double LargestDepth => this[Dimension.LargestDepth];

    /// <summary>Length of the chip flutes LCF, mm.</summary>
    public double FluteLength => this[Dimension.FluteLength];

    /// <summary>
    /// Usable length to the end of a neck that follows the flutes into the cut, LU, mm; the flute length where there is none, or where a collar
    /// stands behind the flutes.
    /// </summary>
    public double UsableLength => this[Dimension.UsableLength] is var lu && lu > 0 && !(HasCollar && FluteLength > 0) ? lu : FluteLength;

    /// <summary>Whether what is behind the flutes is thicker than what they cut.</summary>
    private bool HasCollar =>
        this[Dimension.NeckDiameter] > Math.Max(CuttingDiameter, this[Dimension.LargestDiameter] is var widest && widest > 0 ? widest : 0) + 1e-9;

    /// <summary>Overall length OAL, mm; of a free profile its whole length.</summary>
    public double OverallLength => Segments.Count > 0 ? StackedProfile.Length(Segments) : this[Dimension.OverallLength];

    /// <summary>Helix angle FHA, degrees; 0 where the family has none.</summary>
    public double HelixAngle => Dimensions.GetValueOrDefault(Dimension.HelixAngle.Symbol);

    /// <summary>What a holder clamps or seats, mm: the shank's diameter or height, or the bore.</summary>
    public double ShankSize =>
        Described.FreeProfile && Segments.Count > 0 ? Segments[^1].UpperDiameter : Dimensions.GetValueOrDefault(Described.ShankSize, double.NaN);

    /// <summary>Length that must stay outside a holder, mm: edges and flutes, head or reach, and whatever is thicker than the shank.</summary>
    public double LeastProjection
    {
        get
        {
            double named = new[] { FluteLength, this[Dimension.HeadLength], this[Dimension.Reach], this[Dimension.UsableLength] }
                .Where(v => v > 0)
                .DefaultIfEmpty(0)
                .First();
            if (!HasRoundShank) return named;
            double half = (ShankSize / 2) + 1e-9;
            return Profile().Elements
                .Where(e => e.Part is ProfilePart.Cutting or ProfilePart.Body || Math.Max(e.FromR, e.ToR) > half)
                .Aggregate(named, (z, e) => Math.Max(z, e.ToZ));
        }
    }

    // Whether a profile turned about the axis can be drawn, from values that are at least in the range of their kind.
    private bool HasRoundShank =>
        Described.Shank == ShankForm.Cylindrical && Described.Use != CutterUse.Turning
        && (Described.FreeProfile ? Segments.Count > 0 : Described.Dimensions.All(
            d => d.Optional || (this[d.Dimension] >= d.Least && this[d.Dimension] <= d.Most)));

    /// <summary>Where the shank begins that a holder grips, mm from the tip; a thinner neck before it is not gripped.</summary>
    public double ShankFrom
    {
        get
        {
            if (!HasRoundShank) return LeastProjection;
            ProfileElement last = Profile().Elements[^1];
            return last.Part == ProfilePart.Shank && last.FromR == last.ToR && Math.Abs((2 * last.ToR) - ShankSize) < 1e-9
                ? last.FromZ
                : OverallLength;
        }
    }

    /// <summary>Its family.</summary>
    public Family Described => Families.Of(Family);

    /// <summary>Its profile from the tip to the back; the cutter is taken as checked.</summary>
    public Profile Profile() => Described.Draw(this);

    /// <summary>What is picked of one of the family's choices, or its default.</summary>
    public string Picked(string code) => Picks.GetValueOrDefault(code) ?? Described.Picks.First(p => p.Code == code).Default;

    /// <summary>The thread a tap makes; null for any other cutter. The cutter is taken as checked.</summary>
    public Threads.Thread? TapThread =>
        Family is CutterFamily.CuttingTap or CutterFamily.FormingTap or CutterFamily.TaperPipeTap ? Taps.ThreadOf(this) : null;

    /// <summary>The same cutter with one dimension changed.</summary>
    public Cutter With(Dimension dimension, double value) =>
        this with { Dimensions = new Dictionary<string, double>(Dimensions) { [dimension.Symbol] = value } };

    /// <summary>Checks every dimension, the relations between them, and the words.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("number", "The number", Number, 24)
            .Holds(Enum.IsDefined(Family), "family", double.NaN, "The cutter family is unknown; choose one from the list.")
            .Holds(Enum.IsDefined(Material), "material", double.NaN, "The cutting material is unknown; choose one from the list.")
            .Holds(Enum.IsDefined(Hand), "hand", double.NaN, "The hand is unknown; choose right, left or neutral.")
            .Holds(Groups.Count > 0, "groups", double.NaN, "No work-material group is chosen; choose at least one of P, M, K, N, S, H.")
            .Holds(
                Groups.All(Enum.IsDefined) && Groups.Distinct().Count() == Groups.Count, "groups", double.NaN,
                "Each work-material group can be chosen once, from P, M, K, N, S, H.")
            .Holds(Coating.Length <= 60, "coating", Coating.Length, "The coating holds at most 60 characters.")
            .Holds(Grade.Length <= 60, "grade", Grade.Length, "The grade holds at most 60 characters.")
            .Holds(Remarks.Length <= 2000, "remarks", Remarks.Length, "The remarks hold at most 2000 characters.")
            .Within("regrinds", "The number of regrinds left", Regrinds, 0, 99, Quantity.Count)
            .Holds(ReplacedById == 0 || Retired, "replacedById", ReplacedById, "Only a retired cutter is replaced by another; retire it first.");
        if (!Enum.IsDefined(Family)) return check;

        Family family = Described;
        int before = check.Faults.Count;
        foreach (FamilyDimension d in family.Dimensions)
        {
            double value = this[d.Dimension];
            if (d.Optional && (double.IsNaN(value) || value == 0)) continue;
            if (d.Contradiction(Dimensions) is { } contradiction)
            {
                check.Holds(
                    false, $"dimensions.{d.Dimension.Symbol}", value, $"No {d.Dimension.Name} {d.Dimension.Symbol} is possible: {contradiction}");
                continue;
            }

            (double least, double most) = d.RangeIn(Dimensions);
            check.Within(
                $"dimensions.{d.Dimension.Symbol}", $"The {d.Dimension.Name} {d.Dimension.Symbol}", value, least, most, d.Dimension.Quantity);
        }

        foreach (string symbol in Dimensions.Keys)
            check.Holds(
                family.Dimensions.Any(d => d.Dimension.Symbol == symbol), $"dimensions.{symbol}", Dimensions[symbol],
                $"A {family.Name} has no dimension {symbol}; leave it out.");
        foreach ((string code, string picked) in Picks)
            check.Holds(
                family.Picks.FirstOrDefault(p => p.Code == code)?.Picks.Any(p => p.Code == picked) == true, $"picks.{code}", double.NaN,
                $"A {family.Name} cannot have {code} “{picked}”; choose one that is offered.");
        if (family.FreeProfile)
            check.Stacked(Segments, 0)
                .Holds(Segments.Any(s => s.Cuts), "segments", Segments.Count, "No segment of the profile cuts; mark at least one as cutting.");
        else
            check.Holds(
                Segments.Count == 0, "segments", Segments.Count,
                $"The profile of a {family.Name} follows from its dimensions; leave the segments out, or make it a form cutter.");

        // Relations presume values within their own ranges, and what holds for every cutter presumes those of its family.
        if (check.Faults.Count == before) Relate(family.Relations);
        if (check.Faults.Count == before) Relate(Kinds.Parts.Always);
        return check;

        void Relate(IReadOnlyList<Relation> relations)
        {
            foreach (Relation r in relations.Where(r => !r.Holds(this)))
                check.Holds(false, $"dimensions.{r.Symbol.Symbol}", this[r.Symbol], r.Sentence(this));
        }
    }

    /// <summary>Questions about values that can be taken but look like a slip of units; none of them is a refusal.</summary>
    public IReadOnlyList<InputFault> Doubts()
    {
        double dc = CuttingDiameter, shank = ShankSize;
        if (Described.Shank != ShankForm.Cylindrical || !(dc > 0) || !(shank > 0)) return [];
        double inch = dc * Units.MillimetresPerInch;
        return dc * 12 < shank && inch >= shank * 0.4 && inch <= shank * 1.6
            ? [new($"dimensions.{Described.CalledBy}", dc, double.NaN, double.NaN, $"Ø{dc:0.###} mm stands on a shank of {shank:0.###} mm: was "
                + $"{dc:0.####} in ({inch:0.###} mm) meant?") { Meant = inch }]
            : [];
    }
}
