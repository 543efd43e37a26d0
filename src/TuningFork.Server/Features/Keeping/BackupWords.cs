using System.Globalization;
using TuningFork.Core.Practice;
using TuningFork.Data.Keeping;

namespace TuningFork.Server.Features.Keeping;

/// <summary>Says what a backup is and what would be missing with it; the page and the console say the same.</summary>
public static class BackupWords
{
    /// <summary>"Wed 14 May 2031, 18:00".</summary>
    public static string When(Backup backup, TimeZoneInfo zone) =>
        TimeZoneInfo.ConvertTimeFromUtc(backup.TakenUtc, zone).ToString("ddd d MMM yyyy, HH:mm", CultureInfo.InvariantCulture);

    /// <summary>Why it was made.</summary>
    public static string Why(BackupKind kind) =>
        kind switch
        {
            BackupKind.Daily => "of that day",
            BackupKind.BeforeUpgrade => "before the program was brought up to date",
            BackupKind.BeforeRestore => "before another one took its place or was added",
            _ => "made by you",
        };

    /// <summary>"42 sessions, 310 takes, 18 notes, 12 things to practise; last played Tue 13 May".</summary>
    public static string Holds(Contents? contents) =>
        contents is null
            ? "It cannot be read."
            : Counts(contents.Sessions, contents.Takes, contents.Notes, contents.Materials)
                + (contents.LastDay is { } day ? string.Create(CultureInfo.InvariantCulture, $"; last session {day:ddd d MMM yyyy}") : "");

    /// <summary>What is in the file now and would not be there any more.</summary>
    public static string Missing(Backup backup, Contents? now, TimeZoneInfo zone)
    {
        if (backup.Contents is not { } then)
            return "It cannot take the place of your book.";
        if (now is null)
            return $"What was played and written after {When(backup, zone)} would be missing.";
        if (now.IsEmpty)
            return "Your book is empty: nothing would be missing.";
        var less = Counts(
            Math.Max(0, now.Sessions - then.Sessions),
            Math.Max(0, now.Takes - then.Takes),
            Math.Max(0, now.Notes - then.Notes),
            Math.Max(0, now.Materials - then.Materials)
        );
        return less.Length == 0 ? "It holds as much as your book does now." : $"Missing with it: {less}.";
    }

    private static string Counts(int sessions, int takes, int notes, int materials) =>
        string.Join(
            ", ",
            new[]
            {
                sessions > 0 ? Words.Count(sessions, "session") : "",
                takes > 0 ? Words.Count(takes, "take") : "",
                notes > 0 ? Words.Count(notes, "note") : "",
                materials > 0
                    ? materials == 1
                        ? "1 thing to practise"
                        : $"{materials} things to practise"
                    : "",
            }.Where(part => part.Length > 0)
        );
}
