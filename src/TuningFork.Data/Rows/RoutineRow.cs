namespace TuningFork.Data.Rows;

/// <summary>A reusable shape of a day.</summary>
public sealed class RoutineRow : IRemovable
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string BlocksJson { get; set; } = "[]";
    public bool Interwoven { get; set; }

    /// <summary>Days it is used on, one bit each, Monday 1 to Sunday 64.</summary>
    public int Weekdays { get; set; }

    /// <summary>When one of its days was last ticked; null where that is not known.</summary>
    public DateTime? TickedUtc { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
