using System.Globalization;
using System.Text;
using Incisura.Core.Geometry;

namespace Incisura.Exchange.Dxf;

/// <summary>Writes a profile as DXF (R12 entities): axis along X, radius along Y, in mm, a layer for each part.</summary>
public static class DxfWriter
{
    public static string Write(Profile profile)
    {
        StringBuilder text = new();
        void Put(int code, object value) => text.Append(CultureInfo.InvariantCulture, $"{code}\n{value}\n");
        Put(0, "SECTION");
        Put(2, "HEADER");
        Put(9, "$INSUNITS");
        Put(70, 4);
        Put(0, "ENDSEC");
        Put(0, "SECTION");
        Put(2, "ENTITIES");
        foreach (ProfileElement e in profile.Elements)
        {
            string layer = e.Part.ToString().ToUpperInvariant();
            if (e.Bulge == 0)
            {
                Put(0, "LINE");
                Put(8, layer);
                Put(10, Number(e.FromZ));
                Put(20, Number(e.FromR));
                Put(11, Number(e.ToZ));
                Put(21, Number(e.ToR));
                continue;
            }

            // An arc of DXF runs counterclockwise; a clockwise one is written from its end.
            (double z, double r) = e.Centre;
            double from = double.RadiansToDegrees(Math.Atan2(e.FromR - r, e.FromZ - z)),
                to = double.RadiansToDegrees(Math.Atan2(e.ToR - r, e.ToZ - z));
            if (e.Bulge < 0) (from, to) = (to, from);
            Put(0, "ARC");
            Put(8, layer);
            Put(10, Number(z));
            Put(20, Number(r));
            Put(40, Number(e.Radius));
            Put(50, Number(from));
            Put(51, Number(to));
        }

        Put(0, "ENDSEC");
        Put(0, "EOF");
        return text.ToString();
    }

    private static string Number(double value) => value.ToString("R", CultureInfo.InvariantCulture);
}
