using TuningFork.Core.Planning;
using TuningFork.Core.Repertoire;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Week;

/// <summary>A performance ahead, with what it still needs.</summary>
/// <param name="Today">What the day is for on its way.</param>
/// <param name="Words">Its sum in words.</param>
public sealed record DateView(
    int PieceId,
    string Title,
    DateOnly Date,
    DateOnly SectionsFrom,
    DateOnly RunsFrom,
    Phase? Today,
    bool Fits,
    string Words
);

/// <summary>The week: what the areas had of what was wanted, and what lies ahead.</summary>
/// <param name="Balance">Wanted and played in the last seven days.</param>
/// <param name="Dates">Performances ahead, the nearest first.</param>
public sealed record WeekView(DateOnly Day, IReadOnlyList<AreaBalance> Balance, string BalanceWords, IReadOnlyList<DateView> Dates);

/// <summary>The week over HTTP.</summary>
public static class WeekEndpoints
{
    public static void MapWeek(this WebApplication app)
    {
        var group = app.MapGroup("/api/week").WithTags("Week");
        group
            .MapGet("", async (PlanDesk desk, CancellationToken cancel) =>
            {
                var facts = await desk.FactsAsync(cancel);
                var balance = DayMinutes.Balance(facts);
                return new WeekView(
                    facts.Day,
                    balance,
                    WeekBalance.Words(balance),
                    [
                        .. DayMinutes
                            .Performances(facts)
                            .Select(plan => new DateView(
                                plan.PieceId,
                                plan.Title,
                                plan.Date,
                                plan.SectionsFrom,
                                plan.RunsFrom,
                                Core.Repertoire.Performances.On(facts.Materials.First(one => one.Id == plan.PieceId), facts.Day),
                                plan.Fits,
                                plan.Words
                            )),
                    ]
                );
            })
            .WithName("GetWeek");
        group
            .MapGet("/balance", async (PlanDesk desk, PracticeDb db, PracticeClock clock, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                var day = clock.Today(profile);
                var lately = await PlayedLately.OfAsync(db, day, cancel);
                return DayMinutes.Balance(
                    profile,
                    lately.History(_ => true),
                    (await desk.CalendarAsync(profile, cancel)).MinutesOn(day),
                    lately.MinutesByDay.GetValueOrDefault(day)
                );
            })
            .WithName("GetBalance");
    }
}
