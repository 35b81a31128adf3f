using Incisura.Core.Geometry;

namespace Incisura.Core.Turning;

/// <summary>One step of an outline, from the free end of the work towards the chuck: a cylinder, a cone or an arc.</summary>
/// <param name="Diameter">Finished diameter at its free end, mm, above 0.</param>
/// <param name="Length">Its length, mm, above 0.</param>
public sealed record OutlineStep(double Diameter, double Length)
{
    /// <summary>Diameter at its end towards the chuck, mm, of a cone or an arc; null of a cylinder.</summary>
    public double? To { get; init; }

    /// <summary>Radius of an arc, mm: above 0 where it bulges away from the axis, below 0 towards it; null where the side is straight.</summary>
    public double? Arc { get; init; }

    /// <summary>Chamfer of 45° on the edge at its free end, mm; null for none.</summary>
    public double? Chamfer { get; init; }

    /// <summary>Rounding of the edge at its free end, mm; null for none.</summary>
    public double? Rounding { get; init; }

    /// <summary>Radius in the corner at its end towards the chuck, mm; null where the corner of the tool makes it.</summary>
    public double? Fillet { get; init; }

    /// <summary>What the edge at its free end takes of its length, mm.</summary>
    internal double Edge => Math.Max(Chamfer ?? 0, Rounding ?? 0);

    /// <summary>Diameter at its end towards the chuck, mm.</summary>
    internal double End => To ?? Diameter;

    /// <summary>Whether its side is a cylinder.</summary>
    internal bool IsCylinder => End == Diameter && Arc is null;
}

/// <summary>The finished outline of work that is turned along several diameters.</summary>
/// <param name="Steps">Its steps from the free end.</param>
public sealed record TurnedOutline(IReadOnlyList<OutlineStep> Steps) : Extra
{
    /// <summary>Most steps of an outline.</summary>
    public const int Most = 200;

    /// <summary>How it runs; drawn up once for a setup.</summary>
    internal TurnedContour Contour { get; private init; } = TurnedContour.None;

    /// <inheritdoc/>
    protected internal override string Words => "outline of several diameters";

    /// <inheritdoc/>
    public override Extra Prepared(CuttingSetup setup) => this with { Contour = TurnedContour.Of(Steps, ((TurnedSetup)setup).Inside) };

    /// <summary>Equal where the steps are.</summary>
    public bool Equals(TurnedOutline? other) => other is not null && Steps.SequenceEqual(other.Steps);

