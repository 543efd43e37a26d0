using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Writes music as MusicXML 3.0, score-partwise, in written pitch with its transposition.</summary>
public static class MusicXmlWriter
{
    /// <summary>The document of one voice.</summary>
    /// <param name="score">The music.</param>
    public static string Write(Score score) => Write(new Music([score]));

    /// <summary>The document of one part, all its voices and staves.</summary>
    /// <param name="music">The music; title, tempo, key and metre are those of its first voice.</param>
    public static string Write(Music music)
    {
        ArgumentNullException.ThrowIfNull(music);
        music = Writable(music);
        var lead = music.Lead;
        var divisions = Divisions(music);
        var part = new XElement("part", new XAttribute("id", "P1"));
        var numbers = lead.Numbers();
        var time = lead.Time;
        var measures = music.Voices.Select((voice, i) => new MusicXmlVoice(voice, i + 1, music.Staves, divisions)).ToList();
        for (var i = 0; i < lead.Bars.Count; i++)
        {
            time = lead.Bars[i].Time ?? time;
            part.Add(Measure(music, measures, i, numbers, time, divisions));
        }

        var root = new XElement(
            "score-partwise",
            new XAttribute("version", "3.0"),
            lead.Title.Length > 0 ? new XElement("work", new XElement("work-title", lead.Title)) : null,
            new XElement("part-list", new XElement("score-part", new XAttribute("id", "P1"), new XElement("part-name", "Music"))),
            part
        );
        return new XDeclaration("1.0", "UTF-8", null)
            + "\n"
            + new XDocumentType(
                "score-partwise",
                "-//Recordare//DTD MusicXML 3.0 Partwise//EN",
                "http://www.musicxml.org/dtds/partwise.dtd",
                null
            )
            + "\n"
            + root;
    }

    /// <summary>MusicXML knows no octave below 0: music that goes there is written an octave higher, and sounds one lower.</summary>
    private static Music Writable(Music music) =>
        music
            .Voices.SelectMany(voice => voice.Bars)
            .SelectMany(bar => bar.Elements)
            .SelectMany(element => element.Pitches.Concat(element.Grace))
            .Any(pitch => pitch.Octave < 0)
            ? music.Each(voice =>
                Concert.Moved(voice, Interval.Octave) with
                {
                    ToSounding = new Interval(voice.ToSounding.Steps - 7, voice.ToSounding.Semitones - 12),
                }
            )
            : music;

    private static XElement Measure(
        Music music,
        List<MusicXmlVoice> voices,
        int index,
        IReadOnlyList<int> numbers,
        TimeSignature time,
        long divisions
    )
    {
        var bar = music.Lead.Bars[index];
        var isContinued = index > 0 && numbers[index] == numbers[index - 1];
        var measure = new XElement(
            "measure",
            new XAttribute("number", isContinued ? $"X{index}" : numbers[index].ToString(CultureInfo.InvariantCulture)),
            bar.IsPartial ? new XAttribute("implicit", "yes") : null
        );
        measure.Add(MusicXmlBarlines.Left(bar));
        if (index == 0 || bar.Key is not null || bar.Time is not null)
            measure.Add(Attributes(music, index, time, divisions));
        if (index == 0 && music.Lead.Tempo is { } tempo)
            measure.Add(Tempo(music.Lead, tempo.Value));
        measure.Add(MusicXmlBarlines.Signs(bar, atEnd: false));
        foreach (var voice in voices)
        {
            if (voice != voices[0])
                measure.Add(new XElement("backup", new XElement("duration", (bar.Length * new Fraction(4 * divisions, 1)).Numerator)));
            measure.Add(voice.Bar(index, time));
        }

        measure.Add(MusicXmlBarlines.Signs(bar, atEnd: true));
        measure.Add(MusicXmlBarlines.Right(music.Lead.Bars, index));
        return measure;
    }

    private static XElement Attributes(Music music, int index, TimeSignature time, long divisions)
    {
        var bar = music.Lead.Bars[index];
        var key = bar.Key ?? music.Lead.Key;
        var attributes = new XElement("attributes");
        if (index == 0)
            attributes.Add(new XElement("divisions", divisions));
        if (index == 0 || bar.Key is not null)
            attributes.Add(
                new XElement("key", new XElement("fifths", key.Signature), new XElement("mode", key.IsMinor ? "minor" : "major"))
            );
        if (index == 0 || bar.Time is not null)
            attributes.Add(
                time.IsFree
                    ? new XElement("time", new XElement("senza-misura"))
                    : new XElement(
                        "time",
                        new XElement("beats", time.Groups.Length > 0 ? time.Groups : time.Beats),
                        new XElement("beat-type", time.Unit)
                    )
            );
        if (index > 0)
            return attributes;
        if (music.Staves > 1)
            attributes.Add(new XElement("staves", music.Staves));
        foreach (var staff in music.Voices.DistinctBy(voice => voice.Staff))
            attributes.Add(ClefOf(staff.Clef, music.Staves > 1 ? staff.Staff + 1 : null));
        if (music.Lead.ToSounding != Interval.Unison)
            attributes.Add(Transpose(music.Lead.ToSounding));
        return attributes;
    }

    /// <summary>A clef, of one of several staves by its number.</summary>
    internal static XElement ClefOf(Clef clef, int? staff)
    {
        var (sign, line) = clef switch
        {
            Clef.Bass => ("F", 4),
            Clef.Alto => ("C", 3),
            Clef.Tenor => ("C", 4),
            Clef.Percussion => ("percussion", 2),
            Clef.Soprano => ("C", 1),
            Clef.MezzoSoprano => ("C", 2),
            Clef.Baritone => ("F", 3),
            _ => ("G", 2),
        };
        return new XElement(
            "clef",
            staff is { } number ? new XAttribute("number", number) : null,
            new XElement("sign", sign),
            new XElement("line", line)
        );
    }

    private static XElement Transpose(Interval interval)
    {
        var octaves = interval.Steps / 7;
        return new XElement(
            "transpose",
            new XElement("diatonic", interval.Steps - (octaves * 7)),
            new XElement("chromatic", interval.Semitones - (octaves * 12)),
            octaves != 0 ? new XElement("octave-change", octaves) : null
        );
    }

    private static XElement Tempo(Score score, int beatsPerMinute)
    {
        var (name, dots) = Values.Of(score.TempoBeat) ?? ("quarter", 0);
        var quarters = beatsPerMinute * (score.TempoBeat / new Fraction(1, 4)).Value;
        return new XElement(
            "direction",
            new XAttribute("placement", "above"),
            new XElement(
                "direction-type",
                new XElement(
                    "metronome",
                    new XElement("beat-unit", name),
                    Enumerable.Repeat(new XElement("beat-unit-dot"), dots),
                    new XElement("per-minute", beatsPerMinute)
                )
            ),
            new XElement("sound", new XAttribute("tempo", quarters.ToString(CultureInfo.InvariantCulture)))
        );
    }

    /// <summary>Divisions of a quarter note: the least common multiple of what the lengths need.</summary>
    private static long Divisions(Music music)
    {
        long divisions = 1;
        foreach (
            var length in music
                .Voices.SelectMany(voice => voice.Bars)
                .SelectMany(bar => bar.Elements)
                .Select(element => element.Length * new Fraction(4, 1))
        )
            divisions =
                divisions / (long)System.Numerics.BigInteger.GreatestCommonDivisor(divisions, length.Denominator) * length.Denominator;
        return divisions;
    }
}
