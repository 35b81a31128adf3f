using PdfSharp.Drawing;
using PdfSharp.Fonts;
using QRCoder;

namespace Incisura.Exchange.Paper;

/// <summary>What every printed sheet needs, in mm: the shipped fonts, texts that fit, codes.</summary>
internal static class Print
{
    /// <summary>Family of the shipped fonts.</summary>
    public const string Family = "Plex";

    private static readonly Lock Gate = new();

    /// <summary>Sees to it that the shipped fonts are used; before the first font is asked for.</summary>
    public static void UseFonts()
    {
        lock (Gate)
            if (GlobalFontSettings.FontResolver is null) GlobalFontSettings.FontResolver = new ShippedFonts();
    }

    /// <summary>Points of a length.</summary>
    public static double Mm(double mm) => XUnit.FromMillimeter(mm).Point;

    /// <summary>Width of a text.</summary>
    public static double WidthOf(XGraphics page, string text, XFont font) => page.MeasureString(text, font).Width / Mm(1);

    /// <summary>The largest font up to a size in which a text fits the room.</summary>
    public static XFont Fitting(XGraphics page, string text, double size, double room, XFontStyleEx style)
    {
        XFont font = new(Family, size, style);
        double width = WidthOf(page, text, font);
        return width <= room ? font : new(Family, Math.Max(3.5, size * room / width), style);
    }

    /// <summary>Draws a code that a camera reads.</summary>
    public static void Code(XGraphics page, string holds, double left, double top, double side)
    {
        using QRCodeGenerator generator = new();
        using QRCodeData data = generator.CreateQrCode(holds, QRCodeGenerator.ECCLevel.M);
        int modules = data.ModuleMatrix.Count;
        double module = side / modules;
        for (int r = 0; r < modules; r++)
            for (int c = 0; c < modules; c++)
                if (data.ModuleMatrix[r][c])
                    page.DrawRectangle(XBrushes.Black, Mm(left + (c * module)), Mm(top + (r * module)), Mm(module * 1.02), Mm(module * 1.02));
    }

    private sealed class ShippedFonts : IFontResolver
    {
        public FontResolverInfo ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
            new(isBold ? "IBMPlexSans-SemiBold" : "IBMPlexSans-Regular");

        public byte[] GetFont(string faceName)
        {
            using Stream stream = typeof(ShippedFonts).Assembly.GetManifestResourceStream(faceName)!;
            using MemoryStream copy = new();
            stream.CopyTo(copy);
            return copy.ToArray();
        }
    }
}
