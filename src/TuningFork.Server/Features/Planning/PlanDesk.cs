using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Ear;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Planning;

/// <summary>Loads what the core needs for a day and keeps the plan the player has touched.</summary>
public sealed class PlanDesk(PracticeDb db, PracticeClock clock)
{
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
        var (body, lastBody) = await BodyWords.OfAsync(db, day, until, lately.PlayedDays, cancel);
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
            ProfileBooks.TraitsOf(profile)
        );
        // Put in order here: the database would read all lines in their order instead of these few.
        var shelf = (
            await db
                .Entries.Where(row => row.Kind == EntryKind.Shelf && (row.Became == null || row.Became == ShelfFate.Play))
                .Select(row => new
                {
                    row.Id,
                    row.Became,
                    row.Text,
                })
                .ToListAsync(cancel)
        ).OrderBy(row => row.Id).ToList();
        return new DayFacts(
            day,
            profile,
            rows,
            await PlayedToday.WithMinutesAsync(
                db,
                await VisitedLately.WithWeekAsync(
                    db,
                    await VisitedLately.WithReturnAsync(db, Goals.Point(materials, goals, day), day, cancel),
                    day,
                    cancel
                ),
                day,
                cancel
            ),
            await db.Routines.AsNoTracking().OrderBy(routine => routine.Id).ToListAsync(cancel),
            lately.History(_ => true),
            lately.History(one => !body.QuietDays.Contains(one) && !NearDate.Holds(one, dates), lost: true),
            await EarAnswers.OfAsync(db, day, until, cancel),
            await EarDesk.DigestAsync(db, profile, day, cancel),
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
            ),
            [.. shelf.Where(row => row.Became is not null).Select(row => row.Text)],
            shelf.Count(row => row.Became is null),
            await db
                .Recordings.AsNoTracking()
                .Where(row => row.Kind == RecordingKind.Song)
                .Select(row => new Song(row.Id, row.Name, row.Seconds, row.LastPlayed))
                .ToListAsync(cancel),
            await CalendarAsync(profile, cancel)
        );
    }

    /// <summary>The minutes of each single day, exceptions and what was moved among them.</summary>
    public async Task<WeekCalendar> CalendarAsync(ProfileRow profile, CancellationToken cancel) =>
        new(
            DayMinutes.WeekOf(profile),
            (await db.DaysOff.AsNoTracking().ToListAsync(cancel)).ConvertAll(row => new DayOff(
                row.From,
                row.Until,
                row.Kind,
                row.Minutes,
                row.Text
            )),
            await db.DaysMoved.AsNoTracking().ToDictionaryAsync(row => row.Day, row => row.Minutes, cancel)
        );

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
                    byMaterial?[row.Id],
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
        var minutes = Math.Clamp(DayMinutes.OfSitting(facts, number), SittingLength.Least, SittingLength.Most);
        var row = new PlanRow
        {
            Day = facts.Day,
            Sitting = number,
            Minutes = minutes,
            Seed = SeedOf(facts.Day, number),
            RoutineId = RoutineFor(facts, number, minutes).Id,
            Purpose = facts.Profile.WeekPurpose,
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
        var (plan, gone) = PlanAnew.Keeping(before, Request(row, facts));
        if (gone.Count > 0 && !letGo)
            throw new FieldException(
                "letGo",
                $"Not all that you have changed by hand fits any more: {Words.List([.. gone.Select(drill => $"{drill.Title} ({Words.Minutes(drill.Minutes)})")])} would go. Let it go, or leave the day as it is.",
                StatusCodes.Status409Conflict
            );
        row.PlanJson = JsonSerializer.Serialize(plan, Bookkeeping.Json);
    }

    public static DayRequest Request(PlanRow row, DayFacts facts)
    {
        var meant = facts.Routines.FirstOrDefault(routine => routine.Id == row.RoutineId);
        // A day shorter than the musts gets a shorter routine, and that is said; drills that stay may need more still.
        var routine =
            meant is not null && Bookkeeping.ToCore(meant).FitsIn(row.Minutes) ? meant : RoutineFor(facts, row.Sitting, row.Minutes);
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
            Shares = ProfileBooks.SharesOf(facts.Profile),
            History = facts.Balance,
            Materials = facts.Materials,
            Ear = facts.Ear,
            EarDigest = facts.EarDigest,
            Asked = facts.Asked,
            UsualMinutes = DayMinutes.Usual(facts.Profile),
            KeptPart = DayMinutes.KeptPart(facts),
            UnderWay = facts.Profile.UnderWay,
            PracticeDaysBack = DayMinutes.Advice(facts).PracticeDaysBack,
            Traits = ProfileBooks.TraitsOf(facts.Profile),
            School = facts.Profile.School,
            Mix = facts.Profile.Mix,
            ScaleMinutes = facts.Profile.ScaleMinutes,
            Family = facts.Profile.Family,
            IsPitched = ProfileBooks.InstrumentOf(facts.Profile).IsPitched,
            PlayIdeas = facts.PlayIdeas,
            Songs = facts.Songs,
            OnShelf = facts.OnShelf,
            ReadingFrom = facts.Profile.ReadingFrom,
            WarmUps = facts.WarmUps,
            Methods = facts.Methods,
            WarmUpSchool = facts.Profile.WarmUpSchool,
            Awareness = facts.Profile.Awareness,
            OpeningMinutes = facts.Profile.OpeningMinutes,
            Sitting = row.Sitting,
            BackToday = PracticeDay.IsBack(facts.LastEnded, facts.Now),
            Quiet = facts.Body.Quiet,
            HoldTempo = facts.Body.HoldTempo,
            AfterPain = facts.Body.AfterPain,
        };
    }

    /// <summary>The routine of a sitting, where none is chosen.</summary>
    private static RoutineRow RoutineFor(DayFacts facts, int sitting, int minutes)
    {
        var days = facts.Routines.Select(row => new RoutineDays(row.Id, row.Weekdays, Bookkeeping.ToCore(row), row.TickedUtc)).ToList();
        var found = RoutineOfDay.Of(days, facts.Day, sitting, minutes);
        return facts.Routines.First(row => row.Id == found.Id);
    }

    /// <summary>A routine chosen by hand has to fit the day; one that the day has of itself gives way to a shorter one.</summary>
    /// <exception cref="FieldException">Its musts need more minutes.</exception>
    public static void CheckMusts(RoutineRow routine, int minutes)
    {
        var shape = Bookkeeping.ToCore(routine);
        var (needed, playing) = (shape.LeastMinutes, shape.Playing(minutes));
        if (needed > playing)
            throw new FieldException(
                "minutes",
                $"The musts of \"{routine.Name}\" need {needed} minutes and there are {playing}. Choose another routine, make a block optional, or give the day {Words.Minutes(needed - playing)} more."
            );
    }

    /// <summary>What the plan of a sitting is shuffled by: the same for the same day.</summary>
    internal static int SeedOf(DateOnly day, int sitting) => (day.DayNumber * 31) + sitting;
}
