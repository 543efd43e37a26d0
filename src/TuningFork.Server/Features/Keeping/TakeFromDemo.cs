using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping;

/// <summary>What was taken along from a demo.</summary>
public sealed record TakenView(int Materials, int Notes);

/// <summary>Takes what somebody has entered in a demo along into a book of one's own; what the demo itself holds stays there.</summary>
public static class TakeFromDemo
{
    public static void MapTakeFromDemo(this WebApplication app) =>
        app.MapPost("/api/own/from-demo", async (Ledger ledger, Turns turns, HttpContext context, CancellationToken cancel) =>
            {
                var book = ledger.Of(context);
                if (book == Book.Own)
                    throw new FieldException(
                        Ledger.Header,
                        "This is your own book already. Send the demo's name to take along what was entered there."
                    );
                using var turn = await turns.TakeAsync(Book.Own, cancel);
                await ledger.PrepareAsync(Book.Own, cancel);
                await using var demo = new PracticeDb(PracticeFile.Options(ledger.PathOf(book)));
                await using var own = new PracticeDb(PracticeFile.Options(ledger.PathOf(Book.Own)));
                return await CopyAsync(demo, own, $"from-{book}", cancel);
            })
            .WithTags("Backups")
            .WithMetadata(new OwnTurn())
            .WithName("TakeFromDemo");

    /// <summary>How many things to practise and notes were entered in a demo.</summary>
    public static async Task<TakenView> EnteredAsync(PracticeDb demo, CancellationToken cancel)
    {
        var (material, entry) = await MadeAsync(demo, cancel);
        return new TakenView(
            await demo.Materials.CountAsync(row => row.Id > material, cancel),
            await demo.Entries.CountAsync(row => row.Id > entry, cancel)
        );
    }

    private static async Task<TakenView> CopyAsync(PracticeDb demo, PracticeDb own, string name, CancellationToken cancel)
    {
        var (material, entry) = await MadeAsync(demo, cancel);
        var day = await demo.Facts.Where(fact => fact.Name == DemoFile.MadeOn).Select(fact => fact.Value).FirstAsync(cancel);
        // Taken along twice on one day, only what is new comes.
        var fact = await own.Facts.FindAsync([name], cancel) ?? own.Facts.Add(new FactRow { Name = name }).Entity;
        if (fact.Value.Split(' ') is [var takenOn, var lastMaterial, var lastEntry] && takenOn == day)
            (material, entry) = (Math.Max(material, Number(lastMaterial)), Math.Max(entry, Number(lastEntry)));
        var rows = await demo
            .Materials.AsNoTracking()
            .Where(row => row.Id > material)
            .OrderBy(row => row.PieceId != null)
            .ThenBy(row => row.Id)
            .ToListAsync(cancel);
        var copies = new Dictionary<int, MaterialRow>();
        foreach (var row in rows.Where(row => row.PieceId is not { } piece || rows.Exists(other => other.Id == piece)))
            copies[row.Id] = Fresh(own, row, row.PieceId is { } piece ? copies[piece] : null);
        var ids = copies.Keys.ToList();
        foreach (var music in await demo.Music.AsNoTracking().Where(row => ids.Contains(row.MaterialId)).ToListAsync(cancel))
            own.Music.Add(
                new MusicRow
                {
                    Material = copies[music.MaterialId],
                    Score = music.Score,
                    LeftOut = music.LeftOut,
                }
            );
        foreach (var page in await demo.Pages.AsNoTracking().Where(row => ids.Contains(row.MaterialId)).ToListAsync(cancel))
            own.Pages.Add(
                new PageRow
                {
                    Material = copies[page.MaterialId],
                    Name = page.Name,
                    ContentType = page.ContentType,
                    Bytes = page.Bytes,
                }
            );
        foreach (var rating in await demo.Ratings.AsNoTracking().Where(row => ids.Contains(row.MaterialId)).ToListAsync(cancel))
            own.Ratings.Add(
                new RatingRow
                {
                    Material = copies[rating.MaterialId],
                    Day = rating.Day,
                    Readiness = rating.Readiness,
                }
            );
        var notes = await demo.Entries.AsNoTracking().Where(row => row.Id > entry).OrderBy(row => row.Id).ToListAsync(cancel);
        await own.SaveChangesAsync(cancel);
        own.Entries.AddRange(
            notes.Select(note => new EntryRow
            {
                Key = Guid.NewGuid(),
                AtUtc = note.AtUtc,
                Day = note.Day,
                Kind = note.Kind,
                About = note.About,
                Text = note.Text,
                MaterialId = note.MaterialId is { } id && copies.TryGetValue(id, out var copy) ? copy.Id : null,
            })
        );
        fact.Value =
            $"{day} {await demo.Materials.MaxAsync(row => row.Id, cancel)} {await demo.Entries.MaxAsync(row => (int?)row.Id, cancel) ?? 0}";
        await own.SaveChangesAsync(cancel);
        return new TakenView(copies.Count, notes.Count);
    }

    /// <summary>The same thing to practise, without what happened with it in the demo.</summary>
    private static MaterialRow Fresh(PracticeDb own, MaterialRow row, MaterialRow? piece)
    {
        var copy = new MaterialRow();
        own.Entry(copy).CurrentValues.SetValues(row);
        (copy.Id, copy.PieceId, copy.Piece) = (0, null, piece);
        (copy.LastVisit, copy.Visits, copy.Stability, copy.MemoryDifficulty, copy.LastClean) = (null, 0, null, null, null);
        (copy.Best, copy.ReachLog, copy.ReachSpread, copy.Confirmed, copy.RatingAsked) = (null, null, null, null, null);
        (copy.Slipped, copy.Stuck, copy.AskedFor, copy.Place, copy.PutBack, copy.Version) = (false, false, null, 0, 0, 0);
        own.Materials.Add(copy);
        return copy;
    }

    private static async Task<(int Material, int Entry)> MadeAsync(PracticeDb demo, CancellationToken cancel)
    {
        var made = await demo.Facts.Where(fact => fact.Name == DemoFile.MadeUpTo).Select(fact => fact.Value).FirstOrDefaultAsync(cancel);
        return made?.Split(' ') is [var material, var entry] ? (Number(material), Number(entry)) : (int.MaxValue, int.MaxValue);
    }

    private static int Number(string text) => int.Parse(text, CultureInfo.InvariantCulture);
}
