using Incisura.Core.Calculation;
using Incisura.Core.Quantities;

namespace Incisura.Core.Records;

/// <summary>Something a record rests on, at the revision it had.</summary>
/// <param name="Kind">cutter, holder, assembly, material, machine or chart.</param>
/// <param name="Id">Identity.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Revision">Revision it had.</param>
public sealed record Footing(string Kind, int Id, string Name, int Revision);

/// <summary>Something a record rests on that has been revised since.</summary>
/// <param name="Footing">What, and the revision the record rests on.</param>
/// <param name="Now">The revision it has now.</param>
public sealed record MovedFooting(Footing Footing, int Now);

/// <summary>A figure that differs between two calculations.</summary>
/// <param name="Code">Code of the figure or field.</param>
/// <param name="Symbol">Its symbol.</param>
/// <param name="Name">Its name.</param>
/// <param name="Quantity">What it measures.</param>
/// <param name="From">Value before; null where it did not exist.</param>
/// <param name="To">Value after.</param>
public sealed record FigureChange(string Code, string Symbol, string Name, Quantity Quantity, double? From, double To);

/// <summary>Compares what a record rests on and what it says with how things stand now.</summary>
public static class Staleness
{
    /// <summary>What moved: every footing with another revision now.</summary>
    /// <param name="then">What the record rests on.</param>
    /// <param name="now">The same things today, in any order.</param>
    public static IReadOnlyList<MovedFooting> Moved(IReadOnlyList<Footing> then, IReadOnlyList<Footing> now) =>
    [
        .. from f in then
           let today = now.FirstOrDefault(n => n.Kind == f.Kind && n.Id == f.Id)
           where today is not null && today.Revision != f.Revision
           select new MovedFooting(f, today.Revision),
    ];

    /// <summary>Everything a situation rests on.</summary>
    public static IReadOnlyList<Footing> FootingsOf(Situation s) =>
    [
        new("cutter", s.Cutter.Id, s.Cutter.Value.Number, s.Cutter.Number),
        new("holder", s.Holder.Id, s.Holder.Value.Number, s.Holder.Number),
        .. s.Extensions.Select(e => new Footing("holder", e.Id, e.Value.Number, e.Number)),
        new("assembly", s.Assembly.Id, s.Assembly.Value.Number, s.Assembly.Number),
        new("material", s.Material.Id, s.Material.Value.Name, s.Material.Number),
        new("machine", s.Machine.Id, s.Machine.Value.Name, s.Machine.Number),
        new("chart", s.Chart.Id, s.Chart.Value.Name, s.Chart.Number),
    ];

    /// <summary>The figures that differ, in the order of the later calculation.</summary>
    /// <param name="before">Earlier figures.</param>
    /// <param name="after">Later figures.</param>
    public static IReadOnlyList<FigureChange> Changes(IReadOnlyList<Figure> before, IReadOnlyList<Figure> after) =>
    [
        .. from a in after
           let b = before.FirstOrDefault(f => f.Code == a.Code)
           where b is null || Differs(b.Value, a.Value)
           select new FigureChange(a.Code, a.Symbol, a.Name, a.Quantity, b?.Value, a.Value),
    ];

    private static bool Differs(double a, double b) => Math.Abs(a - b) > 1e-9 * Math.Max(Math.Abs(a), Math.Abs(b));
}
