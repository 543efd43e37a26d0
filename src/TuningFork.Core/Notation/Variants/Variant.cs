namespace TuningFork.Core.Notation.Variants;

/// <summary>Another way to play some bars.</summary>
/// <param name="Id">Short lasting name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Steps">The music, one score for each step; empty when it cannot be made of these bars.</param>
/// <param name="Reason">Why it cannot be made; empty when it can.</param>
public sealed record Variant(string Id, string Name, IReadOnlyList<Score> Steps, string Reason = "");

/// <summary>
/// Makes variants of bars, exactly: every bar stays full, ties and tuplets survive or the reason is given (domain of the trade; the
/// methods of practice with altered rhythm, chains and silence are common practice).
/// </summary>
public static class VariantMaker
{
    private static readonly (string Id, string Name, Func<Score, IReadOnlyList<Score>> Make)[] Makers =
    [
        ("equal-values", "all notes alike", score => [Rhythms.Equal(score)]),
        ("long-short", "long-short", score => [Rhythms.Uneven(score, Rhythms.LongShort)]),
        ("short-long", "short-long", score => [Rhythms.Uneven(score, Rhythms.ShortLong)]),
        ("long-short-short", "long-short-short", score => [Rhythms.Uneven(score, Rhythms.LongShortShort)]),
        ("triplets", "in triplets", score => [Rhythms.Triplets(score)]),
        ("rhythm-alone", "the rhythm on one note", score => [Rhythms.OnOneNote(score)]),
        ("melody-only", "only the top notes", score => [Rhythms.TopNotes(score)]),
        ("chain", "growing chain", score => Chains.FromStart(score)),
        ("chain-end", "growing chain from the end", score => Chains.FromEnd(score)),
        ("silent-bars", "every other bar silent", score => Silence.ByBar(score)),
        ("silent-beats", "every other beat silent", score => Silence.ByBeat(score)),
        ("silent-notes", "every other note silent", score => Silence.ByNote(score)),
    ];

    /// <summary>Lasting names of all variants, and what they are called.</summary>
    public static IReadOnlyList<(string Id, string Name)> All { get; } = [.. Makers.Select(maker => (maker.Id, maker.Name))];

    /// <summary>Lasting names of all variants.</summary>
    public static IReadOnlyList<string> Ids { get; } = [.. Makers.Select(maker => maker.Id)];

    /// <summary>The same bars in another key, the shortest way up or down; a mode that differs keeps its own notes' distances.</summary>
    /// <param name="score">The bars.</param>
    /// <param name="key">The key they are to stand in.</param>
    public static Score InKey(Score score, Theory.Key key)
    {
        ArgumentNullException.ThrowIfNull(score);
        var from = new Theory.Pitch(score.Key.Tonic, 4);
        var above = new Theory.Pitch(key.Tonic, from.Midi <= new Theory.Pitch(key.Tonic, 4).Midi ? 4 : 5);
        var up = Theory.Interval.Between(from, above);
        return Rhythms.Moved(score, up.Semitones > 6 ? new Theory.Interval(up.Steps - 7, up.Semitones - 12) : up) with
        {
            Key = new Theory.Key(key.Tonic, score.Key.IsMinor) is { CanBeWritten: true } written ? written : score.Key.Plus(up),
        };
    }

    /// <summary>A variant of some bars.</summary>
    /// <param name="score">The bars.</param>
    /// <param name="id">Its lasting name.</param>
    /// <exception cref="ArgumentException">There is no such variant.</exception>
    public static Variant Make(Score score, string id)
    {
        ArgumentNullException.ThrowIfNull(score);
        var maker = Makers.FirstOrDefault(one => one.Id == id);
        if (maker.Make is null)
            throw new ArgumentException($"There is no variant called \"{id}\".", nameof(id));
        try
        {
            return new Variant(
                id,
                maker.Name,
                NoteGroups.Of(score).Count == 0 ? throw new VariantException("There are no notes in these bars.") : maker.Make(score)
            );
        }
        catch (VariantException problem)
        {
            return new Variant(id, maker.Name, [], problem.Message);
        }
    }
}

/// <summary>A variant cannot be made of these bars.</summary>
/// <param name="message">Why, for the player.</param>
internal sealed class VariantException(string message) : Exception(message);
