using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>A tone to be sounded.</summary>
/// <param name="Hertz">Frequency.</param>
/// <param name="AtSeconds">When, after the start.</param>
/// <param name="Seconds">How long.</param>
public sealed record Tone(double Hertz, double AtSeconds, double Seconds);

/// <summary>One self-checked question: heard, answered aloud, then the answer is heard.</summary>
/// <param name="Ask">What to do, in a sentence.</param>
/// <param name="Question">Tones of the question.</param>
/// <param name="Answer">Tones of the answer.</param>
/// <param name="AnswerText">The answer in words.</param>
public sealed record EarQuestion(string Ask, IReadOnlyList<Tone> Question, IReadOnlyList<Tone> Answer, string AnswerText);

/// <summary>A kind of question.</summary>
/// <param name="Key">Short lasting name.</param>
/// <param name="Title">What it is called.</param>
/// <param name="About">What it trains, in a few words.</param>
/// <param name="IsPitched">False for tasks of rhythm, which need no pitch.</param>
public sealed record EarTask(string Key, string Title, string About, bool IsPitched = true);

/// <summary>A small set of self-checked tasks with tones; made anew from a seed, so that the same seed asks the same.</summary>
public static class EarTasks
{
    private const double Beat = 0.7;

    /// <summary>Semitones by which the first beat of a bar lies higher.</summary>
    private const int Accent = 7;

    /// <summary>Of what may be sung so much is asked at first (common practice).</summary>
    private const int AtFirst = 2;

    /// <summary>Intervals in the order in which they open: what is easily found by voice first (common practice).</summary>
    private static readonly (string Name, int Semitones)[] Steps =
    [
        ("an octave", 12),
        ("a fifth", 7),
        ("a major third", 4),
        ("a fourth", 5),
        ("a major second", 2),
        ("a minor third", 3),
        ("a major sixth", 9),
        ("a minor second", 1),
        ("a minor sixth", 8),
    ];

    /// <summary>Degrees of a key in the order in which they open: those of its chord first.</summary>
    private static readonly int[] Degrees = [1, 5, 3, 2, 4, 6, 7];

    private static readonly int[] Major = [0, 2, 4, 5, 7, 9, 11];
    private static readonly int[] Minor = [0, 2, 3, 5, 7, 8, 10];

    /// <summary>The tasks.</summary>
    public static IReadOnlyList<EarTask> All { get; } =
    [
        new("ear:up", "Intervals upward", "sing the upper note"),
        new("ear:down", "Intervals downward", "sing the lower note"),
        new("ear:degree-major", "Degrees in major", "sing a degree of the key"),
        new("ear:degree-minor", "Degrees in minor", "sing a degree of the key"),
        new("ear:quality", "Major or minor", "name the triad"),
        new("ear:echo", "Four-note echo", "sing it back"),
        new("ear:rhythm", "Rhythm echo", "tap it back", IsPitched: false),
        new("ear:gap", "The missing beat", "say which beat is silent", IsPitched: false),
        new("ear:steady", "Steady, faster, slower", "say where the pulse goes", IsPitched: false),
    ];

    /// <summary>The tasks that fit an instrument: those of pitch, or without pitch those of rhythm.</summary>
    /// <param name="isPitched">Whether it has notes of its own.</param>
    public static IEnumerable<EarTask> For(bool isPitched) => All.Where(task => task.IsPitched == isPitched);

