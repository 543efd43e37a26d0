using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>
/// Reads ABC notation (ABC 2.1, abcnotation.com standard): tune books, voices and overlays, keys with clefs and accidentals of
/// their own, metres of all kinds, repeats and endings, and the usual decorations. What is not taken over is named.
/// </summary>
public static class AbcReader
{
    /// <summary>Longest text that is read, in signs.</summary>
    public const int LongestText = 4_000_000;

    /// <summary>The tunes of a text.</summary>
    /// <param name="text">ABC text.</param>
    /// <param name="clef">Clef where a tune names none.</param>
    public static IReadOnlyList<MusicChoice> Choices(string text, Clef clef = Clef.Treble)
    {
        ArgumentNullException.ThrowIfNull(text);
        return [.. AbcBook.Tunes(text).Select((tune, i) => Choice(text, tune, i, clef))];
    }

    /// <summary>The music of a tune.</summary>
    /// <param name="text">ABC text; the header may be missing from the front, then C major, four quarters and eighths are meant.</param>
    /// <param name="clef">Clef where the text names none.</param>
    /// <param name="tune">Which tune of a book, from 0.</param>
    /// <param name="isTyped">
    /// True for what is being typed: a bar that is too short or too long, or a sign without meaning, is a slip and is refused where it
    /// stands. In files both are taken as they are, and named.
    /// </param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="AbcException">It cannot be read; the message names line, place and remedy.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static ReadMusic Read(
        string text,
        Clef clef = Clef.Treble,
        int tune = 0,
        bool isTyped = false,
        CancellationToken cancel = default
    )
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Length > LongestText)
            throw new AbcException(1, 1, $"This text is too long; take {LongestText:N0} signs or fewer.");
        var tunes = AbcBook.Tunes(text);
        if (tune < 0 || tune >= tunes.Count)
            throw new AbcException(1, 1, $"This book has {tunes.Count} tunes; choose one of them.");
        var leftOut = new LeftOutList();
        var signs = new AbcText(text, tunes[tune].From, tunes[tune].To);
        return new AbcBody(signs, AbcBook.Head(text, clef), clef, leftOut, isTyped, cancel).Read();
    }

    private static MusicChoice Choice(string text, AbcTune tune, int index, Clef clef)
    {
        try
        {
            var music = Read(text, clef, index).Music;
            return new MusicChoice(
                music.Lead.Title.Length > 0 ? music.Lead.Title : tune.Name,
                music.Voices.Sum(voice => voice.Bars.Sum(bar => bar.Elements.Count(element => !element.IsRest))),
                music.Staves,
                music.Voices.Count,
                music.Lead.ToSounding.Semitones is var semitones and not 0 ? semitones : null
            );
        }
        catch (AbcException)
        {
            return new MusicChoice(tune.Name, 0);
        }
    }
}
