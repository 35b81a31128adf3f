using System.Globalization;
using System.Net;
using System.Text;
using Incisura.Core.Geometry;

namespace Incisura.Exchange.Svg;

/// <summary>A dimension written under a drawing: its words and its end, mm from the tip.</summary>
public readonly record struct SvgDimension(string Text, double Until);

/// <summary>Writes a profile as a true-to-scale SVG drawing: one user unit is one millimetre.</summary>
public static class SvgDrawing
{
    public static string Write(Profile profile, string title, IReadOnlyList<SvgDimension> dimensions)
    {
        const double margin = 12, row = 7;
        double girth = profile.Girth, height = girth + (2 * margin) + (row * (dimensions.Count + 1)), width = profile.Length + (2 * margin),
            axis = margin + (girth / 2);
        StringBuilder svg = new();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{N(width)}mm\" height=\"{N(height)}mm\" viewBox=\"0 0 {N(width)} {N(height)}\" "
                + $"font-family=\"sans-serif\" font-size=\"3.2\">");
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<title>{WebUtility.HtmlEncode(title)}</title><g fill=\"#fff\" stroke=\"#1D2630\" stroke-width=\".35\" stroke-linejoin=\"round\" "
                + $"transform=\"translate({N(margin)} {N(axis)})\">");
        foreach (List<ProfileElement> run in RunsOf(profile))
            svg.Append(CultureInfo.InvariantCulture, $"<path fill=\"{FillOf(run[0].Part)}\" d=\"{Path(run, profile.Shape)}\"/>");
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<path stroke=\"#5C6773\" stroke-width=\".2\" stroke-dasharray=\"6 1.5 1 1.5\" d=\"M-5 0H{N(profile.Length + 5)}\"/></g>");
        for (int i = 0; i < dimensions.Count; i++)
        {
            double y = (2 * margin) + girth + (row * i), end = margin + dimensions[i].Until;
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path fill=\"none\" stroke=\"#0F6E6E\" stroke-width=\".25\" d=\"M{N(margin)} {N(y)}H{N(end)}M{N(margin)} "
                    + $"{N(y - 1.5)}v3M{N(end)} {N(axis + (girth / 2) + 2)}V{N(y + 1.5)}\"/><text x=\"{N(margin + 1)}\" y=\"{N(y - 1)}\" "
                    + $"fill=\"#0F6E6E\">{WebUtility.HtmlEncode(dimensions[i].Text)}</text>");
        }

        return svg.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{N(margin)}\" y=\"{N(height - 2)}\" fill=\"#1D2630\">{WebUtility.HtmlEncode(title)}, scale 1:1, mm</text></svg>").ToString();
    }

    private static string FillOf(ProfilePart part) => part switch
    {
        ProfilePart.Holder or ProfilePart.Extension => "#E3E6E8",
        ProfilePart.Shank => "#F4F0E7",
        _ => "#FFFFFF",
    };

    // Elements of one part that hang together; a part may come again further up.
    private static List<List<ProfileElement>> RunsOf(Profile profile)
    {
        List<List<ProfileElement>> runs = [];
        foreach (ProfileElement e in profile.Elements)
            if (
                runs.Count > 0 && runs[^1][^1] is var last && last.Part == e.Part && Math.Abs(last.ToZ - e.FromZ) < 1e-6
                    && Math.Abs(last.ToR - e.FromR) < 1e-6)
                runs[^1].Add(e);
            else runs.Add([e]);
        return runs;
    }

    private static string Path(List<ProfileElement> elements, ProfileShape shape)
    {
        StringBuilder path = new();
        if (shape == ProfileShape.Flat)
        {
            (double z, double r) = (double.NaN, double.NaN);
            foreach (ProfileElement e in elements)
            {
                if (e.FromZ != z || e.FromR != r) path.Append(CultureInfo.InvariantCulture, $"M{N(e.FromZ)} {N(-e.FromR)}");
                Step(path, e, -1);
                (z, r) = (e.ToZ, e.ToR);
            }

            return path.ToString();
        }

        ProfileElement first = elements[0];
        path.Append(CultureInfo.InvariantCulture, $"M{N(first.FromZ)} {N(-first.FromR)}");
        foreach (ProfileElement e in elements) Step(path, e, -1);
        path.Append(CultureInfo.InvariantCulture, $"L{N(elements[^1].ToZ)} {N(elements[^1].ToR)}");
        foreach (ProfileElement e in Enumerable.Reverse(elements)) Step(path, e.Reverse(), 1);
        return path.Append('Z').ToString();
    }

    private static void Step(StringBuilder path, ProfileElement e, int side)
    {
        if (e.Bulge == 0) path.Append(CultureInfo.InvariantCulture, $"L{N(e.ToZ)} {N(side * e.ToR)}");
        else
            path.Append(
                CultureInfo.InvariantCulture,
                $"A{N(e.Radius)} {N(e.Radius)} 0 {(Math.Abs(e.Bulge) > 1 ? 1 : 0)} {(e.Bulge * side > 0 ? 1 : 0)} {N(e.ToZ)} {N(side * e.ToR)}");
    }

    private static string N(double value) => value.ToString("0.####", CultureInfo.InvariantCulture);
}
