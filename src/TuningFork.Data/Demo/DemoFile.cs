using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>The people of the demos.</summary>
public enum DemoPlayer
{
    /// <summary>B-flat clarinet, a transposing wind instrument.</summary>
    Clarinet,

    /// <summary>Hand drum, without pitch.</summary>
    HandDrum,
}

/// <summary>
/// The demos: somebody made up who teaches himself the B-flat clarinet, with a wind-band concert ahead and some uneven months
/// behind; and somebody who plays the hand drum, without pitch. Dates are relative to the day, so a demo is made anew when
/// its day has passed.
/// </summary>
public static class DemoFile
{
    private const int DaysOfHistory = 130;

    /// <summary>The fact that tells the day of a demo.</summary>
    public const string MadeOn = "demo-day";

    /// <summary>
    /// The fact that tells the last material and the last entry of the demo itself: what comes after them somebody has entered.
    /// </summary>
    public const string MadeUpTo = "demo-made-up-to";

    /// <summary>Makes the demo when there is none, or when it has aged.</summary>
    /// <param name="path">Its file.</param>
    /// <param name="player">Who plays in it.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task PrepareAsync(string path, DemoPlayer player, DateOnly today, CancellationToken cancel = default)
    {
        var day = today.ToString("O", CultureInfo.InvariantCulture);
        if (await IsOfAsync(path, day, cancel))
            return;
        SqliteConnection.ClearAllPools();
        SafeFile.Delete(path);
        Sounds.Of(path).Clear();
        await PracticeFile.PrepareAsync(path, cancel: cancel);
        await using var fresh = new PracticeDb(PracticeFile.Options(path));
        await Seed.RoutinesAsync(fresh, cancel);
        await FillAsync(fresh, player, today, cancel);
        if (player == DemoPlayer.Clarinet)
        {
            await DemoSounds.WriteAsync(fresh, Sounds.Of(path), today);
            await DemoHeard.WriteAsync(fresh, today);
        }

        var (material, entry) = (
            await fresh.Materials.MaxAsync(row => row.Id, cancel),
            await fresh.Entries.MaxAsync(row => row.Id, cancel)
        );
        fresh.Facts.Add(new FactRow { Name = MadeUpTo, Value = string.Create(CultureInfo.InvariantCulture, $"{material} {entry}") });
        fresh.Facts.Add(new FactRow { Name = MadeOn, Value = day });
        await fresh.SaveChangesAsync(cancel);
    }

    /// <summary>Whether there is a whole demo of this day; one that is damaged or of another version is simply made anew.</summary>
    private static async Task<bool> IsOfAsync(string path, string day, CancellationToken cancel)
    {
        if (!PracticeFile.IsThere(path))
            return false;
        try
        {
            await PracticeFile.PrepareAsync(path, cancel: cancel);
            await using var db = new PracticeDb(PracticeFile.Options(path));
            return await db.Facts.AnyAsync(fact => fact.Name == MadeOn && fact.Value == day, cancel);
        }
        catch (TroubleException trouble) when (trouble.Kind is TroubleKind.Damaged or TroubleKind.Newer)
        {
            return false;
        }
    }

