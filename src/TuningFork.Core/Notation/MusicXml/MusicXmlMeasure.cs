using System.Globalization;
using System.Xml.Linq;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>The notes of one measure with their places, and the signs that stand at places.</summary>
/// <param name="divisions">Parts of a quarter in which lengths are counted; a measure may change it.</param>
/// <param name="leftOut">Told of each thing that is not taken over.</param>
internal sealed class MusicXmlMeasure(long divisions, Action<string> leftOut)
{
    private readonly Dictionary<(int Staff, string Voice), List<Pitch>> grace = [];
    private Placed? last;

    /// <summary>Where a chord of which the last note is a part begins; notes on another staff begin there too.</summary>
    private Fraction chordAt;

    /// <summary>Notes and rests in the order of the file.</summary>
    public List<Placed> Notes { get; } = [];

    /// <summary>Where the next note begins.</summary>
    public Fraction At { get; private set; }

    /// <summary>The furthest place that was reached.</summary>
    public Fraction End { get; private set; }

    /// <summary>Divisions from here.</summary>
    public long Divisions { get; set; } = divisions;

    /// <summary>Whether the file says how notes are beamed.</summary>
    public bool HasBeams { get; private set; }

    public void Backup(XElement item) => At = At - Length(item) is var back && back < Fraction.Zero ? Fraction.Zero : back;

    public void Forward(XElement item)
    {
        At += Length(item);
        End = At > End ? At : End;
    }

    public void Note(XElement item)
    {
        var staff = (int)Math.Clamp((MusicXmlMarks.Whole(item.Element("staff")) ?? 1) - 1, 0, MusicXmlPart.MostStaves - 1);
        var voice = item.Element("voice")?.Value.Trim() ?? "1";
        if (item.Element("grace") is not null)
        {
            Grace(item, staff, voice);
            return;
        }

        var isChord = item.Element("chord") is not null && last is not null;
        if (item.Element("lyric") is not null)
            leftOut("words under the notes");
        var isHidden = item.Attribute("print-object")?.Value == "no" && item.Element("rest") is null;
        if (isHidden)
            leftOut("notes that the file hides");
        else if (item.Element("cue") is not null)
            leftOut("small notes of other parts");
        else if (isChord)
            InChord(item, staff, voice);
        else
            Alone(item, staff, voice);
        if (isChord)
            return;
        // What is left out leaves its time empty.
        last = item.Element("cue") is null && !isHidden ? last : null;
        chordAt = At;
        At += Length(item);
        End = At > End ? At : End;
    }

    private void Grace(XElement item, int staff, string voice)
    {
        if (PitchOf(item) is not { } pitch)
            return;
        if (!grace.TryGetValue((staff, voice), out var waiting))
            grace[(staff, voice)] = waiting = [];
        if (item.Element("chord") is not null)
            leftOut("chords of grace notes: their upper notes");
        else
            waiting.Add(pitch);
    }

    private void Alone(XElement item, int staff, string voice)
    {
        var notations = item.Elements("notations").ToList();
        IReadOnlyList<Pitch> pitches = PitchOf(item) is { } pitch ? [pitch] : [];
        var isRest = pitches.Count == 0;
        if (grace.Remove((staff, voice), out var before) && isRest)
            leftOut("grace notes before a rest");
        var (written, tuplet) = Lasting(item, notations);
        last = new Placed
        {
            At = At,
            Staff = staff,
            Voice = voice,
            Element = MusicXmlMarks.Signed(
                new Element(pitches, written)
                {
                    Tuplet = tuplet,
                    Tied = !isRest && IsTied(item, notations),
                    Grace = isRest ? [] : before ?? [],
                    Beamed = BeamOf(item, written, isRest),
                    IsHidden = isRest && item.Attribute("print-object")?.Value == "no",
                },
                notations,
                leftOut
            ),
        };
        Notes.Add(last);
    }

    private void InChord(XElement item, int staff, string voice)
    {
        if (PitchOf(item) is not { } pitch)
            return;
        var notations = item.Elements("notations").ToList();
        var tied = IsTied(item, notations);
        var here = Notes.FindLast(one => one.Staff == staff && one.Voice == voice && one.At == chordAt && !one.Element.IsRest);
        if (here is not null)
        {
            here.Add(pitch, tied);
            var signed = MusicXmlMarks.Signed(here.Element, [.. notations.Where(one => one.Element("slur") is null)], leftOut);
            here.Element = signed with { Finger = here.Element.Finger ?? signed.Finger };
            return;
        }

        // A chord over two staves: what stands on the other one is a chord of its own there.
        var (written, tuplet) = Lasting(item, notations);
        Notes.Add(
            new Placed
            {
                At = chordAt,
                Staff = staff,
                Voice = voice,
                Element = new Element([pitch], written) { Tuplet = tuplet, Tied = tied },
            }
        );
    }

