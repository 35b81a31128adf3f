using Incisura.Core.Cutters;
using static Incisura.Core.Milling.MillingWords;

namespace Incisura.Core.Milling.Kinds;

/// <summary>Face milling: passes beside each other over a face, each with the axis beside or in the middle of its width.</summary>
internal readonly struct FaceMilling : IMillingKind
{
    // Share of the room beside a pass by which the axis is set off its middle; shop practice.
    private const double Beside = 0.8;

    public static OperationDescription Description { get; } = new(
        "face",
        "Face milling",
        "face",
        [CutterFamily.FaceMill, CutterFamily.HighFeedMill, CutterFamily.SquareEndMill, CutterFamily.CornerRadiusEndMill],
        [
            new(Input.StockWidth, "W", "Width of the face", "Across", Quantity.Length, 0.001, 5000),
            Width,
            new(Input.Offset, "e", "Axis beside the middle", "Across", Quantity.Length, -250, 250),
            StockHeight,
            Depth,
            FeedPerTooth,
            Length("Length of the face", 200),
            Deflection(60),
        ],
        [ChipKept("largest"), PassWays],
        Large,
        [
            Output.Width, Output.Depth, Output.EntryAngle, Output.ExitAngle, Output.MeanChip,
            Output.LargestChip, Output.Power, Output.Torque, Output.PeakForce, Output.TeethInCut,
            Output.PeakToValley,
        ])
    {
        AtMachine = SetAtMachine(Output.Width, Output.Depth, Input.Offset, Output.PassesAcross, Output.PassesDown, Output.Overrun),
        ChartedAs = [SideRough.Description],
        DepthFactor = 0.25,
        WidthFactor = 0.7,
        DepthGivesWay = true,
    };

    public static void Follow(MillingSetup setup, ref Inputs x)
    {
        x.Propose(Input.StockWidth, x[Input.WidthOfCut]);
        x.Propose(Input.StockHeight, x[Input.DepthOfCut]);

        // Four fifths of the way to where the rim stands at the side of the pass: the chip leaves thin, and the cutter overlaps the edge.
        double each = Passes.Even(x[Input.StockWidth], Math.Min(x[Input.WidthOfCut], setup.Diameter)).Each;
        x.Propose(Input.Offset, Beside * Math.Max(0, setup.Diameter - each) / 2);
    }

    public static void Refuse(MillingSetup setup, in Inputs x, InputCheck check)
    {
        double each = Passes.Even(x[Input.StockWidth], Math.Min(x[Input.WidthOfCut], setup.Diameter)).Each,
            room = (setup.Diameter + each) / 2;
        check.Holds(
            Math.Abs(x[Input.Offset]) < room, "offset", x[Input.Offset],
            $"With the axis {x[Input.Offset]:0.###} mm beside the middle the cutter misses a pass of {each:0.###} mm; it must stay "
                + $"below {room:0.###} mm to either side.");
    }

    public static void Engage<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassDivision.Across(x[Input.StockWidth], Math.Min(x[Input.WidthOfCut], setup.Diameter), ref r, ref trace);
        PassDivision.Down(x[Input.StockHeight], x[Input.DepthOfCut], ref r, ref trace);
        Contact contact = setup.ContactAt(r.Down.Each);
        r.Engagement = Engagement.Of(
            contact, r.Across.Each, r.Down.Each,
            ArcOfEngagement.Offset(contact.Diameter, Math.Min(r.Across.Each, contact.Diameter), x[Input.Offset], ref trace));
    }

    public static Extent Plan<TTrace>(MillingSetup setup, in Inputs x, ref MillingResult r, ref TTrace trace)
        where TTrace : struct, ITrace
    {
        PassTime.Solve<FaceMilling, TTrace>(
            setup, x, (double)r.Across.Count * r.Down.Count, r.Down.Count, PassTime.OverrunOfAll(setup, r.Engagement.Diameter, ref trace), ref r,
            ref trace);
        FeedMarks.Solve(setup.CornerRadius, x[Input.FeedPerTooth], default, ref r, ref trace);
        return new(r.Down.Each, r.Across.Each, x[Input.StockHeight]);
    }

    public static void Walk<TSink>(MillingSetup setup, in Inputs x, in MillingResult r, ref TSink sink)
        where TSink : struct, IWaySink =>
        PassTime.Walk(setup, x, r, (double)r.Across.Count * r.Down.Count, r.Down.Count, ref sink);

    public static void Notice(MillingSetup setup, in Inputs x, in MillingResult r, List<Finding> findings)
    {
        double share = r.Across.Each / setup.Diameter;
        if (Math.Abs(x[Input.Offset]) < 0.02 * setup.Diameter && share is > 0.3 and < 0.95)
            findings.Add(new(
                "centred", Severity.Info, new("With its axis in the middle the cutter is pushed to and fro across the feed."),
                "Set the axis beside the middle, so that the chip leaves thin."));
        if (r[Output.PeakToValley] == 0)
            findings.Add(new(
                "finish-unknown", Severity.Info, new("The cutter has no corner radius, so the finish from the feed cannot be told."),
                "Enter the corner radius on the cutter's page."));
    }
}
