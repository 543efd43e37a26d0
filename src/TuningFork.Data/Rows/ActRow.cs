namespace TuningFork.Data.Rows;

/// <summary>An act on the stage of the open session that was carried out: sent again, it counts once.</summary>
public sealed class ActRow
{
    public Guid Id { get; set; }
    public int SessionId { get; set; }
}
