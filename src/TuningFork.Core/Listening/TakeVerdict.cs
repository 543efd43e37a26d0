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

    /// <summary>Note and click are not one, where that is what is worked on.</summary>
    BesideClick,
}

/// <summary>A fault and its place.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Bar">Number of the bar as it is printed.</param>
/// <param name="Written">Sounding MIDI note number of what is written; null where it does not matter.</param>
/// <param name="Heard">That of what was heard; null where it is not known.</param>
/// <param name="LateMs">Milliseconds late, below zero for early, where that is the fault; else 0.</param>
public sealed record Fault(FaultKind Kind, int Bar, int? Written = null, int? Heard = null, int LateMs = 0)
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
            (FaultKind.BesideClick, _, _) => $"{Math.Abs(LateMs)} ms {(LateMs < 0 ? "before" : "after")} the click",
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
    /// <summary>Judges a take.</summary>
    /// <param name="wish">What was listened for, and the rules.</param>
    /// <param name="heard">What was heard.</param>
    /// <param name="alignment">Which is which.</param>
    /// <param name="timing">How early and late; null where too little was heard.</param>
    /// <param name="wholeSeconds">Seconds of a whole note at the tempo it was played at.</param>
    public static TakeVerdict Of(
        ListenWish wish,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        TakeTiming? timing,
        double wholeSeconds
    )
    {
        ArgumentNullException.ThrowIfNull(wish);
        ArgumentNullException.ThrowIfNull(heard);
        ArgumentNullException.ThrowIfNull(alignment);
        var faults = new TakeFaults(wish, heard, alignment, wholeSeconds).Of(timing);
        var rules = wish.Rules;
        int Count(FaultKind kind) => faults.Count(fault => fault.Kind == kind);
        var clean =
            Count(FaultKind.BrokenOff) == 0
            && Count(FaultKind.WrongNote) <= rules.MostWrong
            && Count(FaultKind.MissingNote) <= rules.MostMissing
            && Count(FaultKind.AdditionalNote) <= rules.MostAdditional
            && (!rules.StopsCount || Count(FaultKind.Stop) == 0)
            && (!rules.LostBeatCounts || Count(FaultKind.LostBeat) == 0)
            && Count(FaultKind.BesideClick) <= TakeFaults.PassBesideClick * alignment.Moments.Count;
        return new TakeVerdict(clean, faults);
    }
}
