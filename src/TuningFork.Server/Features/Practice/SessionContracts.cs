using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Technique;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Features.Sound;
using TuningFork.Server.Features.Technique;

namespace TuningFork.Server.Features.Practice;

/// <summary>A drill of a session.</summary>
/// <param name="Things">What it is about, each once; empty where it is one thing.</param>
/// <param name="Desk">The page on which it is done; null for the stage itself.</param>
/// <param name="Block">Name of the routine's block it belongs to; empty where that has none.</param>
/// <param name="SavedSeconds">Seconds on top of its own minutes, left by drills before it; among those allowed.</param>
/// <param name="OwnBar">Every fourth bar of its groove is silent: it is the player's own.</param>
public sealed record SessionDrillView(
    int Position,
    Area? Area,
    string Title,
    string MethodId,
    string Method,
    string How,
    string Sum,
    int Minutes,
    int AllowedSeconds,
    double PlayedSeconds,
    DrillState State,
    int Takes,
    int CleanTakes,
    int Nudge,
    bool CanAsk,
    bool OwnBar,
    DeskView? Desk,
    IReadOnlyList<ThingView> Things,
    string Block,
    int SavedSeconds
);

/// <summary>A page of its own on which a drill is done.</summary>
public enum DeskKind
{
    /// <summary>A whole piece is read slowly, and what trips is marked.</summary>
    SlowReading,

    /// <summary>A book of technique is looked through.</summary>
    FirstLook,

    /// <summary>Ideas on the shelf become something.</summary>
    Shelf,

    /// <summary>New music is read at sight.</summary>
    NewMusic,

    /// <summary>What is heard is named.</summary>
    EarRound,

    /// <summary>Examples of a book on paper are read at sight.</summary>
    Paper,

    /// <summary>A song is played along with.</summary>
    PlayAlong,
}

/// <summary>Where a drill is done.</summary>
/// <param name="MaterialId">The piece or the book, or the recording of a song; null for the shelf.</param>
public sealed record DeskView(DeskKind Kind, int? MaterialId);

/// <summary>One of the things a drill is about.</summary>
public sealed record ThingView(string Key, string Title);

/// <summary>The open session as the stage shows it.</summary>
/// <param name="Position">The drill on the stage; equal to the number of drills when all are through.</param>
/// <param name="Abc">The music of the thing at hand in ABC notation; empty where there is none.</param>
/// <param name="MusicWord">Why the music of the thing at hand cannot be shown; empty where it can, or where there is none.</param>
/// <param name="Groove">The groove at hand, or null.</param>
/// <param name="LaterToday">Of the thing that was played last, when it is to come once more in a later sitting today: its title; else
/// empty.</param>
/// <param name="ForTomorrow">The same of what is to come tomorrow.</param>
/// <param name="Relief">What becomes of the thing that was played last from tomorrow on, in words; else empty.</param>
/// <param name="ReliefOf">Of what there can be less from tomorrow on: in rounds the thing that was played last; empty where there is none.</param>
/// <param name="Station">Where the exercise at hand, or that of the drill before, could go on to; null while none can.</param>
/// <param name="IsUntouched">True while nothing of it was played or written: it can be left as if it had never begun.</param>
/// <param name="Written">The last line written about the thing at hand before this session; null when there is none that is not settled.</param>
/// <param name="Sound">What sounds with the thing at hand; null when all drills are through.</param>
/// <param name="Seed">With what something made up begins; null where there is neither groove nor music and nothing is made up.</param>
/// <param name="IsOver">True when it is of an earlier day and was left open: it can only be closed.</param>
/// <param name="EndedBefore">Day of the session before, where that was left open and has ended by itself; else null.</param>
/// <param name="SavedSeconds">Seconds that drills before have left and no other could use; named at the last drill, 0 before.</param>
public sealed record SessionView(
    int Id,
    DateOnly Day,
    bool Running,
    int Position,
    int PlannedMinutes,
    string Purpose,
    IReadOnlyList<SessionDrillView> Drills,
    Cue? Cue,
    TargetView? Target,
    EarQuestion? Question,
    string NextDrill,
    string Abc,
    string MusicWord,
    Groove? Groove,
    bool IsOver,
    string LaterToday,
    string ForTomorrow,
    string Relief,
    string ReliefOf,
    StationView? Station,
    bool IsUntouched,
    WrittenView? Written,
    StageSoundView? Sound,
    SeedView? Seed,
    IReadOnlyList<StagePageView> Pages,
    DateOnly? EndedBefore,
    int SavedSeconds
);

