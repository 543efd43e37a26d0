using CsCheck;
using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Notes against sound whose beginnings and pitches are known because it is computed.</summary>
public sealed class NoteListenerTests
{
    [Theory]
    [InlineData(SimulatedSound.Reed, 4)]
    [InlineData(SimulatedSound.Plucked, 2)]
    [InlineData(SimulatedSound.Struck, 2)]
    public void Every_note_is_heard_where_it_begins_and_nothing_else(SimulatedSound sound, double milliseconds)
    {
        for (var seed = 1; seed <= 3; seed++)
        {
            var take = Line.Take(80) with { JitterMs = 12 };
            var notes = take.Play(Performed.Notes(Line.Music.Lead), 1, seed);
            var tones = Heard(Line.Sound(take, sound, seed));
            tones.Count.ShouldBe(notes.Count, $"seed {seed}");
            var errors = notes.Zip(tones, (note, tone) => 1000 * (tone.At - note.At)).ToList();
            var mean = errors.Average();
            Math.Abs(mean).ShouldBeLessThan(6, "late in the mean");
            Math.Sqrt(errors.Average(error => (error - mean) * (error - mean))).ShouldBeLessThan(milliseconds, "around the mean");
        }
    }

    [Fact]
    public void Pitches_are_those_that_sound_without_being_told_where_the_notes_are()
    {
        var take = Line.Take(80) with { Cents = 7 };
        var notes = take.Play(Performed.Notes(Line.Music.Lead), 1, 4);
        var tones = Heard(Line.Sound(take, SimulatedSound.Reed, 4));
        var off = notes.Zip(tones, (note, tone) => Math.Abs(Tuning.Cents(tone.Hertz, note.Hertz))).Order().ToList();
        off[off.Count / 2].ShouldBeLessThan(0.5);
        off[^1].ShouldBeLessThan(5);
    }

    [Fact]
    public void Silence_and_steady_noise_are_no_notes()
    {
        Heard(new float[Line.Rate * 3]).ShouldBeEmpty();
        var random = new Random(3);
        Heard([.. Enumerable.Range(0, Line.Rate * 3).Select(_ => (float)(0.05 * ((2 * random.NextDouble()) - 1)))])
            .Count.ShouldBeLessThanOrEqualTo(1, "that it begins may be heard");
    }

    [Fact]
    public void However_the_samples_come_the_notes_are_the_same()
    {
        var sound = Line.Sound(Line.Take(100), SimulatedSound.Plucked, 5).AsSpan(0, Line.Rate * 5).ToArray();
        var whole = Heard(sound);
        Gen.Int[64, 9000]
            .Sample(
                length =>
                {
                    var listener = new NoteListener(Line.Rate);
                    for (var at = 0; at < sound.Length; at += length)
                        listener.Add(sound.AsSpan(at, Math.Min(length, sound.Length - at)));
                    listener.End();
                    // What counts as silence is taken from the loudest moment so far: a little may depend on what came before.
                    listener.Tones.Count.ShouldBe(whole.Count);
                    for (var i = 0; i < whole.Count; i++)
                        listener.Tones[i].At.ShouldBe(whole[i].At, 0.003);
                },
                iter: 8
            );
    }

    private static IReadOnlyList<HeardTone> Heard(float[] sound)
    {
        var listener = new NoteListener(Line.Rate);
        for (var at = 0; at < sound.Length; at += 1024)
            listener.Add(sound.AsSpan(at, Math.Min(1024, sound.Length - at)));
        listener.End();
        return listener.Tones;
    }

    [Fact]
    public void Notes_that_are_bound_begin_where_the_pitch_changes()
    {
        int[] midis = [60, 62, 64, 65, 67, 64, 62, 67, 60];
        const double each = 0.4;
        var sound = new float[(int)((1 + (midis.Length * each)) * Line.Rate)];
        var phase = 0.0;
        for (var i = 0; i < midis.Length * each * Line.Rate; i++)
        {
            phase += 2 * Math.PI * Tuning.Hertz(midis[(int)(i / (each * Line.Rate))]) / Line.Rate;
            // As loud as before: nothing begins but the pitch.
            sound[(int)(0.5 * Line.Rate) + i] = (float)(
                0.3 * Math.Min(1, i / (0.03 * Line.Rate)) * (Math.Sin(phase) + (0.3 * Math.Sin(2 * phase)))
            );
        }

        var begins = Heard(sound).Select(tone => tone.At).ToList();
        begins.Count.ShouldBe(midis.Length);
        for (var i = 0; i < midis.Length; i++)
            begins[i].ShouldBe(0.5 + (i * each), 0.03);
    }
}
