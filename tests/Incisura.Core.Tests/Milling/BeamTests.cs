using CsCheck;
using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class BeamTests
{
    // A cantilever in fine steps: the bending moment of the force, integrated twice from the clamp.
    private static double Stepped(Func<double, double> stiffness, double length, double at, double force)
    {
        const int steps = 20_000;
        double dx = length / steps, sum = 0;
        for (int i = 0; i < steps; i++)
        {
            double x = (i + 0.5) * dx;
            if (x > at && x > force) sum += (x - at) * (x - force) / stiffness(x) * dx;
        }

        return 1000 * sum;
    }

    private static double Stiffness(double diameter) => TipCompliance.Carbide * Math.PI * Math.Pow(TipCompliance.FluteShare * diameter, 4) / 64;

    [Fact]
    public void Any_profile_bends_as_a_beam_in_fine_steps_wherever_the_force_is() =>
        Gen.Select(Gen.Int[0, 2], Gen.Double[0.05, 0.75], Gen.Double[0.05, 0.75]).Sample(
            c =>
            {
                (int form, double at, double force) = c;
                ProfileElement[] elements = form switch
                {
                    0 =>
                    [
                        new(ProfilePart.Cutting, 0, 0, 0, 5), new(ProfilePart.Cutting, 0, 5, 1, 6, -Math.Tan(Math.PI / 8)),
                        new(ProfilePart.Cutting, 1, 6, 40, 6),
                    ],
                    1 => [new(ProfilePart.Cutting, 0, 0, 6, 6, -Math.Tan(Math.PI / 8)), new(ProfilePart.Cutting, 6, 6, 40, 6)],
                    _ => [new(ProfilePart.Cutting, 0, 0, 0, 2), new(ProfilePart.Cutting, 0, 2, 40, 6)],
                };
                Profile profile = new(ProfileShape.Revolved, elements);
                double Radius(double z) => elements.First(e => e.ToZ > z && e.ToZ > e.FromZ).At(z);
                double got = TipCompliance.Of(profile, Sample.Cutter, 0).At(40 * at, 40 * force);
                double stepped = Stepped(z => Stiffness(2 * Radius(z)), 40, 40 * at, 40 * force);
                Assert.Equal(1, got / stepped, 0.015);
            },
            iter: 60);

    [Fact]
    public void A_place_moves_under_a_force_elsewhere_as_that_place_does_under_a_force_here() =>
        Gen.Select(Gen.Double[0, 60], Gen.Double[0, 60]).Sample(c =>
        {
            TipCompliance beam = Sample.Built is var built ? TipCompliance.Of(built.Profile(), built.Cutter, 0.8) : null!;
            double here = beam.At(c.Item1, c.Item2), there = beam.At(c.Item2, c.Item1);
            return Math.Abs(here - there) <= 1e-9 * here && here <= beam.AtTip;
        });

    [Fact]
    public void A_corner_radius_hardly_softens_a_cutter()
    {
        // The deflection of a cutter with a small rounding is that of one without, to a few parts in a hundred.
        double At(CutterFamily family) => Core.Catalogue.Operations.Find("side-rough")!.Calculate(
            Sample.With(family, "side-rough"), Sample.Typed(("depthOfCut", 12), ("widthOfCut", 1.2), ("feedPerTooth", 0.06)), explain: false)
            is var r ? r.Figure("deflection") / r.Figure("peakForce") : 0;
        Assert.InRange(At(CutterFamily.CornerRadiusEndMill) / At(CutterFamily.SquareEndMill), 0.9, 1.1);
    }

    [Fact]
    public void Bending_is_worked_at_every_step_and_the_worst_is_named()
    {
        MillStrength strength = MillStrength.Of(Sample.Built.Profile(), Sample.Cutter);
        Assert.Equal([26.0, 38.0], strength.Sections.Select(s => s.At));
        Assert.Equal(8.4, strength.Sections[0].Diameter, 9);
        BearingSection weakest = strength.Weakest(1000, 6, 5, out SectionStress stress);
        Assert.Equal(26, weakest.At);
        Assert.Equal(MillStrength.FluteNotch * 32 * 1000 * 20 / (Math.PI * Math.Pow(8.4, 3)), stress.Bending, 9);
        Assert.Equal(16 * 5000 / (Math.PI * Math.Pow(8.4, 3)), stress.Torsion, 9);
        strength.Weakest(1000, 25, 0, out SectionStress near);
        Assert.True(near.Bending < stress.Bending);
    }
}
