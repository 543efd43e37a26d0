using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>One voice on one staff, in written pitch.</summary>
public sealed record Score
{
    /// <summary>What it is called.</summary>
    public string Title { get; init; } = "";

    /// <summary>The clef.</summary>
    public Clef Clef { get; init; } = Clef.Treble;

    /// <summary>The key at its beginning.</summary>
    public Key Key { get; init; } = Key.C;

    /// <summary>The note that is the first degree where the signature does not tell it, as D in D Dorian; null for that of the key.</summary>
    public NoteName? Tonic { get; init; }

    /// <summary>The time signature at its beginning.</summary>
    public TimeSignature Time { get; init; } = TimeSignature.Common;

    /// <summary>Tempo, or null.</summary>
    public Bpm? Tempo { get; init; }

    /// <summary>The value that the tempo counts.</summary>
    public Fraction TempoBeat { get; init; } = new(1, 4);

    /// <summary>The way from written to sounding pitch.</summary>
    public Interval ToSounding { get; init; } = Interval.Unison;

    /// <summary>The staff it stands on, from the top and from 0; several voices may share one.</summary>
    public int Staff { get; init; }

    /// <summary>The bars in order.</summary>
    public required IReadOnlyList<Bar> Bars { get; init; }

    /// <summary>Seconds that something lasts at the tempo, 60 where none is given.</summary>
    /// <param name="length">Part of a whole note.</param>
    public double Seconds(Fraction length) => (length / TempoBeat).Value * 60 / (Tempo?.Value ?? 60);

    /// <summary>
    /// The bars in the order in which they are played: repeats, endings, da capo, dal segno, fine and coda followed; indices into
    /// <see cref="Bars"/>.
    /// </summary>
    public IReadOnlyList<int> Played() => PlayedOrder.Of(Bars);

    /// <summary>
    /// Numbers of the bars as they are printed: an upbeat is 0, each further bar one more than the one before, where none is given.
    /// The second half of a bar that was cut in two has the number of the first.
    /// </summary>
    public IReadOnlyList<int> Numbers()
    {
        var numbers = new int[Bars.Count];
        for (var i = 0; i < numbers.Length; i++)
            numbers[i] = Bars[i].Number
                ?? (
                    i > 0 ? numbers[i - 1] + 1
                    : Bars.Count > 1 && Bars[0].IsPartial ? 0
                    : 1
                );
        return numbers;
    }

    /// <summary>
    /// What is wrong with it, each with its bar from 1: bars that are not full, ties to another pitch or to nothing, tuplets left open.
    /// </summary>
    public IReadOnlyList<(int Bar, string Problem)> Check() => ScoreCheck.Check(this);
}
