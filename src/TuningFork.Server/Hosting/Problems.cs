using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data.Keeping;

namespace TuningFork.Server.Hosting;

/// <summary>Something asked for cannot be done; says which field and what to do instead.</summary>
public sealed class FieldException(string field, string remedy, int status = StatusCodes.Status400BadRequest) : Exception(remedy)
{
    public string Field { get; } = field;

    public int Status { get; } = status;
}

/// <summary>Turns what went wrong into problem details (RFC 9457) with the field and the remedy.</summary>
public static class Problems
{
    public const int LongestText = 10_000;

    public static FieldException Unknown(string field, string what) =>
        new(field, $"There is no such {what}. It may have been removed; reload and choose again.", StatusCodes.Status404NotFound);

    public static FieldException Stale(string what) =>
        new(
            "version",
            $"{what} was changed in another window. Reload it and try again; nothing was overwritten.",
            StatusCodes.Status409Conflict
        );

    /// <summary>Free text, trimmed; null becomes empty.</summary>
    public static string Text(string field, string? text, int longest = LongestText) =>
        text is null ? ""
        : text.Length <= longest ? text.Trim()
        : throw new FieldException(field, $"The text has {text.Length:N0} characters; shorten it to {longest:N0} or fewer.");

    /// <summary>A list without gaps: JSON may put null where the description allows none.</summary>
    public static IReadOnlyList<T> Whole<T>(string field, IReadOnlyList<T> items)
        where T : class
    {
        var gap = items.Select((item, i) => (item, i)).Where(pair => pair.item is null).Select(pair => (int?)pair.i).FirstOrDefault();
        return gap is null
            ? items
            : throw new FieldException($"{field}[{gap}]", "An entry of this list is empty. Fill it in, or leave it out.");
    }

    /// <summary>A pitch as it was typed; null where nothing was.</summary>
    public static Pitch? PitchOrNone(string field, string text) => text.Trim().Length == 0 ? null : PitchOf(field, text);

    /// <summary>A key as it was typed, refused with an example when it is none.</summary>
    public static Key KeyOf(string field, string text) =>
        Key.TryParse(text, out var key) ? key : throw new FieldException(field, "Write the key like \"Bb major\" or \"F# minor\".");

    /// <summary>A pitch as it was typed, refused with an example when it is none.</summary>
    public static Pitch PitchOf(string field, string text)
    {
        try
        {
            return Pitch.Parse(Text(field, text, 10));
        }
        catch (FormatException problem)
        {
            throw new FieldException(field, problem.Message);
        }
    }

    /// <summary>A tempo, or null for none.</summary>
    public static int? Tempo(string field, int? tempo) =>
        tempo is < Bpm.Slowest or > Bpm.Fastest
            ? throw new FieldException(field, $"A tempo is {Bpm.Slowest} to {Bpm.Fastest} beats a minute; {tempo} is not.")
            : tempo;

    public static void Check(IReadOnlyList<(string Field, string Problem)> problems)
    {
        if (problems.Count > 0)
            throw new FieldException(problems[0].Field, problems[0].Problem);
    }

    public static void Use(WebApplication app)
    {
        // A value of an address that cannot be read is refused before there is an exception to tell of.
        app.UseStatusCodePages(pages =>
            pages.HttpContext.Response.StatusCode == StatusCodes.Status400BadRequest
                ? WriteAsync(
                    pages.HttpContext,
                    StatusCodes.Status400BadRequest,
                    "request",
                    "A value of this address cannot be read. Write numbers with digits, days like 2031-05-14, and the rest as documented."
                )
                : Task.CompletedTask
        );
        app.UseExceptionHandler(
            new ExceptionHandlerOptions
            {
                ExceptionHandler = AnswerAsync,
                // What the asker can mend is told to the asker; the log is for what went wrong here.
                SuppressDiagnosticsCallback = failure =>
                    InTrouble(failure.HttpContext, failure.Exception) is not null
                    || Read(failure.Exception).Status != StatusCodes.Status500InternalServerError,
            }
        );
    }

    private static async Task AnswerAsync(HttpContext context)
    {
        var error = context.Features.Get<IExceptionHandlerFeature>()?.Error;
        var (status, field, detail) = InTrouble(context, error) ?? Read(error);
        if (status == StatusCodes.Status500InternalServerError && BrokenRow(context) is { } row)
            (status, field, detail) = (StatusCodes.Status503ServiceUnavailable, "row", row);
        await WriteAsync(context, status, field, detail);
    }

