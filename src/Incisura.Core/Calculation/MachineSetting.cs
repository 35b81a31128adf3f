namespace Incisura.Core.Calculation;

/// <summary>A figure or a field that somebody sets at the machine, by its code.</summary>
/// <param name="Code">Code of the figure or the field.</param>
public readonly record struct MachineSetting(string Code)
{
    /// <summary>A figure.</summary>
    public static implicit operator MachineSetting(Output output) => new(Codes.Of(output));

    /// <summary>A field, where no figure tells it.</summary>
    public static implicit operator MachineSetting(Input input) => new(Codes.Of(input));

    /// <summary>The codes of all, in the order in which a machine is set: what comes first stands large.</summary>
    /// <param name="all">Figures and fields.</param>
    public static IReadOnlyList<string> InOrder(params ReadOnlySpan<MachineSetting> all)
    {
        string[] codes = new string[all.Length];
        for (int i = 0; i < all.Length; i++) codes[i] = all[i].Code;
        return codes;
    }
}
