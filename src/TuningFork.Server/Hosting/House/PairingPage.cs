using System.Net;
using System.Security.Cryptography;

namespace TuningFork.Server.Hosting.House;

/// <summary>
/// The one page that a device sees before it is paired. It needs no script and fetches nothing; its colours are those of the theme
/// (web/src/theme/colours.ts).
/// </summary>
internal static class PairingPage
{
    public static Task WriteAsync(HttpContext context, string code, string problem)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
        context.Response.Headers.ContentSecurityPolicy =
            $"default-src 'none'; style-src 'nonce-{nonce}'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        // A form on a page without referrer is sent with the origin "null", which is refused as foreign.
        context.Response.Headers["Referrer-Policy"] = "same-origin";
        context.Response.Headers.CacheControl = "no-store";
        context.Response.ContentType = "text/html; charset=utf-8";
        var digits = WebUtility.HtmlEncode(string.Concat(code.Where(char.IsAsciiDigit).Take(8)));
        return context.Response.WriteAsync(
            $$"""
            <!doctype html>
            <html lang="en">
            <head>
            <meta charset="utf-8">
            <meta name="viewport" content="width=device-width, initial-scale=1">
            <title>Pair this device · Tuning Fork</title>
            <style nonce="{{nonce}}">
            body { margin: 0; padding: 32px 24px; background: #f5f0e4; color: #1e2230; font: 18px/1.5 system-ui, sans-serif }
            main { max-width: 30em; margin: 0 auto }
            h1 { font: 700 32px/1.2 Georgia, serif }
            label { display: block; margin-top: 20px }
            input { display: block; box-sizing: border-box; width: 100%; min-height: 52px; padding: 0 14px; font: inherit; color: inherit; background: #fbf8f0; border: 1px solid #8b8371; border-radius: 8px }
            button { margin-top: 28px; min-height: 52px; padding: 0 24px; font: inherit; font-weight: 700; color: #fbf8f0; background: #1e2230; border: 0; border-radius: 8px }
            [role=alert] { color: #a32a1a; font-weight: 600 }
            </style>
            </head>
            <body>
            <main>
            <h1>Pair this device</h1>
            <p>The code stands on the machine on which the program runs: Set up, Devices.</p>
            {{(problem.Length > 0 ? $"<p role=\"alert\">{WebUtility.HtmlEncode(problem)}</p>" : "")}}
            <form method="post" action="/pair">
            <label>Code <input name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="12" required value="{{digits}}"></label>
            <label>What is this device called? <input name="name" maxlength="60" placeholder="the tablet on the stand"></label>
            <button>Pair it</button>
            </form>
            </main>
            </body>
            </html>
            """,
            context.RequestAborted
        );
    }
}
