using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Listening;

/// <summary>How a simulated player plays what is written.</summary>
public sealed record SimulatedTake
{
    /// <summary>The tempo.</summary>
    public required Bpm Tempo { get; init; }

    /// <summary>What the tempo counts, in whole notes.</summary>
    public double Beat { get; init; } = 0.25;

    /// <summary>Milliseconds by which all notes are late; below zero for early.</summary>
    public double LateMs { get; init; }

    /// <summary>Standard deviation of the notes around that, in milliseconds.</summary>
    public double JitterMs { get; init; }

    /// <summary>Milliseconds by which the last note is earlier than the first one was, evenly on the way: rushing; below zero for dragging.</summary>
    public double RushMs { get; init; }

    /// <summary>Cents by which all notes are sharp.</summary>
    public double Cents { get; init; }

    /// <summary>Notes played a semitone too high, by index.</summary>
    public IReadOnlySet<int> Wrong { get; init; } = new HashSet<int>();

    /// <summary>Notes left out, by index.</summary>
    public IReadOnlySet<int> Missing { get; init; } = new HashSet<int>();

    /// <summary>Stops before a note, by index: seconds that it takes to go on.</summary>
    public IReadOnlyDictionary<int, double> Stops { get; init; } = new Dictionary<int, double>();

    /// <summary>Part of its written length for which a note is held.</summary>
    public double Held { get; init; } = 0.95;

    /// <summary>Frequency of A4 in hertz.</summary>
    public double A4 { get; init; } = 440;

    /// <summary>The notes as they sound.</summary>
    /// <param name="written">What is written, in order.</param>
    /// <param name="begin">Seconds before the first beat.</param>
    /// <param name="seed">Of the jitter.</param>
    public IReadOnlyList<SoundedNote> Play(IReadOnlyList<HeardNote> written, double begin, int seed)
    {
        ArgumentNullException.ThrowIfNull(written);
        var random = new Random(seed);
        var whole = 60.0 / Tempo.Value / Beat;
        var end = written.Count > 0 ? written.Max(note => note.At.Value) : 0;
        var played = new List<SoundedNote>();
        var stopped = 0.0;
        for (var i = 0; i < written.Count; i++)
        {
            var note = written[i];
            stopped += Stops.GetValueOrDefault(i);
            var jitter = JitterMs * Normal(random);
            if (Missing.Contains(i))
                continue;
            var rushed = end > 0 ? RushMs * note.At.Value / end : 0;
            var semitones = note.Midi + (Wrong.Contains(i) ? 1 : 0) - 69 + (Cents / 100);
            played.Add(
                new SoundedNote(
                    Math.Max(0, begin + stopped + (note.At.Value * whole) + ((LateMs + jitter - rushed) / 1000)),
                    note.Length.Value * whole * Held,
                    A4 * Math.Pow(2, semitones / 12)
                )
            );
        }

        return played;
    }

    /// <summary>A draw from the standard normal distribution (Box and Muller 1958).</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
