using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;

namespace TuningFork.Core.Planning;

/// <summary>The last two weeks before a performance, its eve and the day itself.</summary>
public static class NearDate
{
    /// <summary>So many days before a date the repertoire gets first what the way to it needs (common practice).</summary>
    public const int Days = 14;

    /// <summary>Whether a day lies so near before one of the dates, or on it, that what is not played then is owed to nobody.</summary>
    /// <param name="day">The practice day.</param>
    /// <param name="dates">Performances.</param>
    public static bool Holds(DateOnly day, IEnumerable<DateOnly> dates) =>
        dates.Any(date => date.DayNumber - day.DayNumber is >= 0 and <= Days);

    /// <summary>What is performed today or, on the eve, tomorrow; pieces only, the resting ones left out.</summary>
    internal static IReadOnlyList<Material> Once(IReadOnlyList<Material> materials, DateOnly day) =>
        [
            .. materials
                .Where(one =>
                    one is { Kind: MaterialKind.Piece, Resting: false, Performance: { } date } && date.DayNumber - day.DayNumber is 0 or 1
                )
                .OrderBy(one => one.Performance)
                .ThenBy(one => one.Id),
        ];

    /// <summary>
    /// The request of a day on which something is performed: cut to the core as for a concert, and no sight reading owed.
    /// </summary>
    internal static DayRequest Applied(DayRequest request) =>
        !request.Materials.Any(one => one is { Kind: MaterialKind.Piece, Resting: false } && one.Performance == request.Day)
            ? request
            : request with
            {
                Demands = request.Demands | Demands.Concert,
                Routine = request.Routine.Blocks.All(block => block.Area == Area.SightReading)
                    ? request.Routine
                    : request.Routine with
                    {
                        Blocks = [.. request.Routine.Blocks.Where(block => block.Area != Area.SightReading)],
                    },
                Shares =
                [
                    .. request.Shares.Select(share => share.Area == Area.SightReading ? share with { Percent = 0, Least = 0 } : share),
                ],
            };

    /// <summary>Minutes of repertoire that the near dates need today.</summary>
    internal static int Needed(DayRequest request)
    {
        var once = Once(request.Materials, request.Day).Sum(Minutes);
        return once > 0
            ? once
            : (int)
                Math.Ceiling(
                    Performances
                        .All(request.Materials, request.Day, 0, request.Traits)
                        .Where(plan => plan.Date.DayNumber - request.Day.DayNumber <= Days)
                        .Sum(plan => (double)plan.NeededMinutes / Math.Max(1, plan.Date.DayNumber - request.Day.DayNumber))
                );
    }

    /// <summary>Minutes of one run through a piece.</summary>
    internal static int Minutes(Material piece) =>
        Math.Max(1, (Takes.Seconds(piece.Bars, piece.BeatsPerBar, piece.WorkingTempo) + 59) / 60);
}
