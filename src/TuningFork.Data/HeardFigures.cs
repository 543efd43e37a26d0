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
    /// <param name="wish">What was listened for.</param>
    /// <param name="name">A sounding MIDI note number as the player reads it.</param>
    public static void Write(HeardRow row, HeardTake take, ListenWish wish, Func<int, string> name)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(take);
        ArgumentNullException.ThrowIfNull(wish);
        row.Clean = take.Verdict.Clean;
        row.PlayedTempo = take.Tempo?.Value;
        row.Notes = take.Alignment.Moments.Count(moment => moment.Heard is not null);
        row.Faults = Lines(take.Verdict.Faults.Select(fault => fault.Words(name)));
        if (take.Timing is { } timing)
        {
            (row.LateMs, row.LatePlusMinus) = (timing.MeanMs?.Value, timing.MeanMs?.PlusMinus);
            (row.DriftMs, row.DriftPlusMinus) = (timing.DriftMs?.Value, timing.DriftMs?.PlusMinus);
            row.SpreadMs = timing.SpreadMs;
            row.Uneven = timing.IsUneven ? timing.Unevenness!.Value.Value : null;
            // The last line is what helps.
            row.Timing = Lines(TimingWords.Of(timing, wish.Beat).Append(TimingWords.Help(timing, wish.Written, wish.Beat)));
            row.Late = Pairs(timing.Late.Select(note => (At(wish.Written, note.Written), note.LateMs)));
            row.Bars = Pairs(Beginnings(wish.Written).Select(i => (At(wish.Written, i), (double)wish.Written[i].Bar)));
        }

        if (take.Intonation is { } intonation)
        {
            row.OffCents = intonation.Notes.Average(note => Math.Abs(note.Cents));
            row.Intonation = Lines(intonation.Words(name));
            row.Pitch = Pairs(intonation.Notes.Select(note => ((double)note.Midi, note.Cents)));
        }
    }

    /// <summary>What stands so far into what is written, as it is called: "to F♯5 in bar 6".</summary>
    /// <param name="written">What is written.</param>
    /// <param name="at">How far, 0 to 1, as <see cref="Late"/> gives it.</param>
    /// <param name="name">A sounding MIDI note number as the player reads it; null where pitches are not told.</param>
    public static string Place(IReadOnlyList<WrittenMoment> written, double at, Func<int, string>? name)
    {
        ArgumentNullException.ThrowIfNull(written);
        var here = Moment(written, at);
        var inBar = written.TakeWhile(moment => moment != here).Count(moment => moment.Bar == here.Bar) + 1;
        return name is not null && here.Midis is [var midi]
            ? $"to {name(midi)} in bar {here.Bar}"
            : string.Create(CultureInfo.InvariantCulture, $"to note {inBar} of bar {here.Bar}");
    }

    /// <summary>What stands so far into what is written.</summary>
    /// <param name="written">What is written.</param>
    /// <param name="at">How far, 0 to 1, as <see cref="Late"/> gives it.</param>
    public static WrittenMoment Moment(IReadOnlyList<WrittenMoment> written, double at)
    {
        ArgumentNullException.ThrowIfNull(written);
        return written[Enumerable.Range(0, written.Count).MinBy(i => Math.Abs(At(written, i) - at))];
    }

    /// <summary>Each note of a row: how far into the take, 0 to 1, and milliseconds late.</summary>
    public static IEnumerable<(double At, int LateMs)> Late(HeardRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Pairs(row.Late);
    }

    /// <summary>Where the bars of a row begin: how far into the take, 0 to 1, and the bar's number.</summary>
    public static IEnumerable<(double At, int Number)> Bars(HeardRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Pairs(row.Bars);
    }

    /// <summary>Each note of a row whose pitch was heard: its sounding MIDI note number, and cents above what is meant.</summary>
    public static IEnumerable<(int Midi, int Cents)> Pitch(HeardRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Pairs(row.Pitch).Select(pair => ((int)pair.First, pair.Second));
    }

    /// <summary>The notes with which a bar begins.</summary>
    private static IEnumerable<int> Beginnings(IReadOnlyList<WrittenMoment> written) =>
        Enumerable.Range(0, written.Count).Where(i => i == 0 || written[i].Bar != written[i - 1].Bar);

    private static double At(IReadOnlyList<WrittenMoment> written, int index) =>
        (written[index].At - written[0].At) / Math.Max(written[^1].At - written[0].At, 1e-9);

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
