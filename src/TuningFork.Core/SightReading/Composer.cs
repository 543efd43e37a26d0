using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>
/// Composes unseen music at a level: a phrase that asks and one that answers, a melody over the chords of its key, a motif that comes
/// again, an end at home. Pure: the same wish makes the same music.
/// </summary>
public static class Composer
{
    /// <summary>Notes a second at level 1, and how much faster each level of rhythm is (common practice: slower than feels necessary).</summary>
    private const double NotesASecond = 0.95;
    private const double FasterALevel = 0.13;
    private const int Slowest = 40;
    private const int Fastest = 58;
    private const double FastestALevel = 2.2;

    /// <summary>Where music without pitch stands: the middle line, and what is played low below it.</summary>
    private static readonly Pitch MiddleLine = Pitch.Parse("B4");
    private static readonly Pitch LowSound = Pitch.Parse("F4");

    /// <summary>The music of a wish.</summary>
    /// <param name="wish">How hard, for what, and what chance decides.</param>
    /// <exception cref="ReadingException">It cannot be met; the message names the remedy.</exception>
    public static Reading Compose(ReadingWish wish)
    {
        ArgumentNullException.ThrowIfNull(wish);
        Check(wish);
        var random = new Random(wish.Seed);
        var time = TimeOf(wish, random);
        var bars = wish.Bars > 0 ? wish.Bars : BarsOf(wish.Levels, random);
        var key = wish.Key ?? KeyOf(wish, random);
        var (rhythm, figures) = RhythmPlan.Make(bars, time, wish.Levels.Rhythm, wish.Asked == Strand.Rhythm, random);
        var chords = HarmonyPlan.Make(bars, random);
        var hands = TwoHands.Of(wish, random);
        if (hands == Hands.Left)
            wish = wish with { LeftHand = true };
        var written = wish.Instrument.IsPitched
            ? Pitched(wish, key, time, rhythm, figures, chords, random)
            : Unpitched(time, rhythm, wish.Levels, random);
        written = ReadingMarks.On(written, wish, key, chords, random);
        var beat = BeatOf(time);
        var score = new Score
        {
            Title = Titles.Of(random),
            Clef = wish.LeftHand ? Clef.Bass : wish.Instrument.Clef,
            Key = wish.Instrument.IsPitched ? key : Key.C,
            Time = time,
            Tempo = TempoOf(written, beat, wish.Levels.Rhythm),
            TempoBeat = beat,
            ToSounding = wish.Instrument.ToSounding,
            Bars = written,
        };
        return new Reading(score, wish.Levels, wish.Asked, chords, Fingerprint(score))
        {
            Second = wish.Instrument.IsPitched ? TwoHands.Beside(score, chords, hands == Hands.Both, wish) : null,
            BothHands = hands == Hands.Both,
        };
    }

    private static void Check(ReadingWish wish)
    {
        if (wish.Bars is not 0 and (< ReadingWish.LeastBars or > ReadingWish.MostBars))
            throw new ReadingException("bars", $"Unseen music has {ReadingWish.LeastBars} to {ReadingWish.MostBars} bars.");
        foreach (var strand in Enum.GetValues<Strand>())
        {
            if (wish.Levels[strand] is < 1 or > ReadingLevels.Most)
                throw new ReadingException("level", $"Levels are 1 to {ReadingLevels.Most}.");
        }

        if (wish.Position is < 0 or > 12)
            throw new ReadingException("position", "A position is a fret from 0 to 12.");
        if (wish.Position is not null && wish.Instrument is not { Family: Family.Plucked, OpenStrings: not null })
            throw new ReadingException("position", $"{wish.Instrument.Name} has no frets. Leave the position out.");
    }

    private static TimeSignature TimeOf(ReadingWish wish, Random random)
    {
        var all = ReadingTables.Metres(wish.Levels.Rhythm);
        var newest = all.Where(one => one.Level == wish.Levels.Rhythm).ToList();
        // A metre that is new on the level that is asked comes every second time.
        return wish.Asked == Strand.Rhythm && newest.Count > 0 && random.Next(2) == 0
            ? newest[random.Next(newest.Count)].Time
            : all[random.Next(all.Count)].Time;
    }

    private static int BarsOf(ReadingLevels levels, Random random)
    {
        var mean = (levels.Keys + levels.Rhythm + levels.Range + levels.Texture) / 4.0;
        return mean < 3 ? 4
            : random.Next(3) == 0 ? 6
            : 8;
    }

    private static Key KeyOf(ReadingWish wish, Random random)
    {
        var all = ReadingTables.Keys(wish.Levels.Keys);
        var newest = all.Where(one => one.Level >= wish.Levels.Keys - 1).ToList();
        var from = newest.Count > 0 && (wish.Asked == Strand.Keys || random.Next(2) == 0) ? newest : all;
        return from[random.Next(from.Count)].Key;
    }

    /// <summary>The tempo's beat: three eighths where they are counted together, else the unit of the metre; in fives and sevens eighths.</summary>
    private static Fraction BeatOf(TimeSignature time) =>
        time.Unit == 8
            ? time.Beats % 3 == 0
                ? new Fraction(3, 8)
                : new Fraction(1, 8)
            : new Fraction(1, time.Unit);

    private static Bpm TempoOf(IReadOnlyList<Bar> bars, Fraction beat, int level)
    {
        var notes = bars.Sum(bar => bar.Elements.Count(element => !element.IsRest));
        var beats = Fraction.Sum(bars.Select(bar => bar.Length)) / beat;
        var perBeat = Math.Max(0.5, notes / beats.Value);
        var fastest = (Fastest + (FastestALevel * level)) * (beat < new Fraction(1, 4) ? 2 : 1);
        var tempo = 60 * (NotesASecond + (FasterALevel * level)) / perBeat;
        return new Bpm((int)(Math.Round(Math.Clamp(tempo, Slowest, fastest) / 2) * 2));
    }

