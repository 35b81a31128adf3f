namespace Incisura.Core.Charts;

/// <summary>
/// Numbers no standard and no book gives, on which shops differ: what this one goes by. They belong to the speed chart and are revised with it;
/// a chart that says nothing has the values here.
/// </summary>
public sealed record ShopPractice
{
    /// <summary>What every shop starts with.</summary>
    public static ShopPractice Usual { get; } = new();

    /// <summary>
    /// Most by which a charted feed per tooth is raised for a thin cut: beyond it feed marks and the start of the chip set the pace.
    /// </summary>
    public double LargestThinning { get; init; } = 3;

    /// <summary>Share of the charted depth for work that is held fairly, above 0 up to 1.</summary>
    public double FairShare { get; init; } = 0.75;

    /// <summary>Share of the charted depth for work that is held weakly, above 0 up to <see cref="FairShare"/>.</summary>
    public double WeakShare { get; init; } = 0.5;

    /// <summary>Clear way c_0 before and after each pass, mm.</summary>
    public double ClearWay { get; init; } = 2;

    /// <summary>Height h_s the tool is lifted by between levels, mm.</summary>
    public double Lift { get; init; } = 25;

    /// <summary>Torque of forming a thread over that of cutting it to the full height: flow of the material and friction on the lobes.</summary>
    public double FormingTorque { get; init; } = 1.8;

    /// <summary>Least stock on a side a reamer cuts, of the smallest diameter, mm.</summary>
    public double ReamerStock { get; init; } = 0.04;

    /// <summary>What a reamer wants more on a side for each mm of its diameter, mm.</summary>
    public double ReamerStockPerDiameter { get; init; } = 0.006;

    /// <summary>Most stock of a reamer over its least.</summary>
    public double ReamerMostStock { get; init; } = 3;

    /// <summary>Largest first infeed of a turned thread over the square root of its pitch, mm over √mm.</summary>
    public double FirstInfeed { get; init; } = 0.19;

    /// <summary>Clamping force of a chuck over the one that just holds (VDI 3106 asks for 2 to 3).</summary>
    public double GripSafety { get; init; } = 2.5;

    /// <summary>Each of them with its words and range, in the order people read them.</summary>
    public static IReadOnlyList<PracticeDescription> All { get; } =
    [
        new("largestThinning", "Feed raised for a thin cut, at most ×", Quantity.Ratio, 1, 10, p => p.LargestThinning),
        new("fairShare", "Share of the charted depth, work held fairly", Quantity.Ratio, 0.05, 1, p => p.FairShare),
        new("weakShare", "Share of the charted depth, work held weakly", Quantity.Ratio, 0.05, 1, p => p.WeakShare),
        new("clearWay", "Clear way before and after a pass", Quantity.Length, 0, 50, p => p.ClearWay),
        new("lift", "Lift between levels", Quantity.Length, 0, 500, p => p.Lift),
        new("formingTorque", "Torque of forming a thread over cutting it", Quantity.Ratio, 1, 5, p => p.FormingTorque),
        new("reamerStock", "Least stock of a reamer, on a side", Quantity.Length, 0, 0.5, p => p.ReamerStock),
        new("reamerStockPerDiameter", "Stock of a reamer that grows with its diameter ×", Quantity.Ratio, 0, 0.05, p => p.ReamerStockPerDiameter),
        new("reamerMostStock", "Most stock of a reamer over its least", Quantity.Ratio, 1, 20, p => p.ReamerMostStock),
        new("firstInfeed", "First infeed of a thread over √ of its pitch, mm", Quantity.Ratio, 0.02, 1, p => p.FirstInfeed),
        new("gripSafety", "Clamping force of a chuck over what just holds", Quantity.Ratio, 1, 10, p => p.GripSafety),
    ];

    internal void Check(InputCheck check)
    {
        foreach (PracticeDescription d in All) check.Within($"practice.{d.Code}", d.Name, d.Of(this), d.Least, d.Most, d.Quantity);
        check.Holds(
            WeakShare <= FairShare, "practice.weakShare", WeakShare,
            "Work held weakly cannot take more of the depth than work held fairly; give at most as much.");
    }
}

/// <summary>One number of the shop's practice.</summary>
/// <param name="Code">Its name in the chart.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Least">Least value.</param>
/// <param name="Most">Largest value.</param>
/// <param name="Of">Its value in a practice.</param>
public sealed record PracticeDescription(string Code, string Name, Quantity Quantity, double Least, double Most, Func<ShopPractice, double> Of);
