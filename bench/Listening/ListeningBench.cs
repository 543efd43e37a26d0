using System.Diagnostics;
using System.Globalization;
using MathNet.Numerics.Statistics;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;

namespace TuningFork.Bench.Listening;

/// <summary>
/// Notes heard in takes that fluidsynth renders from known notes, beside aubio on the same files: found within 50 ms (F), spread of the error
/// round each take's own mean, mean of its size (and beside the moment when the note by itself begins to sound), pitches right, their distance
/// from a long spectrum of the same note, speed. Clean, with noise 20 dB below, in a room with reverberation, and with the click in the
/// microphone 20 dB below.
/// </summary>
internal static class ListeningBench
{
    private const double Found = 0.05;
    private const int Takes = 6;
    private static readonly string[] Methods = ["hfc", "complex", "specflux"];

    public static void Run()
    {
        var folder = Directory.CreateTempSubdirectory("listening-").FullName;
        try
        {
            PrintMemory();
            foreach (var font in Synthesizer.Fonts)
            {
                Print(folder, font, "clean", reverb: false, (samples, _) => samples);
                Print(folder, font, "noise -20 dB", reverb: false, (samples, _) => Noisy(samples));
                Print(folder, font, "reverberant room", reverb: true, (samples, _) => samples);
                Print(folder, font, "click -20 dB", reverb: false, Clicked);
            }
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    /// <summary>Half an hour without a pause: what the process takes before it and at most.</summary>
    private static void PrintMemory()
    {
        const int rate = 48_000;
        var line = Enumerable.Range(0, 200).Select(i => new SoundedNote(i * 0.3, 0.28, Tuning.Hertz(60 + (i * 7 % 24))));
        var minute = SimulatedInstrument.Render(line, SimulatedSound.Reed, rate, 60, seed: 1);
        using var process = Process.GetCurrentProcess();
        var before = process.WorkingSet64;
        var heap = GC.GetTotalMemory(forceFullCollection: true);
        var (most, listener) = (0L, new NoteListener(rate));
        for (var at = 0L; at < 30 * minute.Length; at += 1024)
        {
            var from = (int)(at % minute.Length);
            listener.Add(minute.AsSpan(from, Math.Min(1024, minute.Length - from)));
            most = Math.Max(most, GC.GetTotalMemory(forceFullCollection: false) - heap);
        }

        process.Refresh();
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"half an hour, {listener.Count} notes: heap {most / 1e6:0} MB more at most; the process {before / 1e6:0} MB before, {process.PeakWorkingSet64 / 1e6:0} at most"
            )
        );
    }

    /// <summary>How well beginnings were found.</summary>
    private sealed class Score
    {
        private int hits;
        private int missed;
        private int extra;
        private readonly List<double> spreads = [];
        private readonly List<double> sizes = [];
        private readonly List<double> besideSound = [];

        public double F => 2.0 * hits / Math.Max(1, (2 * hits) + missed + extra);

        public void Add(List<BenchNote> notes, List<double> sounding, List<double> found)
        {
            var errors = new List<double>();
            var left = found.ToList();
            foreach (var (note, sounds) in notes.Zip(sounding))
            {
                var near = left.Where(other => Math.Abs(other - note.At) <= Found)
                    .OrderBy(other => Math.Abs(other - note.At))
                    .Take(1)
                    .ToList();
                if (near.Count == 0)
                    continue;
                left.Remove(near[0]);
                errors.Add(1000 * (near[0] - note.At));
                besideSound.Add(1000 * Math.Abs(near[0] - sounds));
            }

            hits += errors.Count;
            missed += notes.Count - errors.Count;
            extra += left.Count;
            if (errors.Count == 0)
                return;
            var mean = errors.Average();
            spreads.Add(Math.Sqrt(errors.Average(error => (error - mean) * (error - mean))));
            sizes.AddRange(errors.Select(Math.Abs));
        }

        public override string ToString() =>
            string.Create(
                CultureInfo.InvariantCulture,
                $"F {F:0.000} spread {Mean(spreads), 4:0.0} size {Mean(sizes), 4:0.0} ({Mean(besideSound), 4:0.0})"
            );

        private static double Mean(List<double> some) => some.DefaultIfEmpty().Average();
    }

    /// <summary>Ours and aubio's by each of its methods.</summary>
    private sealed class Scores
    {
        private readonly Score ours = new();
        private readonly Dictionary<string, Score> theirs = Methods.ToDictionary(
            method => method,
            _ => new Score(),
            StringComparer.Ordinal
        );

