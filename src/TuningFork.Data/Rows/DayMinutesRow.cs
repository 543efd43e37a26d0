namespace TuningFork.Data.Rows;

/// <summary>The minutes of one day that were moved by hand.</summary>
public sealed class DayMinutesRow
{
    public DateOnly Day { get; set; }
    public int Minutes { get; set; }
}
