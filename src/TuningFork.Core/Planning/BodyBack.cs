namespace TuningFork.Core.Planning;

/// <summary>What the body said over some weeks, and what the minutes of those weeks say.</summary>
public static class BodyBack
{
    /// <summary>Tension of so much is some or more.</summary>
    private const int Some = 2;

    /// <summary>With fewer words from the body nothing is said about it.</summary>
    private const int Least = 4;

    /// <summary>What to see in what the body said.</summary>
    /// <param name="said">Tension (0 to 3) and pain, oldest first.</param>
    public static string Words(IReadOnlyList<(int Tension, bool Pain)> said)
    {
        ArgumentNullException.ThrowIfNull(said);
        var pain = said.Count(one => one.Pain);
        if (pain > 0)
            return $"Pain, numbness or tingling was told on {Practice.Words.Days(pain)}. Where it comes back, see a doctor or a physiotherapist who knows musicians.";
        if (said.Count < Least)
            return "Tension is asked at the close of a sitting; told a few times, it shows here.";
        var (older, newer) = (said.Take(said.Count / 2).ToList(), said.Skip(said.Count / 2).ToList());
        var (before, now) = (older.Average(one => one.Tension), newer.Average(one => one.Tension));
        return now - before >= 0.5 ? "Tension has risen: slower tempi, shorter drills, and a look at shoulders, jaw and hands."
            : before - now >= 0.5 ? "Tension has gone down."
            : $"Tension was some or much on {said.Count(one => one.Tension >= Some)} of {Practice.Words.Days(said.Count)} on which it was told.";
    }

    /// <summary>What to see in the weeks.</summary>
    /// <param name="steep">Of each week whether its minutes rose steeply.</param>
    public static string Load(IReadOnlyList<bool> steep)
    {
        ArgumentNullException.ThrowIfNull(steep);
        var count = steep.Count(one => one);
        return count == 0
            ? "No week had more than 1.3 times the minutes of those before."
            : $"{Practice.Words.Sentence(Practice.Words.Count(count, "week"))} had more than 1.3 times the minutes of those before: let minutes grow by less, hands need weeks.";
    }
}
