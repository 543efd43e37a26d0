namespace TuningFork.Core.Technique;

/// <summary>
/// Precision at low tempo after days away: half as many notes to the same click, then half again, until note and click are one;
/// then back to what is written, until that was clean on two days (common practice).
/// </summary>
public static class Density
{
    /// <summary>After more days than that fingers have drifted off the click.</summary>
    public const int DriftDays = 7;

    /// <summary>Days on which it has to be clean as written.</summary>
    public const int CleanDays = 2;

    /// <summary>Clean takes in a row before there are twice as many notes.</summary>
    public const int CleanToDouble = 2;

    /// <summary>Days before today that have to be looked at: what was not regained within them begins anew anyway.</summary>
    public const int LooksBack = 28;

    /// <summary>The rhythms from one note to a click up to what is written.</summary>
    /// <param name="written">The rhythm as written.</param>
    public static IReadOnlyList<Rhythm> Steps(Rhythm written)
    {
        ArgumentNullException.ThrowIfNull(written);
        var steps = new List<Rhythm> { written };
        while (steps[^1].NotesPerClick > 1)
            steps.Add(steps[^1].Halved);
        steps.Reverse();
        return steps;
    }

    /// <summary>Whether something came back after days away and has not been clean as written on two days since.</summary>
    /// <param name="visits">Visits of the last weeks before today, oldest first: the day, the day of the visit before, and whether it was
    /// clean as written.</param>
    public static bool IsRegaining(IReadOnlyList<(DateOnly Day, DateOnly? Before, bool Clean)> visits)
    {
        ArgumentNullException.ThrowIfNull(visits);
        var back = visits
            .Where(visit => visit.Before is { } before && visit.Day.DayNumber - before.DayNumber > DriftDays)
            .Select(visit => visit.Day)
            .DefaultIfEmpty(DateOnly.MaxValue)
            .Max();
        return back < DateOnly.MaxValue && visits.Count(visit => visit.Day >= back && visit.Clean) < CleanDays;
    }

    /// <summary>The step after some takes: up after two clean ones in a row, down after a miss.</summary>
    /// <param name="steps">How many steps there are, at least one.</param>
    /// <param name="takes">Takes in order, clean or missed.</param>
    public static (int Step, int CleanRun) After(int steps, IEnumerable<bool> takes)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(steps, 1);
        ArgumentNullException.ThrowIfNull(takes);
        var (step, run) = (0, 0);
        foreach (var clean in takes)
        {
            run = clean ? run + 1 : 0;
            if (!clean)
                step = Math.Max(0, step - 1);
            else if (run >= CleanToDouble && step < steps - 1)
                (step, run) = (step + 1, 0);
        }

        return (step, run);
    }
}
