using Incisura.Core.Records;

namespace Incisura.Web.Accounts;

/// <summary>Somebody of the demo workshop who signs in with one click.</summary>
public sealed record DemoPerson(string Name, string FullName, Role Role, string Does);

/// <summary>The people of the demo workshop, all made up.</summary>
public static class DemoPeople
{
    public static IReadOnlyList<DemoPerson> All { get; } =
    [
        new("maren", "Maren Osk", Role.Engineer, "Tooling engineer: keeps the library, calculates, proposes"),
        new("tobiah", "Tobiah Fenwright", Role.Approver, "Lead production engineer: reviews and publishes"),
        new("ines", "Ines Varga-Holm", Role.Approver, "Production engineer: reviews and publishes"),
        new("jory", "Jory Pellow", Role.Reader, "Operator: looks figures up at the machine"),
        new("adwin", "Adwin Castellane", Role.Administrator, "Administrator: keeps people"),
    ];
}
