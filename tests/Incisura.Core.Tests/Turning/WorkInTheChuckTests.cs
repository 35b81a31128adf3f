using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Machines;
using Incisura.Core.Tests.ThreadCutting;
using Incisura.Core.Turning;

using static Incisura.Core.Tests.Turning.TurningSample;

namespace Incisura.Core.Tests.Turning;

public class WorkInTheChuckTests
{
    private const double Modulus = 210_000;

    private static readonly Gen<WorkStep[]> Steps =
        Gen.Select(Gen.Double[5, 120], Gen.Double[8, 80], Gen.Double[0, 0.7])
            .Select((l, d, b) => new WorkStep(l, d, b < 0.2 ? 0 : b * d)).Array[1, 5];

    // Independent of the product: the curvature summed twice in small steps, the holds found so that they do not move.
    private static double Fine(WorkStep[] steps, double loaded, double at, double[] holds)
    {
        const int parts = 40_000;
        double length = steps.Sum(s => s.Length), dx = length / parts;
        double Free(double load, double place)
        {
            double slope = 0, bend = 0, until = 0;
            int step = -1;
            for (int i = 0; i * dx < place; i++)
            {
                double x = (i + 0.5) * dx, part = Math.Min(dx, place - (i * dx));
                while (step < 0 || (x > until && step < steps.Length - 1)) until += steps[++step].Length;
                double inertia = Math.PI / 64 * (Math.Pow(steps[step].Diameter, 4) - Math.Pow(steps[step].Bore, 4));
                double turns = Math.Max(0, load - x) / (Modulus * inertia) * part;
                bend += (slope + (turns / 2)) * part;
                slope += turns;
            }

            return bend;
        }

        double free = Free(loaded, at);
        if (holds.Length == 1) return free - (Free(holds[0], at) * Free(loaded, holds[0]) / Free(holds[0], holds[0]));
        if (holds.Length == 0) return free;
        double a = Free(holds[0], holds[0]), b = Free(holds[1], holds[0]), c = Free(holds[0], holds[1]), d = Free(holds[1], holds[1]),
            p = Free(loaded, holds[0]), q = Free(loaded, holds[1]), of = (a * d) - (b * c);
        return free - (Free(holds[0], at) * ((p * d) - (b * q)) / of) - (Free(holds[1], at) * ((a * q) - (c * p)) / of);
    }

    [Fact]
    public void Stepped_work_bends_as_a_fine_beam_does() => Gen.Select(
        Steps, Gen.Double[0.05, 1], Gen.Double[0.05, 1], Gen.Int[0, 2], Gen.Double[0.3, 0.7]).Sample(
        (steps, loaded, at, count, steady) =>
        {
            double length = steps.Sum(s => s.Length);
            double[] holds = count switch { 0 => [], 1 => [length], _ => [steady * length, length] };
            double got = new SteppedWork(steps, new WorkSums[steps.Length], Modulus, holds).Bend(1, loaded * length, at * length),
                fine = 1000 * Fine(steps, loaded * length, at * length, holds), free = 1000 * Fine(steps, length, length, []);
            Assert.True(Math.Abs(got - fine) <= (2e-3 * Math.Abs(fine)) + (1e-5 * free), $"{count} holds: {got} {fine}");
        },
        iter: 60, seed: "0000000000000");

    [Fact]
    public void Even_work_bends_as_one_bar() => Gen.Select(Gen.Double[5, 80], Gen.Double[20, 500], Gen.Double[0.05, 0.98], Gen.Bool).Sample(
        (diameter, length, share, centre) =>
        {
            WorkStep[] steps = [new(length / 3, diameter), new(length * 2 / 3, diameter)];
            SteppedWork work = centre ? new(steps, new WorkSums[2], Modulus, [length]) : new(steps, new WorkSums[2], Modulus);
            double at = share * length, bar = WorkBend.At(600, diameter, length, at, centre, Modulus);
            Assert.Equal(1, work.Bend(600, at, at) / bar, 6);
            (double place, double most) = work.Worst(600, 0.01 * length, length);
            Assert.Equal(WorkBend.WorstPlace(length, length, centre), place, 0.02 * length);
            Assert.True(most >= bar * (1 - 1e-5));
        });

