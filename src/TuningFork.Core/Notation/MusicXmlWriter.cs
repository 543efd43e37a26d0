using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Writes a score as MusicXML 4.0, score-partwise, in written pitch with its transposition.</summary>
public static class MusicXmlWriter
{
    /// <summary>The document.</summary>
    /// <param name="score">The music.</param>
    public static string Write(Score score)
    {
        ArgumentNullException.ThrowIfNull(score);
        var divisions = Divisions(score);
        var part = new XElement("part", new XAttribute("id", "P1"));
        var (key, time) = (score.Key, score.Time);
        for (var i = 0; i < score.Bars.Count; i++)
        {
            var bar = score.Bars[i];
            (key, time) = (bar.Key ?? key, bar.Time ?? time);
            part.Add(Measure(score, i, key, time, divisions));
        }

        var root = new XElement(
            "score-partwise",
            new XAttribute("version", "4.0"),
            score.Title.Length > 0 ? new XElement("work", new XElement("work-title", score.Title)) : null,
            new XElement("part-list", new XElement("score-part", new XAttribute("id", "P1"), new XElement("part-name", "Music"))),
            part
        );
        return new XDeclaration("1.0", "UTF-8", null)
            + "\n"
            + new XDocumentType(
                "score-partwise",
                "-//Recordare//DTD MusicXML 4.0 Partwise//EN",
                "http://www.musicxml.org/dtds/partwise.dtd",
                null
            )
            + "\n"
            + root;
    }

    private static XElement Measure(Score score, int index, Key key, TimeSignature time, long divisions)
    {
        var bar = score.Bars[index];
        var upbeat = score.Bars.Count > 0 && score.Bars[0].IsPartial;
        var measure = new XElement(
            "measure",
            new XAttribute("number", index + (upbeat ? 0 : 1)),
            bar.IsPartial ? new XAttribute("implicit", "yes") : null
        );
        if (bar.RepeatBegins || bar.Ending.Count > 0)
        {
            measure.Add(
                new XElement(
                    "barline",
                    new XAttribute("location", "left"),
                    bar.Ending.Count > 0
                        ? new XElement("ending", new XAttribute("number", string.Join(", ", bar.Ending)), new XAttribute("type", "start"))
                        : null,
                    bar.RepeatBegins ? new XElement("repeat", new XAttribute("direction", "forward")) : null
                )
            );
        }

        if (index == 0 || bar.Key is not null || bar.Time is not null)
            measure.Add(Attributes(score, index, key, time, divisions));
        if (index == 0 && score.Tempo is { } tempo)
            measure.Add(Tempo(score, tempo.Value));
        var accidentals = new Accidentals(key);
        var groups = Beams.Groups(bar, time, bar.IsPartial ? time.Bar - bar.Length : Fraction.Zero);
        for (var i = 0; i < bar.Elements.Count; i++)
            measure.Add(MusicXmlNotes.Of(score, index, i, groups, accidentals, divisions));
        if (bar.RepeatEnds)
            measure.Add(
                new XElement(
                    "barline",
                    new XAttribute("location", "right"),
                    new XElement("repeat", new XAttribute("direction", "backward"))
                )
            );
        else if (index == score.Bars.Count - 1)
            measure.Add(new XElement("barline", new XAttribute("location", "right"), new XElement("bar-style", "light-heavy")));
        return measure;
    }

    private static XElement Attributes(Score score, int index, Key key, TimeSignature time, long divisions)
    {
        var bar = score.Bars[index];
        var attributes = new XElement("attributes");
        if (index == 0)
            attributes.Add(new XElement("divisions", divisions));
        if (index == 0 || bar.Key is not null)
            attributes.Add(
                new XElement("key", new XElement("fifths", key.Signature), new XElement("mode", key.IsMinor ? "minor" : "major"))
            );
        if (index == 0 || bar.Time is not null)
            attributes.Add(new XElement("time", new XElement("beats", time.Beats), new XElement("beat-type", time.Unit)));
        if (index > 0)
            return attributes;
        var (sign, line) = score.Clef switch
        {
            Clef.Bass => ("F", 4),
            Clef.Alto => ("C", 3),
            Clef.Tenor => ("C", 4),
            Clef.Percussion => ("percussion", 2),
            _ => ("G", 2),
        };
        attributes.Add(new XElement("clef", new XElement("sign", sign), new XElement("line", line)));
        if (score.ToSounding != Interval.Unison)
            attributes.Add(Transpose(score.ToSounding));
        return attributes;
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
    private static long Divisions(Score score)
    {
        long divisions = 1;
        foreach (var length in score.Bars.SelectMany(bar => bar.Elements).Select(element => element.Length * new Fraction(4, 1)))
            divisions =
                divisions / (long)System.Numerics.BigInteger.GreatestCommonDivisor(divisions, length.Denominator) * length.Denominator;
        return divisions;
    }
}
