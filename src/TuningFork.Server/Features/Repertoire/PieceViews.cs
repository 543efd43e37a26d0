using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Technique;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>A passage on the page of its piece.</summary>
/// <param name="Doubt">A gentle question about its rating; empty when there is none.</param>
/// <param name="Clean">Clean takes of all takes.</param>
public sealed record PassageView(
    int Id,
    int FromBar,
    int ToBar,
    string Bars,
    Readiness Readiness,
    string Difficulty,
    string Note,
    string Fingering,
    string Stroke,
    string Why,
    string Missing,
    string Remedy,
    string Proposed,
    int? LastClean,
    int? DaysSince,
    DateOnly? Due,
    bool Slipped,
    bool Resting,
    DateOnly? RestUntil,
    int PutBack,
    string Doubt,
    int Clean,
    int Takes,
    IReadOnlyList<RatingView> Ratings,
    int Version,
    string Standing,
    bool Growing
);

/// <summary>A piece with its bar map, its grid and what its performance needs.</summary>
/// <param name="Columns">Days of the grid, the newest last.</param>
/// <param name="SlowTempo">Tempo of the slow first reading.</param>
/// <param name="Plan">The way to the performance; null when there is none.</param>
/// <param name="PlanWords">The same as a sum in words.</param>
/// <param name="InHand">The passage to look at first; null when all are ready or at rest.</param>
/// <param name="Proposed">The target that its music proposes, while it has none.</param>
public sealed record PieceView(
    int Id,
    string Title,
    int FromBar,
    int ToBar,
    int BeatsPerBar,
    string Beat,
    int? Target,
    DateOnly? Performance,
    Readiness Readiness,
    DateOnly Today,
    int SlowTempo,
    IReadOnlyList<PassageView> Passages,
    IReadOnlyList<DateOnly> Columns,
    PerformancePlan? Plan,
    string PlanWords,
    bool HasMusic,
    IReadOnlyList<string> LeftOut,
    School? School,
    IReadOnlyList<PageView> Pages,
    Decisions Decisions,
    int Version,
    ProposedView? Proposed,
    int? InHand
);

/// <summary>A target proposed from the music.</summary>
/// <param name="Tempo">In the beats of the piece.</param>
/// <param name="Marked">Whether the music says it; else it would be moderate for its notes.</param>
public sealed record ProposedView(int Tempo, bool Marked);

/// <summary>A page of the piece as a picture or a PDF.</summary>
/// <param name="Boxes">Where passages stand on it.</param>
public sealed record PageView(int Id, string Name, string ContentType, IReadOnlyList<BoxView> Boxes);

/// <summary>Where a passage stands on a page, in parts of its width and height, 0 to 1.</summary>
/// <param name="Bars">The bars of the passage: "17–18".</param>
public sealed record BoxView(int Id, int PassageId, string Bars, double X, double Y, double Width, double Height);

/// <summary>What was decided about a passage, and why.</summary>
/// <param name="Fingering">Fingering or sticking.</param>
/// <param name="Stroke">Bowing or breath.</param>
public sealed record DecidedWish(string Fingering = "", string Stroke = "", string Why = "");

/// <summary>Lets a passage rest until a day, or for so many weeks; without either it is taken up again.</summary>
public sealed record RestWish(DateOnly? Until = null, int? Weeks = null);

/// <summary>Bars that tripped while reading slowly.</summary>
public sealed record MarksWish(IReadOnlyList<int> Marks);

/// <summary>A passage to be made.</summary>
public sealed record NewPassage(int From, int To, string Difficulty = "");

/// <summary>Passages to be made of a piece.</summary>
public sealed record PassagesWish(IReadOnlyList<NewPassage> Passages);

/// <summary>A rating of today.</summary>
public sealed record RatingWish(Readiness Readiness);

/// <summary>What is still missing: the cause, what helps, and the method. All empty: nothing.</summary>
public sealed record MissingWish(string Cause, string Remedy = "", string Method = "");

/// <summary>A cause with its remedy.</summary>
public sealed record CauseView(string Name, string Remedy, string Method, string MethodName);

/// <summary>Music in ABC.</summary>
public sealed record MusicWish(string Abc);

/// <summary>Bars of a piece as music.</summary>
/// <param name="Steps">Steps of the variant, 0 when it cannot be made.</param>
/// <param name="Reason">Why it cannot be made; empty when it can.</param>
/// <param name="Beats">How long they are, in quarters.</param>
/// <param name="Staves">How many staves they stand on as they are written.</param>
public sealed record BarsView(
    string Abc,
    IReadOnlyList<PlayedNoteView> Played,
    string Name,
    int Steps,
    string Reason,
    double Beats,
    int Staves
);

/// <summary>A school of spacing for a piece; null for the player's.</summary>
public sealed record PieceSchoolWish(School? School);
