using TuningFork.Core.Planning;
using TuningFork.Core.Practice;

namespace TuningFork.Server.Features.Week;

/// <summary>A drill that is likely planned.</summary>
public sealed record LikelyDrill(Area? Area, string Title, int Minutes, string Reason);

/// <summary>A stretch of a day that is taken, by the clock on the wall: "18:00".</summary>
public sealed record BusyView(string From, string Until, string Title);

/// <summary>A day of the coming week.</summary>
/// <param name="Minutes">Minutes that it has.</param>
/// <param name="IsMoved">Whether they were moved by hand.</param>
/// <param name="Hour">The hour at which one likes to play, "18:30"; empty for none.</param>
/// <param name="HourWords">What there is to say of that hour; empty where it is free.</param>
/// <param name="Sittings">Sittings, 1 to 6.</param>
/// <param name="Off">The exception that it is, or empty.</param>
/// <param name="Marks">Performances, goals, the review, the lesson.</param>
/// <param name="Drills">What is likely planned; empty on a day without minutes.</param>
public sealed record AheadDay(
    DateOnly Day,
    int Minutes,
    bool IsMoved,
    string Hour,
    string HourWords,
    int Sittings,
    string Off,
    IReadOnlyList<string> Marks,
    IReadOnlyList<BusyView> Busy,
    IReadOnlyList<LikelyDrill> Drills
);

/// <summary>A day of the four weeks ahead.</summary>
public sealed record StripDay(DateOnly Day, int Minutes, string Off, IReadOnlyList<string> Marks);

/// <summary>The usual week, Monday first.</summary>
/// <param name="Hours">"18:30", or empty for no hour of its own.</param>
/// <param name="LessonWeekday">0 for Monday; null for none.</param>
/// <param name="Reminds">Whether the browser says when it is time.</param>
public sealed record UsualWeek(
    IReadOnlyList<int> Minutes,
    IReadOnlyList<string> Hours,
    IReadOnlyList<int> Sittings,
    int? LessonWeekday = null,
    bool Reminds = false
);

/// <summary>An exception.</summary>
/// <param name="Name">One's own words, or the kind's.</param>
public sealed record DayOffView(int Id, DateOnly From, DateOnly Until, DayOffKind Kind, int Minutes, string Text, string Name);

/// <summary>An exception to be.</summary>
public sealed record DayOffWish(DateOnly From, DateOnly Until, DayOffKind Kind, int Minutes = 0, string? Text = null);

/// <summary>A missed day that can be spread.</summary>
/// <param name="Minutes">Minutes that find a place.</param>
/// <param name="LetGo">Minutes that do not.</param>
/// <param name="Days">What each of the coming days would have.</param>
public sealed record MissedView(DateOnly Missed, int Minutes, int LetGo, IReadOnlyList<SpreadDayView> Days);

/// <summary>A day of it.</summary>
public sealed record SpreadDayView(DateOnly Day, int Minutes);

/// <summary>The coming seven days and four weeks.</summary>
/// <param name="Feed">Path of the calendar for other programs on this machine; empty while there is none.</param>
/// <param name="Taken">Stretches that a calendar says are taken.</param>
public sealed record AheadView(
    DateOnly Today,
    IReadOnlyList<AheadDay> Days,
    IReadOnlyList<StripDay> Strip,
    UsualWeek Usual,
    IReadOnlyList<DayOffView> DaysOff,
    MissedView? Missed,
    string Feed,
    int Taken
);

/// <summary>Minutes to be moved from one day to another.</summary>
public sealed record MoveWish(DateOnly From, DateOnly To, int Minutes);

/// <summary>A calendar as text (RFC 5545).</summary>
public sealed record CalendarText(string Text);

/// <summary>What came of reading a calendar.</summary>
/// <param name="Taken">Stretches taken in the coming four weeks.</param>
/// <param name="WholeDays">Entries of whole days, which take no hour.</param>
public sealed record CalendarRead(int Taken, int WholeDays);

/// <summary>When to say that it is time, and with what one begins.</summary>
/// <param name="Hour">"18:30"; empty where nothing is to be said today.</param>
public sealed record ReminderView(string Hour, string First);
