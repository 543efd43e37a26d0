using TuningFork.Core.Planning;

namespace TuningFork.Bench.Judgement;

/// <summary>
/// Thirty passages, half an hour a day with missed days, sixty days to a concert: how much is ready on the day under each way
/// of spending the same minutes, in two worlds that do not share the scheduler's equations.
/// </summary>
internal static class JudgementBench
{
    private const int Learners = 200;
    private const int Minutes = 30;
    private const double Missed = 0.15;

    /// <summary>Breaks are off for everybody.</summary>
    private static readonly int Playing = Minutes - SittingLength.Breaks(Minutes).Sum(pause => pause.Minutes);

    private const double Safe = 0.95;

    private sealed record Result(double Ready, double OnSafe, double Takes);

    public static void Run()
    {
        Console.WriteLine(
            $"{Learners} learners, {Books.Passages} passages, {Minutes} min a day, {Missed:P0} of days missed, {Books.Concert} days"
        );
        foreach (
            var (world, make) in new (string, Func<Random, ILearner>)[]
            {
                ("activation (Pavlik and Anderson 2005)", random => new ActivationLearner(random, Books.Passages)),
                ("plain half-life", random => new HalfLifeLearner(random, Books.Passages)),
            }
        )
        {
            Console.WriteLine($"\n{world, -40} ready   worst tenth   minutes on what was safe   takes a day");
            foreach (var (name, day) in Policies.Simple)
                Print(name, [.. All(learner => Simple(make, learner, day))]);
            Print("what the app plans", [.. All(learner => App(make, learner))]);
        }
    }

    private static ParallelQuery<Result> All(Func<int, Result> run) => Enumerable.Range(0, Learners).AsParallel().AsOrdered().Select(run);

    private static void Print(string name, IReadOnlyList<Result> results)
    {
        var ready = results.Select(result => result.Ready).Order().ToList();
        Console.WriteLine(
            $"{name, -40} {ready.Average(), 5:P1}   {ready.Take(ready.Count / 10).Average(), 5:P1}         {results.Average(result => result.OnSafe), 5:0}                {results.Average(result => result.Takes), 5:0}"
        );
    }

    private static Result Simple(
        Func<Random, ILearner> make,
        int number,
        Func<Books, DateOnly, int, IEnumerable<(int Passage, int? Tempo)>> policy
    ) => Live(make, number, (books, day, play) =>
        {
            foreach (var (passage, tempo) in policy(books, day, Playing * 60 / Books.TakeSeconds))
                play(passage, tempo);
        });

    private static Result App(Func<Random, ILearner> make, int number) =>
        Live(make, number, (books, day, play) => Policies.PlayPlan(books, day, Minutes, play));

    /// <summary>Sixty days of one learner: the same learner, and the same days missed, under every policy.</summary>
    private static Result Live(Func<Random, ILearner> make, int number, Action<Books, DateOnly, Func<int, int?, bool>> spend)
    {
        var learner = make(new Random(number));
        var days = new Random(10_000 + number);
        var books = new Books();
        var (safe, takes) = (0.0, 0);
        for (var day = 0; day < Books.Concert; day++)
        {
            if (days.NextDouble() < Missed)
                continue;
            var date = Books.First.AddDays(day);
            var at = (day * 86_400.0) + (18 * 3600);
            spend(books, date, (passage, tempo) =>
            {
                if (learner.Chance(passage, at) > Safe)
                    safe += Books.TakeSeconds / 60.0;
                takes++;
                var clean = learner.Play(passage, at);
                at += Books.TakeSeconds;
                // Altered versions leave no mark in the books, though they are played.
                if (tempo is not null)
                    books.Note(passage, date, clean, tempo);
                return clean;
            });
        }

        var evening = (Books.Concert * 86_400.0) + (19 * 3600);
        return new Result(Enumerable.Range(0, Books.Passages).Average(passage => learner.Chance(passage, evening)), safe, takes / 51.0);
    }
}
