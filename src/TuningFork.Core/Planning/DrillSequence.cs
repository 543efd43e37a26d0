using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>
/// The order of a day's drills: warm-up first, sight reading early, play last; between them the blocks in the routine's
/// order, or their drills interwoven so that neighbours differ in area, and in piece or exercise, whenever possible.
/// </summary>
internal static class DrillSequence
{
    public static IReadOnlyList<Drill> Of(IReadOnlyList<FilledBlock> blocks, bool interwoven, Random random)
    {
        var first = blocks.Where(block => block.Block.Area is Area.WarmUp).Concat(blocks.Where(block => block.Block.Area is Area.SightReading));
        var last = blocks.Where(block => block.Block.Area is Area.Play);
        var middle = blocks.Where(block => block.Block.Area is Area.Technique or Area.Repertoire or Area.Ear).ToList();
        return
        [
            .. first.SelectMany(block => block.Drills),
            .. interwoven ? Weave(middle, random) : Whole(middle),
            .. last.SelectMany(block => block.Drills),
        ];
    }

    private static IEnumerable<Drill> Whole(IEnumerable<FilledBlock> blocks) =>
        blocks.SelectMany(block => DrillOrder.Spread(block.Drills, Group));

    private static IEnumerable<Drill> Weave(List<FilledBlock> blocks, Random random)
    {
        var byArea = blocks.GroupBy(block => block.Block.Area).ToDictionary(
            area => area.Key,
            area => new Queue<Drill>(DrillOrder.Spread([.. area.SelectMany(block => block.Drills)], Group)));
        var places = byArea.SelectMany(area => Enumerable.Repeat(area.Key, area.Value.Count)).ToList();
        return DrillOrder.Spread(places, area => area.ToString(), random).Select(area => byArea[area].Dequeue());
    }

    /// <summary>The piece or exercise of a drill on one thing; a drill over several is its own group.</summary>
    private static string Group(Drill drill) => drill.Targets.Count == 1 ? drill.Targets[0].Group : drill.Id;
}
