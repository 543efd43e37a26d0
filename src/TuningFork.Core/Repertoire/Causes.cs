using TuningFork.Core.Practice;

namespace TuningFork.Core.Repertoire;

/// <summary>What may still be missing, and what helps.</summary>
/// <param name="Name">The cause, in a few words.</param>
/// <param name="Remedy">What to do about it.</param>
/// <param name="Method">The method that does it.</param>
public sealed record Cause(string Name, string Remedy, Method Method);

/// <summary>Causes and remedies of the craft. "Wrong notes" is no answer: it says what, not why (common practice).</summary>
public static class Causes
{
    /// <summary>Words that say that something went wrong.</summary>
    private static readonly HashSet<string> Faults = new(StringComparer.Ordinal)
    {
        "bad",
        "badly",
        "bum",
        "error",
        "errors",
        "false",
        "fault",
        "faults",
        "flub",
        "flubbed",
        "fluffed",
        "incorrect",
        "miss",
        "missed",
        "misses",
        "missing",
        "mistake",
        "mistakes",
        "mistook",
        "skipped",
        "slip",
        "slipped",
        "slips",
        "unclean",
        "wrong",
        "wrongly",
    };

    /// <summary>Words that say nothing beside them.</summary>
    private static readonly HashSet<string> Fillers = new(StringComparer.Ordinal)
    {
        "a",
        "again",
        "all",
        "and",
        "always",
        "bar",
        "bars",
        "clean",
        "couple",
        "few",
        "good",
        "had",
        "hit",
        "i",
        "i've",
        "in",
        "is",
        "it",
        "just",
        "keep",
        "key",
        "keys",
        "kept",
        "lot",
        "lots",
        "made",
        "make",
        "many",
        "more",
        "my",
        "note",
        "notes",
        "of",
        "on",
        "one",
        "ones",
        "or",
        "out",
        "play",
        "played",
        "playing",
        "pressed",
        "really",
        "right",
        "several",
        "so",
        "some",
        "still",
        "string",
        "strings",
        "stroke",
        "strokes",
        "that",
        "the",
        "them",
        "there",
        "these",
        "this",
        "those",
        "to",
        "too",
        "two",
        "up",
        "very",
        "was",
        "were",
        "went",
        "with",
    };

    /// <summary>Whether words say only that something went wrong, and not why.</summary>
    /// <param name="cause">What was written.</param>
    public static bool SayNothing(string cause)
    {
        ArgumentNullException.ThrowIfNull(cause);
        var words = cause
            .ToLowerInvariant()
            .Replace('’', '\'')
            .Split([' ', '.', ',', ';', ':', '!', '?', '-', '/', '(', ')', '\t', '\n'], StringSplitOptions.RemoveEmptyEntries);
        // "Not clean" is a fault as well.
        var isFault =
            words.Any(Faults.Contains)
            || (words.Contains("not", StringComparer.Ordinal) && words.Any(word => word is "clean" or "good" or "right"));
        return isFault && words.All(word => word == "not" || Faults.Contains(word) || Fillers.Contains(word));
    }

    /// <summary>All that come with the program; the player may write others.</summary>
    public static IReadOnlyList<Cause> All { get; } =
    [
        new("rushing", "Let every other bar be silent and come in on time: the silence shows who rushes.", Methods.SilentBars),
        new("notes too short", "Sing the line at full length, then play what you sang.", Methods.SingFirst),
        new("hand too tight", "Half the tempo and half the pressure; stop when it tightens.", Methods.SlowAnchor),
        new("eye too late", "Read it through without playing, the eye a bar ahead of the beat.", Methods.SilentStudy),
        new("one change of fingers", "Build it up note by note from the change, and from its end.", Methods.GrowingChain),
        new("fingers uneven", "Long-short, then short-long: each finger has to be early once.", Methods.RhythmVariants),
        new("rhythm not clear", "The rhythm alone, on one note or clapped, until it speaks.", Methods.RhythmAlone),
        new("rhythm hides the notes", "All notes alike, slowly; then the rhythm comes back by itself.", Methods.EqualValues),
        new("hands or parts not together", "Each alone until it needs no thought, then both, slower.", Methods.HandsSeparately),
        new("out of tune", "One note after the other over the drone; go on when it is centred.", Methods.OneByOne),
        new("tone gives out", "Slowly, with the full sound first; decide where to breathe or change the stroke.", Methods.SlowAnchor),
        new("the join before or after", "From the bar before and out to the bar after.", Methods.PutBack),
        new("memory has a gap", "Play it without looking, slowly; only then look, and mark the gap.", Methods.FromMemory),
        new("still too fast for it", "Three clean, a little up; two misses, a step back.", Methods.TempoLadder),
        new("attention wanders", "Once, as if somebody listened; then something else.", Methods.PerformanceTake),
    ];
}

/// <summary>Whether a rating agrees with what the takes say.</summary>
public static class RatingDoubt
{
    private const int Looked = 3;

    /// <summary>
    /// A gentle question where something is rated ready and most first takes of the last visits were not clean; empty otherwise.
    /// </summary>
    /// <param name="isReady">Whether it is rated ready.</param>
    /// <param name="firstTakes">First takes of the last visits, the newest last; true when clean.</param>
    public static string Of(bool isReady, IReadOnlyList<bool> firstTakes)
    {
        ArgumentNullException.ThrowIfNull(firstTakes);
        var last = firstTakes.TakeLast(Looked).ToList();
        var missed = last.Count(clean => !clean);
        return isReady && last.Count == Looked && missed >= 2
            ? $"Rated concert-ready, but {missed} of the last {Looked} first takes were missed. Is it still that?"
            : "";
    }
}
