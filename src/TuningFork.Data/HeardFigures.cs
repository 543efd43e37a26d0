using System.Globalization;
using TuningFork.Core.Listening;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What came of a take that was listened to, as it is written down.</summary>
public static class HeardFigures
{
    /// <summary>Writes verdict, timing and pitch into a row.</summary>
    /// <param name="row">The row.</param>
    /// <param name="take">The take as it was heard.</param>
    /// <param name="written">What is written.</param>
    /// <param name="name">A sounding MIDI note number as the player reads it.</param>
    public static void Write(HeardRow row, HeardTake take, IReadOnlyList<WrittenMoment> written, Func<int, string> name)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(take);
        ArgumentNullException.ThrowIfNull(written);
        var length = Math.Max(written[^1].At - written[0].At, 1e-9);
        row.Clean = take.Verdict.Clean;
        row.Notes = take.Alignment.Moments.Count(moment => moment.Heard is not null);
        row.Faults = Lines(take.Verdict.Faults.Select(fault => fault.Words(name)));
        if (take.Timing is { } timing)
        {
            (row.LateMs, row.LatePlusMinus) = (timing.MeanMs?.Value, timing.MeanMs?.PlusMinus);
            (row.DriftMs, row.DriftPlusMinus) = (timing.DriftMs?.Value, timing.DriftMs?.PlusMinus);
            row.SpreadMs = timing.SpreadMs;
            row.Uneven = timing.IsUneven ? timing.Unevenness!.Value.Value : null;
            // The last line is what helps.
            row.Timing = Lines(TimingWords.Of(timing).Append(TimingWords.Help(timing)));
            row.Late = Pairs(timing.Late.Select(note => ((written[note.Written].At - written[0].At) / length, note.LateMs)));
        }

        if (take.Intonation is { } intonation)
        {
            row.OffCents = intonation.Notes.Average(note => Math.Abs(note.Cents));
            row.Intonation = Lines(intonation.Words(name));
            row.Pitch = Pairs(intonation.Notes.Select(note => ((double)note.Midi, note.Cents)));
        }
    }

    /// <summary>Each note of a row: how far into the take, 0 to 1, and milliseconds late.</summary>
    public static IEnumerable<(double At, int LateMs)> Late(HeardRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Pairs(row.Late);
    }

    /// <summary>Each note of a row whose pitch was heard: its sounding MIDI note number, and cents above what is meant.</summary>
    public static IEnumerable<(int Midi, int Cents)> Pitch(HeardRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Pairs(row.Pitch).Select(pair => ((int)pair.First, pair.Second));
    }

    private static string Lines(IEnumerable<string> lines) => string.Join('\n', lines);

    private static string Pairs(IEnumerable<(double First, double Second)> pairs) =>
        string.Join(
            ',',
            pairs.Select(pair => string.Create(CultureInfo.InvariantCulture, $"{pair.First:0.###}:{Math.Round(pair.Second)}"))
        );

    private static IEnumerable<(double First, int Second)> Pairs(string pairs) =>
        pairs
            .Split(',', StringSplitOptions.RemoveEmptyEntries)
            .Select(pair => pair.Split(':'))
            .Select(pair => (double.Parse(pair[0], CultureInfo.InvariantCulture), int.Parse(pair[1], CultureInfo.InvariantCulture)));
}
