using BenchmarkDotNet.Running;
using TuningFork.Bench;
using TuningFork.Bench.Judgement;

// bench/run: everything; bench/run core | sheets | server | page | judgement | import: one part.
var parts = args.Length == 0 ? ["page", "import", "judgement", "server", "core", "sheets"] : args;
if (parts.Contains("page"))
    FirstPage.Print(Path.Combine(Directory.GetCurrentDirectory(), "web/dist"));
if (parts.Contains("import"))
    ImportBench.Run();
if (parts.Contains("judgement"))
    JudgementBench.Run();
if (parts.Contains("server"))
    await ServerBench.RunAsync();
if (parts.Contains("core"))
    BenchmarkRunner.Run<DayPlanBench>();
if (parts.Contains("sheets"))
    BenchmarkRunner.Run<SheetBench>();
