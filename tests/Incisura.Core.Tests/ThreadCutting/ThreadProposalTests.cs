using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Cutters;
using Incisura.Core.Threads;
using static Incisura.Core.Tests.ThreadCutting.ThreadSample;

namespace Incisura.Core.Tests.ThreadCutting;

/// <summary>What is proposed for threads, over situations drawn at random and over every thread of the standards.</summary>
public sealed class ThreadProposalTests
{
    [Theory]
    [InlineData("several")]
    [InlineData("one")]
    public void A_proposal_for_milling_keeps_every_limit_or_says_which_stands_in_the_way(string profiles)
    {
        foreach (int seed in Effort.Seeds(12, 4))
            RandomSituation.HoldProposal(
                RandomSituation.From(Milled(profiles, (Dimension.LargestPitch, profiles == "one" ? 2 : 0)), seed), "thread-milling",
                $"{profiles} {seed}");
    }

    [Fact]
    public void Every_listed_thread_is_turned_outside_by_an_insert_of_its_form_within_its_class()
    {
        foreach (ListedThread listed in Effort.Some(ThreadTables.All, 8))
        {
            Core.Threads.Thread t = listed.Thread;
            FormDescription form = FormDescription.Of(t.Form);
            Situation s = Turned(
                dimensions:
                [
                    (Dimension.ProfileAngle, form.FlankAngle), (Dimension.Pitch, Math.Min(11, t.Pitch)), (Dimension.LargestPitch, t.Pitch),
                    (Dimension.InscribedCircle, 30), (Dimension.HeadLength, 60),
                ]);
            if (t.Pitch > 12 || s.Cutter.Value.Check().Faults.Count > 0 || t.Diameter > 500) continue;
            CalculationResult r = Turn(s, Thread(t.ToString(), ("runIn", 200), ("runOut", 200)));
            string told = $"{listed.Thread}: {string.Join(", ", r.Limits.Where(l => l.Use > 1).Select(l => l.Kind))}";

            // What no number of infeeds keeps does not stand in the way of what they can keep.
            Assert.True(
                r.Limits.All(l => !(l.Use > 1 + 1e-9) || l.Kind is "threadBend" or "leverage" or "lowestSpeed" or "flankClearance"),
                told);
            Assert.True(r.Figure("heightCut") > 0.25 * t.Pitch && r.Figure("heightCut") < 0.95 * t.Pitch, told);
            Assert.Equal(t.Lead, r.Figure("feedInUse"), 12);
            InfeedCoursesAddUp(r, told);
        }
    }

    [Fact]
    public void Every_listed_thread_that_leaves_a_mill_room_is_milled_inside()
    {
        int milled = 0;
        ListedThread[] all = [.. ThreadTables.All.Where(l => FormDescription.Of(l.Thread.Form).Symmetric && l.Thread.Diameter < 300)];
        foreach (ListedThread listed in Effort.Some(all, 8))
        {
            Core.Threads.Thread t = listed.Thread;
            ThreadShape shape = ThreadShape.Of(t);
            double cutter = 0.6 * shape.InternalMinor;
            Situation s = Milled(
                "one", (Dimension.CuttingDiameter, cutter), (Dimension.Pitch, t.Pitch), (Dimension.FluteLength, 1.01 * t.Pitch),
                (Dimension.ProfileAngle, FormDescription.Of(t.Form).FlankAngle), (Dimension.ShankDiameter, Math.Max(0.5, 0.6 * cutter)),
                (Dimension.UsableLength, 1.01 * t.Pitch), (Dimension.OverallLength, 120));
            if (s.Cutter.Value.Check().Faults.Count > 0 || s.Built().Check().Faults.Count > 0) continue;
            CalculationResult r = Mill(s, Thread(t.ToString()));
            milled++;
            Assert.True(r.Figure("flankError") >= 0 && r.Figure("peakForce") > 0 && r.Figure("feedRate") < r.Figure("rimFeed"), t.ToString());
            Assert.Equal(r.Figure("rootDiameter") - cutter, r.Figure("pathDiameter"), 9);
        }

        Assert.True(milled > 25, $"{milled} threads");
    }

    [Fact]
    public void The_same_thread_in_inches_and_in_millimetres_is_the_same_cut()
    {
        CalculationResult inch = Turn(Turned(), Thread("1/2-13 UNC-2A")), again = Turn(Turned(), Thread("1/2-13"));
        Assert.Equal(12.7, inch.Attached<Core.Calculation.CutThread>()!.Pitch * 6.5, 9);
        Assert.Equal(inch.Figures.Select(f => f.Value), again.Figures.Select(f => f.Value));
    }

    private static void InfeedCoursesAddUp(CalculationResult r, string told)
    {
        Core.ThreadCutting.InfeedCourse course = r.Attached<Core.ThreadCutting.InfeedCourse>()!;
        Assert.True(Math.Abs(course.Infeeds[^1].Depth - r.Figure("heightCut")) < 1e-9, told);
        Assert.All(course.Infeeds, i => Assert.True(i.Force > 0 && i.Section > 0 && i.Outline.Count > 3, told));
    }
}
