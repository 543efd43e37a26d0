namespace TuningFork.Bench.Listening;

/// <summary>An instrument as a sound font has it.</summary>
/// <param name="Program">Its number in General MIDI, from 0; -1 for drums.</param>
/// <param name="Low">Lowest note played.</param>
/// <param name="High">Highest.</param>
internal sealed record BenchInstrument(string Name, int Program, int Low, int High)
{
    public bool IsPitched => Program >= 0;

    /// <summary>Neither piano nor guitar nor drum.</summary>
    public bool Sustains => Program >= 40;

    public static IReadOnlyList<BenchInstrument> All { get; } =
    [
        new("piano", 0, 40, 84),
        new("guitar", 24, 42, 76),
        new("violin", 40, 55, 91),
        new("cello", 42, 38, 69),
        new("clarinet", 71, 52, 84),
        new("flute", 73, 60, 91),
        new("trumpet", 56, 55, 82),
        new("saxophone", 65, 51, 80),
        new("hand drum", -1, 63, 64),
    ];
}

/// <summary>A note as it is played.</summary>
internal sealed record BenchNote(double At, double Seconds, int Midi, int Velocity);

/// <summary>Single lines that are made up, played beside the beat by chance, as MIDI for a synthesizer.</summary>
internal static class BenchTakes
{
    private const double JitterSeconds = 0.012;
    private const double TicksPerSecond = 2_000;

    /// <summary>Forty places of sixteenths to dotted quarters at 60 to 120 beats a minute, one in twelve a rest.</summary>
    public static List<BenchNote> Make(BenchInstrument instrument, int seed)
    {
        var random = new Random((seed * 100) + instrument.Program);
        var eighth = 30 / (60 + (60 * random.NextDouble()));
        var held = 0.85 + (0.12 * random.NextDouble());
        double[] lengths = [1, 1, 1, 2, 0.5, 0.5, 1, 3];
        int[] steps = [0, 1, 2, -1, -2, 3, -3, 5, -5, 7, -7];
        var (at, midi) = (1.0, (instrument.Low + instrument.High) / 2);
        var notes = new List<BenchNote>();
        for (var i = 0; i < 40; i++)
        {
            var length = lengths[random.Next(lengths.Length)] * eighth;
            midi = Math.Clamp(midi + steps[random.Next(steps.Length)], instrument.Low, instrument.High);
            var off = JitterSeconds * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
            if (random.Next(12) != 0)
                notes.Add(new(at + off, length * held, midi, 60 + random.Next(50)));
            at += length;
        }

        // One line: a note ends before the next one.
        for (var i = 0; i + 1 < notes.Count; i++)
            notes[i] = notes[i] with { Seconds = Math.Min(notes[i].Seconds, notes[i + 1].At - notes[i].At - 0.005) };
        return notes;
    }

    /// <summary>A Standard MIDI File of one track (MIDI 1.0, from memory).</summary>
    public static byte[] Midi(BenchInstrument instrument, IReadOnlyList<BenchNote> notes)
    {
        var channel = instrument.IsPitched ? 0 : 9;
        var events = new List<(long Tick, int Order, byte[] Data)>();
        if (instrument.IsPitched)
            events.Add((0, 0, [0xC0, (byte)instrument.Program]));
        foreach (var note in notes)
        {
            events.Add((Tick(note.At), 2, [(byte)(0x90 | channel), (byte)note.Midi, (byte)note.Velocity]));
            events.Add((Tick(note.At + note.Seconds), 1, [(byte)(0x80 | channel), (byte)note.Midi, 0]));
        }

        // Half a second a quarter, a thousand ticks in it.
        var track = new List<byte> { 0, 0xFF, 0x51, 3, 0x07, 0xA1, 0x20 };
        long now = 0;
        foreach (var (tick, _, data) in events.OrderBy(one => one.Tick).ThenBy(one => one.Order))
        {
            track.AddRange(Variable(tick - now));
            track.AddRange(data);
            now = tick;
        }

        track.AddRange([0, 0xFF, 0x2F, 0]);
        return [.. "MThd"u8, .. Big(6, 4), .. Big(0, 2), .. Big(1, 2), .. Big(1000, 2), .. "MTrk"u8, .. Big(track.Count, 4), .. track];
    }

    private static long Tick(double seconds) => (long)Math.Round(seconds * TicksPerSecond);

    private static List<byte> Variable(long value)
    {
        var bytes = new List<byte> { (byte)(value & 127) };
        while ((value >>= 7) > 0)
            bytes.Insert(0, (byte)((value & 127) | 128));
        return bytes;
    }

    private static IEnumerable<byte> Big(int value, int bytes) =>
        Enumerable.Range(1, bytes).Select(i => (byte)(value >> (8 * (bytes - i))));
}
