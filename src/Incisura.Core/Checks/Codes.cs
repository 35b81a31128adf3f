namespace Incisura.Core.Checks;

/// <summary>Codes on the wire of the members of an enumeration: the member's name with a small first letter.</summary>
/// <typeparam name="TMember">The enumeration.</typeparam>
internal static class Codes<TMember>
    where TMember : struct, Enum
{
    private static readonly TMember[] Members = Enum.GetValues<TMember>();
    private static readonly string[] Texts = [.. Members.Select(m => char.ToLowerInvariant(m.ToString()[0]) + m.ToString()[1..])];

    /// <summary>The code of a member.</summary>
    public static string Of(TMember member) => Texts[Array.IndexOf(Members, member)];

    /// <summary>The member of a code.</summary>
    public static bool TryMember(string code, out TMember member)
    {
        int at = Array.IndexOf(Texts, code);
        member = at < 0 ? default : Members[at];
        return at >= 0;
    }
}

/// <summary>Codes of members whose enumeration the compiler can tell.</summary>
internal static class Codes
{
    /// <summary>The code of a member.</summary>
    public static string Of<TMember>(TMember member)
        where TMember : struct, Enum => Codes<TMember>.Of(member);
}
