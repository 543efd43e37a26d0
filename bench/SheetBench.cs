using BenchmarkDotNet.Attributes;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;

namespace TuningFork.Bench;

/// <summary>A long sheet, and all 24 keys, each with its engraving text.</summary>
[ShortRunJob]
[MemoryDiagnoser]
public class SheetBench
{
    private static readonly Instrument Piano = Instrument.Known.First(one => one.Name == "Piano");

    [Benchmark]
    public string LongSheet() =>
        Abc(
            new SheetWish
            {
                Tonic = "Db",
                Octaves = 4,
                Order = OctaveOrder.ByOctavesThenJoined,
                Rhythm = "sextuplet",
            }
        );

    [Benchmark]
    public int AllKeys() =>
        Key
            .Majors.Concat(Key.Minors)
            .Where(key => Key.OfPitchClass(key.Tonic.PitchClass, key.IsMinor) == key)
            .Sum(key =>
                Abc(
                    new SheetWish
                    {
                        Kind = key.IsMinor ? "harmonic-minor" : "major",
                        Tonic = key.Tonic.ToString(),
                        Octaves = 4,
                    }
                ).Length
            );

    private static string Abc(SheetWish wish) => AbcWriter.Write(Sheets.Make(wish, Piano).Score);
}
