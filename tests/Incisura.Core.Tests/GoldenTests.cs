using System.Globalization;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics.Arm;
using System.Runtime.Intrinsics.X86;
using System.Text;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holes;
using Incisura.Core.Machines;
using Incisura.Core.Materials;
using Incisura.Core.Tests.Holes;
using Incisura.Core.Tests.ThreadCutting;

namespace Incisura.Core.Tests;

/// <summary>
/// Every field, figure, limit, finding and derivation value of every operation with every family it takes, in ten situations each, as
/// they stand in tests/golden. Where one moves, the version of the engine has to rise and the changelog to name it; `make golden` then
/// writes the files anew.
/// </summary>
public sealed class GoldenTests
{
    private const double Apart = 1e-12, Nothing = 1e-15;

    public static TheoryData<string> Codes() => [.. Operations.All.Select(o => o.Description.Code)];

    // The last bits of a sine can differ where a processor multiplies and adds in one step, and from one runtime to the next.
    private static string Processor { get; } =
        $"{RuntimeInformation.FrameworkDescription} {(X86Base.IsSupported ? "x86" : ArmBase.IsSupported ? "arm" : "other")} "
            + $"fma={Fma.IsSupported} avx512={Avx512F.IsSupported}";

    internal static string Folder { get; } = Path.Combine(RootOf(AppContext.BaseDirectory), "tests", "golden");

    private static string RootOf(string folder) =>
        File.Exists(Path.Combine(folder, "Incisura.slnx"))
            ? folder
            : RootOf(Path.GetDirectoryName(folder) ?? throw new DirectoryNotFoundException("Incisura.slnx"));

    [Theory]
    [MemberData(nameof(Codes))]
    public void No_figure_moves_unless_the_engine_says_so(string code)
    {
        string path = Path.Combine(Folder, $"{code}.txt");
        string[] now = [$"engine {Operations.EngineVersion}", $"processor {Processor}", .. Told(code)];
        if (Environment.GetEnvironmentVariable("INCISURA_GOLDEN") == "write")
        {
            Directory.CreateDirectory(Folder);
            File.WriteAllLines(path, now);
            return;
        }

        string[] then = File.ReadAllLines(path);
        Assert.True(
            then[0] == now[0],
            $"{path} is of another version, {then[0]}: name what moved in CHANGELOG.md and write the files anew with `make golden`.");
        bool bits = then[1] == now[1];
        for (int i = 2; i < Math.Min(then.Length, now.Length); i++)
            Assert.True(
                Same(then[i], now[i], bits, out string what),
                $"{code}, {now[..i].LastOrDefault(l => l[0] == '#')}: {what}. Raise Operations.EngineVersion and name it "
                    + "in CHANGELOG.md, or keep the figure.");
        Assert.Equal(then.Length, now.Length);
    }

    [Fact]
    public void A_figure_that_moved_by_a_bit_is_found_and_elsewhere_only_one_that_moved_for_real()
    {
        string then = "g power=1.5 torque=12.25", bit = $"g power={Math.BitIncrement(1.5).ToString("R", CultureInfo.InvariantCulture)} torque=12.25";
        Assert.False(Same(then, bit, bits: true, out string what));
        Assert.Contains("power", what, StringComparison.Ordinal);
        Assert.True(Same(then, bit, bits: false, out _));
        Assert.False(Same(then, "g power=1.50001 torque=12.25", bits: false, out _));
        Assert.False(Same(then, "g power=1.5", bits: false, out _));
        Assert.False(Same("! held", "! held overhang", bits: false, out _));
        Assert.NotEmpty(Directory.GetFiles(Folder, "*.txt"));
        Assert.Equal(
            Operations.All.Select(o => o.Description.Code).Order(StringComparer.Ordinal),
            Directory.GetFiles(Folder, "*.txt").Select(f => Path.GetFileNameWithoutExtension(f)).Order(StringComparer.Ordinal));
    }

    private static bool Same(string then, string now, bool bits, out string what)
    {
        string[] a = then.Split(' '), b = now.Split(' ');
        what = a.Length == b.Length ? "" : $"{then} became {now}";
        for (int i = 0; i < a.Length && what.Length == 0; i++)
            if (a[i] != b[i] && (bits || !Near(a[i], b[i]))) what = $"{a[i]} became {b[i]}";
        return what.Length == 0;
    }

