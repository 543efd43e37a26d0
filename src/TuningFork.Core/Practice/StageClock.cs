namespace TuningFork.Core.Practice;

/// <summary>
/// What counts as played, by the stage's own count and the clock of the server: neither a closed lid, nor a clock that was set, nor
/// a second window adds anything (common practice).
/// </summary>
public static class StageClock
{
    /// <summary>Seconds by which a report may run ahead of the clock: the way of a message.</summary>
    public const double Slack = 5;

    /// <summary>Seconds gone by that later reports may still claim: after the program was away the acts of that time come first.</summary>
    public const double MostUnclaimed = 120;

    /// <summary>Seconds that one press gives a drill.</summary>
    public const int More = 60;

    /// <summary>Most seconds that a drill is given by hand.</summary>
    public const int MostMore = 3600;

    /// <summary>Seconds that a drill has at least when one comes back to it.</summary>
    public const double Back = 60;

    /// <summary>A session of fewer seconds, without a take, can be left as if it had never begun.</summary>
    public const double Unplayed = 60;

    /// <summary>A drill of so many seconds is a visit of what it is about, also without a take.</summary>
    public const double Visit = 20;

    /// <summary>A take lasts so much of its reckoned time at least, however fast it was pressed.</summary>
    public const double LeastOfATake = 0.75;

    /// <summary>What a report adds.</summary>
    /// <param name="before">Seconds that count already, 0 or more.</param>
    /// <param name="told">The stage's own total for the drill, 0 or more.</param>
    /// <param name="gone">Seconds by the clock since the last report; below zero where it was set back.</param>
    /// <returns>
    /// The seconds that are added, and those by which the report ran ahead of the clock (below zero: what was not claimed yet). The
    /// slack is given once: what was granted ahead is taken off the next report.
    /// </returns>
    public static (double Added, double Ahead) Count(double before, double told, double gone)
    {
        // Further behind than the slack the clock itself was set back.
        if (gone < -Slack)
            gone = 0;
        var added = Math.Max(0, Math.Min(told - before, gone + Slack));
        return (added, Math.Max(added - gone, -MostUnclaimed));
    }

    /// <summary>Seconds that takes have had, though they were pressed faster than they can be played.</summary>
    /// <param name="played">Seconds by the clock.</param>
    /// <param name="reckoned">Reckoned seconds of the takes.</param>
    public static double Spent(double played, double reckoned) => Math.Max(played, reckoned * LeastOfATake);
}
