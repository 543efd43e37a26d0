using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Makes subdivision ladders: of an exercise in turn with its other methods, and of the key of the week in the warm-up.</summary>
internal static class RungsDrill
{
    /// <summary>One visit of so many is a ladder.</summary>
    private const int Turn = 4;

    /// <summary>Fewer minutes than that hold no ladder.</summary>
    public const int LeastMinutes = 1;

    private const int LeastRungs = 3;

    /// <summary>Whether it has notes that can be set in other values.</summary>
    public static bool Fits(Material material) => material is { Kind: MaterialKind.Exercise, Work: null } && RhythmOf(material) is not null;

    /// <summary>
    /// Whether its next visit is a ladder; what goes through the keys comes daily and goes by the day. Not on a day on which nothing
    /// should be hard.
    /// </summary>
    public static bool IsItsTurn(FillContext context, Material material) =>
        Fits(material)
        && (material.KeyPlan is null ? material.Visits : context.Request.Day.DayNumber + material.Id) % Turn == Turn - 1
        && MayClimb(context);

    /// <summary>Nothing climbs on a tired day, after pain, or on the first days back.</summary>
    private static bool MayClimb(FillContext context) => !context.Careful && context.Request.PracticeDaysBack is null;

    /// <summary>A ladder of an exercise.</summary>
    /// <param name="context">The day.</param>
    /// <param name="area">Technique, or the warm-up: there it leaves no visit.</param>
    /// <param name="material">An exercise that fits.</param>
    /// <param name="key">The key it is played in, or null where it stays in one.</param>
    /// <param name="minutes">Its minutes.</param>
    /// <param name="reason">Why today.</param>
    public static Drill Of(FillContext context, Area area, Material material, Key? key, int minutes, string reason)
    {
        var rhythm = RhythmOf(material)!;
        var reach = (key is null ? null : material.Keys.FirstOrDefault(known => known.Key == key)?.Reach) ?? material.Reach;
        var notesABeat = (double)rhythm.Values.Count / rhythm.Clicks;
        var click = SubdivisionLadder.Click(reach?.Tempo * notesABeat);
        var notes = (int)Math.Round(material.Bars * material.BeatsPerBar * notesABeat);
        List<Target> rungs =
        [
            .. Fitting(notes, click, minutes)
                .Select(rung => new Target
                {
                    Key = TargetKey.Rung(material.Id, rung.Id, key is null ? null : $"{key}"),
                    MaterialId = area == Area.WarmUp ? null : material.Id,
                    Title = $"{(key is { } one ? one.Name : material.Title)}, {rung.Name}",
                    Group = TargetKey.Of(material.Group),
                    Tempo = click,
                    Beat = material.Beat,
                    Note = material.Note,
                    TakeSeconds = (int)Math.Ceiling(SubdivisionLadder.Seconds(notes, rung, click)),
                }),
        ];
        context.Used.Add(TargetKey.Of(material.Id));
        var seconds = rungs.Sum(rung => rung.TakeSeconds + Takes.SetUpSeconds);
        return context.Make(
            area,
            Methods.SubdivisionLadder,
            key is { } played ? $"{material.Title}: {played.Name}" : material.Title,
            minutes,
            reason,
            rungs
        ) with
        {
            Sum = $"{rungs.Count} rungs at {click}: about {Words.Minutes((seconds + 59) / 60)} when all hold",
        };
    }

    /// <summary>The ladder of the key of the week; null without an exercise that has one, or without the minutes.</summary>
    public static Drill? OfTheWeek(FillContext context, int minutes)
    {
        var material = context.Request.Materials.FirstOrDefault(one =>
            one is { KeyPlan.School: KeySchool.OneAWeek, Resting: false } && Fits(one)
        );
        if (material is null || minutes < LeastMinutes || !MayClimb(context))
            return null;
        var used = context.Used.Contains(TargetKey.Of(material.Id));
        var key = material.KeyPlan!.Today(material.Keys, context.Request.Day, minutes, material.Id)[0];
        var drill = Of(context, Area.WarmUp, material, key, minutes, "the key of the week, at one click") with
        {
            How = "The click stays, the notes double. Only as far as it sounds well.",
        };
        // The warm-up takes nothing away from technique.
        if (!used)
            context.Used.Remove(TargetKey.Of(material.Id));
        return drill;
    }

    /// <summary>The rungs that fit into the minutes: of what is long the lowest are left out, as long as three are left.</summary>
    private static IEnumerable<Rhythm> Fitting(int notes, Bpm click, int minutes)
    {
        var all = SubdivisionLadder.Rungs;
        double Seconds(int from) => all.Skip(from).Sum(rung => SubdivisionLadder.Seconds(notes, rung, click) + Takes.SetUpSeconds);
        var from = Enumerable
            .Range(0, all.Count - LeastRungs)
            .FirstOrDefault(first => Seconds(first) <= minutes * 60, all.Count - LeastRungs);
        return all.Skip(from);
    }

    private static Rhythm? RhythmOf(Material material) => Rhythm.All.FirstOrDefault(rhythm => rhythm.Id == material.Rhythm);
}
