using System.Globalization;
using TuningFork.Core.Listening;

namespace TuningFork.Core.Repertoire;

/// <summary>What was heard of a take, as far as it says what is missing.</summary>
/// <param name="DriftMs">Milliseconds by which its end is later than its beginning beside the click, where that is certain; else null.</param>
/// <param name="IsUneven">Whether notes that are written equal came in unequal pairs.</param>
/// <param name="OffCents">Mean size of what its notes are beside the pitch, in cents; null where no pitch was heard.</param>
public sealed record HeardSign(double? DriftMs, bool IsUneven, double? OffCents);

/// <summary>A step that comes late again and again.</summary>
/// <param name="Habit">By how much, and in how many takes.</param>
/// <param name="Place">Where it is, as it is called: "to F♯5 in bar 6".</param>
public sealed record HeardStep(StepHabit Habit, string Place);

/// <summary>A place of the bar that comes early or late again and again.</summary>
/// <param name="Habit">By how much, and in how many takes.</param>
/// <param name="Place">The place as it is counted: "on 2 and".</param>
public sealed record HeardPlace(PlaceHabit Habit, string Place);

/// <summary>A cause that was heard.</summary>
/// <param name="Cause">The cause, with what helps.</param>
/// <param name="Words">What was heard, and how often.</param>
public sealed record HeardCause(Cause Cause, string Words);

/// <summary>Causes that show in what was heard of the last takes of a thing: of what is certain, what comes again.</summary>
public static class HeardCauses
{
    /// <summary>So many takes are looked at, the newest ones.</summary>
    public const int Looked = 5;

    /// <summary>In so many of them it has to be heard.</summary>
    private const int Enough = 3;

    /// <summary>Less drift than this, in milliseconds, is nothing to work on.</summary>
    private const double WorthDrift = 20;

    /// <summary>Nearer to the pitch than this, in cents, is nothing to work on: a listener who is no musician hears about 20 (common practice).</summary>
    private const double WorthCents = 15;

    /// <summary>The weightiest cause.</summary>
    /// <param name="takes">The takes of one thing, the newest last.</param>
    /// <param name="step">A step of it that comes late; null for none.</param>
    /// <param name="place">A place of its bars that comes early or late; null for none.</param>
    /// <returns>The cause; null where nothing comes again.</returns>
    public static HeardCause? Of(IReadOnlyList<HeardSign> takes, HeardStep? step, HeardPlace? place)
    {
        ArgumentNullException.ThrowIfNull(takes);
        var last = takes.TakeLast(Looked).ToList();
        var drift = Drift(last, sign: -1, "rushing", "rush") ?? Drift(last, sign: 1, "still too fast for it", "drag");
        // What has a place is mended first: the rest often comes of it. What is so in bar after bar is no single step; and who rushes is
        // early at the end of each bar.
        return (drift is null ? Place(place) : null)
            ?? Step(step)
            ?? drift
            ?? Often(last, take => take.IsUneven ? 1 : null, "fingers uneven", (count, _) => $"{count} have uneven pairs of notes.")
            ?? Often(
                last,
                take => take.OffCents >= WorthCents ? take.OffCents : null,
                "out of tune",
                (count, cents) => $"{count} are beside the pitch by {Figure(cents)} cents."
            );
    }

    private static HeardCause? Step(HeardStep? step) =>
        step is null
            ? null
            : new HeardCause(
                Causes.All.First(cause => cause.Name == "one change of fingers"),
                $"The step {step.Place} comes late by {Figure(step.Habit.LateMs.Value)} ms (± {Figure(step.Habit.LateMs.PlusMinus)}) in {step.Habit.Takes} takes."
            );

    private static HeardCause? Place(HeardPlace? place) =>
        place is null
            ? null
            : new HeardCause(
                Causes.All.First(cause => cause.Name == "rhythm not clear"),
                $"Notes {place.Place} come {(place.Habit.LateMs.Value > 0 ? "late" : "early")} by {Figure(Math.Abs(place.Habit.LateMs.Value))} ms "
                    + $"(± {Figure(place.Habit.LateMs.PlusMinus)}) beside the others in {place.Habit.Takes} takes."
            );

    private static HeardCause? Drift(List<HeardSign> takes, int sign, string name, string does) =>
        Often(
            takes,
            take => sign * take.DriftMs >= WorthDrift ? Math.Abs(take.DriftMs!.Value) : null,
            name,
            (count, ms) => $"{count} {does}, by {Figure(ms)} ms from beginning to end."
        );

    private static HeardCause? Often(List<HeardSign> takes, Func<HeardSign, double?> sign, string name, Func<string, double, string> words)
    {
        var found = takes.Select(sign).OfType<double>().Order().ToList();
        return found.Count < Enough
            ? null
            : new HeardCause(
                Causes.All.First(cause => cause.Name == name),
                words($"{found.Count} of the last {takes.Count} takes", found[found.Count / 2])
            );
    }

    private static string Figure(double value) => Math.Round(value).ToString(CultureInfo.InvariantCulture);
}
