using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Server.Features.Practice;

/// <summary>A material with what its history comes to.</summary>
public sealed record MaterialView(
    int Id,
    MaterialKind Kind,
    Area Area,
    string Title,
    string ShortTitle,
    string OwnTitle,
    int? PieceId,
    int FromBar,
    int ToBar,
    int BeatsPerBar,
    string Beat,
    int? Target,
    Readiness Readiness,
    string Difficulty,
    string Note,
    bool Resting,
    bool IsScale,
    DateOnly? Performance,
    int NextExample,
    int Examples,
    int PerDay,
    string BookParts,
    bool TodaysKey,
    int? DaysLeft,
    DateOnly? LastVisit,
    int Visits,
    int? LastClean,
    DateOnly? Due,
    bool Slipped,
    IReadOnlyList<string> Serves,
    int Version,
    string Standing,
    bool Growing,
    IReadOnlyList<DateOnly> LaterDates,
    int WeekMinutes,
    int WeekTimes,
    bool TwiceADay,
    string Harmony,
    string Word
);

/// <summary>
/// What a material is to be. LaterDates: further performances after the first. WeekMinutes and WeekTimes: so many minutes, so often a
/// week; 0 for no such wish. Harmony: chords or keys of a song. For pieces ToBar is the number of bars, FromBar 0 with an upbeat and 1 without.
/// </summary>
public sealed record MaterialWish(
    MaterialKind Kind,
    string Title = "",
    Area? Area = null,
    int? PieceId = null,
    int FromBar = 1,
    int ToBar = 4,
    int BeatsPerBar = 4,
    string Beat = "quarter",
    int? Target = null,
    Readiness Readiness = Readiness.Raw,
    string Difficulty = "",
    string Note = "",
    bool Resting = false,
    bool IsScale = false,
    DateOnly? Performance = null,
    int NextExample = 1,
    int Examples = 0,
    int PerDay = 3,
    IReadOnlyList<string>? Serves = null,
    int Version = 0,
    IReadOnlyList<DateOnly>? LaterDates = null,
    int WeekMinutes = 0,
    int WeekTimes = 0,
    bool TwiceADay = false,
    string Harmony = "",
    string BookParts = "",
    bool TodaysKey = false,
    int? CleanAt = null
);

/// <summary>A number of a readiness rating and its day.</summary>
public sealed record RatingView(DateOnly Day, Readiness Readiness);

/// <summary>One visit: its takes summed up.</summary>
public sealed record VisitView(DateOnly Day, int Takes, int CleanTakes, int? TriesToClean, int? Clean, Grade? Grade);

/// <summary>What happened with one material.</summary>
public sealed record MaterialHistory(IReadOnlyList<VisitView> Visits, IReadOnlyList<RatingView> Ratings);

/// <summary>How fast something should go in the end, in beats a minute; null for no target.</summary>
public sealed record TargetWish(int? Target);
