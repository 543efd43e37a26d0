using TuningFork.Core.Planning;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Hosting;

/// <summary>Now, and the practice day it belongs to.</summary>
public sealed class PracticeClock(TimeProvider time)
{
    public DateTime UtcNow => time.GetUtcNow().UtcDateTime;

    public DateTimeOffset LocalNow => time.GetLocalNow();

    public TimeZoneInfo Zone => time.LocalTimeZone;

    /// <summary>A moment of the file, which does not say that its times are those of Greenwich, by the clock on the wall.</summary>
    public DateTime Local(DateTime utc) => TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), Zone);

    public DateOnly Today(ProfileRow profile) => PracticeDay.Of(time.GetUtcNow(), time.LocalTimeZone, profile.BoundaryHour);
}
