using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Tests.Listening;

/// <summary>A line that a simulated player plays, and what is heard of it.</summary>
internal static class Line
{
    public const int Rate = 44_100;

    /// <summary>Four bars of eighths, quarters and halves, invented, at sounding pitch of a flute.</summary>
    public static Music Music { get; } = Read("L:1/8\nM:4/4\nK:C\nG2 AB c2 d2|e2 dc B2 A2|GABc d2 B2|c2 e2 d2 GA|B2 c2 AB c2|d4 c4|");

    public static IReadOnlyList<WrittenMoment> Written { get; } = WrittenMoment.Of(Music);

    public static Music Read(string abc) => new([AbcReader.Read($"X:1\nT:\n{abc}\n").Score]);

    public static ListenWish Wish(int bpm, bool isPitched = true, VerdictRules? rules = null) =>
        new(Written, 240.0 / bpm, 0.25, 440, isPitched, new Estimate(0, 0), rules ?? new VerdictRules());

    /// <summary>The take as sound, its first beat at one second.</summary>
    public static float[] Sound(SimulatedTake take, SimulatedSound sound, int seed)
    {
        var notes = take.Play(Performed.Notes(Music.Lead), 1, seed);
        return SimulatedInstrument.Render(notes, sound, Rate, notes[^1].At + notes[^1].Seconds + 0.5, seed);
    }

    public static HeardTake? Listen(float[] sound, ListenWish wish, double? click = 1)
    {
        var listener = new TakeListener(Rate, wish);
        listener.Click(click);
        HeardTake? heard = null;
        for (var at = 0; at < sound.Length; at += 1024)
            heard = listener.Add(sound.AsSpan(at, Math.Min(1024, sound.Length - at))) ?? heard;
        return heard ?? listener.End();
    }

    /// <summary>A take of a reed, as it was heard.</summary>
    public static HeardTake Heard(SimulatedTake take, int bpm, VerdictRules? rules = null) =>
        Listen(Sound(take, SimulatedSound.Reed, 7), Wish(bpm, rules: rules))!;

    /// <summary>Adds a click as the page makes it: a decaying tone.</summary>
    public static void AddClick(float[] samples, int rate, double at, double hertz, double level)
    {
        for (var i = (int)Math.Ceiling(at * rate); i < Math.Min(samples.Length, (at + 0.045) * rate); i++)
        {
            var since = ((double)i / rate) - at;
            samples[i] += (float)(level * Math.Cos(2 * Math.PI * hertz * since) * Math.Exp(-since * 110));
        }
    }

    /// <summary>Hertz of a click: the first of four is higher.</summary>
    public static double ClickHertz(int beat) => beat % 4 == 0 ? 2093 : 1320;

    public static SimulatedTake Take(int bpm) => new() { Tempo = new Bpm(bpm) };
}
