namespace TuningFork.Core.Notation;

/// <summary>A note as it is heard: ties joined, repeats followed, at sounding pitch.</summary>
/// <param name="Midi">Sounding MIDI note number.</param>
/// <param name="At">When it begins, in whole notes from the start.</param>
/// <param name="Length">How long it lasts, in whole notes.</param>
/// <param name="Bar">Index of the bar in which it begins.</param>
public sealed record HeardNote(int Midi, Fraction At, Fraction Length, int Bar);

/// <summary>Turns written music into what is heard.</summary>
public static class Performed
{
    /// <summary>All notes in the order in which they begin.</summary>
    /// <param name="score">The music.</param>
    public static IReadOnlyList<HeardNote> Notes(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        var heard = new List<HeardNote>();
        var held = new Dictionary<int, int>();
        var at = Fraction.Zero;
        foreach (var index in score.Played())
        {
            foreach (var element in score.Bars[index].Elements)
            {
                var tied = new Dictionary<int, int>();
                foreach (var pitch in element.Pitches)
                {
                    var midi = pitch.Midi + score.ToSounding.Semitones;
                    if (held.TryGetValue(midi, out var first))
                        heard[first] = heard[first] with { Length = heard[first].Length + element.Length };
                    else
                        heard.Add(new HeardNote(midi, at, element.Length, index));
                    if (element.Tied)
                        tied[midi] = held.TryGetValue(midi, out first) ? first : heard.Count - 1;
                }

                held = tied;
                at += element.Length;
            }
        }

        return heard;
    }

    /// <summary>All notes of staves that are played together, in the order in which they begin.</summary>
    /// <param name="staves">The staves.</param>
    public static IReadOnlyList<HeardNote> Notes(IReadOnlyList<Score> staves) =>
        [.. staves.SelectMany(Notes).OrderBy(note => note.At).ThenBy(note => note.Midi)];

    /// <summary>Length of all that is played, in whole notes.</summary>
    /// <param name="score">The music.</param>
    public static Fraction Length(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return Fraction.Sum(score.Played().Select(index => score.Bars[index].Length));
    }
}
