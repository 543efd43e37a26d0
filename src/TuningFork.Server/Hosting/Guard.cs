using System.Security.Cryptography;
using Microsoft.AspNetCore.Mvc;
using TuningFork.Server.Hosting.House;

namespace TuningFork.Server.Hosting;

/// <summary>
/// Only this machine, by its own names, and only this page: foreign hosts and origins are refused, and the page may load nothing from
/// elsewhere.
/// </summary>
public static class Guard
{
    private const string NoncePlace = "__nonce__";
    private const string StartPlace = "__start__";

    public static void Use(WebApplication app, HouseDoor door) =>
        app.Use(
            async (context, next) =>
            {
                // Set when the answer starts: a refusal begins its answer anew and would lose what was set before.
                context.Response.OnStarting(() =>
                {
                    var headers = context.Response.Headers;
                    headers.XContentTypeOptions = "nosniff";
                    if (headers["Referrer-Policy"].Count == 0)
                        headers["Referrer-Policy"] = "no-referrer";
                    headers["Permissions-Policy"] =
                        "microphone=(self), midi=(self), screen-wake-lock=(self), camera=(), geolocation=(), payment=(), usb=()";
                    headers["Cross-Origin-Opener-Policy"] = "same-origin";
                    headers["Cross-Origin-Resource-Policy"] = "same-origin";
                    if (headers.ContentSecurityPolicy.Count == 0)
                        headers.ContentSecurityPolicy = Policy(null);
                    return Task.CompletedTask;
                });
                // Other sites neither read nor write here, whatever they leave out; a link to the page itself is followed.
                var foreign =
                    context.Request.Headers["Sec-Fetch-Site"] == "cross-site"
                    && context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal);
                var origin = context.Request.Headers.Origin.ToString();
                var here = $"{context.Request.Scheme}://{context.Request.Host}";
                if (
                    foreign
                    || !(IsLoopback(context.Request.Host.Host) || IsInTheHouse(context, door))
                    || (origin.Length > 0 && !string.Equals(origin, here, StringComparison.OrdinalIgnoreCase))
                )
                {
                    context.Response.StatusCode = StatusCodes.Status403Forbidden;
                    await context.Response.WriteAsJsonAsync(
                        new ProblemDetails
                        {
                            Status = 403,
                            Title = "Refused",
                            Detail = "Open the program at the address it printed.",
                        },
                        (System.Text.Json.JsonSerializerOptions?)null,
                        "application/problem+json"
                    );
                    return;
                }

                await next(context);
            }
        );

    /// <summary>The page itself, with a fresh nonce for its style sheets on every request.</summary>
    /// <param name="app">The program.</param>
    /// <param name="start">The book it was started with by name; null where each browser shows the one it showed last.</param>
    public static void MapPage(WebApplication app, Book? start)
    {
        var file = Path.Combine(app.Environment.WebRootPath ?? "", "index.html");
        // Both are plain: what is bound when the program is built has no lower rank than other addresses.
        app.MapFallback(
            // With a dot in it too, which without a pattern would be a file.
            "/api/{**path}",
            Task (HttpContext _) =>
                throw new FieldException(
                    "path",
                    "There is no such address. See /openapi/v1.json for those there are.",
                    StatusCodes.Status404NotFound
                )
        );
        app.MapFallback((HttpContext context) => Page(context, file, start).ExecuteAsync(context));
    }

    private static IResult Page(HttpContext context, string file, Book? start)
    {
        if (!File.Exists(file))
            return Results.Text("The front end is not built. Start the program with ./run.", "text/plain", statusCode: 503);
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
        context.Response.Headers.ContentSecurityPolicy = Policy(nonce);
        context.Response.Headers.CacheControl = "no-store";
        return Results.Content(
            File.ReadAllText(file)
                .Replace(NoncePlace, nonce, StringComparison.Ordinal)
                .Replace(StartPlace, $"{start}", StringComparison.Ordinal),
            "text/html; charset=utf-8"
        );
    }

    private static bool IsInTheHouse(HttpContext context, HouseDoor door) =>
        door.IsComingIn(context) && HouseNames.IsThis(context.Request.Host.Host, context.Connection.LocalIpAddress);

    private static bool IsLoopback(string host) =>
        host is "127.0.0.1" or "[::1]" || string.Equals(host, "localhost", StringComparison.OrdinalIgnoreCase);

    private static string Policy(string? nonce) =>
        $"default-src 'none'; script-src 'self'; style-src 'self'{(nonce is null ? "" : $" 'nonce-{nonce}'")}; font-src 'self'; img-src 'self' data:; media-src 'self' blob:; frame-src 'self'; "
        + "connect-src 'self'; worker-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
}
