using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

/// <summary>
/// A number for each member of an enumeration, some of them marked, in one value so that nothing is allocated. Members are read and written
/// some hundred times in a calculation, without a check of their place: a test holds every enumeration to the room there is.
/// </summary>
/// <typeparam name="TMember">An enumeration of at most <see cref="Most"/> members, numbered from 0.</typeparam>
internal struct Numbers<TMember>
    where TMember : struct, Enum
{
    /// <summary>Most members of the enumeration.</summary>
    public const int Most = 128;

    private Room room;
    private ulong low, high;

    /// <summary>The number of a member; 0 where none was set.</summary>
    public double this[TMember member]
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        readonly get => Unsafe.Add(ref Unsafe.As<Room, double>(ref Unsafe.AsRef(in room)), Place(member));
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        set => Unsafe.Add(ref Unsafe.As<Room, double>(ref room), Place(member)) = value;
    }

    /// <summary>Whether a member is marked.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public readonly bool IsMarked(TMember member) => Place(member) is var at && ((at < 64 ? low >> at : high >> (at - 64)) & 1) != 0;

    /// <summary>Sets a number and marks it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Mark(TMember member, double value)
    {
        int at = Place(member);
        this[member] = value;
        if (at < 64) low |= 1UL << at;
        else high |= 1UL << (at - 64);
    }

    /// <summary>Sets a number unless it is marked.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void SetUnmarked(TMember member, double value)
    {
        if (!IsMarked(member)) this[member] = value;
    }

    /// <summary>Takes the mark off a member; its number stays.</summary>
    public void Unmark(TMember member)
    {
        int at = Place(member);
        if (at < 64) low &= ~(1UL << at);
        else high &= ~(1UL << (at - 64));
    }

    // The place is a constant wherever the member is one, once all this stands in line.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static int Place(TMember member) => Unsafe.BitCast<TMember, int>(member);

    [InlineArray(Most)]
    private struct Room
    {
        private double first;
    }
}
