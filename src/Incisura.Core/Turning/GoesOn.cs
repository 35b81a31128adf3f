using Incisura.Core.Cutters;

namespace Incisura.Core.Turning;

/// <summary>An operation that can follow on the work as it is left, with what is known of that.</summary>
/// <param name="Operation">Code of the operation.</param>
/// <param name="Words">Plain words: what it goes on with.</param>
/// <param name="Numbers">Values of its fields.</param>
/// <param name="Options">Picks of its options.</param>
/// <param name="WithOutline">Whether it has the same outline.</param>
public sealed record NextStep(
    string Operation, string Words, IReadOnlyDictionary<string, double> Numbers, IReadOnlyDictionary<string, string> Options, bool WithOutline);

/// <summary>What can follow on the work as a step of turning leaves it.</summary>
/// <param name="Steps">In the usual order of work.</param>
public sealed record GoesOn(IReadOnlyList<NextStep> Steps) : Attachment;

/// <summary>Gathers what can follow: how the work is held goes with it.</summary>
/// <param name="x">The inputs of the step that is done.</param>
public readonly ref struct Following(in Inputs x)
{
    private readonly Inputs x = x;
    private readonly List<NextStep> steps = [];

    /// <summary>The steps gathered.</summary>
    public GoesOn All => new(steps);

    /// <summary>Adds an operation of turning.</summary>
    /// <param name="operation">Its code.</param>
    /// <param name="words">What it goes on with.</param>
    /// <param name="withOutline">Whether it has the same outline.</param>
    /// <param name="numbers">What is known of its fields.</param>
    public void Turning(string operation, string words, bool withOutline, params ReadOnlySpan<(Input Input, double Value)> numbers)
    {
        Dictionary<string, double> known = new()
        {
            [Codes.Of(Input.BodyDiameter)] = x[Input.BodyDiameter],
            [Codes.Of(Input.GrippedDiameter)] = x[Input.GrippedDiameter],
            [Codes.Of(Input.StandsOut)] = x[Input.StandsOut],
        };
        Dictionary<string, string> options = new() { [Codes.Of(Choice.Spindle)] = x.Counter ? "counter" : "main" };

        if (x.Picked(Choice.Stands) is > 0 and var stands) options[Codes.Of(Choice.Stands)] = WorkSpindleWords.Stands.Picks[stands].Code;

        // No thread is turned beside a steady rest.
        bool steady = x.Steady && operation != "thread-turning";
        if (x.Centre || steady) options[Codes.Of(Choice.Support)] = x.Centre ? "centre" : "steady";
        if (steady) known[Codes.Of(Input.SteadyAt)] = x[Input.SteadyAt];
        foreach ((Input input, double value) in numbers) known[Codes.Of(input)] = value;
        steps.Add(new(operation, words, known, options, withOutline));
    }

    /// <summary>Adds an operation of turning in the counter spindle, which grips the part at the diameter that was cut off.</summary>
    /// <param name="operation">Its code.</param>
    /// <param name="words">What it goes on with.</param>
    /// <param name="diameter">Diameter gripped, mm.</param>
    /// <param name="length">Length of the part, mm; it stands out by half of it.</param>
    /// <param name="bore">Its bore, mm; 0 where it is solid.</param>
    public void OverTo(string operation, string words, double diameter, double length, double bore) => steps.Add(new(
        operation, words,
        new Dictionary<string, double>
        {
            [Codes.Of(Input.StartDiameter)] = diameter,
            [Codes.Of(Input.BodyDiameter)] = diameter,
            [Codes.Of(Input.GrippedDiameter)] = diameter,
            [Codes.Of(Input.StandsOut)] = Math.Max(1, length / 2),
            [Codes.Of(Input.WorkBore)] = bore,
        },
        new Dictionary<string, string> { [Codes.Of(Choice.Spindle)] = "counter" }, false));

    /// <summary>Adds a hole on the axis.</summary>
    /// <param name="words">What it goes on with.</param>
    public void Hole(string words) => steps.Add(new(
        "drill", words, new Dictionary<string, double> { [Codes.Of(Input.GrippedDiameter)] = x[Input.GrippedDiameter] },
        new Dictionary<string, string> { [Codes.Of(Choice.Spindle)] = x.Counter ? "counter" : "main" }, false));

    /// <summary>Adds what is done outside on work of a finished diameter.</summary>
    /// <param name="diameter">Its diameter, mm.</param>
    /// <param name="bore">Its bore, mm; 0 where it is solid.</param>
    public void Outside(double diameter, double bore)
    {
        Turning("turn-groove", "a groove", false, (Input.StartDiameter, diameter), (Input.WorkBore, bore));
        Turning("thread-turning", "a thread", false);
        double body = x[Input.BodyDiameter];
        if (body > diameter)
            Turning("part-off", "parting off", false, (Input.StartDiameter, diameter), (Input.WorkBore, bore), (Input.ShoulderDiameter, body));
        else Turning("part-off", "parting off", false, (Input.StartDiameter, diameter), (Input.WorkBore, bore));
    }
}
