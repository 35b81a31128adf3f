using Incisura.Core.Cutters;
using Incisura.Core.Library;
using Incisura.Core.Materials;

namespace Incisura.Web.Tests;

/// <summary>What people type to find a cutter of the demo workshop, and what they want by it.</summary>
public sealed class DemoSearchTests(SharedWorkshop workshop)
{
    private static readonly CutterFamily[] EndMills =
    [
        CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill, CutterFamily.BallEndMill, CutterFamily.TaperedEndMill,
    ];

    private static readonly CutterFamily[] Drills =
        [
            CutterFamily.CentreDrill, CutterFamily.SpotDrill, CutterFamily.TwistDrill, CutterFamily.FlatDrill, CutterFamily.StepDrill,
            CutterFamily.IndexableDrill, CutterFamily.GunDrill,
        ];

    private static readonly CutterFamily[] Taps = [CutterFamily.CuttingTap, CutterFamily.FormingTap, CutterFamily.TaperPipeTap];
    private static readonly (string Query, Func<Cutter, bool> Wanted)[] All =
    [
        // Sizes, however written.
        ("12", c => Size(c, 12)), ("20", c => Size(c, 20)), ("6", c => Size(c, 6)), ("12mm", c => Size(c, 12)), ("12 mm", c => Size(c, 12)),
        ("Ø12", c => Size(c, 12)), ("ø 12", c => Size(c, 12)), ("D12", c => Size(c, 12)),
        ("dia 12", c => Size(c, 12)), ("diameter 12", c => Size(c, 12)), ("Durchmesser 12", c => Size(c, 12)), ("1/2\"", c => Size(c, 12.7)),
        (".5in", c => Size(c, 12.7)), (".5 in", c => Size(c, 12.7)), ("0.5 inch", c => Size(c, 12.7)),
        ("8.5", c => Size(c, 8.5)), ("8,5", c => Size(c, 8.5)), ("8,5 mm", c => Size(c, 8.5)),

        // Ranges of them.
        ("10-12", c => Between(c, 10, 12)), ("10 - 12", c => Between(c, 10, 12)), ("10..12", c => Between(c, 10, 12)),
        ("10 to 12", c => Between(c, 10, 12)), ("10 bis 12", c => Between(c, 10, 12)), ("10-12 mm", c => Between(c, 10, 12)),
        (">= 20", c => c.CalledSize >= 20), (">=20", c => c.CalledSize >= 20), ("> 20", c => c.CalledSize > 20),
        ("<3", c => c.CalledSize < 3), ("<= 3 mm", c => c.CalledSize <= 3), ("≤ 3", c => c.CalledSize <= 3),
        ("ball 6-10", c => Is(c, CutterFamily.BallEndMill) && Between(c, 6, 10)), ("drill <= 5", c => Is(c, Drills) && c.CalledSize <= 5),

        // Words close by.
        ("endmil", c => Is(c, EndMills)), ("endmill", c => Is(c, EndMills)), ("end mill 12", c => Is(c, EndMills) && Size(c, 12)),
        ("facemill", c => Is(c, CutterFamily.FaceMill)), ("face mill", c => Is(c, CutterFamily.FaceMill)),
        ("ball nose 6", c => Is(c, CutterFamily.BallEndMill) && Size(c, 6)), ("reemer 8", c => Is(c, CutterFamily.Reamer) && Size(c, 8)),
        ("reamers", c => Is(c, CutterFamily.Reamer)), ("chamf", c => Is(c, CutterFamily.ChamferMill)),
        ("tap", c => Is(c, Taps)), ("drills", c => Is(c, Drills)), ("gun drill", c => Is(c, CutterFamily.GunDrill)),
        ("deep hole", c => Is(c, CutterFamily.GunDrill)), ("thread mill", c => Is(c, CutterFamily.ThreadMill)),
        ("corner-radius", c => Is(c, CutterFamily.CornerRadiusEndMill)), ("c-02", c => c.Number.StartsWith("C-02", StringComparison.Ordinal)),
        ("carbide 6", c => c.Material == CuttingMaterial.Carbide && Size(c, 6)),
        ("hss drill", c => c.Material == CuttingMaterial.HighSpeedSteel && Is(c, Drills)),

        // Teeth, corners, reach, threads.
        ("4 flute", c => Teeth(c, 4)), ("4 flutes 12", c => Teeth(c, 4) && Size(c, 12)), ("4-flute", c => Teeth(c, 4)), ("z4", c => Teeth(c, 4)),
        ("z 4", c => Teeth(c, 4)), ("4z", c => Teeth(c, 4)), ("4 Schneiden", c => Teeth(c, 4)),
        ("r 0.5", c => Corner(c, 0.5)), ("r0.5", c => Corner(c, 0.5)), ("radius 0.5", c => Corner(c, 0.5)),
        ("z4 r1", c => Teeth(c, 4) && Corner(c, 1)),
        ("long reach 6", c => Size(c, 6) && Slender(c) >= 4), ("ball 6 long", c => Is(c, CutterFamily.BallEndMill) && Size(c, 6) && Slender(c) >= 4),
        ("5xD drill", c => Is(c, Drills) && Slender(c) >= 4.95), ("drill 8 x D", c => Is(c, Drills) && Slender(c) >= 7.92),
        ("M10", c => Thread(c, 10, 0)), ("m1", c => Thread(c, 1, 0)), ("M10x1.5", c => Thread(c, 10, 1.5)), ("M10 x 1,5", c => Thread(c, 10, 1.5)),
        ("tap M8", c => Is(c, Taps) && Thread(c, 8, 0)),

        // Numbers of the workshop.
        ("c0020", c => c.Number == "C-0020"), ("C-0191", c => c.Number == "C-0191"), ("d-0012", c => c.Number == "D-0012"),
        ("d0012", c => c.Number == "D-0012"),

        // Denied.
        ("12 -ball", c => Size(c, 12) && !Is(c, CutterFamily.BallEndMill)), ("not ball 12", c => Size(c, 12) && !Is(c, CutterFamily.BallEndMill)),
        ("drill not hss", c => Is(c, Drills) && c.Material != CuttingMaterial.HighSpeedSteel), ("tap -m10", c => Is(c, Taps) && !Thread(c, 10, 0)),

        // German.
        ("Bohrer 8.5", c => Is(c, Drills) && Size(c, 8.5)), ("Schaftfraeser 12", c => Is(c, EndMills) && Size(c, 12)),
        ("Schaftfräser 12", c => Is(c, EndMills) && Size(c, 12)), ("Kugelfräser", c => Is(c, CutterFamily.BallEndMill)),
        ("Gewindebohrer M8", c => Is(c, CutterFamily.CuttingTap, CutterFamily.TaperPipeTap) && Thread(c, 8, 0)),
        ("Reibahle 10", c => Is(c, CutterFamily.Reamer) && Size(c, 10)),
        ("Hartmetall Bohrer", c => Is(c, Drills) && c.Material == CuttingMaterial.Carbide),
        ("Planfräser ohne 50", c => Is(c, CutterFamily.FaceMill) && !Size(c, 50)), ("Bohrer lang", c => Is(c, Drills) && Slender(c) >= 4),
        ("Senker", c => Is(c, CutterFamily.Countersink)),
    ];

