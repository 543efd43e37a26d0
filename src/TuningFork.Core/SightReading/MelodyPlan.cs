using TuningFork.Core.Notation;

namespace TuningFork.Core.SightReading;

/// <summary>A note to be found a pitch for.</summary>
/// <param name="Bar">Its bar.</param>
/// <param name="At">Where in the bar.</param>
/// <param name="Length">How long it lasts.</param>
/// <param name="Strong">Whether it falls where the bar is counted from.</param>
/// <param name="Held">Whether it is held on from the note before.</param>
/// <param name="Wanted">The degree at which contour and motif would have it.</param>
internal sealed record MelodyNote(int Bar, Fraction At, Fraction Length, bool Strong, bool Held, double Wanted);

/// <summary>
/// Pitches for a rhythm, as degrees of the scale: the cheapest way through all notes (Viterbi 1967, from memory), where chord tones on
/// strong beats, steps, leaps that are filled, one highest note and a motif that comes again are cheap, and chance decides between what
/// is alike.
/// </summary>
internal sealed class MelodyPlan(IReadOnlyList<MelodyNote> notes, IReadOnlyList<int> chords, int low, int high, int leap, Random random)
{
    private const double Never = 1e6;
    private const double OffChordStrong = 4;
    private const double OffChordMiddle = 2;
    private const double OffChordByLeap = 3;
    private const double Unfilled = 3.5;
    private const double SecondClimax = 9;
    private const double Chance = 0.55;
    private const double Shape = 0.8;
    private const double Asked = 7;

    /// <summary>What a move of so many letters costs: steps are the rule, thirds frequent, what is large rare.</summary>
    private static readonly double[] Moves = [1.7, 0, 0.25, 1.2, 1.5, 2.2, 4.5, 2.6, 5, 6];

    private readonly int degrees = high - low + 1;

    /// <summary>The highest degree, reached once.</summary>
    private readonly int top = Math.Clamp((int)Math.Ceiling(notes.Max(note => note.Wanted)), Math.Min(low + 2, high), high);

    /// <summary>The degree of each note.</summary>
    /// <param name="climax">The note that is the highest.</param>
    /// <param name="leapAt">The note that is reached by a leap of the level; -1 for none.</param>
    public int[] Solve(int climax, int leapAt)
    {
        // A state is a degree with what the last move owes: 0 nothing, 1 a step down after a leap up, 2 a step up after one down.
        var states = degrees * 3;
        var cost = new double[notes.Count, states];
        var before = new int[notes.Count, states];
        for (var note = 0; note < notes.Count; note++)
        {
            for (var state = 0; state < states; state++)
                (cost[note, state], before[note, state]) = (double.PositiveInfinity, -1);
            for (var degree = 0; degree < degrees; degree++)
            {
                var own = Own(note, degree + low, climax) + (Chance * Math.Log(-Math.Log((random.NextDouble() * 0.999) + 0.0005)));
                if (note == 0)
                {
                    cost[0, degree * 3] = own;
                    continue;
                }

                for (var from = 0; from < states; from++)
                {
                    if (double.IsPositiveInfinity(cost[note - 1, from]))
                        continue;
                    var (was, owes) = (from / 3, from % 3);
                    var move = degree - was;
                    var step = Move(note, was + low, move, owes, note == leapAt);
                    if (step >= Never)
                        continue;
                    var state =
                        (degree * 3)
                        + (
                            move >= 3 ? 1
                            : move <= -3 ? 2
                            : 0
                        );
                    var sum = cost[note - 1, from] + step + own;
                    if (sum < cost[note, state])
                        (cost[note, state], before[note, state]) = (sum, from);
                }
            }
        }

        return Back(cost, before, states);
    }

    private int[] Back(double[,] cost, int[,] before, int states)
    {
        var last = notes.Count - 1;
        var state = Enumerable.Range(0, states).MinBy(one => cost[last, one]);
        var found = new int[notes.Count];
        for (var note = last; note >= 0; note--)
        {
            found[note] = (state / 3) + low;
            state = before[note, state];
        }

        return found;
    }

    private double Own(int note, int degree, int climax)
    {
        var one = notes[note];
        var chord = chords[one.Bar];
        var inChord = HarmonyPlan.Holds(chord, degree);
        var isLast = note == notes.Count - 1 || notes.Skip(note + 1).All(later => later.Held);
        var closes = note + 1 == notes.Count || notes[note + 1].Bar != one.Bar;
        return (isLast && Mod(degree) != 0 ? Never / 10 : 0)
            + (!isLast && closes && one.Length >= new Fraction(1, 2) && !inChord ? OffChordStrong : 0)
            + (
                one.Strong && !inChord
                    ? one.At == Fraction.Zero
                        ? OffChordStrong
                        : OffChordMiddle
                    : 0
            )
            // Nobody ends a bar on the leading tone and stays there.
            + (Mod(degree) == 6 && chord != 4 ? 1.5 : 0)
            + (note != climax && degree >= top ? SecondClimax : 0)
            + (note == climax && degree != top ? SecondClimax : 0)
            + (note == climax ? 0 : Shape * Math.Abs(degree - one.Wanted));
    }

    private double Move(int note, int degree, int move, int owes, bool asked)
    {
        var size = Math.Abs(move);
        if (notes[note].Held)
            return size == 0 ? 0 : Never;
        if (size > Math.Max(leap, 2) || size >= Moves.Length || (leap == 1 && size > 1))
            return Never;
        var (was, now) = (
            HarmonyPlan.Holds(chords[notes[note - 1].Bar], degree),
            HarmonyPlan.Holds(chords[notes[note].Bar], degree + move)
        );
        return Moves[size]
            + (size >= 2 && !(was && now) ? OffChordByLeap : 0)
            + (
                owes == 1 && move is not -1
                    ? move == -2
                        ? 1
                        : Unfilled
                    : 0
            )
            + (
                owes == 2 && move is not 1
                    ? move == 2
                        ? 1
                        : Unfilled
                    : 0
            )
            - (asked && size >= Math.Max(2, leap - 1) ? Asked : 0);
    }

    private static int Mod(int degree) => ((degree % 7) + 7) % 7;
}
