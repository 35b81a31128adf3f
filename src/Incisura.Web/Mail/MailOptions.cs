using MailKit.Security;

namespace Incisura.Web.Mail;

/// <summary>How mail goes out: settings Incisura__Mail__Host and so on. Without a host none does.</summary>
public sealed class MailOptions
{
    /// <summary>Name of the group of settings.</summary>
    public const string Section = "Incisura:Mail";

    public string Host { get; set; } = "";

    public int Port { get; set; } = 587;

    /// <summary>How the connection is secured; by default it is whenever the server can.</summary>
    public SecureSocketOptions Security { get; set; } = SecureSocketOptions.Auto;

    public string User { get; set; } = "";

    public string Password { get; set; } = "";

    /// <summary>Address it comes from.</summary>
    public string From { get; set; } = "incisura@localhost";

    /// <summary>Where the application is reached, for links.</summary>
    public string Link { get; set; } = "http://localhost:5080";

    /// <summary>How long what happens is gathered into one mail.</summary>
    public TimeSpan Every { get; set; } = TimeSpan.FromMinutes(10);
}
