namespace TuningFork.Core.WarmUps;

/// <summary>What stands before the versions, by the school of beginning.</summary>
public static class WarmUpOpening
{
    /// <summary>The check of the body with which every warm-up begins.</summary>
    public const string BodyCheck = "Seat, back, shoulders, jaw, hands: find what is tight and let it go.";

    /// <summary>The awareness exercise, unless one's own words stand in its place.</summary>
    private const string UsualAwareness =
        "Stand or sit, feet on the floor. Three slow breaths. One comfortable note, as softly as it will speak; listen until it has gone. Again.";

    /// <summary>What opens a sitting in the other school, unless one's own words stand in its place.</summary>
    private const string UsualEasing = "A tune you know by heart, softly, for the sound of it.";

    /// <summary>The same without pitch.</summary>
    private const string UsualEasingStruck = "A rhythm you know by heart, softly, for the sound of it.";
    private const string UsualAwarenessStruck =
        "Stand or sit, feet on the floor. Three slow breaths. One stroke, as softly as it will speak; listen until it has gone. Again.";

    /// <summary>Sittings shorter than this have the opening in place of the first element.</summary>
    public const int ShortSitting = 20;

    /// <summary>The part that comes before all others: core in the first sitting of a day, offered as an extra in the next.</summary>
    /// <param name="school">How a warm-up begins.</param>
    /// <param name="words">One's own words for it, or empty.</param>
    /// <param name="minutes">Its minutes, 1 to 15.</param>
    /// <param name="again">True when there was a sitting today before this one.</param>
    /// <param name="isPitched">False for drums.</param>
    public static WarmUpPart Of(WarmUpSchool school, string words, int minutes = 1, bool again = false, bool isPitched = true)
    {
        ArgumentNullException.ThrowIfNull(words);
        var (title, usual, struck) =
            school == WarmUpSchool.Awareness
                ? ("Awareness, always the same", UsualAwareness, UsualAwarenessStruck)
                : ("Something easy you like", UsualEasing, UsualEasingStruck);
        return new WarmUpPart(
            WarmUpElement.Sound,
            title,
            words.Length > 0 ? words
                : isPitched ? usual
                : struck,
            minutes,
            Core: !again
        );
    }
}
