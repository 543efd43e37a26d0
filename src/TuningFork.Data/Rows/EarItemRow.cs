namespace TuningFork.Data.Rows;

/// <summary>What is known of one thing that an ear can know; there from its first answer on.</summary>
public sealed class EarItemRow
{
    /// <summary>Its lasting name: "down:8".</summary>
    public string Item { get; set; } = "";
    public double Stability { get; set; }
    public double Difficulty { get; set; }
    public DateOnly LastDay { get; set; }
    public DateOnly Due { get; set; }
    public int Asked { get; set; }
    public int Right { get; set; }
}
