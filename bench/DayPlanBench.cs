using BenchmarkDotNet.Attributes;
using TuningFork.Core.Planning;

namespace TuningFork.Bench;

/// <summary>The day plan in the core, with 500 passages.</summary>
[ShortRunJob]
[MemoryDiagnoser]
public class DayPlanBench
{
    private DayRequest request = null!;

    [Params(30, 90)]
    public int Minutes { get; set; }

    [GlobalSetup]
    public void Setup()
    {
        var today = new DateOnly(2031, 5, 14);
        request = new DayRequest
        {
            Day = today,
            Minutes = Minutes,
            Routine = Shapes.Default,
            Materials = TenYears.CoreMaterials(today),
            Seed = 3,
        };
    }

    [Benchmark]
    public DayPlan Plan() => DayPlanner.Plan(request);
}
