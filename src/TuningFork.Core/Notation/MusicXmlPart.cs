using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>One part of a MusicXML score, its first voice, read bar by bar.</summary>
internal sealed class MusicXmlPart
{
    private readonly SortedSet<string> leftOut = new(StringComparer.Ordinal);
    private readonly List<Bar> bars = [];
    private long divisions = 1;
    private Key key = Key.C;
    private TimeSignature time = TimeSignature.Common;
    private Clef clef = Clef.Treble;
    private Interval toSounding = Interval.Unison;
    private Bpm? tempo;
    private string? voice;

    /// <summary>The last note lay beyond the end of its bar, and so do those that sound with it.</summary>
    private bool isBeyond;

    /// <summary>Says of a score with several parts that only the first was taken.</summary>
    public void OneOf(int parts)
    {
        if (parts > 1)
            leftOut.Add($"{parts - 1} of {parts} parts: the first one was taken");
    }

    /// <summary>What was read.</summary>
    /// <param name="title">Title of the score, or empty.</param>
    public ReadMusic Finish(string title)
    {
        if (bars.Count == 0 || bars.TrueForAll(bar => bar.Elements.All(element => element.IsRest)))
            throw new MusicFileException("There are no notes in the first part of this file.");
        var first = bars[0];
        var score = new Score
        {
            Title = title[..Math.Min(200, title.Length)].Trim(),
            Clef = clef,
            Key = first.Key ?? Key.C,
            Time = first.Time ?? TimeSignature.Common,
            Tempo = tempo,
            ToSounding = toSounding,
            Bars = [first with { Key = null, Time = null }, .. bars.Skip(1)],
        };
        return new ReadMusic(Mended(score), [.. leftOut]);
    }

    /// <summary>Ties that lead nowhere are let go; what else is wrong afterwards is refused.</summary>
    private Score Mended(Score score)
    {
        for (var tries = 0; tries < 3 && score.Check() is { Count: > 0 } problems; tries++)
        {
            var wrong = problems.Select(problem => problem.Bar - 1).ToHashSet();
            leftOut.Add("ties, tuplets or repeats that were not complete");
            score = score with
            {
                Bars =
                [
                    .. score.Bars.Select(
                        (bar, i) =>
                            !wrong.Contains(i)
                                ? bar
                                : bar with
                                {
                                    RepeatBegins = false,
                                    Elements =
                                        bar.Elements.Any(element => element.Tuplet is not null) && tries > 0
                                            ? [.. Rests(bar.Length)]
                                            : [.. bar.Elements.Select(element => element with { Tied = false })],
                                }
                    ),
                ],
            };
        }

        return score.Check() is [var (number, problem), ..]
            ? throw new MusicFileException($"Bar {number} cannot be read: {problem}")
            : score;
    }

    /// <summary>Reads the next bar.</summary>
    public void Measure(XElement measure)
    {
        if (bars.Count >= MusicXmlReader.MostBars)
            throw new MusicFileException($"The piece is longer than {MusicXmlReader.MostBars:N0} bars; export a part of it.");
        var bar = new Bar([]);
        var elements = new List<Element>();
        var at = Fraction.Zero;
        var mine = Fraction.Zero;
        foreach (var item in measure.Elements())
        {
            switch (item.Name.LocalName)
            {
                case "attributes":
                    bar = Attributes(item, bar);
                    break;
                case "note":
                    at = Note(item, elements, at, ref mine);
                    break;
                case "backup":
                    at -= Length(item);
                    break;
                case "forward":
                    at += Length(item);
                    break;
                case "barline":
                    bar = MusicXmlMarks.Barline(item, bar);
                    break;
                case "direction" or "sound":
                    Direction(item);
                    break;
                case "harmony":
                    leftOut.Add("chord symbols");
                    break;
            }
        }

        bars.Add(Filled(bar, elements, mine, measure));
    }

