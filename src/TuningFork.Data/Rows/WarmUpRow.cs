namespace TuningFork.Data.Rows;

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
