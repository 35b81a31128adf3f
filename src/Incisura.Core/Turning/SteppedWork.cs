namespace Incisura.Core.Turning;

/// <summary>One step of turned work, from the chuck outwards.</summary>
/// <param name="Length">mm, above 0.</param>
/// <param name="Diameter">mm, above 0.</param>
/// <param name="Bore">mm, at least 0, below the diameter.</param>
public readonly record struct WorkStep(double Length, double Diameter, double Bore = 0);

/// <summary>
/// How stepped work in a chuck bends: clamped at the chuck, pinned where a centre or a steady rest holds it. Bending alone, without shear
/// (Euler-Bernoulli); the holds by the method of forces.
/// </summary>
public sealed class SteppedWork
{
    private readonly (double From, double To, double Gives)[] pieces;
    private readonly double[] holds;

    /// <summary>Draws the work up.</summary>
    /// <param name="steps">From the chuck outwards.</param>
    /// <param name="modulus">Young's modulus E, MPa, above 0.</param>
    /// <param name="holds">Where a centre or a steady rest pins it, mm from the chuck; at most two, apart from each other.</param>
    /// <exception cref="ArgumentException">There are more than two holds, or one is not on the work.</exception>
    public SteppedWork(IReadOnlyList<WorkStep> steps, double modulus, params ReadOnlySpan<double> holds)
    {
        pieces = new (double, double, double)[steps.Count];
        double from = 0;
        for (int i = 0; i < steps.Count; i++)
        {
            (double length, double d, double bore) = steps[i];
            pieces[i] = (from, from + length, 64 / (Math.PI * modulus * ((d * d * d * d) - (bore * bore * bore * bore))));
            from += length;
        }

        Length = from;
        this.holds = holds.ToArray();
        if (holds.Length > 2) throw new ArgumentException("Work is held at two places beside the chuck at most.", nameof(holds));
        foreach (double at in holds)
            if (!(at > 0 && at <= Length + 1e-9)) throw new ArgumentException("A hold lies on the work, beyond the chuck.", nameof(holds));
    }

    /// <summary>Length out of the chuck, mm.</summary>
    public double Length { get; }

    /// <summary>Bend at one place under a force at another, µm.</summary>
    /// <param name="force">Force square to the axis, N.</param>
    /// <param name="loaded">Where it acts, mm from the chuck.</param>
    /// <param name="at">Place looked at, mm from the chuck.</param>
    public double Bend(double force, double loaded, double at)
    {
        double free = Gives(at, loaded);
        if (holds.Length == 1) free -= Gives(at, holds[0]) * Gives(holds[0], loaded) / Gives(holds[0], holds[0]);
        else if (holds.Length == 2)
        {
            double a = Gives(holds[0], holds[0]), b = Gives(holds[0], holds[1]), d = Gives(holds[1], holds[1]), p = Gives(holds[0], loaded),
                q = Gives(holds[1], loaded), of = (a * d) - (b * b);
            free -= ((Gives(at, holds[0]) * ((d * p) - (b * q))) + (Gives(at, holds[1]) * ((a * q) - (b * p)))) / of;
        }

        return 1000 * force * free;
    }

    /// <summary>Where a tool that goes along bends the work most, and by how much there, looked at in even steps and closed in on.</summary>
    /// <param name="force">N.</param>
    /// <param name="from">mm from the chuck.</param>
    /// <param name="to">mm from the chuck.</param>
    /// <returns>Place, mm from the chuck, and bend, µm.</returns>
    public (double At, double Most) Worst(double force, double from, double to)
    {
        const int looks = 24, closings = 6;
        double best = from, most = Bend(force, from, from), step = (to - from) / looks;
        for (int i = 1; i <= looks; i++) Try(from + (i * step), ref best, ref most);
        for (int i = 0; i < closings; i++)
        {
            step /= 2;
            double middle = best;
            Try(Math.Max(from, middle - step), ref best, ref most);
            Try(Math.Min(to, middle + step), ref best, ref most);
        }

        return (best, most);

        void Try(double at, ref double where, ref double largest)
        {
            if (Bend(force, at, at) is var here && here > largest) (where, largest) = (at, here);
        }
    }

    // Bend of the work held by the chuck alone, mm for each N: ∫ (a − x)·(b − x)/(E·I) dx up to the nearer one.
    private double Gives(double a, double b)
    {
        double until = Math.Min(a, b), sum = 0;
        foreach ((double from, double to, double gives) in pieces)
        {
            if (from >= until) break;
            double u = Math.Min(to, until);
            sum += gives * (Integral(u) - Integral(from));
        }

        return sum;

        double Integral(double x) => x * ((a * b) - (x * (((a + b) / 2) - (x / 3))));
    }
}
