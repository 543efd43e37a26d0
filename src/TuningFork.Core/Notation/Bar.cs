using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>A bar.</summary>
/// <param name="Elements">What it holds, in order.</param>
public sealed record Bar(IReadOnlyList<Element> Elements)
{
    /// <summary>What it holds, in order.</summary>
    public IReadOnlyList<Element> Elements { get; init; } = Elements ?? [];

    /// <summary>The key from here, where it changes; else null.</summary>
    public Key? Key { get; init; }

    /// <summary>The time signature from here, where it changes; else null.</summary>
    public TimeSignature? Time { get; init; }

    /// <summary>True when a repeat begins with it.</summary>
    public bool RepeatBegins { get; init; }

    /// <summary>True when it goes back to the beginning of the repeat.</summary>
    public bool RepeatEnds { get; init; }

    /// <summary>The times through on which it is played, at the beginning of a first or second ending; empty elsewhere.</summary>
    public IReadOnlyList<int> Ending { get; init; } = [];

    /// <summary>
    /// True where its length is its own and not that of the metre: an upbeat, a bar that an upbeat fills, one cut in two, a cadenza.
    /// </summary>
    public bool IsPartial { get; init; }

    /// <summary>The number printed above it where it is not one more than that of the bar before; null elsewhere.</summary>
    public int? Number { get; init; }

    /// <summary>How often a repeat that ends here is played in all.</summary>
    public int Times { get; init; } = 2;

    /// <summary>Signs of the way through the music at its beginning and its end.</summary>
    public Way Way { get; init; }

    /// <summary>True where a double line stands at its end.</summary>
    public bool IsDouble { get; init; }

    /// <summary>Length of what it holds.</summary>
    public Fraction Length => Fraction.Sum(Elements.Select(element => element.Length));
}
