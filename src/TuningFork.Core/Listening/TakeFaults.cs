using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>Finds what in a take is not as written.</summary>
/// <param name="wish">What was listened for.</param>
/// <param name="heard">What was heard.</param>
/// <param name="alignment">Which is which.</param>
/// <param name="wholeSeconds">Seconds of a whole note at the tempo it was played at.</param>
internal sealed class TakeFaults(ListenWish wish, IReadOnlyList<HeardTone> heard, Alignment alignment, double wholeSeconds)
{
    /// <summary>Waiting longer than this part of a beat before a note, and longer than so many seconds, is a stop.</summary>
    private const double StopBeats = 0.6;
    private const double StopSeconds = 0.3;

    /// <summary>So far beside the click, in beats, the beat is lost.</summary>
    private const double LostBeats = 0.35;

    /// <summary>A note that is not written counts where it is so loud beside the middle of the others: else it is a click, a chair.</summary>
    private const double Loud = 0.4;

    /// <summary>Nearer than this in cents, octaves apart or not, is the same note.</summary>
    private const double SameCents = 60;

    /// <summary>
    /// A note within so many milliseconds of its click is one with it: of two sounds nearer than that nobody says which came first (Hirsh
    /// 1959, from memory: 20), and 5 more for how exactly a beginning is heard.
    /// </summary>
    private const double OneMs = 20 + TakeTiming.Finest;

    /// <summary>So large a part of the notes may be beside the click where note and click are to be one (common practice).</summary>
    internal const double PassBesideClick = 0.25;

    private readonly List<AlignedMoment> matched = [.. alignment.Moments.Where(one => one.Heard is not null)];

    private double BeatSeconds => wish.Beat * wholeSeconds;

    /// <summary>All faults, in the order of the music.</summary>
    /// <param name="timing">How early and late; null where too little was heard.</param>
    public IReadOnlyList<Fault> Of(TakeTiming? timing)
    {
        var faults = Notes().Concat(Additional()).ToList();
        if (Stop() is { } place)
            faults.Add((place, new Fault(FaultKind.Stop, wish.Written[place].Bar)));
        // After a stop it is beside the click of itself.
        else if (timing?.DriftMs is not null && LostBeat(timing) is { } lost)
            faults.Add((lost, new Fault(FaultKind.LostBeat, wish.Written[lost].Bar)));
        if (wish.IsOneWithClick && timing?.DriftMs is not null)
            faults.AddRange(BesideClick(timing));
        return [.. faults.OrderBy(one => one.Written).Select(one => one.Fault)];
    }

    private IEnumerable<(int Written, Fault Fault)> Notes()
    {
        var last = matched.LastOrDefault().Written;
        foreach (var moment in alignment.Moments)
        {
            var note = wish.Written[moment.Written];
            int? single = wish.IsPitched && note.Midis.Count == 1 ? note.Midis[0] : null;
            // What is left over is not missing note by note: it was broken off. One note at the end may be too soft to be heard.
            if (moment.Match == Match.Missing && moment.Written > last && last < wish.Written.Count - 2)
            {
                yield return (moment.Written, new Fault(FaultKind.BrokenOff, note.Bar));
                yield break;
            }

            if (moment.Match == Match.Missing)
                yield return (moment.Written, new Fault(FaultKind.MissingNote, note.Bar, single));
            else if (moment.Match == Match.Wrong)
                yield return (moment.Written, new Fault(FaultKind.WrongNote, note.Bar, single, Midi(heard[moment.Heard!.Value])));
        }
    }

    private IEnumerable<(int Written, Fault Fault)> Additional()
    {
        if (matched.Count == 0)
            yield break;
        var loud = Loud * matched.Select(one => heard[one.Heard!.Value].Level).Order().ElementAt(matched.Count / 2);
        foreach (var index in alignment.AdditionalNotes)
        {
            // Before the first and after the last is no part of the take.
            if (index < matched[0].Heard || index > matched[^1].Heard || heard[index].Level < loud)
                continue;
            if (wish.IsPitched && heard[index].Hertz <= 0)
                continue;
            var before = matched.Last(one => one.Heard < index);
            if (wish is { IsPitched: true, Sustains: true } && IsGoingOn(index, before, matched.First(one => one.Heard > index)))
                continue;
            var bar = wish.Written[before.Written].Bar;
            yield return (before.Written, new Fault(FaultKind.AdditionalNote, bar, null, wish.IsPitched ? Midi(heard[index]) : null));
        }
    }

    /// <summary>What sounds on is often heard as begun anew, by vibrato, a swell, the turn of a bow; and a note before it is quite there.</summary>
    private bool IsGoingOn(int index, AlignedMoment before, AlignedMoment after) =>
        IsSame(heard[index], heard[index - 1])
        || IsSame(heard[index], heard[before.Heard!.Value])
        || IsSame(heard[index], heard[after.Heard!.Value]);

    private static bool IsSame(HeardTone one, HeardTone other)
    {
        if (one.Hertz <= 0 || other.Hertz <= 0)
            return false;
        var cents = Math.Abs(Tuning.Cents(one.Hertz, other.Hertz)) % 1200;
        return Math.Min(cents, 1200 - cents) < SameCents;
    }

    private int? Stop()
    {
        var longest = Math.Max(StopSeconds, StopBeats * BeatSeconds);
        for (var i = 1; i < matched.Count; i++)
        {
            var waited = heard[matched[i].Heard!.Value].At - heard[matched[i - 1].Heard!.Value].At;
            var written = (wish.Written[matched[i].Written].At - wish.Written[matched[i - 1].Written].At) * wholeSeconds;
            if (waited - written > longest)
                return matched[i].Written;
        }

        return null;
    }

    /// <summary>The first of two notes running that are too far beside the click.</summary>
    private int? LostBeat(TakeTiming timing)
    {
        var most = 1000 * LostBeats * BeatSeconds;
        for (var i = 0; i + 1 < timing.Late.Count; i++)
        {
            if (Math.Abs(timing.Late[i].LateMs) > most && Math.Abs(timing.Late[i + 1].LateMs) > most)
                return timing.Late[i].Written;
        }

        return null;
    }

    /// <summary>The notes that are not one with their click, beyond what the delay of the room may be off.</summary>
    private IEnumerable<(int Written, Fault Fault)> BesideClick(TakeTiming timing)
    {
        var most = OneMs + (timing.MeanMs is null ? 0 : wish.DelayMs.PlusMinus);
        return timing
            .Late.Where(note => Math.Abs(note.LateMs) > most)
            .Select(note =>
                (note.Written, new Fault(FaultKind.BesideClick, wish.Written[note.Written].Bar, LateMs: (int)Math.Round(note.LateMs)))
            );
    }

    private int? Midi(HeardTone tone) => tone.Hertz > 0 ? (int)Math.Round(69 + (Tuning.Cents(tone.Hertz, wish.A4) / 100)) : null;
}
