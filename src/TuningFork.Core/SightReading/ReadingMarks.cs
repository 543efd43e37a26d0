using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>Slurs, dynamics, articulation and further notes at once, as the level of texture allows.</summary>
internal static class ReadingMarks
{
    private static readonly string[] Loudness = ["p", "mf", "f", "mp"];
    private static readonly Fraction Quarter = new(1, 4);

    public static List<Bar> On(List<Bar> bars, ReadingWish wish, Key key, IReadOnlyList<int> chords, Random random)
    {
        var level = wish.Levels.Texture;
        var phrases = RhythmPlan.Phrases(bars.Count);
        var found = new List<Bar>();
        for (var i = 0; i < bars.Count; i++)
        {
            var elements = bars[i].Elements.ToArray();
            if (level >= ReadingTables.Articulations)
                Articulate(elements, level, random);
            if (level >= ReadingTables.Slurs && wish.Instrument.IsPitched)
                Slur(elements, level, random);
            if (level >= ReadingTables.Pairs && wish.Instrument.Family is Family.Keys or Family.Plucked)
                Thicken(elements, key, chords[i], level, i == bars.Count - 1, wish.Instrument);
            if (wish.ChordSymbols && wish.Instrument.IsPitched)
                elements[0] = elements[0] with { Words = Symbol(key, chords[i]) };
            else if (level >= ReadingTables.Dynamics && phrases.Any(phrase => phrase.From == i))
                elements[0] = elements[0] with { Words = Loudness[random.Next(level >= 6 ? 4 : 3)] };
            found.Add(bars[i] with { Elements = elements });
        }

        return found;
    }

    private static void Articulate(Element[] elements, int level, Random random)
    {
        if (random.Next(10) >= Math.Min(6, level - 2))
            return;
        var way = random.Next(level >= 6 ? 3 : 1) switch
        {
            0 => Articulation.Staccato,
            1 => Articulation.Accent,
            _ => Articulation.Tenuto,
        };
        for (var i = 0; i < elements.Length; i++)
        {
            var one = elements[i];
            if (one.IsRest || one.Tied || one.Written > Quarter || (i > 0 && elements[i - 1].Tied))
                continue;
            var stressed = i == 0 || one.Written > elements[i - 1].Written;
            if (
                way == Articulation.Staccato
                || (way == Articulation.Tenuto && one.Written == Quarter)
                || (way == Articulation.Accent && stressed)
            )
                elements[i] = one with { Articulation = way };
        }
    }

    /// <summary>Over two to four notes that move, none of them short.</summary>
    private static void Slur(Element[] elements, int level, Random random)
    {
        for (var first = 0; first + 1 < elements.Length; )
        {
            var last = first;
            while (last + 1 < elements.Length && last - first < 3 && Joins(elements[last], elements[last + 1]))
                last++;
            var inTuplet = elements[first].Tuplet is { Begins: false } || elements[last].Tuplet is { Ends: false };
            if (last > first && !inTuplet && random.Next(10) < 3 + (level / 3))
            {
                elements[first] = elements[first] with { SlurBegins = true };
                elements[last] = elements[last] with { SlurEnds = true };
            }

            first = last + 1;
        }
    }

    private static bool Joins(Element one, Element next) =>
        one is { IsRest: false, Tied: false, Articulation: Articulation.None }
        && next is { IsRest: false, Tied: false, Articulation: Articulation.None }
        && one.Pitches[0] != next.Pitches[0];

    /// <summary>Chord tones below a long note that belongs to the chord.</summary>
    private static void Thicken(Element[] elements, Key key, int chord, int level, bool last, Instrument instrument)
    {
        for (var i = 0; i < elements.Length; i++)
        {
            var one = elements[i];
            if (one.IsRest || one.Tied || (i > 0 && elements[i - 1].Tied) || one.Written < new Fraction(1, 2) || (i > 0 && !last))
                continue;
            var top = one.Pitches[0];
            var tones = Enumerable
                .Range(2, 6)
                .Select(down => Toned(key, chord, top.Diatonic - down))
                .Where(pitch => HarmonyPlan.Holds(chord, Degree(key, pitch)) && pitch.Midi >= instrument.Lowest!.Value.Midi)
                .ToList();
            var below = level >= ReadingTables.Triads && tones.Count > 1 ? tones.Take(2).ToList() : Below(key, chord, top, last, tones);
            elements[i] = one with { Pitches = [.. below.Append(top).OrderBy(pitch => pitch.Midi)] };
        }
    }

    /// <summary>
    /// The one note below: of the chord the nearest, but never the fifth below its root, which is no chord to rest on; at the end the root
    /// an octave lower, or none.
    /// </summary>
    private static List<Pitch> Below(Key key, int chord, Pitch top, bool last, List<Pitch> tones)
    {
        int Place(Pitch pitch) => (Degree(key, pitch) - chord + 7) % 7;
        return Place(top) != 0 ? [.. tones.Take(1)]
            : last ? [.. tones.Where(pitch => Place(pitch) == 0).Take(1)]
            : [.. tones.Where(pitch => Place(pitch) is 0 or 2).Take(1)];
    }

    /// <summary>A note of a chord; the dominant of a minor key has its raised third.</summary>
    private static Pitch Toned(Key key, int chord, int diatonic)
    {
        var note = Letter(key, diatonic);
        var leads = key.IsMinor && chord == HarmonyPlan.Dominant && Degree(key, note) == 6;
        return leads ? Pitch.Of(note.Name.Step, note.Name.Alteration + 1, note.Octave) : note;
    }

    private static int Degree(Key key, Pitch pitch) => (((int)pitch.Name.Step - (int)key.Tonic.Step) % 7 + 7) % 7;

    private static Pitch Letter(Key key, int diatonic)
    {
        var step = (Step)(diatonic % 7);
        return Pitch.Of(step, key.AlterationOf(step), diatonic / 7);
    }

    private static string Symbol(Key key, int chord)
    {
        var harmony = Chord.OfKey(key, sevenths: false)[chord].Chord;
        // The dominant of a minor key has its raised third.
        return key.IsMinor && chord == 4 ? harmony.Root.Printed : harmony.Symbol;
    }
}
