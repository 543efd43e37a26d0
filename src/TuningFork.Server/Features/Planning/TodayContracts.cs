using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Progress;

namespace TuningFork.Server.Features.Planning;

/// <summary>What a method counts, takes or minutes, and what can be chosen.</summary>
public sealed record TimesView(int Now, int Least, int Most, string Word);

/// <summary>A drill as it stands in today's list.</summary>
/// <param name="Written">The last lines written about its things that are not settled.</param>
/// <param name="Times">What its method counts, and can be chosen; null where it counts nothing.</param>
public sealed record DrillView(
    string Id,
    Area? Area,
    string Title,
    string MethodId,
    string Method,
    string How,
    int Minutes,
    int At,
    string Reason,
    string Sum,
    bool Locked,
    IReadOnlyList<TargetView> Targets,
    string Block,
    TimesView? Times,
    IReadOnlyList<WrittenView> Written
);

/// <summary>One thing a drill is about.</summary>
public sealed record TargetView(string Key, int? MaterialId, string Title, int? Tempo, int? Goal, string Beat, string Note);

/// <summary>A session of an earlier day that nobody closed, with what it holds.</summary>
public sealed record UnclosedView(int Id, DateOnly Day, double PlayedMinutes, int PlannedMinutes, int Takes, int Notes);

/// <summary>Today, laid out.</summary>
/// <param name="SessionOpen">Whether there is a session to go on with.</param>
/// <param name="Done">What there is to say when the day's minutes were played; else empty.</param>
/// <param name="ByHand">How many things about the plan were changed by hand.</param>
/// <param name="TechniqueKey">The key in which technique is played today, "Bb major"; empty where there is none.</param>
/// <param name="OnShelf">How many ideas wait on the shelf.</param>
/// <param name="Reliefs">Of what there has been less for two weeks, to be looked at again.</param>
/// <param name="LeastMinutes">Fewest minutes of a sitting.</param>
/// <param name="MostMinutes">Most minutes of a sitting.</param>
/// <param name="ReviewIsDue">Whether today is the day of the week's review, and it was not written yet.</param>
/// <param name="Unclosed">A session of an earlier day that is to be closed before today's begins, or null.</param>
public sealed record TodayView(
    DateOnly Day,
    int Version,
    int Minutes,
    int UsualMinutes,
    string Advice,
    IReadOnlyList<Demands> Demands,
    string Purpose,
    int RoutineId,
    string RoutineName,
    IReadOnlyList<DrillView> Drills,
    int Total,
    IReadOnlyList<Waiting> Waiting,
    IReadOnlyList<string> Summary,
    IReadOnlyList<string> Warnings,
    IReadOnlyList<AreaBalance> Tines,
    string BodyQuestion,
    double PlayedToday,
    bool SessionOpen,
    UnclosedView? Unclosed,
    int ByHand,
    string Focus,
    string TechniqueFor,
    IReadOnlyList<string> Focuses,
    string Done,
    int OnShelf,
    string TechniqueKey,
    IReadOnlyList<ReliefView> Reliefs,
    int LeastMinutes,
    int MostMinutes,
    bool ReviewIsDue,
    IReadOnlyList<WrittenView> Carried,
    int SpareWaiting
);

/// <summary>What is wished for today. Left out means: as it was.</summary>
/// <param name="Version">The version that was seen; 0 for a plan nobody has touched.</param>
/// <param name="Minutes">5 to 240.</param>
/// <param name="Until">Local time of day, "19:30", in place of minutes.</param>
/// <param name="Demands">What the rest of the day asks.</param>
/// <param name="Purpose">What the work is for.</param>
/// <param name="RoutineId">The shape of the day.</param>
/// <param name="Focus">The difficulty that technique is to serve, "none", or empty for the app's choice.</param>
/// <param name="LetGo">What was changed by hand and does not fit any more may go; else it is named first and nothing is changed.</param>
public sealed record TodayWish(
    int Version,
    int? Minutes = null,
    string? Until = null,
    IReadOnlyList<Demands>? Demands = null,
    string? Purpose = null,
    int? RoutineId = null,
    string? Focus = null,
    bool LetGo = false
);

/// <summary>One change by hand.</summary>
public sealed record ChangeWish(
    int Version,
    ChangeKind Kind,
    string? DrillId = null,
    int? Value = null,
    int? MaterialId = null,
    string? MethodId = null
);

/// <summary>A method that a drill could go by.</summary>
/// <param name="Usual">Usual minutes in words.</param>
public sealed record MethodChoiceView(string Id, string Name, string How, string Fits, string Usual);

/// <summary>Another plan for the same wishes; what is locked stays, and what was changed by hand.</summary>
/// <param name="FromScratch">The changes by hand go; what is locked stays.</param>
public sealed record AnewWish(int Version, bool FromScratch = false);

/// <summary>The plan as it was before the last change by hand.</summary>
/// <param name="Version">The version that the change has made.</param>
public sealed record BackWish(int Version);
