using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>Takes that were listened to, for the demo: a passage that rushes less and less, and a throat note that is high.</summary>
internal static class DemoHeard
{
    private const int FromBar = 17;

    /// <summary>Written B flat in the throat of the clarinet is high on many of them (common knowledge of its players, from memory).</summary>
    private const double HighCents = 14;

    /// <summary>Hour of the evening, in UTC: on the same day in most places.</summary>
    private const int Hour = 17;

    /// <summary>Days ago, tempo, how much it rushed, how uneven the notes came.</summary>
    private static readonly (int DaysAgo, int Tempo, double RushMs, double JitterMs)[] Takes =
    [
        (19, 66, 150, 24),
        (16, 69, 120, 24),
        (16, 69, 135, 20),
        (12, 74, 90, 20),
        (9, 78, 70, 18),
        (5, 82, 60, 14),
        (5, 82, 30, 14),
        (1, 86, 25, 11),
        (1, 88, 0, 10),
    ];

    public static async Task WriteAsync(PracticeDb db, DateOnly today)
    {
        var profile = db.Profiles.Local.First();
        var passage = db.Materials.Local.FirstOrDefault(row => row is { Kind: MaterialKind.Passage, FromBar: FromBar });
        if (passage is null)
            return;
        var instrument = ProfileBooks.InstrumentOf(profile);
        var bars = Excerpt.Of(ScoreJson.Read(DemoMusic.FerryWaltz()).Lead, passage.FromBar, passage.ToBar) with
        {
            ToSounding = instrument.ToSounding,
        };
        var written = WrittenMoment.Of(new Music([bars]));
        for (var i = 0; i < Takes.Length; i++)
        {
            var (daysAgo, tempo, rush, jitter) = Takes[i];
            var take = new SimulatedTake
            {
                Tempo = new Bpm(tempo),
                RushMs = rush,
                JitterMs = jitter,
                Cents = 3,
                Wrong = i < 3 ? new HashSet<int> { 9 } : [],
            };
            var tones = take.Play(Performed.Notes(bars), begin: 1, seed: i).Select(note => Heard(note, instrument)).ToList();
            var whole = 240.0 / tempo;
            var alignment = Alignment.Of(written, tones, whole, withClick: true, profile.A4, isPitched: true);
            var timing = TakeTiming.Of(written, tones, alignment, whole, 1, new Estimate(0, 8));
            var wish = new ListenWish(written, whole, 0.25, profile.A4, IsPitched: true, new Estimate(0, 8), new VerdictRules());
            var verdict = TakeVerdict.Of(wish, tones, alignment, timing, whole);
            var intonation = Intonation.Of(written, tones, alignment, profile.A4, drone: null);
            var day = today.AddDays(-daysAgo);
            var row = new HeardRow
            {
                Key = Guid.NewGuid(),
                Day = day,
                AtUtc = day.ToDateTime(new TimeOnly(Hour, 20 + i), DateTimeKind.Utc),
                MaterialId = passage.Id,
                TargetKey = TargetKey.Of(passage.Id),
                Title = Bookkeeping.TitleOf(passage, passage.Piece),
                Tempo = tempo,
                Method = Methods.TempoLadder.Id,
                Marked = verdict.Clean,
            };
            HeardFigures.Write(row, new HeardTake(tones, alignment, timing, verdict, intonation, Tempo: null), wish, midi =>
                NoteNaming.OfSounding(midi, instrument, profile.Naming, bars.Key)
            );
            db.Heard.Add(row);
        }

        await db.SaveChangesAsync();
    }

    private static HeardTone Heard(SoundedNote note, Instrument instrument)
    {
        var throat = Tuning.Hertz(Pitch.Parse("Bb4").Midi + instrument.ToSounding.Semitones);
        var high = Math.Abs(Tuning.Cents(note.Hertz, throat)) < 50 ? HighCents : 0;
        return new HeardTone(note.At, note.At + note.Seconds, note.Hertz * Math.Pow(2, high / 1200), 1, 0.5);
    }
}
