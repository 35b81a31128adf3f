namespace Incisura.Core.Cutters;

/// <summary>The ways coolant can come.</summary>
public static class Coolants
{
    /// <summary>All, as they are picked.</summary>
    public static IReadOnlyList<OptionPick> All { get; } =
        [new("flood", "flood"), new("through", "through the cutter"), new("mist", "minimum quantity"), new("air", "air"), new("dry", "dry")];
}
