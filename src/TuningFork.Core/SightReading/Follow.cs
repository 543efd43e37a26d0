using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>A key or a tap.</summary>
/// <param name="AtBeats">When, in beats of the tempo from the first bar line; before it negative.</param>
/// <param name="Midi">Sounding MIDI note; null for a tap, which has no pitch.</param>
public sealed record PlayedEvent(double AtBeats, int? Midi = null);

/// <summary>A written note and how it was played.</summary>
/// <param name="Bar">Its bar, from 1.</param>
/// <param name="Element">Its place among the notes and rests of the bar, from 0.</param>
/// <param name="LateMs">Milliseconds after the click's own time, negative for early; null when it was not played.</param>
/// <param name="IsRight">Whether it was on time, and of the right pitch where pitch was played.</param>
/// <param name="Staff">Its staff, from 0 at the top.</param>
public sealed record FollowedNote(int Bar, int Element, double? LateMs, bool IsRight, int Staff = 0);

/// <summary>What was played beside what is written.</summary>
/// <param name="Notes">Each note that begins, in order; what is tied to the one before does not.</param>
/// <param name="Wrong">Bars from 1 in which something was late, missing, wrong or too much.</param>
public sealed record Followed(IReadOnlyList<FollowedNote> Notes, IReadOnlyList<int> Wrong);

/// <summary>Marks a reading by itself, bar by bar, forward only: what is repaired later is lost.</summary>
public static class Follow
{
    /// <summary>On time is within a quarter of a beat, but at least and at most so many milliseconds (common practice).</summary>
    public const double LeastMs = 80,
        MostMs = 150;

    private const double PartOfABeat = 0.25;

    /// <summary>Keys of one chord go down within so many milliseconds.</summary>
    private const double ChordMs = 40;

    /// <summary>A note may be found up to so many times the tolerance away; it is then late or early, not missing.</summary>
    private const double Reach = 2;

    /// <summary>What a wrong pitch weighs against a shift in time, where a note is looked for.</summary>
    private const double OtherPitch = 0.6;

    /// <summary>What begins at one time, in one staff or several.</summary>
    private sealed record Onset(int Bar, double At, IReadOnlyList<int> Midi, IReadOnlyList<(int Staff, int Element)> Places);

    private sealed record Struck(double At, IReadOnlyList<int> Midi);

    /// <summary>Compares.</summary>
    /// <param name="score">What is written; bars are counted without their repeats.</param>
    /// <param name="tempo">The tempo of the click.</param>
    /// <param name="played">What was played, in any order.</param>
    /// <param name="delayMs">So much later the machine hears what was played: from the calibration.</param>
    public static Followed Of(Score score, Bpm tempo, IEnumerable<PlayedEvent> played, double delayMs = 0) =>
        Of([score], tempo, played, delayMs);

    /// <summary>Compares with staves that are played together.</summary>
    /// <param name="staves">What is written, one staff or more, of the same bars.</param>
    /// <param name="tempo">The tempo of the click.</param>
    /// <param name="played">What was played, in any order.</param>
    /// <param name="delayMs">So much later the machine hears what was played.</param>
    public static Followed Of(IReadOnlyList<Score> staves, Bpm tempo, IEnumerable<PlayedEvent> played, double delayMs = 0)
    {
        ArgumentNullException.ThrowIfNull(staves);
        ArgumentNullException.ThrowIfNull(played);
        var score = staves[0];
        var beatMs = 60_000.0 / tempo.Value;
        var onsets = Onsets(staves);
        var struck = Chords(played, beatMs, delayMs);
        var tolerance = ToleranceMs(tempo);
        var found = Aligned(onsets, struck, beatMs, tolerance * Reach);
        var notes = new List<FollowedNote>(onsets.Count);
        var wrong = new SortedSet<int>();
        for (var i = 0; i < onsets.Count; i++)
        {
            var onset = onsets[i];
            double? late = found[i] >= 0 ? (struck[found[i]].At - onset.At) * beatMs : null;
            var right = late is { } by && Math.Abs(by) <= tolerance && Sounds(onset, struck[found[i]]);
            notes.AddRange(onset.Places.Select(place => new FollowedNote(onset.Bar, place.Element, late, right, place.Staff)));
            if (!right)
                wrong.Add(onset.Bar);
        }

        var perBar = (score.Time.Bar / score.TempoBeat).Value;
        foreach (var (_, i) in struck.Select((one, i) => (one, i)).Where(one => !found.Contains(one.i)))
        {
            // Too much: in the bar whose time it was, a little early counts for the next.
            var bar = (int)Math.Floor((struck[i].At + (tolerance / beatMs)) / perBar) + 1;
            if (bar >= 1 && bar <= score.Bars.Count)
                wrong.Add(bar);
        }

        return new Followed(notes, [.. wrong]);
    }

