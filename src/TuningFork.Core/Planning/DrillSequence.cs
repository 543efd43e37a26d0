using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>
/// The order of a day's drills: the routine's own; where it is interwoven, the drills of technique, repertoire and ear are mixed
/// at the place of the first of them, so that neighbours differ in area, and in piece or exercise, whenever possible.
/// </summary>
internal static class DrillSequence
{
    public static IReadOnlyList<Drill> Of(IReadOnlyList<FilledBlock> blocks, bool interwoven, Random random)
    {
        var mixed = interwoven ? blocks.Where(IsMixed).ToList() : [];
        var first = blocks.Take(blocks.ToList().FindIndex(IsMixed) is >= 0 and var at && interwoven ? at : blocks.Count).ToList();
        return [.. Whole(first), .. Weave(mixed, random), .. Whole(blocks.Except(first).Except(mixed))];
    }

    private static bool IsMixed(FilledBlock block) => block.Block.Area is Area.Technique or Area.Repertoire or Area.Ear;

    private static IEnumerable<Drill> Whole(IEnumerable<FilledBlock> blocks) =>
        blocks.SelectMany(block => IsMixed(block) ? DrillOrder.Spread(block.Drills, Group) : block.Drills);

    private static IEnumerable<Drill> Weave(List<FilledBlock> blocks, Random random)
    {
        var byArea = blocks
            .GroupBy(block => block.Block.Area)
            .ToDictionary(
                area => area.Key,
                area => new Queue<Drill>(DrillOrder.Spread([.. area.SelectMany(block => block.Drills)], Group))
            );
        var places = byArea.SelectMany(area => Enumerable.Repeat(area.Key, area.Value.Count)).ToList();
        return DrillOrder.Spread(places, area => area.ToString(), random).Select(area => byArea[area].Dequeue());
    }

    /// <summary>The piece or exercise of a drill on one thing; a drill over several is its own group.</summary>
    private static string Group(Drill drill) => drill.Targets.Count == 1 ? drill.Targets[0].Group : drill.Id;
}
