using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>One take as the stage counts it.</summary>
/// <param name="TargetIndex">Index into the drill's targets.</param>
/// <param name="Clean">Whether it was clean (right, for a question).</param>
/// <param name="Tempo">The tempo it was played at, or null when untimed.</param>
/// <param name="Late">Of a run on the click: what came late, by index of the keys or chords; null where it is not known.</param>
public readonly record struct StageTake(int TargetIndex, bool Clean, Bpm? Tempo = null, IReadOnlyList<int>? Late = null);

/// <summary>What stands on the stage now.</summary>
public sealed record Cue
{
    /// <summary>Index of the target, or -1 where the drill has none.</summary>
    public int TargetIndex { get; init; } = -1;

    /// <summary>The thing at hand.</summary>
    public required string Title { get; init; }

    /// <summary>What to do now, in one sentence.</summary>
    public required string Sentence { get; init; }

    /// <summary>Tempo of the next take, or null.</summary>
    public Bpm? Tempo { get; init; }

    /// <summary>"take 4 of 12", "2 clean in a row", or empty.</summary>
    public string Count { get; init; } = "";

    /// <summary>What comes next inside this drill, or empty.</summary>
    public string Next { get; init; } = "";

    /// <summary>Number of the question to be asked, from 0; -1 when the drill asks none.</summary>
    public int Question { get; init; } = -1;

    /// <summary>Whether takes are marked clean or missed.</summary>
    public bool CountsTakes { get; init; }

    /// <summary>True while the music is not to be seen: memory is tested before one looks.</summary>
    public bool HidesMusic { get; init; }

    /// <summary>True during a rest of work and rest in turns.</summary>
    public bool Resting { get; init; }

    /// <summary>Seconds played of the drill at which this cue gives way to the next by itself; null where only takes move it on.</summary>
    public int? TurnsAtSeconds { get; init; }

    /// <summary>Of work and rest in turns the period at hand, or null.</summary>
    public PeriodCue? Period { get; init; }

    /// <summary>The altered music of this moment, where the thing itself is as written; else empty.</summary>
    public string Variant { get; init; } = "";

    /// <summary>Of a growing chain the step, from 1; else null.</summary>
    public int? Step { get; init; }

    /// <summary>The last bar to be played where fewer are enough for now; null for all of them.</summary>
    public int? StopAfterBar { get; init; }

    /// <summary>A run over keys, chords or positions, or null.</summary>
    public RunCue? Run { get; init; }

    /// <summary>Minutes without a miss, or null.</summary>
    public LoopCue? Loop { get; init; }

    /// <summary>What is offered after three misses running, or null.</summary>
    public HelpCue? Help { get; init; }

    /// <summary>True when tension is to be asked for: the tempo has just risen.</summary>
    public bool AsksTension { get; init; }

    /// <summary>True when the drill has reached its end by its takes.</summary>
    public bool Complete { get; init; }

    /// <summary>Seconds that the last take may go on after the time is up.</summary>
    public int GraceSeconds { get; init; }
}

/// <summary>A run to be played: on the click, or against the clock.</summary>
/// <param name="Steps">What comes, in order.</param>
/// <param name="BeatsEach">Beats for each on the click; 0 against the clock.</param>
/// <param name="LimitSeconds">Seconds for all of them against the clock; 0 on the click.</param>
public sealed record RunCue(IReadOnlyList<string> Steps, int BeatsEach, int LimitSeconds)
{
    /// <summary>What each step is, as an index of the keys or chords; empty against the clock.</summary>
    public IReadOnlyList<int> Items { get; init; } = [];

    /// <summary>All keys or chords of a shuttle in their order, and how far they are; else empty.</summary>
    public IReadOnlyList<RunThing> Row { get; init; } = [];

    /// <summary>True while something that came late is repaired: it says little about the whole.</summary>
    public bool IsRepair { get; init; }
}

/// <summary>A key or chord in the row of a shuttle.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="IsInSet">Whether it belongs to the set at hand.</param>
/// <param name="IsThrough">Whether its set of this size is through.</param>
public sealed record RunThing(string Name, bool IsInSet, bool IsThrough);

/// <summary>A stretch of work or of rest, by the clock.</summary>
/// <param name="EndsAtSeconds">Seconds played of the drill at which it ends.</param>
public sealed record PeriodCue(int EndsAtSeconds);

/// <summary>A stretch without a miss.</summary>
/// <param name="FromSeconds">Seconds played of the drill when it began; null before it did.</param>
/// <param name="NeededSeconds">How long it should last.</param>
public sealed record LoopCue(double? FromSeconds, int NeededSeconds);
