using CsCheck;
using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Ability;

public sealed class ForecastTests
{
    private const int Target = 120;
    private const int Passages = 5;

    private static readonly DateOnly Start = new(2031, 1, 6);

    /// <summary>
    /// Learners made up here, each with five passages that grow in two ways the forecast does not know: towards a ceiling, and by a
    /// power of the days; visits one to three days apart, four takes each, a take clean by a logistic curve.
    /// </summary>
    [Fact]
    public void The_range_of_a_forecast_holds_the_truth_in_75_to_90_percent_and_is_narrow_enough_to_be_of_use()
    {
        var random = new Random(20310106);
        var (held, all) = (0, 0);
        var widths = new List<double>();
        for (var learner = 0; learner < 100; learner++)
        {
            foreach (var (forecast, today, truth) in Learner(random))
            {
                if (truth is < 5 or > 400 || forecast is not { Latest: { } latest })
                    continue;
                all++;
                if (truth >= forecast.Earliest.DayNumber - today.DayNumber - 0.5 && truth <= latest.DayNumber - today.DayNumber + 0.5)
                    held++;
                widths.Add((latest.DayNumber - forecast.Earliest.DayNumber) / truth);
            }
        }

        var coverage = 100.0 * held / all;
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"{all} forecasts, coverage {coverage:0.0} %, median width {Trend.Median(widths):0.00} of the true time"
        );
        all.ShouldBeGreaterThan(200);
        coverage.ShouldBeInRange(75, 90);
        Trend.Median(widths).ShouldBeLessThan(1.6);
    }

    /// <summary>One function behind all of them: they cannot say two things.</summary>
    [Fact]
    public void Sums_goals_and_forecasts_agree() =>
        Gen.Select(Gen.Double[0.45, 1.2], Gen.Double[0.02, 0.2], Gen.Int[60, 180], Gen.Int[1, 9], Gen.Double[0, 3])
            .Sample(
                (part, spread, target, takes, growth) =>
                {
                    var now = Reach.At(target * part, spread);
                    var traits = Traits.Usual with { Exposure = 100, Gained = growth };
                    var today = Start.AddDays(60);
                    var visits = Enumerable.Range(1, 30).Select(day => (today.AddDays(-day), takes)).ToList();
                    var pace = 27 * takes / 28.0;
                    var forecast = Forecast.For(now, target, visits, traits, today);
                    (forecast is null).ShouldBe(part >= Growth.SafePart, "what is safe needs no forecast");

                    var date = forecast is { Likely: var likely } ? likely : today.AddDays(10);
                    var passage = new Material
                    {
                        Id = 2,
                        Kind = MaterialKind.Passage,
                        Title = "P",
                        Area = Area.Repertoire,
                        Group = 1,
                        Target = new Bpm(target),
                        Reach = now,
                    };
                    var piece = new Material
                    {
                        Id = 1,
                        Kind = MaterialKind.Piece,
                        Title = "Piece",
                        Area = Area.Repertoire,
                        Group = 1,
                        Target = new Bpm(target),
                        Performance = date,
                    };
                    var needed = Performances.All([piece, passage], today, 60, traits).Single().PassageMinutes * 60.0 / passage.TakeSeconds;
                    var sum = Math.Max(2, pace * (date.DayNumber - today.DayNumber));
                    if (forecast is { Latest: not null } && date.DayNumber - today.DayNumber < Forecast.MostDays)
                        needed.ShouldBe(
                            sum,
                            1 + (pace / 2) + (60.0 / passage.TakeSeconds),
                            "the sum asks for the takes that the forecast counts on"
                        );

                    var goal = new Goal(1, GoalKind.Tempo, 2, (int)now.Tempo, target, today, date);
                    if (forecast is not null && goal.From < goal.To)
                    {
                        double whole = 1;
                        while (Growth.After(now, target, whole, traits).Tempo < target)
                            whole *= 1.01;
                        foreach (var step in goal.Steps)
                        {
                            var played = whole * (step.By.DayNumber - today.DayNumber) / (date.DayNumber - today.DayNumber);
                            Growth
                                .After(now, target, played, traits)
                                .Tempo.ShouldBeGreaterThan(step.Value - 2.5, "who follows the path meets the goal's weeks");
                        }
                    }
                }
            );

    private static IEnumerable<(ForecastView? Forecast, DateOnly Today, double Truth)> Learner(Random random)
    {
        var pace = 0.008 + (0.012 * random.NextDouble());
        var skills = Enumerable.Range(0, Passages).Select(_ => Skill(random, pace)).ToList();
        var rows = Enumerable
            .Range(0, Passages)
            .Select(id => new MaterialRow
            {
                Id = id,
                Kind = MaterialKind.Passage,
                Area = Area.Repertoire,
                Target = Target,
            })
            .ToList();
        var visits = rows.Select(_ => new List<(DateOnly Day, int Takes)>()).ToList();
        var (traits, until, spread) = (Traits.Usual, 30 + random.Next(40), 0.04 + (0.04 * random.NextDouble()));
        for (var day = 0; day < until; day++)
        {
            foreach (var row in rows.Where(_ => random.Next(2) == 0))
            {
                var visit = VisitBooks.Begin(row, Start.AddDays(day));
                for (var take = 0; take < 4; take++)
                {
                    var morning = VisitBooks.Today(row, visit, traits)
                        ?? Estimate.Morning(Bookkeeping.ToCore(row, visit.Day).Reach ?? Reach.At(72, Estimate.FirstSpread), traits, Target);
                    var tempo = TodaysTempo.Of(DayReach.At(morning), Pace.Work, new Bpm(Target)).Value;
                    var chance = 1 / (1 + (0.2 * Math.Exp(Math.Log(tempo / skills[row.Id](day)) / spread)));
                    VisitBooks.Add(row, visit, random.NextDouble() < chance, tempo, 1, traits);
                }

                traits = VisitBooks.Learnt(row, visit, traits);
                visits[row.Id].Add((visit.Day, visit.Takes));
            }
        }

        var today = Start.AddDays(until);
        foreach (var row in rows)
        {
            double arrival = until;
            while (skills[row.Id](arrival) < Target * Growth.SafePart && arrival < 2000)
                arrival++;
            yield return (
                Forecast.For(Bookkeeping.ToCore(row, today).Reach, Target, visits[row.Id], traits, today),
                today,
                arrival - until
            );
        }
    }

    private static Func<double, double> Skill(Random random, double pace)
    {
        var (ceiling, start, own) = (
            128 + (30 * random.NextDouble()),
            55 + (30 * random.NextDouble()),
            pace * (0.8 + (0.4 * random.NextDouble()))
        );
        if (random.Next(3) > 0)
            return day => ceiling - ((ceiling - start) * Math.Exp(-own * day));
        var power = 60 * own;
        return day => ceiling - ((ceiling - start) * Math.Pow(1 + (day / 40), -power));
    }
}
