namespace TuningFork.Data.Rows;

/// <summary>One try.</summary>
public sealed class TakeRow
{
    public Guid Id { get; set; }
    public int SessionDrillId { get; set; }
    public int Number { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }
    public string Key { get; set; } = "";
    public int TargetIndex { get; set; }
    public int? MaterialId { get; set; }
    public bool Clean { get; set; }
    public int? Tempo { get; set; }

    /// <summary>Of a run on the click: how many came late. Of one against the clock: its seconds.</summary>
    public int? Late { get; set; }
    public double? Seconds { get; set; }

    /// <summary>Of a run on the click: the names of what came late, one a line, in the order in which they came; else empty.</summary>
    public string LateItems { get; set; } = "";

    /// <summary>Of a missed take: -1 too early, 1 too late; null where it was not said.</summary>
    public int? Off { get; set; }
}