    /// <summary>How far from the click is on time, in milliseconds.</summary>
    /// <param name="tempo">The tempo.</param>
    public static double ToleranceMs(Bpm tempo) => Math.Clamp(60_000.0 / tempo.Value * PartOfABeat, LeastMs, MostMs);

    private static bool Sounds(Onset onset, Struck struck) =>
        struck.Midi.Count == 0 || onset.Midi.Count == 0 || struck.Midi.Order().SequenceEqual(onset.Midi.Order());

    /// <summary>Where notes begin, in beats; what begins together is one.</summary>
    private static List<Onset> Onsets(IReadOnlyList<Score> staves) =>
        [
            .. staves
                .SelectMany(Onsets)
                .GroupBy(one => one.At)
                .OrderBy(group => group.Key)
                .Select(group =>
                    group.Aggregate(
                        (one, other) => one with { Midi = [.. one.Midi, .. other.Midi], Places = [.. one.Places, .. other.Places] }
                    )
                ),
        ];

    private static List<Onset> Onsets(Score score, int staff)
    {
        var onsets = new List<Onset>();
        var at = Fraction.Zero;
        IReadOnlyList<Pitch> held = [];
        foreach (var (bar, index) in score.Bars.Select((bar, index) => (bar, index)))
        {
            foreach (var (element, place) in bar.Elements.Select((element, place) => (element, place)))
            {
                var begins = element.Pitches.Except(held).Select(pitch => pitch.Midi + score.ToSounding.Semitones).ToList();
                if (begins.Count > 0)
                    onsets.Add(new Onset(index + 1, (at / score.TempoBeat).Value, begins, [(staff, place)]));
                held = element.Tied ? element.Pitches : [];
                at += element.Length;
            }
        }

        return onsets;
    }

    private static List<Struck> Chords(IEnumerable<PlayedEvent> played, double beatMs, double delayMs)
    {
        var chords = new List<Struck>();
        foreach (var one in played.OrderBy(one => one.AtBeats))
        {
            var at = one.AtBeats - (delayMs / beatMs);
            if (one.Midi is { } midi && chords is [.., { Midi.Count: > 0 } last] && (at - last.At) * beatMs <= ChordMs)
                chords[^1] = last with { Midi = [.. last.Midi, midi] };
            else
                chords.Add(new Struck(at, one.Midi is { } alone ? [alone] : []));
        }

        return chords;
    }

    /// <summary>The cheapest way through both in order (dynamic programming): which stroke belongs to which note, -1 for none.</summary>
    private static int[] Aligned(List<Onset> onsets, List<Struck> struck, double beatMs, double reachMs)
    {
        var (n, m) = (onsets.Count, struck.Count);
        var cost = new double[n + 1, m + 1];
        for (var i = 0; i <= n; i++)
        {
            for (var j = 0; j <= m; j++)
            {
                if (i == 0 || j == 0)
                    cost[i, j] = i + j;
                else
                    cost[i, j] = Math.Min(
                        Math.Min(cost[i - 1, j], cost[i, j - 1]) + 1,
                        cost[i - 1, j - 1] + Together(onsets[i - 1], struck[j - 1], beatMs, reachMs)
                    );
            }
        }

        var found = Enumerable.Repeat(-1, n).ToArray();
        for (var (i, j) = (n, m); i > 0 && j > 0; )
        {
            if (cost[i, j] >= cost[i - 1, j - 1] + Together(onsets[i - 1], struck[j - 1], beatMs, reachMs) - 1e-9)
                found[--i] = --j;
            else if (cost[i, j] >= cost[i - 1, j] + 1 - 1e-9)
                i--;
            else
                j--;
        }

        return found;
    }

    /// <summary>What it costs to take a stroke for a note; more than leaving out both where it is out of reach.</summary>
    private static double Together(Onset onset, Struck struck, double beatMs, double reachMs)
    {
        var away = Math.Abs(struck.At - onset.At) * beatMs;
        return away > reachMs ? 3 : (away / reachMs) + (Sounds(onset, struck) ? 0 : OtherPitch);
    }
}
