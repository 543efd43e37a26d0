using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>Loads what the core needs for a day and keeps the plan the player has touched.</summary>
public sealed class PlanDesk(PracticeDb db, PracticeClock clock)
{
    /// <summary>After so long the same thing may come again on the same day (common practice).</summary>
    private static readonly TimeSpan BackAfter = TimeSpan.FromHours(2);

    private const int EarDays = 60;

    public async Task<ProfileRow> ProfileAsync(CancellationToken cancel) =>
        await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel)
        ?? throw new FieldException("profile", "There is no player yet. Begin with the first-visit page.", StatusCodes.Status404NotFound);

    /// <summary>Whether an open session is of an earlier day and was left open.</summary>
    public bool IsOver(SessionRow session, DateOnly today) => OpenSession.IsOver(session.Day, today, clock.UtcNow - session.PulseUtc);

    public async Task<DayFacts> FactsAsync(CancellationToken cancel)
    {
        var profile = await ProfileAsync(cancel);
        var day = clock.Today(profile);
        var rows = await db.Materials.AsNoTracking().ToListAsync(cancel);
        var until = day.AddDays(PracticeDay.MostDaysAhead);
        var lately = await PlayedLately.OfAsync(db, day, cancel);
        var (body, lastBody) = await BodyAsync(day, until, lately.PlayedDays, cancel);
        // Quiet days, days near a performance, and minutes that the plan itself lost owe nothing.
        var dates = rows.Where(row => row.Kind == MaterialKind.Piece && !row.Resting).SelectMany(Bookkeeping.DatesOf).ToList();
        var goals = (
            await db
                .Goals.AsNoTracking()
                .Where(row => row.Reached == null && row.Until >= day)
                .OrderBy(row => row.Until)
                .ThenBy(row => row.Id)
                .ToListAsync(cancel)
        ).ConvertAll(Bookkeeping.ToCore);
        var materials = ToCore(
            rows,
            day,
            await db.Keys.AsNoTracking().ToListAsync(cancel),
            await db
                .Visits.AsNoTracking()
                .Where(visit => visit.Day == day && visit.Takes > 0)
                .ToDictionaryAsync(visit => visit.MaterialId, cancel),
            Bookkeeping.TraitsOf(profile)
        );
        return new DayFacts(
            day,
            profile,
            rows,
            await PlayedToday.WithMinutesAsync(
                db,
                await WithWeekAsync(await RegainingAsync(Goals.Point(materials, goals, day), day, cancel), day, cancel),
                day,
                cancel
            ),
            await db.Routines.AsNoTracking().OrderBy(routine => routine.Id).ToListAsync(cancel),
            lately.History(_ => true),
            lately.History(one => !body.QuietDays.Contains(one) && !NearDate.Holds(one, dates), lost: true),
            await EarAsync(day, until, cancel),
            lately.MinutesByDay,
            body,
            lastBody,
            await db
                .Sessions.Where(session => session.Day == day && session.EndedUtc != null)
                .MaxAsync(session => session.EndedUtc, cancel),
            clock.UtcNow,
            await db.Asks.AsNoTracking().Where(ask => ask.Day <= day).Select(ask => ask.Key).ToListAsync(cancel),
            (await db.WarmUps.AsNoTracking().OrderBy(row => row.Id).ToListAsync(cancel)).ConvertAll(row => Bookkeeping.ToCore(row, day)),
            (await db.Methods.AsNoTracking().Where(row => !row.Resting).OrderBy(row => row.Id).ToListAsync(cancel)).ConvertAll(
                Bookkeeping.ToCore
            )
        );
    }

    /// <summary>Exercises that came back after days away and are not yet as they were.</summary>
    private async Task<IReadOnlyList<Material>> RegainingAsync(IReadOnlyList<Material> materials, DateOnly day, CancellationToken cancel)
    {
        var from = day.AddDays(-Density.LooksBack);
        var visits = (
            await db
                .Visits.AsNoTracking()
                .Where(visit => visit.Day >= from && visit.Day < day && visit.Material!.Kind == MaterialKind.Exercise)
                .OrderBy(visit => visit.Day)
                .Select(visit => new
                {
                    visit.MaterialId,
                    visit.Day,
                    visit.VisitBefore,
                    visit.Clean,
                })
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.MaterialId);
        return
        [
            .. materials.Select(material =>
                Density.IsRegaining([.. visits[material.Id].Select(visit => (visit.Day, visit.VisitBefore, visit.Clean is not null))])
                    ? material with
                    {
                        Regaining = true,
                    }
                    : material
            ),
        ];
    }

    /// <summary>What is to come so often a week knows how often it was there; a book, on how many days a week it is read.</summary>
    public async Task<IReadOnlyList<Material>> WithWeekAsync(IReadOnlyList<Material> materials, DateOnly day, CancellationToken cancel)
    {
        var wished = materials.Where(material => material.WeekTimes > 0).Select(material => material.Id).ToHashSet();
        var ids = materials
            .Where(material => material.Kind == MaterialKind.Book || wished.Contains(material.Id) || wished.Contains(material.Group))
            .Select(material => material.Id)
            .ToList();
        if (ids.Count == 0)
            return materials;
        var (week, month) = (day.AddDays(-6), day.AddDays(-Habits.Days));
        var visits = (
            await db
                .Visits.AsNoTracking()
                .Where(visit => ids.Contains(visit.MaterialId) && visit.Day >= month && visit.Day < day)
                .Select(visit => new { visit.MaterialId, visit.Day })
                .ToListAsync(cancel)
        ).ToLookup(visit => visit.MaterialId, visit => visit.Day);
        var groups = materials
            .Where(material => wished.Contains(material.Group))
            .ToLookup(material => material.Group, material => material.Id);
        return
        [
            .. materials.Select(material =>
                !ids.Contains(material.Id)
                    ? material
                    : material with
                    {
                        WeekVisits = groups[material.Id]
                            .Append(material.Id)
                            .SelectMany(id => visits[id])
                            .Where(one => one >= week)
                            .Distinct()
                            .Count(),
                        VisitsAWeek =
                            visits[material.Id].Any() && day.DayNumber - visits[material.Id].Min().DayNumber is >= 7 and var lived
                                ? visits[material.Id].Count() * 7.0 / lived
                                : null,
                    }
            ),
        ];
    }

    public static IReadOnlyList<Material> ToCore(
        IReadOnlyList<MaterialRow> rows,
        DateOnly day,
        IReadOnlyList<KeyRow>? keys = null,
        IReadOnlyDictionary<int, VisitRow>? visits = null,
        Traits? traits = null
    )
    {
        var pieces = rows.Where(row => row.Kind == MaterialKind.Piece).ToDictionary(row => row.Id);
        var byMaterial = keys?.ToLookup(key => key.MaterialId);
        var withPassages = rows.Where(row => row.PieceId is not null).Select(row => row.PieceId!.Value).ToHashSet();
        return
        [
            .. rows.Select(row =>
                Bookkeeping.ToCore(
                    row,
                    day,
                    row.PieceId is { } id ? pieces.GetValueOrDefault(id) : null,
                    withPassages.Contains(row.Id),
                    row.KeyPlanJson.Length > 0 || row.WorkJson.Length > 0 || row is { Best: null, Visits: >= Halves.VisitsToClean }
                        ? byMaterial?[row.Id]
                        : null,
                    visits?.GetValueOrDefault(row.Id),
                    traits
                )
            ),
        ];
    }

    /// <summary>The latest plan of the day that was touched and not begun yet, tracked; null when there is none.</summary>
    public Task<PlanRow?> StoredAsync(DateOnly day, CancellationToken cancel) =>
        db.Plans.Where(plan => plan.Day == day && !plan.Begun).OrderByDescending(plan => plan.Id).FirstOrDefaultAsync(cancel);

    public static DayPlan Read(PlanRow row) => JsonSerializer.Deserialize<DayPlan>(row.PlanJson, Bookkeeping.Json)!;

    /// <summary>A plan row as it would be without any wish.</summary>
    public async Task<PlanRow> FreshAsync(DayFacts facts, CancellationToken cancel)
    {
        var number = await db.Plans.CountAsync(plan => plan.Day == facts.Day && plan.Begun, cancel);
        var minutes = Math.Clamp(
            number > 0 ? DayMinutes.Left(facts) : DayMinutes.Advice(facts).Minutes,
            SittingLength.Least,
            SittingLength.Most
        );
        var row = new PlanRow
        {
            Day = facts.Day,
            Sitting = number,
            Minutes = minutes,
            Seed = SeedOf(facts.Day, number),
            RoutineId = RoutineFor(facts, number, minutes).Id,
        };
        Replan(row, facts);
        return row;
    }

    /// <summary>Plans a row for the first time, or from scratch.</summary>
    public static void Replan(PlanRow row, DayFacts facts, IReadOnlyList<Drill>? kept = null, IReadOnlyList<Drill>? leftOut = null) =>
        row.PlanJson = JsonSerializer.Serialize(
            DayPlanner.Plan(Request(row, facts) with { Kept = kept ?? [], LeftOut = leftOut ?? [] }),
            Bookkeeping.Json
        );

    /// <summary>Plans a row anew with everything kept that the player has changed by hand.</summary>
    /// <param name="letGo">What does not fit any more may go; else it is named and nothing is changed.</param>
    /// <exception cref="FieldException">Something would have to go.</exception>
    public static void ReplanKeeping(PlanRow row, DayFacts facts, bool letGo)
    {
        var before = Read(row);
        try
        {
            Replan(row, facts, before.Kept, before.LeftOut);
        }
        catch (PlanException) when (before.Kept.Any(drill => !drill.Locked))
        {
            var fits = Fitting(row, facts, before);
            if (!letGo)
                throw new FieldException(
                    "letGo",
                    $"Not all that you have changed by hand fits any more: {Words.List([.. before.Kept.Except(fits).Select(drill => $"{drill.Title} ({Words.Minutes(drill.Minutes)})")])} would go. Let it go, or leave the day as it is.",
                    StatusCodes.Status409Conflict
                );
            Replan(row, facts, fits, before.LeftOut);
        }
    }

    /// <summary>Of the drills that are to stay, the locked ones and then as many as fit, in their order.</summary>
    private static List<Drill> Fitting(PlanRow row, DayFacts facts, DayPlan before)
    {
        var fits = before.Kept.Where(drill => drill.Locked).ToList();
        foreach (var drill in before.Kept.Where(drill => !drill.Locked))
        {
            try
            {
                Replan(row, facts, [.. fits, drill], before.LeftOut);
                fits.Add(drill);
            }
            catch (PlanException)
            {
                // This one is among those that go.
            }
        }

        return fits;
    }

    public static DayRequest Request(PlanRow row, DayFacts facts)
    {
        var meant = facts.Routines.FirstOrDefault(routine => routine.Id == row.RoutineId);
        // A day shorter than the musts gets a shorter routine, and that is said; drills that stay may need more still.
        var routine =
            meant is not null && Bookkeeping.ToCore(meant).LeastMinutes <= Playing(row.Minutes)
                ? meant
                : RoutineFor(facts, row.Sitting, row.Minutes);
        return new DayRequest
        {
            Day = row.Day,
            Minutes = row.Minutes,
            Demands = row.Demands,
            Purpose = row.Purpose,
            Focus = row.Focus,
            Seed = row.Seed,
            Variant = row.Seed - SeedOf(row.Day, row.Sitting),
            Routine = Bookkeeping.ToCore(routine),
            Instead = meant is not null && meant.Id != routine.Id ? meant.Name : "",
            Shares = Bookkeeping.SharesOf(facts.Profile),
            History = facts.Balance,
            Materials = facts.Materials,
            Ear = facts.Ear,
            Asked = facts.Asked,
            UsualMinutes = DayMinutes.Usual(facts.Profile),
            UnderWay = facts.Profile.UnderWay,
            PracticeDaysBack = DayMinutes.Advice(facts).PracticeDaysBack,
            Traits = Bookkeeping.TraitsOf(facts.Profile),
            School = facts.Profile.School,
            Mix = facts.Profile.Mix,
            ScaleMinutes = facts.Profile.ScaleMinutes,
            Family = facts.Profile.Family,
            IsPitched = Bookkeeping.InstrumentOf(facts.Profile).IsPitched,
            WarmUps = facts.WarmUps,
            Methods = facts.Methods,
            WarmUpSchool = facts.Profile.WarmUpSchool,
            Awareness = facts.Profile.Awareness,
            OpeningMinutes = facts.Profile.OpeningMinutes,
            Sitting = row.Sitting,
            BackToday = facts.LastEnded is { } ended && facts.Now - ended >= BackAfter,
            Quiet = facts.Body.Quiet,
            HoldTempo = facts.Body.HoldTempo,
            AfterPain = facts.Body.AfterPain,
        };
    }

    /// <summary>The routine of a sitting, where none is chosen.</summary>
    private static RoutineRow RoutineFor(DayFacts facts, int sitting, int minutes)
    {
        var days = facts.Routines.Select(row => new RoutineDays(row.Id, row.Weekdays, Bookkeeping.ToCore(row).LeastMinutes)).ToList();
        var found = RoutineOfDay.Of(days, facts.Day, sitting, Playing(minutes));
        return facts.Routines.First(row => row.Id == found.Id);
    }

    /// <summary>How the body stands, and the last thing that it said.</summary>
    private async Task<(Body Body, BodyRow? Last)> BodyAsync(
        DateOnly day,
        DateOnly until,
        IEnumerable<DateOnly> practised,
        CancellationToken cancel
    )
    {
        var rows = await db
            .Bodies.AsNoTracking()
            .Where(row => row.Day >= day.AddDays(-PlayedLately.Days) && row.Day <= until)
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        // Pain that was told long ago, and never that it is well, still stands.
        if (
            rows.Count == 0
            && await db.Bodies.AsNoTracking().Where(row => row.Day <= until).OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel)
                is { } old
        )
            rows.Add(old);
        return (
            Body.Of(
                rows.ConvertAll(row => new BodyWord(
                    PracticeDay.AsSeenOn(row.Day, day),
                    row.Tension,
                    row.Pain,
                    row.Keys.Split(',', StringSplitOptions.RemoveEmptyEntries)
                )),
                day,
                practised
            ),
            rows.LastOrDefault()
        );
    }

    /// <summary>A routine chosen by hand has to fit the day; one that the day has of itself gives way to a shorter one.</summary>
    /// <exception cref="FieldException">Its musts need more minutes.</exception>
    public static void CheckMusts(RoutineRow routine, int minutes)
    {
        var (needed, playing) = (Bookkeeping.ToCore(routine).LeastMinutes, Playing(minutes));
        if (needed > playing)
            throw new FieldException(
                "minutes",
                $"The musts of \"{routine.Name}\" need {needed} minutes and there are {playing}. Choose another routine, make a block optional, or give the day {Words.Minutes(needed - playing)} more."
            );
    }

    private static int SeedOf(DateOnly day, int sitting) => (day.DayNumber * 31) + sitting;

    private static int Playing(int minutes) => minutes - SittingLength.Breaks(minutes).Sum(pause => pause.Minutes);

    private async Task<IReadOnlyList<EarRecord>> EarAsync(DateOnly day, DateOnly until, CancellationToken cancel)
    {
        var from = day.AddDays(-EarDays);
        var takes = await db
            .Takes.AsNoTracking()
            .Where(take => take.Day >= from && take.Day <= until && take.Key.StartsWith("ear:"))
            .GroupBy(take => take.Key)
            .Select(group => new
            {
                group.Key,
                Last = group.Max(take => take.Day),
                Asked = group.Count(),
                Right = group.Count(take => take.Clean),
            })
            .ToListAsync(cancel);
        return
        [
            .. takes.Select(take => new EarRecord(take.Key, PracticeDay.AsSeenOn(take.Last, day), take.Asked, take.Asked - take.Right)),
        ];
    }
}
