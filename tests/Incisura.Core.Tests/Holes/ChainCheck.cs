using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Holders;
using Incisura.Core.HoleGroups;
using Incisura.Core.Machines;
using Incisura.Core.Threads;

namespace Incisura.Core.Tests.Holes;

/// <summary>
/// Walks a chain as somebody with the tools in hand would, by its own arithmetic, and says what contradicts a verdict that it works.
/// </summary>
internal static class ChainCheck
{
    /// <summary>What contradicts the chain; empty for nothing.</summary>
    public static IReadOnlyList<string> Contradictions(HoleTarget t, HoleChain chain)
    {
        if (chain.Verdict == ChainVerdict.Fails) return chain.Why.Count == 0 ? ["fails without saying why"] : [];
        List<string> wrong = [];
        (double major, double p, bool leftHand) = t.Thread is { } named && ThreadText.Read(named.Text) is { } read
            ? (read.Diameter, read.Pitch, read.LeftHand)
            : default;
        double hole = 0, depth = 0, seat = 0, chamfer = 0;
        bool finished = t.Kind == TargetKind.Plain, seated = t.Kind != TargetKind.Counterbored;
        foreach (ChainStep step in chain.Steps)
        {
            if (step.Situation is not { } s || step.Result is not { } r)
            {
                wrong.Add($"{step.Operation} is missing");
                continue;
            }

            Cutter c = s.Cutter.Value;
            double N(string code) => step.Choices.Numbers.TryGetValue(code, out double v) ? v : double.NaN;
            double Field(string code) => r.Fields.First(f => f.Code == code).Value;
            double D(string symbol) => c.Dimensions.TryGetValue(symbol, out double v) ? v : 0;
            void Hold(bool right, string what)
            {
                if (!right) wrong.Add($"{step.Operation}, {s.Assembly.Value.Number}: {what}");
            }

            if (r.Findings.FirstOrDefault(f => f.Severity == Severity.Stop) is { } stop) Hold(false, $"stop {stop.Text}");
            Hold(r.Limits.All(l => l.Severity != Severity.Stop || l.Use is null or <= 1.000001), "limit exceeded");
            Hold(c.Groups.Contains(s.Material.Value.Group), "not meant for the material");
            Hold(s.Holder.Value.Interface == s.Machine.Value.Interface, "does not fit the spindle");
            Stands(s, Hold);
            double tip = r.Figures.FirstOrDefault(f => f.Code == "programmedDepth")?.Value ?? 0;
            Hold(tip <= s.Assembly.Value.Projection + 1e-6, $"the tip at {tip} is deeper than {s.Assembly.Value.Projection} stand out");
            switch (step.Operation)
            {
                case "spot":
                    Cutter after = chain.Steps.First(x => x.Operation == "drill").Situation!.Cutter.Value;
                    Hold(after.Family is CutterFamily.TwistDrill or CutterFamily.StepDrill, "before a drill that needs none");
                    Hold(after.Material != CuttingMaterial.Carbide || D("SIG") >= after[Dimension.PointAngle], "steeper than the carbide point");
                    if (N("chamferDiameter") is var spot && spot > after.CuttingDiameter)
                        chamfer = Math.Max(chamfer, Math.Abs(D("SIG") - 90) <= 10 ? spot : 0);
                    break;
                case "drill":
                    Hold(Math.Min(c.ShankSize > c.CuttingDiameter ? D("LU") : double.PositiveInfinity, D("LCF")) >= tip, "runs past its flutes");
                    (hole, depth) = (c.CuttingDiameter, Field("depth"));
                    if (c.Family == CutterFamily.StepDrill) chamfer = Field("chamferDiameter");
                    break;
                case "deep-hole":
                    Hold(
                        hole >= c.CuttingDiameter && hole <= c.CuttingDiameter * 1.05 && N("pilotDiameter") == hole && N("pilotDepth") <= depth,
                        "its pilot does not guide it");
                    Hold(N("depth") >= 8 * c.CuttingDiameter || N("depth") > Field("pilotDepth") * 3, "for a shallow hole");
                    (hole, depth) = (c.CuttingDiameter, N("depth"));
                    break;
                case "bore":
                    Hold(
                        hole < N("boreDiameter") && hole >= D("BD") && N("boreDiameter") >= D("DCN") && N("boreDiameter") <= D("DCX"),
                        "the bar does not make it");
                    (hole, depth) = (N("boreDiameter"), N("depth"));
                    break;
                case "helical-entry":
                    Hold(c.CuttingDiameter < N("holeDiameter") && 2 * c.CuttingDiameter >= N("holeDiameter"), "leaves a core or no helix");
                    (hole, depth) = (N("holeDiameter"), N("stockHeight"));
                    break;
                case "countersink":
                    Hold(
                        N("chamferDiameter") <= c.CuttingDiameter && D("DCN") <= N("holeBefore") && Math.Abs(D("SIG") - 90) <= 10,
                        "cannot make the chamfer");
                    Hold(Math.Abs(N("holeBefore") - (t.Kind == TargetKind.Counterbored ? seat : hole)) < 1e-9, "around another hole");
                    chamfer = N("chamferDiameter");
                    break;
                case "chamfer":
                    Hold(c.CuttingDiameter < hole && Math.Abs(D("SIG") - 90) <= 10, "does not go round inside the hole");
                    chamfer = (t.Kind == TargetKind.Counterbored ? seat : hole) + (2 * N("leg"));
                    break;
                case "tap":
                    Hold(
                        Math.Abs(D("TDZ") - major) < 1e-9 && Math.Abs(D("TP") - p) < 1e-9 && (c.Hand == Hand.Left) == leftHand,
                        "another thread");
                    Hold(
                        N("holeBefore") == hole && hole > major - (1.3 * p)
                            && hole < major - (0.3 * p), $"in a core of {hole}");
                    Hold(c.ShankSize < hole || tip <= D("LU") + 1e-6, $"its shank of {c.ShankSize} at {tip} runs into the core of {hole}");
                    Hold(t.Through || depth >= tip - 1e-6, $"the hole ends at {depth}, the tap at {tip}");
                    finished = true;
                    break;
                case "thread-milling":
                    double pitch = c.Picks.GetValueOrDefault("profiles") == "one" && D("TPX") >= p && D("TP") <= p ? p : D("TP");
                    Hold(Math.Abs(pitch - p) < 1e-3 && c.CuttingDiameter < hole, "cannot mill this pitch in this hole");
                    Hold(
                        N("crestDiameter") == hole && hole >= major - (1.09 * p) && hole <= major - (0.75 * p),
                        $"in a core of {hole}");
                    Hold(r.Attached<CutThread>() is { } cut && cut.LeftHand == leftHand && cut.Inside, "another thread");
                    Hold(t.Through || depth >= tip - 1e-6, $"the hole ends at {depth}, the mill at {tip}");
                    finished = true;
                    break;
                case "ream":
                    Hold(
                        hole < c.CuttingDiameter && N("holeBefore") == hole
                            && (
                                HoleLimits(t) is not { } l
                                    ? t.Tolerance != "banana" || Math.Abs(c.CuttingDiameter - t.Diameter) < 1e-6
                                    : c.CuttingDiameter >= l.Least - 1e-9 && c.CuttingDiameter <= l.Most + 1e-9),
                        "another size");
                    Hold(c.ShankSize < c.CuttingDiameter || tip <= D("LU") + 1e-6, "its shank runs into the bore");
                    Hold(t.Through || depth >= tip + 0.5, $"the hole ends at {depth}, the reamer at {tip}");
                    (hole, finished) = (c.CuttingDiameter, true);
                    break;
                case "fine-bore":
                    Hold(hole <= N("boreDiameter") - 0.2 && hole >= D("BD"), "the head has nothing to cut, or does not enter");
                    Hold(HoleLimits(t) is not { } b || (N("boreDiameter") > b.Least && N("boreDiameter") < b.Most), "outside its tolerance");
                    Hold(t.Through || depth > tip, "it meets the bottom");
                    (hole, finished) = (N("boreDiameter"), true);
                    break;
                case "counterbore":
                    Hold(Math.Abs(c.CuttingDiameter - t.SeatDiameter) <= 0.005 && D("DPIL") <= hole + 0.02, "another seat");
                    Hold(t.Through || t.SeatDepth + D("LPIL") <= depth + 1e-6, "its pilot meets the bottom");
                    (seat, seated, finished) = (t.SeatDiameter, true, true);
                    break;
                default:
                    Hold(false, "an operation nobody asked for");
                    break;
            }
        }

        if (t.Kind == TargetKind.Plain && Math.Abs(hole - t.Diameter) > 0.005) wrong.Add($"the hole is Ø{hole}");
        if (depth < t.Depth - 1e-6) wrong.Add($"the hole is {depth} deep");
        if (!finished || !seated) wrong.Add("the hole is not finished");
        double edge = t.Kind switch { TargetKind.Counterbored => t.SeatDiameter, TargetKind.Plain => hole, _ => t.Nominal() } + (2 * t.Chamfer);
        if (t.Chamfer > 0 && Math.Abs(chamfer - edge) > 0.02) wrong.Add($"the chamfer is Ø{chamfer} for Ø{edge}");
        return wrong;
    }

    private static (double Least, double Most)? HoleLimits(HoleTarget t) => t.Tolerance switch
    {
        "H7" => (t.Diameter, t.Diameter + (t.Diameter switch { <= 3 => 10, <= 6 => 12, <= 10 => 15, <= 18 => 18, <= 30 => 21, _ => 25 } / 1000.0)),
        _ => null,
    };

    private static void Stands(Situation s, Action<bool, string> hold)
    {
        ToolStore store = s.Machine.Value.Store;
        if (store.Kind == ToolStoreKind.ByHand || s.Assembly.Value.Places.Any(p => p.MachineId == s.Machine.Id)) return;
        BuiltAssembly built = s.Built();
        double girth = built.Profile().Elements.Max(e => 2 * Math.Max(Math.Abs(e.FromR), Math.Abs(e.ToR)));
        hold(store.LargestLength == 0 || built.GaugeLength <= store.LargestLength, "too long for the store");
        hold(store.Heaviest == 0 || built.Mass <= store.Heaviest, "too heavy for the store");
        double most = Math.Max(store.LargestAlone, store.LargestDiameter);
        hold(most == 0 || girth <= most + 1e-6, "too wide for the store");
    }
}
