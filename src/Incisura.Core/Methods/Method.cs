using Incisura.Core.Catalogue;
using Incisura.Core.Cutters;

namespace Incisura.Core.Methods;

/// <summary>What a value of a method is measured by, so that it fits cutters of any size.</summary>
public enum MethodBasis
{
    /// <summary>The value itself, base unit.</summary>
    Value,

    /// <summary>A multiple of the cutting diameter.</summary>
    OfDiameter,

    /// <summary>A multiple of the flute length.</summary>
    OfFlutes,
}

/// <summary>One choice of a method.</summary>
/// <param name="Field">Code of the field.</param>
/// <param name="Basis">What it is measured by.</param>
/// <param name="Amount">Amount in that measure.</param>
public sealed record MethodChoice(string Field, MethodBasis Basis, double Amount);

/// <summary>A choice that could not be applied.</summary>
/// <param name="Field">Code of the field or option.</param>
/// <param name="Reason">Why not, for a person.</param>
public sealed record NotApplied(string Field, string Reason);

/// <summary>A method applied to a situation.</summary>
/// <param name="Choices">What it comes to there.</param>
/// <param name="NotApplied">What could not be applied.</param>
public sealed record AppliedMethod(Choices Choices, IReadOnlyList<NotApplied> NotApplied);

/// <summary>A saved way to do an operation: ratios, allowances, entry, passes, coolant. Revisioned.</summary>
public sealed record Method
{
    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>Code of the operation it was made for.</summary>
    public required string Operation { get; init; }

    /// <summary>Its choices.</summary>
    public IReadOnlyList<MethodChoice> Choices { get; init; } = [];

    /// <summary>Its picks by option.</summary>
    public IReadOnlyDictionary<string, string> Options { get; init; } = new Dictionary<string, string>();

    /// <summary>When it is good, in the shop's words.</summary>
    public string Remarks { get; init; } = "";

    /// <summary>Checks it against the operation it is for.</summary>
    public InputCheck Check()
    {
        InputCheck check = new InputCheck()
            .Named("name", "The name", Name)
            .Holds(Remarks.Length <= 2000, "remarks", Remarks.Length, "The remarks hold at most 2000 characters.")
            .Holds(Choices.Count + Options.Count > 0, "choices", 0, "A method without a choice says nothing; give at least one value or pick.");
        if (Operations.Find(Operation) is not { } operation)
            return check.Holds(false, "operation", double.NaN, "The operation is unknown; choose one from the list.");
        HashSet<string> seen = [];
        for (int i = 0; i < Choices.Count; i++)
        {
            MethodChoice c = Choices[i];
            FieldDescription? field = operation.Description.Fields.FirstOrDefault(f => f.Code == c.Field);
            check.Holds(
                field is not null, $"choices[{i}].field", double.NaN,
                $"{operation.Description.Name} has no field named {c.Field}; choose one from the list.")
                .Holds(seen.Add(c.Field), $"choices[{i}].field", double.NaN, $"{field?.Name ?? c.Field} is there twice; remove one.")
                .Holds(Enum.IsDefined(c.Basis), $"choices[{i}].basis", double.NaN, "The measure is unknown; choose value, diameter or flute length.");
            if (field is not null && c.Basis == MethodBasis.Value)
                check.Within($"choices[{i}].amount", field.Name, c.Amount, field.Least, field.Most, field.Quantity);
            else if (field is not null)
                check.Holds(
                    field.Quantity is Quantity.Length or Quantity.Chip, $"choices[{i}].basis", double.NaN,
                    $"{field.Name} is not a length, so it is no multiple of one; give the value itself.")
                .Within($"choices[{i}].amount", field.Name, c.Amount, 1e-6, 1000, Quantity.Ratio);
        }

        foreach ((string code, string picked) in Options)
        {
            OptionDescription? option = operation.Description.Options.FirstOrDefault(o => o.Code == code);
            check.Holds(
                option?.Picks.Any(p => p.Code == picked) == true, $"options.{code}", double.NaN,
                $"{operation.Description.Name} does not offer {code} “{picked}”; choose one that is offered.");
        }

        return check;
    }

    /// <summary>
    /// Applies it to a situation, for any operation that has some of its fields; what cannot be applied is listed, and the rest stands.
    /// </summary>
    /// <param name="operation">The operation.</param>
    /// <param name="situation">The situation.</param>
    /// <param name="revision">Revision of the method, for the note in the choices.</param>
    /// <exception cref="InputException">The situation itself cannot be calculated.</exception>
    public AppliedMethod Apply(IOperation operation, Situation situation, int revision)
    {
        List<NotApplied> left = [];
        Dictionary<string, double> numbers = [];
        Dictionary<string, string> options = [];
        Cutter cutter = situation.Cutter.Value;
        foreach (MethodChoice c in Choices)
        {
            double of = c.Basis switch { MethodBasis.OfDiameter => cutter.CuttingDiameter, MethodBasis.OfFlutes => cutter.FluteLength, _ => 1 };
            if (operation.Description.Fields.All(f => f.Code != c.Field)) left.Add(new(c.Field, $"{operation.Description.Name} has no such field."));
            else if (!double.IsFinite(of))
                left.Add(new(
                    c.Field,
                    $"Cutter {cutter.Number} has no {(c.Basis == MethodBasis.OfDiameter ? "cutting diameter" : "flute length")} to measure it by."));
            else numbers[c.Field] = c.Amount * of;
        }

        foreach ((string code, string picked) in Options)
        {
            if (operation.Description.Options.FirstOrDefault(o => o.Code == code)?.Picks.Any(p => p.Code == picked) == true) options[code] = picked;
            else left.Add(new(code, $"{operation.Description.Name} does not offer “{picked}”."));
        }

        // What the situation refuses is given back to be proposed, until the rest can be calculated.
        while (true)
        {
            Choices choices = new(numbers, options) { Method = $"{Name}, revision {revision}" };
            try
            {
                operation.Calculate(situation, choices, explain: false);
                return new(choices, left);
            }
            catch (InputException refused) when (refused.Faults.Any(f => numbers.ContainsKey(f.Field)))
            {
                foreach (InputFault fault in refused.Faults)
                    if (numbers.Remove(fault.Field)) left.Add(new(fault.Field, fault.Sentence));
            }
        }
    }
}
