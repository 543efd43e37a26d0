using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.EarTraining;

/// <summary>How the items of rhythm sound: strokes and clicks.</summary>
internal static class EarStrokes
{
    /// <summary>Seconds for which a stroke sounds.</summary>
    private const double Tap = 0.12;

    /// <summary>The click under a rhythm is high and short, so that it is told apart.</summary>
    private const int Click = 24;
    private const double ClickSeconds = 0.04;

    /// <summary>The strong beat of a bar lies so much higher.</summary>
    private const int Accent = 7;

    /// <summary>A change of a twentieth a beat is heard by most people who listen for it (common practice).</summary>
    private const double Change = 0.05;

    /// <summary>Where inner strokes of a bar of eight may stand, and those that are always there.</summary>
    private static readonly int[] Inner = [2, 4, 6],
        AtLeast = [2, 6];

    /// <summary>Three bars of beats, the first of each bar and of each group within it stronger.</summary>
    public static List<Tone> Metre(string what, int home)
    {
        var parts = what.Split(':');
        var beats = EarSounds.Number(parts[0]);
        int[] strong =
            parts.Length > 1 ? [EarSounds.Number(parts[1])]
            : beats == 6 ? [3]
            : [];
        return
        [
            .. Enumerable
                .Range(0, beats * 3)
                .Select(beat =>
                    Struck(
                        home
                            + (
                                beat % beats == 0 ? Accent + 5
                                : strong.Contains(beat % beats) ? Accent - 2
                                : 0
                            ),
                        beat * 0.36
                    )
                ),
        ];
    }

    /// <summary>Four beats, each cut into parts; the beat itself is lower.</summary>
    public static List<Tone> Parts(string what, int home)
    {
        int[] parts = what.Contains('+', StringComparison.Ordinal)
            ? [.. what.Split('+').Select(EarSounds.Number)]
            : [.. Enumerable.Repeat(1, EarSounds.Number(what))];
        var tones = new List<Tone>();
        for (var beat = 0; beat < 4; beat++)
        {
            var at = (double)beat;
            foreach (var part in parts)
            {
                tones.Add(Struck(home + (Math.Abs(at - beat) < 1e-9 ? 0 : Accent), at * 0.9));
                at += (double)part / parts.Sum();
            }
        }

        return tones;
    }

    public static List<Tone> Pulse(string what, int home)
    {
        var change = what switch
        {
            "faster" => 1 - Change,
            "slower" => 1 + Change,
            _ => 1,
        };
        var (at, tones) = (0.0, new List<Tone>());
        for (var beat = 0; beat < 10; beat++)
        {
            tones.Add(Struck(home, at * EarSounds.Beat));
            at += beat < 3 ? 1 : Math.Pow(change, beat - 2);
        }

        return tones;
    }

    public static List<Tone> Silent(int missing, int home) =>
        [
            .. Enumerable
                .Range(0, 8)
                .Where(beat => beat != missing - 1)
                .Select(beat => Struck(beat % 4 == 0 ? home + Accent : home, beat * EarSounds.Beat)),
        ];

    public static List<Tone> Strokes(string what, int home) =>
        [.. what.Select((stroke, i) => Struck(stroke == 'L' ? home - 12 : home + Accent, i * EarSounds.Beat * 0.8))];

    /// <summary>Two bars of a groove over a light click on each beat, which says where its bar begins.</summary>
    public static List<Tone> Groove(string what, int home)
    {
        const double beat = EarSounds.Beat * 0.8;
        var (_, beats, bar) = RhythmItems.GrooveBars[what];
        var clicks = Enumerable
            .Range(0, 2 * beats)
            .Select(at => Struck(home + Click + (at % beats == 0 ? 12 : 0), at * beat) with { Seconds = ClickSeconds });
        var strokes = string.Concat(bar, bar)
            .Select((stroke, i) => (Stroke: stroke, At: i * beat * beats / bar.Length))
            .Where(one => one.Stroke != '.')
            .Select(one => Struck(one.Stroke == 'L' ? home - 12 : home + Accent, one.At));
        return [.. clicks.Concat(strokes).OrderBy(tone => tone.AtSeconds)];
    }

    /// <summary>A bar of eight with strokes by chance, and the same bar with one thing other.</summary>
    public static List<Tone> Changed(string what, EarGround ground)
    {
        var random = new Random(ground.Seed);
        // Strokes stand on the first and on three of the inner even places, so that each has room to move.
        var places = Inner.Where(_ => random.Next(3) > 0).Prepend(0).Concat(AtLeast).Distinct().Order().ToList();
        var moved = places[1 + random.Next(places.Count - 1)];
        var second = what switch
        {
            "out" => places.Where(place => place != moved),
            "added" => places.Append(moved - 1),
            "early" => places.Select(place => place == moved ? place - 1 : place),
            "late" => places.Select(place => place == moved ? place + 1 : place),
            _ => places,
        };
        return
        [
            .. places
                .Concat(second.Select(place => place + 8))
                .Order()
                .Select(place => Struck(place % 8 == 0 ? ground.Home + Accent : ground.Home, place * EarSounds.Beat * 0.45)),
        ];
    }

    /// <summary>A bar counted in, two bars of rhythm, and the click on for two more in which they are tapped.</summary>
    public static List<Tone> Echo(int level, EarGround ground)
    {
        const double beat = 60.0 / EarLines.EchoTempo;
        var clicks = Enumerable
            .Range(0, EarLines.CountIn + (2 * EarLines.EchoBeats))
            .Select(at => Struck(ground.Home + (at % 4 == 0 ? 12 : 0) + Click, at * beat) with { Seconds = ClickSeconds });
        var strokes = Performed
            .Notes(EarLines.Rhythm(level, ground.Seed))
            .Select(note => Struck(ground.Home, (EarLines.CountIn + (note.At.Value * 4)) * beat));
        return [.. clicks.Concat(strokes).OrderBy(tone => tone.AtSeconds)];
    }

    private static Tone Struck(int note, double at) => new(Tuning.Hertz(note), at, Tap);
}
