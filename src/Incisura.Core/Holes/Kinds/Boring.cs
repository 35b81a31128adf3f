using Incisura.Core.Cutters;
using static Incisura.Core.Holes.HoleWords;

namespace Incisura.Core.Holes.Kinds;

/// <summary>What tells one bar from another.</summary>
internal interface IBar
{
    /// <summary>Code of the operation.</summary>
    static abstract string Code { get; }

    /// <summary>Name of the operation.</summary>
    static abstract string Name { get; }

    /// <summary>Family of the bar.</summary>
    static abstract CutterFamily Family { get; }

    /// <summary>Stock on a side that is proposed, mm.</summary>
    static abstract double Stock { get; }

    /// <summary>Least stock on a side that the edge still cuts with certainty, mm: it must take away what the drill cut oversize.</summary>
    static abstract double LeastStock { get; }

    /// <summary>Deflection allowed where none is typed, µm.</summary>
    static abstract double DeflectionAllowed { get; }
}

/// <summary>A bar with two edges that balance each other, for roughing.</summary>
internal readonly struct RoughBar : IBar
{
    public static string Code => "bore";

    public static string Name => "Boring";

    public static CutterFamily Family => CutterFamily.BoringTool;

    public static double Stock => 3;

    public static double LeastStock => 0.5;

    public static double DeflectionAllowed => 100;
}

/// <summary>A head with one edge that is set to size.</summary>
internal readonly struct FineBar : IBar
{
    public static string Code => "fine-bore";

    public static string Name => "Fine boring";

    public static CutterFamily Family => CutterFamily.FineBoringHead;

    public static double Stock => 0.4;

    public static double LeastStock => 0.1;

    public static double DeflectionAllowed => 10;
}

/// <summary>What a boring bar is held to.</summary>
internal static class BoringLimits
{
    /// <summary>Share q_v by which the stock varies round a hole and from one to the next; shop practice for drilled and rough-bored holes.</summary>
    public const double StockVaries = 0.2;

    /// <summary>Change of the bend of a boring bar, µm.</summary>
    public static readonly LimitDefinition BendChange = new(
        "bendChange", "Change of the bend", Quantity.Deviation, Severity.Caution, "Leave less stock, lower the feed, or shorten the bar.")
    { WithFeed = FeedShare.Load, Holds = [Input.FeedPerRevolution] };
}

