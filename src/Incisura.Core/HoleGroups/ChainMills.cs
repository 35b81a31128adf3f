using Incisura.Core.Cutters;
using Incisura.Core.Threads;

namespace Incisura.Core.HoleGroups;

/// <summary>Threads that no tap makes are milled.</summary>
internal sealed partial class ChainBuilder
{
    // Room for the cutter to go round in the hole, over its diameter.
    private const double RoomRound = 1.05;

    private List<Finish> Mills()
    {
        WorkThread work = t.Work!;
        double pitch = work.Thread.Pitch, crest = work.CrestOf(inside: true);
        (double least, double most) = work.LimitsOf(inside: true) is { } l
            ? (l.Minor.Least, l.Minor.Most)
            : (crest, crest + (0.15 * pitch));
        double hole = (least + most) / 2;
        bool Fits(Situation s)
        {
            Cutter c = s.Cutter.Value;
            double from = c[Dimension.Pitch], to = c[Dimension.LargestPitch] > from ? c[Dimension.LargestPitch] : from;
            return (c.Picked("profiles") == "one" ? pitch >= from - 1e-3 && pitch <= to + 1e-3
                : Math.Abs(pitch - from) < 1e-3 && c.Picked("profiles") == "taper" == work.Form.Taper > 0)
                && Math.Abs(c[Dimension.ProfileAngle] - work.Form.FlankAngle) < 0.5 && c.CuttingDiameter * RoomRound <= least;
        }

        (List<Situation> able, List<Situation> all) = Candidates("thread-milling", [CutterFamily.ThreadMill], Fits);
        IReadOnlyList<Extra> extras = [t.Thread!];
        return
        [
            .. able.OrderBy(s => !ToolShelf.StandsThere(s)).ThenBy(s => s.Cutter.Value.Picked("profiles") == "one").ThenBy(Length).Select(s =>
                new Finish
            {
                Operation = "thread-milling",
                Situation = s,
                Size = work.Thread.Diameter,
                Hole = hole,
                Takes = d => d >= least - 1e-9 && d <= most + 1e-9,
                Into = d => new() { ["depth"] = t.Depth, ["crestDiameter"] = d },
                DepthIn = d => DepthFor("thread-milling", s, new() { ["depth"] = t.Depth, ["crestDiameter"] = d }, extras),
                Ends = Ends,
                Extras = extras,
                Why = new(s.Cutter.Value.Picked("profiles") == "one"
                    ? "Its one profile goes down the thread turn by turn."
                    : "Its profiles make the thread in one turn."),
                WhyDrill = _ => new("Leaves the minor diameter of the thread, {0} to {1}.", Mm(least), Mm(most)),
                Others = all,
            }),
        ];
    }

    // Why no tap did it: none is there, or what stands against the one that is.
    private static Sentence WhyMilled(HoleChain tapped)
    {
        ChainStep? tap = tapped.Steps.FirstOrDefault(s => s.Operation == "tap");
        Finding? stop = tap?.Result?.Findings.FirstOrDefault(f => f.Severity == Severity.Stop);
        return tap is not { Found: true } ? new("The thread is milled: no tap fits it.")
            : stop is not null ? new Sentence("The thread is milled: ").Then(stop.Text)
            : new("The thread is milled: no chain with a tap works.");
    }
}
