using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>
/// Reads one track of a MIDI file as written music for an instrument. Each beat gets the coarsest grid that its notes lie on:
/// halves, quarters, thirds, sixths, fifths and sevenths of it. The beat is a quarter, in metres of eighths an eighth.
/// </summary>
public static class MidiReader
{
    /// <summary>Grids of a beat with what they cost, in beats, so that the coarser one wins where both fit.</summary>
    private static readonly (int Parts, double Cost)[] Grids =
    [
        (1, 0),
        (2, 0.01),
        (4, 0.02),
        (3, 0.025),
        (6, 0.04),
        (8, 0.05),
        (5, 0.055),
        (7, 0.065),
        (12, 0.07),
        (16, 0.08),
    ];

    /// <summary>The tracks of a file that have notes.</summary>
    /// <param name="file">The bytes of a .mid file.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="MusicFileException">It cannot be read.</exception>
    public static IReadOnlyList<MusicChoice> Choices(byte[] file, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(file);
        return
        [
            .. MidiFile
                .Parse(file, cancel)
                .Tracks.Select(
                    (track, i) =>
                        new MusicChoice(
                            track.Name.Length > 0 ? track.Name
                                : track.IsDrums ? "drums"
                                : $"track {i + 1}",
                            track.Notes.Count,
                            Transposition: 0,
                            IsDrums: track.IsDrums
                        )
                ),
        ];
    }

