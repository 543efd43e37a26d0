using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;

namespace TuningFork.Data.Rows;

/// <summary>The player: one row.</summary>
public sealed class ProfileRow
{
    public int Id { get; set; } = 1;
    public string Instrument { get; set; } = "";
    public string Family { get; set; } = "other";

    /// <summary>Semitones from written to sounding pitch.</summary>
    public int Transposition { get; set; }

    /// <summary>Minutes from Monday to Sunday, comma-separated.</summary>
    public string WeekdayMinutes { get; set; } = "30,30,30,30,30,30,30";
    public int BoundaryHour { get; set; } = PracticeDay.DefaultBoundaryHour;
    public string SharesJson { get; set; } = "";
    public School School { get; set; }
    public Mix Mix { get; set; } = Mix.Shuffled;
    public int ScaleMinutes { get; set; } = 20;

    /// <summary>Lowest and highest written note, "E3"; empty for the instrument's usual ones.</summary>
    public string Lowest { get; set; } = "";
    public string Highest { get; set; } = "";

    /// <summary>Frequency of A4 in hertz.</summary>
    public int A4 { get; set; } = 440;
    public Naming Naming { get; set; }

    /// <summary>How click and drone are set; empty for the usual way.</summary>
    public string SoundJson { get; set; } = "";

    /// <summary>How a warm-up begins, and one's own words for the awareness exercise.</summary>
    public WarmUpSchool WarmUpSchool { get; set; }
    public string Awareness { get; set; } = "";

    /// <summary>Minutes of the opening.</summary>
    public int OpeningMinutes { get; set; } = 1;

    /// <summary>Most passages under way at a time; 0 for no limit.</summary>
    public int UnderWay { get; set; }

    /// <summary>What is the player's own about growth and slips; empty before anything was learnt of it.</summary>
    public string TraitsJson { get; set; } = "";

    /// <summary>Sounding MIDI note round which ear questions lie.</summary>
    public int EarCentre { get; set; } = 60;
    public int Version { get; set; }
}

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
    public string Beat { get; set; } = "quarter";
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

    /// <summary>Difficulties that it serves, comma-separated.</summary>
    public string Serves { get; set; } = "";
    public DateOnly? ReviewOn { get; set; }

    /// <summary>A school of spacing of its own, for a piece; null for the player's.</summary>
    public School? School { get; set; }

    /// <summary>What is still missing, what helps, and the method that does it.</summary>
    public string Missing { get; set; } = "";
    public string Remedy { get; set; } = "";
    public string Proposed { get; set; } = "";

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

    /// <summary>The day on which a rest ends; null for a rest without an end, or for none.</summary>
    public DateOnly? RestUntil { get; set; }

    /// <summary>What was decided: fingering or sticking, bowing or breath, and why.</summary>
    public string Fingering { get; set; } = "";
    public string Stroke { get; set; } = "";
    public string Why { get; set; } = "";
    public DateOnly? AskedFor { get; set; }
    public int NextExample { get; set; } = 1;
    public int Examples { get; set; }
    public int PerDay { get; set; } = 3;
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

/// <summary>The music of a piece.</summary>
public sealed class MusicRow : IRemovable
{
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>As ABC notation, in written pitch.</summary>
    public string Abc { get; set; } = "";

    /// <summary>What was not taken over from the file it came from, a line each.</summary>
    public string LeftOut { get; set; } = "";
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>A rating of readiness, kept with its date.</summary>
public sealed class RatingRow
{
    public int Id { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public DateOnly Day { get; set; }
    public Readiness Readiness { get; set; }
}

/// <summary>A reusable shape of a day.</summary>
public sealed class RoutineRow : IRemovable
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string BlocksJson { get; set; } = "[]";
    public bool Interwoven { get; set; }

    /// <summary>Days it is used on, one bit each, Monday 1 to Sunday 64.</summary>
    public int Weekdays { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>A version of the warm-up.</summary>
public sealed class WarmUpRow : IRemovable
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string PartsJson { get; set; } = "[]";
    public DateOnly? LastDay { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>A plan the player has touched or begun.</summary>
public sealed class PlanRow
{
    public int Id { get; set; }
    public DateOnly Day { get; set; }

    /// <summary>Sittings that were begun that day before this one.</summary>
    public int Sitting { get; set; }
    public int Minutes { get; set; }
    public Demands Demands { get; set; }
    public string Purpose { get; set; } = "";

    /// <summary>The difficulty that technique is to serve, "none", or empty for the app's choice.</summary>
    public string Focus { get; set; } = "";
    public int Seed { get; set; }
    public int RoutineId { get; set; }
    public string PlanJson { get; set; } = "";

    /// <summary>The plan before the last change by hand, so that it can be taken back; empty when there is none.</summary>
    public string BeforeJson { get; set; } = "";
    public bool Begun { get; set; }
    public int Version { get; set; }
}

/// <summary>A dated, measurable aim.</summary>
public sealed class GoalRow : IRemovable
{
    public int Id { get; set; }
    public GoalKind Kind { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>Where it stood when it was set, and where it is to stand.</summary>
    public int From { get; set; }
    public int To { get; set; }
    public DateOnly Begun { get; set; }
    public DateOnly Until { get; set; }
    public DateOnly? Reached { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>A method that the player has defined.</summary>
public sealed class MethodRow : IRemovable
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string How { get; set; } = "";
    public string Records { get; set; } = "";
    public string Leave { get; set; } = "";
    public int Least { get; set; } = 2;
    public int Most { get; set; } = 5;
    public Course Course { get; set; }
    public int Count { get; set; }
    public Fit Fit { get; set; }
    public bool Resting { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>A page of a piece as a picture or a PDF.</summary>
public sealed class PageRow : IRemovable
{
    public int Id { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public string Name { get; set; } = "";
    public string ContentType { get; set; } = "";
    public byte[] Bytes { get; set; } = [];
    public DateTime? RemovedUtc { get; set; }
}
