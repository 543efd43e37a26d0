using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Reading;

/// <summary>New music at sight over HTTP: composed at the reader's level, its result kept, the level moved.</summary>
public static class ReadingEndpoints
{
    /// <summary>One looks at most so long (common practice).</summary>
    internal const int LookSeconds = 30;
    private const int Shown = 120;
    private const int Tries = 50;

    /// <summary>Readings by which it is decided how far ahead bars are covered.</summary>
    private const int LookBack = 6;

    public static void MapReading(this WebApplication app)
    {
        var group = app.MapGroup("/api/reading").WithTags("Sight reading");
        group
            .MapGet("", async (PracticeDb db, PlanDesk desk, CancellationToken cancel) => await BookAsync(db, desk, cancel))
            .WithName("GetReadings");
        group.MapPost("/new", NewAsync).WithName("MakeNewMusic");
        group.MapPost("/results", KeepAsync).WithName("KeepReading");
        group.MapPut("/source", SourceAsync).WithName("SetReadingSource");
        group.MapPut("/range", RangeAsync).WithName("SetReadingRange");
    }

    private static async Task<ReadingBook> BookAsync(PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var profile = await desk.ProfileAsync(cancel);
        var count = await db.Readings.CountAsync(cancel);
        var past = await db.Readings.AsNoTracking().OrderByDescending(row => row.Id).Take(Shown).ToListAsync(cancel);
        var rating = RatingOf(past.FirstOrDefault());
        var parts = past.ConvertAll(row => (double)row.Right / row.Bars);
        return new ReadingBook(
            [
                .. Strands(ProfileBooks.InstrumentOf(profile))
                    .Select(strand => new StrandView(
                        strand,
                        Name(strand),
                        Math.Round(Math.Clamp(rating[strand].Level, 1, ReadingLevels.Most), 2),
                        Math.Round(rating[strand].Spread, 2)
                    )),
            ],
            Math.Round(rating.Overall, 2),
            count,
            Words(parts),
            profile.ReadingFrom,
            Cover(parts),
            profile.ReadLowest,
            profile.ReadHighest,
            [
                .. past.Select(row => new PastReading(
                    row.Id,
                    row.Day,
                    row.Title,
                    row.Asked,
                    row.Level,
                    row.Bars,
                    row.Right,
                    row.Tempo,
                    Math.Round(RatingOf(row).Overall, 2)
                )),
            ]
        );
    }

