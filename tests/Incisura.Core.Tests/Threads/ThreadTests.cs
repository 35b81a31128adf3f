using System.Globalization;
using System.Text.Json;
using Incisura.Core.Threads;
using Thread = Incisura.Core.Threads.Thread;

namespace Incisura.Core.Tests.Threads;

public class ThreadTests
{
    private static readonly JsonElement Standards =
        JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "reference", "thread-standards.json"))).RootElement;

    private static Thread Metric(double diameter, double pitch) => new() { Form = ThreadForm.Metric, Diameter = diameter, Pitch = pitch };

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    [Fact]
    public void Every_coarse_pitch_of_the_standard_is_listed_as_such()
    {
        int seen = 0;
        foreach (JsonProperty size in Standards.GetProperty("isoMetricCoarse").GetProperty("pitchByDiameter").EnumerateObject())
        {
            ListedThread listed = ThreadTables.Find(Metric(Number(size.Name), size.Value.GetDouble()))!;
            Assert.Equal(("coarse", true), (listed.Series, listed.Checked));
            Assert.Equal(listed.Thread, ThreadText.Read($"M{size.Name}"));
            seen++;
        }

        Assert.Equal(29, seen);
    }

    [Fact]
    public void Every_tolerance_of_the_standard_is_in_the_limits()
    {
        JsonElement all = Standards.GetProperty("isoMetricTolerances");
        foreach (JsonElement range in all.GetProperty("byDiameterRange").EnumerateArray())
            foreach (JsonProperty pitch in range.GetProperty("byPitch").EnumerateObject())
            {
                double p = Number(pitch.Name), d = range.GetProperty("upTo").GetDouble();
                JsonElement byPitch = all.GetProperty("byPitch").GetProperty(pitch.Name);
                ThreadLimits external = ThreadLimits.Of(Metric(d, p), "6g")!, inside = ThreadLimits.Of(Metric(d, p), "6H")!;
                Assert.True(external.Checked && inside.Checked);
                double Micro(double from, double to) => Math.Round((to - from) * 1000, 3);
                Assert.Equal(pitch.Value.GetProperty("Td2_6").GetDouble(), Micro(external.Pitch.Least, external.Pitch.Most));
                Assert.Equal(pitch.Value.GetProperty("TD2_6").GetDouble(), Micro(inside.Pitch.Least, inside.Pitch.Most));
                Assert.Equal(byPitch.GetProperty("Td6").GetDouble(), Micro(external.Major.Least, external.Major.Most));
                Assert.Equal(byPitch.GetProperty("TD1_6").GetDouble(), Micro(inside.Minor.Least, inside.Minor.Most));
                Assert.Equal(byPitch.GetProperty("esG").GetDouble(), Micro(external.Major.Most, d));
                Assert.Equal(inside.Pitch.Least, Math.Round(ThreadShape.Of(Metric(d, p)).Pitch, 3));
            }
    }

    // Printed limits, mm: grades beside 6, whose tolerances are steps of a series and not ratios of grade 6.
    [Theory]
    [InlineData("M1.6", "6g", 1.291, 1.354)]
    [InlineData("M1.6", "6H", 1.373, 1.458)]
    [InlineData("M2", "6g", 1.654, 1.721)]
    [InlineData("M2", "6H", 1.740, 1.830)]
    [InlineData("M2.5", "6g", 2.117, 2.188)]
    [InlineData("M2.5", "6H", 2.208, 2.303)]
    [InlineData("M18", "5g6g", 16.202, 16.334)]
    [InlineData("M24x2", "5g6g", 22.531, 22.663)]
    [InlineData("M16", "4H", 14.701, 14.833)]
    [InlineData("M10", "7g6g", 8.824, 8.994)]
    [InlineData("M3", "4h", 2.627, 2.675)]
    [InlineData("M3x0.35", "6H", 2.773, 2.863)]
    [InlineData("M100x6", "6g", 95.723, 96.023)]
    public void Pitch_diameters_of_other_grades_are_those_of_the_printed_tables(string thread, string name, double least, double most)
    {
        SizeLimits pitch = ThreadLimits.Of(ThreadText.Read(thread)!, name)!.Pitch;
        Assert.Equal((least, most), (Math.Round(pitch.Least, 6), Math.Round(pitch.Most, 6)));
    }

    [Theory]
    [InlineData("M2", "7H")]
    [InlineData("M4", "8g")]
    [InlineData("M4", "8H")]
    [InlineData("M4", "9g8g")]
    [InlineData("M24x1", "8H")]
    [InlineData("2-8 UN", "1A")]
    [InlineData("1/2-28 UNEF", "1B")]
    public void A_class_that_its_standard_does_not_have_is_not_given_its_name(string thread, string name) =>
        Assert.Null(ThreadLimits.Of(ThreadText.Read(thread)!, name));

    // Each grade is coarser than the one before in every size, and never by more than half.
    [Fact]
    public void Grades_follow_each_other_in_every_listed_size()
    {
        foreach (Thread t in ThreadTables.All.Select(l => l.Thread).Where(t => t.Form == ThreadForm.Metric))
            foreach (char position in "gH")
            {
                double[] widths =
                [
                    .. Enumerable.Range(3, 7).Select(g => ThreadLimits.Of(t, char.IsUpper(position) ? $"{g}{position}" : $"{g}g6g"))
                        .OfType<ThreadLimits>().Select(l => l.Pitch.Most - l.Pitch.Least),
                ];
                Assert.All(widths.Zip(widths.Skip(1)), w => Assert.InRange(w.Second / w.First, 1.2, 1.34));
            }
    }

    [Fact]
    public void Threads_of_eight_an_inch_are_taken_to_be_engaged_over_their_diameter()
    {
        SizeLimits pitch = ThreadLimits.Of(ThreadText.Read("2-8 UN")!, "2A")!.Pitch;
        Assert.Equal((1.9087, 1.9165), (Math.Round(pitch.Least / 25.4, 4), Math.Round(pitch.Most / 25.4, 4)));
        (double least, double most) = ThreadShape.NormalEngagement(Metric(10, 1.5));
        Assert.Equal((4.74, 14.18), (Math.Round(least, 2), Math.Round(most, 2)));
    }

    [Theory]
    [InlineData("coarseThreadsPerInch", "UNC")]
    [InlineData("fineThreadsPerInch", "UNF")]
    public void Every_unified_size_of_the_standard_is_listed(string table, string series)
    {
        foreach (JsonProperty size in Standards.GetProperty("unified").GetProperty(table).EnumerateObject())
        {
            string name = size.Name.Split(' ')[0];
            Thread read = ThreadText.Read($"{name}-{size.Value}")!;
            ListedThread listed = ThreadTables.Find(read)!;
            Assert.Equal((series, name, true), (listed.Series, listed.Size, listed.Checked));
            ThreadLimits a = ThreadLimits.Of(read, "2A")!, b = ThreadLimits.Of(read, "2B")!, tight = ThreadLimits.Of(read, "3A")!;
            Assert.True(a.Pitch.Most < tight.Pitch.Most && tight.Pitch.Most <= b.Pitch.Least + 1e-9 && b.Pitch.Least < b.Pitch.Most);
            Assert.InRange(a.Pitch.Most - a.Pitch.Least, 0.7 * (b.Pitch.Most - b.Pitch.Least), 0.84 * (b.Pitch.Most - b.Pitch.Least));
        }
    }

    [Fact]
    public void Every_taper_pipe_size_of_the_standard_has_its_gauge_plane()
    {
        foreach (JsonElement size in Standards.GetProperty("pipeTaperNpt").GetProperty("sizes").EnumerateArray())
        {
            Thread t = ThreadText.Read($"{size.GetProperty("size")} NPT")!;
            GaugePlane plane = GaugePlane.Of(t)!.Value;
            double d = size.GetProperty("outsideDiameter").GetDouble(), n = size.GetProperty("threadsPerInch").GetDouble();
            Assert.Equal(n, t.PerInch, 9);
            Assert.Equal(size.GetProperty("L1").GetDouble(), plane.Gauge / 25.4, 9);
            Assert.Equal(d - (((0.05 * d) + 1.1) / n), plane.SmallEnd / 25.4, 9);
            Assert.Equal(plane.SmallEnd + (plane.Gauge / 16), plane.AtGauge, 9);
            Assert.True(ThreadTables.Find(t)!.Checked);
        }
    }

    [Fact]
    public void Every_pipe_size_of_55_degrees_has_its_diameters_and_gauge_length()
    {
        foreach (JsonElement size in Standards.GetProperty("pipeWhitworth").GetProperty("sizes").EnumerateArray())
            foreach (string letter in new[] { "G", "R" })
            {
                Thread t = ThreadText.Read($"{letter}{size.GetProperty("size")}")!;
                Assert.Equal(size.GetProperty("majorDiameter").GetDouble(), t.Diameter, 9);
                Assert.Equal(size.GetProperty("threadsPerInch").GetDouble(), t.PerInch, 9);
                ThreadShape s = ThreadShape.Of(t);
                Assert.Equal(0.640327 * t.Pitch, s.Height, 9);
                if (letter == "R") Assert.Equal(size.GetProperty("gaugeLength").GetDouble(), GaugePlane.Of(t)!.Value.Gauge);
                else Assert.Null(GaugePlane.Of(t));
            }
    }

    [Fact]
    public void Trapezoidal_and_acme_dimensions_are_those_of_the_standards()
    {
        ThreadShape tr = ThreadShape.Of(ThreadText.Read("Tr40x7")!), acme = ThreadShape.Of(ThreadText.Read("1-5 ACME")!);
        Assert.Equal((36.5, 32.0, 33.0, 41.0), (tr.Pitch, tr.Minor, tr.InternalMinor, tr.InternalMajor));
        Assert.Equal(0.9, acme.Pitch / 25.4, 9);
        Assert.Equal(0.8, acme.InternalMinor / 25.4, 9);
        foreach ((double pitch, double clear) in new[] { (1.5, 0.15), (2, 0.25), (5, 0.25), (6, 0.5), (12, 0.5), (14, 1.0), (44, 1.0) })
            Assert.Equal(clear, ThreadShape.ClearanceOf(pitch));
    }

    [Fact]
    public void Text_of_every_listed_thread_reads_as_the_same_thread()
    {
        Assert.InRange(ThreadTables.All.Count, 500, 1000);
        foreach (ListedThread listed in ThreadTables.All)
            foreach (Thread t in new[]
            {
                listed.Thread, listed.Thread with { LeftHand = true },
                listed.Thread with { Class = ThreadLimits.ClassesOf(listed.Thread) is [string first, ..] ? first : "" },
            })
            {
                Thread read = ThreadText.Read(t.ToString()) ?? throw new InvalidOperationException($"{t} is not read");
                Assert.True(ThreadTables.Same(t, read), $"{t} read as {read}");
                Assert.Equal((t.LeftHand, t.Class, t.Starts, t.ToString()), (read.LeftHand, read.Class, read.Starts, read.ToString()));
            }
    }

    [Theory]
    [InlineData("M10", "M10×1.5")]
    [InlineData("m10x1", "M10×1")]
    [InlineData("M10x1.5-6H LH", "M10×1.5-6H LH")]
    [InlineData("M 10 x 1,25 - 5g6g", "M10×1.25-5g6g")]
    [InlineData("M16xPh3P1.5", "M16×3 (P1.5)")]
    [InlineData("1/2-13", "1/2-13 UNC")]
    [InlineData("1/2-13 UNC-2B", "1/2-13 UNC-2B")]
    [InlineData("#10-32", "#10-32 UNF")]
    [InlineData("1 1/4-12", "1-1/4-12 UNF")]
    [InlineData("1/2-15", "1/2-15 UNS")]
    [InlineData("3/4 UNF", "3/4-16 UNF")]
    [InlineData("3/4 NPT", "3/4-14 NPT")]
    [InlineData("1-11.5 NPTF LH", "1-11.5 NPTF LH")]
    [InlineData("G1/4", "G1/4")]
    [InlineData("G 1 1/4 B", "G1-1/4 B")]
    [InlineData("R1/2", "R1/2")]
    [InlineData("Rc 1/2", "R1/2")]
    [InlineData("Tr40x7", "Tr40×7")]
    [InlineData("Tr40x14 (P7) LH", "Tr40×14 (P7) LH")]
    [InlineData("Tr40x14P7", "Tr40×14 (P7)")]
    [InlineData("1-5 ACME 2 starts", "1-5 ACME 2 starts")]
    [InlineData("1-5 stub acme", "1-5 Stub ACME")]
    [InlineData("S40x7", "S40×7")]
    [InlineData("Rd40x1/6", "Rd40×1/6")]
    [InlineData("Pg13.5", "Pg13.5")]
    public void What_people_type_is_read_and_found_first(string typed, string meant)
    {
        Assert.Equal(meant, ThreadText.Read(typed)!.ToString());
        Assert.Equal(meant, ThreadSearch.Find(typed, 20)[0].ToString());
    }

    [Theory]
    [InlineData("")]
    [InlineData("M")]
    [InlineData("M10x")]
    [InlineData("M10x0")]
    [InlineData("Tr40x10 (P7)")]
    [InlineData("1/2")]
    [InlineData("1/0-13")]
    [InlineData("1/2-13 UNF")]
    [InlineData("3/4-20 NPT")]
    [InlineData("G13/7")]
    [InlineData("#99-32")]
    [InlineData("Pg12")]
    [InlineData("bolt")]
    public void What_names_no_thread_is_not_read_as_one(string typed) => Assert.Null(ThreadText.Read(typed));

    [Fact]
    public void Search_finds_by_parts_and_words()
    {
        Assert.Equal(["M10×1.5", "M10×1.25", "M10×1", "M10×0.75"], ThreadSearch.Find("M10", 4).Select(t => t.ToString()));
        Assert.All(ThreadSearch.Find("1/2", 50), t => Assert.Contains("1/2", t.ToString(), StringComparison.Ordinal));
        Assert.Contains(ThreadSearch.Find("trapezoidal 40", 50), t => t.ToString() == "Tr40×7");
        Assert.Empty(ThreadSearch.Find("zzz", 50));
        Assert.Equal(5, ThreadSearch.Find("M", 5).Count);
    }

    [Fact]
    public void Classes_stand_in_the_order_their_grades_have()
    {
        foreach (Thread t in ThreadTables.All.Where(l => l.Series == "coarse").Select(l => l.Thread))
        {
            double before = 0;
            foreach (string name in new[] { "4H", "5H", "6H", "7H", "8H" })
            {
                if (ThreadLimits.Of(t, name) is not { } limits) continue;
                Assert.True(limits.Minor.Most - limits.Minor.Least > before);
                before = limits.Minor.Most - limits.Minor.Least;
            }
        }

        Assert.Null(ThreadLimits.Of(Metric(10, 1.5), "6x"));
        Assert.Null(ThreadLimits.Of(Metric(10, 1.5), "9H"));
        Assert.Null(ThreadLimits.Of(Metric(10, 3), "6H"));
        Assert.False(ThreadLimits.Of(Metric(10, 1.5), "6e")!.Checked);
    }

    [Fact]
    public void A_gauge_for_both_always_goes()
    {
        // What is inside its limits of an external thread never meets what is inside those of the internal one.
        foreach (ListedThread l in ThreadTables.All)
            foreach (ThreadLimits external in ThreadLimits.All(l.Thread).Where(x => !x.Internal))
                foreach (ThreadLimits inside in ThreadLimits.All(l.Thread).Where(x => x.Internal))
                {
                    Assert.True(external.Pitch.Most <= inside.Pitch.Least + 1e-9, $"{l.Thread} {external.Class} {inside.Class}");
                    Assert.True(external.Major.Most <= inside.Major.Least + 1e-9, $"{l.Thread} {external.Class} {inside.Class}");
                    if (!double.IsNaN(external.Minor.Most)) Assert.True(external.Minor.Most <= inside.Minor.Least + 0.0127);
                }
    }

    [Fact]
    public void Known_wires_and_areas_come_out()
    {
        Thread t = Metric(10, 1.5);
        Wires wires = Wires.Of(t, 0.866, 9.026)!.Value;
        Assert.Equal(10.325, wires.OverWires, 3);
        Assert.InRange(wires.WithLead - wires.OverWires, 0, 0.003);
        Assert.InRange(wires.BestWire, wires.LeastWire, wires.MostWire);
        Assert.Equal(58.0, ThreadShape.StressArea(t), 1);
        Assert.Equal(0.1419, ThreadShape.StressArea(ThreadText.Read("1/2-13")!) / 645.16, 4);
        Assert.Null(Wires.Of(ThreadText.Read("S40x7")!));
        Assert.Null(Wires.Of(ThreadText.Read("R1/2")!));
    }

    [Fact]
    public void A_wire_of_the_best_size_touches_at_the_pitch_diameter()
    {
        foreach (ListedThread l in ThreadTables.All)
        {
            if (Wires.Of(l.Thread) is not { } wires) continue;
            double half = double.DegreesToRadians(FormDescription.Of(l.Thread.Form).FlankAngle / 2);
            double contact = wires.OverWires - wires.BestWire - (wires.BestWire * Math.Sin(half));
            Assert.Equal(ThreadShape.Of(l.Thread).Pitch, contact, 9);
        }
    }

    [Theory]
    [InlineData(10, 0.0, "pitch")]
    [InlineData(10, 9.5, "pitch")]
    [InlineData(0.1, 0.1, "diameter")]
    public void Impossible_threads_are_refused_with_the_range(double diameter, double pitch, string field) =>
        Assert.Contains(Metric(diameter, pitch).Check().Faults, f => f.Field == field);

    [Fact]
    public void A_class_the_standard_lacks_is_refused_with_those_it_has()
    {
        string said = Assert.Single((Metric(10, 1.5) with { Class = "2A" }).Check().Faults).Sentence;
        Assert.Contains("6g", said, StringComparison.Ordinal);
        Assert.Empty((Metric(10, 1.5) with { Class = "6H" }).Check().Faults);
    }
}
