namespace TuningFork.Data.Rows;

/// <summary>Something short that was done in passing, away from any sitting.</summary>
public sealed class SpareRow
{
    public int Id { get; set; }
    public Guid Key { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }

    /// <summary>What was done, "pass:12", and how it is called.</summary>
    public string Thing { get; set; } = "";
    public string Title { get; set; } = "";
    public int? MaterialId { get; set; }

    /// <summary>Whether it came right; null where there is nothing to be right.</summary>
    public bool? Right { get; set; }
    public int Seconds { get; set; }
}
