using CsCheck;
using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Pitch by YIN against tones whose frequency is known because they are computed.</summary>
public sealed class TunerTests
{
    private const int Rate = 48_000;

    [Theory]
    // ISO 16: A4 = 440 Hz; the open strings of a guitar and the lowest of a double bass by equal temperament.
    [InlineData(440.0)]
    [InlineData(82.407)]
    [InlineData(41.203)]
    [InlineData(1975.533)]
    public void A_tone_is_heard_within_half_a_cent(double hertz)
    {
        // A string as short as that has died away before it is looked at.
        foreach (var sound in new[] { SimulatedSound.Reed, SimulatedSound.Plucked }.Take(hertz > 1000 ? 1 : 2))
        {
            var heard = Look(Tone(sound, hertz), 35)!.Value;
            // The string's own loop is tuned by a straight line between samples, which flattens its high notes a little.
            var most = sound == SimulatedSound.Reed ? 0.5 : 3;
            Math.Abs(Tuning.Cents(heard.Hertz, hertz)).ShouldBeLessThan(most, $"{sound} at {hertz}");
            heard.Confidence.ShouldBeGreaterThan(0.8);
        }
    }

    [Fact]
    public void Half_of_all_reed_tones_are_heard_within_a_fifth_of_a_cent_and_none_an_octave_off()
    {
        var random = new Random(1);
        var errors = new List<double>();
        for (var i = 0; i < 60; i++)
        {
            var hertz = 60 * Math.Pow(2, 5 * random.NextDouble());
            errors.Add(Math.Abs(Tuning.Cents(Look(Tone(SimulatedSound.Reed, hertz), 45)!.Value.Hertz, hertz)));
        }

        errors.Order().ElementAt(30).ShouldBeLessThan(0.2);
        errors.Max().ShouldBeLessThan(2);
    }

    [Fact]
    public void Silence_and_noise_have_no_pitch()
    {
        var tracker = new PitchTracker(Rate);
        tracker.Look(new float[tracker.Window]).ShouldBeNull();
        var random = new Random(2);
        var heard = 0;
        for (var i = 0; i < 20; i++)
        {
            var noise = new float[tracker.Window];
            for (var at = 0; at < noise.Length; at++)
                noise[at] = (float)(0.3 * ((2 * random.NextDouble()) - 1));
            if (tracker.Look(noise) is not null)
                heard++;
        }

        heard.ShouldBe(0);
    }

    [Fact]
    public void A_clarinet_reads_the_note_that_it_fingers()
    {
        var clarinet = Instrument.Known.First(one => one.Name == "B-flat clarinet");
        // Written C5 sounds B flat 4, here eight cents high.
        var hertz = Tuning.Hertz(70) * Math.Pow(2, 8 / 1200.0);
        var reading = Readings(new Tuner(clarinet, 440, Rate, onlyItsNotes: false), hertz)[^1]!;
        (reading.Note.Written.ToString(), reading.Note.Words).ShouldBe(("C5", "8 cents sharp"));
        reading.Note.Cents.ShouldBe(8, 0.5);
        TunedNote.Nearest(Tuning.Hertz(70, 442), 442, clarinet.ToSounding)!.Value.Words.ShouldBe("in tune");
    }

    [Fact]
    public void A_slack_string_is_told_from_its_own_note_and_not_from_the_nearest()
    {
        var guitar = Instrument.Known.First(one => one.OpenStrings is { Count: 6 });
        // The A string a tone and a bit too low: by the nearest note it would be a G in tune.
        var hertz = Tuning.Hertz(guitar.OpenStrings![1].Midi + guitar.Transposition) * Math.Pow(2, -190 / 1200.0);
        var reading = Readings(new Tuner(guitar, 440, Rate, onlyItsNotes: true), hertz)[^1]!;
        reading.Note.Written.ShouldBe(guitar.OpenStrings![1]);
        reading.Note.Cents.ShouldBe(-190, 0.6);
        Readings(new Tuner(guitar, 440, Rate, onlyItsNotes: true), 1500).ShouldAllBe(one => one == null, "no string is near");
    }

    [Fact]
    public void However_the_samples_come_the_readings_are_the_same() =>
        Gen.Int[1, 5000]
            .Array[1, 12]
            .Sample(
                blocks =>
                {
                    var tone = Tone(SimulatedSound.Reed, 330);
                    Tuner New() => new(Instrument.Known[0], 440, Rate, onlyItsNotes: false);
                    var whole = New().Add(tone).ToList();
                    var (pieces, tuner, at) = (new List<TunerReading?>(), New(), 0);
                    for (var i = 0; at < tone.Length; i++)
                    {
                        var length = Math.Min(blocks[i % blocks.Length], tone.Length - at);
                        pieces.AddRange(tuner.Add(tone.AsMemory(at, length)));
                        at += length;
                    }

                    pieces.ShouldBe(whole);
                },
                iter: 10
            );

    private static float[] Tone(SimulatedSound sound, double hertz) =>
        SimulatedInstrument.Render([new SoundedNote(0, 0.6, hertz)], sound, Rate, 0.6, seed: 3);

    private static HeardPitch? Look(float[] tone, double lowest)
    {
        var tracker = new PitchTracker(Rate, lowest);
        // After the beginning, while it is held.
        return tracker.Look(tone.AsSpan(0, (int)(0.15 * Rate)));
    }

    private static List<TunerReading?> Readings(Tuner tuner, double hertz) => [.. tuner.Add(Tone(SimulatedSound.Reed, hertz)).Take(7)];
}
