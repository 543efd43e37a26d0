using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>What an exercise is made of beside a plain line of notes.</summary>
public enum WorkKind
{
    /// <summary>Keys or chords, back and forth, in growing sets.</summary>
    Shuttle,

    /// <summary>Chords one after the other on the click.</summary>
    Changes,

    /// <summary>All positions of a chord against the clock.</summary>
    Inversions,

    /// <summary>Step by step, the next only when this one is right.</summary>
    Steps,

    /// <summary>A grid of strokes.</summary>
    Groove,

    /// <summary>Permutation patterns over weeks.</summary>
    Patterns,

    /// <summary>Music written in ABC.</summary>
    Notation,

    /// <summary>A book of numbered exercises on paper.</summary>
    Numbers,
}

/// <summary>What an exercise is made of.</summary>
/// <param name="Kind">Its kind; says which of the others count.</param>
public sealed record Work(WorkKind Kind)
{
    /// <summary>Most keys, chords or steps.</summary>
    public const int MostItems = 48;

    /// <summary>Keys, chords or steps.</summary>
    public IReadOnlyList<string> Items { get; init; } = [];

    /// <summary>Of steps: what they are; words where they were typed.</summary>
    public StepsBy By { get; init; }

    /// <summary>Beats for each key or chord on the click, 1 to 16.</summary>
    public int Beats { get; init; } = 4;

    /// <summary>Seconds in which all positions of a chord are to be found: about 20 to 30 (common practice).</summary>
    public int LimitSeconds { get; init; } = 30;

    /// <summary>How the chords are laid out.</summary>
    public Voicing Voicing { get; init; }

    /// <summary>The grid of a groove, or music in ABC.</summary>
    public string Text { get; init; } = "";

    /// <summary>Of a progression: the key it stands in, by which it goes through the others; empty where that is not known.</summary>
    public string Key { get; init; } = "";

    /// <summary>The plan of patterns.</summary>
    public PatternPlan? Patterns { get; init; }

    /// <summary>The numbers of a book.</summary>
    public NumberBook? Numbers { get; init; }

    /// <summary>What is wrong with it, with the field; null when it can be used.</summary>
    public (string Field, string Problem)? Check() =>
        // What belongs to another kind would be planned all the same.
        Kind != WorkKind.Patterns
        && Patterns is not null
            ? ("patterns", "Only patterns have a plan of patterns. Leave it out.")
        : Kind != WorkKind.Numbers && Numbers is not null ? ("numbers", "Only a book of technique has numbers. Leave them out.")
        : OfKind();

    private (string Field, string Problem)? OfKind() =>
        Kind switch
        {
            WorkKind.Shuttle => Items.Count is < 2 or > 24
                ? ("items", "A shuttle goes between 2 to 24 keys or chords.")
                : Unknown(
                    item => Theory.Key.TryParse(item, out _) || ChordSymbols.TryParse(item, out _),
                    "neither a key like \"Bb major\" nor a chord like \"Dm7\""
                ) ?? Timed(),
            WorkKind.Changes => Items.Count is < 2 or > MostItems
                ? ("items", $"Write 2 to {MostItems} chords.")
                : Unknown(item => ChordSymbols.TryParse(item, out _), "no chord; write it like C, F#m7, Bbmaj7 or Dm7/F") ?? Timed(),
            WorkKind.Inversions => Items.Count is < 1 or > MostItems
                ? ("items", $"Write 1 to {MostItems} chords.")
                : Unknown(item => ChordSymbols.TryParse(item, out _), "no chord; write it like C, F#m7 or Bbmaj7")
                    ?? (LimitSeconds is < 5 or > 300 ? ("limitSeconds", "The clock runs for 5 to 300 seconds.") : null),
            WorkKind.Steps when !Enum.IsDefined(By) => ("by", "Steps are words, notes, octaves, or all of a key."),
            WorkKind.Steps when By != StepsBy.Words && Items.Count == 0 => null,
            WorkKind.Steps => Items.Count is < 2 or > MostItems
                ? ("items", $"Write 2 to {MostItems} steps.")
                : Unknown(item => item.Trim().Length is > 0 and <= 60, "empty or longer than 60 letters"),
            WorkKind.Groove => GrooveProblem(),
            WorkKind.Patterns => Patterns is null ? ("patterns", "Say how many patterns a week.") : Patterns.Check(),
            WorkKind.Numbers => Numbers is null ? ("numbers", "Say how many numbers the book has.") : Numbers.Check(),
            WorkKind.Notation => string.IsNullOrWhiteSpace(Text) ? ("text", "Write the music.") : null,
            _ => ("kind", "There is no such kind of exercise."),
        };

    private (string Field, string Problem)? Timed() => Beats is < 1 or > 16 ? ("beats", "Each has 1 to 16 beats.") : null;

    private (string Field, string Problem)? Unknown(Func<string, bool> known, string what)
    {
        for (var i = 0; i < Items.Count; i++)
        {
            if (!known(Items[i]))
                return ($"items[{i}]", $"\"{Items[i]}\" is {what}.");
        }

        return null;
    }

    private (string Field, string Problem)? GrooveProblem()
    {
        try
        {
            Groove.Parse(Text);
            return null;
        }
        catch (GrooveException problem)
        {
            return ("text", problem.Message);
        }
    }
}
