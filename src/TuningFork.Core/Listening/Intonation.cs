using System.Globalization;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>The pitch of a note of a take.</summary>
/// <param name="Written">The written moment.</param>
/// <param name="Midi">Its sounding MIDI note number.</param>
/// <param name="Cents">How much above what is meant it was, below zero for flat.</param>
/// <param name="SettledMs">Milliseconds from its beginning until it stayed where it ended up; null for a note too short to tell.</param>
public sealed record NotePitch(int Written, int Midi, double Cents, double? SettledMs);

/// <summary>How far from the pitch the notes of a take are. What is meant is equal temperament, or pure intervals over a drone.</summary>
public sealed record Intonation
{
    /// <summary>Fewer notes say nothing.</summary>
    public const int Fewest = 4;

    /// <summary>Cents to which a pitch is heard at best: no figure is more exact.</summary>
    public const double Finest = 2;

    /// <summary>Further from the pitch than this is another note, or none.</summary>
    private const double Furthest = 60;

    /// <summary>Shorter notes have no pitch to speak of, in seconds.</summary>
    private const double Shortest = 0.15;

    /// <summary>Cents beside the rest of the take from which on a note is named.</summary>
    private const double WorthSaying = 8;

    /// <summary>So many notes are named.</summary>
    private const int MostNamed = 3;

    /// <summary>Milliseconds from which on it is said how long the notes take to settle.</summary>
    private const double SlowToSettle = 150;

    /// <summary>Each note that could be told.</summary>
    public required IReadOnlyList<NotePitch> Notes { get; init; }

    /// <summary>The mean of the take.</summary>
    public required Estimate MeanCents { get; init; }

    /// <summary>The middle of the times that notes take to settle, in milliseconds; null where too few are long enough.</summary>
    public required double? SettledMs { get; init; }

    /// <summary>Whether pure intervals over a drone are meant.</summary>
    public required bool IsPure { get; init; }

    /// <summary>The pitches of a take.</summary>
    /// <param name="written">What is written.</param>
    /// <param name="heard">What was heard.</param>
    /// <param name="alignment">Which is which.</param>
    /// <param name="a4">Frequency of A4 in hertz.</param>
    /// <param name="drone">Frequency of the drone in hertz; null where none sounds.</param>
    /// <returns>The pitches; null where too few notes are in their place.</returns>
    public static Intonation? Of(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        double a4,
        double? drone
    )
    {
        ArgumentNullException.ThrowIfNull(written);
        ArgumentNullException.ThrowIfNull(heard);
        ArgumentNullException.ThrowIfNull(alignment);
        var notes = alignment
            .Moments.Where(one => one is { Match: Match.Right, Heard: not null } && written[one.Written].Midis.Count == 1)
            .Select(one => (one.Written, Midi: written[one.Written].Midis[0], Tone: heard[one.Heard!.Value]))
            .Where(one => one.Tone.Hertz > 0 && one.Tone.Until - one.Tone.At >= Shortest)
            .Select(one => new NotePitch(
                one.Written,
                one.Midi,
                Tuning.Cents(one.Tone.Hertz, MeantHertz(one.Midi, a4, drone)),
                one.Tone.Settled is { } settled ? 1000 * settled : null
            ))
            // An octave off is misheard.
            .Where(note => Math.Abs(note.Cents) <= Furthest)
            .ToList();
        if (notes.Count < Fewest)
            return null;
        var settled = notes.Select(note => note.SettledMs).OfType<double>().Order().ToList();
        return new Intonation
        {
            Notes = notes,
            MeanCents = Estimate.OfMean([.. notes.Select(note => note.Cents)], Finest),
            SettledMs = settled.Count >= Fewest ? settled[settled.Count / 2] : null,
            IsPure = drone is not null,
        };
    }

    /// <summary>In words, the weightiest first: "6 cents sharp in the mean (± 3)", "F♯4 11 cents flat beside the others".</summary>
    /// <param name="name">A sounding MIDI note number as the player reads it.</param>
    public IReadOnlyList<string> Words(Func<int, string> name)
    {
        ArgumentNullException.ThrowIfNull(name);
        var meant = IsPure ? "pure over the drone" : "equal temperament";
        var words = new List<string>
        {
            MeanCents.IsCertain
                ? $"{Off(MeanCents.Value)} in the mean (± {Figure(MeanCents.PlusMinus)}; {meant})"
                : $"in tune in the mean (± {Figure(MeanCents.PlusMinus)} cents; {meant})",
        };
        words.AddRange(
            Notes
                .GroupBy(note => note.Midi)
                .Select(group => (Midi: group.Key, Cents: group.Average(note => note.Cents) - MeanCents.Value))
                .Where(one => Math.Abs(one.Cents) >= WorthSaying)
                .OrderByDescending(one => Math.Abs(one.Cents))
                .Take(MostNamed)
                .Select(one => $"{name(one.Midi)} {Off(one.Cents)} beside the others")
        );
        if (SettledMs >= SlowToSettle)
            words.Add($"notes settle after {Figure(10 * Math.Round(SettledMs.Value / 10))} ms");
        return words;
    }

    /// <summary>Frequency that is meant by a note: of equal temperament, or a pure interval over the drone.</summary>
    private static double MeantHertz(int midi, double a4, double? drone)
    {
        if (drone is not { } ground)
            return Tuning.Hertz(midi, a4);
        var semitones = (int)Math.Round(Tuning.Cents(Tuning.Hertz(midi, a4), ground) / 100);
        // Below the drone as above it, octaves lower.
        var octaves = semitones < 0 ? (11 - semitones) / 12 : 0;
        return ground * Tuning.JustRatio(semitones + (12 * octaves)) / Math.Pow(2, octaves);
    }

    private static string Off(double cents) => $"{Figure(Math.Abs(cents))} cents {(cents > 0 ? "sharp" : "flat")}";

    private static string Figure(double value) => Math.Round(value).ToString(CultureInfo.InvariantCulture);
}
