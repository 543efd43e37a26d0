using Microsoft.EntityFrameworkCore;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Week;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>A week's review as it stands: what moved, what is still to be answered, what was answered.</summary>
/// <param name="Since">The first day of the week that is looked back on.</param>
/// <param name="Questions">What is not answered yet.</param>
/// <param name="Answered">What was answered, in words.</param>
/// <param name="Dates">Performances ahead, the nearest first, with what their sum says.</param>
/// <param name="Goals">What each goal asks of the coming week.</param>
/// <param name="Brought">What the changes of two and three weeks ago have brought.</param>
/// <param name="Usual">The usual week, to be changed where it stands.</param>
/// <param name="Purpose">What the week is for.</param>
/// <param name="Weekday">The weekday on which it comes, 0 for Monday.</param>
/// <param name="IsWritten">Whether it was written to the journal today.</param>
public sealed record ReviewView(
    DateOnly Day,
    DateOnly Since,
    string PlayedWords,
    string MovedWords,
    IReadOnlyList<ReviewQuestion> Questions,
    IReadOnlyList<string> Answered,
    IReadOnlyList<string> Dates,
    IReadOnlyList<string> Goals,
    IReadOnlyList<string> Brought,
    UsualWeek Usual,
    string Purpose,
    int OnShelf,
    int Weekday,
    bool IsWritten
);

/// <summary>An answer: a yes carries the proposal out.</summary>
/// <param name="Decision">Of an exercise: what becomes of it, whatever was proposed; left out: the proposal, or the other one.</param>
public sealed record ReviewAnswer(ReviewTopic Topic, int MaterialId, bool Accept, ReviewDecision? Decision = null);

/// <summary>Writes the review to the journal. Sent again with the same key it is written once.</summary>
/// <param name="Words">One's own, may be empty.</param>
public sealed record ReviewEnd(Guid Key, string Words);

/// <summary>The weekday of the review, 0 for Monday to 6.</summary>
public sealed record ReviewDayWish(int Weekday);

/// <summary>The week's review over HTTP: each yes is carried out at once, so that a review left half-way loses nothing.</summary>
public static class ReviewEndpoints
{
    /// <summary>Changes are looked back on for so many days, the review of two weeks later among them.</summary>
    private const int LooksBack = 27;

    private const int LongestPurpose = 200;

    public static void MapReview(this WebApplication app)
    {
        var group = app.MapGroup("/api/review").WithTags("Review");
        group.MapGet("", ViewAsync).WithName("GetReview");
        group.MapPost("/answers", AnswerAsync).WithName("AnswerReview");
        group.MapPost("", WriteAsync).WithName("WriteReview");
        group
            .MapPut("/weekday", async (ReviewDayWish wish, PracticeDb db, CancellationToken cancel) =>
            {
                if (wish.Weekday is < 0 or > 6)
                    throw new FieldException("weekday", "Weekdays are 0 for Monday to 6 for Sunday.");
                (await db.Profiles.OrderBy(row => row.Id).FirstAsync(cancel)).ReviewWeekday = wish.Weekday;
                await db.SaveChangesAsync(cancel);
            })
            .WithName("SetReviewDay");
    }

    /// <summary>Whether today is the day of the review, and it was not written since the last one.</summary>
    internal static bool IsDue(ProfileRow profile, DateOnly day) =>
        PracticeDay.Weekday(day) == profile.ReviewWeekday && profile.ReviewedOn != day;

    private static async Task<ReviewView> ViewAsync(PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var since = facts.Day.AddDays(1 - WeekReview.Days);
        var answers = await db.ReviewAnswers.AsNoTracking().Where(row => row.Day == facts.Day).OrderBy(row => row.Id).ToListAsync(cancel);
        var minutes = facts.MinutesByDay.Where(pair => pair.Key >= since && pair.Key <= facts.Day).Sum(pair => pair.Value);
        return new ReviewView(
            facts.Day,
            since,
            $"{Words.Minutes((int)Math.Round(minutes))} on {Words.Days(facts.MinutesByDay.Count(pair => pair.Key >= since && pair.Key <= facts.Day && pair.Value > 0))}.",
            Movement.Words(await LookBackEndpoints.MovementsAsync(db, since, facts.Day, cancel)),
            [.. WeekReview.Questions(facts.Materials, facts.Day).Where(one => !IsAnswered(answers, one))],
            [.. answers.Select(row => row.Words)],
            [.. DayMinutes.Performances(facts).Select(plan => $"{plan.Title}: {plan.Words}")],
            await GoalsAsync(db, facts, cancel),
            await BroughtAsync(db, facts, cancel),
            WeekAhead.UsualOf(facts.Profile),
            facts.Profile.WeekPurpose,
            facts.OnShelf,
            facts.Profile.ReviewWeekday,
            facts.Profile.ReviewedOn == facts.Day
        );
    }

    /// <summary>What each goal under way asks of the coming week.</summary>
    private static async Task<IReadOnlyList<string>> GoalsAsync(PracticeDb db, DayFacts facts, CancellationToken cancel)
    {
        var rows = await db
            .Goals.AsNoTracking()
            .Where(row => row.Reached == null && row.Until >= facts.Day)
            .OrderBy(row => row.Until)
            .ToListAsync(cancel);
        return
        [
            .. rows.Select(Bookkeeping.ToCore)
                .Select(goal =>
                    $"{facts.Materials.FirstOrDefault(one => one.Id == goal.MaterialId)?.Title}: {Goals.Week(goal, Goals.Measure(goal.Kind, goal.MaterialId, facts.Materials), facts.Day)}"
                ),
        ];
    }

