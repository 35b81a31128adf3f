using System.Runtime.CompilerServices;

namespace Incisura.Core.Milling;

/// <summary>
/// What a chip that grows with the sine of the angle adds up to along an arc, for a force that follows a power p of it: T = ∫ sin^p, C = ∫ sin^p·cos
/// and S = ∫ sin^p·sin, from 0 to an angle. T and S have no closed form; all three are read from a table by cubic pieces that keep value and
/// slope, to better than one part in 10⁴.
/// </summary>
internal sealed class SineIntegrals
{
    private const int Cells = 256, Values = 6;
    private const double Step = Math.PI / Cells;

    // For each node T, C and S, then their slopes times the step.
    private readonly double[] table = new double[(Cells + 1) * Values];

    /// <summary>Prepares the table of a power.</summary>
    /// <param name="power">p, 0 to 1: 1 − m_c.</param>
    public SineIntegrals(double power)
    {
        Power = power;
        double t = 0, s = 0;
        ReadOnlySpan<double> places = [-0.8611363115940526, -0.3399810435848563, 0.3399810435848563, 0.8611363115940526],
            weights = [0.3478548451374538, 0.6521451548625461, 0.6521451548625461, 0.3478548451374538];
        for (int i = 0; i <= Cells; i++)
        {
            (double sine, double cosine) = i == Cells ? (0, -1) : Math.SinCos(i * Step);
            double slope = Math.Pow(sine, power);
            Span<double> node = table.AsSpan(i * Values, Values);
            (node[0], node[1], node[2]) = (t, Math.Pow(sine, power + 1) / (power + 1), s);
            (node[3], node[4], node[5]) = (slope * Step, slope * cosine * Step, slope * sine * Step);
            for (int k = 0; k < places.Length; k++)
            {
                double at = Math.Sin((i + 0.5 + (places[k] / 2)) * Step), power1 = Math.Pow(Math.Max(0, at), power);
                t += power1 * weights[k] * Step / 2;
                s += power1 * at * weights[k] * Step / 2;
            }
        }
    }

    /// <summary>The power p.</summary>
    public double Power { get; }

    /// <summary>T at an angle, 0 to π.</summary>
    public double Along(double angle)
    {
        double at = angle * (1 / Step);
        int cell = Math.Clamp((int)at, 0, Cells - 1);
        return Read(ref table[cell * Values], at - cell);
    }

    /// <summary>C and S at an angle, 0 to π.</summary>
    public (double C, double S) Across(double angle)
    {
        double at = angle * (1 / Step);
        int cell = Math.Clamp((int)at, 0, Cells - 1);
        ref double node = ref table[cell * Values];
        return (Read(ref Unsafe.Add(ref node, 1), at - cell), Read(ref Unsafe.Add(ref node, 2), at - cell));
    }

    // The cubic between a node and the next, whose values and slopes stand at even distances.
    private static double Read(ref double value, double u)
    {
        double here = value, rise = Unsafe.Add(ref value, Values) - here, from = Unsafe.Add(ref value, 3), to = Unsafe.Add(ref value, Values + 3);
        return here + (u * (from + (u * ((3 * rise) - (2 * from) - to + (u * (from + to - (2 * rise)))))));
    }
}
