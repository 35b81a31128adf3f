using CsCheck;
using Incisura.Core.Calculation;
using Incisura.Core.Catalogue;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Derivations;
using Incisura.Core.Geometry;
using Incisura.Core.Milling;

namespace Incisura.Core.Tests.Milling;

/// <summary>Strips of surfaces, chamfers and engraved lines against points on the edge that are asked one by one whether they are in the work.</summary>
public class SurfaceStripTests
{
    private const double Exponent = 0.25, Ratio = 0.3, Feed = 0.05, Force11 = 1900;

    private static readonly Profile Any =
        new(ProfileShape.Revolved, [new(ProfilePart.Cutting, 0, 0, 5, 5, -Math.Tan(Math.PI / 8)), new(ProfilePart.Cutting, 5, 5, 40, 5)]);

    private sealed record Case(double Centre, double Radius, double Tilt, bool Down, double Step, double Stock, SurfaceForm Form, double Surface)
    {
        public SurfaceStrip Strip => new((Math.Max(Radius, 0), Centre), Radius, Tilt, Down, Step, Stock, Form, Surface);

        public override string ToString() =>
            $"F{Centre:0.##} r{Radius:0.##} β{Tilt:0.#} {(Down ? "down" : "up")} s{Step:0.####} t{Stock:0.####} {Form} {Surface:0.#}";

        // X away from the axis, Y along it, both from the centre of the rounding; the surface touches β from the tip.
        public bool InWork(double x, double y)
        {
            (double s, double c) = Math.SinCos(double.DegreesToRadians(Tilt));
            double up = (-s * x) + (c * y), along = (c * x) + (s * y), sign = Down ? -1 : 1;
            if (Form == SurfaceForm.Flat) return up < -Radius + Stock && !Covered(x + (sign * Step * c), y + (sign * Step * s));

            // Further back the lines before the last have left nothing: the far side of a flat end hangs over what is done.
            if (sign * along < -2 * Step) return false;
            double dome = Form == SurfaceForm.Convex ? 1 : -1, middle = -dome * (Surface + (dome * Radius)), turn = sign * Step / Surface;
            double height = double.Hypot(along, up - middle);
            if (dome * (height - Surface) > Stock) return false;

            // Turned back by a step about the middle of the surface, a point lies to this line as it lay to the line before.
            double angle = Math.Atan2(along, dome * (up - middle)) + turn;
            double back = height * Math.Sin(angle), high = middle + (dome * height * Math.Cos(angle));
            return !Covered((c * back) - (s * high), (s * back) + (c * high));
        }

        // What the cutter fills as seen along the line.
        private bool Covered(double x, double y) =>
            Math.Abs(y) < Radius && x + Centre <= Centre + Math.Sqrt((Radius * Radius) - (y * y));

        // The angles from the tip between which the edge can be in the work.
        private (double From, double To) Reach()
        {
            double reach = (1.5 * Ridge.ContactAngle(Radius, Stock, Form, Surface)) + (Step / Radius), middle = double.DegreesToRadians(Tilt);
            return (Math.Max(middle - reach, 0), Math.Min(middle + reach, Centre < 0 ? Math.PI : Math.PI / 2));
        }

        // Places along the edge: the angle from the tip, the radius there, the height from the centre of the rounding, and the length each stands for.
        private IEnumerable<(double Angle, double At, double Y, double Length)> Places(int parts)
        {
            (double from, double to) = Reach();
            for (int i = 0; i < parts; i++)
            {
                double θ = from + ((to - from) * (i + 0.5) / parts), at = Centre + (Radius * Math.Sin(θ));
                if (at > 0) yield return (θ, at, -Radius * Math.Cos(θ), Radius * (to - from) / parts);
            }
        }

        public (double Section, double MeanChip, double LargestChip) Chips(int parts)
        {
            double section = 0, area = 0, largest = 0;
            foreach ((double θ, double at, double y, double db) in Places(parts))
                for (int j = 0; j < parts; j++)
                {
                    double φ = Math.PI * (j + 0.5) / parts;
                    if (!InWork((at * Math.Cos(φ)) - Centre, y)) continue;
                    double chip = Math.Sin(θ) * Math.Sin(φ), da = db * at * Math.PI / parts;
                    (section, area, largest) = (section + (chip * da), area + da, Math.Max(largest, chip));
                }

            return (section, section / area, largest);
        }

