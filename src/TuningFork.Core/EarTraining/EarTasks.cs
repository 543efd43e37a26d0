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
public sealed record EarTask(string Key, string Title, string About);

/// <summary>A small set of self-checked tasks with tones; made anew from a seed, so that the same seed asks the same.</summary>
public static class EarTasks
{
    private const double Beat = 0.7;

    private static readonly (string Name, int Semitones)[] Steps =
        [("minor second", 1), ("major second", 2), ("minor third", 3), ("major third", 4), ("fourth", 5), ("fifth", 7), ("minor sixth", 8), ("major sixth", 9), ("octave", 12)];

    private static readonly int[] Major = [0, 2, 4, 5, 7, 9, 11];
    private static readonly int[] Minor = [0, 2, 3, 5, 7, 8, 10];

    /// <summary>The tasks.</summary>
    public static IReadOnlyList<EarTask> All { get; } =
    [
        new("ear:up", "Intervals upward", "sing the upper note"),
        new("ear:down", "Intervals downward", "sing the lower note"),
        new("ear:degree-major", "Degrees in major", "sing a degree after the key is set"),
        new("ear:degree-minor", "Degrees in minor", "sing a degree after the key is set"),
        new("ear:quality", "Major or minor", "name the triad"),
        new("ear:echo", "Four-note echo", "sing it back"),
    ];

    /// <summary>One question.</summary>
    /// <param name="key">Key of a task of <see cref="All"/>.</param>
    /// <param name="seed">Makes it again.</param>
    /// <param name="centre">Sounding MIDI note round which it lies, 48 to 72: a comfortable singing range.</param>
    /// <exception cref="ArgumentException">There is no such task.</exception>
    public static EarQuestion Question(string key, int seed, int centre = 60)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(centre, 48);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(centre, 72);
        var random = new Random(seed);
        var home = centre - 3 + random.Next(7);
        return key switch
        {
            "ear:up" => Interval(random, home, up: true),
            "ear:down" => Interval(random, home, up: false),
            "ear:degree-major" => Degree(random, home, Major, 4),
            "ear:degree-minor" => Degree(random, home, Minor, 3),
            "ear:quality" => Quality(random, home),
            "ear:echo" => Echo(random, home),
            _ => throw new ArgumentException($"There is no ear task called \"{key}\".", nameof(key)),
        };
    }

    private static EarQuestion Interval(Random random, int home, bool up)
    {
        var (name, semitones) = Steps[random.Next(Steps.Length)];
        var other = home + (up ? semitones : -semitones);
        return new EarQuestion(
            $"Sing a {name} {(up ? "above" : "below")} this note.",
            Line(home), Line(home, other), $"{(up ? "Up" : "Down")} a {name}");
    }

    private static EarQuestion Degree(Random random, int home, int[] scale, int third)
    {
        var degree = 1 + random.Next(7);
        var key = Chord(home, third, 0).Concat(Line(Beat * 2, home)).ToList();
        return new EarQuestion($"The chord sets the key. Sing degree {degree}.", key, Line(home, home + scale[degree - 1]), $"Degree {degree}");
    }

    private static EarQuestion Quality(Random random, int home)
    {
        var third = random.Next(2) == 0 ? 4 : 3;
        return new EarQuestion(
            "Major or minor? Say it aloud, then sing the third.",
            Chord(home, third, 0), Line(home, home + third, home + 7), third == 4 ? "Major" : "Minor");
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

    private static List<Tone> Line(params int[] notes) => Line(0, notes);

    private static List<Tone> Line(double at, params int[] notes) =>
        [.. notes.Select((note, i) => new Tone(Tuning.Hertz(note), at + (i * Beat), Beat * 0.9))];

    private static List<Tone> Chord(int home, int third, double at) =>
        [.. new[] { home, home + third, home + 7 }.Select(note => new Tone(Tuning.Hertz(note), at, Beat * 1.8))];
}
