namespace Incisura.Core.Milling;

/// <summary>Codes of inputs and figures on the wire: the member's name with a small first letter.</summary>
internal static class Codes
{
    private static readonly Dictionary<string, MillingInput> Inputs = Enum.GetValues<MillingInput>().ToDictionary(i => Of(i));

    /// <summary>The code of a member.</summary>
    public static string Of<T>(T member)
        where T : struct, Enum
    {
        string name = member.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }

    /// <summary>The input of a code.</summary>
    public static bool TryInput(string code, out MillingInput input) => Inputs.TryGetValue(code, out input);
}
