using BenchmarkDotNet.Attributes;
using TuningFork.Core.Ability;

namespace TuningFork.Bench;

/// <summary>One take's estimate, against a logarithm and an exponential for each of its 41 points, which any such estimate needs.</summary>
[MemoryDiagnoser]
public class EstimateBench
{
    private readonly DayReach day = DayReach.At(Estimate.Morning(Reach.At(80, 0.08), Traits.Usual, 120));

    [Benchmark(Baseline = true)]
    public double Curve()
    {
        var sum = 0.0;
        for (var point = 1; point <= 41; point++)
            sum += Math.Log(1 + Math.Exp(point / 41.0));
        return sum;
    }

    [Benchmark]
    public double Take() => day.After(new Evidence(84, true)).Log;

    [Benchmark]
    public double NextTempo() => day.For();
}
