namespace TuningFork.Data.Rows;

/// <summary>The music of a piece.</summary>
public sealed class MusicRow : IRemovable
{
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>The music itself, in written pitch (see <see cref="Core.Notation.ScoreJson"/>).</summary>
    public string Score { get; set; } = "";

    /// <summary>What earlier versions kept: ABC notation. It is read once, when the file is brought up to date; empty since.</summary>
    public string Abc { get; set; } = "";

    /// <summary>What was not taken over from the file it came from, a line each.</summary>
    public string LeftOut { get; set; } = "";
    public DateTime? RemovedUtc { get; set; }
}
