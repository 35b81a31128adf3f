namespace Incisura.Core.Geometry;

/// <summary>Which part of a cutter or an assembly a piece of its profile belongs to.</summary>
public enum ProfilePart
{
    /// <summary>Cutting edges.</summary>
    Cutting,

    /// <summary>Fluted body that leads in the hole but does not cut.</summary>
    Body,

    /// <summary>Neck behind the flutes.</summary>
    Neck,

    /// <summary>Shank.</summary>
    Shank,

    /// <summary>Extension or reduction sleeve.</summary>
    Extension,

    /// <summary>Holder.</summary>
    Holder,
}

/// <summary>How far something reaches, mm.</summary>
/// <param name="LeastZ">Least Z.</param>
/// <param name="MostZ">Largest Z.</param>
/// <param name="LeastR">Least R.</param>
/// <param name="MostR">Largest R.</param>
public readonly record struct ProfileBox(double LeastZ, double MostZ, double LeastR, double MostR);

/// <summary>
/// A line or arc of a profile. Z runs along the axis from the tip towards the machine, R is the radius of a revolved profile or the
/// distance across a flat one. An arc is given as in DXF: its bulge is the tangent of a quarter of its angle, positive when it turns
/// from Z towards R, 0 for a line. Coming from the tip, a rounding that stands out has a negative bulge.
/// </summary>
/// <param name="Part">Part it belongs to.</param>
/// <param name="FromZ">Z of its start, mm.</param>
/// <param name="FromR">R of its start, mm.</param>
/// <param name="ToZ">Z of its end, mm.</param>
/// <param name="ToR">R of its end, mm.</param>
/// <param name="Bulge">Tangent of a quarter of the arc's angle.</param>
public readonly record struct ProfileElement(ProfilePart Part, double FromZ, double FromR, double ToZ, double ToR, double Bulge = 0)
{
    /// <summary>Distance from start to end, mm.</summary>
    public double Chord => double.Hypot(ToZ - FromZ, ToR - FromR);

    /// <summary>Radius of the arc, mm; infinite for a line.</summary>
    public double Radius => Bulge == 0 ? double.PositiveInfinity : Chord * (1 + (Bulge * Bulge)) / (4 * Math.Abs(Bulge));

    /// <summary>Centre of the arc; not a number for a line.</summary>
    public (double Z, double R) Centre
    {
        get
        {
            // The centre lies on the normal through the middle of the chord.
            double reach = (1 - (Bulge * Bulge)) / (4 * Bulge);
            return ((FromZ + ToZ) / 2 - ((ToR - FromR) * reach), ((FromR + ToR) / 2) + ((ToZ - FromZ) * reach));
        }
    }

    /// <summary>The least and the largest Z and R the element reaches, mm; exact for arcs.</summary>
    public ProfileBox Box
    {
        get
        {
            ProfileBox box = new(Math.Min(FromZ, ToZ), Math.Max(FromZ, ToZ), Math.Min(FromR, ToR), Math.Max(FromR, ToR));
            if (Bulge == 0) return box;
            (double cz, double cr) = Centre;
            double radius = Radius, turn = 4 * Math.Atan(Bulge), from = Math.Atan2(FromR - cr, FromZ - cz);

            // The arc reaches an end of its circle where that lies within its turn from the start.
            bool Passes(double at) =>
                Math.Sign(turn) * (at - from) is var way && (way - (2 * Math.PI * Math.Floor(way / (2 * Math.PI)))) < Math.Abs(turn);
            if (Passes(0)) box = box with { MostZ = cz + radius };
            if (Passes(Math.PI)) box = box with { LeastZ = cz - radius };
            if (Passes(Math.PI / 2)) box = box with { MostR = cr + radius };
            return Passes(-Math.PI / 2) ? box with { LeastR = cr - radius } : box;
        }
    }

    /// <summary>R at a Z between start and end, mm.</summary>
    public double At(double z)
    {
        if (Bulge == 0) return ToZ == FromZ ? Math.Max(FromR, ToR) : FromR + ((ToR - FromR) * (z - FromZ) / (ToZ - FromZ));
        (double cz, double cr) = Centre;
        double rise = Math.Sqrt(Math.Max(0, (Radius * Radius) - ((z - cz) * (z - cz))));
        return (Bulge < 0) == (ToZ > FromZ) ? cr + rise : cr - rise;
    }

    /// <summary>The element from its end to its start.</summary>
    public ProfileElement Reverse() => new(Part, ToZ, ToR, FromZ, FromR, -Bulge);

    /// <summary>The element moved along the axis.</summary>
    public ProfileElement Moved(double by) => this with { FromZ = FromZ + by, ToZ = ToZ + by };

    /// <summary>The part of the element from its start as far as a Z between start and end.</summary>
    public ProfileElement Until(double z)
    {
        double r = At(z);
        ProfileElement line = this with { ToZ = z, ToR = r, Bulge = 0 };
        if (Bulge == 0) return line;

        // Half the angle of a chord is known from its length: sin(θ/2) = chord / 2ρ.
        double half = Math.Asin(Math.Min(1, line.Chord / (2 * Radius)));
        return line with { Bulge = Math.Sign(Bulge) * Math.Tan(half / 2) };
    }

    /// <summary>
    /// Points along the element without its start, close enough that no chord is further than <paramref name="sagitta"/> from the arc.
    /// </summary>
    /// <param name="sagitta">Largest distance between chord and arc, mm, above 0.</param>
    public IEnumerable<(double Z, double R)> Points(double sagitta)
    {
        if (Bulge != 0)
        {
            (double cz, double cr) = Centre;
            double radius = Radius, angle = 4 * Math.Atan(Bulge), from = Math.Atan2(FromR - cr, FromZ - cz);
            double step = 2 * Math.Acos(Math.Max(0.5, 1 - (sagitta / radius)));
            int count = Math.Max(2, (int)Math.Ceiling(Math.Abs(angle) / step));
            for (int i = 1; i < count; i++)
                yield return (cz + (radius * Math.Cos(from + (angle * i / count))), cr + (radius * Math.Sin(from + (angle * i / count))));
        }

        yield return (ToZ, ToR);
    }
}
