using System.Diagnostics;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Tests.Notation;

/// <summary>What became of one part, tune or track of a file that others made.</summary>
/// <param name="Name">File and part.</param>
/// <param name="Refused">Why it was refused; empty where it was taken.</param>
/// <param name="Differs">Where it first differs from the outside reader; empty where it does not.</param>
/// <param name="LeftOut">What was named as left out.</param>
internal sealed record OutsideResult(string Name, string Refused, string Differs, IReadOnlyList<LeftOut> LeftOut)
{
    /// <summary>The outside reader could not read it either.</summary>
    public bool IsBroken { get; init; }
}

/// <summary>Reads the music files of a folder and compares each note with what an outside reader found (tests/reference/musicfiles.mjs).</summary>
internal static class OutsideFiles
{
    private static readonly Instrument Piano = InstrumentNames.Find("piano")!;
    private static readonly Instrument Drum = InstrumentNames.Find("drum kit")!;

    public static List<OutsideResult> Compare(string folder)
    {
        var results = new List<OutsideResult>();
        foreach (var (file, read) in Outside(folder))
        {
            var bytes = File.ReadAllBytes(Path.Combine(folder, file));
            if (read is not JsonArray parts)
                results.Add(new OutsideResult(file, "", "", []) { IsBroken = true });
            else
                results.AddRange(
                    Path.GetExtension(file) switch
                    {
                        ".mid" => Tracks(file, bytes, parts),
                        ".abc" => Tunes(file, bytes, parts),
                        _ => Parts(file, bytes, parts),
                    }
                );
        }

        return results;
    }

    private static IEnumerable<OutsideResult> Parts(string file, byte[] bytes, JsonArray parts) =>
        parts.Select(
            (part, i) =>
                One($"{file} part {i + 1}", Notes(part!), () => MusicXmlReader.Read(bytes, i), music => Written(music), (0.004, 0.01))
        );

    private static IEnumerable<OutsideResult> Tunes(string file, byte[] bytes, JsonArray tunes) =>
        tunes.Select(
            (tune, i) =>
                One(
                    $"{file} tune {i + 1}",
                    Notes(tune!),
                    () => AbcReader.Read(Encoding.Latin1.GetString(bytes), Clef.Treble, i),
                    Heard,
                    (0.01, 100)
                ) with
                {
                    IsBroken = tune!["said"]!.AsArray().Count > 0,
                }
        );

    private static IEnumerable<OutsideResult> Tracks(string file, byte[] bytes, JsonArray tracks)
    {
        // Grids move a note by less than half of a sixteenth.
        var outside = tracks.Select(track => Notes(track!)).ToList();
        return MidiReader
            .Choices(bytes)
            .Select(
                (choice, i) =>
                    One(
                        $"{file} track {i + 1}",
                        i < outside.Count ? outside[i] : [],
                        () => MidiReader.Read(bytes, choice.IsDrums ? Drum : Piano, i),
                        Heard,
                        (0.033, 100),
                        pitched: !choice.IsDrums
                    )
            );
    }

    private static OutsideResult One(
        string name,
        List<(int Midi, double At, double Length)> expected,
        Func<ReadMusic> read,
        Func<Music, IEnumerable<(int Midi, double At, double Length)>> heard,
        (double At, double Length) tolerance,
        bool pitched = true
    )
    {
        try
        {
            var taken = read();
            var differs = Difference(expected, [.. heard(taken.Music)], tolerance, pitched);
            return new OutsideResult(name, "", differs.Length > 0 ? differs : ComesBack(taken.Music), taken.LeftOut);
        }
        catch (Exception problem) when (problem is MusicFileException or AbcException)
        {
            return expected.Count == 0 ? new OutsideResult(name, "", "", []) : new OutsideResult(name, problem.Message, "", []);
        }
    }

