using TuningFork.Core.Practice;

namespace TuningFork.Data.Rows;

/// <summary>A method that the player has defined.</summary>
public sealed class MethodRow : IRemovable
{
    public int Id { get; set; }
    public string Name { get; set; } = "";
    public string How { get; set; } = "";
    public string Records { get; set; } = "";
    public string Leave { get; set; } = "";
    public int Least { get; set; } = 2;
    public int Most { get; set; } = 5;
    public Course Course { get; set; }
    public int Count { get; set; }
    public Fit Fit { get; set; }
    public bool Resting { get; set; }
    public int Version { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
