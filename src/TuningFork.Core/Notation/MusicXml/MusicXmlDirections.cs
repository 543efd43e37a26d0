using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Notation;

/// <summary>What stands above and below the staves: loudness, hairpins, words, tempo, and the way through the music.</summary>
internal sealed partial class MusicXmlDirections
{
    private const int LongestWords = 60;

    private bool isGrowing;

    /// <summary>The first tempo that was named; null where none was.</summary>
    public Bpm? Tempo { get; private set; }

    /// <summary>What it counts.</summary>
    public Fraction TempoBeat { get; private set; } = new(1, 4);

    /// <summary>Reads a direction element.</summary>
    /// <param name="item">The element.</param>
    /// <param name="bar">The bar as far as it is known.</param>
    /// <param name="at">The place at which it stands.</param>
    /// <param name="waiting">Signs that wait for their notes; added to.</param>
    /// <param name="leftOut">Told of what is not taken over.</param>
    public Bar Read(XElement item, Bar bar, Fraction at, List<Direction> waiting, Action<string> leftOut)
    {
        var staff = (int)Math.Clamp((MusicXmlMarks.Whole(item.Element("staff")) ?? 1) - 1, 0, MusicXmlPart.MostStaves - 1);
        var sound = item.Element("sound");
        foreach (var sign in item.Elements("direction-type").Elements())
        {
            switch (sign.Name.LocalName)
            {
                case "dynamics":
                    if (MusicXmlMarks.Dynamic(sign, leftOut) is { Length: > 0 } dynamic)
                        waiting.Add(new Direction(at, staff, element => element with { Dynamic = dynamic }));
                    break;
                case "wedge":
                    Wedge(sign, at, staff, waiting);
                    break;
                case "words" or "rehearsal":
                    bar = Words(sign, bar, sound, at, staff, waiting);
                    break;
                case "metronome":
                    Metronome(sign, leftOut);
                    break;
                case "segno":
                    bar = bar with { Way = bar.Way | Way.Segno };
                    break;
                case "coda":
                    // The same sign stands where one leaves and where one arrives; what leaves says so.
                    bar = sound?.Attribute("tocoda") is null ? bar with { Way = bar.Way | Way.Coda } : bar;
                    break;
                default:
                    leftOut(NameOf(sign.Name.LocalName));
                    break;
            }
        }

        return sound is null ? bar : Sound(sound, bar, leftOut);
    }

    /// <summary>Reads a sound element: tempo, and the way through the music.</summary>
    public Bar Sound(XElement sound, Bar bar, Action<string> leftOut)
    {
        if (
            double.TryParse(sound.Attribute("tempo")?.Value, CultureInfo.InvariantCulture, out var beats)
            && beats is >= Bpm.Slowest and <= Bpm.Fastest
        )
        {
            var near = Bpm.Near(beats);
            if (Tempo is null)
                Tempo = near;
            else if (TempoBeat == new Fraction(1, 4) && near != Tempo)
                leftOut("changes of tempo");
        }

        var way =
            (Has("dacapo") ? Way.DaCapo : Way.None)
            | (Has("dalsegno") ? Way.DalSegno : Way.None)
            | (Has("fine") ? Way.Fine : Way.None)
            | (Has("tocoda") ? Way.ToCoda : Way.None)
            | (Has("segno") ? Way.Segno : Way.None)
            | (Has("coda") ? Way.Coda : Way.None);
        return bar with { Way = bar.Way | way };

        bool Has(string name) => sound.Attribute(name) is { Value: not "no" };
    }

    /// <summary>Sets each sign that waits to the note at which it stands, on the first line of its staff.</summary>
    public static void Stand(List<Direction> waiting, List<Line> lines)
    {
        foreach (var direction in waiting.ToList())
        {
            var line = lines.Find(one => one.Staff == direction.Staff && one.Number == 0)
                ?? lines.Find(one => one.Staff == direction.Staff);
            if (line is null)
                continue;
            var (at, found) = (Fraction.Zero, -1);
            for (var i = 0; i < line.Elements.Count; i++)
            {
                if (direction.IsEnd ? at < direction.At || i == 0 : at >= direction.At && found < 0)
                    found = i;
                at += line.Elements[i].Length;
            }

            // At the end of the bar: it belongs to the next one.
            if (found < 0)
            {
                waiting[waiting.IndexOf(direction)] = direction with { At = Fraction.Zero };
                continue;
            }

            line.Elements[found] = direction.Set(line.Elements[found]);
            waiting.Remove(direction);
        }
    }

