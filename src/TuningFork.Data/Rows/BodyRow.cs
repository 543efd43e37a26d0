namespace TuningFork.Data.Rows;

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