    private static async Task<NewMusicView> NewAsync(NewMusicWish wish, PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var profile = await desk.ProfileAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        // With the range it was made for it is the same music when its result comes.
        if (wish is { Lowest: "", Highest: "", Position: null })
            wish = wish with { Lowest = profile.ReadLowest, Highest = profile.ReadHighest };
        var last = await db.Readings.AsNoTracking().OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel);
        var (asked, levels) = RatingOf(last).Next(last?.Asked, instrument.IsPitched);
        // What was read once does not come again, in no other key either.
        for (var tries = 0; ; tries++)
        {
            var seed = new ReadingSeed(Random.Shared.Next(), levels, asked, wish);
            var reading = Compose(seed, instrument);
            if (tries < Tries && await db.Readings.AnyAsync(row => row.Fingerprint == reading.Fingerprint, cancel))
                continue;
            var score = reading.Score;
            var beat = Beat.All.First(one => one.Value == score.TempoBeat);
            var proposed = ReadingTempo.Proposed(score.Tempo!.Value, last?.Kept ?? 1);
            return new NewMusicView(
                seed,
                score.Title,
                AbcWriter.Write([.. reading.Staves.Select(staff => staff with { Title = "", Tempo = null })]),
                SheetEndpoints.Played(reading.Staves),
                reading.BothHands,
                reading is { Second: { } second, BothHands: false } ? SheetEndpoints.Played([second]) : [],
                proposed.Value,
                beat.Name,
                (score.Time.Bar / score.TempoBeat).Value,
                score.Bars.Count,
                KeysFor(reading, instrument),
                LookSeconds,
                ReadingLook.Of(score),
                $"{Name(asked)}, level {levels[asked]}"
            );
        }
    }

    /// <summary>From the lowest to the highest note of what is read, and two more on each side.</summary>
    private static KeysView? KeysFor(Core.SightReading.Reading reading, Instrument instrument)
    {
        const int beyond = 2;
        var notes = reading.Staves.SelectMany(staff => staff.Bars).SelectMany(bar => bar.Elements).SelectMany(one => one.Pitches).ToList();
        var (low, high) = (notes.Min(note => note.Midi) - beyond, notes.Max(note => note.Midi) + beyond);
        return instrument.IsPitched && high - low < KeysView.Most ? KeysView.Of(low, high, instrument) : null;
    }

    private static async Task<ReadingBook> KeepAsync(
        ReadingResult result,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var profile = await desk.ProfileAsync(cancel);
        if (await db.Readings.AnyAsync(row => row.Key == result.Key, cancel))
            return await BookAsync(db, desk, cancel);
        Problems.Tempo("tempo", result.Tempo);
        var reading = Compose(result.Seed, ProfileBooks.InstrumentOf(profile));
        var bars = reading.Score.Bars.Count;
        var wrong = (result.Wrong ?? []).Distinct().ToList();
        if (wrong.Exists(bar => bar < 1 || bar > bars))
            throw new FieldException("wrong", $"This music has the bars 1 to {bars}.");
        var last = await db.Readings.AsNoTracking().OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel);
        var right = bars - wrong.Count;
        db.Readings.Add(
            new ReadingRow
            {
                Key = result.Key,
                Day = clock.Today(profile),
                AtUtc = clock.UtcNow,
                Title = reading.Score.Title,
                Fingerprint = reading.Fingerprint,
                WishJson = JsonSerializer.Serialize(result.Seed, Bookkeeping.Json),
                Asked = result.Tapped ? Strand.Rhythm : reading.Asked,
                Level = reading.Levels[result.Tapped ? Strand.Rhythm : reading.Asked],
                Bars = bars,
                Right = right,
                Tempo = result.Tempo,
                Kept = ReadingTempo.Kept(last?.Kept ?? 1, (double)result.Tempo / reading.Score.Tempo!.Value.Value, (double)right / bars),
                RatingJson = JsonSerializer.Serialize(
                    RatingOf(last).After(Asks(reading.Levels, result.Tapped), bars, right),
                    Bookkeeping.Json
                ),
            }
        );
        await db.SaveChangesAsync(cancel);
        return await BookAsync(db, desk, cancel);
    }

    private static async Task SourceAsync(ReadingSourceWish wish, PracticeDb db, CancellationToken cancel)
    {
        if (!Enum.IsDefined(wish.Source))
            throw new FieldException("source", "Unseen music comes from books, is new, or both in turn.");
        var profile = await db.Profiles.OrderBy(row => row.Id).FirstAsync(cancel);
        profile.ReadingFrom = wish.Source;
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>The music of a seed, composed again.</summary>
    internal static Core.SightReading.Reading Compose(ReadingSeed seed, Instrument instrument)
    {
        Key? key = seed.Wish.Key.Length > 0 ? Problems.KeyOf("key", seed.Wish.Key) : null;
        try
        {
            return Composer.Compose(
                new ReadingWish
                {
                    Seed = seed.Seed,
                    Levels = seed.Levels,
                    Asked = seed.Asked,
                    Instrument = instrument,
                    Bars = seed.Wish.Bars,
                    Key = key,
                    Position = seed.Wish.Position,
                    OverTheBreak = seed.Wish.OverTheBreak,
                    ChordSymbols = seed.Wish.ChordSymbols,
                    Lowest = Problems.PitchOrNone("lowest", seed.Wish.Lowest),
                    Highest = Problems.PitchOrNone("highest", seed.Wish.Highest),
                }
            );
        }
        catch (ReadingException problem)
        {
            throw new FieldException(problem.Field, problem.Message);
        }
    }

    private static async Task RangeAsync(ReadingRangeWish wish, PracticeDb db, CancellationToken cancel)
    {
        var profile = await db.Profiles.OrderBy(row => row.Id).FirstAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        if (!instrument.IsPitched)
            throw new FieldException("lowest", $"{instrument.Name} has no range of notes.");
        // What cannot be composed is refused here, and not when it is to be read.
        Compose(
            new ReadingSeed(0, ReadingLevels.All(1), Strand.Range, new NewMusicWish(Lowest: wish.Lowest, Highest: wish.Highest)),
            instrument
        );
        (profile.ReadLowest, profile.ReadHighest) = (wish.Lowest.Trim(), wish.Highest.Trim());
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Tapped, only its rhythm is asked: the rest is as easy as can be.</summary>
    private static ReadingLevels Asks(ReadingLevels levels, bool tapped) =>
        tapped ? ReadingLevels.All(1) with { Rhythm = levels.Rhythm } : levels;

    private static ReadingRating RatingOf(ReadingRow? row) =>
        row is { RatingJson.Length: > 0 } && JsonSerializer.Deserialize<ReadingRating>(row.RatingJson, Bookkeeping.Json) is { } rating
            ? rating
            : ReadingRating.Beginning;

    private static Strand[] Strands(Instrument instrument) => instrument.IsPitched ? Enum.GetValues<Strand>() : [Strand.Rhythm];

    private static string Name(Strand strand) =>
        strand switch
        {
            Strand.Keys => "keys and signs",
            Strand.Rhythm => "metre and rhythm",
            Strand.Range => "range and leaps",
            _ => "marks and chords",
        };

    /// <summary>What two readings running say; the newest first.</summary>
    private static string Words(List<double> parts) =>
        parts is [var last, var before, ..]
            ? last < ReadingRating.TooHard && before < ReadingRating.TooHard
                ? "Two readings under 70 %: the next one is slower and easier."
                : last > ReadingRating.TooEasy && before > ReadingRating.TooEasy
                    ? "Two readings with nearly every bar: the next one is faster and harder."
                    : ""
            : "";

    /// <summary>Bars are covered as they begin to sound when five bars of six come right, one ahead when that lasts.</summary>
    private static int? Cover(List<double> parts)
    {
        var kept = parts.Take(LookBack).Count(part => part >= ReadingRating.Aim - 1e-9);
        return parts.Count < 2 || kept < 2 ? null
            : kept >= LookBack ? 2
            : kept >= 4 ? 1
            : 0;
    }
}
