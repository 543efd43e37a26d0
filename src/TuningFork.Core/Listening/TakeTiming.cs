using MathNet.Numerics.Distributions;

namespace TuningFork.Core.Listening;

/// <summary>A figure and how far it may be off.</summary>
/// <param name="Value">The figure.</param>
/// <param name="PlusMinus">Half of the interval that holds the true one in 95 of 100 cases.</param>
public readonly record struct Estimate(double Value, double PlusMinus)
{
    /// <summary>Whether it is told apart from nothing at all.</summary>
    public bool IsCertain => Math.Abs(Value) > PlusMinus;

    /// <summary>The mean of some values, with the interval of Student's distribution.</summary>
    /// <param name="values">The values, two or more.</param>
    /// <param name="finest">No figure is more exact.</param>
    /// <exception cref="ArgumentException">There are fewer than two.</exception>
    public static Estimate OfMean(IReadOnlyCollection<double> values, double finest)
    {
        ArgumentNullException.ThrowIfNull(values);
        if (values.Count < 2)
            throw new ArgumentException("One value has no spread.", nameof(values));
        var off = StudentT.InvCDF(0, 1, values.Count - 1, 0.975) * SpreadOf(values) / Math.Sqrt(values.Count);
        return new Estimate(values.Average(), Math.Max(finest, off));
    }

    /// <summary>The standard deviation of some values, two or more.</summary>
    internal static double SpreadOf(IReadOnlyCollection<double> values)
    {
        var mean = values.Average();
        return Math.Sqrt(values.Sum(value => (value - mean) * (value - mean)) / (values.Count - 1));
    }
}

/// <summary>Notes at one place of the bar.</summary>
/// <param name="InBar">The place, in whole notes.</param>
/// <param name="LateMs">How late they are beside the mean of the take, in milliseconds; below zero for early.</param>
/// <param name="Notes">How many they are.</param>
public sealed record PlaceTiming(double InBar, Estimate LateMs, int Notes);

/// <summary>How early or late the notes of a take are.</summary>
public sealed record TakeTiming
{
    /// <summary>Fewer notes say nothing.</summary>
    public const int Fewest = 4;

    /// <summary>
    /// A drift is claimed where chance alone would show one in less than four of a hundred takes; smaller ones are within what a beginning can
    /// be heard to. A note whose beginning was heard wrong says little of it.
    /// </summary>
    private const double DriftCertainty = 0.96;

    /// <summary>A drift of fewer milliseconds over a take is not worth a word (common practice).</summary>
    private const double LeastDriftMs = 15;

    /// <summary>No take is taken for more even than so many milliseconds of standard deviation: so exactly nobody is heard.</summary>
    private const double FinestSpread = 2;

    /// <summary>A place is claimed to be early or late where chance would show one in less than so many takes of one.</summary>
    private const double PlaceChance = 0.02;

    /// <summary>So near to even nobody hears a difference.</summary>
    private const double LeastUneven = 0.05;

    /// <summary>Milliseconds to which the beginning of a note is heard at best: no figure is more exact.</summary>
    public const double Finest = 5;

    /// <summary>A delay that may be off by more milliseconds is not known.</summary>
    public const double MostUnknown = 100;

    /// <summary>Notes in it.</summary>
    public required int Notes { get; init; }

    /// <summary>
    /// How late the notes are against the click in the mean, in milliseconds; null without a click, and while the delay of the room is not
    /// known: then all notes are told beside their own mean.
    /// </summary>
    public required Estimate? MeanMs { get; init; }

    /// <summary>Standard deviation of the notes around the take's own line, in milliseconds.</summary>
    public required double SpreadMs { get; init; }

    /// <summary>
    /// By how much the last note is later than the first one beside the beat, by a straight line; below zero for rushing; null without a
    /// click: there is no beat but the player's own.
    /// </summary>
    public required Estimate? DriftMs { get; init; }

    /// <summary>Whether it rushes or drags: a drift that is told apart from chance, and is worth a word.</summary>
    public bool Drifts => DriftMs is { IsCertain: true } drift && Math.Abs(drift.Value) >= LeastDriftMs;

    /// <summary>Seconds of a whole note as it was played: the slope of the take's own line.</summary>
    public required double WholeSeconds { get; init; }

    /// <summary>Places of the bar with three notes or more.</summary>
    public required IReadOnlyList<PlaceTiming> Places { get; init; }

    /// <summary>
    /// Long to short of notes that are written equal and follow each other in pairs: 1 for even; null where there are too few. Above 1 the
    /// first of a pair is longer.
    /// </summary>
    public required Estimate? Unevenness { get; init; }

    /// <summary>Whether they are told to be uneven, and by more than a twentieth.</summary>
    public bool IsUneven => Unevenness is { } uneven && Math.Abs(uneven.Value - 1) > Math.Max(LeastUneven, uneven.PlusMinus);

    /// <summary>Each note: the written moment, and how late it was beside the beat or, without a click, the take's own line.</summary>
    public required IReadOnlyList<(int Written, double LateMs)> Late { get; init; }

