using TuningFork.Core.Theory;

namespace TuningFork.Core.Listening;

/// <summary>How what was heard stands to what is written.</summary>
public enum Match
{
    /// <summary>The note that is written, or one whose pitch could not be heard.</summary>
    Right,

    /// <summary>Another note in its place.</summary>
    Wrong,

    /// <summary>Nothing in its place.</summary>
    Missing,
}

/// <summary>A written moment and what was heard of it.</summary>
/// <param name="Written">Index of the moment.</param>
/// <param name="Heard">Index of the note that was heard, or null where it is missing.</param>
/// <param name="Match">How it stands to it.</param>
public readonly record struct AlignedMoment(int Written, int? Heard, Match Match);

/// <summary>
/// Which heard note is which written one: the cheapest way through both by dynamic programming on pitch and time (after Dannenberg 1984, An
/// on-line algorithm for real-time accompaniment, ICMC). Wrong, missing and additional notes and stops have their price.
/// </summary>
public sealed class Alignment
{
    private const double Missing = 1;

    /// <summary>The same before the first note that was heard: what is alike all through rather breaks off than begins in the middle.</summary>
    private const double MissingAtFirst = 1.05;
    private const double Additional = 0.8;
    private const double Wrong = 0.9;

    /// <summary>The right note an octave off: more often misheard than misplayed.</summary>
    private const double OctaveOff = 0.2;
    private const double NotKnown = 0.1;

    /// <summary>The most that a note in its place costs for being early or late: after a stop it goes on.</summary>
    private const double MostTime = 1.5;

    /// <summary>The same pitch heard as begun anew: of what sounds on it is often nothing.</summary>
    private const double GoingOn = 0.2;

    /// <summary>So many moments are left out at most between two that belong together, and so many notes are heard there that are not written.</summary>
    private const int MostLeftOut = 4;
    private const int MostAdditional = 10;

    /// <summary>Cents within which a pitch is that of the note.</summary>
    private const double Same = 50;

    /// <summary>Tempi beside the one that is known to be wanted, where nobody gives the beat: from half to one and a half times.</summary>
    private static readonly double[] Free = [0.5, 0.57, 0.66, 0.76, 0.87, 1, 1.15, 1.32, 1.52];

    private static readonly double[] Given = [1];

    private Alignment(IReadOnlyList<AlignedMoment> moments, IReadOnlyList<int> additional, double cost, double rate)
    {
        Moments = moments;
        AdditionalNotes = additional;
        Cost = cost;
        Rate = rate;
    }

    /// <summary>All written moments in their order.</summary>
    public IReadOnlyList<AlignedMoment> Moments { get; }

    /// <summary>Indices of heard notes that are not written.</summary>
    public IReadOnlyList<int> AdditionalNotes { get; }

    /// <summary>What is wrong in all; 0 for a take without fault.</summary>
    public double Cost { get; }

    /// <summary>How fast it was beside the tempo that was given: 1 for the same, below for slower.</summary>
    public double Rate { get; }

    /// <summary>Aligns what was heard.</summary>
    /// <param name="written">What is written, in order.</param>
    /// <param name="heard">What was heard, in order.</param>
    /// <param name="wholeSeconds">Seconds of a whole note at the tempo that is wanted, above 0.</param>
    /// <param name="withClick">Whether the tempo is given by a click; else it may be another.</param>
    /// <param name="a4">Frequency of A4 in hertz.</param>
    /// <param name="isPitched">False where only the beginnings count: a drum, two hands.</param>
    public static Alignment Of(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        double wholeSeconds,
        bool withClick,
        double a4,
        bool isPitched
    )
    {
        ArgumentNullException.ThrowIfNull(written);
        ArgumentNullException.ThrowIfNull(heard);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(wholeSeconds);
        var prices = Prices(written, heard, a4, isPitched);
        return (withClick ? Given : Free).Select(rate => Align(written, heard, prices, wholeSeconds / rate, rate)).MinBy(one => one.Cost)!;
    }

