using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Minutes that come before the shares: what near dates need, and what the player has set for a material by week.</summary>
internal static class Promises
{
    /// <summary>
    /// Promised minutes by area, never so many that another area loses its least, except on the day of a performance and its eve.
    /// </summary>
    /// <param name="request">What is known.</param>
    /// <param name="playing">Minutes of playing.</param>
    /// <param name="warmUp">Of them the warm-up's.</param>
    public static IReadOnlyDictionary<Area, int> Of(DayRequest request, int playing, int warmUp)
    {
        var wanted = request
            .Materials.Where(material => IsOwed(material, request))
            .GroupBy(material => material.Area)
            .ToDictionary(group => group.Key, group => group.Sum(material => material.WeekMinutes));
        foreach (var material in request.Materials.Where(material => HasAVisit(material, request)))
            wanted[material.Area] = wanted.GetValueOrDefault(material.Area) + ShortVisit;
        var dates = NearDate.Needed(request);
        if (dates > 0)
            wanted[Area.Repertoire] = dates + wanted.GetValueOrDefault(Area.Repertoire);
        var blocks = request.Routine.Blocks.Where(block => block.Area != Area.WarmUp).ToList();
        // On the day of a performance and on its eve only the musts keep their least.
        var once = NearDate.Once(request.Materials, request.Day).Count > 0;
        var left = playing - warmUp - blocks.Where(block => block.Must || !once || block.Area == Area.Repertoire).Sum(block => block.Floor);
        var given = new Dictionary<Area, int>();
        foreach (var (area, minutes) in wanted.OrderByDescending(pair => pair.Key == Area.Repertoire && dates > 0).ThenBy(pair => pair.Key))
        {
            if (blocks.Find(block => block.Area == area) is not { } first || left <= 0)
                continue;
            given[area] = Math.Min(minutes, first.Floor + left);
            left -= Math.Max(0, given[area] - first.Floor);
        }

        return given;
    }

    /// <summary>Minutes of one of two short visits a day (common practice).</summary>
    private const int ShortVisit = 2;

    /// <summary>Whether one of two visits a day that were promised has its place in this sitting.</summary>
    /// <param name="material">The material.</param>
    /// <param name="request">What is known.</param>
    public static bool HasAVisit(Material material, DayRequest request) =>
        material is { TwiceADay: true, Resting: false } && (material.LastVisit != request.Day || request.BackToday);

    /// <summary>What was promised twice a day and has no place in the plan, each with why.</summary>
    /// <param name="request">What is known.</param>
    /// <param name="planned">The drills of the sitting.</param>
    public static IEnumerable<Waiting> NotKept(DayRequest request, IEnumerable<Drill> planned)
    {
        var there = planned.SelectMany(drill => drill.Targets).Select(target => target.MaterialId).ToHashSet();
        return request
            .Materials.Where(material => material is { TwiceADay: true, Resting: false } && !there.Contains(material.Id))
            .Select(material => new Waiting(
                material.Area,
                material.Id,
                material.Title,
                material.LastVisit == request.Day && !request.BackToday
                    ? "its second visit comes after two hours, or as a spare minute"
                    : "two visits a day were promised; today has no room for it"
            ));
    }

    /// <summary>
    /// Whether a material that is to have so many minutes so often a week has its turn today: it was not there often enough in
    /// the last seven days, and the times are spread over them.
    /// </summary>
    /// <param name="material">The material.</param>
    /// <param name="request">What is known.</param>
    public static bool IsOwed(Material material, DayRequest request)
    {
        if (
            material is not { WeekTimes: > 0, WeekMinutes: > 0, Resting: false, Kind: not MaterialKind.Book }
            || material.WeekVisits >= material.WeekTimes
        )
            return false;
        // A piece is there when its passages are.
        var last = request
            .Materials.Where(one => one.Id == material.Id || (one.Kind == MaterialKind.Passage && one.Group == material.Id))
            .Max(one => one.LastVisit);
        return last is not { } day || (day != request.Day && request.Day.DayNumber - day.DayNumber >= 7 / material.WeekTimes);
    }
}