    /// <inheritdoc/>
    public override int GetHashCode() => Steps.Count;

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check)
    {
        check.Holds(
            Steps.Count is > 0 and <= Most, "turnedOutline", Steps.Count, $"An outline has 1 to {Most} steps; join or leave some out.");
        for (int i = 0; i < Steps.Count && i < Most; i++)
        {
            string at = $"turnedOutline[{i}]";
            if (Steps[i] is not { } step)
            {
                check.Holds(false, at, double.NaN, $"Step {i + 1} is empty; give its Ø and length, or leave it out.");
                continue;
            }

            check.Within($"{at}.diameter", $"The Ø of step {i + 1}", step.Diameter, 0.2, 2000, Quantity.Length)
                .Within($"{at}.length", $"The length of step {i + 1}", step.Length, 0.01, 5000, Quantity.Length)
                .Within($"{at}.to", $"The Ø at the end of step {i + 1}", step.End, 0.2, 2000, Quantity.Length)
                .Within($"{at}.chamfer", $"The chamfer of step {i + 1}", step.Chamfer ?? 0, 0, 100, Quantity.Length)
                .Within($"{at}.rounding", $"The rounding of step {i + 1}", step.Rounding ?? 0, 0, 500, Quantity.Length)
                .Within($"{at}.fillet", $"The radius at the foot of step {i + 1}", step.Fillet ?? 0, 0, 500, Quantity.Length)
                .Within($"{at}.arc", $"The arc of step {i + 1}", step.Arc ?? 0, -5000, 5000, Quantity.Length);
            Shape(step, i, at, check);
        }
    }

    /// <summary>Refuses an outline whose edges and corners do not fit its shoulders, or that falls back square, so that no tool follows it.</summary>
    /// <param name="inside">Whether it is a bore.</param>
    /// <param name="check">Takes the faults.</param>
    internal void Refuse(bool inside, InputCheck check)
    {
        double side = inside ? 1 : -1;
        for (int i = 0; i < Steps.Count; i++)
        {
            OutlineStep step = Steps[i];
            string at = $"turnedOutline[{i}]";

            // How far this step stands out of the one before, and the next out of this one, on a side.
            double rises = i == 0 ? double.PositiveInfinity : side * (Steps[i - 1].End - step.Diameter) / 2,
                rests = i + 1 == Steps.Count ? double.PositiveInfinity : side * (step.End - Steps[i + 1].Diameter) / 2;
            check.Holds(
                rises >= -1e-9, $"{at}.diameter", step.Diameter,
                $"Step {i + 1} of Ø{step.Diameter:0.###} mm falls back square behind Ø{(i == 0 ? 0 : Steps[i - 1].End):0.###} mm, where no tool along "
                    + $"the work follows: let it fall along a cone, groove it, or turn it from the other end.");
            check.Holds(
                rises < 0 || step.Edge == 0 || step.Edge <= rises - (i == 0 ? 0 : Steps[i - 1].Fillet ?? 0) + 1e-9, Broken(at, step), step.Edge,
                $"The edge of step {i + 1} stands {rises:0.###} mm out of the step before, less the radius there; give a smaller chamfer or rounding.")
                .Holds(
                    step.Fillet is null or 0 || step.Fillet <= rests + 1e-9, $"{at}.fillet", step.Fillet ?? 0,
                    $"At the foot of step {i + 1} the next stands out by {Math.Max(0, rests):0.###} mm; give a smaller radius there.")
                .Holds(
                    inside || step.Diameter - (2 * step.Edge) > 0, Broken(at, step), step.Edge,
                    $"The edge of step {i + 1} reaches the axis; give a smaller chamfer or rounding.")
                .Holds(
                    !inside || (step.Fillet ?? 0) < step.End / 2, $"{at}.fillet", step.Fillet ?? 0,
                    $"The radius at the foot of step {i + 1} reaches the axis; give a smaller one.");
        }
    }

    private static string Broken(string at, OutlineStep step) => step.Rounding > 0 ? $"{at}.rounding" : $"{at}.chamfer";

    private static void Shape(OutlineStep step, int i, string at, InputCheck check)
    {
        double half = double.Hypot(step.Length, (step.End - step.Diameter) / 2) / 2;
        check.Holds(
            !(step.Chamfer > 0 && step.Rounding > 0), $"{at}.rounding", step.Rounding ?? 0,
            $"The edge of step {i + 1} is either chamfered or rounded; leave one of them out.")
            .Holds(
                step.IsCylinder || !(step.Edge > 0 || step.Fillet > 0), Broken(at, step), step.Edge,
                $"Step {i + 1} is a cone or an arc; give its chamfer, rounding or foot as steps of their own.")
            .Holds(
                !step.IsCylinder || !(step.Edge + (step.Fillet ?? 0) > step.Length + 1e-9), Broken(at, step), step.Edge,
                $"Step {i + 1} is {step.Length:0.###} mm long, and its edge and foot need {step.Edge + (step.Fillet ?? 0):0.###} mm; give smaller ones.")
            .Holds(
                step.Arc is null or 0 || Math.Abs(step.Arc.Value) >= half - 1e-9, $"{at}.arc", step.Arc ?? 0,
                $"The arc of step {i + 1} is too small to span it; give at least {half:0.###} mm, or leave it out for a straight side.");
        if (step.Arc is not { } arc || arc == 0 || !(Math.Abs(arc) >= half) || !(step.Length > 0)) return;
        ProfileBox box = new Outline(0, step.Diameter / 2).Round(ProfilePart.Body, step.Length, step.End / 2, arc).Flat().Elements[0].Box;
        check.Holds(
            box.LeastZ >= -1e-9 && box.MostZ <= step.Length + 1e-9 && box.LeastR > 0, $"{at}.arc", arc,
            $"The arc of step {i + 1} bulges past its own ends or the axis; give a larger radius, or divide the step where it turns.");
    }
}

/// <summary>The finished contour of an outline, as its drawing shows it: R over Z from the free end.</summary>
/// <param name="Pieces">Its lines and arcs in order.</param>
public sealed record FinishedContour(IReadOnlyList<ProfileElement> Pieces) : Attachment;

/// <summary>Passes of equal depth between one diameter and the next.</summary>
/// <param name="To">Diameter of the tip in the last of them, mm.</param>
/// <param name="Each">Depth of each, mm.</param>
/// <param name="Count">How many.</param>
internal readonly record struct PassBand(double To, double Each, int Count);
