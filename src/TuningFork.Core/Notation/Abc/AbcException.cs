using System.Globalization;

namespace TuningFork.Core.Notation;

/// <summary>Music in ABC cannot be read.</summary>
/// <param name="line">Line from 1.</param>
/// <param name="column">Place in the line from 1.</param>
/// <param name="message">What is wrong and what to do, for the player.</param>
public sealed class AbcException(int line, int column, string message)
    : Exception(string.Create(CultureInfo.InvariantCulture, $"Line {line}, place {column}: {message}"))
{
    /// <summary>Line from 1.</summary>
    public int Line { get; } = line;

    /// <summary>Place in the line from 1.</summary>
    public int Column { get; } = column;
}
