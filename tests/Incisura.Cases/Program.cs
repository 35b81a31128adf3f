using System.Text.Json;
using Incisura.Cases;

if (args.Length != 1)
{
    Console.Error.WriteLine("usage: make cases CASES=FILE");
    return 2;
}

IReadOnlyList<CaseRun> runs;
try
{
    runs = CaseRunner.Run(File.ReadAllText(args[0]));
}
catch (Exception e) when (e is IOException or UnauthorizedAccessException or JsonException or KeyNotFoundException or InvalidOperationException)
{
    Console.Error.WriteLine($"{args[0]} cannot be run: {e.Message}");
    return 2;
}

foreach (CaseRun run in runs.Where(r => r.Outcome is CaseOutcome.Differs or CaseOutcome.Unknown))
    foreach (string difference in run.Differences)
        Console.WriteLine($"{run.Id}: {difference}");

int Count(CaseOutcome outcome) => runs.Count(r => r.Outcome == outcome);
if (Count(CaseOutcome.NotYetCovered) > 0)
    Console.WriteLine($"Not yet covered: {string.Join(", ", runs.Where(r => r.Outcome == CaseOutcome.NotYetCovered).Select(r => r.Id))}");
Console.WriteLine(
    $"Cases: {Count(CaseOutcome.Passed)} agree, {Count(CaseOutcome.Differs)} differ, {Count(CaseOutcome.Unknown)} unknown, "
        + $"{Count(CaseOutcome.NotYetCovered)} not yet covered");
if (runs.Count == 0) Console.WriteLine("The file has no cases.");
return runs.Count == 0 || Count(CaseOutcome.Differs) + Count(CaseOutcome.Unknown) > 0 ? 1 : 0;
