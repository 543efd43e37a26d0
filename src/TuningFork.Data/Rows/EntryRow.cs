namespace TuningFork.Data.Rows;

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
