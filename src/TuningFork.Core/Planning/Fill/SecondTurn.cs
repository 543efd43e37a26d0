using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// What is left of the music minutes when all had a place: a second turn, the bars between, and free choice only when nothing under
/// way is below its target.
/// </summary>
internal static class SecondTurn
{
    private const string Enter = "enter a piece and its hard bars come back in time";

    /// <summary>Minutes of one thing in a sitting after which the bars between come first (common practice).</summary>
    private const int EnoughOfOne = 10;

    /// <summary>Minutes of one thing in a sitting that are not exceeded, unless it was asked for (common practice).</summary>
    public const int MostOfOne = 15;

    /// <summary>
    /// What is left of a day: a second turn; when it has been enough of that, the bars between; then once more up to what is
    /// sensible of one thing in a sitting. Null when that is not enough either: the rest is free choice.
    /// </summary>
    public static Drill? Spare(FillContext context, List<Queued> queue, int minutes) =>
        Once(context, queue, minutes, EnoughOfOne)
        ?? Stretches.Between(context, minutes, spare: true)
        ?? Once(context, queue, minutes, MostOfOne);

    /// <summary>
    /// When all had a place: what is not safe yet once more today, the least practised of it first; then what waited until others
    /// are; then what is not yet at its whole tempo; without such what is at its target goes back into its place or is performed.
    /// </summary>
    private static Drill? Once(FillContext context, List<Queued> queue, int minutes, int mostOfOne)
    {
        var day = context.Request.Day;
        if ((context.Request.Demands & Demands.Concert) != Demands.None)
            return null;
        var growing = queue
            .Where(queued => Grows(queued.Material, day))
            .Concat(
                context
                    .Request.Materials.Where(material =>
                        material is { Resting: false } && material.LastVisit == day && Grows(material, day)
                    )
                    .Select(material => new Queued(material, day, true, null, "once more today"))
            )
            .DistinctBy(queued => queued.Material.Id)
            .Where(queued => context.Given(queued.Material) < mostOfOne)
            .Select(queued => queued with { Reason = "a second turn today" })
            .OrderBy(queued => context.SeenToday.Count(seen => seen.Material.Id == queued.Material.Id))
            .ThenBy(queued => Part(queued.Material))
            .ToList();
        var open = growing.Where(queued => !Standing.IsSafe(queued.Material, day)).ToList();
        growing = open.Count > 0 ? open : [.. Later(context).Concat(growing).DistinctBy(queued => queued.Material.Id)];
        if (growing.Count > 0)
        {
            var set = RoundsFill.Pick(growing, minutes);
            context.SeenToday.AddRange(set);
            return set.Count > 1
                ? RoundsFill.OneTakeEach(context, Area.Repertoire, minutes, set)
                : context.MakeOne(
                    Area.Repertoire,
                    context.Careful ? Methods.CleanInRow : Methods.TempoLadder,
                    set[0].Material,
                    minutes,
                    set[0].Reason
                );
        }

        var rest = queue
            .Where(queued =>
                !queued.IsDue
                && queued.Material.Kind == MaterialKind.Passage
                && context.SeenToday.TrueForAll(seen => seen.Material.Id != queued.Material.Id)
                && queued.Material.LastVisit != day.AddDays(-1)
            )
            .ToList();
        if (rest.Count == 0)
            return null;
        var kept = RoundsFill.Pick(rest, minutes);
        context.SeenToday.AddRange(kept);
        return kept.Count > 1
            ? RoundsFill.OneTakeEach(context, Area.Repertoire, minutes, kept)
            : PassageWork.Performed(context, kept[0], minutes);
    }

    /// <summary>What waits until others are ready has its turn when they are; then something new begins.</summary>
    private static IEnumerable<Queued> Later(FillContext context)
    {
        var later = context.Later.Where(queued => context.SeenToday.TrueForAll(seen => seen.Material.Id != queued.Material.Id)).ToList();
        var fresh = later.Where(queued => queued.Material.LastVisit is null).Take(context.NewLeft).ToList();
        context.NewLeft -= fresh.Count;
        return [.. later.Where(queued => queued.Material.LastVisit is not null), .. fresh];
    }

    /// <summary>Below its target, or at it and not yet at its whole tempo.</summary>
    private static bool Grows(Material material, DateOnly day) =>
        material.Kind == MaterialKind.Passage && (!Standing.AtTarget(material, day) || !Standing.AtTempo(material));

    private static double Part(Material material) => material is { Reach: { } reach, Target: { } target } ? reach.Tempo / target.Value : 0;

    /// <summary>When nothing is left to be done: music of one's choice, and why.</summary>
    public static Drill FreeChoice(FillContext context, int minutes)
    {
        var none = !context.Request.Materials.Any(material => material is { Area: Area.Repertoire, Resting: false });
        // An empty book begins there.
        if (none && !ShelfDrill.IsUsed(context))
            return ShelfDrill.Of(context, Area.Repertoire, minutes, Enter);
        return context.Make(
            Area.Repertoire,
            Methods.FreePlay,
            "Music of your choice",
            minutes,
            none ? Enter
                : (context.Request.Demands & Demands.Concert) != Demands.None ? "easy, and save the rest"
                : context.Request.Materials.Any(material =>
                    Standing.IsGrowing(material, context.Request.Day) && context.Given(material) >= MostOfOne
                )
                    ? "a quarter of an hour of each is enough"
                : "nothing else is due today"
        ) with
        {
            How = "Play what you like, right through.",
        };
    }
}
