using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Ear;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Spare;

/// <summary>Chooses what is next, and keeps what was done.</summary>
public sealed class SpareDesk(PracticeDb db, PlanDesk plans, StageMusic music, PracticeClock clock)
{
    private const int Week = 7;

    /// <summary>Less is within what the estimate is unsure of.</summary>
    private const double LeastGain = 0.03;

    public async Task<SpareView> ViewAsync(bool away, IReadOnlyList<string> skip, CancellationToken cancel)
    {
        var facts = await plans.FactsAsync(cancel);
        var profile = facts.Profile;
        var done = await db
            .Spares.AsNoTracking()
            .Where(row => row.Day > facts.Day.AddDays(-Week) && row.Day <= facts.Day)
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        var today = done.Where(row => row.Day == facts.Day).ToList();
        var (waiting, next) = Waiting(profile, today);
        var spare =
            facts.Body.Quiet && !away
                ? null
                : SpareMinutes.Choose(
                    facts.Materials,
                    facts.Day,
                    [.. today.Select(row => row.Thing)],
                    [.. skip],
                    away,
                    EarDesk.ItemsOf(profile).Count > 0
                );
        return new SpareView(
            spare is null ? null : await ThingAsync(spare, facts, cancel),
            waiting,
            next is { } at ? TimeOfDay.Say(at) : "",
            today.Count,
            [.. Enumerable.Range(1 - Week, Week).Select(back => done.Count(row => row.Day == facts.Day.AddDays(back)))],
            await MostAsync(done, facts, cancel),
            profile.SpareADay,
            profile.SpareFrom,
            profile.SpareUntil
        );
    }

    /// <summary>How many wait now.</summary>
    public async Task<int> WaitingAsync(ProfileRow profile, DateOnly day, CancellationToken cancel) =>
        profile.SpareADay == 0
            ? 0
            : Waiting(
                profile,
                await db.Spares.AsNoTracking().Where(row => row.Day == day).OrderBy(row => row.Id).ToListAsync(cancel)
            ).Waiting;

    public async Task<SpareView> DoneAsync(SpareDone done, CancellationToken cancel)
    {
        if (!await db.Spares.AnyAsync(row => row.Key == done.Id, cancel))
        {
            var facts = await plans.FactsAsync(cancel);
            var known = SpareMinutes
                .All(facts.Materials, facts.Day, away: false, hasEar: true)
                .Concat(SpareMinutes.All(facts.Materials, facts.Day, away: true, hasEar: true))
                .FirstOrDefault(one => one.Key == done.Thing)
                ?? throw Problems.Unknown("thing", "spare minute");
            // On the stage the take is marked there: beside an open sitting it is counted, and nothing else.
            var isOpen = await db.Sessions.AnyAsync(session => session.EndedUtc == null, cancel);
            var right = known.Kind == SpareKind.Passage && !isOpen ? done.Right : null;
            db.Spares.Add(
                new SpareRow
                {
                    Key = done.Id,
                    Day = facts.Day,
                    AtUtc = clock.UtcNow,
                    Thing = known.Key,
                    Title = known.Title,
                    MaterialId = known.MaterialId,
                    Right = right,
                    Seconds = known.Seconds,
                }
            );
            if (right is { } came)
                await PlayedAsync(facts.Day, known.MaterialId!.Value, came, known.Tempo, facts.Profile, cancel);
            await db.SaveChangesAsync(cancel);
        }

        return await ViewAsync(false, [], cancel);
    }

    public async Task<SpareView> WishAsync(SpareWish wish, CancellationToken cancel)
    {
        if (wish.ADay is not 0 and (< SpareMinutes.Least or > SpareMinutes.Most))
            throw new FieldException("aDay", $"There are {SpareMinutes.Least} to {SpareMinutes.Most} a day, or none.");
        var (from, until) = (TimeOf("from", wish.From), TimeOf("until", wish.Until));
        if (until < from.AddHours(2) || until <= from)
            throw new FieldException("until", "The waking hours last two hours or more, within one day.");
        var profile = await plans.ProfileAsync(cancel);
        (profile.SpareADay, profile.SpareFrom, profile.SpareUntil) = (wish.ADay, TimeOfDay.Say(from), TimeOfDay.Say(until));
        await db.SaveChangesAsync(cancel);
        return await ViewAsync(false, [], cancel);
    }

