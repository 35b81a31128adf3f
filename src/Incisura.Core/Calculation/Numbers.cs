using System.Runtime.CompilerServices;

namespace Incisura.Core.Calculation;

/// <summary>A number for each member of an enumeration, some of them marked, in one value so that nothing is allocated.</summary>
/// <typeparam name="TMember">An enumeration of at most 64 members, numbered from 0.</typeparam>
internal struct Numbers<TMember>
    where TMember : struct, Enum
{
    private const int Most = 64;
    private Room room;
    private ulong marks;

    /// <summary>The number of a member; 0 where none was set.</summary>
    public double this[TMember member]
    {
        readonly get => room[Unsafe.BitCast<TMember, int>(member)];
        set => room[Unsafe.BitCast<TMember, int>(member)] = value;
    }

    /// <summary>Whether a member is marked.</summary>
    public readonly bool IsMarked(TMember member) => (marks & Bit(member)) != 0;

    /// <summary>Sets a number and marks it.</summary>
    public void Mark(TMember member, double value)
    {
        this[member] = value;
        marks |= Bit(member);
    }

    /// <summary>Sets a number unless it is marked.</summary>
    public void SetUnmarked(TMember member, double value)
    {
        if (!IsMarked(member)) this[member] = value;
    }

    /// <summary>Takes the mark off a member; its number stays.</summary>
    public void Unmark(TMember member) => marks &= ~Bit(member);

    private static ulong Bit(TMember member) => 1UL << Unsafe.BitCast<TMember, int>(member);

    [InlineArray(Most)]
    private struct Room
    {
        private double first;
    }
}
