using Incisura.Core.Cutters;

namespace Incisura.Core.Holes;

/// <summary>
/// One hole operation: its description, its depth and load, its own limits and findings. What all of them share stands in
/// <see cref="HoleWork"/> and <see cref="HoleMaking{TKind}"/>.
/// </summary>
public interface IHoleKind
{
    /// <summary>Its words, fields and options.</summary>
    static abstract OperationDescription Description { get; }

    /// <summary>Largest value of a field with a cutter.</summary>
    static virtual double MostOf(FieldDescription field, Cutter cutter) => field.Most;

    /// <summary>Sets what was not typed and follows other inputs.</summary>
    static abstract void Follow(HoleSetup setup, ref Inputs x);

    /// <summary>Whether an input matters with the cutter and the other inputs as they are.</summary>
    static virtual bool Uses(HoleSetup setup, in Inputs x, Input input) => true;

    /// <summary>Diameter of the hole that shank and neck have to enter behind the cutting part, mm.</summary>
    static virtual double Enters(HoleSetup setup, in Inputs x) => setup.Diameter;

    /// <summary>Refuses values that cannot be computed with because of the cutter or of each other.</summary>
    static virtual void Refuse(HoleSetup setup, in Inputs x, InputCheck check)
    {
    }

    /// <summary>Works out depth, load, time and its own figures.</summary>
    static abstract void Work<TTrace>(HoleSetup setup, in Inputs x, ref HoleResult r, ref TTrace trace)
        where TTrace : struct, ITrace;

    /// <summary>Where along its way its loads are worst, mm below the surface; 0 where they are the same all the way.</summary>
    static virtual double WorstAt(in HoleResult r) => 0;

    /// <summary>Judges limits that only it has.</summary>
    static virtual void Judge(HoleSetup setup, in Inputs x, in HoleResult r, ref LimitSet limits)
    {
    }

    /// <summary>Says what only it has to say.</summary>
    static virtual void Notice(HoleSetup setup, in Inputs x, in HoleResult r, List<Finding> findings)
    {
    }

    /// <summary>Whether the tool comes back at feed rate.</summary>
    static virtual bool ReturnsAtFeed(HoleSetup setup) => false;

    /// <summary>Walks the way of the tool.</summary>
    static virtual void Walk<TSink>(HoleSetup setup, in Inputs x, in HoleResult r, bool returnsAtFeed, ref TSink sink)
        where TSink : struct, IWaySink => HoleWay.Walk(setup, x, r, returnsAtFeed, ref sink);
}
