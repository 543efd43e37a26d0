using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>The note elements of a MusicXML measure.</summary>
internal static class MusicXmlNotes
{
    public static IEnumerable<XElement> Of(Score score, int bar, int index, int[] groups, Accidentals accidentals, long divisions)
    {
        var element = score.Bars[bar].Elements[index];
        if (element.IsRest)
            return [Note(score, bar, index, null, false, groups, null, divisions)];
        return element.Pitches.Select((pitch, i) => Note(score, bar, index, pitch, i > 0, groups, accidentals, divisions));
    }

    private static XElement Note(
        Score score,
        int bar,
        int index,
        Pitch? pitch,
        bool inChord,
        int[] groups,
        Accidentals? accidentals,
        long divisions
    )
    {
        var element = score.Bars[bar].Elements[index];
        var note = new XElement("note");
        if (inChord)
            note.Add(new XElement("chord"));
        note.Add(
            pitch is { } known
                ? new XElement(
                    "pitch",
                    new XElement("step", known.Name.Step),
                    known.Name.Alteration != 0 ? new XElement("alter", known.Name.Alteration) : null,
                    new XElement("octave", known.Octave)
                )
                : new XElement("rest")
        );
        var duration = element.Length * new Fraction(4 * divisions, 1);
        note.Add(new XElement("duration", duration.Numerator));
        var tiedFrom =
            pitch is not null
            && Before(score, bar, index) is { Tied: true } before
            && before.Pitches.Any(one => one.Midi == pitch.Value.Midi);
        if (tiedFrom)
            note.Add(new XElement("tie", new XAttribute("type", "stop")));
        if (element.Tied)
            note.Add(new XElement("tie", new XAttribute("type", "start")));
        note.Add(new XElement("voice", 1));
        var (name, dots) = Values.Of(element.Written)
            ?? throw new InvalidOperationException($"{element.Written} of a whole note cannot be written with one head.");
        note.Add(new XElement("type", name), Enumerable.Repeat(0, dots).Select(_ => new XElement("dot")));
        if (pitch is { } spelled && accidentals!.Needed(spelled))
            note.Add(
                new XElement(
                    "accidental",
                    spelled.Name.Alteration switch
                    {
                        -2 => "flat-flat",
                        -1 => "flat",
                        1 => "sharp",
                        2 => "double-sharp",
                        _ => "natural",
                    }
                )
            );
        if (element.Tuplet is { } tuplet)
            note.Add(
                new XElement("time-modification", new XElement("actual-notes", tuplet.Actual), new XElement("normal-notes", tuplet.Normal))
            );
        if (!inChord)
            note.Add(BeamsOf(score.Bars[bar], index, groups));
        note.Add(Notations(element, tiedFrom, inChord));
        return note;
    }

    private static IEnumerable<XElement> BeamsOf(Bar bar, int index, int[] groups)
    {
        if (groups[index] < 0)
            yield break;
        for (var level = 1; level <= Flags(bar.Elements[index]); level++)
        {
            var before = index > 0 && groups[index - 1] == groups[index] && Flags(bar.Elements[index - 1]) >= level;
            var after = index + 1 < groups.Length && groups[index + 1] == groups[index] && Flags(bar.Elements[index + 1]) >= level;
            var kind = (before, after) switch
            {
                (true, true) => "continue",
                (false, true) => "begin",
                (true, false) => "end",
                _ => index > 0 && groups[index - 1] == groups[index] ? "backward hook" : "forward hook",
            };
            yield return new XElement("beam", new XAttribute("number", level), kind);
        }
    }

    private static int Flags(Element element) =>
        Values.Of(element.Written)?.Name switch
        {
            "eighth" => 1,
            "16th" => 2,
            "32nd" => 3,
            "64th" => 4,
            _ => 0,
        };

    private static XElement? Notations(Element element, bool tiedFrom, bool inChord)
    {
        var notations = new XElement("notations");
        if (tiedFrom)
            notations.Add(new XElement("tied", new XAttribute("type", "stop")));
        if (element.Tied)
            notations.Add(new XElement("tied", new XAttribute("type", "start")));
        if (!inChord)
        {
            if (element.SlurEnds)
                notations.Add(new XElement("slur", new XAttribute("number", 1), new XAttribute("type", "stop")));
            if (element.SlurBegins)
                notations.Add(new XElement("slur", new XAttribute("number", 1), new XAttribute("type", "start")));
            if (element.Tuplet is { Begins: true })
                notations.Add(new XElement("tuplet", new XAttribute("type", "start")));
            if (element.Tuplet is { Ends: true })
                notations.Add(new XElement("tuplet", new XAttribute("type", "stop")));
            if (element.Finger is { } finger)
                notations.Add(new XElement("technical", new XElement("fingering", finger)));
            if (element.Articulation != Articulation.None)
                notations.Add(new XElement("articulations", new XElement(element.Articulation.ToString().ToLowerInvariant())));
        }

        return notations.HasElements ? notations : null;
    }

    private static Element? Before(Score score, int bar, int index) =>
        index > 0 ? score.Bars[bar].Elements[index - 1]
        : bar > 0 && score.Bars[bar - 1].Elements is { Count: > 0 } before ? before[^1]
        : null;
}
