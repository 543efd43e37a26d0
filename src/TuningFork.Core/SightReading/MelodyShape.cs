using TuningFork.Core.Notation;

namespace TuningFork.Core.SightReading;

/// <summary>Where a melody would like to be: an arch over each phrase with one highest place, and in each bar the shape of its figure.</summary>
internal static class MelodyShape
{
    /// <summary>How often a line goes on in its direction, and how often by a third.</summary>
    private const double OnwardChance = 0.8;
    private const double ThirdChance = 0.28;

    /// <summary>Letters that a bar goes over at most.</summary>
    private const int WidestBar = 6;

    /// <summary>Part of the way through the music at which it is highest: after the middle (common practice).</summary>
    private const double ClimaxAt = 0.62;

    public static List<MelodyNote> Wanted(
        IReadOnlyList<List<RhythmNote>> rhythm,
        IReadOnlyList<int> figures,
        IReadOnlyList<int> chords,
        TimeSignature time,
        KeyStaff staff,
        Random random
    )
    {
        var shapes = new Dictionary<int, List<int>>();
        var notes = new List<MelodyNote>();
        var strong = Strong(time);
        var phrases = RhythmPlan.Phrases(rhythm.Count);
        for (var bar = 0; bar < rhythm.Count; bar++)
        {
            var sounding = rhythm[bar].Count(note => !note.IsRest);
            if (!shapes.TryGetValue(figures[bar], out var shape) || shape.Count < sounding)
                shapes[figures[bar]] = shape = Shape(Math.Max(sounding, 1), Math.Min(WidestBar, staff.High - staff.Low), random);
            var foot = Foot(bar, phrases, staff) + random.Next(-1, 2);
            // A figure comes again on a note of its chord.
            var start = Enumerable
                .Range(-4, 9)
                .Select(off => (int)Math.Round(foot) + off)
                .MinBy(degree =>
                    Math.Abs(degree - foot)
                    + (HarmonyPlan.Holds(chords[bar], degree) ? 0 : 3)
                    + (2 * Math.Max(0, staff.Low - (degree + shape.Min())))
                    + (2 * Math.Max(0, degree + shape.Max() - staff.High))
                );
            var (at, place) = (Fraction.Zero, 0);
            foreach (var note in rhythm[bar])
            {
                if (!note.IsRest)
                    notes.Add(
                        new MelodyNote(bar, at, note.Length, strong.Contains(at), note.Held && notes.Count > 0, start + shape[place++])
                    );
                at += note.Length;
            }
        }

        return notes;
    }

    /// <summary>The note that is highest: a strong one after the middle.</summary>
    public static int Climax(IReadOnlyList<MelodyNote> notes)
    {
        var aim = notes.Count * ClimaxAt;
        var found = Enumerable
            .Range(1, Math.Max(1, notes.Count - 2))
            .Where(note => note < notes.Count && !notes[note].Held && (note + 1 >= notes.Count || !notes[note + 1].Held))
            .DefaultIfEmpty(0)
            .MinBy(note => (Math.Abs(note - aim) * 0.15) + (notes[note].Strong ? 0 : 0.5) - notes[note].Wanted);
        return found;
    }

    /// <summary>Somewhere before the last bar, not at the top: where a leap of the level stands.</summary>
    public static int LeapAt(IReadOnlyList<MelodyNote> notes, int climax, Random random)
    {
        var places = Enumerable
            .Range(1, notes.Count - 1)
            .Where(note =>
                note != climax && !notes[note].Held && notes[note].Bar < notes[^1].Bar && note + 1 < notes.Count && !notes[note + 1].Held
            )
            .ToList();
        return places.Count == 0 ? -1 : places[random.Next(places.Count)];
    }

    /// <summary>Up and down in letters from the first note of a bar: mostly by step, in lines rather than to and fro, within a room.</summary>
    private static List<int> Shape(int notes, int room, Random random)
    {
        var shape = new List<int> { 0 };
        var way = random.Next(2) == 0 ? 1 : -1;
        for (var i = 1; i < notes; i++)
        {
            if (random.NextDouble() > OnwardChance)
                way = -way;
            var move = random.NextDouble() < ThirdChance ? 2 : 1;
            var (most, least) = (Math.Max(shape.Max(), shape[^1] + (way * move)), Math.Min(shape.Min(), shape[^1] + (way * move)));
            if (most - least > room)
                way = -way;
            shape.Add(shape[^1] + (way * move));
        }

        return shape;
    }

    /// <summary>Where a bar begins: from home up and back in each phrase, highest in the last but one third of the whole.</summary>
    private static double Foot(int bar, IReadOnlyList<(int From, int Bars)> phrases, KeyStaff staff)
    {
        var phrase = phrases.Count - 1;
        while (phrase > 0 && bar < phrases[phrase].From)
            phrase--;
        var (from, bars) = phrases[phrase];
        var through = bars == 1 ? 0.5 : (double)(bar - from) / (bars - 1);
        var last = phrase == phrases.Count - 1;
        var height = Math.Sin(Math.PI * Math.Min(1, through * (last ? 1 : 0.75))) * (last ? 1 : 0.7);
        var home = Home(staff);
        var room = Math.Max(2, staff.High - home - 1);
        return home + (height * room * 0.85);
    }

    /// <summary>A tonic in the lower half, else the lowest one.</summary>
    private static int Home(KeyStaff staff) =>
        Enumerable
            .Range(staff.Low, staff.High - staff.Low + 1)
            .Where(degree => ((degree % 7) + 7) % 7 == 0)
            .DefaultIfEmpty(staff.Low)
            .MinBy(degree => Math.Abs(degree - (staff.Low + ((staff.High - staff.Low) * 0.25))));

    /// <summary>The beginnings of what is counted together, from the bar line: the first, and the middle of a bar of four.</summary>
    private static HashSet<Fraction> Strong(TimeSignature time) =>
        (time.Beats, time.Unit) switch
        {
            (4, 4) => [Fraction.Zero, new Fraction(1, 2)],
            (2, 2) => [Fraction.Zero, new Fraction(1, 2)],
            (6, 8) => [Fraction.Zero, new Fraction(3, 8)],
            (5, 8) => [Fraction.Zero, new Fraction(3, 8)],
            (7, 8) => [Fraction.Zero, new Fraction(1, 2)],
            _ => [Fraction.Zero],
        };
}
