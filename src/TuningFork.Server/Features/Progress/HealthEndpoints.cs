using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>What the body said on a day: the most tension, and whether it hurt.</summary>
public sealed record BodyOn(DateOnly Day, int Tension, bool Pain, string Where);

/// <summary>Minutes of a week.</summary>
/// <param name="IsSteep">More than 1.3 times the average of the practised weeks among the four before.</param>
public sealed record WeekMinutes(DateOnly From, double Minutes, bool IsSteep);

/// <summary>A level and how long one may be in it.</summary>
public sealed record LevelView(int Level, string Allowed);

/// <summary>Body and load over the last twelve weeks.</summary>
/// <param name="BodyWords">What to see in what the body said.</param>
/// <param name="LoadWords">What to see in the weeks; of today's way back where one is on it.</param>
public sealed record HealthView(
    IReadOnlyList<BodyOn> Body,
    string BodyWords,
    IReadOnlyList<WeekMinutes> Weeks,
    string LoadWords,
    IReadOnlyList<LevelView> Levels,
    IReadOnlyList<string> Cautions
);

/// <summary>Loud things of a day.</summary>
public sealed record NoiseWish(IReadOnlyList<LoudSource> Sources);

/// <summary>What they come to.</summary>
/// <param name="Shares">Part of a day's sound that each uses up.</param>
public sealed record NoiseView(double Dose, string Words, IReadOnlyList<double> Shares);

/// <summary>The body and the ears over HTTP.</summary>
public static class HealthEndpoints
{
    private const int Weeks = 12;
    private const int WeekDays = 7;
    private const int Before = 4;
    private const int MostSources = 20;
    private static readonly int[] Levels = [85, 88, 91, 94, 97, 100];

    public static void MapHealth(this WebApplication app)
    {
        var group = app.MapGroup("/api/health").WithTags("Health");
        group.MapGet("", ViewAsync).WithName("GetHealth");
        group.MapPost("/noise", Dose).WithName("GetNoiseDose");
    }

    private static NoiseView Dose(NoiseWish wish)
    {
        var sources = Problems.Whole("sources", wish.Sources);
        if (sources.Count > MostSources)
            throw new FieldException("sources", $"Add up {MostSources} sources at most.");
        try
        {
            var dose = Noise.Dose(sources);
            return new NoiseView(dose, Noise.Say(dose), [.. sources.Select(source => Noise.Dose([source]))]);
        }
        catch (ArgumentOutOfRangeException)
        {
            throw new FieldException("sources", "A level is 40 to 140 dBA, and minutes a day are 0 to 1440.");
        }
    }

    private static async Task<HealthView> ViewAsync(PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var facts = await desk.FactsAsync(cancel);
        var first = facts.Day.AddDays(1 - ((Weeks + Before) * WeekDays));
        var body = (await db.Bodies.AsNoTracking().Where(row => row.Day >= first && row.Day <= facts.Day).ToListAsync(cancel))
            .GroupBy(row => row.Day)
            .OrderBy(group => group.Key)
            .Select(group => new BodyOn(
                group.Key,
                group.Max(row => row.Tension),
                group.Any(row => row.Pain),
                string.Join(", ", group.Select(row => row.Where).Where(where => where.Length > 0).Distinct(StringComparer.Ordinal))
            ))
            .ToList();
        var days = await db
            .SessionDrills.Where(row => row.Area != null && row.PlayedSeconds > 0 && row.Day >= first && row.Day <= facts.Day)
            .GroupBy(row => row.Day)
            .Select(group => new { Day = group.Key, Seconds = group.Sum(row => row.PlayedSeconds) })
            .ToListAsync(cancel);
        var minutes = Enumerable
            .Range(0, Weeks + Before)
            .Select(week => first.AddDays(week * WeekDays))
            .Select(from =>
                (From: from, Minutes: days.Where(day => day.Day >= from && day.Day < from.AddDays(WeekDays)).Sum(day => day.Seconds) / 60)
            )
            .ToList();
        var weeks = Enumerable
            .Range(Before, Weeks)
            .Select(week => new WeekMinutes(
                minutes[week].From,
                Math.Round(minutes[week].Minutes, 1),
                Load.IsSteep(minutes[week].Minutes, [.. minutes.GetRange(week - Before, Before).Select(one => one.Minutes)])
            ))
            .ToList();
        return new HealthView(
            body,
            BodyBack.Words([.. body.Select(one => (one.Tension, one.Pain))]),
            weeks,
            DayMinutes.Advice(facts).Reason is { Length: > 0 } reason ? reason : BodyBack.Load([.. weeks.Select(week => week.IsSteep)]),
            [.. Levels.Select(level => new LevelView(level, Noise.SayAllowed(level)))],
            HealthWords.Cautions
        );
    }
}
