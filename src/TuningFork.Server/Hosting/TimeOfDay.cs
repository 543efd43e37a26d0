using System.Globalization;

namespace TuningFork.Server.Hosting;

/// <summary>Times of day as they are typed and shown: "7:30", "18:05".</summary>
internal static class TimeOfDay
{
    private static readonly string[] Forms = ["HH:mm", "H:mm"];

    /// <summary>The time that was typed; null where it is none.</summary>
    public static TimeOnly? Read(string? text) =>
        TimeOnly.TryParseExact(text?.Trim(), Forms, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time) ? time : null;

    /// <summary>"18:05".</summary>
    public static string Say(TimeOnly time) => time.ToString("HH:mm", CultureInfo.InvariantCulture);
}