    /// <summary>Kept, and written in each format and read again, it is heard as before; empty where it is.</summary>
    private static string ComesBack(Music music)
    {
        var plain = music.Each(voice => voice with { ToSounding = Interval.Unison });
        var before = InOrder(plain);
        foreach (
            var (format, back) in new (string, Func<Music>)[]
            {
                ("kept", () => ScoreJson.Read(ScoreJson.Write(plain))),
                ("as ABC", () => AbcReader.Read(AbcWriter.Write(plain)).Music),
                ("as MusicXML", () => MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlSchema.Check(MusicXmlWriter.Write(plain)))).Music),
            }
        )
        {
            var after = InOrder(back());
            var same = before.Zip(after).TakeWhile(pair => pair.First with { Bar = 0 } == pair.Second with { Bar = 0 }).Count();
            if (same < before.Count || same < after.Count)
                return $"{format} it comes back otherwise: {before.ElementAtOrDefault(same)} became {after.ElementAtOrDefault(same)}";
        }

        return "";
    }

    /// <summary>What is heard, whichever voice of a staff is named first.</summary>
    private static List<HeardNote> InOrder(Music music) =>
        [.. Performed.Notes(music.Voices).OrderBy(note => note.At).ThenBy(note => note.Midi).ThenBy(note => note.Length)];

    /// <summary>The notes as they are written, without repeats, ties joined.</summary>
    private static IEnumerable<(int Midi, double At, double Length)> Written(Music music)
    {
        var plain = music.Each(voice =>
            voice with
            {
                ToSounding = Interval.Unison,
                Bars = [.. voice.Bars.Select(bar => bar with { RepeatBegins = false, RepeatEnds = false, Ending = [], Way = Way.None })],
            }
        );
        return Performed.Notes(plain.Voices).Select(note => (note.Midi, note.At.Value, note.Length.Value));
    }

    /// <summary>Without signs to go back, which the outside reader of ABC does not follow.</summary>
    private static IEnumerable<(int Midi, double At, double Length)> Heard(Music music) =>
        Performed
            .Notes(music.Each(voice => voice with { Bars = [.. voice.Bars.Select(bar => bar with { Way = Way.None })] }).Voices)
            .Select(note => (note.Midi, note.At.Value, note.Length.Value));

    private static string Difference(
        List<(int Midi, double At, double Length)> expected,
        List<(int Midi, double At, double Length)> found,
        (double At, double Length) tolerance,
        bool pitched
    )
    {
        // Drums share places on the staff: what is compared is when something is struck.
        if (!pitched)
            (expected, found) = (expected.ConvertAll(note => note with { Midi = 0 }), found.ConvertAll(note => note with { Midi = 0 }));
        // Clefs that sound an octave off are written as they look; the file has what they sound.
        var octave =
            expected.Count > 0
            && found.Count > 0
            && (expected.Min(note => note.Midi) - found.Min(note => note.Midi)) is var off
            && off % 12 == 0
            && Math.Abs(off) < 25
                ? off
                : 0;
        // The same note twice at once, on two strings or in two voices, is one.
        var left = Once([.. found.Select(note => (note.Midi + octave, note.At, note.Length))]);
        var missing = new List<string>();
        foreach (var note in Once(expected))
        {
            var at = left.FindIndex(one =>
                one.Midi == note.Midi
                && Math.Abs(one.At - note.At) <= tolerance.At
                && Math.Abs(one.Length - note.Length) <= tolerance.Length
            );
            if (at >= 0)
                left.RemoveAt(at);
            else
                missing.Add($"{note.Midi} at {note.At:0.###} for {note.Length:0.###}");
        }

        return missing.Count == 0 && left.Count == 0
            ? ""
            : $"{missing.Count} of {expected.Count} missing ({string.Join("; ", missing.Take(3))}), {left.Count} too many ({string.Join("; ", left.Take(3).Select(note => $"{note.Midi} at {note.At:0.###} for {note.Length:0.###}"))})";
    }

    private static List<(int Midi, double At, double Length)> Once(List<(int Midi, double At, double Length)> notes) =>
        [
            .. notes
                .GroupBy(note => (note.Midi, Math.Round(note.At * 256)))
                .Select(group => group.MaxBy(note => note.Length))
                .OrderBy(note => note.At)
                .ThenBy(note => note.Midi),
        ];

    private static List<(int Midi, double At, double Length)> Notes(JsonNode part) =>
        [.. part["notes"]!.AsArray().Select(note => ((int)note![0]!, (double)note[1]!, (double)note[2]!))];

    private static Dictionary<string, JsonNode> Outside(string folder) =>
        JsonSerializer.Deserialize<Dictionary<string, JsonNode>>(Read("musicfiles.mjs", folder))!;

    /// <summary>What a script of outside readers prints of a folder.</summary>
    /// <param name="script">A file of tests/reference.</param>
    /// <param name="folder">The folder.</param>
    public static string Read(string script, string folder)
    {
        var start = new ProcessStartInfo("node", [script, folder])
        {
            WorkingDirectory = Path.Combine(Root(), "tests", "reference"),
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        using var node = Process.Start(start)!;
        var said = node.StandardError.ReadToEndAsync();
        var text = node.StandardOutput.ReadToEnd();
        node.WaitForExit();
        return node.ExitCode == 0 ? text : throw new InvalidOperationException(said.Result);
    }

    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "TuningFork.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
