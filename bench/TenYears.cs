using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Rows;

namespace TuningFork.Bench;

/// <summary>Ten years of a made-up player: 3,650 days, about 50,000 takes, 500 passages.</summary>
internal static class TenYears
{
    public const int Days = 3_650;
    private const int Pieces = 50;
    private const int PassagesAPiece = 10;

    /// <param name="days">Days of play; the pieces, answers by ear and readings are spread over them.</param>
    public static async Task WriteAsync(string path, DateOnly today, int days = Days)
    {
        await PracticeFile.PrepareAsync(path);
        await using var db = new PracticeDb(PracticeFile.Options(path));
        await Seed.RoutinesAsync(db);
        var profile = new ProfileRow
        {
            Instrument = "Bench viola",
            Family = TuningFork.Core.Theory.Family.Strings,
            Version = 1,
        };
        var materials = Materials().ToList();
        db.Profiles.Add(profile);
        db.Materials.AddRange(materials);
        await db.SaveChangesAsync();

        var history = new History(profile, await db.Routines.OrderBy(row => row.Id).FirstAsync(), seed: 1);
        for (var back = days; back > 0; back--)
        {
            // A new piece every ten weeks: what is known grows with the years.
            var known = 1 + ((days - back) * Pieces / days);
            var rows = materials
                .Where(row => row.Kind != MaterialKind.Piece && row.Kind != MaterialKind.Passage || PieceNumber(row) < known)
                .ToList();
            history.Play(today.AddDays(-back), back % 3 == 0 ? 45 : 30, rows);
        }

        foreach (var chunk in history.Sessions.Chunk(200))
        {
            db.Sessions.AddRange(chunk);
            await db.SaveChangesAsync();
            foreach (
                var entry in db.ChangeTracker.Entries().Where(entry => entry.Entity is SessionRow or SessionDrillRow or TakeRow).ToList()
            )
                entry.State = EntityState.Detached;
        }

        db.Entries.AddRange(Written(history.Sessions));
        db.Visits.AddRange(history.Visits);
        db.EarAnswers.AddRange(Answers(today, days));
        db.EarItems.AddRange(EarItems.For(isPitched: true).Select(item => Known(item.Key, today)));
        db.Readings.AddRange(Readings(today, days));
        await db.SaveChangesAsync();
    }

    /// <summary>Answers by ear, the last month as dense as the others; each tenth is wrong.</summary>
    private static IEnumerable<EarAnswerRow> Answers(DateOnly today, int days)
    {
        const int answers = 10_000;
        var items = EarItems.For(isPitched: true);
        for (var i = 0; i < answers; i++)
        {
            var item = items[i % items.Count];
            yield return new EarAnswerRow
            {
                Key = Guid.NewGuid(),
                Day = today.AddDays(-(answers - i) * days / answers),
                Item = item.Key,
                Said = (i % 10 == 0 ? items.First(one => one.Family == item.Family && one != item) : item).Key,
                Right = i % 10 > 0,
                Seconds = 3,
            };
        }
    }

    private static EarItemRow Known(string item, DateOnly today) =>
        new()
        {
            Item = item,
            Stability = 20,
            Difficulty = 5,
            LastDay = today.AddDays(-10),
            Due = today.AddDays(item.Length % 9 - 4),
            Asked = 80,
            Right = 72,
        };

    private static IEnumerable<ReadingRow> Readings(DateOnly today, int days)
    {
        const int readings = 3_000;
        var rating = System.Text.Json.JsonSerializer.Serialize(Core.SightReading.ReadingRating.Beginning, Bookkeeping.Json);
        for (var i = 0; i < readings; i++)
            yield return new ReadingRow
            {
                Key = Guid.NewGuid(),
                Day = today.AddDays(-(readings - i) * days / readings),
                Title = $"Reading {i}",
                Fingerprint = $"{i}",
                Level = 5,
                Bars = 8,
                Right = 7,
                Tempo = 80,
                RatingJson = rating,
            };
    }

    public static IReadOnlyList<Material> CoreMaterials(DateOnly today)
    {
        var random = new Random(5);
        return
        [
            .. Enumerable
                .Range(1, Pieces * PassagesAPiece)
                .Select(id => new Material
                {
                    Id = id,
                    Kind = MaterialKind.Passage,
                    Title = $"Piece {id % Pieces}, {id}",
                    Area = Area.Repertoire,
                    Group = 1000 + (id % Pieces),
                    Target = new Core.Tempo.Bpm(90),
                    Readiness = (Readiness)(1 + (id % 3)),
                    LastVisit = today.AddDays(-1 - random.Next(60)),
                    Visits = 1 + random.Next(90),
                    Memory = new Memory(1 + (random.NextDouble() * 60), 5),
                    LastClean = new Core.Tempo.Bpm(60 + random.Next(30)),
                }),
        ];
    }

    private static int PieceNumber(MaterialRow row) =>
        int.Parse((row.Piece ?? row).Title.Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Three entries a day, of words that come again and again.</summary>
    private static IEnumerable<EntryRow> Written(IEnumerable<SessionRow> sessions)
    {
        string[] words =
        [
            "thumb",
            "late",
            "breath",
            "even",
            "slower",
            "bar",
            "shift",
            "sing",
            "left",
            "hand",
            "again",
            "clean",
            "first",
            "quiet",
        ];
        var random = new Random(3);
        foreach (var session in sessions)
            for (var i = 0; i < 3; i++)
                yield return new EntryRow
                {
                    Key = Guid.NewGuid(),
                    AtUtc = session.StartedUtc,
                    Day = session.Day,
                    Kind = EntryKind.Session,
                    SessionId = session.Id,
                    Text = string.Join(' ', Enumerable.Range(0, 12).Select(_ => words[random.Next(words.Length)])),
                };
    }

    private static IEnumerable<MaterialRow> Materials()
    {
        for (var i = 0; i < Pieces; i++)
        {
            var piece = new MaterialRow
            {
                Kind = MaterialKind.Piece,
                Title = $"Piece {i}",
                Area = Area.Repertoire,
                ToBar = 64,
                Target = 100,
                Readiness = Readiness.Shaping,
            };
            yield return piece;
            for (var j = 0; j < PassagesAPiece; j++)
                yield return new MaterialRow
                {
                    Kind = MaterialKind.Passage,
                    Area = Area.Repertoire,
                    Piece = piece,
                    FromBar = 1 + (6 * j),
                    ToBar = 2 + (6 * j),
                    Readiness = Readiness.Shaping,
                };
        }

        for (var i = 0; i < 24; i++)
            yield return new MaterialRow
            {
                Kind = MaterialKind.Exercise,
                Title = $"Exercise {i}",
                Area = Area.Technique,
                Target = 110,
                IsScale = i < 12,
            };
        yield return new MaterialRow
        {
            Kind = MaterialKind.Book,
            Title = "Examples",
            Area = Area.SightReading,
            Examples = 10_000,
        };
    }
}
