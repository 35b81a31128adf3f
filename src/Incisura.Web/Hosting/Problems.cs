using System.Text.Json;
using Incisura.Core.Calculation;
using Incisura.Core.Checks;
using Incisura.Core.Derivations;
using Incisura.Core.Records;
using Incisura.Exchange.Dxf;
using Incisura.Exchange.Tables;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Incisura.Web.Hosting;

/// <summary>A refused value on the wire; numbers that do not exist are null.</summary>
public sealed record Fault(string Field, double? Given, double? Least, double? Most, string Sentence, double? Meant)
{
    public static Fault Of(InputFault f) => new(f.Field, Finite(f.Given), Finite(f.Least), Finite(f.Most), f.Sentence, Finite(f.Meant));

    private static double? Finite(double value) => double.IsFinite(value) ? value : null;
}

/// <summary>Somebody asked for a thing that does not exist.</summary>
public sealed class MissingException(string message) : Exception(message);

/// <summary>A write was made from an older revision than the current one.</summary>
public sealed class LostRaceException(string message, object current) : Exception(message)
{
    /// <summary>The current version, so that the screen can offer to merge.</summary>
    public object Current { get; } = current;
}

/// <summary>Turns what went wrong into RFC 9457 problem details with a sentence for a person.</summary>
public sealed partial class ProblemHandler(IProblemDetailsService problems, ILogger<ProblemHandler> logger) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        ProblemDetails problem = Describe(exception);
        if (problem.Status == StatusCodes.Status500InternalServerError && SavedMark.IsOn(httpContext))
            problem.Detail =
                "What you sent was saved, and then the answer to it failed. Load the page again and look before you "
                    + "repeat anything; tell the administrator.";
        if (problem.Status == StatusCodes.Status413PayloadTooLarge) problem.Detail = TooLarge(httpContext);
        if (problem.Status == StatusCodes.Status500InternalServerError) LogFailure(exception, httpContext.Request.Path);
        httpContext.Response.StatusCode = problem.Status!.Value;
        return await problems.TryWriteAsync(new() { HttpContext = httpContext, ProblemDetails = problem, Exception = exception });
    }

    /// <summary>Gives a sentence to refusals that the framework makes before any code of ours runs.</summary>
    public static void Complete(ProblemDetailsContext context) => context.ProblemDetails.Detail ??= context.ProblemDetails.Status switch
    {
        404 => $"There is nothing at {context.HttpContext.Request.Path}.",
        405 => $"{context.HttpContext.Request.Method} cannot be done here; the API description says what can.",
        413 => TooLarge(context.HttpContext),
        415 => "The request must be JSON, with the content type application/json.",
        429 => "That is too much at once; wait a minute and try again.",
        _ => null,
    };

    private static string TooLarge(HttpContext context) =>
        "The request is larger than "
            + $"{(context.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize ?? 0) / 1048576} MB; send less at once.";

    private static ProblemDetails Describe(Exception exception) => exception switch
    {
        DbUpdateException { InnerException: SqliteException { SqliteErrorCode: not 19 } inner } => Describe(inner),
        InputException e => With(422, "Some values cannot be taken", e.Message, ("faults", e.Faults.Select(Fault.Of))),
        RuleException { Code: "role" or "own-proposal" } e => With(403, "Not yours to do", e.Message, ("rule", e.Code)),
        RuleException e => With(409, "Not possible now", e.Message, ("rule", e.Code)),
        MissingException e => With(404, "Not found", e.Message),
        LostRaceException e => With(412, "Somebody else saved first", e.Message, ("current", e.Current)),
        TableException or DxfException => With(422, "Not readable", exception.Message),
        DbUpdateConcurrencyException =>
            With(412, "Somebody else saved first", "It was changed while you worked; load it again and repeat your change."),
        DbUpdateException { InnerException: SqliteException { SqliteErrorCode: 19 } inner } => With(409, "Already there", Constraint(inner)),
        SqliteException { SqliteErrorCode: 13 } =>
            With(507, "The disk is full", "Nothing was saved: the server's disk is full. Make room and try again; what you typed is still here."),
        SqliteException { SqliteErrorCode: 5 or 6 } => With(503, "Busy", "The database is busy; try again in a moment. Nothing was saved."),
        BadHttpRequestException { StatusCode: 413 } => With(413, "Too large", "The request is too large; send less at once."),
        BadHttpRequestException { InnerException: JsonException json } =>
            With(
                400, "Not readable", $"The value at {json.Path ?? "$"} cannot be read; give it in the form the API description names.",
                ("field", json.Path ?? "$")),
        BadHttpRequestException e => With(e.StatusCode, "Not readable", "The request cannot be read: " + e.Message),
        _ => With(500, "Something failed here", "The server failed and nothing was saved. Try again; if it stays, tell the administrator."),
    };

    private static string Constraint(SqliteException e) => e.Message.Contains("Places.", StringComparison.Ordinal)
        ? "Somebody put another assembly into that place meanwhile; choose another place."
        : e.Message.Contains("UNIQUE", StringComparison.Ordinal)
        ? "Another one has this name or number already; choose another."
        : "It is used elsewhere or points to something that does not exist; choose again.";

    /// <summary>Whether there is a sentence of its own for what went wrong; otherwise something failed inside.</summary>
    public static bool IsForeseen(Exception exception) => Describe(exception).Status != StatusCodes.Status500InternalServerError;

    /// <summary>Whether the disk has no room for what was to be written.</summary>
    public static bool IsFullDisk(Exception exception) => Describe(exception).Status == StatusCodes.Status507InsufficientStorage;

    /// <summary>What went wrong, as a sentence for a person.</summary>
    public static string SentenceOf(Exception exception) => Describe(exception).Detail ?? exception.Message;

    private static ProblemDetails With(int status, string title, string detail, params (string Key, object Value)[] extensions)
    {
        ProblemDetails problem = new() { Status = status, Title = title, Detail = detail };
        foreach ((string key, object value) in extensions) problem.Extensions[key] = value;
        return problem;
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Request {Path} failed")]
    private partial void LogFailure(Exception exception, PathString path);
}
