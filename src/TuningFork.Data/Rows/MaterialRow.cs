using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Data.Rows;

/// <summary>Anything that can be practised, with what its history comes to.</summary>
public sealed class MaterialRow : IRemovable
{
    public int Id { get; set; }
    public MaterialKind Kind { get; set; }

    /// <summary>Title of its own; passages are called after their piece and bars.</summary>
    public string Title { get; set; } = "";
    public Area Area { get; set; }
    public int? PieceId { get; set; }
    public MaterialRow? Piece { get; set; }
    public int FromBar { get; set; } = 1;
    public int ToBar { get; set; } = 4;
    public int BeatsPerBar { get; set; } = 4;
    public Beat Beat { get; set; } = Beat.Quarter;
    public int? Target { get; set; }
    public Readiness Readiness { get; set; } = Readiness.Raw;
    public string Difficulty { get; set; } = "";
    public string Note { get; set; } = "";
    public bool Resting { get; set; }
    public bool IsScale { get; set; }

    /// <summary>The sheet it is played from, as it was asked for; empty for none.</summary>
    public string SheetJson { get; set; } = "";

    /// <summary>The keys it goes through and in which order; empty when it stays in one.</summary>
    public string KeyPlanJson { get; set; } = "";

    /// <summary>What it is made of beside a line of notes; empty for nothing else.</summary>
    public string WorkJson { get; set; } = "";

    /// <summary>The step that comes next, or the level of a shuttle.</summary>
    public int Place { get; set; }

    /// <summary>Of an exercise: where it stands on its way into music, and from which day on its takes count there.</summary>
    public ExerciseStation Station { get; set; }
    public DateOnly? StationSince { get; set; }

    /// <summary>Difficulties that it serves, comma-separated.</summary>
    public string Serves { get; set; } = "";
    public DateOnly? ReviewOn { get; set; }

    /// <summary>A school of spacing of its own, for a piece; null for the player's.</summary>
    public School? School { get; set; }

    /// <summary>What is still missing, what helps, and the method that does it.</summary>
    public string Missing { get; set; } = "";
    public string Remedy { get; set; } = "";
    public MethodId Proposed { get; set; }

    /// <summary>How far it has been put back into its piece, 0 to 3.</summary>
    public int PutBack { get; set; }
    public DateOnly? Performance { get; set; }

    /// <summary>The day on which that date was set; null for long ago.</summary>
    public DateOnly? PerformanceSet { get; set; }

    /// <summary>Further performances after that one, in order: "2031-06-21,2031-07-02".</summary>
    public string LaterDates { get; set; } = "";

    /// <summary>Minutes that it is to have so many times a week; 0 for no such wish.</summary>
    public int WeekMinutes { get; set; }
    public int WeekTimes { get; set; }

    /// <summary>Whether it is to come in a second sitting of the day as well.</summary>
    public bool TwiceADay { get; set; }

    /// <summary>What is done for two weeks because it annoys, or is stuck, and from which day.</summary>
    public Relief Relief { get; set; }
    public DateOnly? ReliefFrom { get; set; }

    /// <summary>The day on which a rest ends; null for a rest without an end, or for none.</summary>
    public DateOnly? RestUntil { get; set; }

    /// <summary>Of a song: its chords or keys, as they were written.</summary>
    public string Harmony { get; set; } = "";

    /// <summary>Of something that was made up: what it was made from, and the key under which it was sent.</summary>
    public int? SourceId { get; set; }
    public Guid? MadeKey { get; set; }

    /// <summary>What was decided: fingering or sticking, bowing or breath, and why.</summary>
    public string Fingering { get; set; } = "";
    public string Stroke { get; set; } = "";
    public string Why { get; set; } = "";

    /// <summary>With the click or without, as decided by hand; null for what the school says.</summary>
    public bool? Click { get; set; }
    public DateOnly? AskedFor { get; set; }
    public int NextExample { get; set; } = 1;
    public int Examples { get; set; }
    public int PerDay { get; set; } = 3;

    /// <summary>Of a book: stretches with something in common, as they were typed; what was read beyond the next one, comma-separated.</summary>
    public string BookParts { get; set; } = "";
    public string ReadAhead { get; set; } = "";

    /// <summary>Of a book: what is in a key that sounded today comes first.</summary>
    public bool TodaysKey { get; set; }
    public DateOnly? LastVisit { get; set; }
    public int Visits { get; set; }
    public double? Stability { get; set; }
    public double? MemoryDifficulty { get; set; }
    public bool Slipped { get; set; }

    /// <summary>True when its tempo has not risen over the last visits; looked at when a session is closed.</summary>
    public bool Stuck { get; set; }
    public int? LastClean { get; set; }

    /// <summary>The fastest tempo that ever was clean; it never falls.</summary>
    public int? Best { get; set; }

    /// <summary>What the player can do: logarithm of notes a minute and how unsure it is, as of the last visit.</summary>
    public double? ReachLog { get; set; }
    public double? ReachSpread { get; set; }

    /// <summary>The day on which it was last rated concert-ready.</summary>
    public DateOnly? Confirmed { get; set; }

    /// <summary>The day on which its rating was last asked about.</summary>
    public DateOnly? RatingAsked { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
