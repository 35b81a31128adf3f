using System.Globalization;
using Incisura.Core.Quantities;

namespace Incisura.Exchange.Dxf;

/// <summary>A drawing that cannot be read, with the reason and the cure for a person.</summary>
public sealed class DxfException(string message) : Exception(message);

/// <summary>A line or arc of a drawing; the bulge is as in DXF.</summary>
public readonly record struct DxfPiece(double FromX, double FromY, double ToX, double ToY, double Bulge, string Layer)
{
    /// <summary>The same piece seen from behind, as an entity is stored whose plane looks down.</summary>
    internal DxfPiece Mirrored() => new(-FromX, FromY, -ToX, ToY, -Bulge, Layer);
}

/// <summary>What a DXF file draws.</summary>
/// <param name="Pieces">Lines and arcs.</param>
/// <param name="MillimetresPerUnit">From $INSUNITS; 0 where the file does not say.</param>
/// <param name="LeftOut">Kinds of entities that were passed over, with how many.</param>
public sealed record DxfDrawing(IReadOnlyList<DxfPiece> Pieces, double MillimetresPerUnit, IReadOnlyDictionary<string, int> LeftOut)
{
    /// <summary>The circles among them, once more as circles.</summary>
    public IReadOnlyList<DxfCircle> Circles { get; init; } = [];
}

/// <summary>A circle of a drawing.</summary>
public readonly record struct DxfCircle(double X, double Y, double Radius, string Layer);

/// <summary>Reads lines, arcs, circles and polylines of ASCII DXF.</summary>
public static class DxfReader
{
    private const int MostPieces = 20_000;

    /// <summary>Reads a drawing.</summary>
    /// <exception cref="DxfException">It is no ASCII DXF, or broken.</exception>
    public static DxfDrawing Read(string text)
    {
        if (text.Contains('\0', StringComparison.Ordinal)) throw new DxfException("This is a binary DXF; save the drawing as ASCII DXF.");
        List<(int Code, string Value)> pairs = Pairs(text);
        if (!pairs.Any(p => p is (2, "ENTITIES")))
            throw new DxfException("The file has no ENTITIES section, so it is no DXF drawing; save the profile as ASCII DXF.");
        List<DxfPiece> pieces = [];
        List<DxfCircle> circles = [];
        Dictionary<string, int> leftOut = [];
        HashSet<string> hidden = new(StringComparer.OrdinalIgnoreCase);
        double perUnit = 0;
        int at = 0;
        bool entities = false;
        while (at < pairs.Count)
        {
            (int code, string value) = pairs[at++];
            if (code == 9 && value == "$INSUNITS" && at < pairs.Count)
                perUnit = int.TryParse(pairs[at].Value, out int unit) ? PerUnit(unit) : 0;
            if (code == 2 && value is "ENTITIES") entities = true;
            if (code == 0 && value is "ENDSEC") entities = false;
            if (code != 0 || value is "ENDSEC" or "SECTION" || !(entities || value == "LAYER")) continue;
            int from = at;
            while (at < pairs.Count && pairs[at].Code != 0) at++;
            List<(int Code, string Value)> body = pairs.GetRange(from, at - from);
            if (entities) ReadEntity(value, body);
            else if (Number(body, 62, 7) < 0 || (Flags(body) & 1) != 0) hidden.Add(body.FirstOrDefault(p => p.Code == 2).Value ?? "");
            if (pieces.Count > MostPieces) throw new DxfException($"The drawing has more than {MostPieces} lines and arcs; save the profile alone.");
        }

        return new(pieces, perUnit, leftOut) { Circles = circles };

        void ReadEntity(string kind, List<(int Code, string Value)> body)
        {
            string layer = body.FirstOrDefault(p => p.Code == 8).Value ?? "";

            // Paper, and layers that are switched off or frozen, are not part of what a person sees of the model.
            bool seen = Number(body, 67, 0) == 0 && !hidden.Contains(layer);
            Plane plane = PlaneOf(body);
            if (plane == Plane.Leaning && kind is "ARC" or "CIRCLE" or "LWPOLYLINE" or "POLYLINE") kind = "leaning " + kind;
            (int before, int round) = (pieces.Count, circles.Count);
            switch (kind)
            {
                case "LINE":
                    pieces.Add(new(Number(body, 10), Number(body, 20), Number(body, 11), Number(body, 21), 0, layer));
                    break;
                case "ARC":
                    AddArc(Number(body, 10), Number(body, 20), Positive(body), Number(body, 50), Number(body, 51), layer);
                    break;
                case "CIRCLE":
                    circles.Add(new(Number(body, 10), Number(body, 20), Positive(body), layer));
                    AddArc(Number(body, 10), Number(body, 20), Positive(body), 0, 180, layer);
                    AddArc(Number(body, 10), Number(body, 20), Positive(body), 180, 360, layer);
                    break;
                case "LWPOLYLINE":
                    AddPolyline(Vertices(body), (Flags(body) & 1) != 0, layer);
                    break;
                case "POLYLINE":
                    List<(double X, double Y, double Bulge)> vertices = [];
                    while (at < pairs.Count && pairs[at] is (0, "VERTEX"))
                    {
                        int start = ++at;
                        while (at < pairs.Count && pairs[at].Code != 0) at++;
                        List<(int, string)> vertex = pairs.GetRange(start, at - start);
                        vertices.Add((Number(vertex, 10), Number(vertex, 20), Number(vertex, 42, 0)));
                    }

                    AddPolyline(vertices, (Flags(body) & 1) != 0, layer);
                    break;
                case "SEQEND":
                    break;
                default:
                    if (seen) leftOut[kind] = leftOut.GetValueOrDefault(kind) + 1;
                    break;
            }

            if (!seen)
            {
                pieces.RemoveRange(before, pieces.Count - before);
                circles.RemoveRange(round, circles.Count - round);
            }
            else if (plane == Plane.Mirrored && kind != "LINE")
            {
                for (int i = before; i < pieces.Count; i++) pieces[i] = pieces[i].Mirrored();
                for (int i = round; i < circles.Count; i++) circles[i] = circles[i] with { X = -circles[i].X };
            }
        }

        void AddArc(double x, double y, double radius, double from, double to, string layer)
        {
            double sweep = ((to - from) % 360 + 360) % 360;
            if (sweep == 0) sweep = 360;
            (double a, double b) = (double.DegreesToRadians(from), double.DegreesToRadians(to));
            pieces.Add(new(
                x + (radius * Math.Cos(a)), y + (radius * Math.Sin(a)), x + (radius * Math.Cos(b)), y + (radius * Math.Sin(b)),
                Math.Tan(double.DegreesToRadians(sweep) / 4), layer));
        }

        void AddPolyline(List<(double X, double Y, double Bulge)> vertices, bool closed, string layer)
        {
            for (int i = 0; i + 1 < vertices.Count + (closed && vertices.Count > 1 ? 1 : 0); i++)
            {
                (double x, double y, double bulge) = vertices[i];
                (double nextX, double nextY, _) = vertices[(i + 1) % vertices.Count];
                pieces.Add(new(x, y, nextX, nextY, bulge, layer));
            }
        }
    }

