using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>The shelf as a drill: three ideas in five minutes; where nothing waits, the way to new ones.</summary>
internal static class ShelfDrill
{
    /// <summary>Ideas in one drill, and its minutes (common practice).</summary>
    private const int Ideas = 3;
    public const int Minutes = 5;

    private static readonly string Key = FillContext.KeyOf(Area.Play, "shelf");

    /// <summary>Whether it has had its place today.</summary>
    public static bool IsUsed(FillContext context) => context.Used.Contains(Key);

    /// <summary>The drill of an area; where nothing waits it says why in the words of <paramref name="empty"/>.</summary>
    public static Drill Of(FillContext context, Area area, int minutes, string empty = "nothing waits on the shelf")
    {
        var waiting = context.Request.OnShelf;
        var drill = context.Make(
            area,
            Methods.Shelf,
            waiting == 0 ? "Look, listen, choose"
                : waiting == 1 ? "One from the shelf"
                : waiting == 2 ? "Two from the shelf"
                : "Three from the shelf",
            minutes,
            waiting == 0 ? empty
                : waiting > Ideas ? $"{waiting} wait, the oldest first"
                : "",
            new Target
            {
                Key = Key,
                Title = "Shelf",
                Group = Key,
            }
        );
        return waiting > 0
            ? drill
            : drill with
            {
                How = "Look through the music you have, listen to what you would like to play, and put three things on the shelf.",
            };
    }
}