    private void Wedge(XElement sign, Fraction at, int staff, List<Direction> waiting)
    {
        var kind = sign.Attribute("type")?.Value;
        if (kind is "crescendo" or "diminuendo")
        {
            isGrowing = kind == "crescendo";
            var begins = isGrowing ? Hairpin.GrowsFrom : Hairpin.FallsFrom;
            waiting.Add(new Direction(at, staff, element => element with { Hairpin = element.Hairpin | begins }));
        }
        else if (kind == "stop")
        {
            var ends = isGrowing ? Hairpin.GrowsTo : Hairpin.FallsTo;
            waiting.Add(new Direction(at, staff, element => element with { Hairpin = element.Hairpin | ends }, IsEnd: true));
        }
    }

    private static Bar Words(XElement sign, Bar bar, XElement? sound, Fraction at, int staff, List<Direction> waiting)
    {
        var words = Spaces().Replace(sign.Value, " ").Trim();
        if (words.Length == 0)
            return bar;
        if (sound is null && WayOf(words) is var way && way != Way.None)
            return bar with { Way = bar.Way | way };
        if (sound is not null && WayOf(words) != Way.None)
            return bar;
        var shown = words[..Math.Min(words.Length, LongestWords)];
        waiting.Add(
            new Direction(at, staff, element => element with { Words = element.Words.Length > 0 ? $"{element.Words} {shown}" : shown })
        );
        return bar;
    }

    /// <summary>The way that words tell, where the file does not say it otherwise.</summary>
    private static Way WayOf(string words) =>
        DaCapo().IsMatch(words) ? Way.DaCapo
        : DalSegno().IsMatch(words) ? Way.DalSegno
        : words.Equals("fine", StringComparison.OrdinalIgnoreCase) ? Way.Fine
        : ToCoda().IsMatch(words) ? Way.ToCoda
        : words.Equals("coda", StringComparison.OrdinalIgnoreCase) ? Way.Coda
        : Way.None;

    private void Metronome(XElement sign, Action<string> leftOut)
    {
        var beat = Values.Named(sign.Element("beat-unit")?.Value.Trim() ?? "", sign.Elements("beat-unit-dot").Count());
        if (
            beat is not { } unit
            || !double.TryParse(Number().Match(sign.Element("per-minute")?.Value ?? "").Value, CultureInfo.InvariantCulture, out var beats)
            || beats is < Bpm.Slowest or > Bpm.Fastest
        )
        {
            leftOut("metronome marks that are no number");
            return;
        }

        if (Tempo is null)
            (Tempo, TempoBeat) = (Bpm.Near(beats), unit);
        else if (Bpm.Near(beats) != Tempo || unit != TempoBeat)
            leftOut("changes of tempo");
    }

    private static string NameOf(string sign) =>
        sign switch
        {
            "octave-shift" => "lines of an octave: notes stand where they sound",
            "pedal" => "pedal signs",
            "dashes" or "bracket" => "lines above the staff",
            "harp-pedals" => "harp pedals",
            "damp" or "damp-all" or "string-mute" => "mutes",
            "scordatura" => "other tunings of strings",
            "accordion-registration" => "registers",
            "eyeglasses" => "drawings",
            _ => "signs above the staff",
        };

    [GeneratedRegex(@"\s+", RegexOptions.None, 1000)]
    private static partial Regex Spaces();

    [GeneratedRegex(@"^(d\.? ?c\.?( |$)|da capo)", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex DaCapo();

    [GeneratedRegex(@"^(d\.? ?s\.?( |$)|dal segno)", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex DalSegno();

    [GeneratedRegex("^to coda", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex ToCoda();

    [GeneratedRegex(@"\d+(\.\d+)?", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Number();
}