    private static Task WriteAsync(HttpContext context, int status, string field, string detail)
    {
        context.Response.StatusCode = status;
        var problem = new ProblemDetails
        {
            Status = status,
            Title = Title(status),
            Detail = detail,
        };
        problem.Extensions["errors"] = new Dictionary<string, string[]>(StringComparer.Ordinal) { [field] = [detail] };
        return context.Response.WriteAsJsonAsync(problem, (JsonSerializerOptions?)null, "application/problem+json");
    }

    /// <summary>
    /// The file or its disk is in trouble: one sentence for the player; a file that was damaged or lost while it was used is looked at
    /// anew.
    /// </summary>
    private static (int Status, string Field, string Detail)? InTrouble(HttpContext context, Exception? error)
    {
        if (error is FieldException or BadHttpRequestException or OperationCanceledException)
            return null;
        var ledger = context.RequestServices.GetRequiredService<Ledger>();
        var book = ledger.Of(context);
        if (TroubleException.Of(error, ledger.PathOf(book)) is not { } trouble)
            return null;
        if (error is not TroubleException && trouble.Kind is TroubleKind.Damaged or TroubleKind.Missing)
            ledger.LookAgain(book);
        return (
            trouble.Kind == TroubleKind.NoRoom ? StatusCodes.Status507InsufficientStorage : StatusCodes.Status503ServiceUnavailable,
            "file",
            trouble.Message
        );
    }

    /// <summary>Where something failed that nobody foresaw: whether a row of the book is the cause, in a sentence; else null.</summary>
    private static string? BrokenRow(HttpContext context)
    {
        try
        {
            var ledger = context.RequestServices.GetRequiredService<Ledger>();
            return BookCheck.FirstOf(ledger.PathOf(ledger.Of(context)), context.RequestAborted) is { } fault
                ? $"In your book {fault.Words}. Set up, Backups shows it and can take it out, or puts a backup in the place of the book."
                : null;
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            // The failure that led here is what is told.
            return null;
        }
    }

    private static (int Status, string Field, string Detail) Read(Exception? error) =>
        error switch
        {
            FieldException problem => (problem.Status, problem.Field, problem.Message),
            PlanException plan => (StatusCodes.Status400BadRequest, plan.Field, plan.Message),
            DbUpdateConcurrencyException => (
                StatusCodes.Status409Conflict,
                "version",
                "This was changed in another window. Reload it and try again; nothing was overwritten."
            ),
            BadHttpRequestException { InnerException: JsonException json } when Missing(json) is { Count: > 0 } names => (
                StatusCodes.Status400BadRequest,
                names[0],
                $"The request lacks {Words.List(names)}. Send all the documented fields."
            ),
            BadHttpRequestException { InnerException: JsonException json } => (
                StatusCodes.Status400BadRequest,
                FieldOf(json.Path),
                "This part of the request could not be read. Send valid JSON with the documented fields."
            ),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => (
                StatusCodes.Status413PayloadTooLarge,
                "request",
                "There is more in this request than is taken here at once. Send less of it at a time; nothing was changed."
            ),
            BadHttpRequestException bad => (
                bad.StatusCode,
                "request",
                "The request could not be read. Send valid JSON with the documented fields."
            ),
            _ => (
                StatusCodes.Status500InternalServerError,
                "server",
                "Something went wrong here. Reload the page to see what was kept; if it stays, look into the log."
            ),
        };

    private static string FieldOf(string? path) =>
        string.IsNullOrEmpty(path) || path == "$" ? "request" : path.Replace("$.", "", StringComparison.Ordinal);

    /// <summary>The fields that the reader missed, which it names only in its message, in quotes.</summary>
    private static List<string> Missing(JsonException json) =>
        json.Message.Contains("missing required properties", StringComparison.Ordinal)
            ?
            [
                .. json.Message[json.Message.IndexOf("including", StringComparison.Ordinal)..]
                    .Split('\'')
                    .Where((_, place) => place % 2 == 1),
            ]
            : [];

    private static string Title(int status) =>
        status switch
        {
            StatusCodes.Status404NotFound => "Not there",
            StatusCodes.Status409Conflict => "Changed elsewhere",
            StatusCodes.Status503ServiceUnavailable or StatusCodes.Status507InsufficientStorage => "The file cannot be used",
            StatusCodes.Status500InternalServerError => "Failed",
            _ => "Cannot be done as asked",
        };
}