    [Fact]
    public void What_holds_the_work_does_not_move_and_bends_work_both_ways_alike() => Gen.Select(
        Steps, Gen.Double[0.05, 1], Gen.Double[0.05, 1]).Sample(
        (steps, one, other) =>
        {
            double length = steps.Sum(s => s.Length);
            SteppedWork work = new(steps, new WorkSums[steps.Length], Modulus, [0.5 * length, length]);
            double scale = new SteppedWork(steps, new WorkSums[steps.Length], Modulus).Bend(1, length, length);
            return Math.Abs(work.Bend(1, one * length, length)) < 1e-9 * scale && Math.Abs(work.Bend(1, one * length, 0.5 * length)) < 1e-9 * scale
                && Math.Abs(work.Bend(1, one * length, other * length) - work.Bend(1, other * length, one * length)) < 1e-9 * scale;
        });

    [Fact]
    public void A_hold_beside_the_work_is_refused()
    {
        Assert.Throws<ArgumentException>(() => { _ = new SteppedWork([new(100, 20)], new WorkSums[1], Modulus, [120]); });
        Assert.Throws<ArgumentException>(() => { _ = new SteppedWork([new(100, 20)], new WorkSums[1], Modulus, [30, 60, 90]); });
    }

    [Fact]
    public void The_time_at_constant_surface_speed_is_that_of_a_fine_path() => Gen.Select(
        Gen.Double[20, 400], Gen.Double[500, 6000], Gen.Double[0, 200], Gen.Double[0, 200], Gen.Double[0.02, 0.5], Gen.Double[0, 30]).Sample(
        (speed, clamp, from, to, feed, slow) =>
        {
            SurfaceSpeed at = new(speed, clamp);
            (double large, double small) = (Math.Max(from, to), Math.Min(from, to));
            double slowly = 0, sum = 0;
            const int parts = 20_000;
            for (int i = 0; i < parts; i++)
            {
                double d = small + ((large - small) * (i + 0.5) / parts), turn = (large - small) / parts / 2 / at.SpeedAt(d);
                sum += turn / feed;
                slowly += turn / (d < slow ? feed / 3 : feed);
            }

            return Math.Abs(at.Across(from, to, feed) - sum) <= 1e-3 * sum + 1e-9
                && Math.Abs(at.Across(large, small, feed, slow, feed / 3) - slowly) <= 2e-3 * slowly + 1e-9
                && Math.Abs(at.Along(from, to, 50, feed) * Math.Abs(from - to) / 2 - (50 * at.Across(from, to, feed))) <= 1e-6
                && at.SpeedReached(at.ClampDiameter * 2) == speed && at.SpeedAt(at.ClampDiameter / 2) == clamp;
        });

    [Fact]
    public void A_chuck_lets_go_at_the_speed_it_says() => Gen.Select(
        Gen.Double[5000, 80_000], Gen.Double[0.3, 4], Gen.Double[40, 150], Gen.Double[0.1, 0.95]).Sample(
        (force, mass, radius, share) =>
        {
            ChuckGrip outside = new(force, 3, mass, radius), inside = outside with { Inside = true };
            double n = outside.SpeedFor(share * force);
            return Math.Abs(outside.At(n) - (share * force)) < 1e-6 * force && outside.At(2 * outside.SpeedFor(0)) == 0 && inside.At(n) > force
                && double.IsPositiveInfinity(inside.SpeedFor(share * force)) && outside.SpeedFor(1.01 * force) == 0;
        });

    [Fact]
    public void The_jaws_stand_against_a_lever_with_their_least_share_around() => Gen.Select(Gen.Int[2, 8], Gen.Double[0.05, 0.6]).Sample(
        (jaws, friction) =>
        {
            double least = double.PositiveInfinity;
            for (double turn = 0; turn < Math.PI; turn += 1e-4)
                least = Math.Min(least, Enumerable.Range(0, jaws).Average(k => Math.Abs(Math.Cos(turn + (2 * Math.PI * k / jaws)))));
            return Math.Abs(new ChuckGrip(1000, jaws, 0, 0).LeverShare(friction) - Math.Max(least, friction / 2)) < 1e-3;
        },
        iter: 40);

