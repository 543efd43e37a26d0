namespace TuningFork.Core.Tempo;

/// <summary>How much later a machine hears what is tapped exactly on its click.</summary>
/// <param name="DelayMs">Median of what was tapped, in milliseconds after the click; negative where people tap ahead.</param>
/// <param name="SpreadMs">Half of the taps lie within so many milliseconds of it.</param>
/// <param name="Taps">Taps that were used.</param>
public sealed record Calibration(double DelayMs, double SpreadMs, int Taps)
{
    /// <summary>Clicks to tap along with, and the fewest taps from which a delay is taken.</summary>
    public const int Clicks = 16,
        Fewest = 10;

    /// <summary>Half of the taps within so much is even enough to be trusted: people tap with 10 to 30 ms (from memory).</summary>
    public const double EvenMs = 35;

    /// <summary>Taps farther than that part of a beat from a click belong to none.</summary>
    private const double Near = 0.4;

    /// <summary>Whether it may be trusted.</summary>
    public bool IsEven => SpreadMs <= EvenMs;

    /// <summary>From taps along with a click.</summary>
    /// <param name="taps">When it was tapped, in beats from the first click.</param>
    /// <param name="tempo">Tempo of the click.</param>
    /// <returns>Null where too few taps belong to a click.</returns>
    public static Calibration? Of(IEnumerable<double> taps, Bpm tempo)
    {
        ArgumentNullException.ThrowIfNull(taps);
        var beatMs = 60_000.0 / tempo.Value;
        var off = taps.Select(tap => tap - Math.Round(tap)).Where(away => Math.Abs(away) <= Near).Select(away => away * beatMs).ToList();
        if (off.Count < Fewest)
            return null;
        var middle = Median(off);
        return new Calibration(middle, Median(off.ConvertAll(one => Math.Abs(one - middle))), off.Count);
    }

    private static double Median(IReadOnlyCollection<double> all)
    {
        var sorted = all.Order().ToList();
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
