using CsCheck;
using Incisura.Core.Geometry;
using Incisura.Core.Holders;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

public class EdgeLoadTests
{
    private const double Exponent = 0.25, Ratio = 0.3, Feed = 0.08, Force11 = 1900;

    internal sealed record Case(double Entry, double Length, double Depth, int Teeth, double Helix, int Form)
    {
        public override string ToString() => $"{Entry:0.###} +{Length:0.###} a{Depth:0.##} z{Teeth} λ{Helix:0.#} form {Form}";

        // 0 a square edge, 1 a rounded corner, 2 a ball, 3 a taper.
        public Profile Profile => Form switch
        {
            1 => Drawn([new(ProfilePart.Cutting, 0, 0, 0, 4), new(ProfilePart.Cutting, 0, 4, 2, 6, Quarter), new(ProfilePart.Cutting, 2, 6, 40, 6)]),
            2 => Drawn([new(ProfilePart.Cutting, 0, 0, 6, 6, Quarter), new(ProfilePart.Cutting, 6, 6, 40, 6)]),
            3 => Drawn([new(ProfilePart.Cutting, 0, 0, 0, 2), new(ProfilePart.Cutting, 0, 2, 40, 6)]),
            _ => Drawn([new(ProfilePart.Cutting, 0, 0, 0, 6), new(ProfilePart.Cutting, 0, 6, 40, 6)]),
        };

        public ArcOfEngagement Arc => ArcOfEngagement.Between(Entry, Math.Min(Math.PI, Entry + Length));

        public CuttingEdge Edge => new(Profile, Teeth, Helix, 12, Exponent, Ratio);

        public EdgeLoad Load
        {
            get
            {
                Contact contact = new ContactProfile(Profile).At(Depth);
                EdgeLoad.Of(Edge, Engagement.Of(contact, 1, Depth, Arc), Feed, Force11, 1, out EdgeLoad load);
                return load;
            }
        }

        private static readonly double Quarter = -Math.Tan(Math.PI / 8);

        private static Profile Drawn(ProfileElement[] elements) => new(ProfileShape.Revolved, elements);
    }

    // A ball and a taper work with their side: their arcs begin where the chip is nothing.
    private static readonly Gen<Case> Cases =
        from form in Gen.Int[0, 3]
        from beside in Gen.Bool
        let side = beside || form >= 2
        from entry in Gen.Double[0.05, 2.6]
        from length in Gen.Double[0.15, 3]
        from depth in Gen.Double[0.4, 24]
        from teeth in Gen.Int[1, 8]
        from helix in Gen.OneOf(Gen.Const(0.0), Gen.Double[5, 50])
        select new Case(side ? 0 : entry, Math.Max(0.1, Math.Min(length, Math.PI - (side ? 0 : entry))), depth, teeth, helix, form);

    // Independent of the product: small pieces of the edge at their own height, each at its own angle.
    internal static (double Along, double Across, double Torque) Summed(Case c, double tip, bool climb, int pieces)
    {
        double contact = new ContactProfile(c.Profile).At(c.Depth).Diameter / 2, along = 0, across = 0, torque = 0;
        double lag = 2 * Math.Tan(double.DegreesToRadians(c.Helix)) / 12, sense = climb ? 1 : -1;
        for (int k = 0; k < pieces; k++)
        {
            double z = c.Depth * (k + 0.5) / pieces, r = RadiusAt(c, z), step = c.Depth / pieces;
            double rise = (RadiusAt(c, z + (step / 4)) - RadiusAt(c, z - (step / 4))) / (step / 2);
            double sine = 1 / Math.Sqrt(1 + (rise * rise)), db = step / sine;
            double entry = c.Arc.CosEntry >= 1 ? 0 : Math.Acos(Math.Clamp(c.Arc.CosEntry * contact / r, -1, 1));
            double exit = Math.Acos(Math.Clamp(((contact * c.Arc.CosExit) - contact + r) / r, -1, 1));
            for (int tooth = 0; tooth < c.Teeth; tooth++)
            {
                double angle = tip + (tooth * 2 * Math.PI / c.Teeth) + (climb ? lag * z : -lag * z);
                angle -= 2 * Math.PI * Math.Floor(angle / (2 * Math.PI));
                if (angle < entry || angle > exit) continue;
                double t = Force11 * Math.Pow(Feed * Math.Sin(angle) * sine, 1 - Exponent) * db, radial = Ratio * t * sine;
                along += (sense * t * Math.Cos(angle)) - (radial * Math.Sin(angle));
                across -= (sense * t * Math.Sin(angle)) + (radial * Math.Cos(angle));
                torque += t * r / 1000;
            }
        }

        return (along, across, torque);
    }

