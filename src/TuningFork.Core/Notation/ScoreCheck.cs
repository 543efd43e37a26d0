namespace TuningFork.Core.Notation;

/// <summary>Whether music can be written and played as it stands.</summary>
internal static class ScoreCheck
{
    /// <summary>Of one voice.</summary>
    public static IReadOnlyList<(int Bar, string Problem)> Check(Score score) => [.. Bars(score), .. Ties([score]), .. Repeats(score)];

    /// <summary>Of voices that are played together.</summary>
    public static IReadOnlyList<(int Bar, string Problem)> Check(Music music) =>
        [.. music.Voices.SelectMany(Bars), .. Ties(music.Voices), .. Repeats(music.Lead), .. Together(music)];

    /// <summary>Heads whose tie leads to no note that begins where they end, in any of the voices; a last bar before a jump is none.</summary>
    public static IEnumerable<(int Voice, int Bar, int Index, Theory.Pitch Pitch)> LooseTies(IReadOnlyList<Score> voices)
    {
        var begins = new HashSet<(Fraction At, int Midi)>();
        foreach (var (_, _, _, at, element) in voices.SelectMany(Places))
            begins.UnionWith(element.Pitches.Select(pitch => (at, pitch.Midi)));
        for (var voice = 0; voice < voices.Count; voice++)
        {
            foreach (var (_, bar, index, at, element) in Places(voices[voice], voice))
            foreach (var pitch in element.Pitches)
                if (element.IsTied(pitch) && !begins.Contains((at + element.Length, pitch.Midi)))
                    yield return (voice, bar, index, pitch);
        }
    }

    /// <summary>Bars in which a repeat begins that never ends.</summary>
    public static IEnumerable<int> OpenRepeats(IReadOnlyList<Bar> bars)
    {
        int? open = null;
        for (var i = 0; i < bars.Count; i++)
        {
            if (bars[i].RepeatBegins)
            {
                if (open is { } begun)
                    yield return begun;
                open = i;
            }

            if (bars[i].RepeatEnds)
                open = null;
        }

        if (open is { } left)
            yield return left;
    }

    private static IEnumerable<(int Voice, int Bar, int Index, Fraction At, Element Element)> Places(Score score, int voice)
    {
        var at = Fraction.Zero;
        for (var bar = 0; bar < score.Bars.Count; bar++)
        {
            for (var index = 0; index < score.Bars[bar].Elements.Count; index++)
            {
                var element = score.Bars[bar].Elements[index];
                yield return (voice, bar, index, at, element);
                at += element.Length;
            }
        }
    }

    private static IEnumerable<(int Bar, string Problem)> Bars(Score score)
    {
        var time = score.Time;
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var bar = score.Bars[i];
            time = bar.Time ?? time;
            if (bar.Length != time.Bar && !bar.IsPartial)
                yield return (i + 1, $"Bar {i + 1} holds {bar.Length} of a whole note; {time} needs {time.Bar}.");
            if (Tuplets(bar) is { } problem)
                yield return (i + 1, $"Bar {i + 1}: {problem}");
            if (bar.Elements.Any(element => Values.Of(element.Written) is null))
                yield return (i + 1, $"Bar {i + 1}: one of its lengths cannot be written with one head.");
        }
    }

    private static IEnumerable<(int Bar, string Problem)> Together(Music music)
    {
        foreach (var voice in music.Voices.Skip(1))
        {
            if (voice.Bars.Count != music.Lead.Bars.Count)
                yield return (1, "Bar 1: its voices have not as many bars.");
            else
                for (var i = 0; i < voice.Bars.Count; i++)
                    if (voice.Bars[i].Length != music.Lead.Bars[i].Length)
                        yield return (i + 1, $"Bar {i + 1}: its voices are not as long.");
        }
    }

    private static IEnumerable<(int Bar, string Problem)> Repeats(Score score) =>
        OpenRepeats(score.Bars).Select(bar => (bar + 1, $"Bar {bar + 1}: a repeat begins here and does not end."));

    private static IEnumerable<(int Bar, string Problem)> Ties(IReadOnlyList<Score> voices) =>
        LooseTies(voices).Select(tie => (tie.Bar + 1, $"Bar {tie.Bar + 1}: a tie leads to another note, or to none."));

    private static string? Tuplets(Bar bar)
    {
        Tuplet? open = null;
        var length = Fraction.Zero;
        foreach (var element in bar.Elements)
        {
            if (element.Tuplet is not { } tuplet)
            {
                if (open is not null)
                    return "a tuplet is not closed.";
                if (!IsPowerOfTwo(length.Denominator))
                    return "a tuplet is not full.";
                length = Fraction.Zero;
                continue;
            }

            if (tuplet.Begins == (open is not null))
                return tuplet.Begins ? "a tuplet begins inside another." : "a tuplet was not begun.";
            open = tuplet.Ends ? null : tuplet;
            length += element.Length;
        }

        return open is not null ? "a tuplet is not closed."
            : IsPowerOfTwo(length.Denominator) ? null
            : "a tuplet is not full.";
    }

    private static bool IsPowerOfTwo(long number) => (number & (number - 1)) == 0;
}
