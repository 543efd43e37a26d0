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
        return Joined(Heads(score));
    }

    /// <summary>All notes of voices that are played together, in the order in which they begin. A tie may lead to another voice.</summary>
    /// <param name="voices">The voices, of the same bars.</param>
    public static IReadOnlyList<HeardNote> Notes(IReadOnlyList<Score> voices) =>
        Joined([.. voices.SelectMany(Heads).OrderBy(head => head.Note.At).ThenBy(head => head.Note.Midi)]);

    /// <summary>Length of all that is played, in whole notes.</summary>
    /// <param name="score">The music.</param>
    public static Fraction Length(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        return Fraction.Sum(score.Played().Select(index => score.Bars[index].Length));
    }

    private static List<(HeardNote Note, bool IsTied)> Heads(Score score)
    {
        var heads = new List<(HeardNote, bool)>();
        var at = Fraction.Zero;
        foreach (var index in score.Played())
        {
            foreach (var element in score.Bars[index].Elements)
            {
                foreach (var pitch in element.Pitches)
                    heads.Add((new HeardNote(pitch.Midi + score.ToSounding.Semitones, at, element.Length, index), element.IsTied(pitch)));
                at += element.Length;
            }
        }

        return heads;
    }

    private static List<HeardNote> Joined(List<(HeardNote Note, bool IsTied)> heads)
    {
        var heard = new List<HeardNote>();
        var held = new Dictionary<(int Midi, Fraction End), int>();
        foreach (var (note, isTied) in heads)
        {
            if (held.Remove((note.Midi, note.At), out var first))
                heard[first] = heard[first] with { Length = heard[first].Length + note.Length };
            else
            {
                heard.Add(note);
                first = heard.Count - 1;
            }

            if (isTied)
                held[(note.Midi, note.At + note.Length)] = first;
        }

        return heard;
    }
}
