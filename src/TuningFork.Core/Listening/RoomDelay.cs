using System.Globalization;

namespace TuningFork.Core.Listening;

/// <summary>How late a microphone hears what sounds with the click: loudspeaker, air, microphone and whatever is between them.</summary>
/// <param name="Ms">Milliseconds, and how far they may be off; null where they could not be told.</param>
/// <param name="Words">What came of it in a sentence, with what to do where nothing did.</param>
public sealed record RoomDelay(Estimate? Ms, string Words)
{
    /// <summary>So many clicks sound.</summary>
    public const int Clicks = 16;

    /// <summary>
    /// Beats a minute: so slow that a delay of three tenths of a second, as headphones without a wire have it, is told from the next click.
    /// </summary>
    public const int Tempo = 80;

    /// <summary>What is heard of so many clicks is enough.</summary>
    private const int Fewest = 10;

    /// <summary>Nothing is heard so long before its click: what is, belongs to the one before.</summary>
    private const double EarliestMs = -150;

    /// <summary>What belongs together lies within so many milliseconds.</summary>
    private const double TogetherMs = 120;

    /// <summary>More spread between claps is no measure.</summary>
    private const double MostSpreadMs = 40;

    /// <summary>
    /// Hands clap some tens of milliseconds before the click that they hear, and nobody notices his own (Aschersleben 2002, Brain and
    /// Cognition 48, 66: 20 to 80 ms for taps that are not heard, less for those that are; from memory).
    /// </summary>
    private const double HandsMs = 25;

    /// <summary>The delay.</summary>
    /// <param name="heard">What was heard, in seconds.</param>
    /// <param name="firstClick">When the first of the clicks sounded, in the same seconds.</param>
    /// <param name="byClaps">Whether hands clapped along, the click in headphones; else the microphone heard the click itself.</param>
    public static RoomDelay Of(IReadOnlyList<double> heard, double firstClick, bool byClaps)
    {
        ArgumentNullException.ThrowIfNull(heard);
        const double everyMs = 60_000.0 / Tempo;
        var late = heard
            .Select(at => (1000 * (at - firstClick)) - EarliestMs)
            .Where(ms => ms >= 0 && ms < Clicks * everyMs)
            .Select(ms => (Click: (int)(ms / everyMs), Ms: (ms % everyMs) + EarliestMs))
            .ToList();
        var (clicks, others) = Together(late);
        if (clicks.Count < Fewest)
            return new RoomDelay(
                null,
                $"{clicks.Count} of {Clicks} were heard. "
                    + (byClaps ? "Clap louder, nearer to the microphone." : "Turn the click up, or hold the headphones to the microphone.")
            );
        if (others >= Fewest)
            return new RoomDelay(
                null,
                byClaps
                    ? "Two things were heard with each click. Put headphones on, so that only claps are heard, or let it hear the click."
                    : "Something else was heard with each click. Be still meanwhile, or clap with headphones on."
            );
        var spread = Estimate.SpreadOf(clicks);
        if (spread > MostSpreadMs)
            return new RoomDelay(null, $"Too uneven to tell: within {Figure(spread)} ms of each other. Try again, with each click.");
        var delay = Estimate.OfMean(clicks, TakeTiming.Finest);
        if (byClaps)
            delay = delay with { PlusMinus = Math.Sqrt((delay.PlusMinus * delay.PlusMinus) + (HandsMs * HandsMs)) };
        return new RoomDelay(
            delay,
            $"What sounds with the click is heard {Figure(Math.Abs(delay.Value))} ms {(delay.Value < 0 ? "before" : "after")} it here "
                + $"(± {Figure(delay.PlusMinus)}). Early and late are told beside the click from now on."
        );
    }

    /// <summary>The most that lie together, one for each click, and how many clicks have something elsewhere.</summary>
    private static (List<double> Clicks, int Others) Together(List<(int Click, double Ms)> late)
    {
        if (late.Count == 0)
            return ([], 0);
        var best = late.Select(one => Inside(one.Ms)).OrderByDescending(ms => ms.Count).ThenBy(ms => ms.Max() - ms.Min()).First();
        var (from, to) = (best.Min(), best.Min() + TogetherMs);
        return (best, late.Where(one => one.Ms < from || one.Ms > to).Select(one => one.Click).Distinct().Count());

        // Of an echo the first counts.
        List<double> Inside(double least) =>
            [
                .. late.Where(one => one.Ms >= least && one.Ms <= least + TogetherMs)
                    .GroupBy(one => one.Click)
                    .Select(group => group.Min(one => one.Ms)),
            ];
    }

    private static string Figure(double value) => Math.Round(value).ToString(CultureInfo.InvariantCulture);
}
