namespace TuningFork.Data.Rows;

/// <summary>Where a passage stands on a page of its piece: a box, in parts of the page's width and height.</summary>
public sealed class BoxRow : IRemovable
{
    public int Id { get; set; }
    public int PageId { get; set; }
    public PageRow? Page { get; set; }
    public int PassageId { get; set; }
    public MaterialRow? Passage { get; set; }

    /// <summary>Its left upper corner, 0 to 1 from left and from above.</summary>
    public double X { get; set; }
    public double Y { get; set; }

    /// <summary>Its size, 0 to 1 of the page.</summary>
    public double Width { get; set; }
    public double Height { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