    private static List<Bar> Pitched(
        ReadingWish wish,
        Key key,
        TimeSignature time,
        IReadOnlyList<List<RhythmNote>> rhythm,
        IReadOnlyList<int> figures,
        IReadOnlyList<int> chords,
        Random random
    )
    {
        var staff = new KeyStaff(key, ReadingRange.Of(wish, key));
        var notes = MelodyShape.Wanted(rhythm, figures, chords, time, staff, random);
        var climax = MelodyShape.Climax(notes);
        var leap = ReadingTables.Leap(wish.Levels.Range);
        var leapAt = wish.Asked == Strand.Range && leap > 1 ? MelodyShape.LeapAt(notes, climax, random) : -1;
        var degrees = new MelodyPlan(notes, chords, staff.Low, staff.High, leap, random).Solve(climax, leapAt);
        var signs = Signs(degrees, notes, chords, key, wish.Levels.Keys, random);
        var bars = new List<Bar>();
        var next = 0;
        foreach (var bar in rhythm)
        {
            var elements = new List<Element>();
            foreach (var note in bar)
            {
                if (note.IsRest)
                {
                    elements.Add(Element.Rest(note.Written) with { Tuplet = note.Tuplet });
                    continue;
                }

                var pitch = staff.Pitch(degrees[next], signs[next]);
                var held = next + 1 < notes.Count && notes[next + 1].Held;
                elements.Add(Element.Note(pitch, note.Written) with { Tuplet = note.Tuplet, Tied = held });
                next++;
            }

            bars.Add(new Bar(elements));
        }

        return bars;
    }

    /// <summary>
    /// Half steps up: the seventh of a minor key where it leads home or stands in the dominant, and from some level on the note below a
    /// neighbour that is touched and left again.
    /// </summary>
    private static int[] Signs(int[] degrees, List<MelodyNote> notes, IReadOnlyList<int> chords, Key key, int level, Random random)
    {
        var signs = new int[degrees.Length];
        for (var i = 0; i < degrees.Length; i++)
        {
            var place = ((degrees[i] % 7) + 7) % 7;
            var next = i + 1 < degrees.Length ? degrees[i + 1] - degrees[i] : 0;
            // Raised it wants to go home, or hangs on the dominant; it does not leap away.
            if (key.IsMinor && place == 6 && (next == 1 || (chords[notes[i].Bar] == 4 && Math.Abs(next) <= 2)))
                signs[i] = 1;
            // Down to the sixth the seventh stays as it is: no augmented second.
            if (signs[i] == 1 && i + 1 < degrees.Length && degrees[i + 1] == degrees[i] - 1)
                signs[i] = 0;
            if (signs[i] == 1 && i > 0 && degrees[i - 1] == degrees[i] - 1)
                signs[i] = 0;
            if (notes[i].Held)
                signs[i] = signs[i - 1];
        }

        for (var i = 1; level >= ReadingTables.Chromatic && i + 1 < degrees.Length; i++)
        {
            var touched = degrees[i - 1] == degrees[i] + 1 && degrees[i + 1] == degrees[i] + 1;
            if (
                touched
                && !notes[i].Held
                && !notes[i].Strong
                && !notes[i + 1].Held
                && random.Next(12) < level - 4
                && !IsHalfStep(degrees[i], key)
            )
                signs[i] = 1;
        }

        return signs;
    }

    /// <summary>Whether the scale's next note up is a half step away: raised it would be the same sound.</summary>
    private static bool IsHalfStep(int degree, Key key)
    {
        var place = ((degree % 7) + 7) % 7;
        return key.IsMinor ? place is 1 or 4 : place is 2 or 6;
    }

    /// <summary>Strokes on a line; from some level on a second sound, low on what the bar is counted from.</summary>
    private static List<Bar> Unpitched(TimeSignature time, IReadOnlyList<List<RhythmNote>> rhythm, ReadingLevels levels, Random random)
    {
        var sounds = levels.Range >= 3;
        return
        [
            .. rhythm.Select(bar =>
            {
                var at = Fraction.Zero;
                var elements = new List<Element>();
                foreach (var note in bar)
                {
                    var low = sounds && (at == Fraction.Zero || (levels.Range >= 6 && random.Next(4) == 0));
                    // A held stroke is one stroke: written as a rest it would sound the same, so it is a longer note or none.
                    elements.Add(
                        note.IsRest || note.Held
                            ? Element.Rest(note.Written) with
                            {
                                Tuplet = note.Tuplet,
                            }
                            : Element.Note(low ? LowSound : MiddleLine, note.Written) with
                            {
                                Tuplet = note.Tuplet,
                            }
                    );
                    at += note.Length;
                }

                return new Bar(elements);
            }),
        ];
    }

    /// <summary>Metre, lengths and moves by letters: the same for the same music in any key.</summary>
    /// <param name="score">The music.</param>
    public static string Fingerprint(Score score)
    {
        var text = new StringBuilder($"{score.Time}");
        int? last = null;
        foreach (var element in score.Bars.SelectMany(bar => bar.Elements))
        {
            var move = element.IsRest || last is null ? 0 : element.Pitches[^1].Diatonic - last.Value;
            text.Append(CultureInfo.InvariantCulture, $"|{element.Length}{(element.IsRest ? "r" : "")}{(element.Tied ? "t" : "")}{move}");
            if (!element.IsRest)
                last = element.Pitches[^1].Diatonic;
        }

        return Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())))[..16];
    }
}
