using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>How far from the pitch a take is: beside equal temperament, beside pure intervals, and by habit over weeks.</summary>
public sealed class IntonationTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(9)]
    [InlineData(-14)]
    public void Cents_of_a_take_are_heard_as_they_were_played(double cents)
    {
        var heard = Heard(Line.Take(66) with { Cents = cents });
        heard.MeanCents.Value.ShouldBe(cents, 0.5);
        heard.MeanCents.IsCertain.ShouldBe(cents != 0);
        heard.Notes.Count.ShouldBeGreaterThan(20);
        heard.Words(Name)[0].ShouldStartWith(cents == 0 ? "in tune" : $"{Math.Abs(cents)} cents {(cents > 0 ? "sharp" : "flat")}");
        heard.Words(Name)[0].ShouldEndWith("equal temperament)");
    }

    /// <summary>
    /// Above its ground a pure major third is 13.7 cents narrower than the equal one, a fifth 2.0 wider, a minor third 15.6 wider (5/4, 3/2 and
    /// 6/5 in cents: Helmholtz, On the Sensations of Tone, from memory); below the ground as above it.
    /// </summary>
    [Theory]
    [InlineData(64, 13.7)]
    [InlineData(67, -2.0)]
    [InlineData(63, -15.6)]
    [InlineData(52, 13.7)]
    [InlineData(60, 0)]
    public void Equal_notes_are_off_over_a_pure_drone(int midi, double cents)
    {
        var written = Enumerable.Range(0, 6).Select(i => new WrittenMoment(i / 4.0, [midi], 1, i / 4.0)).ToList();
        var tones = written.ConvertAll(moment => new HeardTone(
            moment.At * 2,
            (moment.At * 2) + 0.45,
            440 * Math.Pow(2, (midi - 69) / 12.0),
            1,
            0.5
        ));
        var alignment = Alignment.Of(written, tones, 2, withClick: false, 440, isPitched: true);
        var ground = 440 * Math.Pow(2, (60 - 69) / 12.0);
        var heard = Intonation.Of(written, tones, alignment, 440, ground)!;
        heard.MeanCents.Value.ShouldBe(cents, 0.1);
        heard.Words(Name)[0].ShouldEndWith("pure over the drone)");
    }

    [Fact]
    public void A_note_that_slides_into_its_place_settles_later_than_one_that_does_not()
    {
        var slow = Settled(slideSeconds: 0.25);
        var straight = Settled(slideSeconds: 0);
        straight.ShouldBeLessThan(60);
        slow.ShouldBeInRange(straight + 80, 300);
    }

    [Fact]
    public void A_habit_is_named_where_it_shows_on_several_days_and_not_for_one_bad_evening()
    {
        var first = new DateOnly(2031, 5, 1);
        var random = new Random(6);
        var heard = Enumerable
            .Range(0, 6)
            .SelectMany(day =>
            {
                // How the instrument is tuned on a day moves all notes of it.
                var tuned = 6 * (random.NextDouble() - 0.5);
                return Enumerable
                    .Range(0, 4)
                    .SelectMany(_ => new[] { (first.AddDays(day), 69, 14 + tuned), (first.AddDays(day), 71, tuned) });
            })
            .Concat(Enumerable.Range(0, 30).Select(_ => (first, 74, 30.0)))
            .ToList();
        var habits = PitchHabit.Of(heard);
        habits.Select(habit => habit.Midi).ShouldBe([69, 71]);
        habits[0]
            .ShouldSatisfyAllConditions(
                high => high.IsOff.ShouldBeTrue(),
                high => high.Cents.Value.ShouldBe(14, 3),
                high => high.Days.ShouldBe(6),
                high => high.Notes.ShouldBe(24)
            );
        habits[1].IsOff.ShouldBeFalse();
    }

    private static Intonation Heard(SimulatedTake take) =>
        Line.Listen(Line.Sound(take, SimulatedSound.Reed, 7), Line.Wish(take.Tempo.Value))!.Intonation!;

    /// <summary>Milliseconds until tones that begin 60 cents low have settled.</summary>
    private static double Settled(double slideSeconds)
    {
        const int rate = 44_100;
        var sound = new float[7 * rate];
        for (var note = 0; note < 6; note++)
        {
            var (phase, from) = (0.0, (int)((0.5 + note) * rate));
            for (var i = 0; i < 0.9 * rate; i++)
            {
                var since = (double)i / rate;
                var low = slideSeconds > 0 ? Math.Max(0, 1 - (since / slideSeconds)) * 60 : 0;
                phase += 2 * Math.PI * 440 * Math.Pow(2, -low / 1200) / rate;
                sound[from + i] = (float)(0.5 * Math.Min(1, since / 0.01) * (Math.Sin(phase) + (0.4 * Math.Sin(2 * phase))));
            }
        }

        var listener = new NoteListener(rate);
        listener.Add(sound);
        listener.End();
        var settled = listener.Tones.Select(tone => tone.Settled).OfType<double>().Order().ToList();
        settled.Count.ShouldBeGreaterThanOrEqualTo(5);
        return 1000 * settled[settled.Count / 2];
    }

    private static string Name(int midi) => $"note {midi}";
}
