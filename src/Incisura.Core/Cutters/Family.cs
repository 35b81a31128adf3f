using Incisura.Core.Geometry;

namespace Incisura.Core.Cutters;

/// <summary>What a family is for.</summary>
public enum CutterUse
{
    /// <summary>Milling.</summary>
    Milling,

    /// <summary>Making and finishing holes, and tapping.</summary>
    Holes,

    /// <summary>Turning.</summary>
    Turning,
}

/// <summary>How a part is held at its back.</summary>
public enum ShankForm
{
    /// <summary>Cylindrical shank, by its diameter.</summary>
    Cylindrical,

    /// <summary>Square shank, by its height.</summary>
    Square,

    /// <summary>Blade, by its height.</summary>
    Blade,

    /// <summary>Bore that seats on an arbor, by the bore's diameter; the part sits flush.</summary>
    Arbor,

    /// <summary>Modular coupling, by its nominal size; the part sits flush.</summary>
    Modular,
}

/// <summary>A relation between dimensions that is more than one value under another.</summary>
/// <param name="Symbol">The dimension to mend.</param>
/// <param name="Holds">Whether it holds.</param>
/// <param name="Sentence">What is wrong and what would cure it.</param>
internal sealed record Relation(Dimension Symbol, Func<Cutter, bool> Holds, Func<Cutter, string> Sentence);

/// <summary>A family of cutters: its words, its dimensions with their ranges, how it is held, and how its profile is drawn.</summary>
public sealed class Family
{
    internal Family(
        CutterFamily code, string name, CutterUse use, ShankForm shank, Dimension shankSize, Func<Cutter, Profile> draw,
        params IReadOnlyList<FamilyDimension> dimensions)
    {
        Code = code;
        Name = name;
        Use = use;
        Shank = shank;
        ShankSize = shankSize.Symbol;
        Draw = draw;
        Dimensions = dimensions;
    }

    /// <summary>Which family.</summary>
    public CutterFamily Code { get; }

    /// <summary>The trade's words, in lower case.</summary>
    public string Name { get; }

    /// <summary>What it is for.</summary>
    public CutterUse Use { get; }

    /// <summary>How it is held.</summary>
    public ShankForm Shank { get; }

    /// <summary>Symbol of the dimension that a holder clamps or seats.</summary>
    public string ShankSize { get; }

    /// <summary>Its dimensions in the order people read them.</summary>
    public IReadOnlyList<FamilyDimension> Dimensions { get; }

    /// <summary>Words to pick, such as the form of the flutes.</summary>
    public IReadOnlyList<PickDescription> Picks { get; internal init; } = [];

    /// <summary>Symbol of the dimension the cutter is called by, <see cref="Cutter.CalledSize"/>.</summary>
    public string CalledBy { get; internal init; } = Dimension.CuttingDiameter.Symbol;

    /// <summary>Whether its edges are inserts on a steel body.</summary>
    public bool Inserts { get; internal init; }

    /// <summary>Whether its profile is entered freely instead of following from dimensions.</summary>
    public bool FreeProfile { get; internal init; }

    internal Func<Cutter, Profile> Draw { get; }

    internal IReadOnlyList<Relation> Relations { get; init; } = [];

    /// <summary>Whether the family has a dimension.</summary>
    public bool Has(Dimension dimension) => Dimensions.Any(d => d.Dimension == dimension);

    /// <summary>The values a new cutter starts from, by symbol.</summary>
    public IReadOnlyDictionary<string, double> Start =>
        Dimensions.Where(d => d.Start != 0 || !d.Optional).ToDictionary(d => d.Dimension.Symbol, d => d.Start);
}
