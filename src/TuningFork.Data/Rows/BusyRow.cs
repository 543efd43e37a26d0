namespace TuningFork.Data.Rows;

/// <summary>A stretch of time that a calendar says is taken.</summary>
public sealed class BusyRow
{
    public int Id { get; set; }
    public DateTime FromUtc { get; set; }
    public DateTime UntilUtc { get; set; }
    public string Title { get; set; } = "";
}
