namespace TuningFork.Core.Planning;

/// <summary>Short cautions; the program gives no medical advice.</summary>
public static class HealthWords
{
    /// <summary>Shown when pain, numbness or tingling was noted.</summary>
    public const string Pain =
        "Pain, numbness or tingling: the plan turns to work without the instrument until you say that it is well. See a doctor or a physiotherapist who knows musicians; Tuning Fork is no medical advice.";
}
