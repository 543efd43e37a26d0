namespace TuningFork.Data.Rows;

/// <summary>The file that the music of a piece came from, as it was; in a table of its own, so that it is read only when it is wanted.</summary>
public sealed class MusicFileRow
{
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>What it was called; empty where it was not said.</summary>
    public string Name { get; set; } = "";
    public byte[] Bytes { get; set; } = [];
}
