namespace Incisura.Core.Threads;

/// <summary>Limits of size of parallel pipe threads of 55°: ISO 228-1, set down from memory.</summary>
internal static class PipeLimits
{
    // By threads per inch: tolerances of the pitch diameter (class A and internal; class B has twice), of the external major and the internal minor
    // diameter, µm. The pitch diameter of 11 threads per inch has two, below and from Ø65.
    private static readonly Dictionary<int, (double Pitch, double Major, double Minor)> ByPerInch = new()
    {
        [28] = (107, 214, 282),
        [19] = (125, 250, 445),
        [14] = (142, 284, 541),
        [11] = (180, 360, 640),
    };

    public static ThreadLimits? Of(Thread t, string name)
    {
        if (name is not ("A" or "B" or "")) return null;
        if (!ByPerInch.TryGetValue((int)Math.Round(t.PerInch), out (double Pitch, double Major, double Minor) row)) return null;
        ThreadShape s = ThreadShape.Of(t);
        bool large = t.Diameter > 65;
        double pitch = (large ? 217 : row.Pitch) / 1000, d = t.Diameter, d2 = Math.Round(s.Pitch, 3), d1 = Math.Round(s.InternalMinor, 3);
        if (name.Length == 0)
            return new(name, true, new(d, double.NaN), Range(d2, pitch), Range(d1, row.Minor / 1000), "ISO 228-1", false);
        double external = name == "B" ? 2 * pitch : pitch, major = (large ? 434 : row.Major) / 1000;
        return new(name, false, Range(d - major, major), Range(d2 - external, external), new(double.NaN, d1), "ISO 228-1", false);
    }

    private static SizeLimits Range(double least, double tolerance) => new(Math.Round(least, 3), Math.Round(least + tolerance, 3));
}