    /// <summary>Takes back the last one of today, with what it left behind.</summary>
    public async Task<SpareView> TakeBackAsync(CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var day = clock.Today(profile);
        var row = await db.Spares.Where(row => row.Day == day).OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel)
            ?? throw new FieldException("last", "There is none of today to take back.", StatusCodes.Status409Conflict);
        if (row is { MaterialId: { } id, Right: not null } && row.Thing == TargetKey.Of(id))
        {
            var material = await db.Materials.Include(one => one.Piece).FirstOrDefaultAsync(one => one.Id == id, cancel);
            var visit = await db.Visits.FirstOrDefaultAsync(one => one.MaterialId == id && one.Day == day, cancel);
            if (material is not null && visit is not null && !VisitBooks.EndsInPassing(visit))
                throw new FieldException(
                    "last",
                    "It was played in a sitting since, so this is not taken back. It says little, and is outweighed by what came after.",
                    StatusCodes.Status409Conflict
                );
            if (material is not null && visit is not null && VisitBooks.RemoveLast(material, visit, ProfileBooks.TraitsOf(profile)))
                db.Visits.Remove(visit);
        }

        db.Spares.Remove(row);
        await db.SaveChangesAsync(cancel);
        return await ViewAsync(false, [], cancel);
    }

    /// <summary>A take in passing: evidence of what can be played, and never the test of the day.</summary>
    private async Task PlayedAsync(DateOnly day, int id, bool right, int? tempo, ProfileRow profile, CancellationToken cancel)
    {
        var material = await db.Materials.Include(row => row.Piece).FirstAsync(row => row.Id == id, cancel);
        var visit = await db.Visits.FirstOrDefaultAsync(row => row.MaterialId == id && row.Day == day, cancel);
        var asked = material.AskedFor;
        if (visit is null)
            db.Visits.Add(visit = VisitBooks.Begin(material, day));
        // What was asked for is still to be practised.
        material.AskedFor = asked;
        VisitBooks.AddInPassing(material, visit, right, tempo, ProfileBooks.TraitsOf(profile));
    }

    private async Task<SpareThing> ThingAsync(Core.Planning.Spare spare, DayFacts facts, CancellationToken cancel)
    {
        var material = facts.Materials.FirstOrDefault(one => one.Id == spare.MaterialId);
        var abc = material is null ? "" : await music.BarsAsync(material.Id, cancel);
        return new SpareThing(
            spare.Kind,
            spare.Key,
            spare.MaterialId,
            spare.Title,
            spare.How,
            spare.Why,
            spare.Seconds,
            spare.Tempo,
            material?.Beat.Name ?? "",
            abc,
            material?.Note ?? ""
        );
    }

    /// <summary>What gained most of what was done in passing this week.</summary>
    private async Task<string> MostAsync(List<SpareRow> done, DayFacts facts, CancellationToken cancel)
    {
        var ids = done.Where(row => row.MaterialId is not null)
            .GroupBy(row => row.MaterialId!.Value)
            .Where(group => group.Count() >= 2)
            .Select(group => group.Key)
            .ToList();
        if (ids.Count == 0)
            return "";
        var visits = (
            await db
                .Visits.AsNoTracking()
                .Where(visit =>
                    ids.Contains(visit.MaterialId)
                    && visit.Day > facts.Day.AddDays(-Week)
                    && visit.ReachLog != null
                    && visit.ReachLogBefore != null
                )
                .OrderBy(visit => visit.Day)
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.MaterialId);
        var best = ids.Where(id => visits[id].Any())
            .Select(id => (Id: id, Gain: Math.Exp(visits[id].Last().ReachLog!.Value - visits[id].First().ReachLogBefore!.Value) - 1))
            .OrderByDescending(one => one.Gain)
            .FirstOrDefault();
        return best.Gain >= LeastGain && facts.Materials.FirstOrDefault(one => one.Id == best.Id) is { } material
            ? $"{material.Title} gained {best.Gain:P0} this week, sittings included."
            : "";
    }

    private (int Waiting, TimeOnly? Next) Waiting(ProfileRow profile, List<SpareRow> today) =>
        SpareMinutes.Waiting(
            TimeOf("from", profile.SpareFrom),
            TimeOf("until", profile.SpareUntil),
            profile.SpareADay,
            TimeOnly.FromDateTime(clock.LocalNow.DateTime),
            today.Count,
            today.Count > 0 ? TimeOnly.FromDateTime(clock.Local(today[^1].AtUtc)) : null
        );

    private static TimeOnly TimeOf(string field, string text) =>
        TimeOfDay.Read(text) ?? throw new FieldException(field, $"\"{text}\" is no time of day. Write it like 09:00.");
}
