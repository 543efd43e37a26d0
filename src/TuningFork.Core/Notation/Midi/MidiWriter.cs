using System.Buffers.Binary;
using System.Text;

namespace TuningFork.Core.Notation;

/// <summary>Writes a score as a Standard MIDI File 1.0, format 0, at sounding pitch with repeats played out.</summary>
public static class MidiWriter
{
    private const int Velocity = 80;

    /// <summary>The bytes of the file of one voice.</summary>
    /// <param name="score">The music.</param>
    /// <exception cref="ArgumentException">Its note values are too fine for the format.</exception>
    public static byte[] Write(Score score) => Write(new Music([score]));

    /// <summary>The bytes of the file, all voices in one track.</summary>
    /// <param name="music">The music.</param>
    /// <exception cref="ArgumentException">Its note values are too fine for the format.</exception>
    public static byte[] Write(Music music)
    {
        ArgumentNullException.ThrowIfNull(music);
        var score = music.Lead;
        var notes = music.Voices.Count == 1 ? Performed.Notes(score) : Performed.Notes(music.Voices);
        var division = Division(notes);
        var events = new List<(long Tick, int Order, byte[] Data)>();
        if (score.Title.Length > 0)
            events.Add((0, 0, Meta(0x03, Encoding.UTF8.GetBytes(score.Title))));
        var micros = (int)Math.Round(60_000_000 / ((score.Tempo?.Value ?? 60) * (score.TempoBeat / new Fraction(1, 4)).Value));
        events.Add((0, 0, Meta(0x51, [(byte)(micros >> 16), (byte)(micros >> 8), (byte)micros])));
        Signatures(score, division, events);
        foreach (var note in notes)
        {
            events.Add((Ticks(note.At, division), 2, [0x90, (byte)note.Midi, Velocity]));
            events.Add((Ticks(note.At + note.Length, division), 1, [0x80, (byte)note.Midi, 0]));
        }

        events.Add((Ticks(Performed.Length(score), division), 3, Meta(0x2F, [])));
        return File(division, events);
    }

    private static void Signatures(Score score, int division, List<(long Tick, int Order, byte[] Data)> events)
    {
        var at = Fraction.Zero;
        var sounding = score.ToSounding;
        var order = score.Played();
        for (var place = 0; place < order.Count; place++)
        {
            var bar = score.Bars[order[place]];
            if ((place == 0 ? bar.Time ?? score.Time : bar.Time) is { } time)
                events.Add((Ticks(at, division), 0, Meta(0x58, [(byte)time.Beats, (byte)Math.Log2(time.Unit), 24, 8])));
            if ((place == 0 ? bar.Key ?? score.Key : bar.Key) is { } key)
                events.Add(
                    (Ticks(at, division), 0, Meta(0x59, [(byte)(sbyte)key.Plus(sounding).Signature, key.IsMinor ? (byte)1 : (byte)0]))
                );
            at += bar.Length;
        }
    }

    /// <summary>Ticks a quarter: 480, or as many more as the finest value needs.</summary>
    private static int Division(IReadOnlyList<HeardNote> notes)
    {
        long division = 480;
        foreach (var part in notes.SelectMany(note => new[] { note.At, note.Length }).Select(part => part * new Fraction(4, 1)))
            division = division / (long)System.Numerics.BigInteger.GreatestCommonDivisor(division, part.Denominator) * part.Denominator;
        return division <= 32767
            ? (int)division
            : throw new ArgumentException("The note values are too fine for a MIDI file.", nameof(notes));
    }

    private static long Ticks(Fraction at, int division)
    {
        var ticks = at * new Fraction(4L * division, 1);
        return ticks.Numerator / ticks.Denominator;
    }

    private static byte[] Meta(byte kind, byte[] data) => [0xFF, kind, .. Variable(data.Length), .. data];

    private static byte[] File(int division, List<(long Tick, int Order, byte[] Data)> events)
    {
        var track = new List<byte>();
        long now = 0;
        foreach (var (tick, _, data) in events.OrderBy(one => one.Tick).ThenBy(one => one.Order))
        {
            track.AddRange(Variable(tick - now));
            track.AddRange(data);
            now = tick;
        }

        var size = new byte[4];
        BinaryPrimitives.WriteInt32BigEndian(size, track.Count);
        return [.. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, (byte)(division >> 8), (byte)division, .. "MTrk"u8, .. size, .. track];
    }

    private static List<byte> Variable(long value)
    {
        var bytes = new List<byte> { (byte)(value & 0x7F) };
        while ((value >>= 7) > 0)
            bytes.Insert(0, (byte)((value & 0x7F) | 0x80));
        return bytes;
    }
}
