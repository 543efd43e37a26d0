using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Ear;

/// <summary>Reads what is known of an ear from the file, and keeps answers.</summary>
public static class EarDesk
{
    /// <summary>What the plan of a day has to know.</summary>
    public static async Task<EarDigest> DigestAsync(PracticeDb db, ProfileRow profile, DateOnly day, CancellationToken cancel)
    {
        var asked = ItemsOf(profile).Select(item => item.Key).ToHashSet(StringComparer.Ordinal);
        var known = await db.EarItems.Select(row => new { row.Item, row.Due }).ToListAsync(cancel);
        var open = known.Where(row => asked.Contains(row.Item)).ToList();
        if (open.Count == 0)
            return EarDigest.None;
        var confused = Confusions.Of(await CountsAsync(db, day, cancel)).Where(pair => asked.Contains(pair.One.Key));
        return new EarDigest(open.Count, open.Count(row => row.Due <= day), confused.FirstOrDefault());
    }

    /// <summary>What a player is asked: all that fits the instrument, but for the families that were left out.</summary>
    public static IReadOnlyList<EarItem> ItemsOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        var leftOut = LeftOut(profile);
        return [.. EarItems.For(ProfileBooks.InstrumentOf(profile).IsPitched).Where(item => !leftOut.Contains(item.Family))];
    }

    /// <summary>The families that were left out.</summary>
    public static IReadOnlySet<EarFamily> LeftOut(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return profile
            .EarLeftOut.Split(',', StringSplitOptions.RemoveEmptyEntries)
            .Where(name => Enum.IsDefined(typeof(EarFamily), name))
            .Select(Enum.Parse<EarFamily>)
            .ToHashSet();
    }

    /// <summary>How often each was answered with each, lately.</summary>
    public static async Task<IReadOnlyList<(string Item, string Said, int Times)>> CountsAsync(
        PracticeDb db,
        DateOnly day,
        CancellationToken cancel
    )
    {
        var from = day.AddDays(-Confusions.Days);
        var counts = await db
            .EarAnswers.Where(row => row.Day >= from && row.Day <= day && row.Said != null)
            .GroupBy(row => new { row.Item, row.Said })
            .Select(group => new
            {
                group.Key.Item,
                group.Key.Said,
                Times = group.Count(),
            })
            .ToListAsync(cancel);
        return counts.ConvertAll(one => (one.Item, one.Said!, one.Times));
    }

    /// <summary>What the next question is chosen from.</summary>
    /// <param name="items">All that may be asked.</param>
    public static async Task<EarRequest> RequestAsync(
        PracticeDb db,
        DateOnly day,
        IReadOnlyList<EarItem> items,
        IReadOnlyList<string> only,
        CancellationToken cancel
    )
    {
        var standings = await db.EarItems.AsNoTracking().ToListAsync(cancel);
        var today = await db.EarAnswers.AsNoTracking().Where(row => row.Day == day).OrderBy(row => row.Id).ToListAsync(cancel);
        var lately = await db.EarAnswers.AsNoTracking().OrderByDescending(row => row.Id).Take(EarRound.Lately).ToListAsync(cancel);
        return new EarRequest(
            items,
            standings.ConvertAll(EarBooks.ToCore).ToDictionary(one => one.Item, StringComparer.Ordinal),
            today.ConvertAll(EarBooks.ToCore),
            Confusions.Of(await CountsAsync(db, day, cancel)),
            day,
            // The same question until it is answered, also in another window.
            (day.DayNumber * 1000) + today.Count
        )
        {
            Only = only,
            RightLately = EarRound.RightLately(lately.AsEnumerable().Reverse().Select(EarBooks.ToCore)),
        };
    }

    /// <summary>Keeps an answer, and what is known after it.</summary>
    public static async Task KeepAsync(PracticeDb db, EarAnswerRow row, int alternatives, CancellationToken cancel)
    {
        var answer = EarBooks.ToCore(row);
        var seconds = await db
            .EarAnswers.Where(one => one.Right && one.Seconds != null)
            .OrderByDescending(one => one.Id)
            .Take(EarMemory.UsualFrom)
            .Select(one => one.Seconds!.Value)
            .ToListAsync(cancel);
        var known = await db.EarItems.FindAsync([row.Item], cancel);
        var grade = EarMemory.GradeOf(answer, alternatives, EarMemory.Usual(seconds));
        var now = EarMemory.After(known is null ? null : EarBooks.ToCore(known), answer, grade, row.Day);
        if (known is null)
            db.EarItems.Add(known = new EarItemRow());
        EarBooks.Keep(known, now);
        db.EarAnswers.Add(row);
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Why a question is asked, as far as there is something to say.</summary>
    public static string Words(EarChoice choice, EarRequest request)
    {
        ArgumentNullException.ThrowIfNull(choice);
        ArgumentNullException.ThrowIfNull(request);
        return choice.Why switch
        {
            EarWhy.New => "new",
            EarWhy.Again => "once more",
            EarWhy.Confused => "",
            EarWhy.Due =>
                $"last heard {Core.Practice.Words.Ago(request.Day.DayNumber - request.Standings[choice.Item.Key].LastDay.DayNumber)}",
            _ => "",
        };
    }
}