    private Bar Filled(Bar bar, List<Element> elements, Fraction mine, XElement measure)
    {
        var full = time.Bar;
        while (mine > full && elements.Count > 0)
        {
            leftOut.Add($"notes beyond the end of bar {bars.Count + 1}");
            mine -= elements[^1].Length;
            elements.RemoveAt(elements.Count - 1);
        }

        var partial = mine < full && elements.Count > 0 && (bars.Count == 0 || measure.Attribute("implicit")?.Value == "yes");
        if (mine < full && !partial)
        {
            elements.AddRange(Rests(full - mine));
            if (mine > Fraction.Zero)
                leftOut.Add($"bar {bars.Count + 1} was short and was filled with rests");
        }

        return bar with
        {
            Elements = elements,
            IsPartial = partial,
        };
    }

    private IEnumerable<Element> Rests(Fraction length)
    {
        try
        {
            return Values.Cut(length).Select(Element.Rest);
        }
        catch (ArgumentException)
        {
            throw new MusicFileException($"Bar {bars.Count + 1} cannot be read: its lengths do not add up. Export the file again.");
        }
    }

    private Bar Attributes(XElement item, Bar bar)
    {
        if (MusicXmlMarks.Whole(item.Element("divisions")) is { } parts)
            divisions = parts is > 0 and <= 100_000
                ? parts
                : throw new MusicFileException("The lengths in this file cannot be read (divisions).");
        if (item.Element("key") is { } signature && MusicXmlMarks.Whole(signature.Element("fifths")) is { } fifths)
        {
            key = fifths is >= -7 and <= 7 ? Key.OfSignature((int)fifths, signature.Element("mode")?.Value == "minor") : key;
            bar = bar with { Key = key };
        }

        if (
            item.Element("time") is { } metre
            && MusicXmlMarks.Whole(metre.Element("beats")) is { } beats
            && MusicXmlMarks.Whole(metre.Element("beat-type")) is { } unit
        )
        {
            if (beats is < 1 or > 32 || unit is not (1 or 2 or 4 or 8 or 16 or 32))
                throw new MusicFileException($"The metre {beats}/{unit} of bar {bars.Count + 1} cannot be read.");
            time = new TimeSignature((int)beats, (int)unit);
            bar = bar with { Time = time };
        }

        if (bars.Count == 0)
            ReadClef(item);
        return bar;
    }

    private void ReadClef(XElement item)
    {
        clef = (item.Element("clef")?.Element("sign")?.Value, item.Element("clef")?.Element("line")?.Value) switch
        {
            ("F", _) => Clef.Bass,
            ("C", "4") => Clef.Tenor,
            ("C", _) => Clef.Alto,
            ("percussion", _) => Clef.Percussion,
            _ => clef,
        };
        if (
            item.Element("transpose") is { } transpose
            && MusicXmlMarks.Whole(transpose.Element("chromatic")) is { } semitones and >= -36 and <= 36
        )
        {
            var octaves = MusicXmlMarks.Whole(transpose.Element("octave-change")) ?? 0;
            var steps = MusicXmlMarks.Whole(transpose.Element("diatonic"));
            toSounding = steps is null
                ? Interval.OfSemitones((int)(semitones + (12 * octaves)))
                : new Interval((int)(steps.Value + (7 * octaves)), (int)(semitones + (12 * octaves)));
        }

        if (MusicXmlMarks.Whole(item.Element("staves")) > 1)
            leftOut.Add("staves below the first");
    }

    private Fraction Note(XElement item, List<Element> elements, Fraction at, ref Fraction mine)
    {
        if (item.Element("grace") is not null || item.Element("cue") is not null)
        {
            leftOut.Add("grace and cue notes");
            return at;
        }

        var length = Length(item);
        var chord = item.Element("chord") is not null;
        var here = item.Element("voice")?.Value ?? "1";
        voice ??= here;
        if (here != voice || (MusicXmlMarks.Whole(item.Element("staff")) ?? 1) > 1)
        {
            leftOut.Add("further voices");
            return chord ? at : at + length;
        }

        if (chord)
        {
            if (!isBeyond && elements.Count > 0 && PitchOf(item) is { } more && !elements[^1].Pitches.Contains(more))
                elements[^1] = elements[^1] with { Pitches = [.. elements[^1].Pitches.Append(more).OrderBy(pitch => pitch.Midi)] };
            return at;
        }

        isBeyond = at >= time.Bar;
        if (isBeyond)
        {
            leftOut.Add($"notes beyond the end of bar {bars.Count + 1}");
            return at + length;
        }

        if (at > mine)
        {
            elements.AddRange(Rests(at - mine));
            mine = at;
        }

        foreach (var element in ElementsOf(item, length))
        {
            elements.Add(element);
            mine += element.Length;
        }

        return at + length;
    }

