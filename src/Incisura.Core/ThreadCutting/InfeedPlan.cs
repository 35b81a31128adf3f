using Incisura.Core.Threads;

namespace Incisura.Core.ThreadCutting;

/// <summary>One infeed of a thread.</summary>
/// <param name="Number">Its number, from 1.</param>
/// <param name="Depth">Depth after it, mm.</param>
/// <param name="InfeedDepth">What it goes in, mm.</param>
/// <param name="Shift">Sideways place of the insert, mm from where it ends, positive along the feed.</param>
/// <param name="Section">Section of its chip A_z, mm².</param>
/// <param name="Chip">Mean thickness of its chip h, mm.</param>
/// <param name="Force">Cutting force F_c, N.</param>
/// <param name="Passive">Passive force F_p, N.</param>
/// <param name="Power">Cutting power P_c, kW.</param>
/// <param name="Outline">Outline of its chip: z along the axis, r the depth below the crests, mm.</param>
public sealed record Infeed(
    int Number, double Depth, double InfeedDepth, double Shift, double Section, double Chip, double Force, double Passive, double Power,
    IReadOnlyList<ProfilePoint> Outline);

/// <summary>The infeeds of a thread, one after the other: the chips with their loads as a course over the passes.</summary>
/// <param name="Infeeds">The infeeds.</param>
/// <param name="Pitch">P, mm.</param>
/// <param name="Height">Height of the thread, mm.</param>
/// <param name="TowardsChuck">Whether the tool is fed towards the chuck.</param>
/// <param name="Clockwise">Whether the work turns clockwise, seen from its free end.</param>
public sealed record InfeedCourse(IReadOnlyList<Infeed> Infeeds, double Pitch, double Height, bool TowardsChuck, bool Clockwise) : Attachment;

/// <summary>What one infeed takes, worked out without anything being allocated.</summary>
/// <param name="Place">Sideways place and depth of the insert.</param>
/// <param name="Section">A_z, mm².</param>
/// <param name="Chip">h, mm.</param>
/// <param name="SpecificForce">k_c, MPa.</param>
/// <param name="Force">F_c, N.</param>
/// <param name="Passive">F_p, N.</param>
internal readonly record struct InfeedLoad(
    (double Shift, double Depth) Place, double Section, double Chip, double SpecificForce, double Force, double Passive);

/// <summary>Walks the infeeds of a thread.</summary>
internal ref struct InfeedWalk
{
    private readonly ThreadTurningSetup setup;
    private readonly InfeedSchedule schedule;
    private readonly InfeedWay way;
    private readonly double k11, height;
    private (double Shift, double Depth) before, beforeLast;

    public InfeedWalk(ThreadTurningSetup setup, in Inputs x)
    {
        this.setup = setup;
        height = x[Input.HeightToCut];
        schedule = new(x.Law, height, (int)x[Input.Infeeds], x[Input.FirstInfeed], x[Input.LeastInfeed]);
        way = x.Way;
        k11 = setup.SpecificForce11 * Common.Wear(x);
    }

    /// <summary>Number of the infeed walked last; 0 before the first.</summary>
    public int Number { get; private set; }

    /// <summary>Place and depth of the insert at the infeed before, and at the one before that.</summary>
    public readonly ((double Shift, double Depth) Before, (double Shift, double Depth) BeforeLast) Earlier => (before, beforeLast);

    /// <summary>Goes in once more.</summary>
    /// <param name="load">What that takes.</param>
    /// <returns>Whether there was something left to go in.</returns>
    public bool Next(out InfeedLoad load)
    {
        (beforeLast, before) = (before, Now);
        load = default;
        if (before.Depth >= height || Number >= InfeedSchedule.Most) return false;
        Number++;
        double depth = schedule.After(Number, before.Depth), edge = setup.Groove.EdgeAt(way, depth);
        Now = (setup.Groove.Shift(way, depth, height, Number), depth);
        double section = setup.Groove.Chip(Now, before, beforeLast), chip = section / (edge * setup.Teeth),
            specific = k11 * Math.Pow(chip, -setup.ChipExponent), force = specific * section;
        load = new(Now, section, chip, specific, force, setup.RadialRatio * force * setup.Groove.PassiveShare(way, depth));
        return true;
    }

    private (double Shift, double Depth) Now { get; set; }
}
