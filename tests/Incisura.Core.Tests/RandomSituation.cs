using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests;

/// <summary>Situations drawn at random, the same at every run: materials, machines, holders and charts from weak to strong.</summary>
internal static class RandomSituation
{
    private sealed class Draw(int seed)
    {
        private readonly Random random = new(seed);

        public double Between(double least, double most) => least + ((most - least) * random.NextDouble());

        public T Of<T>(params T[] all) => all[random.Next(all.Length)];
    }

    public static Situation From(Situation s, int seed)
    {
        Draw draw = new(seed);
        WorkMaterial material = s.Material.Value with
        {
            SpecificCuttingForce = draw.Between(500, 3200),
            ChipExponent = draw.Between(0.1, 0.35),
            RadialRatio = draw.Between(0.2, 0.6),
            EdgeForce = draw.Of(0, 0, 0, 30),
        };
        double power = draw.Between(0.6, 20);
        return s with
        {
            Material = new(1, 1, material),
            Holder = new(1, 1, s.Holder.Value with { RunOut = draw.Of(0, 5, 20), SeatCompliance = draw.Between(0, 3) }),
            Machine = new(
                1, 1,
                s.Machine.Value with
                {
                    LargestSpeed = draw.Of(1200, 6000, 24000),
                    LargestFeed = draw.Of(600, 5000, 20000),
                    AxisThrust = draw.Of(0, 1500, 12000),
                    Curve = [new(500, power, power * 1.3, 20 * power, 26 * power), new(24000, power, power * 1.3, power, 1.3 * power)],
                }),
            Chart = new(
                1, 1,
                s.Chart.Value with
                {
                    Rows =
                    [
                        .. s.Chart.Value.Rows.Select(r => r with { WidthRatio = draw.Between(0.03, 0.6), DepthRatio = draw.Between(0.1, 1.5) }),
                    ],
                }),
        };
    }

    /// <summary>A proposal keeps every limit, or says which stands in the way and nothing in the chart's box keeps what it breaks.</summary>
    public static void HoldProposal(Situation s, string code, string name)
    {
        IOperation operation = Operations.Find(code)!;
        CalculationResult r;
        try
        {
            r = operation.Calculate(s, Choices.None, explain: false);
        }
        catch (InputException)
        {
            return;
        }

        if (r.Limits.All(l => !(l.Use > 1 + 1e-6))) return;
        string way = Assert.Single(r.Findings, f => f.Code == "nothing-fits").Text.Template;
        Assert.True(r.Limits.Any(l => l.Use > 1 && way.Contains(l.Name, StringComparison.OrdinalIgnoreCase)), $"{name}: {way}");

        // No point of the box keeps what the proposal breaks: less depth, less width and less feed, together and each for itself.
        string[] free = [.. operation.Description.Free.Where(f => f != "cuttingSpeed")];
        for (int i = 0; i < Math.Pow(4, free.Length); i++)
        {
            (string, double)[] typed =
            [
                .. free.Select((f, k) => (f, Math.Max(r.Field(f).Value * Math.Pow(0.35, (i >> (2 * k)) & 3), Floor(s, r, f)))),
            ];
            if (typed.Any(t => !t.Item1.StartsWith("feed", StringComparison.Ordinal) && t.Item2 < 0.02 * s.Cutter.Value.CuttingDiameter)) continue;
            try
            {
                CalculationResult other = operation.Calculate(s, Sample.Typed(typed), explain: false);
                Assert.False(
                    other.Limits.All(l => !(l.Use > 1)) && other.Figure("removalRate") > 1e-3 * Math.Max(1e-9, r.Figure("removalRate")),
                    $"{name}: {string.Join(", ", typed)} keeps every limit, {string.Join(", ", r.Limits.Where(l => l.Use > 1).Select(l => l.Kind))}");
            }
            catch (InputException)
            {
            }
        }
    }

    // A feed along the axis is not proposed below a fifth of the chart's.
    private static double Floor(Situation s, CalculationResult r, string field) => field == "feedPerRevolution"
        ? 0.2 * s.Cutter.Value.Teeth * s.Chart.Value.Rows[0].FeedPerToothAt(s.Cutter.Value.CuttingDiameter)
        : r.Field(field).Least ?? 0;
}
