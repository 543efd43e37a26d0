using System.Globalization;
using System.Text.RegularExpressions;
using TuningFork.Core.Practice;

namespace TuningFork.Core.LookingBack;

/// <summary>What a column of an earlier log tells.</summary>
public enum LogColumn
{
    /// <summary>The day.</summary>
    Date,

    /// <summary>How long it was practised.</summary>
    Minutes,

    /// <summary>What was practised.</summary>
    What,

    /// <summary>The area: scales, pieces, reading.</summary>
    Area,

    /// <summary>What was written about it.</summary>
    Note,

    /// <summary>Clicks a minute.</summary>
    Tempo,
}

/// <summary>In which order a date of three numbers is written.</summary>
public enum DateOrder
{
    /// <summary>14/5/2031.</summary>
    DayFirst,

    /// <summary>5/14/2031.</summary>
    MonthFirst,
}

/// <summary>Reads what people wrote into logs of practice before: days, durations, areas, and what a column is called.</summary>
public static partial class EarlierLogs
{
    /// <summary>Longest time of one line, in minutes.</summary>
    public const int MostMinutes = 720;

    /// <summary>The year before which no line lies.</summary>
    private const int FirstYear = 1900;

    private const int MinutesAnHour = 60;
    private const int SecondsAMinute = 60;

    private static readonly string[] InWords =
    [
        "d MMM yyyy",
        "d MMMM yyyy",
        "MMM d, yyyy",
        "MMMM d, yyyy",
        "MMM d yyyy",
        "MMMM d yyyy",
        "ddd d MMM yyyy",
        "dddd, d MMMM yyyy",
        "dddd, MMMM d, yyyy",
    ];

    /// <summary>Words in the heads of columns (everyday speech, from memory).</summary>
    private static readonly (LogColumn Column, string[] Words)[] Heads =
    [
        (LogColumn.Date, ["date", "day", "when", "datum"]),
        (LogColumn.Minutes, ["minutes", "min", "mins", "duration", "time", "length", "hours", "seconds", "dauer"]),
        (LogColumn.Area, ["area", "category", "type", "kind", "section"]),
        (LogColumn.What, ["what", "piece", "title", "item", "exercise", "activity", "task", "material", "name", "worked"]),
        (LogColumn.Note, ["note", "notes", "comment", "comments", "remarks", "text", "journal"]),
        (LogColumn.Tempo, ["tempo", "bpm", "metronome", "speed"]),
    ];

    /// <summary>Words that tell an area (everyday speech, from memory); the first that is found counts.</summary>
    private static readonly (Area Area, string[] Words)[] Told =
    [
        (Area.WarmUp, ["warm"]),
        (Area.SightReading, ["sight", "reading"]),
        (Area.Ear, ["ear", "aural", "dictation", "listening", "solf"]),
        (
            Area.Technique,
            ["techni", "scale", "arpeggio", "exercise", "etude", "étude", "study", "studies", "rudiment", "long tone", "chord"]
        ),
        (Area.Play, ["improv", "play along", "jam", "fun", "free", "play"]),
        (Area.Repertoire, ["repertoire", "piece", "song", "tune", "music", "concert"]),
    ];

    /// <summary>What a column tells by its head; null where the head does not say it.</summary>
    /// <param name="head">Its head, like "Duration (min)".</param>
    public static LogColumn? ColumnOf(string head)
    {
        ArgumentNullException.ThrowIfNull(head);
        var words = Word().Matches(head.ToLowerInvariant()).Select(match => match.Value).ToHashSet(StringComparer.Ordinal);
        foreach (var (column, known) in Heads)
        {
            if (words.Overlaps(known))
                return column;
        }

        return null;
    }

    /// <summary>Minutes to which a bare number in a column amounts: an hour is 60, a second 1/60; by its head.</summary>
    /// <param name="head">Its head.</param>
    public static double UnitOf(string head)
    {
        ArgumentNullException.ThrowIfNull(head);
        return head.Contains("hour", StringComparison.OrdinalIgnoreCase) ? MinutesAnHour
            : head.Contains("sec", StringComparison.OrdinalIgnoreCase) ? 1.0 / SecondsAMinute
            : 1;
    }