/// <summary>With what something made up begins: the groove or the bars at hand.</summary>
/// <param name="Title">What it would be called.</param>
/// <param name="MaterialId">What it would be made from, or null.</param>
/// <param name="ThreeLines">The music three times, to be written over; empty where there is none.</param>
public sealed record SeedView(string Title, string Text, bool IsGroove, int? MaterialId, string ThreeLines);

/// <summary>Leaves a session in which nothing was played yet.</summary>
public sealed record LeaveWish(int SessionId);

/// <summary>Begins today's plan.</summary>
public sealed record BeginWish(int Version);

/// <summary>The stage's own count for the drill, sent every second.</summary>
public sealed record PulseWish(int SessionId, int Position, double PlayedSeconds);

/// <summary>What was done on the stage.</summary>
public enum StageAct
{
    Clean,

    /// <summary>Value: -1 it was too early, 1 too late; left out where it was neither.</summary>
    Missed,
    Undo,
    Done,
    Skip,
    Back,
    Pause,
    Resume,

    /// <summary>One minute more for the drill.</summary>
    Extend,

    /// <summary>Value: beats a minute by which the tempo is moved in all.</summary>
    Nudge,

    /// <summary>Value: 1 to 3.</summary>
    Readiness,

    /// <summary>A run over keys, chords or positions is through. Value: how many came late; LateAt: which steps of it; Seconds: how long it took.</summary>
    Run,

    /// <summary>Value: tension, 0 to 3.</summary>
    Tension,

    /// <summary>The thing at hand is to come once more in a later sitting today; again: no more.</summary>
    Later,

    /// <summary>The thing at hand is to come tomorrow; again: no more.</summary>
    Tomorrow,

    /// <summary>The line that came back with the thing at hand is settled; again: it is not. Value: its id.</summary>
    Settle,

    /// <summary>The thing at hand goes with the click from now on, or without. Value: 1 or 0.</summary>
    Click,

    /// <summary>What is done after three misses running. Value: 0 nothing, 1 slower, 2 half of the bars, 3 something else first.</summary>
    Help,

    /// <summary>
    /// Less of the thing at hand from tomorrow on. Value: 0 none, 1 half of its minutes, 2 two short visits a day, 3 a week's rest.
    /// </summary>
    Relief,

    /// <summary>An exercise goes on to the station that its takes propose. Value: its id.</summary>
    Station,
}

/// <summary>An act on the stage. Sent again with the same id it counts once.</summary>
/// <param name="SessionId">The session that the window shows.</param>
/// <param name="Key">Key of the target that was shown when it was pressed; left out: what stands there now.</param>
/// <param name="HeardId">The take as it was heard, where it was: its tempo counts where no click gave one.</param>
public sealed record ActWish(
    Guid Id,
    int SessionId,
    int Position,
    double PlayedSeconds,
    StageAct Kind,
    int? Value = null,
    double? Seconds = null,
    string? Key = null,
    IReadOnlyList<int>? LateAt = null,
    int? HeardId = null
);

/// <summary>What a pulse comes back with.</summary>
public sealed record PulseView(int Position, double PlayedSeconds, bool Running);

/// <summary>A line on one drill.</summary>
public sealed record CloseLine(int Position, string? Text = null, string? Cause = null, string? Remedy = null, string? NextTime = null);

/// <summary>
/// The end of a session. Sent again with the same id it counts once. Tomorrow: positions of drills whose material is asked for next time;
/// TomorrowKeys: single things out of them. PainAt: position of the drill in which it hurt, or null.
/// </summary>
public sealed record CloseWish(
    Guid Id,
    int SessionId,
    string Note = "",
    IReadOnlyList<CloseLine>? Lines = null,
    IReadOnlyList<int>? Tomorrow = null,
    int? Tension = null,
    bool Pain = false,
    string Where = "",
    int? PainAt = null,
    IReadOnlyList<string>? TomorrowKeys = null
);

/// <summary>What the close came to.</summary>
/// <param name="ListToRate">The day of a performance of whose pieces nothing was rated for a week; else null.</param>
public sealed record CloseView(
    double PlayedMinutes,
    int PlannedMinutes,
    string Advice,
    IReadOnlyList<RatingQuestion> Questions,
    IReadOnlyList<TargetQuestion> Targets,
    DateOnly? ListToRate
);
