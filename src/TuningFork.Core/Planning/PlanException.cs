namespace TuningFork.Core.Planning;

/// <summary>A plan cannot be made or changed as wished. Nothing has changed.</summary>
/// <param name="field">What the trouble is about, as the request names it.</param>
/// <param name="message">What is wrong and what to do, for the player.</param>
public sealed class PlanException(string field, string message) : Exception(message)
{
    /// <summary>What the trouble is about, as the request names it.</summary>
    public string Field { get; } = field;
}
