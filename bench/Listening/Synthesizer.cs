using System.Diagnostics;

namespace TuningFork.Bench.Listening;

/// <summary>Notes rendered by fluidsynth with the sound fonts that are there, and what comes of them read again.</summary>
internal static class Synthesizer
{
    /// <summary>Files of the sound fonts.</summary>
    public static IEnumerable<string> Fonts =>
        new[] { "TimGM6mb", "FluidR3_GM" }.Select(name => $"/usr/share/sounds/sf2/{name}.sf2").Where(File.Exists);

    /// <summary>Notes as a wave file.</summary>
    public static string Wave(string folder, string font, BenchInstrument instrument, IReadOnlyList<BenchNote> notes, bool reverb = false)
    {
        var (midi, wave) = (Path.Combine(folder, "take.mid"), Path.Combine(folder, "take.wav"));
        File.WriteAllBytes(midi, BenchTakes.Midi(instrument, notes));
        Run("fluidsynth", "-ni", "-R", reverb ? "1" : "0", "-C", "0", "-g", "0.8", "-r", "44100", "-F", wave, font, midi);
        return wave;
    }

    /// <summary>
    /// When each note begins to sound: a sound font has its own silence and its own attack. It is played by itself, and begins where it reaches
    /// a thirtieth of its greatest amplitude (30 dB below it, about where a soft beginning is heard in a quiet room; from memory).
    /// </summary>
    public static List<double> Begins(string folder, string font, BenchInstrument instrument, IReadOnlyList<BenchNote> notes)
    {
        const double died = 3;
        var at = 1.0;
        var alone = new List<BenchNote>();
        foreach (var note in notes)
        {
            alone.Add(note with { At = at });
            at += note.Seconds + died;
        }

        var (samples, rate) = Read(Wave(folder, font, instrument, alone));
        return [.. notes.Zip(alone, (note, one) => note.At + Silent(one))];

        double Silent(BenchNote one)
        {
            var from = (int)(one.At * rate);
            var sound = samples.AsSpan(from, Math.Min(samples.Length - from, (int)(one.Seconds * rate)));
            var most = 0f;
            foreach (var sample in sound)
                most = Math.Max(most, Math.Abs(sample));
            return sound.IndexOfAnyExceptInRange(-most / 30, most / 30) / (double)rate;
        }
    }

    /// <summary>The mean of the two sides of a wave file.</summary>
    public static (float[] Samples, int Rate) Read(string wave)
    {
        var bytes = File.ReadAllBytes(wave);
        var (rate, sides) = (44_100, 1);
        for (var at = 12; ; )
        {
            var length = BitConverter.ToInt32(bytes, at + 4);
            switch (System.Text.Encoding.ASCII.GetString(bytes, at, 4))
            {
                case "fmt ":
                    (sides, rate) = (BitConverter.ToInt16(bytes, at + 10), BitConverter.ToInt32(bytes, at + 12));
                    break;
                case "data":
                    var samples = new float[length / 2 / sides];
                    for (var i = 0; i < samples.Length; i++)
                    {
                        for (var side = 0; side < sides; side++)
                            samples[i] += BitConverter.ToInt16(bytes, at + 8 + (2 * ((i * sides) + side))) / 32768f / sides;
                    }

                    return (samples, rate);
            }

            at += 8 + length + (length & 1);
        }
    }

    /// <summary>What a program prints.</summary>
    public static string Run(string program, params string[] arguments)
    {
        var start = new ProcessStartInfo(program, arguments)
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        using var process = Process.Start(start)!;
        var problems = process.StandardError.ReadToEndAsync();
        var text = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0 ? text : throw new InvalidOperationException($"{program}: {problems.Result}");
    }
}