    private static bool Near(string a, string b)
    {
        int at = a.IndexOf('=', StringComparison.Ordinal);
        if (at < 0 || !b.StartsWith(a[..(at + 1)], StringComparison.Ordinal)) return false;
        string[] x = a[(at + 1)..].Split('/'), y = b[(at + 1)..].Split('/');
        return x.Length == y.Length && x.Zip(y).All(p =>
            double.TryParse(p.First, NumberStyles.Float, CultureInfo.InvariantCulture, out double u)
                && double.TryParse(p.Second, NumberStyles.Float, CultureInfo.InvariantCulture, out double v)
            && (u.Equals(v) || Math.Abs(u - v) <= Nothing || Math.Abs(u - v) <= Apart * Math.Max(Math.Abs(u), Math.Abs(v))));
    }

    private static IEnumerable<string> Told(string code)
    {
        IOperation operation = Operations.Find(code)!;
        foreach (CutterFamily family in operation.Description.Families)
            foreach ((string name, Situation situation, Choices choices) in Situations(operation, family))
            {
                yield return $"# {family} {name}";
                foreach (string line in Lines(operation, situation, choices)) yield return line;
            }
    }

    internal static IEnumerable<string> Lines(IOperation operation, Situation situation, Choices choices)
    {
        CalculationResult r;
        try
        {
            r = operation.Calculate(situation, choices, explain: true);
        }
        catch (InputException refused)
        {
            return [$"x {string.Join(' ', refused.Faults.Select(f => f.Field))}"];
        }

        return
        [
            Line("f", r.Fields.Select(f => (f.Code, $"{Text(f.Value)}/{Text(f.Least ?? double.NaN)}/{Text(f.Most ?? double.NaN)}"))),
            Line("g", r.Figures.Select(f => (f.Code, Text(f.Value)))),
            Line("l", r.Limits.Select(l => (l.Kind, $"{Text(l.Used)}/{Text(l.Allowed ?? double.NaN)}"))),
            $"! {string.Join(' ', r.Findings.Select(f => f.Code))}",
            Line("d", r.Steps.Select(s => (s.Formula.Symbol, Text(s.Value)))),
        ];
    }

    private static string Line(string kind, IEnumerable<(string Code, string Value)> values)
    {
        StringBuilder line = new(kind);
        foreach ((string code, string value) in values) line.Append(' ').Append(code).Append('=').Append(value);
        return line.ToString();
    }

    private static string Text(double value) => value.ToString("R", CultureInfo.InvariantCulture);