    private IEnumerable<Element> ElementsOf(XElement item, Fraction length)
    {
        var notations = item.Elements("notations").ToList();
        var tuplet = MusicXmlMarks.TupletOf(item, notations);
        var written = tuplet is null ? length : length * new Fraction(tuplet.Actual, tuplet.Normal);
        IReadOnlyList<Pitch> pitches = PitchOf(item) is { } pitch ? [pitch] : [];
        var element = new Element(pitches, written)
        {
            Tuplet = tuplet,
            Tied = pitches.Count > 0 && item.Elements("tie").Any(tie => tie.Attribute("type")?.Value == "start"),
            SlurBegins = notations.Elements("slur").Any(slur => slur.Attribute("type")?.Value == "start"),
            SlurEnds = notations.Elements("slur").Any(slur => slur.Attribute("type")?.Value == "stop"),
            Articulation = notations
                .Elements("articulations")
                .Elements()
                .Select(one =>
                    one.Name.LocalName switch
                    {
                        "staccato" => Articulation.Staccato,
                        "tenuto" => Articulation.Tenuto,
                        "accent" => Articulation.Accent,
                        _ => Articulation.None,
                    }
                )
                .FirstOrDefault(),
            Finger = MusicXmlMarks.Whole(notations.Elements("technical").Elements("fingering").FirstOrDefault())
                is { } finger
                    and >= 0
                    and <= 5
                ? (int)finger
                : null,
        };
        if (notations.Elements("ornaments").Any())
            leftOut.Add("ornaments");
        if (item.Element("lyric") is not null)
            leftOut.Add("words");
        if (Values.Of(written) is not null || tuplet is not null)
            return [element];
        var parts = Rests(written).Select(rest => rest.Written).ToList();
        return parts.Select(
            (part, i) =>
                element with
                {
                    Written = part,
                    Tied = !element.IsRest && (i < parts.Count - 1 || element.Tied),
                    SlurBegins = element.SlurBegins && i == 0,
                    SlurEnds = element.SlurEnds && i == parts.Count - 1,
                }
        );
    }

    private Pitch? PitchOf(XElement item)
    {
        if (item.Element("unpitched") is { } unpitched)
            return Pitch.TryParse(
                (unpitched.Element("display-step")?.Value ?? "B") + (unpitched.Element("display-octave")?.Value ?? "4"),
                out var shown
            )
                ? shown
                : Pitch.Of(Step.B, 0, 4);
        if (item.Element("pitch") is not { } pitch)
            return null;
        var alter = double.TryParse(pitch.Element("alter")?.Value ?? "0", CultureInfo.InvariantCulture, out var given) ? given : 0;
        if (alter != Math.Round(alter))
            leftOut.Add("quarter tones");
        if (
            !NoteName.TryParse(pitch.Element("step")?.Value, out var name)
            || MusicXmlMarks.Whole(pitch.Element("octave")) is not { } octave
            || octave is < -1 or > 9
            || alter is < -2 or > 2
        )
            throw new MusicFileException($"A note in bar {bars.Count + 1} cannot be read.");
        var found = Pitch.Of(name.Step, (int)Math.Round(alter), (int)octave);
        return found.Midi is >= 0 and <= 127
            ? found
            : throw new MusicFileException($"A note in bar {bars.Count + 1} lies beyond what can be heard.");
    }

    private void Direction(XElement item)
    {
        var sound = item.Name.LocalName == "sound" ? item : item.Element("sound");
        if (
            tempo is null
            && double.TryParse(sound?.Attribute("tempo")?.Value, CultureInfo.InvariantCulture, out var beats)
            && beats is >= Bpm.Slowest and <= Bpm.Fastest
        )
            tempo = Bpm.Near(beats);
    }

    private Fraction Length(XElement item)
    {
        var duration = MusicXmlMarks.Whole(item.Element("duration")) ?? 0;
        return duration is >= 0 and <= 10_000_000
            ? new Fraction(duration, divisions * 4)
            : throw new MusicFileException($"A length in bar {bars.Count + 1} cannot be read.");
    }
}
