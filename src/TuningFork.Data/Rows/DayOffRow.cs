using TuningFork.Core.Planning;

namespace TuningFork.Data.Rows;

/// <summary>A day, or a stretch of days, that is not as its weekdays are.</summary>
public sealed class DayOffRow : IRemovable
{
    public int Id { get; set; }
    public DateOnly From { get; set; }
    public DateOnly Until { get; set; }
    public DayOffKind Kind { get; set; }

    /// <summary>Minutes of each of these days.</summary>
    public int Minutes { get; set; }
    public string Text { get; set; } = "";
    public DateTime? RemovedUtc { get; set; }
}
