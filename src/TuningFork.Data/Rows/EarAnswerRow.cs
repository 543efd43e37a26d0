namespace TuningFork.Data.Rows;

/// <summary>An answer by ear.</summary>
public sealed class EarAnswerRow
{
    public int Id { get; set; }

    /// <summary>The key under which it was sent: sent again it counts once.</summary>
    public Guid Key { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }

    /// <summary>Lasting name of what was asked.</summary>
    public string Item { get; set; } = "";

    /// <summary>What it was taken for; null when it was answered aloud and judged by the player.</summary>
    public string? Said { get; set; }
    public bool Right { get; set; }

    /// <summary>Seconds from the end of the sound; null when they were not taken.</summary>
    public double? Seconds { get; set; }
}
