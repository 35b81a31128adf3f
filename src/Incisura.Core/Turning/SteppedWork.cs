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
public readonly ref struct SteppedWork
{
    private readonly ReadOnlySpan<WorkStep> steps;
    private readonly ReadOnlySpan<double> holds;
    private readonly double modulus;

    /// <summary>Draws the work up.</summary>
    /// <param name="steps">From the chuck outwards.</param>
    /// <param name="modulus">Young's modulus E, MPa, above 0.</param>
    /// <param name="holds">Where a centre or a steady rest pins it, mm from the chuck; at most two, apart from each other.</param>
    /// <exception cref="ArgumentException">There are more than two holds, or one is not on the work.</exception>
    public SteppedWork(ReadOnlySpan<WorkStep> steps, double modulus, ReadOnlySpan<double> holds = default)
    {
        this.modulus = modulus;
        this.steps = steps;
        this.holds = holds;
        foreach (WorkStep step in steps) Length += step.Length;
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
        for (int i = 1; i <= looks; i++) Try(force, from + (i * step), ref best, ref most);
        for (int i = 0; i < closings; i++)
        {
            step /= 2;
            double middle = best;
            Try(force, Math.Max(from, middle - step), ref best, ref most);
            Try(force, Math.Min(to, middle + step), ref best, ref most);
        }

        return (best, most);
    }

    private void Try(double force, double at, ref double where, ref double largest)
    {
        if (Bend(force, at, at) is var here && here > largest) (where, largest) = (at, here);
    }

    // Bend of the work held by the chuck alone, mm for each N: ∫ (a − x)·(b − x)/(E·I) dx up to the nearer one.
    private double Gives(double a, double b)
    {
        double until = Math.Min(a, b), sum = 0, from = 0;
        foreach ((double length, double d, double bore) in steps)
        {
            if (from >= until) break;
            double u = Math.Min(from + length, until);
            sum += (Integral(a, b, u) - Integral(a, b, from)) / ((d * d * d * d) - (bore * bore * bore * bore));
            from += length;
        }

        return sum * 64 / (Math.PI * modulus);
    }

    private static double Integral(double a, double b, double x) => x * ((a * b) - (x * (((a + b) / 2) - (x / 3))));
}
