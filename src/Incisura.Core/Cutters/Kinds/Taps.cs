using Incisura.Core.Geometry;
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

    public static Family Cutting { get; } = Tap(
        CutterFamily.CuttingTap, "cutting tap", 0,
        Pick("flutes", "Flutes", new("spiral", "spiral"), new("straight", "straight"), new("point", "straight with spiral point")));

    public static Family Forming { get; } = Tap(
        CutterFamily.FormingTap, "forming tap", 0, Pick("grooves", "Oil grooves", new("with", "with"), new("without", "without")));

    public static Family TaperPipe { get; } = Tap(
        CutterFamily.TaperPipeTap, "taper pipe tap", 1.0 / 32, Pick("standard", "Thread", new("R", "55°, ISO 7-1"), new("NPT", "60°, ASME B1.20.1")));

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
        Picks = [pick, Lead],
        Relations = [Room(ThreadDiameter, c => c[ThreadDiameter] > 1.3 * c[Pitch], "The pitch leaves the tap no core; give a smaller pitch.")],
    };
}
