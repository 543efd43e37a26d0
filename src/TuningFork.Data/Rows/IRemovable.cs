namespace TuningFork.Data.Rows;

/// <summary>A row that can be removed and taken back: it stays in the file for a while, and no question finds it.</summary>
public interface IRemovable
{
    /// <summary>When it was removed; null while it is there.</summary>
    DateTime? RemovedUtc { get; set; }
}
