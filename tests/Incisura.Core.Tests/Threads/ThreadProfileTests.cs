using Incisura.Core.Threads;
using Thread = Incisura.Core.Threads.Thread;

namespace Incisura.Core.Tests.Threads;

public class ThreadProfileTests
{
    public static TheoryData<ThreadForm> Forms() => [.. Enum.GetValues<ThreadForm>()];

    private static double RadiusAt(IReadOnlyList<ProfilePoint> outline, double z)
    {
        for (int i = 1; i < outline.Count; i++)
            if (outline[i].Z >= z && outline[i].Z > outline[i - 1].Z)
                return outline[i - 1].R + ((z - outline[i - 1].Z) / (outline[i].Z - outline[i - 1].Z) * (outline[i].R - outline[i - 1].R));
        return outline[^1].R;
    }

    [Theory]
    [MemberData(nameof(Forms))]
    public void The_outline_runs_from_root_to_crest_and_half_of_it_is_ridge_at_the_pitch_diameter(ThreadForm form)
    {
        foreach (Thread t in Effort.Some([.. ThreadTables.All.Where(l => l.Thread.Form == form).Select(l => l.Thread)], 6))
        {
            ThreadShape s = ThreadShape.Of(t);
            IReadOnlyList<ProfilePoint> outline = ThreadProfile.External(t, ThreadShape.Of(t), 3);
            for (int i = 1; i < outline.Count; i++) Assert.True(outline[i].Z >= outline[i - 1].Z - 1e-9, $"{t} runs back at {outline[i].Z}");
            double taper = FormDescription.Of(form).Taper / 2;
            Assert.InRange(outline.Max(q => q.R - (q.Z * taper)) - (s.Major / 2), -1e-3, 1e-9);
            Assert.InRange(outline.Min(q => q.R - (q.Z * taper)) - (s.Minor / 2), -1e-9, 1e-3);
            int ridge = Enumerable.Range(0, 2000)
                .Count(i => t.Pitch * (1 + (i / 2000.0)) is var z && RadiusAt(outline, z) - (z * taper) > s.Pitch / 2);
            Assert.InRange(ridge / 2000.0, 0.499, 0.501);
        }
    }

    [Theory]
    [MemberData(nameof(Forms))]
    public void The_internal_thread_lies_outside_the_external_one_and_its_flanks_on_those(ThreadForm form)
    {
        foreach (Thread t in Effort.Some([.. ThreadTables.All.Where(l => l.Thread.Form == form).Select(l => l.Thread)], 6))
        {
            IReadOnlyList<ProfilePoint> external = ThreadProfile.External(t, ThreadShape.Of(t), 3), inside = ThreadProfile.Internal(
                t,
                ThreadShape.Of(t),
                3);
            for (int i = 0; i < 400; i++)
            {
                double z = t.Pitch * (1 + (i / 400.0));
                Assert.True(RadiusAt(inside, z) >= RadiusAt(external, z) - (2e-3 * t.Pitch), $"{t} at {z}");
            }
        }
    }
}
