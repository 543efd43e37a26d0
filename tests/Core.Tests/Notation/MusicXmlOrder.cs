using System.Globalization;
using System.Xml.Linq;
using Shouldly;

namespace TuningFork.Core.Tests.Notation;

/// <summary>
/// The order and the names of elements that MusicXML 4.0 demands of what is written here (its schema, from memory: no registry at hand
/// has the schema itself). An element that is not in this list is a fault.
/// </summary>
internal static class MusicXmlOrder
{
    private static readonly Dictionary<string, string[]> InOrder = new(StringComparer.Ordinal)
    {
        ["score-partwise"] = ["work", "identification", "part-list", "part"],
        ["work"] = ["work-number", "work-title"],
        ["part-list"] = ["score-part"],
        ["score-part"] = ["part-name", "score-instrument", "midi-instrument"],
        ["part"] = ["measure"],
        ["note"] =
        [
            "grace",
            "chord",
            "pitch",
            "unpitched",
            "rest",
            "duration",
            "tie",
            "voice",
            "type",
            "dot",
            "accidental",
            "time-modification",
            "stem",
            "notehead",
            "staff",
            "beam",
            "notations",
            "lyric",
        ],
        ["pitch"] = ["step", "alter", "octave"],
        ["unpitched"] = ["display-step", "display-octave"],
        ["rest"] = ["display-step", "display-octave"],
        ["time-modification"] = ["actual-notes", "normal-notes", "normal-type", "normal-dot"],
        ["attributes"] = ["divisions", "key", "time", "staves", "clef", "transpose"],
        ["key"] = ["fifths", "mode"],
        ["time"] = ["beats", "beat-type", "senza-misura"],
        ["clef"] = ["sign", "line", "clef-octave-change"],
        ["transpose"] = ["diatonic", "chromatic", "octave-change"],
        ["direction"] = ["direction-type", "offset", "voice", "staff", "sound"],
        ["metronome"] = ["beat-unit", "beat-unit-dot", "per-minute"],
        ["barline"] = ["bar-style", "segno", "coda", "fermata", "ending", "repeat"],
        ["backup"] = ["duration"],
        ["forward"] = ["duration", "voice", "staff"],
        ["tuplet"] = ["tuplet-actual", "tuplet-normal"],
        ["tuplet-actual"] = ["tuplet-number", "tuplet-type", "tuplet-dot"],
        ["tuplet-normal"] = ["tuplet-number", "tuplet-type", "tuplet-dot"],
    };

    /// <summary>What may stand in any order.</summary>
    private static readonly Dictionary<string, string[]> AsTheyCome = new(StringComparer.Ordinal)
    {
        ["measure"] = ["note", "backup", "forward", "direction", "attributes", "barline", "sound"],
        ["notations"] = ["tied", "slur", "tuplet", "ornaments", "technical", "articulations", "fermata", "arpeggiate"],
        ["articulations"] = ["accent", "strong-accent", "staccato", "tenuto", "staccatissimo", "breath-mark"],
        ["ornaments"] = ["trill-mark", "turn", "inverted-turn", "mordent", "inverted-mordent", "tremolo", "wavy-line"],
        ["technical"] = ["up-bow", "down-bow", "fingering", "harmonic", "open-string", "thumb-position", "snap-pizzicato", "stopped"],
        ["direction-type"] = ["dynamics", "wedge", "words", "segno", "coda", "metronome", "pedal", "rehearsal"],
        ["dynamics"] = ["p", "pp", "ppp", "pppp", "mp", "mf", "f", "ff", "fff", "ffff", "sf", "sfz", "fp", "fz", "sfp", "rfz"],
    };

    private static readonly string[] NoteTypes = ["256th", "128th", "64th", "32nd", "16th", "eighth", "quarter", "half", "whole", "breve"];

    /// <summary>Fails at the first element that stands where none of its kind may.</summary>
    public static string Check(string xml)
    {
        var root = XDocument.Parse(xml).Root!;
        root.Name.LocalName.ShouldBe("score-partwise");
        foreach (var element in root.DescendantsAndSelf())
        {
            var children = element.Elements().Select(child => child.Name.LocalName).ToList();
            var name = element.Name.LocalName;
            if (InOrder.TryGetValue(name, out var order))
                children
                    .Select(child => Array.IndexOf(order, child))
                    .ShouldBeInOrder(SortDirection.Ascending, $"{name}: {string.Join(' ', children)}");
            var known = order ?? AsTheyCome.GetValueOrDefault(name, []);
            children.Except(known, StringComparer.Ordinal).ShouldBeEmpty(name);
            if (name == "type")
                NoteTypes.ShouldContain(element.Value);
            if (name is "duration" or "divisions")
                decimal.Parse(element.Value, CultureInfo.InvariantCulture).ShouldBeGreaterThan(0);
        }

        return xml;
    }
}
