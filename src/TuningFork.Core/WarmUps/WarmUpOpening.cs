namespace TuningFork.Core.WarmUps;

/// <summary>What stands before the versions, by the school of beginning.</summary>
public static class WarmUpOpening
{
    /// <summary>The check of the body with which every warm-up begins.</summary>
    public const string BodyCheck = "Seat, back, shoulders, jaw, hands: find what is tight and let it go.";

    /// <summary>The awareness exercise, unless one's own words stand in its place.</summary>
    public const string UsualAwareness = "Stand or sit, feet on the floor. Three slow breaths. One comfortable note, as softly as it will speak; listen until it has gone. Again.";

    /// <summary>The part that comes before all others: an extra in the one school, core in the other.</summary>
    /// <param name="school">How a warm-up begins.</param>
    /// <param name="awareness">One's own words for the awareness exercise, or empty.</param>
    public static WarmUpPart Of(WarmUpSchool school, string awareness)
    {
        ArgumentNullException.ThrowIfNull(awareness);
        return school == WarmUpSchool.Awareness
            ? new WarmUpPart(WarmUpElement.Sound, "Awareness, always the same", awareness.Length > 0 ? awareness : UsualAwareness, 1, Core: true)
            : new WarmUpPart(WarmUpElement.Sound, "Something easy you like", "A tune you know by heart, softly, for the sound of it.", 1, Core: false);
    }
}
