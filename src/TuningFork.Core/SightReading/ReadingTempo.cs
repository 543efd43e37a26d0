using TuningFork.Core.Tempo;

namespace TuningFork.Core.SightReading;

/// <summary>Which tempo is proposed for unseen music: slower than feels necessary (common practice).</summary>
public static class ReadingTempo
{
    private const double Slower = 0.92;
    private const double Faster = 1.06;
    private const double Widest = 1.5;

    /// <summary>The tempo of the music, which is slow for its level by itself, as much faster or slower as the last ones were kept.</summary>
    /// <param name="usual">Tempo of the music for its level.</param>
    /// <param name="kept">What <see cref="Kept"/> says; 1 before the first reading.</param>
    public static Bpm Proposed(Bpm usual, double kept) => Bpm.Near(Math.Round(usual.Value * kept));

    /// <summary>How much faster than usual is kept, after a reading.</summary>
    /// <param name="before">The same before it; 1 at first.</param>
    /// <param name="played">Tempo that was played over the usual one.</param>
    /// <param name="part">Part of the bars that came right and on time.</param>
    public static double Kept(double before, double played, double part)
    {
        var now =
            part > ReadingRating.TooEasy ? Math.Max(before, played) * Faster
            : part < ReadingRating.TooHard ? Math.Min(before, played) * Slower
            : before;
        return Math.Clamp(now, 1 / Widest, Widest);
    }
}
