using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Chamfering an edge with the cone of the cutter, its tip below the chamfer. Speed and feed stand at the widest point in contact.</summary>
internal readonly struct ChamferMilling : IMillingKind
{
    private static readonly Formula LowerSpeed = new(
        "v_l", "Cutting speed at the lower end", Quantity.CuttingSpeed, "v_c*D_l/D_e", "speed grows with the diameter");

    public static OperationDescription Description { get; } = new(
        "chamfer",
        "Chamfering",
        "chamfer",
        [CutterFamily.ChamferMill],
        [
            new(Input.Leg, "c", "Leg on the top face", "Across", Quantity.Length, 0.005, 100, 1),
            new(Input.TipBelow, "t_k", "Tip below the chamfer", "Deep", Quantity.Length, 0, 100, 0.3),
            FeedPerTooth,
            Length("Length of the edge"),
            Deflection(30),
        ],
        [ChipKept("none"), PassWays],
        Large,
        [Output.TipDepth, Output.Diameter, Output.LowerDiameter, Output.LowerSpeed, .. LoadRows])
    {
        AtMachine = SetAtMachine(Output.TipDepth, Output.Diameter, Input.TipBelow, Output.Overrun),
        ChartedAs = [SideFinish.Description],
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        Cone cone = Cone.Of(setup.Cutter);
        double widest = setup.Contact.Length, most = (widest - x[Input.TipBelow]) * (cone.DiameterAt(1) - cone.TipDiameter) / 2;
        check.Holds(
            cone.TipDepthFor(x[Input.Leg], x[Input.TipBelow]) <= widest + 1e-9, "leg", x[Input.Leg],
            $"A leg of {x[Input.Leg]:0.###} mm with the tip {x[Input.TipBelow]:0.###} mm below needs more than the {widest:0.###} "
                + $"mm of the cone; at most {Math.Max(0, most):0.###} mm can be cut. Set the tip higher, or take a larger cutter.");
        check.Holds(
            x[Input.TipBelow] > 0 || cone.TipDiameter > 0, "tipBelow", 0,
            "At the very tip the cone has no speed; set the tip at least a little below the chamfer, say 0.2 mm.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Cone cone = Cone.Of(setup.Cutter);
        double leg = x[Input.Leg], below = x[Input.TipBelow], depth = cone.TipDepthFor(leg, below),
            diameter = cone.DiameterAt(depth), mean = (depth - below) / 2;
        if (TTrace.Listens)
        {
            trace.Take(Cone.TipDepthFormula, depth, new("t_k", below), new("c", leg), new("σ", cone.IncludedAngle));
            trace.Take(Cone.DiameterFormula, diameter, new("d_t", cone.TipDiameter), new("t_t", depth), new("σ", cone.IncludedAngle));
            trace.Take(Cone.TriangleFormula, mean, new("c", leg), new("σ", cone.IncludedAngle));
        }

        r.Across = new(1, leg);
        r.Down = new(1, depth - below);
        r.Engagement = new(
            diameter, leg, mean, cone.EdgeAngle, cone.EdgeAngle, 1, ArcOfEngagement.Side(diameter, Math.Min(leg, diameter), ref trace))
        {
            AlongEdge = true,
            Above = below,
            Height = depth - below,
            Beside = true,
        };
        r[Output.TipDepth] = depth;
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        Cone cone = Cone.Of(setup.Cutter);
        double lower = cone.DiameterAt(x[Input.TipBelow]);
        r[Output.LowerDiameter] = lower;
        r[Output.LowerSpeed] = x[Input.CuttingSpeed] * lower / r.Engagement.Diameter;
        if (TTrace.Listens)
        {
            trace.Take(Cone.LowerFormula, lower, new("d_t", cone.TipDiameter), new("t_k", x[Input.TipBelow]), new("σ", cone.IncludedAngle));
            trace.Take(
                LowerSpeed, r[Output.LowerSpeed], new("v_c", x[Input.CuttingSpeed]), new("D_l", lower),
                new("D_e", r.Engagement.Diameter));
        }

        PassTime.Solve<ChamferMilling, TTrace>(
            setup, x, 1, 1, PassTime.OverrunOfSide(setup, r.Engagement.Diameter, x[Input.Leg], ref trace), ref r, ref trace);
        return new(r[Output.TipDepth], x[Input.Leg], r[Output.TipDepth]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink => PassTime.Walk(setup, x, r, 1, 1, ref sink);
}
