namespace TuningFork.Core.Notation;

/// <summary>A music file cannot be read.</summary>
/// <param name="message">What is wrong and what to do, for the player.</param>
public sealed class MusicFileException(string message) : Exception(message);
