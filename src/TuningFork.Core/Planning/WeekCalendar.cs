using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>A day, or a stretch of days, that is not as its weekdays are.</summary>
/// <param name="From">First day.</param>
/// <param name="Until">Last day.</param>
/// <param name="Kind">Why.</param>
/// <param name="Minutes">Minutes of each of these days, 0 for none.</param>
/// <param name="Text">One's own words, or empty.</param>
public sealed record DayOff(DateOnly From, DateOnly Until, DayOffKind Kind, int Minutes, string Text)
{
    /// <summary>Whether a day lies in it.</summary>
    public bool Holds(DateOnly day) => day >= From && day <= Until;

    /// <summary>Why, in a word or one's own.</summary>
    public string Name =>
        Text.Length > 0
            ? Text
            : Kind switch
            {
                DayOffKind.Holiday => "Holiday",
                DayOffKind.LateShift => "Late shift",
                DayOffKind.Rehearsal => "Rehearsal",
                DayOffKind.Visit => "Visit",
                _ => "Other plans",
            };
}

/// <summary>
/// The minutes of each single day: those of its weekday, where it is not an exception, and nobody has moved minutes to it or away.
/// </summary>
/// <param name="week">Minutes set for the seven weekdays from Monday.</param>
/// <param name="daysOff">Exceptions; they do not overlap.</param>
/// <param name="moved">Minutes of days that were set by hand.</param>
public sealed class WeekCalendar(IReadOnlyList<int> week, IReadOnlyList<DayOff> daysOff, IReadOnlyDictionary<DateOnly, int> moved)
{
    /// <summary>Minutes are moved in steps of so many.</summary>
    public const int Step = 5;

    /// <summary>By so much of its own minutes a day may grow when a missed one is spread (common practice: within limits).</summary>
    private const double MostMore = 0.25;

    /// <summary>A day is missed when less than this part of its minutes was played.</summary>
    private const double MissedPart = 0.25;

    /// <summary>A day missed longer ago is let go.</summary>
    private const int MissedDays = 3;

    /// <summary>Days over which a missed one is spread.</summary>
    private const int SpreadDays = 6;

    /// <summary>A day of so many times the usual minutes is long (common practice).</summary>
    private const double Long = 3;

    /// <summary>Minutes that a day has.</summary>
    public int MinutesOn(DateOnly day) => moved.TryGetValue(day, out var minutes) ? minutes : Usual(day);

    /// <summary>Whether its minutes were moved by hand.</summary>
    public bool IsMoved(DateOnly day) => moved.ContainsKey(day) && moved[day] != Usual(day);

    /// <summary>The exception that a day is; null for an ordinary one.</summary>
    public DayOff? Off(DateOnly day) => daysOff.FirstOrDefault(one => one.Holds(day));

    /// <summary>Minutes of a day before anything was moved.</summary>
    private int Usual(DateOnly day) => Off(day)?.Minutes ?? week[PracticeDay.Weekday(day)];

    /// <summary>Moves minutes from one day to another: the sum stays as it is.</summary>
    /// <param name="from">The day that gives.</param>
    /// <param name="to">The day that takes.</param>
    /// <param name="minutes">Minutes, above 0.</param>
    /// <returns>The minutes of both days.</returns>
    /// <exception cref="PlanException">A day would have less than nothing, too little for a sitting, or more than one holds.</exception>
    public (int From, int To) Move(DateOnly from, DateOnly to, int minutes)
    {
        var (left, taken) = (MinutesOn(from) - minutes, MinutesOn(to) + minutes);
        if (minutes <= 0)
            throw new PlanException("minutes", "Move one minute or more.");
        if (from == to)
            throw new PlanException("to", "Choose another day to move them to.");
        if (left < 0)
            throw new PlanException("minutes", $"That day has {Words.Minutes(MinutesOn(from))}; move no more than those.");
        if (left is > 0 and < SittingLength.Least)
            throw new PlanException("minutes", $"{Words.Minutes(left)} would be left, too few to play. Move all {MinutesOn(from)}.");
        if (taken is < SittingLength.Least or > SittingLength.Most)
            throw new PlanException(
                "to",
                $"That day would have {Words.Minutes(taken)}; a day holds {SittingLength.Least} to {SittingLength.Most}."
            );
        return (left, taken);
    }

