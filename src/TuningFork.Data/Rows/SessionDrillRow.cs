using TuningFork.Core.Practice;

namespace TuningFork.Data.Rows;

/// <summary>Where a drill of a session stands.</summary>
public enum DrillState
{
    Waiting,
    Done,
    Skipped,
}

/// <summary>A drill as it was planned and played.</summary>
public sealed class SessionDrillRow
{
    public int Id { get; set; }
    public int SessionId { get; set; }
    public DateOnly Day { get; set; }
    public int Position { get; set; }
    public Area? Area { get; set; }

    /// <summary>An area to which the seconds are credited as well, though they count once.</summary>
    public Area? CreditedTo { get; set; }
    public string DrillJson { get; set; } = "";
    public string Title { get; set; } = "";
    public int PlannedSeconds { get; set; }
    public int ExtraSeconds { get; set; }
    public double PlayedSeconds { get; set; }

    /// <summary>Seconds that were left when it ended by its own rule and no later drill could use them: owed by nobody.</summary>
    public int LostSeconds { get; set; }
    public DrillState State { get; set; }

    /// <summary>Of a drill that is done: whole seconds of its time that were not played and went to no other.</summary>
    public int LeftSeconds =>
        State == DrillState.Done && Area is not null ? Math.Max(0, (int)(PlannedSeconds + ExtraSeconds - PlayedSeconds)) : 0;
    public int Nudge { get; set; }

    /// <summary>Of minutes without a miss: seconds played when the present stretch began; null before it did.</summary>
    public double? LoopFrom { get; set; }
    public List<TakeRow> Takes { get; set; } = [];
}
