using System.Diagnostics;
using System.Text;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;

namespace TuningFork.Bench;

/// <summary>
/// Ten thousand bars, the most that are taken, as MusicXML, ABC and MIDI: opened, compared with what would be kept, and written as it is
/// kept, as an import does.
/// </summary>
internal static class ImportBench
{
    private const int Bars = 10_000;

    public static void Run()
    {
        var clarinet = Instrument.Known.First(one => one.Name == "B-flat clarinet");
        var scale = Sheets
            .Make(
                new SheetWish
                {
                    Tonic = "F",
                    Octaves = 2,
                    Rhythm = "quarter",
                },
                clarinet
            )
            .Score;
        var score = scale with { Bars = [.. Enumerable.Range(0, Bars).Select(i => scale.Bars[i % (scale.Bars.Count - 1)])] };
        Measure("MusicXML", Encoding.UTF8.GetBytes(MusicXmlWriter.Write(score)), clarinet);
        Measure("ABC", Encoding.UTF8.GetBytes(AbcWriter.Write(score)), clarinet);
        Measure("MIDI", MidiWriter.Write(score), clarinet);
    }

    private static void Measure(string format, byte[] file, Instrument instrument)
    {
        var times = new List<double>();
        long most = 0;
        for (var i = 0; i < 5; i++)
        {
            GC.Collect();
            var clock = Stopwatch.StartNew();
            var music = MusicFiles.Open(file, new MusicWanted(), instrument).Music;
            var kept = ScoreJson.Write(music);
            _ = Performed.Notes(ScoreJson.Read(kept).Voices).SequenceEqual(Performed.Notes(music.Voices));
            times.Add(clock.Elapsed.TotalMilliseconds);
            most = Math.Max(most, GC.GetTotalMemory(forceFullCollection: false));
        }

        times.Sort();
        using var process = Process.GetCurrentProcess();
        Console.WriteLine(
            $"import of {Bars} bars ({file.Length / 1024} kB of {format}): median {times[2]:0} ms, slowest {times[^1]:0} ms (goal: under 3 s); {most / 1_000_000} MB held, {process.PeakWorkingSet64 / 1_000_000} MB of the process at most (goal: under 300 MB)"
        );
    }
}
