namespace TuningFork.Core.Technique;

/// <summary>An exercise that could be made of a sheet for something that is hard.</summary>
/// <param name="Why">What it does for the difficulty, in a few words.</param>
/// <param name="Figure">"scale", "arpeggio" or "pattern".</param>
/// <param name="Octaves">Octaves wished for; one where the instrument has no more.</param>
/// <param name="Rhythm">Lasting name of its rhythm.</param>
/// <param name="Joining">Lasting name of its articulation.</param>
/// <param name="Pattern">Number of the pattern of four degrees, where it is one.</param>
public sealed record ExerciseOffer(string Why, string Figure, int Octaves, string Rhythm, string Joining = "plain", int Pattern = 1);

/// <summary>From a difficulty to exercises: two or three for each, and for one's own words as well (common practice).</summary>
public static class ExerciseOffers
{
    /// <summary>A pattern of four whose second and third change places: the fingers come in another order than in the scale.</summary>
    private const int TurnedPattern = 3;

    /// <summary>The exercises for a difficulty, what helps most first.</summary>
    /// <param name="difficulty">One of the list, or one's own words: a stroke, vibrato, posture.</param>
    public static IReadOnlyList<ExerciseOffer> For(string difficulty)
    {
        ArgumentException.ThrowIfNullOrWhiteSpace(difficulty);
        return difficulty switch
        {
            "fingering" =>
            [
                new("each finger has to be early once", "scale", 1, "long-short"),
                new("the same fingers in another order", "pattern", 1, "eighth", Pattern: TurnedPattern),
                new("wide steps under the hand", "arpeggio", 1, "eighth"),
            ],
            "shift" =>
            [
                new("the hand moves and the sound goes on", "scale", 2, "eighth", "pairs"),
                new("the shift falls on another note of the beat", "scale", 2, "triplet"),
                new("from one position straight to the next", "arpeggio", 2, "quarter", "slurred"),
            ],
            "rhythm" =>
            [
                new("three to the click, all alike", "scale", 1, "triplet"),
                new("one long and two short, exactly", "scale", 1, "long-short-short"),
                new("two short and one long, exactly", "scale", 1, "short-short-long"),
            ],
            "coordination" =>
            [
                new("the joins fall between the hands", "scale", 1, "eighth", "two-two"),
                new("one and three, against the beat", "scale", 1, "eighth", "one-three"),
                new("short before long: both have to be ready", "scale", 1, "short-long"),
            ],
            "intonation" =>
            [
                new("slowly over a drone on the first note", "scale", 1, "half"),
                new("thirds and fifths, each one centred", "arpeggio", 1, "half", "slurred"),
            ],
            "tone" =>
            [
                new("long notes, full from the first moment", "scale", 1, "whole"),
                new("one sound over every change", "arpeggio", 1, "half", "slurred"),
            ],
            "memory" =>
            [
                new("known by ear, not by finger", "arpeggio", 1, "quarter"),
                new("a rule to hold on to", "pattern", 1, "quarter", Pattern: TurnedPattern),
            ],
            "join" =>
            [
                new("no seam between the notes", "scale", 1, "quarter", "slurred"),
                new("out of the line into the wide step", "arpeggio", 1, "eighth", "pairs"),
            ],
            _ =>
            [
                new($"slowly, with nothing to think of but {difficulty}", "scale", 1, "half"),
                new($"{difficulty} while the notes move", "scale", 1, "quarter"),
                new($"{difficulty} over wide steps", "arpeggio", 1, "quarter"),
            ],
        };
    }
}
