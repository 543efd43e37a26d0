using TuningFork.Core.Spacing;

namespace TuningFork.Data.Rows;

/// <summary>A rating of readiness, kept with its date.</summary>
public sealed class RatingRow
{
    public int Id { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public DateOnly Day { get; set; }
    public Readiness Readiness { get; set; }
}
