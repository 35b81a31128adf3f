using Incisura.Core.Quantities;

namespace Incisura.Core.Calculation;

/// <summary>A number one operation asks for.</summary>
/// <typeparam name="TInput">The enumeration of inputs.</typeparam>
/// <param name="Input">Which.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Group">Heading it stands under.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="Least">Least value that can be computed with, base unit.</param>
/// <param name="Most">Largest such value, base unit.</param>
/// <param name="Default">Value taken where none was typed; NaN where it follows others or the speed chart.</param>
public sealed record InputField<TInput>(
    TInput Input, string Symbol, string Name, string Group, Quantity Quantity, double Least, double Most, double Default = double.NaN)
    where TInput : struct, Enum
{
    /// <summary>Code of the field.</summary>
    public string Code { get; } = Codes.Of(Input);

    /// <summary>The field as the interface knows it.</summary>
    public FieldDescription Described => new(Code, Symbol, Name, Group, Quantity, Least, Most);
}
