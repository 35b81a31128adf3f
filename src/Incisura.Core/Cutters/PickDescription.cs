namespace Incisura.Core.Cutters;

/// <summary>One pick of a choice between words.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Words">Plain words.</param>
public sealed record OptionPick(string Code, string Words);

/// <summary>A choice between words that a family of cutters offers.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Picks">What can be picked.</param>
/// <param name="Default">Code of the pick taken when none is given.</param>
public sealed record PickDescription(string Code, string Name, IReadOnlyList<OptionPick> Picks, string Default);
