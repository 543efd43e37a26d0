using System.Globalization;
using TuningFork.Core.Planning;

namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>
/// Worlds with tempo: how much is playable after some weeks under each way of spending the same minutes. Playable is a passage
/// whose hidden chance of a clean first take at 92 % of its target is 0.8 or more. The same learners with the same chance under
/// every policy.
/// </summary>
internal static class TempoBench
{
    /// <summary>Learners of each cell.</summary>
    public const int Learners = 200;

    private const double Missed = 0.15;
    private const int MostNeglectDays = 28;

    private sealed record Result(
        double Playable,
        double Mean,
        double Tempo,
        double Clean,
        double Neglect,
        double Safe,
        double Idle,
        double Takes,
        IReadOnlyList<double> Seconds
    );

    /// <summary>Prints every cell whose world and scenario fit.</summary>
    /// <param name="learners">Learners of each cell.</param>
    /// <param name="only">Part of the name of world and scenario; empty for all.</param>
    /// <param name="alone">True when the plan knows passages alone: what whole pieces cost is the difference.</param>
    public static void Run(int learners, string only, bool alone)
    {
        Console.WriteLine(
            $"{learners} learners; playable %, chance at the target %, tempo over target %, worst tenth %, clean work takes %, longest neglect in practice days, minutes on what was safe, idle minutes, takes"
        );
        foreach (var world in Enum.GetValues<World>())
        {
            foreach (
                var scenario in Scenario.Usual.Where(scenario =>
                    only.Length == 0 || $"{world} {scenario.Name}".Contains(only, StringComparison.OrdinalIgnoreCase)
                )
            )
                Cell(world, scenario, learners, alone);
        }
    }

    private static void Cell(World world, Scenario scenario, int learners, bool alone)
    {
        Console.WriteLine($"\n{world}: {scenario.Name}");
        var app = All(learners, number => Live(number, world, scenario, new TempoApp(alone), null, null));
        var results = new List<(string Name, IReadOnlyList<Result> Results)>();
        foreach (var (name, order) in TempoPolicies.Orders)
        {
            foreach (var pencil in new[] { true, false })
                results.Add(
                    (
                        $"{name}, {(pencil ? "pencil's" : "app's")} tempo",
                        All(learners, number =>
                            Live(
                                number,
                                world,
                                scenario,
                                null,
                                sitting => TempoPolicies.Spend(sitting, order(sitting.Book, sitting.Day), pencil),
                                scenario.Weave ? app[number].Seconds : null
                            )
                        )
                    )
                );
        }

        var oracle = All(learners, number =>
            Live(number, world, scenario, null, TempoPolicies.Oracle, scenario.Weave ? app[number].Seconds : null)
        );
        foreach (var (name, all) in results)
            Print(name, all);
        Print("oracle", oracle);
        Print("WHAT THE APP PLANS", app);
        var best = results.MaxBy(pair => pair.Results.Average(result => result.Playable));
        var differences = app.Zip(best.Results, (mine, other) => mine.Playable - other.Playable).ToList();
        var error = Math.Sqrt(differences.Sum(one => Math.Pow(one - differences.Average(), 2)) / differences.Count / differences.Count);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"  => {100 * app.Average(one => one.Playable) / oracle.Average(one => one.Playable):0} % of the oracle; {100 * differences.Average():+0.0;-0.0} points (+-{100 * error:0.0}) against {best.Name}"
            )
        );
    }

    private static List<Result> All(int learners, Func<int, Result> run) =>
        [.. Enumerable.Range(0, learners).AsParallel().AsOrdered().Select(run)];

    private static void Print(string name, IReadOnlyList<Result> results)
    {
        var sorted = results.Select(result => result.Playable).Order().ToList();
        double Average(Func<Result, double> of) => results.Average(of);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"  {name, -34} {100 * Average(one => one.Playable), 5:0.0} {100 * Average(one => one.Mean), 6:0.0} {100 * Average(one => one.Tempo), 6:0.0} {100 * sorted.Take(Math.Max(1, sorted.Count / 10)).Average(), 6:0.0} {100 * Average(one => one.Clean), 6:0.0} {Average(one => one.Neglect), 6:0.0} {Average(one => one.Safe), 6:0} {Average(one => one.Idle), 6:0} {Average(one => one.Takes), 6:0}"
            )
        );
    }

    private static Result Live(
        int number,
        World world,
        Scenario scenario,
        TempoApp? app,
        Action<Sitting>? spend,
        IReadOnlyList<double>? seconds
    )
    {
        var book = new TempoBook(scenario, world, number);
        var learner = new TempoLearner(number, world, book.Targets);
        var days = new Random(10_000 + number);
        var tally = new Tally();
        var music = new List<double>();
        var waited = new int[scenario.All];
        var away = 14 + days.Next(scenario.Days / 2);
        for (var day = 0; day < scenario.Days; day++)
        {
            var missed = days.NextDouble() < Missed || (world == World.RealLife && day >= away && day < away + 7);
            var minutes =
                world == World.RealLife ? (int)Math.Clamp(scenario.Minutes * (0.35 + (1.3 * days.NextDouble())), 10, 60) : scenario.Minutes;
            var before = tally.MusicSeconds + tally.IdleSeconds;
            if (!missed)
            {
                var date = TempoBook.First.AddDays(day);
                var playing = minutes - SittingLength.Breaks(minutes).Sum(pause => pause.Minutes);
                var sitting = new Sitting(learner, book, date, seconds?[day] ?? (playing * 60), world, tally);
                if (app is not null)
                    app.Play(sitting, minutes, world);
                else
                    spend!(sitting);
                book.Learn(date);
                Neglect(book, learner, date, waited, tally, scenario);
            }

            music.Add(tally.MusicSeconds + tally.IdleSeconds - before);
            learner.Night();
        }

        var ids = Enumerable.Range(0, scenario.All).ToList();
        return new Result(
            ids.Average(id => learner.First(id, book.Targets[id] * 0.92) >= 0.8 ? 1.0 : 0),
            ids.Average(id => learner.First(id, book.Targets[id])),
            ids.Average(id => learner.Capacity(id) / book.Targets[id]),
            tally.WorkTakes == 0 ? 0 : (double)tally.WorkClean / tally.WorkTakes,
            tally.LongestNeglect,
            tally.SafeSeconds / 60,
            tally.IdleSeconds / 60,
            tally.Takes,
            music
        );
    }

    /// <summary>Practice days that something not yet playable has been left, in the last four weeks.</summary>
    private static void Neglect(TempoBook book, TempoLearner learner, DateOnly date, int[] waited, Tally tally, Scenario scenario)
    {
        foreach (var id in book.Known(date))
        {
            waited[id] = book.Passages[id].LastVisit == date || learner.First(id, book.Targets[id] * 0.92) >= 0.8 ? 0 : waited[id] + 1;
            if (date.DayNumber - TempoBook.First.DayNumber >= scenario.Days - MostNeglectDays)
                tally.LongestNeglect = Math.Max(tally.LongestNeglect, waited[id]);
        }
    }
}
