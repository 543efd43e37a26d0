using TuningFork.Core.Spacing;

namespace TuningFork.Core.EarTraining;

/// <summary>What is known of one item.</summary>
/// <param name="Item">Its lasting name.</param>
/// <param name="Memory">How well it is remembered.</param>
/// <param name="LastDay">The day on which it was asked last.</param>
/// <param name="Due">The day on which it wants to be asked again.</param>
/// <param name="Asked">Times asked.</param>
/// <param name="Right">Times answered rightly.</param>
public sealed record EarStanding(string Item, Memory Memory, DateOnly LastDay, DateOnly Due, int Asked, int Right)
{
    /// <summary>Chance, 0 to 1, that it is answered rightly on a day.</summary>
    /// <param name="day">The day.</param>
    public double Chance(DateOnly day) => Fsrs.Retrievability(day.DayNumber - LastDay.DayNumber, Memory.Stability);
}

/// <summary>An answer that was given.</summary>
/// <param name="Item">What was asked.</param>
/// <param name="Said">What it was taken for; null when it was answered aloud and judged by oneself.</param>
/// <param name="Right">Whether it was right.</param>
/// <param name="Seconds">Time from the end of the sound to the answer; null when it was not taken.</param>
public sealed record EarAnswer(string Item, string? Said, bool Right, double? Seconds);

/// <summary>
/// The memory of the ear: the first answer of a day is the test, and its time counts as well as being right; what follows on the same
/// day is practice (spacing by days as in <see cref="Fsrs"/>).
/// </summary>
public static class EarMemory
{
    /// <summary>Where nothing is known of a player, an answer takes so many seconds (common practice).</summary>
    public const double UsualSeconds = 4;

    /// <summary>Answers from which the usual time is taken, and the fewest of them.</summary>
    public const int UsualFrom = 50,
        FewestForUsual = 10;

    /// <summary>Slower than so many times the usual is unsure; quicker than this part of it comes by itself (common practice).</summary>
    private const double Slow = 2,
        Quick = 0.6;

    /// <summary>With fewer alternatives a right answer may be luck, and is never more than good.</summary>
    private const int AlternativesToBeSure = 4;

    /// <summary>The usual time: the median of the last right answers.</summary>
    /// <param name="seconds">Seconds of the last right answers, newest first or last.</param>
    public static double Usual(IReadOnlyCollection<double> seconds)
    {
        ArgumentNullException.ThrowIfNull(seconds);
        return seconds.Count < FewestForUsual ? UsualSeconds : seconds.Order().ElementAt(seconds.Count / 2);
    }

    /// <summary>How an answer counts: wrong, right after long thought, right, or at once.</summary>
    /// <param name="answer">The answer.</param>
    /// <param name="alternatives">Answers there were to choose from; 0 when it was answered aloud.</param>
    /// <param name="usual">The usual time in seconds, above 0.</param>
    public static Grade GradeOf(EarAnswer answer, int alternatives, double usual)
    {
        ArgumentNullException.ThrowIfNull(answer);
        return !answer.Right ? Grade.Again
            : answer.Seconds > usual * Slow ? Grade.Hard
            : answer.Seconds < usual * Quick && alternatives >= AlternativesToBeSure ? Grade.Easy
            : Grade.Good;
    }

    /// <summary>What is known after an answer.</summary>
    /// <param name="before">What was known; null for the first.</param>
    /// <param name="answer">The answer.</param>
    /// <param name="grade">How it counts.</param>
    /// <param name="day">The day.</param>
    public static EarStanding After(EarStanding? before, EarAnswer answer, Grade grade, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(answer);
        var (asked, right) = ((before?.Asked ?? 0) + 1, (before?.Right ?? 0) + (answer.Right ? 1 : 0));
        if (before is not null && before.LastDay >= day)
            return before with
            {
                Asked = asked,
                Right = right,
                // Missed after all: it comes tomorrow.
                Due = answer.Right || before.Due <= day ? before.Due : day.AddDays(1),
            };
        var days = before is null ? 0 : day.DayNumber - before.LastDay.DayNumber;
        var memory = Fsrs.After(before?.Memory, days, grade);
        var wait = grade == Grade.Again ? 1 : Fsrs.IntervalAfter(before?.Memory, days, grade, Fsrs.UsualRetention);
        return new EarStanding(answer.Item, memory, day, day.AddDays(wait), asked, right);
    }
}
