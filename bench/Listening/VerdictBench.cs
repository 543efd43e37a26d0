using System.Globalization;
using TuningFork.Core.Listening;

namespace TuningFork.Bench.Listening;

/// <summary>
/// Verdicts and drift on takes that fluidsynth renders: how many faulty takes are heard as missed, how many that are heard as missed are
/// faulty, how often rushing by 25 to 40 ms is found, and claimed where there is none.
/// </summary>
internal static class VerdictBench
{
    private const int Takes = 6;
    private const int Notes = 28;
    private const double Begin = 1.5;
    private const double JitterSeconds = 0.01;

    private enum Kind
    {
        Steady,
        Rushed,
        WrongNote,
        LeftOut,
        Additional,
        Stopped,

        /// <summary>A note struck twice; of what sounds on it is not told.</summary>
        Repeated,
    }

    public static void Run()
    {
        var folder = Directory.CreateTempSubdirectory("verdicts-").FullName;
        try
        {
            foreach (var font in Synthesizer.Fonts)
            {
                Console.WriteLine($"{Path.GetFileNameWithoutExtension(font)}: heard as missed, of {Takes} of each");
                var all = new Tally();
                foreach (var instrument in BenchInstrument.All)
                {
                    var one = new Tally();
                    foreach (var kind in Enum.GetValues<Kind>())
                    {
                        // A drum has no pitch to be wrong; what sounds on is not struck twice.
                        if ((kind == Kind.WrongNote && !instrument.IsPitched) || (kind == Kind.Repeated && instrument.Sustains))
                            continue;
                        for (var seed = 1; seed <= Takes; seed++)
                        {
                            var take = Take.Make(instrument, kind, seed);
                            var heard = Heard(folder, font, instrument, take);
                            one.Add(kind, heard);
                            all.Add(kind, heard);
                        }
                    }

                    Console.WriteLine($"  {instrument.Name, -10} {one}");
                }

                Console.WriteLine($"  all        {all}");
            }
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private sealed class Tally
    {
        private readonly Dictionary<Kind, (int Missed, int Of)> kinds = [];
        private int found;
        private int claimed;

        public void Add(Kind kind, HeardTake? heard)
        {
            var (missed, of) = kinds.GetValueOrDefault(kind);
            kinds[kind] = (missed + (heard is null or { Verdict.Clean: false } ? 1 : 0), of + 1);
            if (kind == Kind.Rushed && heard?.Timing is { Drifts: true, DriftMs.Value: < 0 })
                found++;
            if (kind == Kind.Steady && heard?.Timing is { Drifts: true })
                claimed++;
        }

        public override string ToString()
        {
            var clean = Sum(Kind.Steady, Kind.Rushed);
            var faulty = Sum(Kind.WrongNote, Kind.LeftOut, Kind.Additional, Kind.Stopped, Kind.Repeated);
            var each = string.Join(", ", kinds.Select(kind => $"{kind.Key} {kind.Value.Missed}"));
            return string.Create(
                CultureInfo.InvariantCulture,
                $"precision {100.0 * faulty.Missed / Math.Max(1, faulty.Missed + clean.Missed):0} %, recall {100.0 * faulty.Missed / Math.Max(1, faulty.Of):0} %; "
                    + $"rushing found in {100.0 * found / Of(Kind.Rushed):0} %, claimed of steady ones in {100.0 * claimed / Of(Kind.Steady):0} % ({each})"
            );
        }

        private int Of(Kind kind) => Math.Max(1, kinds.GetValueOrDefault(kind).Of);

        private (int Missed, int Of) Sum(params Kind[] some) =>
            (some.Sum(kind => kinds.GetValueOrDefault(kind).Missed), some.Sum(kind => kinds.GetValueOrDefault(kind).Of));
    }

    /// <summary>A line that is made up, and one playing of it.</summary>
    private sealed record Take(IReadOnlyList<WrittenMoment> Written, List<BenchNote> Played, double WholeSeconds)
    {
        public static Take Make(BenchInstrument instrument, Kind kind, int seed)
        {
            var random = new Random((seed * 1000) + (instrument.Program * 10) + (int)kind);
            var whole = 240.0 / random.Next(60, 110);
            double[] lengths = [1, 1, 1, 1, 2, 2, 4];
            int[] steps = [1, 2, -1, -2, 3, -3, 4, -5, 7];
            var (at, midi) = (0.0, (instrument.Low + instrument.High) / 2);
            var written = new List<WrittenMoment>();
            var lasting = new List<double>();
            for (var i = 0; i < Notes; i++)
            {
                var next = midi + steps[random.Next(steps.Length)];
                // At the end of the range it turns; the same note twice is not written.
                midi =
                    next >= instrument.Low && next <= instrument.High && instrument.IsPitched
                        ? next
                        : midi + (midi > instrument.Low ? -1 : 1);
                var length = lengths[random.Next(lengths.Length)] / 8;
                written.Add(new WrittenMoment(at, [midi], 1 + (int)at, at % 1));
                lasting.Add(length);
                at += length;
            }

            return new Take(written, Play(written, lasting, kind, whole, at, random), whole);
        }

        private static List<BenchNote> Play(
            List<WrittenMoment> written,
            List<double> lasting,
            Kind kind,
            double whole,
            double end,
            Random random
        )
        {
            // Somewhere inside: the ends are told by what is before and after.
            var place = random.Next(3, written.Count - 4);
            var rush = kind == Kind.Rushed ? 0.025 + (0.015 * random.NextDouble()) : 0;
            var stopped = 0.0;
            var notes = new List<BenchNote>();
            for (var i = 0; i < written.Count; i++)
            {
                if (kind == Kind.Stopped && i == place)
                    stopped = 0.9 * whole / 4;
                if (kind == Kind.LeftOut && i == place)
                    continue;
                var off = JitterSeconds * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
                var at = Begin + (written[i].At * whole) + stopped + off - (rush * written[i].At / end);
                var midi = written[i].Midis[0] + (kind == Kind.WrongNote && i == place ? (random.Next(2) == 0 ? 1 : -2) : 0);
                notes.Add(new BenchNote(at, lasting[i] * whole * 0.92, midi, 70 + random.Next(35)));
            }

            if (kind is Kind.Additional or Kind.Repeated)
            {
                // Between two notes that leave room for it.
                var longest = Enumerable.Range(3, written.Count - 7).MaxBy(i => lasting[i]);
                var at = Begin + ((written[longest].At + (lasting[longest] / 2)) * whole);
                notes.Add(
                    new BenchNote(at, lasting[longest] * whole * 0.4, written[longest].Midis[0] + (kind == Kind.Additional ? 2 : 0), 95)
                );
            }

            notes.Sort((one, other) => one.At.CompareTo(other.At));
            for (var i = 0; i + 1 < notes.Count; i++)
                notes[i] = notes[i] with { Seconds = Math.Max(0.04, Math.Min(notes[i].Seconds, notes[i + 1].At - notes[i].At - 0.01)) };
            return notes;
        }
    }

    private static HeardTake? Heard(string folder, string font, BenchInstrument instrument, Take take)
    {
        var (samples, rate) = Synthesizer.Read(Synthesizer.Wave(folder, font, instrument, take.Played));
        var listener = new TakeListener(
            rate,
            new ListenWish(
                take.Written,
                take.WholeSeconds,
                0.25,
                440,
                instrument.IsPitched,
                new Estimate(0, 5),
                new VerdictRules(),
                instrument.Sustains
            )
        );
        listener.Click(Begin);
        HeardTake? heard = null;
        for (var at = 0; at < samples.Length; at += 1024)
            heard ??= listener.Add(samples.AsSpan(at, Math.Min(1024, samples.Length - at)));
        return heard ?? listener.End();
    }
}
