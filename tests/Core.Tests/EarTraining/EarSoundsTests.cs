using System.Globalization;
using System.Text.Json;
using Shouldly;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.EarTraining;

/// <summary>What is heard is what it is called: against npm's tonal 6.5.0 (tests/reference/ear.mjs).</summary>
public sealed class EarSoundsTests
{
    private static readonly Reference Known = JsonSerializer.Deserialize<Reference>(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "reference", "ear.json")),
        JsonSerializerOptions.Web
    )!;

    public static TheoryData<EarFamily> Families => [.. EarItems.For(isPitched: true).Select(item => item.Family).Distinct()];

    [Theory]
    [MemberData(nameof(Families))]
    public void An_item_of_pitch_sounds_as_it_is_called(EarFamily family)
    {
        foreach (var item in EarItems.For(isPitched: true).Where(item => item.Family == family))
            Sounds(item);
    }

    private static void Sounds(EarItem item)
    {
        var what = item.Key[(item.Key.IndexOf(':', StringComparison.Ordinal) + 1)..];
        for (var seed = 0; seed < 20; seed++)
        {
            var ground = EarGround.Round(48 + (seed * 24 / 20), seed);
            var asked = Notes(EarSounds.Question(item, ground));
            var last = asked.Where(note => note.At >= asked[^1].At - 1e-9).Select(note => note.Midi).Order().ToList();
            switch (item.Family)
            {
                case EarFamily.IntervalsUp:
                    (asked[1].Midi - asked[0].Midi).ShouldBe(Known.Intervals[item.Answer]);
                    break;
                case EarFamily.IntervalsDown:
                    (asked[0].Midi - asked[1].Midi).ShouldBe(Known.Intervals[item.Answer]);
                    break;
                case EarFamily.IntervalsTogether:
                    (last[1] - last[0]).ShouldBe(Known.Intervals[item.Answer]);
                    break;
                case EarFamily.Triads or EarFamily.Sevenths:
                    var (kind, lowest) = (what.Split(':')[0], what.Split(':')[1][0] - '0');
                    var notes = Known.Chords[kind];
                    last.Select(note => (note - last[0]) % 12)
                        .ShouldBe(notes.Skip(lowest).Concat(notes.Take(lowest)).Select(note => (note - notes[lowest] + 12) % 12));
                    break;
                case EarFamily.DegreesMajor or EarFamily.DegreesMinor:
                    var scale = item.Family == EarFamily.DegreesMajor ? Known.Major : Known.Minor;
                    var sign =
                        what[0] == 'b' ? -1
                        : what[0] == '#' ? 1
                        : 0;
                    Above(last[0], ground.Home).ShouldBe((scale[what[^1] - '1'] + sign) % 12);
                    Chords(asked.SkipLast(1), ground.Home)
                        .ShouldBe(
                            (item.Family == EarFamily.DegreesMajor ? new[] { "I", "IV", "V", "I" } : ["i", "iv", "V", "i"]).Select(Roman)
                        );
                    break;
                case EarFamily.Scales:
                    asked.Select(note => note.Midi - asked[0].Midi).ShouldBe(Known.Scales[what].Append(12));
                    break;
                case EarFamily.TwoChords:
                    Chords(asked, ground.Home).ShouldBe(new[] { "I", "IV", "V", "I" }.Concat(what.Split('-')).Select(Roman));
                    break;
                case EarFamily.FourChords:
                    Chords(asked, ground.Home).ShouldBe(what.Split('-').Select(Roman));
                    break;
                case EarFamily.Lines:
                    asked
                        .TakeLast(EarLines.Notes)
                        .Select(note => note.Midi - ground.Home)
                        .ShouldBe(EarLines.Degrees(what[0] - '0', seed).Select(degree => Known.Major.Append(12).ElementAt(degree - 1)));
                    break;
                default:
                    item.Family.ShouldBeOneOf(EarFamily.Metre, EarFamily.Subdivision, EarFamily.RhythmEcho);
                    break;
            }

            asked.ShouldAllBe(note => note.Midi >= 28 && note.Midi <= 110);
        }
    }

    /// <summary>Arithmetic: parts of a beat fill it, bars have so many beats, a silent beat leaves seven of eight.</summary>
    [Fact]
    public void An_item_of_rhythm_has_the_strokes_it_names()
    {
        foreach (var item in EarItems.For(isPitched: false))
        {
            var ground = EarGround.Round(60, 3);
            var asked = EarSounds.Question(item, ground);
            var what = item.Key.Split(':')[1];
            switch (item.Family)
            {
                case EarFamily.Subdivision:
                    var parts = what.Contains('+', StringComparison.Ordinal)
                        ? what.Split('+').Select(int.Parse).ToList()
                        : [.. Enumerable.Repeat(1, int.Parse(what, System.Globalization.CultureInfo.InvariantCulture))];
                    asked.Count.ShouldBe(4 * parts.Count);
                    var gaps = asked.Zip(asked.Skip(1), (one, next) => next.AtSeconds - one.AtSeconds).ToList();
                    for (var i = 0; i < gaps.Count; i++)
                        gaps[i].ShouldBe(0.9 * parts[i % parts.Count] / parts.Sum(), 1e-9);
                    break;
                case EarFamily.RhythmEcho:
                    for (var seed = 0; seed < 50; seed++)
                        Echo(item, what[0] - '0', seed);
                    break;
                case EarFamily.Metre:
                    var beats = int.Parse(what, System.Globalization.CultureInfo.InvariantCulture);
                    asked.Count.ShouldBe(3 * beats);
                    var strongest = asked.Max(tone => tone.Hertz);
                    asked.Index().Where(one => one.Item.Hertz >= strongest - 1e-6).Select(one => one.Index).ShouldBe([0, beats, 2 * beats]);
                    break;
                case EarFamily.SilentBeat:
                    asked.Count.ShouldBe(7);
                    break;
                case EarFamily.Grooves:
                    Groove(what, asked);
                    break;
                case EarFamily.Strokes:
                    asked.Select(tone => tone.Hertz > asked.Average(one => one.Hertz) ? 'H' : 'L').ShouldBe(what);
                    break;
                case EarFamily.Pulse:
                    var (first, last) = (asked[1].AtSeconds - asked[0].AtSeconds, asked[^1].AtSeconds - asked[^2].AtSeconds);
                    Math.Sign(Math.Round(first - last, 6))
                        .ShouldBe(
                            what == "faster" ? 1
                            : what == "slower" ? -1
                            : 0
                        );
                    break;
                default:
                    for (var seed = 0; seed < 50; seed++)
                        Change(item, what, seed);
                    break;
            }
        }
    }

    /// <summary>
    /// Onsets of the first bar in sixteenths: tresillo 3-3-2, habanera 3-1-2-2 of eighths, son clave 3-3-4-2-4 (Toussaint, The Geometry of Musical
    /// Rhythm); a backbeat on two and four, a shuffle in thirds of a beat (handbooks of percussion, from memory).
    /// </summary>
    private static void Groove(string what, IReadOnlyList<Tone> asked)
    {
        const double sixteenth = 0.14;
        double[] wanted = what switch
        {
            "tresillo" => [0, 6, 12],
            "habanera" => [0, 6, 8, 12],
            "clave-32" => [0, 3, 6, 10, 12],
            "clave-23" => [2, 4, 8, 11, 14],
            "backbeat" or "half-time" or "waltz" => what == "half-time" ? [0, 8]
            : what == "waltz" ? [0, 4, 8]
            : [0, 4, 8, 12],
            "shuffle" => [0, 2.6667, 4, 6.6667, 8, 10.6667, 12, 14.6667],
            _ => [0, 2, 4, 6, 8, 10, 12, 14],
        };
        var bar = what == "waltz" ? 12 : 16;
        // The click is the shortest of all.
        var strokes = asked.Where(tone => tone.Seconds > 0.1).Select(tone => tone.AtSeconds / sixteenth).ToList();
        strokes.Count.ShouldBe(2 * wanted.Length);
        for (var i = 0; i < strokes.Count; i++)
            strokes[i].ShouldBe(wanted[i % wanted.Length] + (i < wanted.Length ? 0 : bar), 0.001, what);
        asked.Count(tone => tone.Seconds < 0.1).ShouldBe(bar / 2);
    }

    /// <summary>Two full bars that begin on the beat, and no more than their level; heard after a bar that is counted.</summary>
    private static void Echo(EarItem item, int level, int seed)
    {
        var rhythm = EarLines.Rhythm(level, seed);
        rhythm.Check().ShouldBeEmpty();
        rhythm.Bars[0].Elements[0].IsRest.ShouldBeFalse();
        rhythm.Bars.ShouldAllBe(bar => bar.Length == Fraction.Whole);
        var shortest = rhythm.Bars.SelectMany(bar => bar.Elements).Min(element => element.Written);
        shortest.ShouldBeGreaterThanOrEqualTo(level < 5 ? new Fraction(1, 8) : new Fraction(1, 16));
        var beat = 60.0 / EarLines.EchoTempo;
        var strokes = EarSounds.Question(item, EarGround.Round(60, seed)).Where(tone => tone.Seconds > 0.1).ToList();
        strokes
            .Select(tone => Math.Round((tone.AtSeconds / beat) - EarLines.CountIn, 6))
            .ShouldBe(Performed.Notes(rhythm).Select(note => Math.Round(note.At.Value * 4, 6)));
    }

    [Fact]
    public void Lines_begin_and_end_where_a_key_rests_and_widen()
    {
        for (var level = 1; level <= EarLines.Levels; level++)
        {
            foreach (var line in Enumerable.Range(0, 50).Select(seed => EarLines.Degrees(level, seed)))
            {
                // Given an octave or two away it is the same line.
                foreach (var octave in new[] { -24, -12, 0, 12 })
                    EarLines
                        .Given([.. EarLines.Sounding(line, 62).Select(note => note + octave)], line, 62)
                        .ShouldBe(line.Select(degree => degree.ToString(CultureInfo.InvariantCulture)));
            }

            // Another line is called by where it lies.
            EarLines.Given([62, 62, 62, 61], [5, 5, 4, 3], 62).ShouldBe(["1", "1", "1", "7 low"]);
            EarLines.Given([86, 87, 90, 98], [1, 2, 3, 1], 62).ShouldBe(["1", "#1", "3", "8"]);
            var lines = Enumerable.Range(0, 300).Select(seed => EarLines.Degrees(level, seed)).ToList();
            lines.ShouldAllBe(line => line.Count == EarLines.Notes && new[] { 1, 3, 5, 8 }.Contains(line[0]));
            lines.ShouldAllBe(line => new[] { 1, 3, 5, 8 }.Contains(line[3]));
            var widest = lines.Max(line => line.Zip(line.Skip(1)).Max(pair => Math.Abs(pair.First - pair.Second)));
            widest.ShouldBe(new[] { 1, 1, 2, 3, 3, 5 }[level - 1]);
        }
    }

    private static void Change(EarItem item, string what, int seed)
    {
        var asked = EarSounds.Question(item, EarGround.Round(60, seed)).Select(tone => (int)Math.Round(tone.AtSeconds / 0.315)).ToList();
        asked.ShouldBeUnique();
        var (one, other) = (asked.Where(place => place < 8).ToList(), asked.Where(place => place >= 8).Select(place => place - 8).ToList());
        (other.Count - one.Count).ShouldBe(
            what == "out" ? -1
            : what == "added" ? 1
            : 0
        );
        other.SequenceEqual(one).ShouldBe(what == "same");
        (other.Sum() - one.Sum()).ShouldBe(
            what switch
            {
                "early" => -1,
                "late" => 1,
                _ => other.Sum() - one.Sum(),
            }
        );
    }

    private static int Above(int note, int home) => ((note - home) % 12 + 12) % 12;

    private static string Roman(string name) => string.Join(" ", Known.Romans[name].Order());

    /// <summary>Notes that begin at once, as pitch classes above the key.</summary>
    private static IEnumerable<string> Chords(IEnumerable<(double At, int Midi)> notes, int home) =>
        notes
            .GroupBy(note => Math.Round(note.At, 6))
            .Select(group => string.Join(" ", group.Select(note => Above(note.Midi, home)).Distinct().Order()));

    private static List<(double At, int Midi)> Notes(IEnumerable<Tone> tones) =>
        [
            .. tones
                .Select(tone => (tone.AtSeconds, (int)Math.Round(69 + (Tuning.Cents(tone.Hertz, 440) / 100))))
                .OrderBy(note => note.AtSeconds),
        ];

    private sealed record Reference(
        Dictionary<string, int> Intervals,
        Dictionary<string, int[]> Chords,
        Dictionary<string, int[]> Scales,
        int[] Major,
        int[] Minor,
        Dictionary<string, int[]> Romans
    );
}
