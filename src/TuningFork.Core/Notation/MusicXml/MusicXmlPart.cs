using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>One part of a MusicXML score, all its staves and voices, read bar by bar.</summary>
/// <param name="lengths">How long each bar is in the longest part of the score.</param>
internal sealed class MusicXmlPart(IReadOnlyList<Fraction> lengths)
{
    public const long MostDivisions = 1_000_000;
    public const long LongestDuration = 100_000_000;
    public const int MostStaves = 4;

    /// <summary>A bar, a cadenza too, holds no more whole notes than this.</summary>
    private static readonly Fraction LongestBar = new(64, 1);

    private readonly LeftOutList leftOut = new();
    private readonly List<(Bar Bar, List<Line> Lines)> bars = [];
    private readonly List<(string Number, bool IsImplicit)> numbers = [];
    private readonly Dictionary<(int Staff, string Voice), int> home = [];
    private readonly Clef[] clefs = new Clef[MostStaves];
    private readonly Clef[] firstClefs = new Clef[MostStaves];
    private readonly int[] octaves = new int[MostStaves];
    private readonly List<Direction> waiting = [];
    private readonly MusicXmlDirections directions = new();
    private long divisions = 1;
    private TimeSignature time = TimeSignature.Common;
    private Interval toSounding = Interval.Unison;
    private bool hasBeams;
    private bool isRepeating;

    private int Index => bars.Count;

