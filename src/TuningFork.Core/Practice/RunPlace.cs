namespace TuningFork.Core.Practice;

/// <summary>
/// Where runs on the click stand: after a run each thing that came late is repaired in turn with the one before it, until it is found;
/// then comes the run again (common practice).
/// </summary>
/// <param name="Runs">The runs so far, without the repairs: true for one without a stop.</param>
/// <param name="Late">Things that came late in the last run, by index, in the order in which they came.</param>
/// <param name="Repairing">The thing under repair, or null while a run is to be played.</param>
internal sealed record RunPlace(IReadOnlyList<bool> Runs, IReadOnlyList<int> Late, int? Repairing)
{
    /// <summary>Tries of a repair before the run comes again all the same.</summary>
    public const int MostTries = 3;

    /// <summary>Where they stand after some takes.</summary>
    /// <param name="takes">The takes of the drill, in order: runs, and repairs after those that had something late.</param>
    /// <param name="count">How many things there are.</param>
    public static RunPlace After(IReadOnlyList<StageTake> takes, int count)
    {
        var runs = new List<bool>();
        var late = new List<int>();
        var waiting = new Queue<int>();
        var tries = 0;
        foreach (var take in takes)
        {
            if (waiting.Count > 0)
            {
                tries++;
                if (!take.Clean && tries < MostTries)
                    continue;
                waiting.Dequeue();
                tries = 0;
                continue;
            }

            runs.Add(take.Clean);
            late = [.. (take.Late ?? []).Where(thing => thing >= 0 && thing < count).Distinct()];
            waiting = new Queue<int>(late);
        }

        return new RunPlace(runs, late, waiting.TryPeek(out var next) ? next : null);
    }
}
