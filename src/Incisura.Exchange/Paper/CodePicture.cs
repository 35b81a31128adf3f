using QRCoder;

namespace Incisura.Exchange.Paper;

/// <summary>Codes that a camera reads, as pictures for a page.</summary>
public static class CodePicture
{
    private const int Side = 200;

    /// <summary>Draws one as SVG.</summary>
    /// <param name="holds">What it holds.</param>
    public static string Svg(string holds)
    {
        using QRCodeGenerator generator = new();
        using QRCodeData data = generator.CreateQrCode(holds, QRCodeGenerator.ECCLevel.M);
        using SvgQRCode picture = new(data);
        return picture.GetGraphic(new System.Drawing.Size(Side, Side), "#000", "#fff", sizingMode: SvgQRCode.SizingMode.ViewBoxAttribute);
    }
}
