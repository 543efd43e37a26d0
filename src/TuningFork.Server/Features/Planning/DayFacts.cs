using TuningFork.Core.EarTraining;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.WarmUps;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Planning;

/// <summary>What today's plan is made from, loaded once a request.</summary>
public sealed record DayFacts(
    DateOnly Day,
    ProfileRow Profile,
    IReadOnlyList<MaterialRow> Rows,
    IReadOnlyList<Material> Materials,
    IReadOnlyList<RoutineRow> Routines,
    IReadOnlyList<AreaHistory> History,
    IReadOnlyList<AreaHistory> Balance,
    IReadOnlyList<EarRecord> Ear,
    EarDigest EarDigest,
    IReadOnlyDictionary<DateOnly, double> MinutesByDay,
    Body Body,
    BodyRow? LastBody,
    DateTime? LastEnded,
    DateTime Now,
    IReadOnlyList<string> Asked,
    IReadOnlyList<WarmUp> WarmUps,
    IReadOnlyList<Method> Methods,
    IReadOnlyList<string> PlayIdeas,
    int OnShelf,
    IReadOnlyList<Song> Songs,
    WeekCalendar Calendar
);
