namespace TuningFork.Core.Technique;

/// <summary>A sheet cannot be made as wished.</summary>
/// <param name="field">What the trouble is about, as the wish names it.</param>
/// <param name="message">What is wrong and what to do, for the player.</param>
public sealed class SheetException(string field, string message) : Exception(message)
{
    /// <summary>What the trouble is about, as the wish names it.</summary>
    public string Field { get; } = field;
}
