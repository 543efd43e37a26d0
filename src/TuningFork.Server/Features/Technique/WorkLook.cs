using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>How an exercise would come out, before it is kept; what cannot be read is refused by its field.</summary>
internal static class WorkLook
{
    public static LookView Of(LookWish wish, ProfileRow profile)
    {
        var work = Understood(wish.Work);
        if (work is { Kind: WorkKind.Steps, By: not StepsBy.Words })
            return new LookView(Words.List([.. StepsOf(wish.Sheet, work, profile).Select(step => step.Name)]), "", [], null, []);
        switch (work.Kind)
        {
            case WorkKind.Groove:
                var groove = Groove.Parse(work.Text);
                return new LookView($"{Words.Count(groove.Bars, "bar")} of {Words.Count(groove.BeatsPerBar, "beat")}", "", [], groove, []);
            case WorkKind.Notation:
                var (music, leftOut) = Read(work.Text);
                var score = music.Lead;
                var played = SheetEndpoints.Played(score with { ToSounding = ProfileBooks.InstrumentOf(profile).ToSounding });
                return new LookView(
                    $"{Words.Count(score.Bars.Count, "bar")} in {score.Key.Name}",
                    AbcWriter.Write(score with { Tempo = null }),
                    [.. leftOut.Select(one => one.ToString())],
                    null,
                    played
                );
            case WorkKind.Patterns:
                var plan = work.Patterns!;
                return new LookView(
                    $"{Words.Count(plan.Units.Count, plan.Joined ? "pair" : "pattern")}, {plan.PerWeek} a week: until about {plan.On(new Dictionary<string, PartRecord>(StringComparer.Ordinal), null, plan.First).Last:ddd d MMM yyyy}; one that is not done yet stays, and the end moves",
                    "",
                    [],
                    null,
                    []
                );
            case WorkKind.Numbers:
                var numbers = work.Numbers!;
                return new LookView(
                    $"about {Words.Minutes(Math.Max(1, numbers.Count * NumberBook.LookSeconds / 60))} for a first look through, some numbers at a time; then two hard ones and the next in order take turns",
                    "",
                    [],
                    null,
                    []
                );
            case WorkKind.Inversions:
                return new LookView(
                    string.Join(
                        "; ",
                        work.Items.Select(item =>
                            string.Join(", ", ChordSymbols.Inversions(ChordSymbols.Parse(item)).Select(chord => chord.Symbol))
                        )
                    ),
                    "",
                    [],
                    null,
                    []
                );
            case WorkKind.Shuttle:
                return new LookView(
                    $"sets of {Words.List([.. Shuttle.Sizes(work.Items.Count).Select(size => $"{size}")])}, {Words.Count(work.Beats, "beat")} each",
                    "",
                    [],
                    null,
                    []
                );
            default:
                return new LookView(
                    work.Kind == WorkKind.Changes
                        ? $"one run is {work.Items.Count * work.Beats} beats"
                        : Words.Count(work.Items.Count, "step"),
                    "",
                    [],
                    null,
                    []
                );
        }
    }

    internal static Work Understood(Work work)
    {
        var whole = work with { Items = [.. Problems.Whole("items", work.Items).Select(item => item.Trim())] };
        if (whole.Check() is { } problem)
            throw new FieldException(problem.Field, problem.Problem);
        return whole;
    }

    internal static IReadOnlyList<SheetStep> StepsOf(SheetRequest? sheet, Work work, ProfileRow profile)
    {
        var steps = SheetEndpoints.Steps(sheet ?? new SheetRequest(), work.By, ProfileBooks.InstrumentOf(profile));
        return steps.Count <= Work.MostItems
            ? steps
            : throw new FieldException("octaves", $"That is {steps.Count} steps, and {Work.MostItems} are the most. Take fewer octaves.");
    }

    internal static ReadMusic Read(string text)
    {
        try
        {
            return AbcReader.Read(text, isTyped: true);
        }
        catch (AbcException problem)
        {
            throw new FieldException("text", problem.Message);
        }
    }
}
