using Incisura.Core.Geometry;
using Incisura.Core.Threads;
using static Incisura.Core.Cutters.Dimension;
using static Incisura.Core.Cutters.Kinds.Parts;

namespace Incisura.Core.Cutters.Kinds;

/// <summary>Taps.</summary>
internal static class Taps
{
    // Threads on the lead by its form (DIN 2197); the middle of each range.
    private static readonly Dictionary<string, double> LeadThreads = new() { ["A"] = 7, ["B"] = 4.5, ["C"] = 2.5, ["D"] = 4.5, ["E"] = 1.75 };

    private static readonly PickDescription Lead = Pick(
        "lead", "Form of the lead", new("C", "C, 2 to 3 threads"), new("A", "A, 6 to 8 threads"), new("B", "B, 3.5 to 5 threads"),
        new("D", "D, 3.5 to 5 threads"), new("E", "E, 1.5 to 2 threads"));

    private static readonly PickDescription Form = Pick(
        "threadForm", "Form of the thread", new("sizes", "by its sizes"), new("M", "60°, ISO 68-1"), new("UN", "60°, ASME B1.1"),
        new("G", "55°, ISO 228-1"));

    private static readonly PickDescription Class = Pick(
        "threadClass", "Class of the thread",
        [new("none", "not said"), .. new[] { "4H", "5H", "6H", "7H", "6G", "1B", "2B", "3B" }.Select(c => new OptionPick(c, c))]);

    // A pipe thread is one of its standard; a class is one that the thread has.
    private static readonly Relation Listed = Room(
        Pitch, c => c.Picked(Form.Code) != "G" || ThreadTables.Find(ThreadOf(c)) is not null,
        "ISO 228-1 lists no pipe thread of this diameter and pitch; correct them, or let the form follow the sizes."),
        Graded = new(
            ThreadDiameter, c => ThreadOf(c) is var t && (t.Class.Length == 0 || ThreadLimits.Of(t, t.Class) is not null),
            c => $"{(ThreadOf(c) with { Class = "" }).ToString()} has no class {c.Picked(Class.Code)}; choose one it has, or leave it not said.");

    public static Family Cutting { get; } = Tap(
        CutterFamily.CuttingTap, "cutting tap", 0,
        Pick("flutes", "Flutes", new("spiral", "spiral"), new("straight", "straight"), new("point", "straight with spiral point")));

    public static Family Forming { get; } = Tap(
        CutterFamily.FormingTap, "forming tap", 0, Pick("grooves", "Oil grooves", new("with", "with"), new("without", "without")));

    public static Family TaperPipe { get; } = Tap(
        CutterFamily.TaperPipeTap, "taper pipe tap", 1.0 / 32, Pick("standard", "Thread", new("R", "55°, ISO 7-1"), new("NPT", "60°, ASME B1.20.1"),
            new("NPTF", "60°, dry sealing, ASME B1.20.3")));

    /// <summary>The thread a tap makes: of the form and class it states, or, where it states no form, the listed one its sizes mean.</summary>
    public static Thread ThreadOf(Cutter c)
    {
        double diameter = c[ThreadDiameter], pitch = c[Pitch];
        bool left = c.Hand == Hand.Left;
        if (c.Family == CutterFamily.TaperPipeTap)
        {
            ThreadForm taper = c.Picked("standard") switch
            {
                "R" => ThreadForm.PipeTaper,
                "NPTF" => ThreadForm.PipeTaper60Dry,
                _ => ThreadForm.PipeTaper60,
            };
            return ThreadTables.Sized(taper, diameter) with { LeftHand = left };
        }

        ThreadForm? form = c.Picked(Form.Code) switch
        {
            "M" => ThreadForm.Metric,
            "UN" => ThreadForm.Unified,
            "G" => ThreadForm.PipeParallel,
            _ => null,
        };
        return ThreadTables.Meant(diameter, pitch, left, form) with
        { Class = c.Picked(Class.Code) is var known && known != "none" ? known : "" };
    }

    /// <summary>Length of the lead of a tap, mm.</summary>
    public static double LeadLength(Cutter c) => Math.Min(LeadThreads[c.Picked("lead")] * c[Pitch], c.FluteLength * 0.8);

    private static Family Tap(CutterFamily code, string name, double taper, PickDescription pick) => new(
        code, name, CutterUse.Holes, ShankForm.Cylindrical, ShankDiameter,
        c =>
        {
            // Every crest of the thread; on the lead they rise from the core to the full diameter, which the last one has whatever the length.
            double pitch = c[Pitch], half = c[ThreadDiameter] / 2, core = half - (0.6 * pitch),
                last = ((int)((c.FluteLength + 1e-9) / pitch) - 0.5) * pitch, lead = Math.Min(LeadLength(c), last);
            Outline o = new Outline().Line(ProfilePart.Cutting, 0, core);
            for (double z = 0; z + pitch <= c.FluteLength + 1e-9; z += pitch)
            {
                double crest = z + (pitch / 2), full = half + (crest * taper);
                o.Line(ProfilePart.Cutting, crest, Math.Min(full, core + ((full - core) * crest / lead)))
                    .Line(ProfilePart.Cutting, z + pitch, core + ((z + pitch) * taper));
            }

            return o.Line(ProfilePart.Cutting, c.FluteLength, o.R).Tail(c);
        },
        [
            ThreadDiameter.In(0.8, 120, 10), Pitch.In(0.15, 8, 1.5).Under(ThreadDiameter, 0.32),
            FluteLength.In(2, 200, 20).Under(UsableLength).Over(Pitch, 3), UsableLength.In(2, 300, 39).Under(OverallLength),
            NeckDiameter.In(0.3, 120, 7).Free(), ShankDiameter.In(0.8, 110, 7), OverallLength.In(20, 400, 100), .. Lips(3, taper > 0 ? 0 : 40),
        ])
    {
        CalledBy = ThreadDiameter.Symbol,
        Picks = taper > 0 ? [pick, Lead] : [pick, Lead, Form, Class],
        Relations =
        [
            Room(ThreadDiameter, c => c[ThreadDiameter] > 1.3 * c[Pitch], "The pitch leaves the tap no core; give a smaller pitch."),
            .. taper > 0 ? (Relation[])[] : [Listed, Graded],
        ],
    };
}