    private static async Task FillAsync(PracticeDb db, DemoPlayer player, DateOnly today, CancellationToken cancel)
    {
        var profile = player == DemoPlayer.Clarinet ? DemoMaterial.Profile() : DemoGrooves.Profile();
        db.Profiles.Add(profile);
        var first = today.AddDays(-DaysOfHistory);
        var known = player == DemoPlayer.Clarinet ? DemoMaterial.All(today) : DemoGrooves.All(today);
        db.Materials.AddRange(known.Select(item => item.Row));
        await db.SaveChangesAsync(cancel);

        var routine = await db.Routines.OrderBy(row => row.Id).FirstAsync(cancel);
        foreach (var item in known.Where(item => item.Row.Kind == MaterialKind.Exercise))
            item.Row.ReviewOn = today.AddDays(Core.Planning.Review.Days - item.DaysKnown);
        foreach (var item in known.Where(item => item.Row.Kind == MaterialKind.Passage))
            db.Ratings.Add(
                new RatingRow
                {
                    Material = item.Row,
                    Day = today.AddDays(-item.DaysKnown),
                    Readiness = Readiness.Raw,
                }
            );
        if (player == DemoPlayer.Clarinet)
            db.Music.Add(new MusicRow { Material = known[0].Row, Score = DemoMusic.FerryWaltz() });
        await Seed.WarmUpsAsync(db, cancel);
        var history = new History(profile, routine, seed: 4711, await db.WarmUps.ToListAsync(cancel));
        foreach (var item in known.Where(item => item.Ceiling is not null))
            history.Limit(item.Row.Id, item.Ceiling!.Value);
        for (var day = first; day < today; day = day.AddDays(1))
        {
            var minutes = MinutesOf(day, today);
            if (minutes == 0)
                continue;
            var rows = known.Where(item => day >= today.AddDays(-item.DaysKnown)).Select(item => item.Row).ToList();
            foreach (var row in rows)
                Ripen(db, row, day);
            history.Play(day, minutes, rows);
        }

        foreach (var item in known.Where(item => item.Slips))
            Slip(item.Row, history, today);
        foreach (var item in known.Where(item => item.Row.Kind == MaterialKind.Exercise))
            item.Row.ReviewOn = today.AddDays((28 * ((item.DaysKnown / 28) + 1)) - item.DaysKnown);
        foreach (var item in known)
            item.Row.Stuck = ReachBooks.Plateau(item.Row, history.Visits.Where(visit => visit.MaterialId == item.Row.Id)).IsStuck;
        db.Sessions.AddRange(history.Sessions);
        db.Visits.AddRange(history.Visits);
        db.Keys.AddRange(history.Keys);
        db.Readings.AddRange(DemoReadings.Of(history.Sessions, ProfileBooks.InstrumentOf(profile), today));
        var (items, answers) = DemoEar.Of(history.Sessions, ProfileBooks.InstrumentOf(profile).IsPitched, today);
        db.EarItems.AddRange(items);
        db.EarAnswers.AddRange(answers);
        db.Copies.AddRange(DemoTunes.Copied(today, ProfileBooks.InstrumentOf(profile).IsPitched));
        if (ProfileBooks.InstrumentOf(profile).IsPitched)
            await DemoTunes.AddAsync(db, today);
        await db.SaveChangesAsync(cancel);
        DemoJournal.Write(
            db,
            history.Sessions,
            today,
            [.. known.Select(item => item.Row)],
            player == DemoPlayer.Clarinet ? DemoWords.Clarinet : DemoWords.HandDrum
        );
        DemoSpares.Write(db, today, [.. known.Select(item => item.Row)]);
        if (player == DemoPlayer.Clarinet)
            DemoAims.Write(db, known, today);
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>
    /// Uneven, with a holiday of eleven days in the middle and a day off every now and then; the day before today was played.
    /// </summary>
    private static int MinutesOf(DateOnly day, DateOnly today)
    {
        var back = today.DayNumber - day.DayNumber;
        if (back is >= 48 and <= 58)
            return 0;
        if (back != 1 && (back % 6 == 2 || back % 17 == 5))
            return 0;
        return (back % 5) switch
        {
            0 => 45,
            1 => 30,
            2 => 20,
            3 => 30,
            _ => 25,
        };
    }

    /// <summary>The player rates a passage higher once takes are clean near the target.</summary>
    private static void Ripen(PracticeDb db, MaterialRow row, DateOnly day)
    {
        var target = row.Target ?? row.Piece?.Target;
        if (row.Kind != MaterialKind.Passage || row.Best is not { } clean || target is not { } goal)
            return;
        var readiness =
            clean >= goal * 0.93 ? Readiness.Ready
            : clean >= goal * 0.66 ? Readiness.Shaping
            : Readiness.Raw;
        if (readiness <= row.Readiness)
            return;
        row.Readiness = readiness;
        db.Ratings.Add(
            new RatingRow
            {
                MaterialId = row.Id,
                Day = day,
                Readiness = readiness,
            }
        );
    }

    /// <summary>One passage fell apart when it was last played.</summary>
    private static void Slip(MaterialRow row, History history, DateOnly today)
    {
        var visit = history.Visits.Where(visit => visit.MaterialId == row.Id && visit.Day < today).MaxBy(visit => visit.Day);
        if (visit is null)
            return;
        var count = Math.Max(2, visit.Takes);
        visit.Tries = "";
        for (var i = 0; i < count; i++)
            VisitBooks.Add(row, visit, clean: false, row.LastClean);
        row.Readiness = Readiness.Shaping;
    }
}
