using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>A tune one knows, and how it begins.</summary>
/// <param name="StartDegree">The degree of its first note, 1 to 7.</param>
/// <param name="IsMinor">True for minor.</param>
public sealed record KnownTune(int StartDegree, bool IsMinor);

/// <summary>Where a tune is looked for: a key, and its first note there.</summary>
/// <param name="Key">The key, as it is written for the instrument.</param>
/// <param name="First">The first note.</param>
public sealed record TuneTask(Key Key, NoteName First);

/// <summary>Tunes one knows, found on the instrument by ear, each time in another key (common practice).</summary>
public static class KnownTunes
{
    /// <summary>Keys in their order: few signs first, flats and sharps in turn; up to five signs.</summary>
    private static readonly int[] Signatures = [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5];

    /// <summary>The next key of a tune: the first in order of those it was looked for in least often.</summary>
    /// <param name="tune">The tune.</param>
    /// <param name="before">Signatures of the keys it was looked for in, in order.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such degree.</exception>
    public static TuneTask Next(KnownTune tune, IReadOnlyList<int> before)
    {
        ArgumentNullException.ThrowIfNull(tune);
        ArgumentNullException.ThrowIfNull(before);
        if (tune.StartDegree is < 1 or > 7)
            throw new ArgumentOutOfRangeException(nameof(tune), tune, "A tune begins on a degree from 1 to 7.");
        var signature = Signatures.MinBy(one => before.Count(past => past == one));
        var key = Key.OfSignature(signature, tune.IsMinor);
        var scale = tune.IsMinor ? Scale.NaturalMinor : Scale.Major;
        return new TuneTask(key, new Pitch(key.Tonic, 4).Near(scale.Up[tune.StartDegree - 1]).Name);
    }

    /// <summary>What a find says beside the one before.</summary>
    /// <param name="seconds">Seconds until it was found.</param>
    /// <param name="before">Seconds the time before; null for the first.</param>
    public static string Words(double seconds, double? before) =>
        before is not { } past ? "Found for the first time."
        : seconds < past * 0.8 ? "Quicker than the last time, in another key."
        : seconds > past * 1.25 ? "Slower than the last time; another key asks more."
        : "About as quick as the last time, in another key.";
}