    /// <summary>
    /// What becomes of a day that was missed lately: its minutes spread over the coming days on which one plays, none of them by more
    /// than a quarter of its own; what does not fit is let go.
    /// </summary>
    /// <param name="today">The practice day; it takes its part.</param>
    /// <param name="played">Minutes by day.</param>
    /// <param name="begun">The first day of the book: days before it were not missed.</param>
    /// <returns>Null where nothing was missed, or nothing can be spread.</returns>
    public SpreadDay? Spread(DateOnly today, IReadOnlyDictionary<DateOnly, double> played, DateOnly begun)
    {
        ArgumentNullException.ThrowIfNull(played);
        var missed = Enumerable
            .Range(1, MissedDays)
            .Select(back => today.AddDays(-back))
            .FirstOrDefault(day =>
                day >= begun && MinutesOn(day) >= SittingLength.Least && played.GetValueOrDefault(day) < MinutesOn(day) * MissedPart
            );
        if (missed == default)
            return null;
        var left = MinutesOn(missed) - (int)played.GetValueOrDefault(missed);
        var more = new Dictionary<DateOnly, int>();
        for (var ahead = 0; ahead < SpreadDays && left >= Step; ahead++)
        {
            var day = today.AddDays(ahead);
            // What was spread or moved already is not spread upon again.
            if (MinutesOn(day) < SittingLength.Least || IsMoved(day))
                continue;
            var room = Math.Min((int)(MinutesOn(day) * MostMore / Step) * Step, SittingLength.Most - MinutesOn(day));
            var taken = Math.Min(room, left / Step * Step);
            if (taken <= 0)
                continue;
            more[day] = MinutesOn(day) + taken;
            left -= taken;
        }

        return more.Count == 0 ? null : new SpreadDay(missed, MinutesOn(missed) - left, left, more);
    }

    /// <summary>What to say of a day that is far longer than usual; empty for all others.</summary>
    /// <param name="minutes">Minutes of the day.</param>
    public string SayLong(int minutes)
    {
        var usual = week.Where(one => one > 0).DefaultIfEmpty().Average();
        return usual > 0 && minutes > usual * Long
            ? $"{minutes} minutes are more than three times a usual day. The breaks are part of it; above {(int)(usual * Long)} hands tire and little is gained."
            : "";
    }
}

/// <summary>A missed day, spread.</summary>
/// <param name="Missed">The day.</param>
/// <param name="Minutes">Minutes that find a place.</param>
/// <param name="LetGo">Minutes that do not.</param>
/// <param name="Days">The minutes that the coming days then have.</param>
public sealed record SpreadDay(DateOnly Missed, int Minutes, int LetGo, IReadOnlyDictionary<DateOnly, int> Days);

/// <summary>A day in several sittings.</summary>
public static class Sittings
{
    /// <summary>Most sittings of a day.</summary>
    public const int Most = 6;

    /// <summary>Hours between two sittings, so that the same material may come again (common practice).</summary>
    public const int HoursBetween = 2;

    /// <summary>Minutes of the next sitting: an equal part of what is left.</summary>
    /// <param name="left">Minutes that the day has left.</param>
    /// <param name="sittings">Sittings of the day, 1 to 6.</param>
    /// <param name="begun">Those that were begun.</param>
    public static int Next(int left, int sittings, int begun)
    {
        var parts = Math.Max(1, sittings - begun);
        return Math.Max(Math.Min(left, SittingLength.Least), (int)Math.Ceiling((double)left / parts));
    }

    /// <summary>What is said of the sitting: which of how many, and when the next may be; empty for a day in one.</summary>
    /// <param name="sittings">Sittings of the day.</param>
    /// <param name="begun">Those that were begun.</param>
    public static string Say(int sittings, int begun) =>
        sittings < 2 || begun >= sittings
            ? ""
            : $"Sitting {begun + 1} of {sittings} today. Leave two hours between them: then the same things may come again.";
}
