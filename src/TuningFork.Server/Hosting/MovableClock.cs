namespace TuningFork.Server.Hosting;

/// <summary>The machine's clock, which tests may set; it runs on from there.</summary>
public sealed class MovableClock : TimeProvider
{
    private static readonly TimeSpan ZoneLasts = TimeSpan.FromMinutes(1);

    private long offsetTicks;
    private long zoneRead = Environment.TickCount64;

    /// <summary>
    /// The machine's zone, looked up anew every minute: a laptop that has travelled is where it is now, without a new start.
    /// </summary>
    public override TimeZoneInfo LocalTimeZone
    {
        get
        {
            var now = Environment.TickCount64;
            if (now - Interlocked.Read(ref zoneRead) > ZoneLasts.TotalMilliseconds)
            {
                Interlocked.Exchange(ref zoneRead, now);
                TimeZoneInfo.ClearCachedData();
            }

            return TimeZoneInfo.Local;
        }
    }

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow().AddTicks(Interlocked.Read(ref offsetTicks));

    public void Set(DateTimeOffset now) => Interlocked.Exchange(ref offsetTicks, (now - base.GetUtcNow()).Ticks);
}

/// <summary>Asked and answered: what time it is.</summary>
/// <param name="Now">A moment with its offset from UTC.</param>
public sealed record ClockView(DateTimeOffset Now);

/// <summary>Only there when the server was started with --testing.</summary>
public static class TestingEndpoints
{
    public static void Map(WebApplication app, MovableClock clock)
    {
        app.MapPut("/api/testing/clock", (ClockView wish) =>
            {
                clock.Set(wish.Now);
                return new ClockView(clock.GetLocalNow());
            })
            .ExcludeFromDescription();
    }
}
