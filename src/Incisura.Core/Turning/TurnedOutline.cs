namespace Incisura.Core.Turning;

/// <summary>One step of an outline, from the free end of the work towards the chuck.</summary>
/// <param name="Diameter">Finished diameter, mm, above 0.</param>
/// <param name="Length">Its length, mm, above 0.</param>
public sealed record OutlineStep(double Diameter, double Length);

/// <summary>The finished outline of work that is turned along several diameters.</summary>
/// <param name="Steps">Its steps from the free end: outside they grow towards the chuck, inside they become smaller.</param>
public sealed record TurnedOutline(IReadOnlyList<OutlineStep> Steps) : Extra
{
    /// <summary>Most steps of an outline.</summary>
    public const int Most = 40;

    /// <summary>Its length, mm.</summary>
    internal double Length() => Steps.Sum(s => s.Length);

    /// <inheritdoc/>
    protected internal override string Words => "outline of several diameters";

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check)
    {
        check.Holds(
            Steps.Count is > 0 and <= Most, "turnedOutline", Steps.Count, $"An outline has 1 to {Most} steps; join or leave some out.");
        for (int i = 0; i < Steps.Count && i < Most; i++)
        {
            string at = $"turnedOutline[{i}]";
            if (Steps[i] is not { } step) check.Holds(false, at, double.NaN, $"Step {i + 1} is empty; give its Ø and length, or leave it out.");
            else
                check.Within($"{at}.diameter", $"The Ø of step {i + 1}", step.Diameter, 0.2, 2000, Quantity.Length)
                    .Within($"{at}.length", $"The length of step {i + 1}", step.Length, 0.05, 5000, Quantity.Length);
        }
    }

    /// <summary>Refuses an outline that turns back on itself, so that a tool along the work cannot follow it.</summary>
    /// <param name="inside">Whether it is a bore.</param>
    /// <param name="check">Takes the faults.</param>
    internal void Refuse(bool inside, InputCheck check)
    {
        for (int i = 1; i < Steps.Count; i++)
            check.Holds(
                inside ? Steps[i].Diameter < Steps[i - 1].Diameter : Steps[i].Diameter > Steps[i - 1].Diameter, $"turnedOutline[{i}].diameter",
                Steps[i].Diameter,
                $"Step {i + 1} of Ø{Steps[i].Diameter:0.###} mm lies behind Ø{Steps[i - 1].Diameter:0.###} mm: an outline that turns back is grooved, or "
                    + $"turned from the other end. Give a {(inside ? "smaller" : "larger")} Ø.");
    }
}

/// <summary>Passes of equal depth between one diameter and the next.</summary>
/// <param name="To">Diameter of the tip in the last of them, mm.</param>
/// <param name="Each">Depth of each, mm.</param>
/// <param name="Count">How many.</param>
/// <param name="Length">Length of each along the work, mm.</param>
internal readonly record struct PassBand(double To, double Each, int Count, double Length);
