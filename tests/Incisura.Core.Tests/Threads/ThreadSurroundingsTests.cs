using Incisura.Core.Threads;
using Thread = Incisura.Core.Threads.Thread;

namespace Incisura.Core.Tests.Threads;

/// <summary>What belongs around a thread: coil inserts, undercuts, coatings.</summary>
public sealed class ThreadSurroundingsTests
{
    private static readonly Thread M10 = ThreadText.Read("M10")!;

    [Fact]
    public void The_hole_for_a_coil_insert_is_the_same_thread_further_out()
    {
        CoilInsertHole hole = CoilInsertHole.Of(M10)!.Value;
        Assert.Equal(10.325, hole.Minor, 3);
        Assert.Equal(10.974, hole.Pitch, 3);
        Assert.Equal(11.949, hole.Major, 3);

        // Its own thread stands in it as any thread of the pitch does in its hole.
        Assert.Equal(0.75 * Math.Sqrt(3) / 2 * 1.5, hole.Major - hole.Pitch, 9);
        Assert.Null(CoilInsertHole.Of(ThreadText.Read("G1/4")!));
    }

    [Fact]
    public void An_undercut_lies_below_the_core_and_is_wide_enough_for_the_run_out()
    {
        foreach (ListedThread listed in ThreadTables.All.Where(l => l.Thread.Form == ThreadForm.Metric))
            if (Undercut.Of(listed.Thread) is { } cut)
            {
                Assert.True(cut.Diameter < ThreadShape.Of(listed.Thread).Minor + 0.35 && cut.Diameter > 0, listed.Thread.ToString());
                Assert.InRange(cut.Least, listed.Thread.Pitch, cut.Most);
            }

        Assert.Equal(7.7, Undercut.Of(M10)!.Value.Diameter, 9);
        Assert.Null(Undercut.Of(ThreadText.Read("1/2-13")!));
    }

    [Fact]
    public void A_coating_takes_four_times_its_thickness_of_the_pitch_diameter_of_60_degrees()
    {
        ThreadLimits outside = ThreadLimits.Of(M10, "6g")!, inside = ThreadLimits.Of(M10, "6H")!;
        ThreadLimits before = Plating.Before(outside, 60, 0.008), hole = Plating.Before(inside, 60, 0.008);
        Assert.Equal(outside.Pitch.Most - 0.032, before.Pitch.Most, 9);
        Assert.Equal(outside.Major.Least - 0.016, before.Major.Least, 9);
        Assert.Equal(inside.Pitch.Least + 0.032, hole.Pitch.Least, 9);
        Assert.Equal(inside.Minor.Most + 0.016, hole.Minor.Most, 9);
        Assert.True(Plating.Before(outside, 30, 0.008).Pitch.Most < before.Pitch.Most);
    }
}