    /// <summary>One question.</summary>
    /// <param name="key">Key of a task of <see cref="All"/>.</param>
    /// <param name="seed">Makes it again.</param>
    /// <param name="centre">Sounding MIDI note round which it lies, 48 to 72: a comfortable singing range.</param>
    /// <param name="right">Right answers to this task of late, 0 or more: intervals and degrees open with them, the easy ones first.</param>
    /// <exception cref="ArgumentException">There is no such task, or a number is out of its range.</exception>
    public static EarQuestion Question(string key, int seed, int centre = 60, int right = 0)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(centre, 48);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(centre, 72);
        ArgumentOutOfRangeException.ThrowIfNegative(right);
        var random = new Random(seed);
        var home = centre - 3 + random.Next(7);
        return key switch
        {
            "ear:up" => Interval(random, home, right, up: true),
            "ear:down" => Interval(random, home, right, up: false),
            "ear:degree-major" => Degree(random, home, right, Major, 4),
            "ear:degree-minor" => Degree(random, home, right, Minor, 3),
            "ear:quality" => Quality(random, home),
            "ear:echo" => Echo(random, home),
            "ear:rhythm" => RhythmEcho(random, home),
            "ear:gap" => MissingBeat(random, home),
            "ear:steady" => Steady(random, home),
            _ => throw new ArgumentException($"There is no ear task called \"{key}\".", nameof(key)),
        };
    }

    private static T Opened<T>(Random random, T[] all, int right) =>
        all[random.Next(Math.Min(all.Length, AtFirst + (right / EarRound.RightForOneMore)))];

    private static EarQuestion Interval(Random random, int home, int right, bool up)
    {
        var (name, semitones) = Opened(random, Steps, right);
        var other = home + (up ? semitones : -semitones);
        return new EarQuestion(
            $"Sing {name} {(up ? "above" : "below")} this note.",
            Line(home),
            Line(home, other),
            $"{(up ? "Up" : "Down")} {name}"
        );
    }

    private static EarQuestion Degree(Random random, int home, int right, int[] scale, int third)
    {
        var degree = Opened(random, Degrees, right);
        var key = Chord(home, third, 0).Concat(Line(Beat * 2, home)).ToList();
        return new EarQuestion(
            $"The chord sets the key. Sing degree {degree}.",
            key,
            Line(home, home + scale[degree - 1]),
            $"Degree {degree}"
        );
    }

    private static EarQuestion Quality(Random random, int home)
    {
        var third = random.Next(2) == 0 ? 4 : 3;
        return new EarQuestion(
            "Major or minor? Say it aloud, then sing the third.",
            Chord(home, third, 0),
            Line(home, home + third, home + 7),
            third == 4 ? "Major" : "Minor"
        );
    }

    private static EarQuestion Echo(Random random, int home)
    {
        var place = 0;
        var notes = new int[4];
        for (var i = 0; i < notes.Length; i++)
        {
            notes[i] = home + Major[place];
            place = Math.Clamp(place + random.Next(-2, 3), 0, 6);
        }

        return new EarQuestion("Hear four notes, sing them back.", Line(notes), Line(notes), "The same four notes");
    }

    /// <summary>Two bars of four in halves, quarters and pairs of eighths.</summary>
    private static EarQuestion RhythmEcho(Random random, int home)
    {
        var at = 0.0;
        var taps = new List<Tone>();
        while (at < 8)
        {
            var cell = at % 4 <= 2 ? random.Next(4) : 1 + random.Next(3);
            foreach (
                var length in cell switch
                {
                    0 => new[] { 2.0 },
                    1 => [1.0],
                    _ => [0.5, 0.5],
                }
            )
            {
                taps.Add(Tap(home, at));
                at += length;
            }
        }

        return new EarQuestion("Hear two bars, tap them back.", taps, taps, "The same two bars");
    }

    private static EarQuestion MissingBeat(Random random, int home)
    {
        var missing = 1 + random.Next(7);
        List<Tone> Beats(bool all) =>
            [
                .. Enumerable
                    .Range(0, 8)
                    .Where(beat => all || beat != missing)
                    .Select(beat => Tap(beat % 4 == 0 ? home + Accent : home, beat)),
            ];
        return new EarQuestion(
            "Two bars of four, one beat is silent. Which?",
            Beats(all: false),
            Beats(all: true),
            $"Beat {(missing % 4) + 1} of bar {(missing / 4) + 1}"
        );
    }

    /// <summary>Ten beats; a change of a twentieth a beat is heard by most people who listen for it (common practice).</summary>
    private static EarQuestion Steady(Random random, int home)
    {
        var way = random.Next(3);
        List<Tone> Beats(double change)
        {
            var (at, taps) = (0.0, new List<Tone>());
            for (var beat = 0; beat < 10; beat++)
            {
                taps.Add(Tap(home, at));
                at += beat < 3 ? 1 : Math.Pow(change, beat - 2);
            }

            return taps;
        }

        return new EarQuestion(
            "Does the pulse stay, or go faster or slower?",
            Beats(
                way switch
                {
                    0 => 1,
                    1 => 0.95,
                    _ => 1.05,
                }
            ),
            Beats(1),
            way switch
            {
                0 => "Steady",
                1 => "Faster; now steady",
                _ => "Slower; now steady",
            }
        );
    }

    /// <summary>A short tone; at is in beats.</summary>
    private static Tone Tap(int note, double at) => new(Tuning.Hertz(note), at * Beat, 0.12);

    private static List<Tone> Line(params int[] notes) => Line(0, notes);

    private static List<Tone> Line(double at, params int[] notes) =>
        [.. notes.Select((note, i) => new Tone(Tuning.Hertz(note), at + (i * Beat), Beat * 0.9))];

    private static List<Tone> Chord(int home, int third, double at) =>
        [.. new[] { home, home + third, home + 7 }.Select(note => new Tone(Tuning.Hertz(note), at, Beat * 1.8))];
}