    // What a cutter, a machine, a material or a person can make of one operation.
    internal static IEnumerable<(string Name, Situation Situation, Choices Choices)> Situations(IOperation operation, CutterFamily family)
    {
        string code = operation.Description.Code;
        Situation usual = Usual(code, family);
        yield return ("proposed", usual, Choices.None);
        Dictionary<string, double> proposed = Proposed(operation, usual);
        yield return ("typed", usual, new(proposed.ToDictionary(p => p.Key, p => p.Value * 0.93), new Dictionary<string, string>()));
        yield return (
            "typed-high", usual,
            new(
                proposed.ToDictionary(p => p.Key, p => p.Key is "feedPerTooth" or "feedPerRevolution" or "cuttingSpeed" ? p.Value * 2.5 : p.Value),
                new Dictionary<string, string>()));
        yield return (
            "picks-last", usual,
            new(new Dictionary<string, double>(), operation.Description.Options.ToDictionary(o => o.Code, o => o.Picks[^1].Code)));
        yield return (
            "picks-second", usual,
            new(
                new Dictionary<string, double>(),
                operation.Description.Options.ToDictionary(o => o.Code, o => o.Picks[Math.Min(1, o.Picks.Count - 1)].Code)));
        yield return (
            "inch", Scaled(usual, 25.4 / 20),
            new(
                proposed.ToDictionary(p => p.Key, p => p.Key == "cuttingSpeed" ? 300 * 0.3048 : double.NaN)
                    .Where(p => !double.IsNaN(p.Value))
                    .ToDictionary(),
                new Dictionary<string, string>()));
        Machine weak = usual.Machine.Value with
        {
            LargestSpeed = 2500,
            LargestFeed = 300,
            Curve = [new(1000, 0.8, 1, 7.6, 9.5), new(2500, 0.8, 1, 3, 3.8)],
            AxisThrust = 400,
            SynchronousLimit = 150,
            RunUpTime = 20,
        };
        yield return ("weak-machine", usual with { Machine = new(1, 1, weak) }, Choices.None);
        yield return (
            "unknown-machine",
            usual with { Machine = new(1, 1, usual.Machine.Value with { Curve = [], AxisThrust = 0, RunUpTime = 0, SynchronousLimit = 0 }) },
            Choices.None);
        WorkMaterial tough = usual.Material.Value with
        {
            Group = MaterialGroup.S,
            SubGroup = "S2",
            SpecificCuttingForce = 2900,
            ChipExponent = 0.24,
            TensileStrength = 1250,
        };
        yield return (
            "tough", OfChart(usual, r => r with { SubGroup = "S2", Life = 15, LifeExponent = 0.25 }) with { Material = new(1, 1, tough) },
            Sample.Typed(("toolLife", 45)));
        yield return (
            "slender", usual with { Holder = usual.Holder with { Value = usual.Holder.Value with { SeatCompliance = 2.5 } } },
            new(new Dictionary<string, double> { ["cuttingSpeed"] = 77 }, new Dictionary<string, string> { ["edge"] = "worn" }));
    }

    private static Dictionary<string, double> Proposed(IOperation operation, Situation situation)
    {
        try
        {
            return operation.Calculate(situation, Choices.None, explain: false).Fields
                .Where(f => f.Used && f.Code != "toolLife" && double.IsFinite(f.Value))
                .ToDictionary(f => f.Code, f => f.Value);
        }
        catch (InputException)
        {
            return [];
        }
    }

    internal static Situation Usual(string code, CutterFamily family)
    {
        (Dimension, double)[] needed = Sample.LeftOpen(family, code);
        Situation s = HoleSample.All.Any(a => a.Code == code) ? HoleSample.With(family, code, needed) : Sample.With(family, code, needed);
        if (s.Cutter.Value.Described.Use == CutterUse.Turning) s = s with { Machine = new(1, 1, ThreadSample.Lathe) };
        if (family == CutterFamily.GunDrill) s = s.Changed(c => c with { ThroughCoolant = true });
        if (family != CutterFamily.FormCutter) return s;
        StackSegment[] form = [new(2, 10, 20, 0, true), new(6, 20, 20, 0, true), new(60, 12, 12)];
        return s.Changed(c => (c with { Segments = form }).With(Dimension.CuttingDiameter, 20)) with
        {
            Assembly = s.Assembly with { Value = s.Assembly.Value with { Projection = 38 } }
        };
    }

    private static Situation OfChart(Situation s, Func<SpeedRow, SpeedRow> change) =>
        s with { Chart = s.Chart with { Value = s.Chart.Value with { Rows = [.. s.Chart.Value.Rows.Select(change)] } } };

    // The same tool in another size, as one made in inches is.
    private static Situation Scaled(Situation s, double by)
    {
        Cutter c = s.Cutter.Value;
        Dictionary<string, double> scaled = c.Dimensions.ToDictionary(
            d => d.Key, d => Dimension.Find(d.Key)!.Quantity == Core.Quantities.Quantity.Length ? d.Value * by : d.Value);
        Cutter larger = c with
        {
            Dimensions = scaled,
            Segments =
                [.. c.Segments.Select(
                    x =>
                        x with
                        {
                            Length = x.Length * by, LowerDiameter = x.LowerDiameter * by, UpperDiameter = x.UpperDiameter * by,
                            ArcRadius = x.ArcRadius * by,
                        })],
        };
        return s with
        {
            Cutter = new(2, 1, larger),
            Assembly = s.Assembly with { Value = s.Assembly.Value with { Projection = s.Assembly.Value.Projection * by } },
            Holder = s.Holder with { Value = s.Holder.Value with { BoreDepth = 300 } },
        };
    }
}
