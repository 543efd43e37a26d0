namespace TuningFork.Core.Theory;

/// <summary>
/// What an instrument is tuned to: its open strings; for winds concert B flat, with which wind bands tune, where they transpose or are
/// brass in bass clef, and A for the others (common practice). Voices, keyboards and drums have none.
/// </summary>
public static class TuningNotes
{
    private static readonly Pitch BandNote = Pitch.Parse("Bb4");
    private static readonly Pitch OrchestraNote = Pitch.Parse("A4");
    private static readonly string[] LowBrass = ["trombone", "tuba", "euphonium", "baritone horn"];

    /// <summary>The notes in written pitch, in the order in which they sound.</summary>
    /// <param name="instrument">The instrument.</param>
    public static IReadOnlyList<Pitch> Of(Instrument instrument)
    {
        ArgumentNullException.ThrowIfNull(instrument);
        if (instrument.OpenStrings is { Count: > 0 } strings)
            return strings;
        if (!instrument.IsPitched || instrument.Family is not (Family.Winds or Family.Strings or Family.Plucked))
            return [];
        var isBand =
            instrument.Family == Family.Winds
            && (
                instrument.Transposition % 12 != 0
                || LowBrass.Any(name => instrument.Name.Contains(name, StringComparison.OrdinalIgnoreCase))
            );
        var written = (isBand ? BandNote : OrchestraNote).Plus(instrument.ToSounding.Reversed);
        return [Within(written, instrument)];
    }

    /// <summary>In the octave that lies nearest to the middle of the range.</summary>
    private static Pitch Within(Pitch note, Instrument instrument)
    {
        var middle = (instrument.Lowest!.Value.Midi + instrument.Highest!.Value.Midi) / 2;
        return note with { Octave = note.Octave + (int)Math.Round((middle - note.Midi) / 12.0) };
    }
}