    /// <summary>The music of a track, and what was left out.</summary>
    /// <param name="file">The bytes of a .mid file.</param>
    /// <param name="instrument">Whose written pitch and clef it is to have.</param>
    /// <param name="part">Which of the tracks with notes, from 0; null for the fullest that the instrument can play.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="MusicFileException">It cannot be read, or has no such track.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static ReadMusic Read(byte[] file, Instrument instrument, int? part = null, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(file);
        ArgumentNullException.ThrowIfNull(instrument);
        var midi = MidiFile.Parse(file, cancel);
        if (midi.Tracks.Count == 0)
            throw new MusicFileException("There are no notes in this file.");
        if (part is { } index && (index < 0 || index >= midi.Tracks.Count))
            throw new MusicFileException($"This file has {midi.Tracks.Count} tracks with notes; choose one of them.");
        var chosen = part is { } at
            ? midi.Tracks[at]
            : midi.Tracks.OrderByDescending(one => one.IsDrums == !instrument.IsPitched).ThenByDescending(one => one.Notes.Count).First();
        var by = chosen.IsDrums ? 0 : instrument.Transposition;
        var track = chosen with { Notes = [.. chosen.Notes.Where(note => note.Midi - by is >= 0 and <= 127)] };
        if (track.Notes.Count == 0)
            throw new MusicFileException($"All notes of this track lie beyond what can be written for the {instrument.Name}.");
        var leftOut = new LeftOutList();
        if (track.Notes.Count < chosen.Notes.Count)
            leftOut.Add($"{Count(chosen.Notes.Count - track.Notes.Count)} beyond what can be written");
        if (midi.Keys.Select(key => (key.Fifths, key.IsMinor)).Distinct().Count() > 1)
            leftOut.Add("changes of key");
        if (midi.Tempi > 1)
            leftOut.Add("changes of tempo");
        var score = Written(midi, track, instrument, by, leftOut);
        return new ReadMusic(new Music([score]), leftOut.By(score.Numbers()));
    }

    private static Score Written(MidiFile midi, MidiTrack track, Instrument instrument, int by, LeftOutList leftOut)
    {
        var toSounding = track.IsDrums ? Interval.Unison : instrument.ToSounding;
        var key =
            track.IsDrums ? Key.C
            : midi.Keys.Count > 0 ? Key.OfSignature(midi.Keys[0].Fifths, midi.Keys[0].IsMinor).Plus(toSounding.Reversed)
            : Key.C.Plus(toSounding.Reversed);
        var bars = Bars(midi, track, leftOut);
        var sounds = new Queue<Sound>(Sounds(midi, track, bars, leftOut));
        return new Score
        {
            Title = track.Name,
            Clef = track.IsDrums ? Clef.Percussion : instrument.Clef,
            Key = key,
            Time = bars[0].Time,
            ToSounding = toSounding,
            Bars =
            [
                .. bars.Select(
                    (bar, i) =>
                        new Bar(
                            Tuplets.Grouped([
                                .. Fill(bar, sounds, pitch => track.IsDrums ? DrumPlaces.Of(pitch) : Spelled(pitch - by, key)),
                            ])
                        )
                        {
                            Time = i > 0 && bar.Time != bars[i - 1].Time ? bar.Time : null,
                        }
                ),
            ],
        };
    }

    private sealed record Space(Fraction From, TimeSignature Time)
    {
        public Fraction To => From + Time.Bar;

        /// <summary>What is looked at by itself: a quarter, in metres of eighths an eighth.</summary>
        public Fraction Beat => new(1, Time.Unit <= 4 ? 4 : 8);
    }

    private sealed record Sound(Fraction From, Fraction To, IReadOnlyList<int> Midi);

    private static List<Space> Bars(MidiFile midi, MidiTrack track, LeftOutList leftOut)
    {
        var end = Exact(track.Notes.Max(note => note.End), midi);
        var bars = new List<Space>();
        var time = TimeSignature.Common;
        var changes = new Queue<(long Tick, TimeSignature Time)>(midi.Times);
        for (var at = Fraction.Zero; at < end || bars.Count == 0; at = bars[^1].To)
        {
            while (changes.Count > 0 && Exact(changes.Peek().Tick, midi) <= at)
                time = changes.Dequeue().Time;
            bars.Add(new Space(at, time));
            if (bars.Count > MusicXmlReader.MostBars)
                throw new MusicFileException($"The music has more than {MusicXmlReader.MostBars:N0} bars. Export a part of it.");
        }

        // A last note that is let go a little late fills no bar.
        if (bars.Count > 1 && (end - bars[^1].From).Value < 1.0 / 32 && !track.Notes.Any(note => Exact(note.Tick, midi) >= bars[^1].From))
            bars.RemoveAt(bars.Count - 1);
        if (bars.Exists(bar => bar.Time.Unit > 16))
            leftOut.Add("metres in thirty-seconds may be read wrongly");
        return bars;
    }

    /// <summary>Notes and chords one after the other on their grids; each ends where the next begins, at the latest.</summary>
    private static List<Sound> Sounds(MidiFile midi, MidiTrack track, List<Space> bars, LeftOutList leftOut)
    {
        var grids = GridsOf(midi, track, bars);
        var end = bars[^1].To;
        var starts = track
            .Notes.Select(note => (At: Snap(Exact(note.Tick, midi), bars, grids), Note: note))
            .Where(pair => pair.At < end)
            .GroupBy(pair => pair.At)
            .OrderBy(group => group.Key)
            .ToList();
        var sounds = new List<Sound>();
        var cut = false;
        for (var i = 0; i < starts.Count; i++)
        {
            var from = starts[i].Key;
            var next = i + 1 < starts.Count ? starts[i + 1].Key : end;
            var to = Snap(Exact(starts[i].Max(pair => pair.Note.End), midi), bars, grids);
            cut |= (to - next).Value > 1.0 / 16;
            to = to > next || to <= from ? next : to;
            sounds.Add(new Sound(from, to, [.. starts[i].Select(pair => pair.Note.Midi).Distinct().Order()]));
        }

        if (cut)
            leftOut.Add("the ends of notes that sound on under others");
        return sounds;
    }

    /// <summary>The grid of every beat of every bar.</summary>
    private static Dictionary<Fraction, int> GridsOf(MidiFile midi, MidiTrack track, List<Space> bars) =>
        track
            .Notes.SelectMany(note => new[] { (At: note.Tick, Weight: 1.0), (At: note.End, Weight: 0.2) })
            .Select(pair => (At: Exact(pair.At, midi), pair.Weight))
            .ToLookup(pair => BeatOf(pair.At, bars))
            .ToDictionary(
                beat => beat.Key.From,
                beat =>
                    Grids
                        .MinBy(grid =>
                            grid.Cost
                            + beat.Max(pair => pair.Weight * Away(((pair.At - beat.Key.From) / beat.Key.Length).Value, grid.Parts))
                        )
                        .Parts
            );

    private static double Away(double beats, int parts) => Math.Abs((beats * parts) - Math.Round(beats * parts)) / parts;

    private static (Fraction From, Fraction Length) BeatOf(Fraction at, List<Space> bars)
    {
        var bar = bars[BarOf(at, bars)];
        return (Floor(at, bar), bar.Beat);
    }

    private static int BarOf(Fraction at, List<Space> bars)
    {
        var (low, high) = (0, bars.Count - 1);
        while (low < high)
        {
            var middle = (low + high + 1) / 2;
            if (bars[middle].From <= at)
                low = middle;
            else
                high = middle - 1;
        }

        return low;
    }

    private static Fraction Snap(Fraction at, List<Space> bars, Dictionary<Fraction, int> grids)
    {
        var (from, length) = BeatOf(at, bars);
        var parts = grids.GetValueOrDefault(from, 4);
        var place = (long)Math.Round(((at - from) / length).Value * parts, MidpointRounding.AwayFromZero);
        return from + (length * new Fraction(place, parts));
    }

    private static Fraction Exact(long tick, MidiFile midi) => new(tick, 4L * midi.Division);

    /// <summary>A bar's elements: rests between the sounds, everything cut at its ends and at quarters that hold a triplet.</summary>
    /// <param name="bar">The bar; they come in order.</param>
    /// <param name="sounds">What has not ended before it; what ends in it is taken out.</param>
    /// <param name="spell">Names a note.</param>
    private static List<Element> Fill(Space bar, Queue<Sound> sounds, Func<int, Pitch> spell)
    {
        var pieces = new List<(Fraction From, Fraction To, Sound? Sound)>();
        var at = bar.From;
        while (sounds.TryPeek(out var sound) && sound.From < bar.To)
        {
            if (sound.From > at)
                pieces.Add((at, sound.From, null));
            var to = sound.To < bar.To ? sound.To : bar.To;
            pieces.Add((sound.From > bar.From ? sound.From : bar.From, to, sound));
            at = to;
            if (sound.To > bar.To)
                break;
            sounds.Dequeue();
        }

        if (at < bar.To)
            pieces.Add((at, bar.To, null));
        var elements = new List<Element>();
        foreach (var (from, to, sound) in Cut(pieces, bar))
        {
            IReadOnlyList<Pitch> pitches = sound is null ? [] : [.. sound.Midi.Select(spell).Distinct()];
            elements.AddRange(
                Written(from, to, bar, last => new Element(pitches, Fraction.Zero)
                {
                    Tied = sound is not null && !(last && to == sound.To),
                })
            );
        }

        return elements;
    }

    private static IEnumerable<(Fraction From, Fraction To, Sound? Sound)> Cut(
        List<(Fraction From, Fraction To, Sound? Sound)> pieces,
        Space bar
    )
    {
        var borders = pieces
            .SelectMany(piece => new[] { piece.From, piece.To })
            .Where(at => IsOdd(at - bar.From))
            .SelectMany(at => new[] { Floor(at, bar), Floor(at, bar) + bar.Beat })
            .Distinct()
            .Order()
            .ToList();
        foreach (var (from, to, sound) in pieces)
        {
            var at = from;
            foreach (var border in borders.Where(one => one > from && one < to))
            {
                yield return (at, border, sound);
                at = border;
            }

            yield return (at, to, sound);
        }
    }

    private static IEnumerable<Element> Written(Fraction from, Fraction to, Space bar, Func<bool, Element> make)
    {
        if (IsOdd(from - bar.From) || IsOdd(to - bar.From))
        {
            var beat = Floor(from, bar);
            var odd = OddOf(from - bar.From, to - bar.From);
            var normal = odd == 3 ? 2 : 4;
            var written = (to - from) * new Fraction(odd, normal);
            var heads = Values.TryCut(written) ?? [Gaps.Rounded(written)];
            for (var i = 0; i < heads.Count; i++)
                yield return make(i == heads.Count - 1) with
                {
                    Written = heads[i],
                    Tuplet = new Tuplet(odd, normal, from == beat && i == 0, to == beat + bar.Beat && i == heads.Count - 1),
                };
            yield break;
        }

        var parts = Values.Cut(to - from);
        for (var i = 0; i < parts.Count; i++)
            yield return make(i == parts.Count - 1) with
            {
                Written = parts[i],
            };
    }

    private static Fraction Floor(Fraction at, Space bar)
    {
        var beats = (at - bar.From) / bar.Beat;
        return bar.From + (new Fraction(beats.Numerator / beats.Denominator, 1) * bar.Beat);
    }

    private static string Count(int notes) => notes == 1 ? "1 note" : $"{notes} notes";

    private static bool IsOdd(Fraction part) => OddOf(part, part) > 1;

    /// <summary>The odd number in whose parts a place or another one lies: 3 for a triplet; 1 for none.</summary>
    private static int OddOf(Fraction one, Fraction other)
    {
        foreach (var odd in new[] { 3, 5, 7 })
            if (one.Denominator % odd == 0 || other.Denominator % odd == 0)
                return odd;
        return 1;
    }

    /// <summary>By the key where it holds the note, else sharp in keys of sharps and flat in keys of flats.</summary>
    private static Pitch Spelled(int midi, Key key)
    {
        var plain = Pitch.OfMidi(midi, sharps: key.Signature >= 0);
        for (var step = Step.C; step <= Step.B; step++)
        {
            for (var octave = plain.Octave - 1; octave <= plain.Octave + 1; octave++)
            {
                var pitch = Pitch.Of(step, key.AlterationOf(step), octave);
                if (pitch.Midi == midi)
                    return pitch;
            }
        }

        return plain;
    }
}