    /// <summary>Reads the next bar.</summary>
    public void Measure(XElement measure)
    {
        try
        {
            Read(measure);
        }
        catch (MusicFileException problem)
        {
            throw new MusicFileException(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"Bar {measure.Attribute("number")?.Value ?? $"{Index + 1}"} cannot be read: {problem.Message}"
                )
            );
        }
    }

    /// <summary>What was read.</summary>
    /// <param name="title">Title of the score, or empty.</param>
    public ReadMusic Finish(string title)
    {
        if (bars.TrueForAll(bar => bar.Lines.TrueForAll(line => line.Elements.TrueForAll(element => element.IsRest))))
            throw new MusicFileException("There are no notes in this part. Choose another one.");
        if (waiting.Count > 0)
            leftOut.Add("signs after the last note", bars.Count - 1);
        var numbered = BarNumbers.Of(numbers, bars.ConvertAll(bar => bar.Bar.IsPartial));
        var keys = bars.SelectMany(bar => bar.Lines.Select(line => (line.Staff, line.Number))).Append((0, 0)).Distinct().Order().ToList();
        var voices = keys.ConvertAll(key => new Score
        {
            Title = title[..Math.Min(200, title.Length)].Trim(),
            Staff = key.Item1,
            Clef = firstClefs[key.Item1],
            Key = bars[0].Bar.Key ?? Key.C,
            Time = bars[0].Bar.Time ?? TimeSignature.Common,
            Tempo = directions.Tempo,
            TempoBeat = directions.TempoBeat,
            ToSounding = toSounding,
            Bars = [.. bars.Select((bar, i) => Voiced(bar, i, key, numbered[i]))],
        });
        var music = Mended.Of(new Music(voices), leftOut);
        var all = voices[0].Numbers();
        if (music.Check() is [var (number, problem), ..])
            throw new MusicFileException(
                string.Create(CultureInfo.InvariantCulture, $"Bar {all[number - 1]} cannot be read: {problem.Split(": ", 2)[^1]}")
            );
        return new ReadMusic(music, leftOut.By(all));
    }

    private Bar Voiced((Bar Bar, List<Line> Lines) bar, int index, (int Staff, int Number) key, int? number)
    {
        var line = bar.Lines.Find(one => (one.Staff, one.Number) == key);
        var elements = line?.Elements ?? [.. Gaps.Of(LengthOf(bar), hidden: key.Number > 0)];
        return bar.Bar with
        {
            Elements = Tuplets.Grouped(hasBeams ? elements : [.. elements.Select(element => element with { Beamed = null })]),
            Key = index == 0 ? null : bar.Bar.Key,
            Time = index == 0 ? null : bar.Bar.Time,
            Number = number,
        };
    }

    private static Fraction LengthOf((Bar Bar, List<Line> Lines) bar) =>
        bar.Lines.Count > 0 ? Fraction.Sum(bar.Lines[0].Elements.Select(element => element.Length)) : bar.Bar.Length;

    private void Read(XElement measure)
    {
        var bar = new Bar([]);
        var reading = new MusicXmlMeasure(divisions, kind => leftOut.Add(kind, Index));
        foreach (var item in measure.Elements())
        {
            switch (item.Name.LocalName)
            {
                case "attributes":
                    bar = Attributes(item, bar, reading);
                    break;
                case "note":
                    reading.Note(item);
                    break;
                case "backup":
                    reading.Backup(item);
                    break;
                case "forward":
                    reading.Forward(item);
                    break;
                case "barline":
                    bar = Barline(item, bar, reading);
                    break;
                case "direction":
                    bar = directions.Read(item, bar, reading.At, waiting, kind => leftOut.Add(kind, Index));
                    break;
                case "sound":
                    bar = directions.Sound(item, bar, kind => leftOut.Add(kind, Index));
                    break;
                case "harmony":
                    leftOut.Add("chord symbols", Index);
                    break;
                case "figured-bass":
                    leftOut.Add("figured bass", Index);
                    break;
            }
        }

        divisions = reading.Divisions;
        hasBeams |= reading.HasBeams;
        numbers.Add((measure.Attribute("number")?.Value ?? "", measure.Attribute("implicit")?.Value == "yes"));
        Close(bar, reading);
    }

    /// <summary>Puts the notes into lines of the same length, and the signs to their notes.</summary>
    private void Close(Bar bar, MusicXmlMeasure reading)
    {
        if (reading.End > LongestBar)
            throw new MusicFileException($"it is longer than {LongestBar} whole notes. Export the music again.");
        var isRepeated = isRepeating && bars.Count > 0 && reading.Notes.TrueForAll(note => note.Element.IsRest);
        var lines = isRepeated ? Again() : MusicXmlLines.Of([.. reading.Notes.Select(Looking)], home);
        var length = lines
            .Select(line => Fraction.Sum(line.Elements.Select(element => element.Length)))
            .DefaultIfEmpty(Fraction.Zero)
            .Max();
        var wanted = Wanted(length, reading.End);
        foreach (var line in lines)
        {
            var left = wanted - Fraction.Sum(line.Elements.Select(element => element.Length));
            if (left > Fraction.Zero)
                line.Elements.AddRange(Gaps.Of(left, line.Number > 0 || lines.Count(one => one.Staff == line.Staff) > 1));
        }

        if (lines.Count == 0)
            lines.Add(new Line(0, 0, [.. Gaps.Of(wanted, hidden: false)]));
        MusicXmlDirections.Stand(waiting, lines);
        bars.Add((bar with { IsPartial = time.IsFree || wanted != time.Bar, Elements = lines[0].Elements }, lines));
    }

    /// <summary>A bar like the one before, where a sign says so.</summary>
    private List<Line> Again() =>
        [
            .. bars[^1]
                .Lines.Select(line =>
                    line with
                    {
                        Elements =
                        [
                            .. line.Elements.Select(element => element with { Tied = false, TiedOnly = [], Words = "", Dynamic = "" }),
                        ],
                    }
                ),
        ];

    /// <summary>
    /// How long a bar is: as long as its metre where it holds that much or nothing; else as long as its notes, or as the score's longest
    /// part is in it.
    /// </summary>
    private Fraction Wanted(Fraction length, Fraction reached)
    {
        var full = time.Bar;
        var longest = new[] { reached, Index < lengths.Count ? lengths[Index] : Fraction.Zero }.Max();
        if (length == Fraction.Zero)
            return time.IsFree && longest > Fraction.Zero ? Plain(longest) : full;
        if (!time.IsFree && length <= full && Math.Abs((longest - full).Value) < 0.005)
            return full;
        var wanted = longest - length is var more && more.Value > 0.005 ? length + Plain(more) : length;
        // What no rests can fill up to is filled up to the next plain length.
        return IsPlain(wanted) ? wanted : new Fraction((long)Math.Ceiling(wanted.Value * 64), 64);
    }

    private static Fraction Plain(Fraction length) => IsPlain(length) ? length : Gaps.Rounded(length);

    private static bool IsPlain(Fraction length) => Values.TryCut(length) is not null;

    /// <summary>Notes in a clef that sounds an octave off are written as they look: the octave belongs to the transposition.</summary>
    private Placed Looking(Placed note)
    {
        if (octaves[note.Staff] == 0 || note.Element.IsRest)
            return note;
        var by = new Interval(-7 * octaves[note.Staff], -12 * octaves[note.Staff]);
        note.Element = note.Element with
        {
            Pitches = [.. note.Element.Pitches.Select(pitch => pitch.Near(by))],
            TiedOnly = [.. note.Element.TiedOnly.Select(pitch => pitch.Near(by))],
            Grace = [.. note.Element.Grace.Select(pitch => pitch.Near(by))],
        };
        return note;
    }

    private Bar Attributes(XElement item, Bar bar, MusicXmlMeasure reading)
    {
        if (MusicXmlMarks.Whole(item.Element("divisions")) is { } parts)
            reading.Divisions = parts is > 0 and <= MostDivisions
                ? parts
                : throw new MusicFileException("The lengths in this file cannot be read (divisions).");
        if (item.Element("key") is { } signature)
            bar = KeyOf(signature, bar, reading);
        if (item.Element("time") is { } metre)
            bar = TimeOf(metre, bar, reading);
        foreach (var clef in item.Elements("clef"))
            ReadClef(clef, reading);
        if (item.Element("transpose") is { } transpose && Index == 0 && MusicXmlMarks.Transposition(transpose) is { } way)
            toSounding = new Interval(way.Steps + toSounding.Steps, way.Semitones + toSounding.Semitones);
        if (item.Element("measure-style") is { } style)
            Style(style);
        return bar;
    }

    private void Style(XElement style)
    {
        if (style.Element("measure-repeat") is { } repeat)
        {
            isRepeating = repeat.Attribute("type")?.Value == "start" && (MusicXmlMarks.Whole(repeat) ?? 1) == 1;
            if (!isRepeating && repeat.Attribute("type")?.Value == "start")
                leftOut.Add("signs that repeat several bars: they are empty", Index);
        }

        if (style.Element("slash") is not null || style.Element("beat-repeat") is not null)
            leftOut.Add("slashes for beats", Index);
    }

    private Bar KeyOf(XElement signature, Bar bar, MusicXmlMeasure reading)
    {
        if (MusicXmlMarks.Whole(signature.Element("fifths")) is not { } fifths)
        {
            leftOut.Add("key signatures of their own", Index);
            return bar;
        }

        if (fifths is < -7 or > 7)
        {
            leftOut.Add("key signatures with more than seven signs", Index);
            return bar;
        }

        if (reading.Notes.Count > 0)
            leftOut.Add("changes of key inside a bar: from its beginning", Index);
        return bar with { Key = Key.OfSignature((int)fifths, signature.Element("mode")?.Value.Trim() == "minor") };
    }

    private Bar TimeOf(XElement metre, Bar bar, MusicXmlMeasure reading)
    {
        if (metre.Element("senza-misura") is not null)
            time = TimeSignature.Free;
        else
        {
            // 2/4 + 3/8 counts in the shorter unit.
            var pairs = metre
                .Elements("beats")
                .Zip(metre.Elements("beat-type"))
                .Select(pair => (Beats: Groups(pair.First.Value), Unit: MusicXmlMarks.Whole(pair.Second)))
                .ToList();
            var unit = pairs.Count > 0 ? pairs.Max(pair => pair.Unit ?? 0) : 0;
            var groups = pairs
                .SelectMany(pair => pair.Beats.Select(beats => pair.Unit is > 0 ? beats * (int)(unit / pair.Unit.Value) : 0))
                .ToList();
            time = TimeSignature.Additive(groups, (int)unit)
                ?? throw new MusicFileException(
                    $"its metre {string.Join('+', metre.Elements("beats").Select(one => one.Value))}/{unit} is unknown."
                );
        }

        if (reading.Notes.Count > 0)
            leftOut.Add("changes of metre inside a bar: from its beginning", Index);
        return bar with { Time = time };
    }

    private static List<int> Groups(string beats) =>
        [.. beats.Split('+').Select(part => (int)Math.Clamp(MusicXmlMarks.Whole(part) ?? 0, 0, 100))];

    private void ReadClef(XElement clef, MusicXmlMeasure reading)
    {
        var staff = (int)Math.Clamp((MusicXmlMarks.Whole(clef.Attribute("number")?.Value) ?? 1) - 1, 0, MostStaves - 1);
        var (found, sounding) = MusicXmlMarks.ClefOf(clef, clefs[staff]);
        if (Index == 0 && reading.Notes.TrueForAll(note => note.Staff != staff))
        {
            (firstClefs[staff], clefs[staff], octaves[staff]) = (found, found, sounding);
            if (staff == 0 && sounding != 0)
                toSounding = new Interval(toSounding.Steps + (7 * sounding), toSounding.Semitones + (12 * sounding));
            // One transposition for all: a lower staff in such a clef is written where it sounds.
            if (staff > 0)
                octaves[staff] = octaves[0];
            return;
        }

        if (found == clefs[staff])
            return;
        clefs[staff] = found;
        waiting.Add(new Direction(reading.At, staff, element => element with { Clef = found }));
    }

    private Bar Barline(XElement item, Bar bar, MusicXmlMeasure reading)
    {
        if (item.Element("fermata") is not null)
            waiting.Add(new Direction(reading.At, 0, element => element with { Marks = element.Marks | Marks.Fermata }, IsEnd: true));
        if (item.Attribute("location")?.Value == "middle" && item.Element("repeat") is not null)
            leftOut.Add("repeats inside a bar", Index);
        return MusicXmlMarks.Barline(item, bar);
    }
}
