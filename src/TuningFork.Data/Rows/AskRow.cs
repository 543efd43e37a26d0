namespace TuningFork.Data.Rows;

/// <summary>An ear task, a warm-up or an idea to play with that was asked for; it goes once it was practised.</summary>
public sealed class AskRow
{
    public string Key { get; set; } = "";
    public DateOnly Day { get; set; }
}
