using System.Xml.Linq;

namespace TuningFork.Core.Notation;

/// <summary>
/// What a score holds, found before a part of it is read: its parts, and how long each of its bars is in the longest of them.
/// </summary>
/// <param name="Parts">The parts in order.</param>
/// <param name="Lengths">Length of each bar in the part where it is longest, as its notes add up.</param>
internal sealed record MusicXmlScan(List<MusicChoice> Parts, IReadOnlyList<Fraction> Lengths)
{
    public static MusicXmlScan Of(string text, CancellationToken cancel)
    {
        var counting = new Counting();
        MusicXmlReader.Reading(text, xml =>
        {
            MusicXmlScore.Walk(xml, counting.Begin, counting.Measure, counting.Head, cancel);
            return true;
        });
        return new MusicXmlScan(counting.Parts(), counting.Lengths);
    }

    private sealed class Counting
    {
        private readonly Dictionary<string, string> names = new(StringComparer.Ordinal);
        private readonly List<MusicChoice> parts = [];
        private readonly HashSet<(string Staff, string Voice)> voices = [];
        private string id = "";
        private long divisions = 1;
        private int notes;
        private int unpitched;
        private int staves = 1;
        private int? transposition;
        private int bar;
        private bool begun;

        public List<Fraction> Lengths { get; } = [];

        public void Head(XElement head)
        {
            foreach (var part in head.Elements("score-part"))
                names[part.Attribute("id")?.Value ?? ""] = (part.Element("part-name")?.Value ?? "").Trim();
        }

        public bool Begin(int index, string partId)
        {
            End();
            (id, divisions, notes, unpitched, staves, transposition, bar, begun) = (partId, 1, 0, 0, 1, null, 0, true);
            voices.Clear();
            return true;
        }

        public List<MusicChoice> Parts()
        {
            End();
            return parts;
        }

        public void Measure(XElement measure)
        {
            var (at, end) = (Fraction.Zero, Fraction.Zero);
            foreach (var item in measure.Elements())
            {
                if (item.Name.LocalName == "attributes")
                    Attributes(item);
                else if (item.Name.LocalName == "backup")
                    at -= Length(item);
                else if (item.Name.LocalName == "forward")
                    at += Length(item);
                else if (item.Name.LocalName == "note" && item.Element("grace") is null)
                {
                    if (item.Element("chord") is null)
                        at += Length(item);
                    Count(item);
                }

                end = at > end ? at : end;
            }

            if (bar == Lengths.Count)
                Lengths.Add(end);
            else if (end > Lengths[bar])
                Lengths[bar] = end;
            bar++;
        }

        private void Attributes(XElement item)
        {
            divisions = Math.Clamp(MusicXmlMarks.Whole(item.Element("divisions")) ?? divisions, 1, MusicXmlPart.MostDivisions);
            staves = (int)Math.Clamp(MusicXmlMarks.Whole(item.Element("staves")) ?? staves, 1, MusicXmlPart.MostStaves);
            if (item.Element("transpose") is { } transpose)
                transposition ??= MusicXmlMarks.Transposition(transpose)?.Semitones;
        }

        private void Count(XElement item)
        {
            if (item.Element("rest") is not null || item.Element("cue") is not null)
                return;
            notes++;
            if (item.Element("unpitched") is not null)
                unpitched++;
            voices.Add((item.Element("staff")?.Value ?? "1", item.Element("voice")?.Value ?? "1"));
        }

        private Fraction Length(XElement item) =>
            MusicXmlMarks.Whole(item.Element("duration")) is { } duration and >= 0 and <= MusicXmlPart.LongestDuration
                ? new Fraction(duration, divisions * 4)
                : Fraction.Zero;

        private void End()
        {
            if (!begun)
                return;
            var name = names.GetValueOrDefault(id) is { Length: > 0 } given ? given : $"part {parts.Count + 1}";
            parts.Add(new MusicChoice(name, notes, staves, Math.Max(1, voices.Count), transposition, unpitched * 2 > notes));
            begun = false;
        }
    }
}
