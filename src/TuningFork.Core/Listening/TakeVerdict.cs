using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>What a take is missed for.</summary>
/// <param name="MostWrong">Wrong notes that pass.</param>
/// <param name="MostMissing">Missing notes that pass.</param>
/// <param name="MostAdditional">Notes that are not written and pass.</param>
/// <param name="StopsCount">Whether a stop misses it.</param>
/// <param name="LostBeatCounts">Whether a lost beat misses it, where there is a click.</param>
public sealed record VerdictRules(
    int MostWrong = 0,
    int MostMissing = 0,
    int MostAdditional = 0,
    bool StopsCount = true,
    bool LostBeatCounts = true
);

/// <summary>Something in a take that is not as written.</summary>
public enum FaultKind
{
    /// <summary>Another note in its place.</summary>
    WrongNote,

    /// <summary>A note left out.</summary>
    MissingNote,

    /// <summary>A note that is not written.</summary>
    AdditionalNote,

    /// <summary>It stopped before a note.</summary>
    Stop,

    /// <summary>From a note on it was beside the click.</summary>
    LostBeat,

    /// <summary>It ended before the last note.</summary>
    BrokenOff,
}

/// <summary>A fault and its place.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Bar">Number of the bar as it is printed.</param>
/// <param name="Written">Sounding MIDI note number of what is written; null where it does not matter.</param>
/// <param name="Heard">That of what was heard; null where it is not known.</param>
public sealed record Fault(FaultKind Kind, int Bar, int? Written = null, int? Heard = null)
{
    /// <summary>In words: "bar 3: F♯4 instead of F4".</summary>
    /// <param name="name">A sounding MIDI note number as the player reads it.</param>
    public string Words(Func<int, string> name)
    {
        ArgumentNullException.ThrowIfNull(name);
        var what = (Kind, Written, Heard) switch
        {
            (FaultKind.WrongNote, { } written, { } heard) => $"{name(heard)} instead of {name(written)}",
            (FaultKind.WrongNote, _, _) => "a wrong note",
            (FaultKind.MissingNote, { } written, _) => $"{name(written)} was not heard",
            (FaultKind.MissingNote, _, _) => "a note was not heard",
            (FaultKind.AdditionalNote, _, { } heard) => $"{name(heard)} is not written",
            (FaultKind.AdditionalNote, _, _) => "one note too many",
            (FaultKind.Stop, _, _) => "a stop",
            (FaultKind.LostBeat, _, _) => "beside the click from here on",
            _ => "it ends here",
        };
        return $"bar {Bar}: {what}";
    }
}

/// <summary>Whether a take is clean by rules that can be read, and where it is not.</summary>
/// <param name="Clean">Whether it is.</param>
/// <param name="Faults">All that was not as written, in the order of the music; some of it may pass by the rules.</param>
public sealed record TakeVerdict(bool Clean, IReadOnlyList<Fault> Faults)
{
    /// <summary>Waiting longer than this part of a beat before a note, and longer than so many seconds, is a stop.</summary>
    private const double StopBeats = 0.6;
    private const double StopSeconds = 0.3;

    /// <summary>So far beside the click, in beats, the beat is lost.</summary>
    private const double LostBeats = 0.35;

    /// <summary>A note that is not written counts where it is so loud beside the middle of the others: else it is a click, a chair.</summary>
    private const double Loud = 0.4;

