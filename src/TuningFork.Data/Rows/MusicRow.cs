namespace TuningFork.Data.Rows;

/// <summary>The music of a piece.</summary>
public sealed class MusicRow : IRemovable
{
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>As ABC notation, in written pitch.</summary>
    public string Abc { get; set; } = "";

    /// <summary>What was not taken over from the file it came from, a line each.</summary>
    public string LeftOut { get; set; } = "";
    public DateTime? RemovedUtc { get; set; }
}
