using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Progress;

/// <summary>Something written down.</summary>
/// <param name="Take">The take at which it was begun, from 1, or null.</param>
/// <param name="Cause">Why it went as it did; empty where nothing was said.</param>
/// <param name="Remedy">What helps against it.</param>
/// <param name="NextTime">What to do next time.</param>
/// <param name="CarriedTo">The day to which it is carried over.</param>
/// <param name="Settled">Whether it comes back no more.</param>
/// <param name="Changes">How often it was changed.</param>
public sealed record EntryView(
    int Id,
    DateTime AtUtc,
    DateOnly Day,
    EntryKind Kind,
    string About,
    int? Take,
    string Text,
    int? MaterialId,
    string Cause,
    string Remedy,
    string NextTime,
    IReadOnlyList<string> Tags,
    DateOnly? CarriedTo,
    bool Settled,
    int Changes
);

/// <summary>What an entry said before a change.</summary>
public sealed record EntryBeforeView(
    DateTime ChangedUtc,
    string Text,
    string Cause,
    string Remedy,
    string NextTime,
    IReadOnlyList<string> Tags
);

/// <summary>A drill of a day gone by, for the picture of the day.</summary>
public sealed record PlayedDrillView(Area? Area, string Title, int PlannedSeconds, double PlayedSeconds, int Takes, int CleanTakes);

/// <summary>A thing that was played on a day.</summary>
/// <param name="Before">The fastest clean tempo before; null where there was none.</param>
/// <param name="Clean">The fastest clean tempo of the day; null where none was clean at a tempo.</param>
public sealed record PlayedThingView(int MaterialId, string Title, int Takes, int CleanTakes, int? Before, int? Clean);

/// <summary>A day of the journal.</summary>
/// <param name="Results">What was read at sight and answered by ear, a line each.</param>
/// <param name="Moved">What went further than ever before, three lines at most.</param>
public sealed record JournalDay(
    DateOnly Day,
    double PlayedMinutes,
    IReadOnlyList<PlayedDrillView> Drills,
    IReadOnlyList<EntryView> Entries,
    bool WasTense,
    bool Pain,
    IReadOnlyList<SittingView> Sittings,
    IReadOnlyList<string> Results,
    IReadOnlyList<string> Moved
);

/// <summary>One day with all that is known of it.</summary>
/// <param name="Things">What was played, tempi reached against before.</param>
/// <param name="Decided">Ratings given, and what was decided in a review.</param>
/// <param name="Body">What the body said.</param>
/// <param name="Earlier">The nearest day before with something in it.</param>
/// <param name="Later">The nearest day after with something in it.</param>
public sealed record JournalPage(
    JournalDay Day,
    double PlannedMinutes,
    IReadOnlyList<PlayedThingView> Things,
    IReadOnlyList<string> Decided,
    IReadOnlyList<string> Body,
    DateOnly? Earlier,
    DateOnly? Later
);

/// <summary>When a sitting began and ended.</summary>
public sealed record SittingView(DateTime StartedUtc, DateTime EndedUtc);

/// <summary>A stretch of the journal, newest first. More: the day before which to ask for the next stretch, or null.</summary>
public sealed record JournalView(IReadOnlyList<JournalDay> Days, DateOnly? More);

/// <summary>What the journal can be looked through for.</summary>
/// <param name="Search">Words, found by their beginnings, or a time of day.</param>
/// <param name="MaterialId">A thing; of a piece its passages as well.</param>
public sealed record JournalWish(
    string? Search = null,
    DateOnly? Before = null,
    int? MaterialId = null,
    Area? Area = null,
    string? Tag = null,
    DateOnly? From = null,
    DateOnly? To = null
);

/// <summary>Something to write down. Sent again with the same key it counts once.</summary>
/// <param name="SessionId">The session in which it was begun, open or closed meanwhile; left out: the open one.</param>
/// <param name="Position">The drill at which it was begun.</param>
/// <param name="Take">The take at which it was begun, from 1.</param>
/// <param name="Day">The day it is about, played or not; left out: the session's, or today.</param>
/// <param name="CarriedTo">The day in whose plan it is to stand.</param>
public sealed record EntryWish(
    Guid Key,
    string? Text = null,
    EntryKind Kind = EntryKind.Note,
    int? SessionId = null,
    int? Position = null,
    int? Take = null,
    int? MaterialId = null,
    string? Cause = null,
    string? Remedy = null,
    string? NextTime = null,
    IReadOnlyList<string>? Tags = null,
    DateOnly? Day = null,
    DateOnly? CarriedTo = null
);

/// <summary>Other words for an entry. Left out: as they were.</summary>
public sealed record EntryChange(
    string? Text = null,
    string? Cause = null,
    string? Remedy = null,
    string? NextTime = null,
    IReadOnlyList<string>? Tags = null
);

/// <summary>The day to which an entry is carried over; null: to none.</summary>
public sealed record CarryWish(DateOnly? Day);

/// <summary>Phrases of one's own, as they are offered where something is written.</summary>
public sealed record PhrasesView(IReadOnlyList<string> Phrases, IReadOnlyList<string> Tags);

/// <summary>Other phrases.</summary>
public sealed record PhrasesWish(IReadOnlyList<string> Phrases);

/// <summary>A journal in Markdown.</summary>
public sealed record JournalText(string Text);

/// <summary>What came of reading a journal in.</summary>
/// <param name="Added">Entries that are new.</param>
/// <param name="Known">Entries that stood there already.</param>
public sealed record ReadInView(int Added, int Known);
