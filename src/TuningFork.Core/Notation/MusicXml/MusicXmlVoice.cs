using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>One voice of a MusicXML part: the elements of its bars, with directions where they stand.</summary>
/// <param name="score">The voice.</param>
/// <param name="number">Its number in the part, from 1.</param>
/// <param name="staves">Staves of the part.</param>
/// <param name="divisions">Divisions of a quarter.</param>
internal sealed class MusicXmlVoice(Score score, int number, int staves, long divisions)
{
    private readonly HashSet<(int Bar, int Index)> afterTies = [.. AfterTies(score)];
    private Key key = score.Key;
    private Clef clef = score.Clef;

    private XElement? Staff => staves > 1 ? new XElement("staff", score.Staff + 1) : null;

    /// <summary>The elements of a bar; they are to be asked for in order.</summary>
    public IEnumerable<XElement> Bar(int index, TimeSignature time)
    {
        var bar = score.Bars[index];
        key = bar.Key ?? key;
        var accidentals = new Accidentals(key);
        var isShort = bar.IsPartial && bar.Length < time.Bar;
        var groups = Beams.Groups(bar, time, isShort ? time.Bar - bar.Length : Fraction.Zero);
        for (var i = 0; i < bar.Elements.Count; i++)
        {
            var element = bar.Elements[i];
            if (element.Clef is { } other && other != clef)
            {
                clef = other;
                yield return new XElement("attributes", MusicXmlWriter.ClefOf(other, staves > 1 ? score.Staff + 1 : null));
            }

            foreach (var direction in Before(element))
                yield return direction;
            foreach (var pitch in element.Grace)
                yield return Grace(pitch, accidentals);
            if (element.IsRest)
                yield return Note(index, i, null, false, groups, accidentals);
            for (var at = 0; at < element.Pitches.Count; at++)
                yield return Note(index, i, element.Pitches[at], at > 0, groups, accidentals);
            foreach (var ends in new[] { Hairpin.GrowsTo, Hairpin.FallsTo })
                if (element.Hairpin.HasFlag(ends))
                    yield return Direction(new XElement("wedge", new XAttribute("type", "stop")));
        }
    }

    private IEnumerable<XElement> Before(Element element)
    {
        if (element.Words.Length > 0)
            yield return Direction(new XElement("words", element.Words));
        if (element.Dynamic.Length > 0)
            yield return Direction(new XElement("dynamics", new XElement(element.Dynamic)));
        if (element.Hairpin.HasFlag(Hairpin.GrowsFrom))
            yield return Direction(new XElement("wedge", new XAttribute("type", "crescendo")));
        if (element.Hairpin.HasFlag(Hairpin.FallsFrom))
            yield return Direction(new XElement("wedge", new XAttribute("type", "diminuendo")));
    }

    private XElement Direction(XElement type) =>
        new(
            "direction",
            new XAttribute("placement", type.Name.LocalName == "words" ? "above" : "below"),
            new XElement("direction-type", type),
            new XElement("voice", number),
            Staff
        );

    private XElement Grace(Pitch pitch, Accidentals accidentals)
    {
        var note = new XElement(
            "note",
            new XElement("grace"),
            PitchOf(pitch),
            new XElement("voice", number),
            new XElement("type", "eighth")
        );
        if (accidentals.Needed(pitch))
            note.Add(Accidental(pitch));
        note.Add(Staff);
        return note;
    }

    private XElement Note(int bar, int index, Pitch? pitch, bool inChord, int[] groups, Accidentals accidentals)
    {
        var element = score.Bars[bar].Elements[index];
        var note = new XElement("note", element.IsHidden ? new XAttribute("print-object", "no") : null);
        if (inChord)
            note.Add(new XElement("chord"));
        note.Add(pitch is { } known ? PitchOf(known) : new XElement("rest"));
        note.Add(new XElement("duration", (element.Length * new Fraction(4 * divisions, 1)).Numerator));
        var isAfterTie = pitch is { } one && IsAfterTie(bar, index, one);
        var isTied = pitch is { } other && element.IsTied(other);
        if (isAfterTie)
            note.Add(new XElement("tie", new XAttribute("type", "stop")));
        if (isTied)
            note.Add(new XElement("tie", new XAttribute("type", "start")));
        note.Add(new XElement("voice", number));
        var (name, dots) = Values.Of(element.Written)
            ?? throw new InvalidOperationException($"{element.Written} of a whole note cannot be written with one head.");
        note.Add(new XElement("type", name), Enumerable.Repeat(0, dots).Select(_ => new XElement("dot")));
        if (pitch is { } spelled && accidentals.Needed(spelled))
            note.Add(Accidental(spelled));
        if (element.Tuplet is { } tuplet)
            note.Add(
                new XElement("time-modification", new XElement("actual-notes", tuplet.Actual), new XElement("normal-notes", tuplet.Normal))
            );
        note.Add(Staff);
        if (!inChord)
            note.Add(BeamsOf(score.Bars[bar], index, groups));
        note.Add(MusicXmlNotations.Of(element, isAfterTie, isTied, inChord));
        return note;
    }

    private static XElement PitchOf(Pitch pitch) =>
        new(
            "pitch",
            new XElement("step", pitch.Name.Step),
            pitch.Name.Alteration != 0 ? new XElement("alter", pitch.Name.Alteration) : null,
            new XElement("octave", pitch.Octave)
        );

    private static XElement Accidental(Pitch pitch) =>
        new(
            "accidental",
            pitch.Name.Alteration switch
            {
                -2 => "flat-flat",
                -1 => "flat",
                1 => "sharp",
                2 => "double-sharp",
                _ => "natural",
            }
        );

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
            "128th" => 5,
            "256th" => 6,
            _ => 0,
        };

    private bool IsAfterTie(int bar, int index, Pitch pitch) =>
        afterTies.Contains((bar, index))
        && ElementBefore(bar, index) is { } before
        && before.Pitches.Any(one => one.Midi == pitch.Midi && before.IsTied(one));

    private static IEnumerable<(int Bar, int Index)> AfterTies(Score score)
    {
        var isTied = false;
        for (var bar = 0; bar < score.Bars.Count; bar++)
        for (var index = 0; index < score.Bars[bar].Elements.Count; index++)
        {
            if (isTied)
                yield return (bar, index);
            isTied = score.Bars[bar].Elements[index].Tied;
        }
    }

    private Element? ElementBefore(int bar, int index)
    {
        if (index > 0)
            return score.Bars[bar].Elements[index - 1];
        return bar > 0 && score.Bars[bar - 1].Elements is [.., var last] ? last : null;
    }
}
