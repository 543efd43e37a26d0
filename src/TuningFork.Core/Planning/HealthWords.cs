namespace TuningFork.Core.Planning;

/// <summary>Short cautions; the program gives no medical advice.</summary>
public static class HealthWords
{
    /// <summary>Shown when pain, numbness or tingling was noted.</summary>
    public const string Pain =
        "Pain, numbness or tingling: the plan turns to work without the instrument until you say that it is well. See a doctor or a physiotherapist who knows musicians; Tuning Fork is no medical advice.";

    /// <summary>What is worth knowing, a sentence each (common practice; for ears NIOSH 98-126).</summary>
    public static IReadOnlyList<string> Cautions { get; } =
    [
        "Warm up before hard playing, and rest before it hurts.",
        "After a week or more away build up over some days; the plan does it with you.",
        "Pain, numbness or tingling is a reason to stop, and to see a doctor or a physiotherapist who knows musicians.",
        "Loud instruments, headphones and small rooms add up over a day: protect your ears, and let them rest.",
        "Tuning Fork is no medical advice.",
    ];
}