        public (double Along, double Across, double Torque) Forces(double tip, int teeth, double lag, int parts)
        {
            double along = 0, across = 0, torque = 0;
            foreach ((double θ, double at, double y, double db) in Places(parts))
                for (int tooth = 0; tooth < teeth; tooth++)
                {
                    double φ = tip + (tooth * 2 * Math.PI / teeth) - (lag * (Radius + y));
                    φ -= 2 * Math.PI * Math.Floor(φ / (2 * Math.PI));
                    if (φ > Math.PI || !InWork((at * Math.Cos(φ)) - Centre, y)) continue;
                    double t = Force11 * Math.Pow(Feed * Math.Sin(φ) * Math.Sin(θ), 1 - Exponent) * db, radial = Ratio * t * Math.Sin(θ);
                    along += (-t * Math.Cos(φ)) - (radial * Math.Sin(φ));
                    across -= (-t * Math.Sin(φ)) + (radial * Math.Cos(φ));
                    torque += t * at / 1000;
                }

            return (along, across, torque);
        }
    }

    // Balls, rounded corners and barrels; surfaces flat, domed and hollow; lines as close as finishing has them.
    private static readonly Gen<Case> Cases =
        from kind in Gen.Int[0, 2]
        from radius in Gen.Double[1, 8]
        from times in Gen.Double[4, 12]
        from tilt in Gen.Double[0, 60]
        from down in Gen.Bool
        from ridge in Gen.Double[0.0003, 0.01]
        from stock in Gen.Double[0.02, 0.25]
        from form in Gen.Int[0, 2]
        from curve in Gen.Double[2, 12]
        let r = kind == 2 ? radius * times : radius
        let over = double.RadiansToDegrees(Ridge.ContactAngle(r, stock * radius / 2, (SurfaceForm)form, r * curve))
        let β = kind == 2 ? 80 + (tilt / 6) : Math.Max(tilt, down ? 45 : 0)
        let centre = kind switch { 0 => 0, 1 => radius, _ => radius - r }
        let hollow = form == (int)SurfaceForm.Concave && centre > r * (curve - 1) * Math.Sin(double.DegreesToRadians(β))
        select new Case(
            centre, r, β, kind == 2 || down || β + over > 90,
            2 * Math.Sqrt(2 * r * ridge * radius / 8), stock * radius / 2, hollow ? SurfaceForm.Convex : (SurfaceForm)form, r * curve);

    private static EdgeLoad LoadOf(Case c, CuttingEdge edge)
    {
        NoTrace none = default;
        EdgeLoad.Of(edge, Engagement.Of(c.Strip, 2 * (c.Centre + c.Radius), c.Step, c.Stock, ref none), Feed, Force11, 1, out EdgeLoad load);
        return load;
    }

    [Fact]
    public void A_strip_is_what_points_on_the_edge_say_it_is() => Cases.Sample(
        c =>
        {
            var dense = c.Chips(900);
            (double mean, double largest, _, _) = c.Strip.Chips();
            double section = LoadOf(c, new(Any, 2, 0, 10, Exponent, Ratio)).Section;
            Assert.True(section / dense.Section is > 0.95 and < 1.25, $"{c} section {section / dense.Section}");
            Assert.True(mean / dense.MeanChip is > 0.9 and < 1.15, $"{c} mean {mean / dense.MeanChip}");
            Assert.True(largest / dense.LargestChip is > 0.98 and < 1.06, $"{c} largest {largest / dense.LargestChip}");
        },
        iter: 60, seed: "0000000000000");

    [Theory]
    [InlineData(CutterFamily.BallEndMill)]
    [InlineData(CutterFamily.CornerRadiusEndMill)]
    [InlineData(CutterFamily.BarrelMill)]
    [InlineData(CutterFamily.TaperedEndMill)]
    public void Whatever_surface_is_asked_for_has_figures_or_is_refused(CutterFamily family)
    {
        IOperation finish = Operations.Find("surface-finish")!;
        Situation at = Sample.With(family, "surface-finish");
        Gen.Select(Gen.Double[-4.5, -0.5], Gen.Double[-2.5, 0.6], Gen.Double[0, 90], Gen.Double[0, 1], Gen.Double[0.2, 4], Gen.Int[0, 2]).Sample(
            (ridge, stock, tilt, place, curve, form) =>
            {
                Choices choices = new(
                    new Dictionary<string, double>
                    {
                        ["ridgeHeight"] = Math.Pow(10, ridge),
                        ["stockWidth"] = Math.Pow(10, stock),
                        ["tilt"] = tilt,
                        ["contactPlace"] = place,
                        ["surfaceRadius"] = Math.Pow(10, curve),
                    },
                    new Dictionary<string, string> { ["surface"] = ((SurfaceForm)form).ToString().ToLowerInvariant() });
                try
                {
                    CalculationResult got = finish.Calculate(at, choices, explain: false);
                    Assert.All(got.Figures, f => Assert.True(double.IsFinite(f.Value) && f.Value >= -1, $"{f.Code} {f.Value}"));
                    double mean = got.Figure("meanChip");
                    Assert.True(got.Figure("peakForce") > 0 && mean > 0 && mean <= got.Figure("largestChip") * 1.2, $"mean chip {mean}");
                }
                catch (InputException)
                {
                    // Refused with its reason.
                }
            },
            iter: 80 * Effort.Times, seed: "0000000000000");
    }

