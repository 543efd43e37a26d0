using System.Globalization;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Practice;

/// <summary>The notes of an altered version.</summary>
public static class AlteredMusic
{
    private const string OtherKey = "key";

    /// <summary>
    /// Music of several voices as a version plays it: one hand or voice alone is that staff or voice, another key moves all, what alters
    /// notes is made of the leading voice.
    /// </summary>
    /// <param name="music">The bars as written.</param>
    /// <param name="version">Lasting name of the version; empty as written.</param>
    /// <param name="step">Of a growing chain the step, from 1; null for the last.</param>
    public static Music Of(Music music, string version, int? step)
    {
        ArgumentNullException.ThrowIfNull(music);
        ArgumentNullException.ThrowIfNull(version);
        var isOther = version == AlteredVersion.Other;
        if (isOther || version == AlteredVersion.One)
            return music.Staves > 1 ? music.OfStaff(isOther ? music.Staves - 1 : 0)
                : music.Voices.Count > 1 ? new Music([music.Voices[isOther ? 1 : 0]])
                : music;
        if (version.StartsWith(OtherKey, StringComparison.Ordinal))
            return music.Each(voice => Of(voice, version, step));
        var altered = Of(music.Lead, version, step);
        return ReferenceEquals(altered, music.Lead) ? music : new Music([altered]);
    }

    /// <summary>Bars as a version plays them; as they are written where it alters no notes.</summary>
    /// <param name="bars">The bars as written.</param>
    /// <param name="version">Lasting name of the version: "chain", "silent-bars-swapped", "key+2"; empty as written.</param>
    /// <param name="step">Of a growing chain the step, from 1; null for the last.</param>
    public static Score Of(Score bars, string version, int? step)
    {
        ArgumentNullException.ThrowIfNull(bars);
        ArgumentNullException.ThrowIfNull(version);
        if (version.Length == 0)
            return bars;
        if (
            version.StartsWith(OtherKey, StringComparison.Ordinal)
            && int.TryParse(version.AsSpan(OtherKey.Length), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var semitones)
        )
            return VariantMaker.InKey(bars, bars.Key.Plus(Interval.OfSemitones(semitones)));
        var swapped = version.EndsWith(AlteredVersion.Swapped, StringComparison.Ordinal);
        var id = swapped ? version[..^AlteredVersion.Swapped.Length] : version;
        if (!VariantMaker.Ids.Contains(id, StringComparer.Ordinal) || VariantMaker.Make(bars, id).Steps is not [_, ..] steps)
            return bars;
        return id.StartsWith("silent", StringComparison.Ordinal)
            ? steps[swapped ? 1 : 0]
            : steps[Math.Clamp((step ?? steps.Count) - 1, 0, steps.Count - 1)];
    }

    /// <summary>Through how many notes a chain over some bars grows; 0 where the bars make none.</summary>
    /// <param name="bars">The bars as written.</param>
    /// <param name="chain">Lasting name of the chain.</param>
    public static int Links(Score bars, string chain)
    {
        ArgumentNullException.ThrowIfNull(bars);
        return VariantMaker.Make(bars, chain).Steps.Count;
    }
}
