using BenchmarkDotNet.Running;
using TuningFork.Bench;
using TuningFork.Bench.Judgement;

// bench/run: everything; bench/run core | sheets | server | page | judgement | import: one part.
// older-book FILE NOTES makes a book of the version before this one, for trying upgrades.
if (args is ["older-book", var older, var notes])
{
    await OlderBook.MakeAsync(older, int.Parse(notes, System.Globalization.CultureInfo.InvariantCulture));
    return;
}

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