    [Fact]
    public void A_chamfer_is_worked_as_the_wedge_it_is() => Gen.Select(
        Gen.Double[0.5, 4], Gen.Double[0.2, 3], Gen.Double[20, 60], Gen.Int[1, 6]).Sample(
        (below, leg, half, teeth) =>
        {
            // A pointed cone beside a wall: at each height the wedge is as wide as the cone is wider than at the lower end of the chamfer.
            double tan = Math.Tan(double.DegreesToRadians(half)), top = below + (leg / tan), sine = Math.Cos(double.DegreesToRadians(half));
            Profile cone = new(ProfileShape.Revolved, [new(ProfilePart.Cutting, 0, 0, top + 1, (top + 1) * tan)]);
            NoTrace none = default;
            Engagement e = new(2 * top * tan, leg, leg / tan / 2, 45, 45, 1, ArcOfEngagement.Side(2 * top * tan, leg, ref none))
            {
                AlongEdge = true,
                Above = below,
                Height = top - below,
                Beside = true,
            };
            EdgeLoad.Of(new(cone, teeth, 0, 10, Exponent, Ratio), e, Feed, Force11, 1, out EdgeLoad load);
            Assert.InRange(load.Section / (leg * (top - below) / 2), 0.99, 1.06);

            double peak = 0, torque = 0;
            const int turns = 360, parts = 600;
            for (int i = 0; i < turns; i++)
            {
                double along = 0, across = 0;
                for (int k = 0; k < parts * teeth; k++)
                {
                    double r = (below + ((top - below) * (k % parts + 0.5) / parts)) * tan, db = (top - below) / parts / sine;
                    double φ = ((double)i / turns / teeth + (double)(k / parts) / teeth) * 2 * Math.PI;
                    if (φ > Math.Acos(below * tan / r)) continue;
                    double t = Force11 * Math.Pow(Feed * Math.Sin(φ) * sine, 1 - Exponent) * db, radial = Ratio * t * sine;
                    along += (-t * Math.Cos(φ)) - (radial * Math.Sin(φ));
                    across -= (-t * Math.Sin(φ)) + (radial * Math.Cos(φ));
                    torque += t * r / 1000 / turns;
                }

                peak = Math.Max(peak, double.Hypot(along, across));
            }

            Assert.True(Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared) / peak is > 0.98 and < 1.1, $"peak {peak}");
            Assert.InRange(load.MeanTorque / torque, 0.98, 1.08);
        },
        iter: 40, seed: "0000000000000");

    [Fact]
    public void Its_forces_are_those_of_points_on_the_edge() => Gen.Select(Cases, Gen.Int[1, 6], Gen.Double[5, 40]).Sample(
        (c, teeth, helix) =>
        {
            EdgeLoad load = LoadOf(c, new(Any, teeth, helix, 10, Exponent, Ratio));
            double lag = 2 * Math.Tan(double.DegreesToRadians(helix)) / 10, peak = 0, torque = 0;
            int moments = 720 / teeth;
            for (int i = 0; i < moments; i++)
            {
                var dense = c.Forces(i * 2 * Math.PI / teeth / moments, teeth, lag, 2000);
                (peak, torque) = (Math.Max(peak, double.Hypot(dense.Along, dense.Across)), torque + (dense.Torque / moments));
            }

            double found = Math.Sqrt(load.At(load.WorstMoment(), climb: false).Squared);

            // Round the tip of an upright ball the arc shrinks from half a turn to nothing within a slice: told on the safe side.
            Assert.True(found / peak is > 0.965 and < 1.4, $"{c} z{teeth} λ{helix} peak {found / peak}");
            Assert.True(load.MeanTorque / torque is > 0.95 and < 1.25, $"{c} z{teeth} λ{helix} torque {load.MeanTorque / torque}");
        },
        iter: 12 * Effort.Times, seed: "0000000000000");
}
