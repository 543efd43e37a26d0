using TuningFork.Core.Practice;

namespace TuningFork.Data.Rows;

/// <summary>A sitting that really happened.</summary>
public sealed class SessionRow
{
    public int Id { get; set; }
    public DateOnly Day { get; set; }
    public int PlanId { get; set; }
    public int PlannedMinutes { get; set; }
    public string Purpose { get; set; } = "";
    public DateTime StartedUtc { get; set; }
    public DateTime? EndedUtc { get; set; }
    public bool Running { get; set; }

    /// <summary>Position of the drill on the stage; equal to the number of drills when all are through.</summary>
    public int Current { get; set; }
    public DateTime PulseUtc { get; set; }

    /// <summary>Id of the message that closed it: sent again, it closes nothing twice.</summary>
    public Guid? ClosedBy { get; set; }
    public int Version { get; set; }
    public List<SessionDrillRow> Drills { get; set; } = [];
}

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
    public int Nudge { get; set; }
    public List<TakeRow> Takes { get; set; } = [];
}

/// <summary>One try.</summary>
public sealed class TakeRow
{
    public Guid Id { get; set; }
    public int SessionDrillId { get; set; }
    public int Number { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }
    public string Key { get; set; } = "";
    public int TargetIndex { get; set; }
    public int? MaterialId { get; set; }
    public bool Clean { get; set; }
    public int? Tempo { get; set; }

    /// <summary>Of a run on the click: how many came late. Of one against the clock: its seconds.</summary>
    public int? Late { get; set; }
    public double? Seconds { get; set; }
}

/// <summary>An act on the stage of the open session that was carried out: sent again, it counts once.</summary>
public sealed class ActRow
{
    public Guid Id { get; set; }
    public int SessionId { get; set; }
}

/// <summary>What kind of writing it is.</summary>
public enum EntryKind
{
    Note,
    Shelf,
    Drill,
    Session,
}

/// <summary>Something written down.</summary>
public sealed class EntryRow : IRemovable
{
    public int Id { get; set; }
    public Guid Key { get; set; }
    public DateTime AtUtc { get; set; }
    public DateOnly Day { get; set; }
    public EntryKind Kind { get; set; }
    public int? SessionId { get; set; }
    public int? SessionDrillId { get; set; }
    public int? MaterialId { get; set; }

    /// <summary>The take at which it was begun, from 1; null when it belongs to none.</summary>
    public int? Take { get; set; }
    public string About { get; set; } = "";
    public string Text { get; set; } = "";
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>An ear task, a warm-up or an idea to play with that was asked for; it goes once it was practised.</summary>
public sealed class AskRow
{
    public string Key { get; set; } = "";
    public DateOnly Day { get; set; }
}

/// <summary>What the body said.</summary>
public sealed class BodyRow
{
    public int Id { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }

    /// <summary>0 none to 3 high.</summary>
    public int Tension { get; set; }

    /// <summary>Pain, numbness or tingling.</summary>
    public bool Pain { get; set; }
    public string Where { get; set; } = "";

    /// <summary>Keys of what was played when it was told, comma-separated; empty when it was not told of a drill.</summary>
    public string Keys { get; set; } = "";
}

/// <summary>Facts about the file itself.</summary>
public sealed class FactRow
{
    public string Name { get; set; } = "";
    public string Value { get; set; } = "";
}
