namespace Incisura.Core.Holes;

/// <summary>How deep a tool with a lead goes, and how deep the hole below must be: taps and reamers.</summary>
internal static class ThreadedDepth
{
    private static readonly Formula BlindFormula = new("t_p", "Programmed depth", Quantity.Length, "t + l_a", "full depth, and the lead below it");
    private static readonly Formula ThroughFormula = new(
        "t_p", "Programmed depth", Quantity.Length, "t + l_a + t_b", "thickness, and the lead past the far face");
    private static readonly Formula NeededFormula = new(
        "t_n", "Depth the hole must have", Quantity.Length, "t_p + c_b + l_c", "tip, clear way and room for chips");

    /// <summary>Writes the depths.</summary>
    /// <param name="x">Depth, whether through, breakthrough and clear way.</param>
    /// <param name="lead">Length of the lead, mm.</param>
    /// <param name="room">Room for chips below, mm.</param>
    /// <param name="r">Receives the figures.</param>
    /// <param name="trace">Listens to the steps.</param>
    public static void Of<TTrace>(in Inputs x, double lead, double room, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        double depth = x[Input.Depth], past = x[Input.Breakthrough], clear = x[Input.BottomClearance],
            tip = depth + lead + (x.Through ? past : 0);
        r[Output.LeadLength] = lead;
        r[Output.FullDepth] = depth;
        if (TTrace.Listens)
        {
            if (x.Through) trace.Take(ThroughFormula, tip, new("t", depth), new("l_a", lead), new("t_b", past));
            else trace.Take(BlindFormula, tip, new("t", depth), new("l_a", lead));
        }

        if (!x.Through)
        {
            r[Output.DepthNeeded] = tip + clear + room;
            if (TTrace.Listens) trace.Take(NeededFormula, tip + clear + room, new("t_p", tip), new("c_b", clear), new("l_c", room));
        }

        AxisDepth.Programme(tip, x, ref r, ref trace);
    }
}
