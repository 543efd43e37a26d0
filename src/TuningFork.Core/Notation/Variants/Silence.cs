namespace TuningFork.Core.Notation.Variants;

/// <summary>Some of it sounds, the rest is heard inwardly in time; then the other way round. Two steps that make the whole.</summary>
internal static class Silence
{
    public static IReadOnlyList<Score> ByBar(Score score) =>
        score.Bars.Count < 2
            ? throw new VariantException("One bar alone cannot take turns with another; take beats or notes.")
            : Halves(score, (group, _) => group[0].Bar);

    /// <summary>By the beat on which a note begins; what is held over a beat belongs to where it began.</summary>
    public static IReadOnlyList<Score> ByBeat(Score score)
    {
        var beats = new Dictionary<Place, int>();
        var count = 0;
        var time = score.Time;
        for (var bar = 0; bar < score.Bars.Count; bar++)
        {
            time = score.Bars[bar].Time ?? time;
            var at = score.Bars[bar].IsPartial ? time.Bar - score.Bars[bar].Length : Fraction.Zero;
            for (var index = 0; index < score.Bars[bar].Elements.Count; index++)
            {
                var beat = at / time.Beat;
                beats[new Place(bar, index)] = count + (int)(beat.Numerator / beat.Denominator);
                at += score.Bars[bar].Elements[index].Length;
            }

            var all = time.Bar / time.Beat;
            count += (int)((all.Numerator + all.Denominator - 1) / all.Denominator);
        }

        return Halves(score, (group, _) => beats[group[0]]);
    }

    public static IReadOnlyList<Score> ByNote(Score score) => Halves(score, (_, number) => number);

    private static List<Score> Halves(Score score, Func<List<Place>, int, int> turn)
    {
        var groups = NoteGroups.Of(score);
        var first = groups.Where((group, number) => turn(group, number) % 2 == 0).SelectMany(group => group).ToHashSet();
        var second = groups.SelectMany(group => group).Where(place => !first.Contains(place)).ToHashSet();
        return first.Count == 0 || second.Count == 0
            ? throw new VariantException("These bars are too short to take turns; take a smaller unit.")
            : [NoteGroups.Only(score, first), NoteGroups.Only(score, second)];
    }
}
