using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Charts;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holes;
using Incisura.Core.Machines;
using Incisura.Core.Materials;

namespace Incisura.Core.Tests.Holes;

/// <summary>Situations of hole operations that tests vary.</summary>
internal static class HoleSample
{
    /// <summary>Every hole operation with a family that can do it.</summary>
    /// <summary>Every operation on holes with every family it takes.</summary>
    public static readonly (string Code, CutterFamily Family)[] All =
        [.. Sample.Of(typeof(HoleOperation<>)).SelectMany(d => d.Families, (d, f) => (d.Code, f))];

    public static Machine Mill { get; } = Sample.Machine with { SynchronousLimit = 2000, RunUpTime = 2.4, AxisThrust = 8000 };

    public static Situation With(CutterFamily family, string operation, params (Dimension Dimension, double Value)[] dimensions)
    {
        Situation s = Sample.With(family, operation, dimensions);
        SpeedChart chart = s.Chart.Value with
        {
            Rows =
                [s.Chart.Value.Rows[0] with
                {
                    CuttingSpeed = operation == "tap" ? 12 : 80, Feeds = operation == "tap" ? [] : [new(3, 0.03), new(12, 0.09), new(40, 0.15)],
                }],
            Cycles =
                [new()
                {
                    Family = family, Group = MaterialGroup.P, Coolant = "flood", ChipBreaking = 3, FullRetract = 5, Staged = 12, FirstPeck = 1,
                    PeckRatio = 0.8, LeastPeck = 0.35,
                }],
        };
        return s with { Chart = new(1, 1, chart), Machine = new(1, 1, Mill) };
    }

    public static CalculationResult Calculate(string operation, Situation situation, params (string Code, double Value)[] numbers) =>
        Operations.Find(operation)!.Calculate(situation, Sample.Typed(numbers), explain: false);

    public static Choices Picked(this Choices choices, string option, string pick) =>
        choices with { Options = new Dictionary<string, string>(choices.Options) { [option] = pick } };

    public static IReadOnlyList<InputFault> Refused(Action act) => Assert.Throws<InputException>(act).Faults;

    public static Situation Changed(this Situation s, Func<Cutter, Cutter> change) =>
        s with { Cutter = s.Cutter with { Value = change(s.Cutter.Value) } };
}
