using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Puts the breaks between drills, as near as possible to where they belong.</summary>
internal static class BreakPlacement
{
    public static IReadOnlyList<Drill> Insert(IReadOnlyList<Drill> drills, IReadOnlyList<Break> breaks)
    {
        var result = drills.ToList();
        foreach (var (pause, number) in breaks.Select((pause, number) => (pause, number)).Reverse())
            result.Insert(Boundary(drills, pause.AfterPlayed), Make(pause, number));
        return result;
    }

    private static int Boundary(IReadOnlyList<Drill> drills, int after)
    {
        var best = drills.Count;
        var distance = int.MaxValue;
        var played = 0;
        for (var i = 1; i < drills.Count; i++)
        {
            played += drills[i - 1].Minutes;
            if (Math.Abs(played - after) >= distance)
                continue;
            distance = Math.Abs(played - after);
            best = i;
        }

        return best;
    }

    private static Drill Make(Break pause, int number) =>
        new()
        {
            Id = $"b{number + 1}",
            Title = pause.IsShakeOut ? "Shake out" : "Break",
            How = pause.IsShakeOut ? "Hands down, look away." : "Put the instrument down, walk a little.",
            Minutes = pause.Minutes,
            Reason = $"about {pause.AfterPlayed} minutes played",
        };
}
