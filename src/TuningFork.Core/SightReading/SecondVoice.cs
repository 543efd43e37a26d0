using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>
/// A voice beside the melody, out of its chords: the left hand of keyboards, or what the app plays along. It begins each bar on its chord
/// near where it was, keeps clear of the melody, and does not run along with it in fifths or octaves (common practice of two voices).
/// </summary>
internal static class SecondVoice
{
    private const int Octave = 12;
    private const int Fifth = 7;

    /// <summary>What it costs to begin a bar on the third, to run along with the melody, to double the note that leads home.</summary>
    private const double ThirdCost = 3,
        AlongCost = 8,
        DoubledCost = 6;

    /// <summary>From the root up in thirds: what is played after the first note of a bar, over and over.</summary>
    private static readonly int[] Broken = [2, 1];

    /// <param name="melody">The melody, bar by bar.</param>
    /// <param name="chords">The chord of each bar, as the degree of its root.</param>
    /// <param name="key">The key.</param>
    /// <param name="time">The metre.</param>
    /// <param name="level">Level of texture: held notes, two a bar, one a beat, two at once.</param>
    /// <param name="low">Lowest MIDI note.</param>
    /// <param name="high">Highest MIDI note; the room between is an octave at least.</param>
    /// <param name="random">Its chance.</param>
    public static List<Bar> Make(
        IReadOnlyList<Bar> melody,
        IReadOnlyList<int> chords,
        Key key,
        TimeSignature time,
        int level,
        int low,
        int high,
        Random random
    )
    {
        var bars = new List<Bar>();
        Pitch? before = null;
        for (var i = 0; i < melody.Count; i++)
        {
            var last = i == melody.Count - 1;
            var tones = Tones(key, chords[i], low, high);
            // Where the melody has the seventh as the key has it, a raised one beside it would be a false chord.
            if (key.IsMinor && chords[i] == HarmonyPlan.Dominant && HasNaturalSeventh(melody[i], key))
                tones.RemoveAll(one => one.Place == 1);
            var first = First(tones, melody, i, before, last, (low + high) / 2, random);
            bars.Add(new Bar([.. Elements(tones, first, last ? [time.Bar] : Lengths(time, level), level)]));
            before = first;
        }

        return bars;
    }

    /// <summary>The notes of a chord within a room, lowest first, each with its place in it: 0 the root, 1 the third, 2 the fifth.</summary>
    private static List<(Pitch Pitch, int Place)> Tones(Key key, int chord, int low, int high)
    {
        var root = (int)key.Tonic.Step + chord;
        return
        [
            .. Enumerable
                .Range(0, 9 * 7)
                .Select(letter => (Letter: letter, Place: (((letter - root) % 7) + 7) % 7))
                .Where(one => one.Place is 0 or 2 or 4)
                .Select(one => (Pitch: Toned(key, chord, one.Letter), Place: one.Place / 2))
                .Where(one => one.Pitch.Midi >= low && one.Pitch.Midi <= high),
        ];
    }

    /// <summary>The dominant of a minor key has its raised third.</summary>
    private static Pitch Toned(Key key, int chord, int letter)
    {
        var step = (Step)(letter % 7);
        var leads = key.IsMinor && chord == HarmonyPlan.Dominant && ((letter - (int)key.Tonic.Step) % 7 + 7) % 7 == 6;
        return Pitch.Of(step, key.AlterationOf(step) + (leads ? 1 : 0), letter / 7);
    }

    private static bool HasNaturalSeventh(Bar bar, Key key)
    {
        var seventh = (Step)(((int)key.Tonic.Step + 6) % 7);
        return bar
            .Elements.SelectMany(element => element.Pitches)
            .Any(pitch => pitch.Name.Step == seventh && pitch.Name.Alteration == key.AlterationOf(seventh));
    }

    private static Pitch First(
        List<(Pitch Pitch, int Place)> tones,
        IReadOnlyList<Bar> melody,
        int bar,
        Pitch? before,
        bool last,
        int middle,
        Random random
    )
    {
        var above = Begins(melody[bar]);
        var aboveBefore = bar > 0 ? Begins(melody[bar - 1]) : null;
        double Cost((Pitch Pitch, int Place) one)
        {
            var cost = Math.Abs(one.Pitch.Midi - (before?.Midi ?? middle)) + (one.Place * ThirdCost) + random.NextDouble();
            if (above is not { } top)
                return cost;
            if (one.Place == 1 && (top.Midi - one.Pitch.Midi) % Octave == 0)
                cost += DoubledCost;
            return cost + (before is { } was && aboveBefore is { } topWas && Along(was, one.Pitch, topWas, top) ? AlongCost : 0);
        }

        // Home stands on its root; the fifth below all is no chord to rest on.
        return tones.Where(one => one.Place == 0 || (one.Place == 1 && !last && bar > 0)).MinBy(Cost).Pitch;
    }

    /// <summary>Whether two voices go from one fifth or octave to the next, both the same way.</summary>
    private static bool Along(Pitch was, Pitch now, Pitch topWas, Pitch top)
    {
        var (from, to) = (Math.Abs(topWas.Midi - was.Midi) % Octave, Math.Abs(top.Midi - now.Midi) % Octave);
        return from == to && to is 0 or Fifth && Math.Sign(now.Midi - was.Midi) == Math.Sign(top.Midi - topWas.Midi) && now != was;
    }

    private static Pitch? Begins(Bar bar) => bar.Elements[0].IsRest ? null : bar.Elements[0].Pitches[^1];

    private static List<Fraction> Lengths(TimeSignature time, int level)
    {
        if (level < ReadingTables.TwoABar)
            return [time.Bar];
        var beats = RhythmPlan.Groups(time).SelectMany(one => Enumerable.Repeat(one.Group, one.Count)).ToList();
        if (level >= ReadingTables.OneABeat || beats.Count < 3)
            return beats;
        // Two a bar: halves where there are, else long and short.
        var first = (beats.Count + 1) / 2;
        return [Fraction.Sum(beats.Take(first)), Fraction.Sum(beats.Skip(first))];
    }

    private static IEnumerable<Element> Elements(List<(Pitch Pitch, int Place)> tones, Pitch first, List<Fraction> lengths, int level)
    {
        for (var i = 0; i < lengths.Count; i++)
        {
            var pitches = i == 0 ? [first] : Next(tones, first, i, level);
            var parts = Values.Cut(lengths[i]);
            for (var part = 0; part < parts.Count; part++)
                yield return new Element(pitches, parts[part]) { Tied = part + 1 < parts.Count };
        }
    }

    /// <summary>What follows in a bar: chord notes above its first, below it where there is no room; from some level on two at once.</summary>
    private static List<Pitch> Next(List<(Pitch Pitch, int Place)> tones, Pitch first, int at, int level)
    {
        var others = tones
            .Where(one => one.Pitch != first && Math.Abs(one.Pitch.Midi - first.Midi) < Octave)
            .OrderBy(one => one.Pitch.Midi < first.Midi)
            .ThenBy(one => Math.Abs(one.Pitch.Midi - first.Midi))
            .Select(one => one.Pitch)
            .ToList();
        if (level >= ReadingTables.TwoBelow && others is [var one, var other, ..])
            return [.. new[] { one, other }.OrderBy(pitch => pitch.Midi)];
        return [others[Math.Min(others.Count, Broken[(at - 1) % Broken.Length]) - 1]];
    }
}
