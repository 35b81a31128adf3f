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
    private readonly ReadOnlySpan<WorkSums> sums;
    private readonly ReadOnlySpan<double> holds;
    private readonly double first, between, second;

    /// <summary>Draws the work up.</summary>
    /// <param name="steps">From the chuck outwards; at least one.</param>
    /// <param name="room">Room for as many sums, kept as long as the work is asked.</param>
    /// <param name="modulus">Young's modulus E, MPa, above 0.</param>
    /// <param name="holds">Where a centre or a steady rest pins it, mm from the chuck; at most two, apart from each other.</param>
    /// <exception cref="ArgumentException">There are more than two holds, or one is not on the work.</exception>
    public SteppedWork(ReadOnlySpan<WorkStep> steps, Span<WorkSums> room, double modulus, ReadOnlySpan<double> holds = default)
    {
        this.holds = holds;
        WorkSums sum = default;
        for (int i = 0; i < steps.Length; i++)
        {
            (double length, double d, double bore) = steps[i];
            room[i] = sum = new(Length, 64 / (Math.PI * modulus * ((d * d * d * d) - (bore * bore * bore * bore))), sum.Upto(Length));
            Length += length;
        }

        sums = room[..steps.Length];
        if (holds.Length > 2) throw new ArgumentException("Work is held at two places beside the chuck at most.", nameof(holds));
        foreach (double at in holds)
            if (!(at > 0 && at <= Length + 1e-9)) throw new ArgumentException("A hold lies on the work, beyond the chuck.", nameof(holds));
        if (holds.Length > 0) first = Gives(holds[0], holds[0]);
        if (holds.Length > 1) (between, second) = (Gives(holds[0], holds[1]), Gives(holds[1], holds[1]));
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
        if (holds.Length == 0) return 1000 * force * free;
        double here = Gives(at, holds[0]), p = loaded == at ? here : Gives(holds[0], loaded);
        if (holds.Length == 1) free -= here * p / first;
        else
        {
            double q = Gives(holds[1], loaded), of = (first * second) - (between * between);
            free -= ((here * ((second * p) - (between * q))) + (Gives(at, holds[1]) * ((first * q) - (between * p)))) / of;
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

        // Held by the chuck alone it gives most at its end.
        if (holds.Length == 0) return (to, Bend(force, to, to));
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
        double until = Math.Min(a, b);
        int i = sums.Length - 1;
        while (i > 0 && sums[i].From >= until) i--;
        (double one, double x, double square) = sums[i].Upto(until);
        return (a * b * one) - ((a + b) * x) + square;
    }
}

/// <summary>What a step of work adds to the integrals of its bend, and what those before it add.</summary>
/// <param name="From">Where it begins, mm from the chuck.</param>
/// <param name="Give">1/(E·I), 1/(N·mm²).</param>
/// <param name="Before">∫ 1, x and x² over E·I up to there.</param>
public readonly record struct WorkSums(double From, double Give, (double One, double X, double Square) Before)
{
    /// <summary>The same integrals up to a place on this step.</summary>
    /// <param name="x">mm from the chuck.</param>
    internal (double One, double X, double Square) Upto(double x) => (
        Before.One + (Give * (x - From)), Before.X + (Give * ((x * x) - (From * From)) / 2),
        Before.Square + (Give * ((x * x * x) - (From * From * From)) / 3));
}
