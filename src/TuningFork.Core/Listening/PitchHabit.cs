namespace TuningFork.Core.Listening;

/// <summary>How a note is played over weeks: A4, 14 cents high.</summary>
/// <param name="Midi">Its sounding MIDI note number.</param>
/// <param name="Cents">How far from what is meant, and how far that may be off.</param>
/// <param name="Days">Days on which it was heard.</param>
/// <param name="Notes">How often.</param>
public sealed record PitchHabit(int Midi, Estimate Cents, int Days, int Notes)
{
    /// <summary>A habit needs more than one good or bad day.</summary>
    public const int FewestDays = 3;

    private const int FewestNotes = 6;

    /// <summary>Whether there is something to do about it: told apart from nothing, and more than an ear lets pass.</summary>
    public bool IsOff => Cents.IsCertain && Math.Abs(Cents.Value) > TunedNote.InTune;

    /// <summary>The habits, the lowest note first. Days count, not notes: how an instrument was tuned holds for a day.</summary>
    /// <param name="heard">Each note that was heard: its day, its sounding MIDI note number, and cents above what is meant.</param>
    public static IReadOnlyList<PitchHabit> Of(IEnumerable<(DateOnly Day, int Midi, double Cents)> heard)
    {
        ArgumentNullException.ThrowIfNull(heard);
        return
        [
            .. heard
                .GroupBy(one => one.Midi)
                .Select(note => (Midi: note.Key, Notes: note.Count(), Days: DayMeans(note)))
                .Where(note => note.Days.Count >= FewestDays && note.Notes >= FewestNotes)
                .OrderBy(note => note.Midi)
                .Select(note => new PitchHabit(note.Midi, Estimate.OfMean(note.Days, Intonation.Finest), note.Days.Count, note.Notes)),
        ];
    }

    private static List<double> DayMeans(IEnumerable<(DateOnly Day, int Midi, double Cents)> notes) =>
        [.. notes.GroupBy(one => one.Day).Select(day => day.Average(one => one.Cents))];
}
