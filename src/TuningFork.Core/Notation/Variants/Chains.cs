namespace TuningFork.Core.Notation.Variants;

/// <summary>Growing chains: the first note, the first two, and so on; n notes make n steps.</summary>
internal static class Chains
{
    /// <summary>Longer chains take more minutes than anybody has.</summary>
    private const int MostNotes = 32;

    public static IReadOnlyList<Score> FromStart(Score score) => Of(score, (notes, count) => notes[..count]);

    public static IReadOnlyList<Score> FromEnd(Score score) => Of(score, (notes, count) => notes[^count..]);

    private static List<Score> Of(Score score, Func<List<List<Place>>, int, List<List<Place>>> part)
    {
        var notes = NoteGroups.Of(score);
        if (notes.Count > MostNotes)
            throw new VariantException($"A chain of {notes.Count} notes is too long; take a smaller passage, {MostNotes} notes at most.");
        return
        [
            .. Enumerable
                .Range(1, notes.Count)
                .Select(count =>
                {
                    var sounding = part(notes, count).SelectMany(group => group).ToHashSet();
                    var whole = NoteGroups.Only(score, sounding);
                    var (first, last) = (sounding.Min(place => place.Bar), sounding.Max(place => place.Bar));
                    return whole with
                    {
                        Bars = [.. whole.Bars.Skip(first).Take(last - first + 1)],
                        Key = KeyAt(score, first),
                        Time = TimeAt(score, first),
                    };
                }),
        ];
    }

    private static Theory.Key KeyAt(Score score, int bar) =>
        score.Bars.Take(bar + 1).Select(one => one.Key).LastOrDefault(key => key is not null) ?? score.Key;

    private static TimeSignature TimeAt(Score score, int bar) =>
        score.Bars.Take(bar + 1).Select(one => one.Time).LastOrDefault(time => time is not null) ?? score.Time;
}