    /// <summary>What it costs that a heard note has the place of a written one.</summary>
    private static double[,] Prices(IReadOnlyList<WrittenMoment> written, IReadOnlyList<HeardTone> heard, double a4, bool isPitched)
    {
        var prices = new double[written.Count, heard.Count];
        for (var j = 0; j < heard.Count; j++)
        {
            if (!isPitched)
                continue;
            if (heard[j].Hertz <= 0)
            {
                for (var i = 0; i < written.Count; i++)
                    prices[i, j] = NotKnown;
                continue;
            }

            var pitch = 69 + (Tuning.Cents(heard[j].Hertz, a4) / 100);
            for (var i = 0; i < written.Count; i++)
                prices[i, j] = written[i].Midis.Min(midi => Price(pitch - midi));
        }

        return prices;
    }

    private static double Price(double semitones)
    {
        var off = Math.Abs(semitones) * 100;
        if (off <= Same)
            return 0;
        var octaves = off / 1200;
        return Math.Abs(octaves - Math.Round(octaves)) * 1200 <= Same ? OctaveOff : Wrong;
    }

    private static Alignment Align(
        IReadOnlyList<WrittenMoment> written,
        IReadOnlyList<HeardTone> heard,
        double[,] prices,
        double wholeSeconds,
        double rate
    )
    {
        var (rows, columns) = (written.Count, heard.Count);
        var additional = Additionals(heard);
        var costs = new double[rows, columns];
        var from = new (int Row, int Column)[rows, columns];
        var best = (Cost: (rows * Missing) + additional[columns], Row: -1, Column: -1);
        for (var i = 0; i < rows; i++)
        {
            for (var j = 0; j < columns; j++)
            {
                // The first that belong together: what is written before is missing, what was heard before was no part of it.
                var (cheapest, step) = ((i * MissingAtFirst) + (additional[j] / 2), (-1, -1));
                for (var k = i - 1; k >= Math.Max(0, i - 1 - MostLeftOut); k--)
                {
                    for (var l = j - 1; l >= Math.Max(0, j - 1 - MostAdditional); l--)
                    {
                        var cost =
                            costs[k, l]
                            + ((i - k - 1) * Missing)
                            + (additional[j] - additional[l + 1])
                            + Time(heard[j].At - heard[l].At, (written[i].At - written[k].At) * wholeSeconds);
                        if (cost < cheapest)
                            (cheapest, step) = (cost, (k, l));
                    }
                }

                costs[i, j] = cheapest + prices[i, j];
                from[i, j] = step;
                var all = costs[i, j] + ((rows - 1 - i) * Missing) + (additional[columns] - additional[j + 1]);
                if (all < best.Cost)
                    best = (all, i, j);
            }
        }

        return Traced(best, from, prices, rate);
    }

    /// <summary>What it costs that none of the notes before one is written: for each, and for all.</summary>
    private static double[] Additionals(IReadOnlyList<HeardTone> heard)
    {
        var sums = new double[heard.Count + 1];
        for (var j = 0; j < heard.Count; j++)
        {
            var isGoingOn =
                j > 0 && heard[j].Hertz > 0 && heard[j - 1].Hertz > 0 && Math.Abs(Tuning.Cents(heard[j].Hertz, heard[j - 1].Hertz)) <= Same;
            sums[j + 1] = sums[j] + (isGoingOn ? GoingOn : Additional);
        }

        return sums;
    }

    /// <summary>What a step in time costs beside the one that is written: a little off is nothing, a lot is a stop or a jump.</summary>
    private static double Time(double heard, double written)
    {
        var off = (heard - written) / ((0.25 * written) + 0.03);
        return Math.Min(MostTime, 0.15 * off * off);
    }

    private static Alignment Traced((double Cost, int Row, int Column) best, (int Row, int Column)[,] from, double[,] prices, double rate)
    {
        var moments = new AlignedMoment[from.GetLength(0)];
        for (var i = 0; i < moments.Length; i++)
            moments[i] = new AlignedMoment(i, null, Match.Missing);
        var used = new HashSet<int>();
        for (var at = (best.Row, best.Column); at.Row >= 0; at = from[at.Row, at.Column])
        {
            moments[at.Row] = new AlignedMoment(at.Row, at.Column, prices[at.Row, at.Column] >= Wrong ? Match.Wrong : Match.Right);
            used.Add(at.Column);
        }

        return new Alignment(moments, [.. Enumerable.Range(0, from.GetLength(1)).Where(one => !used.Contains(one))], best.Cost, rate);
    }
}
