namespace TuningFork.Data.Rows;

/// <summary>A page of a piece as a picture or a PDF.</summary>
public sealed class PageRow : IRemovable
{
    public int Id { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public string Name { get; set; } = "";
    public string ContentType { get; set; } = "";
    public byte[] Bytes { get; set; } = [];
    public DateTime? RemovedUtc { get; set; }
}
