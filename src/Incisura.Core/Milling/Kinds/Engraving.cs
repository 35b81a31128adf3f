using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>
/// Engraving a line with a pointed cutter: its width follows from its depth, or the depth from the width. The spindle's top speed usually binds.
/// </summary>
internal readonly struct Engraving : IMillingKind
{
    private static readonly Formula WidthFormula = new(
        "w", "Width at the top", Quantity.Length, "d_t + 2*t_e*tan(σ*pi/360)",
        "cone from its tip; the widest point in contact is the diameter in contact");
    private static readonly Formula DepthFormula = new(
        "a_p", "Mean depth of the section", Quantity.Length, "t_e*(w + d_t)/(2*w)", "trapezium of the line over its width at the top");

    public static OperationDescription Description { get; } = new(
        "engrave",
        "Engraving",
        "engraving",
        [CutterFamily.EngravingPoint, CutterFamily.ChamferMill],
        [
            new(Input.EngravingWidth, "w", "Width at the top", "Across", Quantity.Length, 0.005, 50),
            new(Input.EngravingDepth, "t_e", "Depth of the line", "Deep", Quantity.Length, 0.001, 50),
            FeedPerTooth,
            Length("Length of all lines"),
            Deflection(30),
        ],
        [ChipKept("none"), PassWays],
        Large,
        [Output.TopWidth, Output.TipDepth, Output.Diameter, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.TipDepth, Output.TopWidth, Output.Overrun),
        ChartedAs = [ChamferMilling.Description, SideFinish.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        Cone cone = Cone.Of(setup.Cutter);
        if (x.IsTyped(Input.EngravingWidth))
            x.Propose(Input.EngravingDepth, Math.Max(1e-6, cone.HeightOf(x[Input.EngravingWidth])));
        else x.Propose(Input.EngravingDepth, 0.2);
        x.Propose(Input.EngravingWidth, cone.DiameterAt(x[Input.EngravingDepth]));
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        Cone cone = Cone.Of(setup.Cutter);
        double width = x[Input.EngravingWidth], depth = x[Input.EngravingDepth], follows = cone.DiameterAt(depth);
        if (width < cone.TipDiameter * 1.001)
        {
            check.Within(
                "engravingWidth", "The width at the top", width, cone.TipDiameter * 1.001, cone.DiameterAt(setup.Contact.Length), Quantity.Length);
            return;
        }

        check.Within("engravingDepth", "The depth of the line", depth, 0.001, setup.Contact.Length, Quantity.Length)
            .Holds(
                !x.IsTyped(Input.EngravingWidth) || Math.Abs(width - follows) <= 1e-6 * follows, "engravingWidth", width,
                $"Width and depth go together: at {depth:0.###} mm deep this point cuts {follows:0.###} mm wide. "
                    + "Give one of the two back to be proposed.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Cone cone = Cone.Of(setup.Cutter);
        double depth = x[Input.EngravingDepth], width = cone.DiameterAt(depth), mean = depth * (width + cone.TipDiameter) / (2 * width);
        if (TTrace.Listens)
        {
            trace.Take(WidthFormula, width, new("d_t", cone.TipDiameter), new("t_e", depth), new("σ", cone.IncludedAngle));
            trace.Take(DepthFormula, mean, new("t_e", depth), new("w", width), new("d_t", cone.TipDiameter));
        }

        r.Across = new(1, width);
        r.Down = new(1, depth);
        r.Engagement = new(width, width, mean, cone.EdgeAngle, cone.EdgeAngle, 1, ArcOfEngagement.Side(width, width, ref trace))
        {
            AlongEdge = true,
            Height = depth,
        };
        r[Output.TopWidth] = width;
        r[Output.TipDepth] = depth;
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassTime.Solve<Engraving, TTrace>(setup, x, 1, 1, PassTime.OverrunOfAll(setup, r.Engagement.Diameter, ref trace), ref r, ref trace);
        return new(x[Input.EngravingDepth], 0, x[Input.EngravingDepth]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink => PassTime.Walk(setup, x, r, 1, 1, ref sink);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        if (r.Limits.Of(Limits.HighestSpeed).Use > 0.98)
            findings.Add(new(
                "spindle-binds", Severity.Info,
                new(
                    "The spindle runs at its top speed: at {0} across no more than {1} can be reached.", new(r.Engagement.Diameter, Quantity.Length),
                    new Measure(x[Input.CuttingSpeed], Quantity.CuttingSpeed)),
                ""));
    }
}
