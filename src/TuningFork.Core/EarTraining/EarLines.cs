using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>Lines that are heard and given back: four notes by their degrees, two bars of rhythm by taps. Levels rise from 1.</summary>
public static class EarLines
{
    /// <summary>Notes of a line.</summary>
    public const int Notes = 4;

    /// <summary>Beats a minute of a rhythm, and of the click that goes on while it is tapped back.</summary>
    public const int EchoTempo = 96;

    /// <summary>Beats of the bar that is counted in, and of the two that are heard and then tapped.</summary>
    public const int CountIn = 4,
        EchoBeats = 8;

    /// <summary>Degrees that are used and the widest way from one to the next, by level.</summary>
    private static readonly (int Highest, int Widest)[] Rooms = [(3, 1), (5, 1), (5, 2), (6, 3), (8, 3), (8, 5)];

    /// <summary>Where a key rests.</summary>
    private static readonly int[] AtRest = [1, 3, 5, 8];

    private static readonly Fraction Quarter = new(1, 4),
        Half = new(1, 2),
        Eighth = new(1, 8),
        Sixteenth = new(1, 16);

    /// <summary>A figure of whole beats and the level from which it comes; rests are silent at its beginning or its end.</summary>
    private static readonly (int From, bool RestFirst, Fraction[] Lengths)[] Figures =
    [
        (1, false, [Quarter]),
        (1, false, [Half]),
        (1, false, [Eighth, Eighth]),
        (2, false, [Quarter + Eighth, Eighth]),
        (3, true, [Quarter]),
        (4, false, [Eighth, Quarter, Eighth]),
        (5, false, [Sixteenth, Sixteenth, Sixteenth, Sixteenth]),
        (5, false, [Eighth, Sixteenth, Sixteenth]),
        (6, true, [Eighth, Eighth]),
        (6, false, [Eighth + Sixteenth, Sixteenth]),
    ];

    /// <summary>Most levels of a line, and of a rhythm.</summary>
    public const int Levels = 6;

    /// <summary>A line of four degrees; it begins and ends where a key rests, on 1, 3 or 5.</summary>
    /// <param name="level">1 to 6.</param>
    /// <param name="seed">Makes it again.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such level.</exception>
    public static IReadOnlyList<int> Degrees(int level, int seed)
    {
        Check(level);
        var random = new Random(seed);
        var (highest, widest) = Rooms[level - 1];
        int[] rests = [.. AtRest.Where(degree => degree <= highest)];
        for (; ; )
        {
            var line = new List<int> { rests[random.Next(rests.Length)] };
            while (line.Count < Notes)
                line.Add(Math.Clamp(line[^1] + random.Next(-widest, widest + 1), 1, highest));
            if (rests.Contains(line[^1]) && line.Distinct().Count() > 1)
                return line;
        }
    }

    /// <summary>Two bars of four beats as written music on one note.</summary>
    /// <param name="level">1 to 6.</param>
    /// <param name="seed">Makes it again.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such level.</exception>
    public static Score Rhythm(int level, int seed)
    {
        Check(level);
        var random = new Random(seed);
        var note = new Pitch(NoteName.Parse("C"), 5);
        var known = Figures.Where(figure => figure.From <= level).ToList();
        var newest = Figures.Where(figure => figure.From == level).ToList();
        var bars = new List<Bar>();
        for (var bar = 0; bar < 2; bar++)
        {
            var elements = new List<Element>();
            for (var left = Fraction.Whole; left > Fraction.Zero; )
            {
                var fits = (elements.Count == 0 && bar == 0 ? newest : known).Where(one => Fraction.Sum(one.Lengths) <= left).ToList();
                // The first stroke is on the beat: one has to know where it begins.
                var figure = fits.Where(one => bar > 0 || elements.Count > 0 || !one.RestFirst).DefaultIfEmpty(Figures[0]).ToList();
                var (_, restFirst, lengths) = figure[random.Next(figure.Count)];
                elements.AddRange(lengths.Select((length, i) => restFirst && i == 0 ? Element.Rest(length) : Element.Note(note, length)));
                left -= Fraction.Sum(lengths);
            }

            bars.Add(new Bar(elements));
        }

        return new Score
        {
            Bars = bars,
            Tempo = new Core.Tempo.Bpm(EchoTempo),
            Clef = Clef.Percussion,
        };
    }

    /// <summary>How the degrees of a line sound.</summary>
    /// <param name="degrees">Degrees of the major scale, 1 to 8.</param>
    /// <param name="home">Sounding MIDI note of its key.</param>
    public static IReadOnlyList<int> Sounding(IEnumerable<int> degrees, int home)
    {
        ArgumentNullException.ThrowIfNull(degrees);
        return [.. degrees.Select(degree => home + EarSounds.Above(degree))];
    }

    /// <summary>What was given, as degrees of the key: "1", "#4", "8" for the note an octave above home; the same line in another octave is the same.</summary>
    /// <param name="notes">Sounding MIDI notes.</param>
    /// <param name="line">The line that was asked.</param>
    /// <param name="home">Sounding MIDI note of its key.</param>
    public static IReadOnlyList<string> Given(IReadOnlyList<int> notes, IReadOnlyList<int> line, int home)
    {
        ArgumentNullException.ThrowIfNull(notes);
        ArgumentNullException.ThrowIfNull(line);
        var ways = notes.Zip(Sounding(line, home), (note, asked) => note - asked).Distinct().ToList();
        if (ways is [var way] && way % Octave == 0 && notes.Count == line.Count)
            return [.. notes.Select(note => Name(note - home - way))];
        // Another line: in the octave in which it was heard, where it lies near it.
        var lowest = notes.DefaultIfEmpty(home).Min();
        var octaves = lowest >= home - Near && lowest < home + Octave ? 0 : (int)Math.Floor((lowest - home) / (double)Octave);
        return [.. notes.Select(note => Name(note - home - (Octave * octaves)))];
    }

    private const int Octave = 12;

    /// <summary>Semitones below home that still belong to its octave.</summary>
    private const int Near = 5;

    private static string Name(int above)
    {
        if (above == Octave)
            return "8";
        var within = ((above % Octave) + Octave) % Octave;
        var degree = Enumerable.Range(1, 7).Last(one => EarSounds.Above(one) <= within);
        var octave = above is < 0 or > Octave ? (above < 0 ? " low" : " high") : "";
        return $"{(EarSounds.Above(degree) == within ? "" : "#")}{degree}{octave}";
    }

    private static void Check(int level)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(level, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(level, Levels);
    }
}
