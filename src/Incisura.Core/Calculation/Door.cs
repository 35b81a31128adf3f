using Incisura.Core.Cutters;
using Incisura.Core.Holders;

namespace Incisura.Core.Calculation;

/// <summary>Checks once, at the door, what is given to an operation.</summary>
internal static class Door
{
    private const int MethodText = 200;
    private const double LargestLength = 100_000;

    /// <summary>Takes the typed values and picks that an operation asks for.</summary>
    /// <param name="d">The operation.</param>
    /// <param name="built">The assembly.</param>
    /// <param name="choices">What was typed and picked.</param>
    /// <param name="most">Largest value of a field with this cutter.</param>
    /// <exception cref="InputException">Something was refused; each fault names its field.</exception>
    public static (Inputs Wish, IReadOnlyDictionary<string, string> Options) Take(
        OperationDescription d, BuiltAssembly built, Choices choices, Func<FieldDescription, Cutter, double> most)
    {
        InputCheck check = new();
        Cutter cutter = built.Cutter;
        check.Holds(
            d.Families.Contains(cutter.Family), "assembly", double.NaN,
            $"Cutter {cutter.Number} is a {cutter.Described.Name} and cannot do this operation; choose an assembly with a "
                + $"{string.Join(" or a ", d.Families.Select(f => Families.Of(f).Name))}.");
        foreach (InputFault fault in cutter.Check().Faults)
            check.Holds(false, $"cutter.{fault.Field}", fault.Given, $"{fault.Sentence} Correct it on the page of cutter {cutter.Number}.");

        // What cannot be put together cannot be run, whatever it would come to.
        foreach (InputFault fault in built.Check().Faults)
            check.Holds(
                false, "assembly", fault.Given,
                $"Assembly {built.Definition.Number} cannot exist as it is: {fault.Sentence} Correct it on its page.");

        Inputs wish = default;
        foreach ((string code, double value) in choices.Numbers)
        {
            FieldDescription? field = d.Fields.FirstOrDefault(f => f.Code == code);
            if (field is null)
            {
                check.Holds(false, code, value, $"This operation has no field named {code}; leave it out.");
                continue;
            }

            check.Within(code, field.Name, value, field.Least, most(field, cutter), field.Quantity);
            wish.Type(field.Input, value);
        }

        Dictionary<string, string> options = [];
        foreach (OptionDescription option in d.Options)
        {
            string picked = choices.Options.GetValueOrDefault(option.Code, option.Default);
            int place = option.Picks.ToList().FindIndex(p => p.Code == picked);
            if (place >= 0) wish.Pick(option.Choice, place);
            check.Holds(
                place >= 0, option.Code, double.NaN,
                $"{option.Name}: “{picked}” is not offered; choose one of {string.Join(", ", option.Picks.Select(p => p.Code))}.");
            options[option.Code] = picked;
        }

        foreach (string code in choices.Options.Keys)
            check.Holds(options.ContainsKey(code), code, double.NaN, $"This operation has no option named {code}; leave it out.");
        CheckBeside(d, choices, check);
        check.ThrowIfAny();
        return (wish, options);
    }

    // What comes beside numbers and picks is held to what the operation knows and to the ranges of its fields, like everything typed.
    private static void CheckBeside(OperationDescription d, Choices choices, InputCheck check)
    {
        check.Holds(
            choices.Method.Length <= MethodText, "method", choices.Method.Length,
            $"The method applied has {choices.Method.Length} characters; {MethodText} is the most.");
        if (choices.Leftover is { } leftover)
        {
            check.Holds(d.Takes is not null, "leftover", double.NaN, "This operation takes nothing over from a step before; leave it out.")
                .Holds(
                    d.Takes is null || d.Takes == leftover.Kind, "leftover", double.NaN,
                    d.Takes == LeftoverKind.Hole
                        ? $"{leftover.Record} leaves stock on a wall, and this operation goes into a hole; choose a record that leaves one."
                        : $"{leftover.Record} leaves a hole, and this operation takes stock from a wall; choose a record that leaves some.")
                .Named("leftover.record", "The record the leftover comes from", leftover.Record, 40);
            foreach ((string code, string member, string name, double value) in (ReadOnlySpan<(string, string, string, double)>)
                [
                    ("stockWidth", "across", "The stock left", leftover.Across),
                    (leftover.Kind == LeftoverKind.Hole ? "depthOfHoleBefore" : "wallHeight", "height", "The height of the wall", leftover.Height),
                    ("length", "length", "The length of the cut", leftover.Length),
                    (
                        leftover.Kind == LeftoverKind.Hole ? "holeBefore" : "diameterBefore", "cutterDiameter", "The cutter before",
                        leftover.CutterDiameter),
                ])
                check.Within(
                    $"leftover.{member}", name, value, 0, d.Fields.FirstOrDefault(f => f.Code == code)?.Most ?? LargestLength,
                    Quantity.Length);
        }

        foreach (IGrouping<Type, Extra> given in choices.Extras.GroupBy(e => e.GetType()).Where(g => g.Skip(1).Any()))
            check.Holds(
                false, Extra.CodeOf(given.Key), double.NaN, $"There are {given.Count()} times {given.First().Words}; only one can be worked with.");
        foreach (Extra extra in choices.Extras)
        {
            string code = Extra.CodeOf(extra.GetType());
            check.Holds(d.Extras.Contains(code), code, double.NaN, $"This operation takes no {extra.Words}; leave them out.");
            extra.Check(d, check);
        }
    }

    /// <summary>Refuses to go on where the chart proposes nothing and something it would propose was not typed.</summary>
    /// <param name="missing">The fields that would be proposed and were not typed.</param>
    public static void RefuseUntyped(IEnumerable<FieldDescription> missing)
    {
        InputCheck check = new();
        foreach (FieldDescription field in missing)
            check.Holds(
                false, field.Code, double.NaN,
                $"The {field.Words} is missing. The speed chart has no row for this cutter, material and operation, so nothing can "
                    + "be proposed; type it, or add the row.");
        check.ThrowIfAny();
    }
}
