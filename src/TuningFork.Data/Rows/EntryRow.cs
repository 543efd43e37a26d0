namespace TuningFork.Data.Rows;

/// <summary>What kind of writing it is.</summary>
public enum EntryKind
{
    Note,
    Shelf,
    Drill,
    Session,

    /// <summary>About a day, played or not.</summary>
    Day,
}

/// <summary>What became of an idea on the shelf.</summary>
public enum ShelfFate
{
    Piece,
    Exercise,

    /// <summary>An idea for free playing.</summary>
    Play,

    /// <summary>Something to listen to.</summary>
    Listen,
    Dropped,
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

    /// <summary>Why it went as it did, what helps, and what to do next time; each may be empty.</summary>
    public string Cause { get; set; } = "";
    public string Remedy { get; set; } = "";
    public string NextTime { get; set; } = "";

    /// <summary>Tags, each on a line of its own with a line before and after the last: "\nreed\nbreath\n"; empty for none.</summary>
    public string Tags { get; set; } = "";

    /// <summary>The day to which it is carried over; null for none.</summary>
    public DateOnly? CarriedTo { get; set; }

    /// <summary>When it was marked as settled: until then the last line about a thing comes back with it.</summary>
    public DateTime? SettledUtc { get; set; }

    /// <summary>Of an idea on the shelf: what became of it; null while it waits.</summary>
    public ShelfFate? Became { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
