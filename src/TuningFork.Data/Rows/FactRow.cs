namespace TuningFork.Data.Rows;

/// <summary>Facts about the file itself.</summary>
public sealed class FactRow
{
    public string Name { get; set; } = "";
    public string Value { get; set; } = "";
}