    /// <summary>Judges a take.</summary>
    /// <param name="written">What is written.</param>
    /// <param name="heard">What was heard.</param>
    /// <param name="alignment">Which is which.</param>
    /// <param name="timing">How early and late; null where too little was heard.</param>
    /// <param name="wholeSeconds">Seconds of a whole note at the tempo it was played at.</param>
    /// <param name="beat">The beat, in whole notes.</param>
    /// <param name="a4">Frequency of A4 in hertz.</param>
    /// <param name="isPitched">False where only beginnings are heard.</param>
    /// <param name="rules">What a take is missed for.</param>
    public static TakeVerdict Of(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        TakeTiming? timing,
        double wholeSeconds,
        double beat,
        double a4,
        bool isPitched,
        VerdictRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(written);
        ArgumentNullException.ThrowIfNull(heard);
        ArgumentNullException.ThrowIfNull(alignment);
        ArgumentNullException.ThrowIfNull(rules);
        var faults = new List<(int Written, Fault Fault)>();
        faults.AddRange(Notes(written, heard, alignment, a4, isPitched));
        faults.AddRange(Additional(written, heard, alignment, a4, isPitched));
        var stop = Stop(written, heard, alignment, wholeSeconds, beat);
        if (stop is { } place)
            faults.Add((place, new Fault(FaultKind.Stop, written[place].Bar)));
        // After a stop it is beside the click of itself.
        else if (timing?.DriftMs is not null && LostBeat(timing, wholeSeconds * beat) is { } lost)
            faults.Add((lost, new Fault(FaultKind.LostBeat, written[lost].Bar)));
        var ordered = faults.OrderBy(one => one.Written).Select(one => one.Fault).ToList();
        int Count(FaultKind kind) => ordered.Count(fault => fault.Kind == kind);
        var clean =
            Count(FaultKind.BrokenOff) == 0
            && Count(FaultKind.WrongNote) <= rules.MostWrong
            && Count(FaultKind.MissingNote) <= rules.MostMissing
            && Count(FaultKind.AdditionalNote) <= rules.MostAdditional
            && (!rules.StopsCount || Count(FaultKind.Stop) == 0)
            && (!rules.LostBeatCounts || Count(FaultKind.LostBeat) == 0);
        return new TakeVerdict(clean, ordered);
    }

    private static IEnumerable<(int, Fault)> Notes(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        double a4,
        bool isPitched
    )
    {
        var last = alignment.Moments.LastOrDefault(one => one.Heard is not null).Written;
        foreach (var moment in alignment.Moments)
        {
            var note = written[moment.Written];
            int? single = isPitched && note.Midis.Count == 1 ? note.Midis[0] : null;
            // What is left over is not missing note by note: it was broken off. One note at the end may be too soft to be heard.
            if (moment.Match == Match.Missing && moment.Written > last && last < written.Count - 2)
            {
                yield return (moment.Written, new Fault(FaultKind.BrokenOff, note.Bar));
                yield break;
            }

            if (moment.Match == Match.Missing)
                yield return (moment.Written, new Fault(FaultKind.MissingNote, note.Bar, single));
            else if (moment.Match == Match.Wrong)
                yield return (moment.Written, new Fault(FaultKind.WrongNote, note.Bar, single, Midi(heard[moment.Heard!.Value], a4)));
        }
    }

    private static IEnumerable<(int, Fault)> Additional(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        double a4,
        bool isPitched
    )
    {
        var matched = alignment.Moments.Where(one => one.Heard is not null).ToList();
        if (matched.Count == 0)
            yield break;
        var loud = Loud * matched.Select(one => heard[one.Heard!.Value].Level).Order().ElementAt(matched.Count / 2);
        foreach (var index in alignment.AdditionalNotes)
        {
            // Before the first and after the last is no part of the take.
            if (
                index < matched[0].Heard
                || index > matched[^1].Heard
                || heard[index].Level < loud
                || (isPitched && heard[index].Hertz <= 0)
            )
                continue;
            var after = matched.Last(one => one.Heard < index).Written;
            yield return (after, new Fault(FaultKind.AdditionalNote, written[after].Bar, null, isPitched ? Midi(heard[index], a4) : null));
        }
    }

    private static int? Stop(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        double wholeSeconds,
        double beat
    )
    {
        var matched = alignment.Moments.Where(one => one.Heard is not null).ToList();
        var longest = Math.Max(StopSeconds, StopBeats * beat * wholeSeconds);
        for (var i = 1; i < matched.Count; i++)
        {
            var waited = heard[matched[i].Heard!.Value].At - heard[matched[i - 1].Heard!.Value].At;
            if (waited - ((written[matched[i].Written].At - written[matched[i - 1].Written].At) * wholeSeconds) > longest)
                return matched[i].Written;
        }

        return null;
    }

    /// <summary>The first of two notes running that are too far beside the click.</summary>
    private static int? LostBeat(TakeTiming timing, double beatSeconds)
    {
        var most = 1000 * LostBeats * beatSeconds;
        for (var i = 0; i + 1 < timing.Late.Count; i++)
        {
            if (Math.Abs(timing.Late[i].LateMs) > most && Math.Abs(timing.Late[i + 1].LateMs) > most)
                return timing.Late[i].Written;
        }

        return null;
    }

    private static int? Midi(HeardTone tone, double a4) =>
        tone.Hertz > 0 ? (int)Math.Round(69 + (Tuning.Cents(tone.Hertz, a4) / 100)) : null;
}
