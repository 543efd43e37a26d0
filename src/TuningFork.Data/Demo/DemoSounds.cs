using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.Tempo;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>Recordings for the demo, played by a simulated player: a passage at first and of yesterday, and something to play along with.</summary>
internal static class DemoSounds
{
    private const int Rate = 16_000;
    private const int FromBar = 17;
    private const int FirstDays = 16;
    private const int LastBarOfSong = 16;

    /// <summary>Hour of the evening at which they were made, in UTC: on the same day in most places.</summary>
    private const int Hour = 17;

    public static async Task WriteAsync(PracticeDb db, Sounds sounds, DateOnly today)
    {
        var music = ScoreJson.Read(DemoMusic.FerryWaltz());
        var passage = db.Materials.Local.FirstOrDefault(row => row is { Kind: MaterialKind.Passage, FromBar: FromBar });
        if (passage is null)
            return;
        // What is written sounds lower on this instrument.
        var lower = db.Profiles.Local.First().Transposition;
        var notes = Performed
            .Notes(Excerpt.Of(music.Lead, passage.FromBar, passage.ToBar))
            .Select(note => note with { Midi = note.Midi + lower })
            .ToList();
        var first = new SimulatedTake
        {
            Tempo = new Bpm(63),
            JitterMs = 45,
            RushMs = 120,
            Wrong = new HashSet<int> { 9 },
            Stops = new Dictionary<int, double> { [8] = 0.9 },
        };
        var newest = new SimulatedTake { Tempo = new Bpm(88), JitterMs = 16 };
        await TakeAsync(first, today.AddDays(-FirstDays), clean: false, "rushing");
        await TakeAsync(newest, today.AddDays(-1), clean: true, "");
        await SongAsync(db, sounds, music.Lead, lower, today);
        await db.SaveChangesAsync();

        async Task TakeAsync(SimulatedTake take, DateOnly day, bool clean, string change)
        {
            var played = take.Play(notes, begin: 0.8, seed: 5);
            var seconds = played[^1].At + played[^1].Seconds + 0.7;
            var row = Row(RecordingKind.Take, day, "");
            row.MaterialId = passage.Id;
            row.TargetKey = TargetKey.Of(passage.Id);
            row.Tempo = take.Tempo.Value;
            row.Clean = clean;
            row.AsImagined = clean ? null : false;
            row.Change = change;
            await KeepAsync(db, sounds, row, SimulatedInstrument.Render(played, SimulatedSound.Reed, Rate, seconds, seed: 3), seconds);
        }
    }

    /// <summary>The others' part of the waltz: a low string on the first beat, the first note of each bar two octaves lower and its fifth on the others.</summary>
    private static async Task SongAsync(PracticeDb db, Sounds sounds, Score waltz, int lower, DateOnly today)
    {
        var bars = Excerpt.Of(waltz, 1, LastBarOfSong);
        var tempo = new Bpm(96);
        var beat = 60.0 / tempo.Value;
        var played = new List<SoundedNote>();
        foreach (var bar in Performed.Notes(bars).GroupBy(note => note.Bar))
        {
            var low = Hertz(bar.First().Midi + lower - 24);
            played.Add(new SoundedNote(bar.Key * 3 * beat, beat * 0.9, low, 0.8));
            foreach (var later in new[] { 1, 2 })
                played.Add(new SoundedNote(((bar.Key * 3) + later) * beat, beat * 0.5, low * 3, 0.4));
        }

        var seconds = (LastBarOfSong * 3 * beat) + 1;
        var row = Row(RecordingKind.Song, today.AddDays(-9), "Ferry Waltz, the strings");
        (row.Tempo, row.Speed, row.CountIn, row.Rounds, row.PlayedSeconds) = (tempo.Value, 85, 3, 6, 190);
        (row.LoopFrom, row.LoopTo, row.LastPlayed) = (12 * beat, 24 * beat, today.AddDays(-4));
        await KeepAsync(db, sounds, row, SimulatedInstrument.Render(played, SimulatedSound.Plucked, Rate, seconds, seed: 7), seconds);
    }

    private static RecordingRow Row(RecordingKind kind, DateOnly day, string name)
    {
        var at = day.ToDateTime(new TimeOnly(Hour, 12), DateTimeKind.Utc);
        return new RecordingRow
        {
            Key = Guid.NewGuid(),
            Kind = kind,
            Day = day,
            AtUtc = at,
            EndedUtc = at,
            Name = name,
            ContentType = "audio/wav",
        };
    }

    private static async Task KeepAsync(PracticeDb db, Sounds sounds, RecordingRow row, float[] samples, double seconds)
    {
        var file = WaveFile.Write(samples, Rate);
        row.Bytes = await sounds.PutAsync(row.Key, to => to.WriteAsync(file).AsTask());
        row.Seconds = Math.Round(seconds, 2);
        db.Recordings.Add(row);
    }

    private static double Hertz(int midi) => 440 * Math.Pow(2, (midi - 69) / 12.0);
}