    /// <summary>The order of days and months that all dates of a column allow; null where they allow both.</summary>
    /// <param name="dates">The dates as they were written.</param>
    public static DateOrder? OrderOf(IEnumerable<string> dates)
    {
        var parts = dates.Select(date => Numbers().Match(date.Trim())).Where(match => match.Success).ToList();
        int Part(Match match, string name) => int.Parse(match.Groups[name].Value, CultureInfo.InvariantCulture);
        const int months = 12;
        // With points the day stands first wherever points are used (ISO 8601 apart; common practice).
        if (parts.Any(match => match.Groups["sign"].Value == "." || Part(match, "first") > months))
            return DateOrder.DayFirst;
        return parts.Any(match => Part(match, "second") > months) ? DateOrder.MonthFirst : null;
    }

    /// <summary>A day as people write it: 2031-05-14, 14.5.2031, 14/5/31, May 14, 2031; a time behind it is passed over.</summary>
    /// <param name="text">What was written.</param>
    /// <param name="order">The order of day and month where both are numbers.</param>
    /// <param name="day">The day.</param>
    public static bool TryDate(string text, DateOrder order, out DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(text);
        text = text.Trim();
        if (
            text.Length >= 10
            && DateOnly.TryParseExact(text[..10], ["yyyy-MM-dd", "yyyy/MM/dd"], CultureInfo.InvariantCulture, DateTimeStyles.None, out day)
        )
            return day.Year >= FirstYear;
        if (Numbers().Match(text) is { Success: true } match)
        {
            var (first, second) = (match.Groups["first"].Value, match.Groups["second"].Value);
            var year = match.Groups["year"].Value;
            var (dayPart, month) = order == DateOrder.DayFirst ? (first, second) : (second, first);
            return DateOnly.TryParseExact(
                    $"{(year.Length == 2 ? "20" + year : year)}-{month.PadLeft(2, '0')}-{dayPart.PadLeft(2, '0')}",
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out day
                )
                && day.Year >= FirstYear;
        }

        return DateOnly.TryParseExact(text, InWords, CultureInfo.InvariantCulture, DateTimeStyles.AllowWhiteSpaces, out day)
            && day.Year >= FirstYear;
    }

    /// <summary>A duration as people write it: 25, 25.5, 25 min, 1:05 (hours and minutes), 1:05:30, 1 h 5 m, 90 s.</summary>
    /// <param name="text">What was written.</param>
    /// <param name="unit">Minutes to which a bare number amounts, as of <see cref="UnitOf"/>.</param>
    /// <param name="minutes">Minutes, more than 0, at most <see cref="MostMinutes"/>.</param>
    public static bool TryMinutes(string text, double unit, out double minutes)
    {
        ArgumentNullException.ThrowIfNull(text);
        minutes = 0;
        text = text.Trim().ToLowerInvariant();
        if (Clock().Match(text) is { Success: true } clock)
            minutes = (Part(clock, "hours") * MinutesAnHour) + Part(clock, "minutes") + (Part(clock, "seconds") / SecondsAMinute);
        else if (Said().Match(text) is { Success: true } said && said.Length > 0)
            minutes = (Part(said, "hours") * MinutesAnHour) + Part(said, "minutes") + (Part(said, "seconds") / SecondsAMinute);
        else if (double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number))
            minutes = number * unit;
        return minutes is > 0 and <= MostMinutes;

        static double Part(Match match, string name) =>
            match.Groups[name] is { Success: true } group
                ? double.Parse(group.Value.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture)
                : 0;
    }

    /// <summary>The area that words tell; null where they tell none.</summary>
    /// <param name="words">"Scales", "sight-reading", "Mill Song".</param>
    public static Area? AreaOf(string words)
    {
        ArgumentNullException.ThrowIfNull(words);
        foreach (var (area, known) in Told)
        {
            if (known.Any(word => words.Contains(word, StringComparison.OrdinalIgnoreCase)))
                return area;
        }

        return null;
    }

    [GeneratedRegex("[a-zé]+", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Word();

    [GeneratedRegex(
        "^(?<first>[0-9]{1,2})(?<sign>[./-])(?<second>[0-9]{1,2})[./-](?<year>[0-9]{4}|[0-9]{2})(?![0-9])",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Numbers();

    [GeneratedRegex(
        "^(?<hours>[0-9]{1,2}):(?<minutes>[0-5][0-9])(:(?<seconds>[0-5][0-9]))?$",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Clock();

    [GeneratedRegex(
        "^(?=.*[a-z'])((?<hours>[0-9]+([.,][0-9]+)?) ?h(ours?|rs?)?)? ?((?<minutes>[0-9]+([.,][0-9]+)?) ?(m(in(ute)?s?)?|')\\.?)? ?((?<seconds>[0-9]+) ?s(ec(ond)?s?)?)?$",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Said();
}
