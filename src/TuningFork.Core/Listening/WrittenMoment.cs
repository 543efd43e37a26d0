using TuningFork.Core.Notation;

namespace TuningFork.Core.Listening;

/// <summary>Notes that are written to begin together.</summary>
/// <param name="At">When, in whole notes from the first beat of what is played.</param>
/// <param name="Midis">Their sounding MIDI note numbers, from below.</param>
/// <param name="Bar">Number of their bar as it is printed.</param>
/// <param name="InBar">How far into the bar, in whole notes.</param>
public sealed record WrittenMoment(double At, IReadOnlyList<int> Midis, int Bar, double InBar)
{
    /// <summary>Length of a bar in whole notes; null where all moments lie in one.</summary>
    /// <param name="moments">Moments in the order in which they are played.</param>
    public static double? BarLength(IReadOnlyList<WrittenMoment> moments)
    {
        ArgumentNullException.ThrowIfNull(moments);
        var begins = moments.Select(moment => moment.At - moment.InBar).ToList();
        // A bar without a note of its own, or an upbeat, is not the rule: what comes most often is.
        return begins
            .Skip(1)
            .Zip(begins, (next, begin) => Math.Round(next - begin, 6))
            .Where(length => length > 0)
            .GroupBy(length => length)
            .MaxBy(lengths => lengths.Count())
            ?.Key;
    }

    /// <summary>The moments of what is written, in the order in which they are played.</summary>
    /// <param name="music">The music; all voices together.</param>
    public static IReadOnlyList<WrittenMoment> Of(Music music)
    {
        ArgumentNullException.ThrowIfNull(music);
        var lead = music.Lead;
        // Bars in the order in which they are played: one may come more than once.
        var numbers = lead.Numbers();
        var begins = new List<(Fraction At, int Bar)>();
        var at = Fraction.Zero;
        foreach (var bar in lead.Played())
        {
            begins.Add((at, bar));
            at += lead.Bars[bar].Length;
        }

        var notes = music.Voices.Count == 1 ? Performed.Notes(lead) : Performed.Notes(music.Voices);
        return
        [
            .. notes
                .GroupBy(note => note.At)
                .OrderBy(group => group.Key)
                .Select(group =>
                {
                    var begin = begins.Last(one => one.At <= group.Key);
                    return new WrittenMoment(
                        group.Key.Value,
                        [.. group.Select(note => note.Midi).Distinct().Order()],
                        numbers[begin.Bar],
                        (group.Key - begin.At).Value
                    );
                }),
        ];
    }
}
