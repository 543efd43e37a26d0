namespace TuningFork.Data.Rows;

/// <summary>A tune the player knows, to be found on the instrument by ear.</summary>
public sealed class TuneRow : IRemovable
{
    public int Id { get; set; }
    public string Title { get; set; } = "";

    /// <summary>The degree of its first note.</summary>
    public int StartDegree { get; set; } = 1;
    public bool IsMinor { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
