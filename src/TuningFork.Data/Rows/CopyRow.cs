using TuningFork.Core.EarTraining;

namespace TuningFork.Data.Rows;

/// <summary>A phrase or figure that was heard and played back.</summary>
public sealed class CopyRow
{
    public int Id { get; set; }

    /// <summary>The key under which it was sent: sent again it counts once.</summary>
    public Guid Key { get; set; }
    public DateOnly Day { get; set; }
    public CopyKind Kind { get; set; }
    public int Level { get; set; }
    public int Hearings { get; set; }
    public bool Right { get; set; }
}
