using System.Diagnostics;
using System.Text;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;

namespace TuningFork.Bench;

/// <summary>A thousand bars as MusicXML and as MIDI read, checked and written as ABC, as an import does.</summary>
internal static class ImportBench
{
    private const int Bars = 1000;

    public static void Run()
    {
        var scale = Sheets
            .Make(
                new SheetWish
                {
                    Tonic = "F",
                    Octaves = 2,
                    Rhythm = "sixteenth",
                },
                Instrument.Known.First(one => one.Name == "B-flat clarinet")
            )
            .Score;
        var score = scale with { Bars = [.. Enumerable.Range(0, Bars).Select(i => scale.Bars[0])] };
        Measure("MusicXML", Encoding.UTF8.GetBytes(MusicXmlWriter.Write(score)), file => MusicXmlReader.Read(file).Score);
        Measure("MIDI", MidiWriter.Write(score), file =>
            MidiReader.Read(file, Instrument.Known.First(one => one.Name == "B-flat clarinet")).Score
        );
    }

    private static void Measure(string format, byte[] file, Func<byte[], Score> read)
    {
        var times = new List<double>();
        for (var i = 0; i < 7; i++)
        {
            var clock = Stopwatch.StartNew();
            AbcReader.Read(AbcWriter.Write(read(file)));
            times.Add(clock.Elapsed.TotalMilliseconds);
        }

        times.Sort();
        Console.WriteLine(
            $"import of {Bars} bars ({file.Length / 1024} kB of {format}, {Bars * 16} notes): median {times[3]:0} ms, slowest {times[^1]:0} ms (goal: under 1 s)"
        );
    }
}