    private static double RadiusAt(Case c, double z) => c.Form switch
    {
        1 => z < 2 ? 4 + Math.Sqrt(Math.Max(0, 4 - ((2 - z) * (2 - z)))) : 6,
        2 => z < 6 ? Math.Sqrt(Math.Max(0, 36 - ((6 - z) * (6 - z)))) : 6,
        3 => 2 + (4 * z / 40),
        _ => 6,
    };

    [Fact]
    public void The_forces_at_any_moment_are_those_of_small_pieces_of_the_edge() => Gen.Select(Cases, Gen.Double[0, 6.28], Gen.Bool).Sample(
        (c, tip, climb) =>
        {
            // At a single moment a leaning or rounded edge in a few slices is told coarsely; its peak and its mean are held below.
            if (c.Helix < 5 || c.Form != 0) return;
            SideForce got = c.Load.At(tip, climb);
            var dense = Summed(c, tip, climb, 2000);
            double scale = Force11 * c.Depth * Math.Pow(Feed, 1 - Exponent);
            Assert.True(double.Hypot(got.Along - dense.Along, got.Across - dense.Across) <= 0.015 * scale, $"{c} {tip} {climb}: {got} {dense}");
        },
        iter: 400, seed: "0000000000000");

    [Fact]
    public void The_worst_moment_is_never_below_the_peak_of_a_turn_and_hardly_above() => Cases.Sample(
        c =>
        {
            EdgeLoad load = c.Load;
            double found = Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared), peak = 0;
            for (int i = 0; i < 3000; i++) peak = Math.Max(peak, load.At(i * 2 * Math.PI / c.Teeth / 3000, climb: false).Squared);
            Assert.True(found >= Math.Sqrt(peak) * (c.Form == 0 ? 0.997 : 0.99), $"{c}: {found} below {Math.Sqrt(peak)}");
            if (c.Helix >= 5) Assert.True(found <= Math.Sqrt(peak) * 1.01 + 1e-9, $"{c}: {found} above {Math.Sqrt(peak)}");
        },
        iter: 400, seed: "0000000000000");

    [Fact]
    public void The_peak_is_that_of_the_dense_model() => Cases.Array[60].Sample(
        all => Array.ForEach(all, c =>
        {
            // Without helix a whole edge leaves at one angle, which steps miss.
            if (c.Helix < 5) return;
            EdgeLoad load = c.Load;
            double found = Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared), peak = 0;
            for (int i = 0; i < 240; i++)
            {
                var dense = Summed(c, i * 2 * Math.PI / c.Teeth / 240, climb: false, c.Form == 0 ? 1500 : 400);
                peak = Math.Max(peak, double.Hypot(dense.Along, dense.Across));
            }

            // A strip past the axis, of which a rounding reaches only its outer part, is told on the safe side.
            (double least, double most) = c.Form == 0 ? (0.985, 1.04) : (0.985, c.Entry > Math.PI / 2 ? 1.3 : 1.15);
            Assert.True(found >= least * peak && found <= most * peak, $"{c}: {found} against {peak}");
        }),
        iter: Effort.Times, seed: "0000000000000", threads: 1);

    [Fact]
    public void Its_mean_torque_is_the_mean_of_its_course() => Cases.Sample(
        c =>
        {
            // Edges without helix are in cut so shortly that a course in steps misses them.
            if (c.Helix < 5) return;
            double sum = 0;
            int moments = 2880 / c.Teeth;
            for (int i = 0; i < moments; i++) sum += Summed(c, i * 2 * Math.PI / c.Teeth / moments, climb: false, 200).Torque / moments;
            Assert.InRange(c.Load.MeanTorque / sum, c.Form == 0 ? 0.98 : 0.92, c.Form == 0 ? 1.02 : 1.12);
        },
        iter: 60, seed: "0000000000000");
}
