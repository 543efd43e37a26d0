using System.Text;

namespace TuningFork.Core.Notation;

/// <summary>A note of a MIDI file.</summary>
/// <param name="Tick">When it begins, in ticks.</param>
/// <param name="End">When it ends, in ticks.</param>
/// <param name="Midi">MIDI note number, as it sounds.</param>
internal readonly record struct MidiNote(long Tick, long End, int Midi);

/// <summary>A track with its notes.</summary>
/// <param name="Name">What the file calls it, or empty.</param>
/// <param name="Notes">Its notes in the order in which they end.</param>
/// <param name="IsDrums">True on the channel of drums, where a number stands for an instrument.</param>
internal sealed record MidiTrack(string Name, IReadOnlyList<MidiNote> Notes, bool IsDrums);

/// <summary>What a Standard MIDI File 1.0 holds of notes, metres and keys (The MIDI Association, from memory).</summary>
/// <param name="Division">Ticks a quarter.</param>
/// <param name="Tracks">Tracks that have notes; of several channels in one track each is a track of its own.</param>
/// <param name="Times">Time signatures with their ticks.</param>
/// <param name="Keys">Signatures in fifths with their ticks, as they sound.</param>
/// <param name="Tempi">How many different tempi are named.</param>
internal sealed record MidiFile(
    int Division,
    IReadOnlyList<MidiTrack> Tracks,
    IReadOnlyList<(long Tick, TimeSignature Time)> Times,
    IReadOnlyList<(long Tick, int Fifths, bool IsMinor)> Keys,
    int Tempi
)
{
    /// <summary>Most notes of a file: some hours of one part.</summary>
    public const int MostNotes = 120_000;

    private const int DrumChannel = 9;

    /// <summary>Takes a file apart.</summary>
    /// <exception cref="MusicFileException">It is no such file, or broken.</exception>
    public static MidiFile Parse(byte[] bytes, CancellationToken cancel = default)
    {
        try
        {
            return new Reader(bytes, cancel).File();
        }
        catch (Exception problem) when (problem is IndexOutOfRangeException or ArgumentOutOfRangeException)
        {
            throw new MusicFileException("The MIDI file ends too early. Export it again.");
        }
    }

    private sealed class Reader(byte[] bytes, CancellationToken cancel)
    {
        private readonly List<MidiTrack> tracks = [];
        private readonly List<(long Tick, TimeSignature Time)> times = [];
        private readonly List<(long Tick, int Fifths, bool IsMinor)> keys = [];
        private readonly HashSet<int> tempi = [];
        private int at;
        private int found;

        public MidiFile File()
        {
            // Some programs wrap the file once more.
            if (bytes is [(byte)'R', (byte)'I', (byte)'F', (byte)'F', ..])
                at = Math.Max(0, bytes.AsSpan().IndexOf("MThd"u8));
            var isMidi = Text(4) == "MThd";
            var head = Number(4);
            if (!isMidi || head is < 6 or > 1000)
                throw new MusicFileException("This is no MIDI file.");
            var format = Number(2);
            var count = Number(2);
            var division = Number(2);
            at += head - 6;
            if (format > 1)
                throw new MusicFileException("The file holds several pieces (format 2). Export one of them as format 0 or 1.");
            if (division is 0 or >= 0x8000)
                throw new MusicFileException("The file counts in seconds (SMPTE), not in beats. Export it with beats.");
            for (var i = 0; i < count && at + 8 <= bytes.Length; )
                i += Track() ? 1 : 0;
            return new MidiFile(division, tracks, [.. times.OrderBy(one => one.Tick)], [.. keys.OrderBy(one => one.Tick)], tempi.Count);
        }

        /// <summary>Reads a chunk; false where it is none of music.</summary>
        private bool Track()
        {
            var isTrack = Text(4) == "MTrk";
            var end = at + 4 + (long)(uint)Number(4);
            if (end > bytes.Length)
                throw new MusicFileException("The MIDI file ends too early. Export it again.");
            var channels = new SortedDictionary<int, List<MidiNote>>();
            var open = new Dictionary<(int Channel, int Midi), long>();
            long tick = 0;
            var name = "";
            for (var status = 0; isTrack && at < end; )
            {
                tick += Variable();
                if (bytes[at] >= 0x80)
                    status = bytes[at++];
                if (status == 0xFF)
                    Meta(tick, ref name);
                else if (status is 0xF0 or 0xF7)
                    Skip();
                else
                    Channel(status, tick, open, channels);
            }

            at = (int)end;
            tracks.AddRange(
                channels.Select(pair => new MidiTrack(
                    channels.Count > 1 ? $"{name} channel {pair.Key + 1}".Trim() : name,
                    pair.Value,
                    pair.Key == DrumChannel
                ))
            );
            return isTrack;
        }

        /// <summary>A message of one device alone: its length is read before the place moves on by it.</summary>
        private void Skip()
        {
            var length = Variable();
            at += length;
        }

        private void Channel(
            int status,
            long tick,
            Dictionary<(int Channel, int Midi), long> open,
            SortedDictionary<int, List<MidiNote>> channels
        )
        {
            if (status < 0x80)
                throw new MusicFileException("The MIDI file is broken: a message has no beginning. Export it again.");
            var (kind, channel) = (status & 0xF0, status & 0x0F);
            var first = bytes[at++];
            var second = kind is 0xC0 or 0xD0 ? 0 : bytes[at++];
            if (kind is not (0x80 or 0x90))
                return;
            // Struck again, or released: what sounds ends.
            if (open.Remove((channel, first), out var begun) && tick > begun)
            {
                if (!channels.TryGetValue(channel, out var notes))
                    channels[channel] = notes = [];
                notes.Add(new MidiNote(begun, tick, first));
                if (++found > MostNotes)
                    throw new MusicFileException($"The file has more than {MostNotes:N0} notes. Export one part of it.");
                if (found % 1000 == 0)
                    cancel.ThrowIfCancellationRequested();
            }

            if (kind == 0x90 && second > 0)
                open[(channel, first)] = tick;
        }

        private void Meta(long tick, ref string name)
        {
            var kind = bytes[at++];
            var length = Variable();
            var data = bytes.AsSpan(at, length);
            at += length;
            if (kind == 0x03 && name.Length == 0)
                name = string.Concat(Encoding.UTF8.GetString(data).Where(letter => !char.IsControl(letter))).Trim();
            else if (kind == 0x51 && length >= 3)
                tempi.Add((data[0] << 16) | (data[1] << 8) | data[2]);
            else if (kind == 0x58 && length >= 2 && data[0] is >= 1 and <= 32 && data[1] <= 5)
                times.Add((tick, new TimeSignature(data[0], 1 << data[1])));
            else if (kind == 0x59 && length >= 2 && (sbyte)data[0] is >= -7 and <= 7)
                keys.Add((tick, (sbyte)data[0], data[1] == 1));
        }

        private int Number(int size)
        {
            var value = 0;
            for (var i = 0; i < size; i++)
                value = (value << 8) | bytes[at++];
            return value;
        }

        private string Text(int size)
        {
            var text = Encoding.ASCII.GetString(bytes, at, size);
            at += size;
            return text;
        }

        private int Variable()
        {
            var value = 0;
            for (var i = 0; i < 4; i++)
            {
                var next = bytes[at++];
                value = (value << 7) | (next & 0x7F);
                if (next < 0x80)
                    return value;
            }

            throw new MusicFileException("The MIDI file is broken: a number has no end. Export it again.");
        }
    }
}
