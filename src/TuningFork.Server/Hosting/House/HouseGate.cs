using System.Net;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.Mvc;

namespace TuningFork.Server.Hosting.House;

/// <summary>On an address that answers on this machine only, not to devices in the house.</summary>
public sealed record OnlyHere;

/// <summary>Whether, and where, the program listens to devices in the house.</summary>
/// <param name="Port">The port; null where it does not.</param>
/// <param name="Fingerprint">That of its certificate.</param>
public sealed record HouseDoor(int? Port, string Fingerprint)
{
    /// <summary>Whether a request came in from the house, not from this machine's own address.</summary>
    public bool IsComingIn(HttpContext context) => Port is { } port && context.Connection.LocalPort == port;
}

/// <summary>
/// Stands before everything that comes in from the house: who was not paired sees the page for pairing and nothing else, and not often.
/// </summary>
public sealed class HouseGate(Devices devices) : IDisposable
{
    /// <summary>With this beginning browsers take it from this very address alone, over HTTPS.</summary>
    private const string Cookie = "__Host-device";
    private const string Way = "/pair";

    /// <summary>As long as browsers keep one; it is renewed while the device is used.</summary>
    private static readonly TimeSpan CookieLife = TimeSpan.FromDays(400);

    /// <summary>Strangers: pages a minute from one address, and tries of a code. Paired devices: requests in ten seconds.</summary>
    private const int StrangerPages = 30;
    private const int StrangerTries = 6;
    private const int GuestRequests = 1000;

    private readonly PartitionedRateLimiter<(IPAddress, string)> limits = PartitionedRateLimiter.Create<
        (IPAddress, string),
        (IPAddress, string)
    >(who => RateLimitPartition.GetFixedWindowLimiter(who, one => new FixedWindowRateLimiterOptions
        {
            PermitLimit = one.Item2 switch
            {
                "page" => StrangerPages,
                "try" => StrangerTries,
                _ => GuestRequests,
            },
            Window = TimeSpan.FromSeconds(one.Item2 is "page" or "try" ? 60 : 10),
        }));

    public static void Use(WebApplication app, HouseDoor door, HouseGate gate) =>
        app.Use((context, next) => door.IsComingIn(context) ? gate.PassAsync(context, next) : next(context));

    public void Dispose() => limits.Dispose();

    private async Task PassAsync(HttpContext context, RequestDelegate next)
    {
        // A machine may have an address that the whole world can ask: it gets no answer.
        if (context.Connection.RemoteIpAddress is not { } device || !HouseNames.IsNear(device))
        {
            context.Abort();
            return;
        }

        var secret = context.Request.Cookies[Cookie];
        if (devices.Of(secret) is { } known)
        {
            if (!Allowed(context, "guest"))
                await Refuse(context, StatusCodes.Status429TooManyRequests, "That was too much at once. Wait ten seconds.");
            else if (context.GetEndpoint()?.Metadata.GetMetadata<OnlyHere>() is not null)
                await Refuse(context, StatusCodes.Status403Forbidden, "This is done on the machine on which the program runs.");
            else
            {
                if (HttpMethods.IsGet(context.Request.Method) && context.Request.Path == "/")
                    Keep(context, secret!);
                // What it has open ends with it.
                await using var line = devices.WhenRemoved(known.Id).Register(context.Abort);
                await next(context);
            }

            return;
        }

        if (context.Request.Path == Way && HttpMethods.IsPost(context.Request.Method))
            await PairAsync(context);
        else if (!Allowed(context, "page"))
            await Refuse(context, StatusCodes.Status429TooManyRequests, "That was too often. Wait a minute.");
        else if (context.Request.Path == Way && HttpMethods.IsGet(context.Request.Method))
            await PairingPage.WriteAsync(context, context.Request.Query["code"].ToString(), "");
        else if (
            HttpMethods.IsGet(context.Request.Method)
            && context.Request.Headers.Accept.ToString().Contains("text/html", StringComparison.Ordinal)
        )
            context.Response.Redirect(Way);
        else
            await Refuse(context, StatusCodes.Status403Forbidden, "This device is not paired. Open the address in a browser and pair it.");
    }

    private async Task PairAsync(HttpContext context)
    {
        if (!Allowed(context, "try"))
        {
            await Refuse(context, StatusCodes.Status429TooManyRequests, "That was too often. Wait a minute, and make a new code.");
            return;
        }

        var form = await FormAsync(context);
        var code = form?["code"].ToString() ?? "";
        if (devices.Pair(code, form?["name"].ToString() ?? "") is not { } secret)
        {
            context.Response.StatusCode = StatusCodes.Status403Forbidden;
            await PairingPage.WriteAsync(
                context,
                "",
                "This code does not count, or not any more. Make a new one on the page Set up, Devices, and type it here."
            );
            return;
        }

        Keep(context, secret);
        context.Response.Redirect("/");
    }

    /// <summary>What was typed; none where it cannot be read: a stranger's mistake is no fault of this program.</summary>
    private static async Task<IFormCollection?> FormAsync(HttpContext context)
    {
        try
        {
            return context.Request.HasFormContentType ? await context.Request.ReadFormAsync(context.RequestAborted) : null;
        }
        catch (Exception problem) when (problem is InvalidDataException or BadHttpRequestException or IOException)
        {
            return null;
        }
    }

    private bool Allowed(HttpContext context, string what)
    {
        using var lease = limits.AttemptAcquire((context.Connection.RemoteIpAddress ?? IPAddress.None, what));
        return lease.IsAcquired;
    }

    private static void Keep(HttpContext context, string secret) =>
        context.Response.Cookies.Append(
            Cookie,
            secret,
            new CookieOptions
            {
                Secure = true,
                HttpOnly = true,
                SameSite = SameSiteMode.Strict,
                Path = "/",
                MaxAge = CookieLife,
            }
        );

    private static Task Refuse(HttpContext context, int status, string detail)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(
            new ProblemDetails
            {
                Status = status,
                Title = "Refused",
                Detail = detail,
            },
            (System.Text.Json.JsonSerializerOptions?)null,
            "application/problem+json"
        );
    }
}
