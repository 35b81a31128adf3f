using Incisura.Core.Threads;

namespace Incisura.Core.Calculation;

/// <summary>The thread an operation cuts: one of a standard by its text, or the shop's own.</summary>
/// <param name="Text">What it is called, such as M10×1.5-6H LH.</param>
/// <param name="OwnId">Identity of the shop's own thread; 0 for one of a standard.</param>
public sealed record ThreadToCut(string Text, int OwnId = 0) : Extra
{
    private const int Longest = 120;

    /// <summary>The shop's own thread as it stood; null for one of a standard.</summary>
    public Revised<OwnThread>? Own { get; init; }

    /// <inheritdoc/>
    protected internal override string Words => "thread";

    /// <summary>The thread with its dimensions; null where the text names none.</summary>
    internal WorkThread? Read() =>
        Own is { } own ? WorkThread.Of(own.Value) : OwnId == 0 && ThreadText.Read(Text) is { } t ? WorkThread.Of(t) : null;

    /// <inheritdoc/>
    protected internal override void Check(OperationDescription operation, InputCheck check) => Check("threadToCut", check);

    /// <summary>Checks that it names a thread that can be made.</summary>
    /// <param name="field">Field the faults are told of.</param>
    /// <param name="check">Takes the faults.</param>
    internal void Check(string field, InputCheck check)
    {
        int before = check.Faults.Count;
        check.Named(field, "The thread", Text, Longest);
        if (check.Faults.Count > before) return;
        if (Own is { } own)
        {
            foreach (InputFault fault in own.Value.Check().Faults)
                check.Holds(false, field, fault.Given, $"{fault.Sentence} Correct it on the page of {own.Value.Name}.");
            return;
        }

        Thread? read = OwnId == 0 ? ThreadText.Read(Text) : null;
        check.Holds(
            read is not null, field, double.NaN,
            $"“{Text}” names no thread. Write it as its standard does, such as M10×1.5, 1/2-13 UNC, G1/4 or Tr40×14 (P7) LH, or choose one of the "
                + "shop's own.");
        if (read is not null) foreach (InputFault fault in read.Check().Faults) check.Holds(false, field, fault.Given, fault.Sentence);
    }
}

/// <summary>The thread a result is about, as it is cut.</summary>
/// <param name="Text">What it is called.</param>
/// <param name="Own">Whether it is the shop's own.</param>
/// <param name="Inside">Whether it is cut inside.</param>
/// <param name="Class">Class whose limits were taken; empty where none is known.</param>
/// <param name="Pitch">P, mm.</param>
/// <param name="Lead">Way along the axis in a turn, mm.</param>
/// <param name="Starts">Starts.</param>
/// <param name="LeftHand">Whether it is left-hand.</param>
/// <param name="Taper">Growth of the diameter along the axis; 0 for a parallel thread.</param>
/// <param name="Plain">What it is called without its class: what two ways of cutting one thread have in common.</param>
public sealed record CutThread(
    string Text, bool Own, bool Inside, string Class, double Pitch, double Lead, int Starts, bool LeftHand, double Taper, string Plain) : Attachment
{
    /// <summary>A thread as it is cut on one side of the work.</summary>
    internal static CutThread Of(WorkThread t, bool own, bool inside) => new(
        t.Text, own, inside, t.LimitsOf(inside)?.Class ?? "", t.Thread.Pitch, t.Thread.Lead, t.Thread.Starts, t.Thread.LeftHand, t.Form.Taper,
        own ? t.Text : (t.Thread with { Class = "" }).ToString());
}