    /// <summary>What was changed two to four weeks ago because it did not move: from where to where it has gone since.</summary>
    private static async Task<IReadOnlyList<string>> BroughtAsync(PracticeDb db, DayFacts facts, CancellationToken cancel)
    {
        var (first, last) = (facts.Day.AddDays(-LooksBack), facts.Day.AddDays(-Core.Tempo.ReliefTime.Days));
        var answers = await db
            .ReviewAnswers.AsNoTracking()
            .Where(row => row.Accepted && row.Topic == ReviewTopic.Stuck && row.Day >= first && row.Day <= last)
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        var lines = new List<string>();
        foreach (var answer in answers)
        {
            var since = await LookBackEndpoints.MovementsAsync(db, answer.Day.AddDays(1), facts.Day, cancel);
            lines.Add($"{answer.Words}: {Say(since.FirstOrDefault(one => one.MaterialId == answer.MaterialId))}");
        }

        return lines;

        static string Say(Movement? since) =>
            since is null ? "not played since."
            : since.IsUp ? $"{since.Tempi}: it moves."
            : $"{since.Tempi}: no gain yet.";
    }

    private static bool IsAnswered(List<ReviewAnswerRow> answers, ReviewQuestion question) =>
        answers.Exists(row => row.MaterialId == question.MaterialId && row.Topic == question.Topic);

    private static async Task<ReviewView> AnswerAsync(ReviewAnswer answer, PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var there = await db.ReviewAnswers.AnyAsync(
            row => row.Day == facts.Day && row.MaterialId == answer.MaterialId && row.Topic == answer.Topic,
            cancel
        );
        if (!there)
        {
            var question = WeekReview
                .Questions(facts.Materials, facts.Day)
                .FirstOrDefault(one => one.MaterialId == answer.MaterialId && one.Topic == answer.Topic)
                ?? throw Problems.Unknown("materialId", "question of this review");
            var row = await db.Materials.FindAsync([answer.MaterialId], cancel) ?? throw Problems.Unknown("materialId", "material");
            if (answer is { Topic: ReviewTopic.Exercise, Decision: { } decision })
                Decide(row, decision, facts.Day);
            else if (answer.Accept)
                CarryOut(row, question, facts.Day);
            else if (answer.Topic == ReviewTopic.Exercise)
                Decide(row, question.Instead, facts.Day);
            row.Version++;
            db.ReviewAnswers.Add(
                new ReviewAnswerRow
                {
                    Day = facts.Day,
                    Topic = answer.Topic,
                    MaterialId = answer.MaterialId,
                    Accepted = answer.Accept,
                    Words =
                        $"{question.Title}: {(answer.Decision is { } chosen ? ReviewQuestion.Say(chosen) : answer.Accept ? question.Proposal : question.Otherwise)}",
                }
            );
            await db.SaveChangesAsync(cancel);
        }

        return await ViewAsync(db, desk, cancel);
    }

    /// <summary>What becomes of an exercise.</summary>
    internal static void Decide(MaterialRow exercise, ReviewDecision decision, DateOnly day)
    {
        exercise.Resting = decision is ReviewDecision.Rest or ReviewDecision.Drop;
        exercise.ReviewOn = Review.Next(decision, day);
    }

    private static void CarryOut(MaterialRow row, ReviewQuestion question, DateOnly day)
    {
        switch (question.Topic)
        {
            case ReviewTopic.Stuck:
                ReliefEndpoints.Give(row, question.Relief, day);
                break;
            case ReviewTopic.Exercise:
                Decide(row, question.Decision, day);
                break;
            case ReviewTopic.Rest:
                (row.Resting, row.RestUntil) = (true, null);
                break;
            default:
                (row.Resting, row.RestUntil) = (false, day);
                ReliefEndpoints.Give(row, Relief.None, day);
                break;
        }
    }

    private static async Task<ReviewView> WriteAsync(
        ReviewEnd end,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var own = Problems.Text("words", end.Words);
        if (!await db.Entries.IgnoreQueryFilters().AnyAsync(row => row.Key == end.Key, cancel))
        {
            var view = await ViewAsync(db, desk, cancel);
            var text = string.Join(
                '\n',
                new[] { $"The week: {view.PlayedWords} {view.MovedWords}" }
                    .Concat(view.Answered.Select(line => $"{line}."))
                    .Concat(own.Length > 0 ? [own] : [])
            );
            db.Entries.Add(EntryBooks.New(clock.UtcNow, view.Day, EntryKind.Note, text, session: null, key: end.Key));
            var profile = await db.Profiles.OrderBy(row => row.Id).FirstAsync(cancel);
            (profile.ReviewedOn, profile.WeekPurpose) = (
                view.Day,
                own.Split('\n')[0] is { Length: <= LongestPurpose } purpose ? purpose : ""
            );
            await db.SaveChangesAsync(cancel);
        }

        return await ViewAsync(db, desk, cancel);
    }
}
