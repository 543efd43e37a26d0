namespace TuningFork.Core.Notation;

/// <summary>Whether music can be written and played as it stands.</summary>
internal static class ScoreCheck
{
    public static IReadOnlyList<(int Bar, string Problem)> Check(Score score)
    {
        var found = new List<(int, string)>();
        var time = score.Time;
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var bar = score.Bars[i];
            time = bar.Time ?? time;
            if (bar.Length != time.Bar && !(bar.IsPartial && bar.Length < time.Bar))
                found.Add((i + 1, $"Bar {i + 1} holds {bar.Length} of a whole note; {time} needs {time.Bar}."));
            if (Tuplets(bar) is { } problem)
                found.Add((i + 1, $"Bar {i + 1}: {problem}"));
        }

        found.AddRange(Ties(score));
        found.AddRange(Repeats(score));
        return found;
    }

    private static IEnumerable<(int Bar, string Problem)> Repeats(Score score)
    {
        int? open = null;
        for (var i = 0; i < score.Bars.Count; i++)
        {
            if (score.Bars[i].RepeatBegins && open is { } begun)
                yield return (begun, $"Bar {begun}: a repeat begins here and does not end.");
            if (score.Bars[i].RepeatBegins)
                open = i + 1;
            if (score.Bars[i].RepeatEnds)
                open = null;
        }

        if (open is { } left)
            yield return (left, $"Bar {left}: a repeat begins here and does not end.");
    }

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
                continue;
            }

            if (tuplet.Begins == (open is not null))
                return tuplet.Begins ? "a tuplet begins inside another." : "a tuplet was not begun.";
            open ??= tuplet;
            length += element.Length;
            if (!tuplet.Ends)
                continue;
            if (!IsPowerOfTwo(length.Denominator))
                return "a tuplet is not full.";
            (open, length) = (null, Fraction.Zero);
        }

        return open is null ? null : "a tuplet is not closed.";
    }

    private static IEnumerable<(int Bar, string Problem)> Ties(Score score)
    {
        var all = score.Bars.SelectMany((bar, i) => bar.Elements.Select(element => (Bar: i + 1, Element: element))).ToList();
        for (var i = 0; i < all.Count; i++)
        {
            var (bar, element) = all[i];
            if (
                element.Tied
                && (i + 1 == all.Count || !element.Pitches.All(pitch => all[i + 1].Element.Pitches.Any(next => next.Midi == pitch.Midi)))
            )
                yield return (bar, $"Bar {bar}: a tie leads to another note, or to none.");
        }
    }

    private static bool IsPowerOfTwo(long number) => (number & (number - 1)) == 0;
}
