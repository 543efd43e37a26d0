using BenchmarkDotNet.Running;
using TuningFork.Bench;
using TuningFork.Bench.Judgement;
using TuningFork.Bench.Judgement.Tempo;
using TuningFork.Bench.Listening;

// bench/run: everything; bench/run core | estimate | sheets | server | recordings | page | judgement | import: one part.
// listening, by itself: takes rendered by fluidsynth, heard beside aubio (Debian: fluidsynth, timgm6mb-soundfont, aubio-tools).
// verdicts, by itself: takes rendered with and without faults and rushing, and what is heard of them (Debian: the same without aubio).
// tempo [LEARNERS [WORLD AND SCENARIO [alone]]]: the worlds with tempo, by themselves because they take long; "alone": the plan knows no
// whole pieces.
// lifetime, by itself: the pages on ten and on sixty years of history, pair by pair; writing them takes ten minutes.
// life FILE: prints the plans of six weeks, to be read.
// readings FILE INSTRUMENT: unseen music of each level in ABC, to be read, and how it comes out by numbers.
// older-book FILE NOTES makes a book of an older version, for trying upgrades.
if (args is ["older-book", var older, var notes])
{
    await OlderBook.MakeAsync(older, int.Parse(notes, System.Globalization.CultureInfo.InvariantCulture));
    return;
}

if (args is ["listening"])
{
    ListeningBench.Run();
    return;
}

if (args is ["verdicts"])
{
    VerdictBench.Run();
    return;
}

if (args is ["lifetime"])
{
    await LifetimeBench.RunAsync();
    return;
}

if (args is ["life", var paper])
{
    LifePrint.Write(paper);
    return;
}

if (args is ["readings", var sheets, var instrument])
{
    ReadingPrint.Write(sheets, instrument);
    return;
}

var parts = args.Length == 0 ? ["page", "import", "judgement", "server", "recordings", "core", "estimate", "sheets"] : args;
if (parts.Contains("page"))
    FirstPage.Print(Path.Combine(Directory.GetCurrentDirectory(), "web/dist"));
if (parts.Contains("import"))
    ImportBench.Run();
if (parts.Contains("judgement"))
    JudgementBench.Run();
if (parts is ["tempo", ..])
    TempoBench.Run(
        parts is ["tempo", var learners, ..] ? int.Parse(learners, System.Globalization.CultureInfo.InvariantCulture) : TempoBench.Learners,
        parts is ["tempo", _, var only, ..] ? only : "",
        parts is ["tempo", _, _, "alone"]
    );
if (parts.Contains("server"))
    await ServerBench.RunAsync();
if (parts.Contains("recordings"))
    await RecordingsBench.RunAsync();
if (parts.Contains("core"))
    BenchmarkRunner.Run<DayPlanBench>();
if (parts.Contains("estimate"))
    BenchmarkRunner.Run<EstimateBench>();
if (parts.Contains("sheets"))
    BenchmarkRunner.Run<SheetBench>();