    private static bool IsTied(XElement item, List<XElement> notations) =>
        item.Elements("tie").Concat(notations.Elements("tied")).Any(tie => tie.Attribute("type")?.Value == "start");

    /// <summary>The value a note is written with, and its tuplet. What head and dots say holds where it is what the length rounds to.</summary>
    private (Fraction Written, Tuplet? Tuplet) Lasting(XElement item, List<XElement> notations)
    {
        var length = Length(item);
        var ratio = Ratio(item.Element("time-modification"));
        var head = Values.Named(item.Element("type")?.Value.Trim() ?? "", item.Elements("dot").Count());
        var tuplet = ratio is var (actual, normal) ? new Tuplet(actual, normal, Has(notations, "start"), Has(notations, "stop")) : null;
        if (head is { } named)
        {
            var meant = tuplet is null ? named : named * new Fraction(tuplet.Normal, tuplet.Actual);
            if (length == Fraction.Zero || Math.Abs((meant - length).Value) * 4 * Divisions <= 1.5)
                return (named, tuplet);
        }

        if (length <= Fraction.Zero)
            throw new MusicFileException("A note has no length. Export the file again.");
        if (tuplet is not null && Values.TryCut(length * new Fraction(tuplet.Actual, tuplet.Normal)) is not null)
            return (length * new Fraction(tuplet.Actual, tuplet.Normal), tuplet);
        if (Values.TryCut(length) is not null)
            return (length, null);
        if (Tuplets.Rests(length, false) is [var only])
            return (only.Written, only.Tuplet);
        leftOut("lengths that cannot be written: the nearest were taken");
        return (Gaps.Rounded(length), null);
    }

    private static bool Has(List<XElement> notations, string kind) =>
        notations
            .Elements("tuplet")
            .Any(one => one.Attribute("type")?.Value == kind && (MusicXmlMarks.Whole(one.Attribute("number")?.Value) ?? 1) == 1);

    private static (int Actual, int Normal)? Ratio(XElement? change) =>
        MusicXmlMarks.Whole(change?.Element("actual-notes")) is { } actual and >= 1 and <= 64
        && MusicXmlMarks.Whole(change?.Element("normal-notes")) is { } normal and >= 1 and <= 64
        && actual != normal
            ? ((int)actual, (int)normal)
            : null;

    private bool? BeamOf(XElement item, Fraction written, bool isRest)
    {
        var beam = item.Elements("beam").FirstOrDefault(one => (one.Attribute("number")?.Value ?? "1") == "1")?.Value.Trim();
        HasBeams |= beam is not null;
        return written >= new Fraction(1, 4) || (isRest && beam is null) ? null : beam is "begin" or "continue";
    }

    private Pitch? PitchOf(XElement item)
    {
        if (item.Element("unpitched") is { } unpitched)
            return Pitch.TryParse(
                (unpitched.Element("display-step")?.Value.Trim() ?? "B") + (unpitched.Element("display-octave")?.Value.Trim() ?? "4"),
                out var shown
            )
                ? shown
                : Pitch.Of(Step.B, 0, 4);
        if (item.Element("pitch") is not { } pitch)
            return null;
        var alter = double.TryParse(pitch.Element("alter")?.Value ?? "0", CultureInfo.InvariantCulture, out var given) ? given : 0;
        if (alter != Math.Round(alter))
            leftOut("quarter tones");
        if (
            !NoteName.TryParse(pitch.Element("step")?.Value.Trim(), out var name)
            || MusicXmlMarks.Whole(pitch.Element("octave")) is not { } octave
            || octave is < -1 or > 9
            || alter is < -2 or > 2
        )
            throw new MusicFileException("One of its notes cannot be read.");
        var found = Pitch.Of(name.Step, (int)Math.Round(alter), (int)octave);
        return found.Midi is >= 0 and <= 127 ? found : throw new MusicFileException("One of its notes lies beyond what can be heard.");
    }

    private Fraction Length(XElement item)
    {
        var text = item.Element("duration")?.Value.Trim();
        if (text is null)
            return Fraction.Zero;
        if (MusicXmlMarks.Whole(text) is { } duration and >= 0 and <= MusicXmlPart.LongestDuration)
            return new Fraction(duration, Divisions * 4);
        // Some programs write parts of a division.
        return
            double.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var part)
            && part is >= 0 and <= MusicXmlPart.LongestDuration
            ? new Fraction((long)Math.Round(part * 1000), Divisions * 4000)
            : throw new MusicFileException("One of its lengths cannot be read.");
    }
}
