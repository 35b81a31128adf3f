using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

/// <summary>A choice between words that an operation can offer. Its code is the name with a small first letter.</summary>
public enum Choice
{
    /// <summary>How coolant comes.</summary>
    Coolant,

    /// <summary>Whether the edge is fresh.</summary>
    Edge,

    /// <summary>How steadily the work is held.</summary>
    Steadiness,

    /// <summary>What the feed per tooth keeps when the engagement differs from the chart's.</summary>
    Chip,

    /// <summary>Whether passes go one way or to and fro.</summary>
    Ways,

    /// <summary>On which side of the wall a bend goes.</summary>
    Bend,

    /// <summary>Form of a surface across the passes.</summary>
    Surface,

    /// <summary>Whether the hole goes through the work.</summary>
    End,

    /// <summary>What the depth of a hole is meant to.</summary>
    Meaning,

    /// <summary>How a drill gets to its depth.</summary>
    Cycle,

    /// <summary>Which way the spindle turns.</summary>
    Turning,

    /// <summary>Whether a thread is on the outside or the inside of the work.</summary>
    Side,

    /// <summary>By which law infeeds divide the height of a thread.</summary>
    Law,

    /// <summary>Which way the insert goes in.</summary>
    Infeed,

    /// <summary>Where a turning tool cuts, and how its rake face lies.</summary>
    Stands,

    /// <summary>What holds the work beside its chuck.</summary>
    Support,

    /// <summary>Whether the cutter climbs.</summary>
    Climb,

    /// <summary>Which spindle turns the work.</summary>
    Spindle,

    /// <summary>A choice only one operation offers, by its own description.</summary>
    Own0,

    /// <inheritdoc cref="Own0"/>
    Own1,
}

/// <summary>
/// The numbers and picks of one calculation, typed or proposed, in one value so that nothing is allocated, and without a reference so that
/// it is copied at once.
/// </summary>
public struct Inputs
{
    /// <summary>Most choices there is room for.</summary>
    internal const int MostChoices = 24;

    private Numbers<Input> numbers;
    private Room picked;

    /// <summary>The value of an input, base unit.</summary>
    public double this[Input input]
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        readonly get => numbers[input];
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        set => numbers[input] = value;
    }

    /// <summary>Whether a value was typed, rather than proposed.</summary>
    public readonly bool IsTyped(Input input) => numbers.IsMarked(input);

    /// <summary>Sets a value as typed: nothing that follows changes it.</summary>
    public void Type(Input input, double value) => numbers.Mark(input, value);

    /// <summary>Sets a value unless it was typed.</summary>
    public void Propose(Input input, double value) => numbers.SetUnmarked(input, value);

    /// <summary>Place of what is picked among the picks of a choice, from 0; −1 where the operation does not offer it.</summary>
    public readonly int Picked(Choice choice) => Unsafe.Add(ref Unsafe.As<Room, byte>(ref Unsafe.AsRef(in picked)), (int)choice) - 1;

    /// <summary>Picks by the place among the picks of a choice, from 0.</summary>
    public void Pick(Choice choice, int place) => picked[(int)choice] = (byte)(place + 1);

    /// <summary>The same inputs with one value given back to be proposed.</summary>
    public readonly Inputs Without(Input input)
    {
        Inputs x = this;
        x.numbers.Unmark(input);
        return x;
    }

    /// <summary>The same inputs with one value typed.</summary>
    public readonly Inputs With(Input input, double value)
    {
        Inputs x = this;
        x.Type(input, value);
        return x;
    }

    [InlineArray(MostChoices)]
    private struct Room
    {
        private byte first;
    }
}
