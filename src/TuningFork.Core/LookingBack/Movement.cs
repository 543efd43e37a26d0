namespace TuningFork.Core.LookingBack;

/// <summary>What can be done of a thing at the beginning and at the end of a stretch of days.</summary>
/// <param name="MaterialId">The thing.</param>
/// <param name="Title">What it is called.</param>
/// <param name="From">Tempo that could be played before its first visit of the stretch, in its own beats a minute.</param>
/// <param name="To">The same after its last visit.</param>
/// <param name="Target">Where it is to go, or null.</param>
/// <param name="Visits">Days on which it was visited.</param>
public sealed record Movement(int MaterialId, string Title, double From, double To, int? Target, int Visits)
{
    /// <summary>Less than that is within what an estimate is unsure of after a few takes (common practice).</summary>
    private const double Least = 0.03;

    /// <summary>Things that are named in a sentence.</summary>
    private const int Named = 3;

    /// <summary>What part it gained; negative where it lost.</summary>
    public double Gain => (To / From) - 1;

    /// <summary>Whether it moved up by more than what is unsure.</summary>
    public bool IsUp => Gain >= Least;

    /// <summary>Whether it moved down by more than what is unsure.</summary>
    public bool IsDown => Gain <= -Least;

    /// <summary>"78 → 84 of 120".</summary>
    public string Tempi => $"{From:0} → {To:0}{(Target is { } target ? $" of {target}" : "")}";

    /// <summary>What to see in many: the three that moved most.</summary>
    /// <param name="all">All that was visited.</param>
    public static string Words(IReadOnlyList<Movement> all)
    {
        ArgumentNullException.ThrowIfNull(all);
        var up = all.Where(one => one.IsUp).OrderByDescending(one => one.Gain).ToList();
        return all.Count == 0 ? "Nothing with a tempo was played in these days."
            : up.Count == 0 ? $"Of {Practice.Words.Count(all.Count, "thing")} with a tempo none moved up by more than {100 * Least:0} %."
            : $"{Practice.Words.Sentence(Counted(up.Count, all.Count))} moved up, most of all {Practice.Words.List([.. up.Take(Named).Select(one => $"{one.Title} ({one.From:0} → {one.To:0})")])}.";
    }

    private static string Counted(int up, int all) =>
        up == all
            ? all == 1
                ? "the one thing with a tempo"
                : $"all {all} with a tempo"
            : $"{up} of {all} with a tempo";
}