/// <summary>Boring a hole to a diameter: with two edges straight out again, with one edge back out at feed rate.</summary>
/// <typeparam name="TBar">Which bar.</typeparam>
internal readonly struct Boring<TBar> : IHoleKind
    where TBar : struct, IBar
{
    private static readonly Formula StockFormula = new(
        "s", "Stock on a side", Quantity.Length, "(D_b - d_0)/2", "half the difference of the diameters");
    private static readonly Formula RoughnessFormula = new(
        "R_th", "Peak to valley", Quantity.Deviation, "1000*f_z^2/(8*r_ε)", "feed of one edge over the corner radius");
    private static readonly Formula DeflectionFormula = new(
        "δ", "Deflection at the tip", Quantity.Deviation, "k_c*s*f*sqrt(1 + k_r^2)*K_0",
        "tangential and radial force of the one edge at the tip of the bar");

    private static readonly Formula ChangeFormula = new(
        "δ_v", "Change of the bend with the stock", Quantity.Deviation, "q_v*δ",
        "a steady bend is dialled out when the head is set; what the stock varies by is not");

    static OperationDescription IHoleKind.Description { get; } = new(
        TBar.Code,
        TBar.Name,
        "hole",
        [TBar.Family],
        [
            new(Input.BoreDiameter, "D_b", "Diameter to bore", "Across", Quantity.Length, 1, 500),
            Depth, Breakthrough, Before, Feed,
            new(Input.DeflectionAllowed, "δ_max", "Deflection allowed", "Held to", Quantity.Deviation, 0.1, 1000, TBar.DeflectionAllowed),
            .. Planes,
        ],
        [EndOption],
        [Output.SpindleSpeed, Output.FeedRate, Output.PeakToValley, Output.Time],
        [Output.Stock, Output.ProgrammedDepth, Output.ProgrammedHeight, Output.Deflection, .. LoadRows, Output.RemovalRate])
    {
        AtMachine = SetAtMachine(Input.BoreDiameter, Input.Breakthrough),
        Takes = LeftoverKind.Hole,
        Leaves = LeftoverKind.Hole,
        LeavesBy = Input.BoreDiameter,
        Own = [new(Output.Own0, "δ_v", "Change of the bend with the stock", Quantity.Deviation) { Code = "bendChange" }],
    };

    static void IHoleKind.Follow(HoleSetup setup, ref Inputs x)
    {
        x.Propose(Input.BoreDiameter, setup.Diameter);
        x.Propose(Input.HoleBefore, Math.Max(0, x[Input.BoreDiameter] - (2 * TBar.Stock)));
        x.Propose(Input.Depth, Math.Min(1.5 * x[Input.BoreDiameter], 0.9 * setup.Reach));
    }

    static double IHoleKind.Enters(HoleSetup setup, in Inputs x) => x[Input.BoreDiameter];

    static bool IHoleKind.Uses(HoleSetup setup, in Inputs x, Input input) => input != Input.Breakthrough || x.Through;

    static void IHoleKind.Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
        double body = setup.Cutter[Dimension.BodyDiameter], hole = x[Input.HoleBefore];
        check.Within(
            "boreDiameter", "The diameter to bore", x[Input.BoreDiameter], setup.Cutter[Dimension.LeastDiameter],
            setup.Cutter[Dimension.LargestDiameter], Quantity.Length)
            .Holds(
                hole < x[Input.BoreDiameter], "holeBefore", hole,
                $"The hole that is there, Ø{hole:0.###} mm, leaves nothing to bore at Ø{x[Input.BoreDiameter]:0.###} mm; "
                    + "give a smaller hole or a larger bore.")
            .Holds(
                hole >= body, "holeBefore", hole,
                $"The bar of Ø{body:0.###} mm does not enter a hole of Ø{hole:0.###} mm; open the hole first, or take a thinner bar.");
    }

    static void IHoleKind.Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
    {
        double bore = x[Input.BoreDiameter], hole = x[Input.HoleBefore], stock = (bore - hole) / 2, feed = x[Input.FeedPerRevolution],
            edge = feed / setup.Teeth;
        double corner = setup.Cutter[Dimension.CornerRadius], roughness = 1000 * edge * edge / (8 * corner);
        HoleWork.Ratio(setup, x, ref r, ref trace);
        AxisDepth.OfDrill(bore, 180, x, ref r, ref trace);
        HoleWork.Load(setup, x, bore, hole, 90, ref r, ref trace);
        HoleWork.Time(setup, x, setup.Teeth == 1, ref r, ref trace);
        r[Output.Stock] = stock;
        r[Output.PeakToValley] = roughness;
        if (TTrace.Listens)
        {
            trace.Take(StockFormula, stock, new("D_b", bore), new("d_0", hole));
            trace.Take(RoughnessFormula, roughness, new("f_z", edge), new("r_ε", corner));
        }

        // Two edges opposite each other push in no direction.
        if (setup.Teeth > 1) return;
        double deflection = r[Output.SpecificForce] * stock * feed * Math.Sqrt(1 + (setup.RadialRatio * setup.RadialRatio)) * setup.Tip.AtTip;
        r[Output.Deflection] = deflection;
        r[Output.Own0] = BoringLimits.StockVaries * deflection;
        if (TTrace.Listens)
            trace.Take(
                DeflectionFormula, deflection, new("k_c", r[Output.SpecificForce]), new("s", stock), new("f", feed),
                new("k_r", setup.RadialRatio), new("K_0", setup.Tip.AtTip));
        if (TTrace.Listens) trace.Take(ChangeFormula, r[Output.Own0], new("q_v", BoringLimits.StockVaries), new("δ", deflection));
    }

    static void IHoleKind.Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
        if (r.Has(Output.Own0)) limits.Add(BoringLimits.BendChange, r[Output.Own0], x[Input.DeflectionAllowed]);
    }

    static void IHoleKind.Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
        if (r[Output.Stock] < TBar.LeastStock * (1 - LimitDefinition.Tolerance))
            findings.Add(new(
                "bore-stock", Severity.Caution,
                new(
                    "{0} on a side may be less than the drill cut oversize: leave {1} or more.", new(r[Output.Stock], Quantity.Chip),
                    new Measure(TBar.LeastStock, Quantity.Length)),
                "Take a smaller drill before it."));
    }

    static bool IHoleKind.ReturnsAtFeed(HoleSetup setup) => setup.Teeth == 1;
}
