using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>How long takes last and how many fit.</summary>
public static class Takes
{
    /// <summary>Seconds to breathe and set up again between two takes (common practice).</summary>
    public const int SetUpSeconds = 8;

    /// <summary>Seconds of one take: bars x beats x 60 / tempo, rounded up, plus the seconds to set up.</summary>
    /// <param name="bars">Bars, 1 or more.</param>
    /// <param name="beatsPerBar">Beats in a bar, 1 or more.</param>
    /// <param name="tempo">The tempo.</param>
    /// <param name="setUpSeconds">Seconds to set up, 0 or more.</param>
    public static int Seconds(int bars, int beatsPerBar, Bpm tempo, int setUpSeconds = SetUpSeconds)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(bars, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(beatsPerBar, 1);
        ArgumentOutOfRangeException.ThrowIfNegative(setUpSeconds);
        var beats = (long)bars * beatsPerBar;
        return (int)(((beats * 60) + tempo.Value - 1) / tempo.Value) + setUpSeconds;
    }

    /// <summary>Whole rounds of all takes that fit, 0 or more.</summary>
    /// <param name="seconds">Seconds at hand.</param>
    /// <param name="takeSeconds">Seconds of each take of a round.</param>
    public static int RoundsThatFit(int seconds, IEnumerable<int> takeSeconds)
    {
        var round = takeSeconds.Sum();
        return round == 0 ? 0 : Math.Max(0, seconds) / round;
    }

    /// <summary>
    /// Rounds of work and rest in a block, no rest after the last: floor((T + r) / (w + r)).
    /// T = 24, w = 4, r = 1: 5 rounds, exactly 24 minutes.
    /// </summary>
    /// <param name="minutes">The block, T, 0 or more.</param>
    /// <param name="work">Minutes of work, w, 1 or more.</param>
    /// <param name="rest">Minutes of rest, r, 0 or more.</param>
    /// <returns>Rounds, and the minutes they take together.</returns>
    public static (int Rounds, int Minutes) WorkRest(int minutes, int work, int rest)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(minutes);
        ArgumentOutOfRangeException.ThrowIfLessThan(work, 1);
        ArgumentOutOfRangeException.ThrowIfNegative(rest);
        var rounds = (minutes + rest) / (work + rest);
        return (rounds, rounds == 0 ? 0 : (rounds * (work + rest)) - rest);
    }
}