    private static bool Is(Cutter c, params CutterFamily[] families) => families.Contains(c.Family);

    private static bool Size(Cutter c, double mm) => Math.Abs(c.CalledSize - mm) < 0.006;

    private static bool Between(Cutter c, double least, double most) => c.CalledSize >= least && c.CalledSize <= most;

    private static bool Teeth(Cutter c, int teeth) => c.Dimensions.TryGetValue("ZEFF", out double z) && z == teeth;

    private static bool Corner(Cutter c, double radius) =>
        Math.Abs((c.Family == CutterFamily.BallEndMill ? c.CalledSize / 2 : c.Dimensions.GetValueOrDefault("RE")) - radius) < 1e-6;

    private static double Slender(Cutter c) => c.Described.Use == CutterUse.Turning ? 0 : c.UsableLength / c.CalledSize;

    private static bool Thread(Cutter c, double diameter, double pitch) =>
        c.Dimensions.TryGetValue("TP", out double p) && Size(c, diameter) && (pitch == 0 || p == pitch);

    [Fact]
    public async Task People_find_what_they_mean()
    {
        ShelfView view = await workshop.ShelfAsync();
        Listing<ListedCutter> list = new([.. view.Cutters.Values.Select(c => new ListedCutter(c.Id, c.Definition, [], [], 0))], CutterListing.Rules);
        List<string> wrong = [];
        foreach ((string query, Func<Cutter, bool> wanted) in All)
        {
            HashSet<string> right = [.. view.Cutters.Values.Select(c => c.Definition).Where(wanted).Select(c => c.Number)];
            HashSet<string> found = [.. list.Ask(new() { Text = query, Take = int.MaxValue }).Rows.Select(r => r.Cutter.Number)];
            if (!right.SetEquals(found))
                wrong.Add(
                    $"{query}: missing {string.Join(' ', right.Except(found).Take(8))}; too many {string.Join(' ', found.Except(right).Take(8))}");
        }

        Assert.True(All.Length >= 75 && wrong is [], $"{wrong.Count} of {All.Length}:\n{string.Join('\n', wrong)}");
    }
}
