namespace TuningFork.Core.Notation;

/// <summary>What files leave open is closed before the music is kept.</summary>
internal static class Mended
{
    /// <summary>Ties that lead to no note are let go and named; repeats that never end, which nobody plays, are no repeats.</summary>
    public static Music Of(Music music, LeftOutList leftOut)
    {
        var open = ScoreCheck.OpenRepeats(music.Lead.Bars).ToHashSet();
        var loose = ScoreCheck.LooseTies(music.Voices).ToLookup(tie => (tie.Voice, tie.Bar, tie.Index), tie => tie.Pitch);
        foreach (var tie in loose)
            leftOut.Add("ties that lead to no note", tie.Key.Bar);
        return new Music([
            .. music.Voices.Select(
                (voice, v) =>
                    voice with
                    {
                        Bars =
                        [
                            .. voice.Bars.Select(
                                (bar, b) =>
                                    bar with
                                    {
                                        RepeatBegins = bar.RepeatBegins && !open.Contains(b),
                                        Elements = [.. bar.Elements.Select((element, i) => Untied(element, [.. loose[(v, b, i)]]))],
                                    }
                            ),
                        ],
                    }
            ),
        ]);
    }

    private static Element Untied(Element element, List<Theory.Pitch> loose)
    {
        if (loose.Count == 0)
            return element;
        var held = element.Pitches.Where(pitch => element.IsTied(pitch) && !loose.Contains(pitch)).ToList();
        return element with { Tied = held.Count > 0, TiedOnly = held.Count < element.Pitches.Count ? held : [] };
    }
}
