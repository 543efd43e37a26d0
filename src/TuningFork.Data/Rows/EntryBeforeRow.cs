namespace TuningFork.Data.Rows;

/// <summary>What an entry said before it was changed.</summary>
public sealed class EntryBeforeRow
{
    public int Id { get; set; }
    public int EntryId { get; set; }
    public DateTime AtUtc { get; set; }
    public string Text { get; set; } = "";
    public string Cause { get; set; } = "";
    public string Remedy { get; set; } = "";
    public string NextTime { get; set; } = "";
    public string Tags { get; set; } = "";
}