    [Fact]
    public void Work_is_levered_out_by_its_force_and_how_far_it_stands_out()
    {
        // 3 kN at 100 mm from jaws that hold 40 mm of it: 360 N·m about their middle; a share of 0.577 of the force moves by 20 mm: 31.2 kN, with 2.5 78 kN.
        double share = new ChuckGrip(75_000, 3, 0, 0).LeverShare(0.15);
        Assert.Equal(1 / Math.Sqrt(3), share, 9);
        Assert.Equal(77_942, ChuckGrip.NeededAgainstLever(360, 40, share, 2.5), 1.0);

        (string, double)[] work =
            [("startDiameter", 50), ("endDiameter", 46), ("length", 80), ("depthOfCut", 2), ("feedPerRevolution", 0.3), ("cuttingSpeed", 150)];
        CalculationResult near = Turn("turn-rough", With("turn-rough"), [.. work, ("standsOut", 90), ("gripLength", 40)]),
            far = Turn("turn-rough", With("turn-rough"), [.. work, ("standsOut", 180), ("gripLength", 40)]),
            little = Turn("turn-rough", With("turn-rough"), [.. work, ("standsOut", 90), ("gripLength", 15)]);
        double c = near.Figure("cuttingForce"), p = near.Figure("passiveForce"), f = near.Figure("thrust"),
            moment = double.Hypot(c * 110, (p * 110) + (f * 25)) / 1000;
        Assert.Equal(1, ChuckGrip.NeededAgainstLever(moment, 40, share, 2.5) / near.Figure("leverForce"), 9);
        Assert.InRange(far.Figure("leverForce") / near.Figure("leverForce"), 1.7, 2);
        Assert.True(little.Figure("leverForce") > 2 * near.Figure("leverForce"));
        Assert.True(little.Limit("leverage").Use > near.Limit("leverage").Use);

        // What is left of the force at the highest speed of the way counts.
        Assert.Equal(new ChuckGrip(75_000, 3, 1.8, 70).At(near.Figure("topSpeed")), near.Limit("leverage").Allowed!.Value, 6);
        Assert.Equal(Severity.Stop, near.Limit("leverage").Severity);
    }

    [Fact]
    public void A_thread_levers_its_work_too_and_is_proposed_so_that_it_stays()
    {
        CalculationResult r = Operations.Find("thread-turning")!.Calculate(
            ThreadSample.Turned(), Typed([("standsOut", 140), ("gripLength", 40), ("deflectionAllowed", 1000)]), explain: true);
        Assert.InRange(r.Limit("leverage").Use!.Value, 0.1, 1);
        CalculationResult careful = Operations.Find("thread-turning")!.Calculate(
            ThreadSample.Turned(), Typed([("standsOut", 140), ("gripLength", 18), ("deflectionAllowed", 1000)]), explain: true);
        Assert.True(careful.Field("infeeds").Value > r.Field("infeeds").Value);
        Assert.InRange(careful.Limit("leverage").Use!.Value, 0.1, 1);
    }

    [Fact]
    public void The_grip_a_cut_needs_grows_with_its_lever_and_never_falls_below_its_push()
    {
        // Ø80 cut with 2 kN and 0.6 kN along, gripped at Ø100: 1.6 kN turn it, with 2 over 0.25 that is 13.7 kN.
        Assert.Equal(13_670, ChuckGrip.Needed(2000, 600, 80, 100, 0.25, 2), 1.0);
        Assert.True(ChuckGrip.Needed(2000, 600, 80, 40, 0.25, 2) > ChuckGrip.Needed(2000, 600, 80, 100, 0.25, 2));
        Assert.Equal(8 * 600, ChuckGrip.Needed(0, 600, 80, 100, 0.25, 2), 6);
    }
}