    private static List<(int Code, string Value)> Pairs(string text)
    {
        List<(int, string)> pairs = [];
        using StringReader reader = new(text);
        for (int line = 1; reader.ReadLine() is { } code; line += 2)
        {
            if (code.Trim().Length == 0 && reader.Peek() < 0) break;
            if (!int.TryParse(code.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out int number))
                throw new DxfException(
                    line == 1
                        ? "The file does not begin like a DXF drawing; choose an ASCII DXF file."
                        : $"Line {line} should hold a group code and holds “{(code.Length > 30 ? code[..30] : code).Trim()}”; "
                            + "the drawing is damaged, save it again.");
            string value = reader.ReadLine()
                ?? throw new DxfException($"The drawing ends in the middle of a value at line {line}; it is damaged, save it again.");
            pairs.Add((number, value.Trim()));
        }

        return pairs;
    }

    private static List<(double, double, double)> Vertices(List<(int Code, string Value)> body)
    {
        List<(double X, double Y, double Bulge)> vertices = [];
        for (int i = 0; i < body.Count; i++)
        {
            if (body[i].Code == 10) vertices.Add((Parse(body[i].Value), 0, 0));
            else if (vertices.Count > 0 && body[i].Code == 20) vertices[^1] = vertices[^1] with { Y = Parse(body[i].Value) };
            else if (vertices.Count > 0 && body[i].Code == 42) vertices[^1] = vertices[^1] with { Bulge = Parse(body[i].Value) };
        }

        return vertices;
    }

    private enum Plane
    {
        Upright,
        Mirrored,
        Leaning,
    }

    // Arcs, circles and polylines are stored in a plane of their own, given by its normal.
    private static Plane PlaneOf(List<(int Code, string Value)> body)
    {
        (double x, double y, double z) = (Number(body, 210, 0), Number(body, 220, 0), Number(body, 230, 1));
        return Math.Abs(x) > 1e-6 || Math.Abs(y) > 1e-6 ? Plane.Leaning : z < 0 ? Plane.Mirrored : Plane.Upright;
    }

    private static int Flags(List<(int Code, string Value)> body) => (int)Number(body, 70, 0);

    private static double Positive(List<(int Code, string Value)> body) =>
        Number(body, 40) is var radius && radius > 0
            ? radius
            : throw new DxfException("An arc of the drawing has no radius; the drawing is damaged, save it again.");

    private static double Number(List<(int Code, string Value)> body, int code, double? otherwise = null)
    {
        foreach ((int c, string value) in body)
            if (c == code) return Parse(value);
        return otherwise
            ?? throw new DxfException($"A line or arc of the drawing lacks a coordinate (group {code}); the drawing is damaged, save it again.");
    }

    private static double Parse(string value) =>
        double.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out double v) && double.IsFinite(v)
            ? v
            : throw new DxfException($"“{value}” should be a number; the drawing is damaged, save it again.");

    // Millimetres of a unit, by its number in $INSUNITS; 0 where it is none of length.
    private static double PerUnit(int unit) => unit switch
    {
        1 => Units.MillimetresPerInch,
        2 => 12 * Units.MillimetresPerInch,
        4 => 1,
        5 => 10,
        6 => 1000,
        _ => 0,
    };
}