        public void Add(List<BenchNote> notes, List<double> sounding, List<double> heard, List<List<double>> heardByMethod)
        {
            ours.Add(notes, sounding, heard);
            foreach (var (method, found) in Methods.Zip(heardByMethod))
                theirs[method].Add(notes, sounding, found);
        }

        public string Ours => $"{ours}";

        public string Theirs => $"{theirs.Values.MaxBy(score => score.F)}";
    }

    private static void Print(string folder, string font, string room, bool reverb, Func<float[], int, float[]> change)
    {
        Console.WriteLine(
            $"{Path.GetFileNameWithoutExtension(font)}, {room}: ours | aubio by its best method of {string.Join(", ", Methods)}"
        );
        var all = new Scores();
        foreach (var instrument in BenchInstrument.All)
        {
            var one = new Scores();
            var (right, pitched, seconds, watch) = (0, 0, 0.0, new Stopwatch());
            var off = new List<double>();
            for (var seed = 1; seed <= Takes; seed++)
            {
                var notes = BenchTakes.Make(instrument, seed);
                var sounding = Synthesizer.Begins(folder, font, instrument, notes);
                var wave = Synthesizer.Wave(folder, font, instrument, notes, reverb);
                var (samples, rate) = Synthesizer.Read(wave);
                samples = change(samples, rate);
                File.WriteAllBytes(wave, WaveFile.Write(samples, rate));
                watch.Start();
                var tones = Heard(samples, rate, instrument.IsPitched);
                watch.Stop();
                seconds += samples.Length / (double)rate;
                var begins = tones.Select(tone => tone.At).ToList();
                var byMethod = Methods
                    .Select(method => Numbers(Synthesizer.Run("aubioonset", "-i", wave, "-O", method, "-H", "128")))
                    .ToList();
                one.Add(notes, sounding, begins, byMethod);
                all.Add(notes, sounding, begins, byMethod);
                off.AddRange(tones.Select(tone => LongWindow.Off(samples, rate, tone)).OfType<double>().Select(Math.Abs));
                var pitches = RightPitches(notes, tones);
                (right, pitched) = (right + pitches.Right, pitched + pitches.Of);
            }

            var pitch = instrument.IsPitched
                ? string.Create(CultureInfo.InvariantCulture, $"pitch {100.0 * right / Math.Max(1, pitched):0} %, {off.Median():0.0} cents")
                : "";
            Console.WriteLine($"  {instrument.Name, -10} {one.Ours} {pitch, -21} x{seconds / watch.Elapsed.TotalSeconds:0} | {one.Theirs}");
        }

        Console.WriteLine($"  all        {all.Ours} | {all.Theirs}");
    }

    /// <summary>Of the notes that were found, how many have the pitch that was played, within half a semitone.</summary>
    private static (int Right, int Of) RightPitches(List<BenchNote> notes, IReadOnlyList<HeardTone> tones)
    {
        var pairs = notes
            .Select(note => (note.Midi, Tone: tones.FirstOrDefault(tone => Math.Abs(tone.At - note.At) <= Found)))
            .Where(pair => pair.Tone.Level > 0)
            .ToList();
        return (
            pairs.Count(pair => pair.Tone.Hertz > 0 && Math.Abs(Tuning.Cents(pair.Tone.Hertz, Tuning.Hertz(pair.Midi))) < 50),
            pairs.Count
        );
    }

    private static IReadOnlyList<HeardTone> Heard(float[] samples, int rate, bool isPitched)
    {
        var listener = new NoteListener(rate, isPitched: isPitched);
        for (var at = 0; at < samples.Length; at += 1024)
            listener.Add(samples.AsSpan(at, Math.Min(1024, samples.Length - at)));
        listener.End();
        return listener.Tones;
    }

    private static float[] Noisy(float[] samples)
    {
        float[] noisy = [.. samples];
        SimulatedInstrument.AddNoise(noisy, seed: 1);
        return noisy;
    }

    /// <summary>A short tone every half second, by itself and not with the notes.</summary>
    private static float[] Clicked(float[] samples, int rate)
    {
        var level = 0.1 * samples.Max(Math.Abs);
        return
        [
            .. samples.Select(
                (sample, i) =>
                {
                    var at = (double)i / rate % 0.5;
                    return (float)(sample + (at < 0.03 ? level * Math.Exp(-at / 0.008) * Math.Sin(2 * Math.PI * 1500 * at) : 0));
                }
            ),
        ];
    }

    private static List<double> Numbers(string text) =>
        [.. text.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(line => double.Parse(line, CultureInfo.InvariantCulture))];
}
