namespace Incisura.Core.Calculation;

/// <summary>Choices between words that operations of every kind share.</summary>
public static class ShopOptions
{
    /// <summary>Code of the option that says how coolant comes, and of the one for the wear of the edge.</summary>
    public const string Coolant = "coolant", Edge = "edge";

    /// <summary>Factor on the specific force for a worn edge; Kienzle and Victor give 1.3 to 1.5.</summary>
    public const double WornFactor = 1.3;

    /// <summary>How coolant comes.</summary>
    public static OptionDescription CoolantBy { get; } = new(
        Coolant, "Coolant",
        [new("flood", "flood"), new("through", "through the cutter"), new("mist", "minimum quantity"), new("air", "air"), new("dry", "dry")], "flood")
    { Group = "Held to" };

    /// <summary>Whether the edge is fresh.</summary>
    public static OptionDescription EdgeWear { get; } = new(
        Edge, "Edge", [new("fresh", "fresh"), new("worn", "worn, force × 1.3")], "fresh")
    { Group = "Held to" };
}
