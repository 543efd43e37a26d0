namespace TuningFork.Core.Practice;

/// <summary>One way to play bars otherwise than they are written, as a method goes through them.</summary>
/// <param name="Id">Lasting name, of which the music is made.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Sentence">What to do, in one sentence.</param>
public sealed record AlteredVersion(string Id, string Name, string Sentence)
{
    /// <summary>Ends the name of the other half of a silence: what was silent sounds, and the other way round.</summary>
    public const string Swapped = "-swapped";

    /// <summary>One hand or voice alone: the upper staff of two.</summary>
    public const string One = "one";

    /// <summary>The other hand or voice alone.</summary>
    public const string Other = "other";

    private static readonly Dictionary<MethodId, IReadOnlyList<AlteredVersion>> Versions = new()
    {
        [Methods.EqualValues.Id] = [new("equal-values", "all notes alike", "Every note as long as the next.")],
        [Methods.RhythmVariants.Id] =
        [
            new("long-short", "long-short", "Long-short, each pair early."),
            new("short-long", "short-long", "Short-long, each pair early."),
            new("long-short-short", "long-short-short", "One long, two short."),
            new("triplets", "in triplets", "Three even notes to the beat."),
        ],
        [Methods.RhythmAlone.Id] = [new("rhythm-alone", "the rhythm on one note", "Only the rhythm, on one note or clapped.")],
        [Methods.GrowingChain.Id] =
        [
            new("chain", "from the start", "Only these notes, then stop."),
            new("chain-end", "from the end", "Only these notes, to the end."),
        ],
        [Methods.SilentBars.Id] =
        [
            new("silent-bars", "every other bar", "Play what is written; hear the rests inwardly, in time."),
            new("silent-bars" + Swapped, "the other bars", "Now the other bars sound."),
            new("silent-beats", "every other beat", "By the beat: play, hear, play."),
            new("silent-beats" + Swapped, "the other beats", "Now the other beats sound."),
            new("silent-notes", "every other note", "Note by note: play, hear, play."),
            new("silent-notes" + Swapped, "the other notes", "Now the other notes sound."),
        ],
        [Methods.SingFirst.Id] = [new("sing", "sing it", "Sing it, in time, without the instrument.")],
        [Methods.HandsSeparately.Id] =
        [
            new(One, "one hand or voice", "One hand or voice alone."),
            new(Other, "the other", "The other alone."),
        ],
        [Methods.EyesClosed.Id] = [new("closed", "eyes closed", "Eyes closed; listen.")],
        [Methods.OtherKeys.Id] =
        [
            new("key+2", "a tone higher", "A tone higher."),
            new("key-2", "a tone lower", "A tone lower."),
            new("key+5", "a fourth higher", "A fourth higher."),
        ],
        [Methods.MelodyOnly.Id] = [new("melody-only", "only the top line", "Only the top line.")],
    };

    /// <summary>The versions of a method, in their order; none for a method that plays as written.</summary>
    /// <param name="method">Its lasting name.</param>
    public static IReadOnlyList<AlteredVersion> Of(MethodId method) => Versions.GetValueOrDefault(method, []);
}
