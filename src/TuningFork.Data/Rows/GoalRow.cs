using TuningFork.Core.Planning;

namespace TuningFork.Data.Rows;

/// <summary>A dated, measurable aim.</summary>
public sealed class GoalRow : IRemovable
{
    public int Id { get; set; }
    public GoalKind Kind { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>Where it stood when it was set, and where it is to stand.</summary>
    public int From { get; set; }
    public int To { get; set; }
    public DateOnly Begun { get; set; }
    public DateOnly Until { get; set; }
    public DateOnly? Reached { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
