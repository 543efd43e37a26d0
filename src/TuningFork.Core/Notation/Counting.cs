namespace TuningFork.Core.Notation;

/// <summary>How the bars of a metre are counted (theory handbooks, from memory).</summary>
public static class Counting
{
    /// <summary>How many of a beat a full bar holds; null where they do not fill it, and where it is not felt so: three quarters in 6/8.</summary>
    /// <param name="time">The metre.</param>
    /// <param name="beat">What is counted.</param>
    public static int? Beats(TimeSignature time, Beat beat)
    {
        ArgumentNullException.ThrowIfNull(beat);
        var count = time.Bar / beat.Value;
        return time.IsFree || count.Denominator != 1 || (IsCompound(time) && (beat == Beat.Quarter || beat == Beat.Half))
            ? null
            : (int)count.Numerator;
    }

    /// <summary>What a metre is usually counted in: dotted quarters in 6/8, halves in 3/2, eighths in 3/8 and 7/8; null where nothing fills its bars.</summary>
    /// <param name="time">The metre.</param>
    public static Beat? Usual(TimeSignature time)
    {
        var usual =
            IsCompound(time) ? Beat.DottedQuarter
            : time.Unit >= 8 ? Beat.Eighth
            : time.Unit == 2 ? Beat.Half
            : Beat.Quarter;
        return Beats(time, usual) is null ? null : usual;
    }

    private static bool IsCompound(TimeSignature time) =>
        time.Unit == 8 && time.Beats % 3 == 0 && time.Beats > 3 && time.Groups.Length == 0;
}