    /// <summary>The timing of a take.</summary>
    /// <param name="written">What is written.</param>
    /// <param name="heard">What was heard.</param>
    /// <param name="alignment">Which is which.</param>
    /// <param name="wholeSeconds">Seconds of a whole note at the tempo.</param>
    /// <param name="firstBeat">When the first beat of what is written sounded, in seconds; null without a click.</param>
    /// <param name="delayMs">Milliseconds by which everything is heard late in this room, and how far that may be off.</param>
    /// <returns>The timing; null where too few notes are in their place.</returns>
    public static TakeTiming? Of(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        Alignment alignment,
        double wholeSeconds,
        double? firstBeat,
        Estimate delayMs
    )
    {
        ArgumentNullException.ThrowIfNull(written);
        ArgumentNullException.ThrowIfNull(heard);
        ArgumentNullException.ThrowIfNull(alignment);
        var notes = alignment
            .Moments.Where(one => one.Heard is not null)
            .Select(one => (one.Written, X: written[one.Written].At, T: heard[one.Heard!.Value].At))
            .ToList();
        if (notes.Count < Fewest)
            return null;
        var own = StraightLine.Through([.. notes.Select(note => (note.X, note.T))]);
        var late = notes
            .Select(note =>
                (
                    note.Written,
                    note.X,
                    LateMs: 1000 * (firstBeat is { } first ? note.T - first - (note.X * wholeSeconds) : note.T - own.At(note.X))
                        - (firstBeat is null ? 0 : delayMs.Value)
                )
            )
            .ToList();
        List<(double X, double LateMs)> points = [.. late.Select(note => (note.X, note.LateMs))];
        var line = StraightLine.Through(points);
        var steady = StraightLine.Robust(points, FinestSpread);
        var spread = Math.Sqrt(late.Sum(note => Square(note.LateMs - line.At(note.X))) / (late.Count - 2));
        var length = notes[^1].X - notes[0].X;
        var mean = late.Average(note => note.LateMs);
        var isKnown = firstBeat is null || delayMs.PlusMinus <= MostUnknown;
        return new TakeTiming
        {
            Notes = late.Count,
            MeanMs =
                firstBeat is null || !isKnown
                    ? null
                    : new Estimate(
                        mean,
                        Math.Max(Finest, Math.Sqrt(Square(1.96 * spread / Math.Sqrt(late.Count)) + Square(delayMs.PlusMinus)))
                    ),
            SpreadMs = spread,
            WholeSeconds = own.Slope,
            DriftMs = firstBeat is null
                ? null
                : new Estimate(
                    steady.Slope * length,
                    Math.Max(Finest, StudentT.InvCDF(0, 1, late.Count - 2, (1 + DriftCertainty) / 2) * steady.Error * length)
                ),
            Places = PlacesOf(written, [.. late.Select(note => (note.Written, Off: note.LateMs - line.At(note.X)))]),
            Unevenness = UnevennessOf(written, [.. notes.Select(note => (note.Written, note.T))]),
            Late = [.. late.Select(note => (note.Written, note.LateMs - (isKnown ? 0 : mean)))],
        };
    }

    /// <summary>The places, with what chance would show at any of them in less than two of a hundred takes.</summary>
    private static List<PlaceTiming> PlacesOf(IReadOnlyList<WrittenMoment> written, IReadOnlyList<(int Written, double Off)> late)
    {
        var places = late.GroupBy(note => written[note.Written].InBar, note => note.Off)
            .Where(place => place.Count() >= 3)
            .OrderBy(place => place.Key)
            .Select(place => (InBar: place.Key, Off: place.ToList()))
            .ToList();
        // Three notes hardly tell how they scatter; those of all places do.
        var free = places.Sum(place => place.Off.Count - 1);
        var spread = Math.Sqrt(places.Sum(place => place.Off.Sum(off => Square(off - place.Off.Average()))) / Math.Max(1, free));
        var far = places.Count == 0 ? 0 : StudentT.InvCDF(0, 1, free, 1 - (PlaceChance / 2 / places.Count)) * spread;
        return
        [
            .. places.Select(place => new PlaceTiming(
                place.InBar,
                new Estimate(place.Off.Average(), Math.Max(Finest, far / Math.Sqrt(place.Off.Count))),
                place.Off.Count
            )),
        ];
    }

    /// <summary>Pairs on the beat and off it that are written equal: the ratio of the first to the second.</summary>
    private static Estimate? UnevennessOf(IReadOnlyList<WrittenMoment> written, IReadOnlyList<(int Written, double T)> notes)
    {
        var ratios = new List<double>();
        for (var i = 0; i + 2 < notes.Count; i++)
        {
            var (a, b, c) = (notes[i], notes[i + 1], notes[i + 2]);
            if (b.Written != a.Written + 1 || c.Written != b.Written + 1)
                continue;
            var (first, second) = (written[b.Written].At - written[a.Written].At, written[c.Written].At - written[b.Written].At);
            // The first of a pair stands at a multiple of both together.
            var pairs = written[a.Written].InBar / (2 * first);
            if (Math.Abs(first - second) > 1e-9 || Math.Abs(pairs - Math.Round(pairs)) > 1e-6)
                continue;
            ratios.Add(Math.Log((b.T - a.T) / (c.T - b.T)));
        }

        if (ratios.Count < 3)
            return null;
        var mean = Estimate.OfMean(ratios, 0.02);
        return new Estimate(Math.Exp(mean.Value), Math.Exp(mean.Value) * mean.PlusMinus);
    }

    private static double Square(double value) => value * value;
}
