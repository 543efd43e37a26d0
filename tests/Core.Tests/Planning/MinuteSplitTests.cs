using CsCheck;
using Google.OrTools.Sat;
using Shouldly;
using TuningFork.Core.Planning;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>The split against two outside answers: every possibility tried, and Google.OrTools' exact solver.</summary>
public sealed class MinuteSplitTests
{
    private static readonly Gen<SplitPart> Part =
        from least in Gen.Int[0, 4]
        from room in Gen.Int[0, 9]
        from hundredths in Gen.Int[0, 1500]
        from waited in Gen.Int[0, 5]
        select new SplitPart(least, least + room, hundredths / 100m, waited);

    private static readonly Gen<(SplitPart[] Parts, int Total)> Case =
        from parts in Part.Array[1, 5]
        from total in Gen.Int[parts.Sum(part => part.Least), parts.Sum(part => part.Most)]
        select (parts, total);

    [Fact]
    public void Equals_brute_force_with_ties_to_the_longest_waiting() =>
        Case.Sample(
            sample =>
            {
                var best = All(sample.Parts, sample.Total)
                    .OrderBy(split => Cost(sample.Parts, split))
                    .ThenByDescending(
                        split => Key(sample.Parts, split),
                        Comparer<int[]>.Create(
                            (a, b) => a.Zip(b).Select(pair => pair.First.CompareTo(pair.Second)).FirstOrDefault(order => order != 0)
                        )
                    )
                    .First();
                MinuteSplit.Solve(sample.Parts, sample.Total).ShouldBe(best);
            },
            iter: 1500
        );

    [Fact]
    public void Is_as_good_as_an_exact_solver_on_larger_cases()
    {
        var larger =
            from parts in (
                from least in Gen.Int[0, 10]
                from room in Gen.Int[0, 25]
                from wanted in Gen.Int[0, 30]
                from waited in Gen.Int[0, 9]
                select new SplitPart(least, least + room, wanted, waited)
            ).Array[3, 6]
            from total in Gen.Int[parts.Sum(part => part.Least), parts.Sum(part => part.Most)]
            select (parts, total);
        larger.Sample(
            sample => Cost(sample.parts, MinuteSplit.Solve(sample.parts, sample.total)).ShouldBe(Solver(sample.parts, sample.total)),
            iter: 15,
            threads: 1
        );
    }

    [Fact]
    public void Refuses_totals_the_parts_do_not_allow()
    {
        SplitPart[] parts = [new(2, 5, 3), new(1, 2, 9)];
        Should.Throw<ArgumentException>(() => MinuteSplit.Solve(parts, 2));
        Should.Throw<ArgumentException>(() => MinuteSplit.Solve(parts, 8));
        Should.Throw<ArgumentException>(() => MinuteSplit.Solve([new(3, 2, 1)], 3));
    }

    private static decimal Cost(IReadOnlyList<SplitPart> parts, IReadOnlyList<int> split) =>
        parts.Zip(split).Sum(pair => (pair.Second - pair.First.Wanted) * (pair.Second - pair.First.Wanted));

    /// <summary>Minutes in the order in which ties are settled: longest waiting first, then the order of parts.</summary>
    private static int[] Key(IReadOnlyList<SplitPart> parts, IReadOnlyList<int> split) =>
        [.. Enumerable.Range(0, parts.Count).OrderByDescending(i => parts[i].Waited).ThenBy(i => i).Select(i => split[i])];

    private static IEnumerable<int[]> All(SplitPart[] parts, int total)
    {
        if (parts.Length == 0)
            return total == 0
                ?
                [
                    [],
                ]
                : [];
        return Enumerable
            .Range(parts[0].Least, parts[0].Most - parts[0].Least + 1)
            .SelectMany(first => All(parts[1..], total - first).Select(rest => (int[])[first, .. rest]));
    }

    private static decimal Solver(SplitPart[] parts, int total)
    {
        var model = new CpModel();
        var minutes = parts.Select((part, i) => model.NewIntVar(part.Least, part.Most, $"x{i}")).ToArray();
        model.Add(LinearExpr.Sum(minutes) == total);
        var squares = parts
            .Select(
                (part, i) =>
                {
                    var off = model.NewIntVar(-40, 40, $"d{i}");
                    model.Add(off == minutes[i] - (int)part.Wanted);
                    var square = model.NewIntVar(0, 1_600, $"s{i}");
                    model.AddMultiplicationEquality(square, [off, off]);
                    return square;
                }
            )
            .ToArray();
        model.Minimize(LinearExpr.Sum(squares));
        var solver = new CpSolver { StringParameters = "num_workers:1" };
        solver.Solve(model).ShouldBe(CpSolverStatus.Optimal);
        return (decimal)solver.ObjectiveValue;
    }
}
