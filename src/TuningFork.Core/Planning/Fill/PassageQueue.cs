using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>What of the repertoire stands in the queue of a day, and how much of it may be new.</summary>
internal static class PassageQueue
{
    /// <summary>Passages under way that were never clean: with more of them nothing new begins (common practice).</summary>
    private const int MostNotClean = 4;

    /// <summary>Who never has more minutes than this gets one new thing at a time.</summary>
    private const int ShortDay = 15;

    /// <summary>
    /// Days ahead that count where there is no date: some things become playable soon, instead of all things late (found by simulation).
    /// </summary>
    private const int UsualDays = 21;

    /// <summary>Takes of one thing on one day when little is under way: two turns (common practice).</summary>
    private const double TakesADay = 6;

    /// <summary>What does not fit comes after so many days (common practice).</summary>
    private const int MostDaysAway = 5;

    /// <summary>Days before a date on which all of its passages begin, fit or not: nothing is met for the first time on the day.</summary>
    private const int LastDays = 28;

    /// <summary>
    /// The same where all together needs twice the minutes there are (found by simulation: each such visit is one less for what can be
    /// done). What has a date that cannot be kept waits longest.
    /// </summary>
    private const int MostDaysAwayOfFarTooMuch = 10;
    private const int MostDaysAwayOfFarTooMuchDated = 20;

    private const double FarTooMuch = 2;

    /// <summary>
    /// All together needs so much more than there is before anything is held back: the sum itself is unsure (found by simulation: with
    /// uneven minutes and a week away, what was held back by a narrow sum would have come out after all).
    /// </summary>
    private const double TooMuch = 1.3;

    /// <summary>Practice days after a return on which nothing new begins.</summary>
    private const int DaysBack = 2;

    /// <summary>A piece whose passages were visited so seldom is read through all the same.</summary>
    private const int FewVisits = 2;

    /// <summary>A whole piece is read slowly when there are so many minutes.</summary>
    private const int LeastReading = 6;

    public static List<Queued> Of(FillContext context, int minutes)
    {
        var request = context.Request;
        var open = request.Materials.Where(material =>
            !material.Resting
            && material.Area == Area.Repertoire
            && (
                material.Kind == MaterialKind.Passage
                || material is { Kind: MaterialKind.Piece, HasPassages: false, Readiness: not Readiness.Ready }
                || IsUnread(request, material, minutes)
            )
            && !context.Used.Contains(TargetKey.Of(material.Id))
        );
        var queue = DueList.For(open, request.Day, request.School, request.BackToday, request.Variant).ToList();
        queue.RemoveAll(queued => ReliefFill.IsLeftOut(queued.Material, request.Day));
        // A short day or a long one says nothing about the days until a date.
        Focus(context, queue, request.UsualMinutes > 0 ? Math.Max(1, minutes * request.UsualMinutes / request.Minutes) : minutes);
        var room = NewRoom(request);
        // Passages of a piece that was read begin before those of one that was not.
        var fresh = queue
            .Where(queued => queued.Material is { Kind: MaterialKind.Passage, LastVisit: null, AskedFor: false })
            .OrderBy(queued =>
                queue.Exists(other => other.Material.Kind == MaterialKind.Piece && other.Material.Id == queued.Material.Group)
            )
            .Skip(room)
            .ToHashSet();
        Wait(context, fresh);
        queue.RemoveAll(fresh.Contains);
        context.NewLeft = Math.Max(0, room - queue.Count(queued => queued.Material is { Kind: MaterialKind.Passage, LastVisit: null }));
        // On the day of a concert what is safe is touched, and nothing else.
        if ((request.Demands & Demands.Concert) != Demands.None)
            queue.RemoveAll(queued => !queued.Material.AskedFor && !Standing.AtTarget(queued.Material, request.Day));
        return queue;
    }

    /// <summary>
    /// As long as all that is not safe yet can be brought there in the minutes until its date, or nearly, what is new comes before what
    /// was played yesterday. Well beyond that it is better that some can be played than that all are half done: what has the nearest
    /// date and needs least goes on, and the rest comes every few days only, seldom where twice as much is wanted as fits, and waits by
    /// name.
    /// </summary>
    private static void Focus(FillContext context, List<Queued> queue, int minutes)
    {
        var request = context.Request;
        var open = request
            .Materials.Where(material =>
                material is { Kind: MaterialKind.Passage, Resting: false } && !Standing.IsSafe(material, request.Day)
            )
            .OrderBy(material => material.Performance > request.Day ? material.Performance : DateOnly.MaxValue)
            .ThenBy(material => Seconds(material, request.Traits))
            .ThenBy(material => material.Id)
            .ToList();
        var (needed, fits) = (0.0, new HashSet<int>());
        var least = open.Count == 0 ? 0 : (int)(minutes * 60 / (TakesADay * open.Average(material => material.TakeSeconds)));
        foreach (var material in open)
        {
            var seconds = Seconds(material, request.Traits);
            if (fits.Count >= least && needed + seconds > Available(material))
                continue;
            needed += seconds;
            fits.Add(material.Id);
        }

        var all = open.Sum(material => Seconds(material, request.Traits));
        var most = open.Select(Available).DefaultIfEmpty(1).Max();
        var (tooMuch, farTooMuch) = (all > TooMuch * most, all > FarTooMuch * most);
        var later = tooMuch ? queue.Where(queued => IsLater(queued, fits, request.Day, farTooMuch)).ToList() : [];
        queue.RemoveAll(later.Contains);
        Wait(context, later);
        var at = queue.FindIndex(queued =>
            queued is { IsDue: true, Material.AskedFor: false }
            && queued.Material.LastVisit == request.Day.AddDays(-1)
            && !queued.Material.Slipped
            && !Standing.AtTarget(queued.Material, request.Day)
        );
        if (at < 0)
            return;
        var fresh = queue.Where(queued => queued.Material is { LastVisit: null, AskedFor: false }).ToList();
        queue.RemoveAll(fresh.Contains);
        queue.InsertRange(at, fresh);

        double Available(Material material) =>
            Math.Max(
                1,
                (material.Performance is { } date && date > request.Day ? date.DayNumber - request.Day.DayNumber : UsualDays)
                    * request.KeptPart
            )
            * minutes
            * 60;
    }

    /// <summary>A piece that was never looked at as a whole, none of whose passages has begun: it is read through slowly at once.</summary>
    private static bool IsUnread(DayRequest request, Material material, int minutes) =>
        material is { Kind: MaterialKind.Piece, HasPassages: true, LastVisit: null, Readiness: not Readiness.Ready }
        && (request.Demands & (Demands.Tired | Demands.Rehearsal | Demands.Concert)) == Demands.None
        && minutes >= LeastReading
        && request.PracticeDaysBack is not < DaysBack
        && request.Materials.Where(one => one.Kind == MaterialKind.Passage && one.Group == material.Id).All(one => one.Visits <= FewVisits);

    /// <summary>
    /// What does not fit and was played not long ago, or is new: one begins it when others are done, or when its date comes near (found by
    /// simulation: whoever begins all at once ends with all half done). What was missed and never clean comes back all the same, unless
    /// its date cannot be kept.
    /// </summary>
    private static bool IsLater(Queued queued, HashSet<int> fits, DateOnly day, bool farTooMuch) =>
        queued.Material is { Kind: MaterialKind.Passage, ComesFirst: false } material
        && !fits.Contains(material.Id)
        && !Standing.AtTarget(material, day)
        && ((farTooMuch && material.Performance > day) || material is not { Slipped: true, Best: null })
        && (
            material.LastVisit is { } last
                ? day.DayNumber - last.DayNumber
                    < (
                        !farTooMuch ? MostDaysAway
                        : material.Performance > day ? MostDaysAwayOfFarTooMuchDated
                        : MostDaysAwayOfFarTooMuch
                    )
                : farTooMuch || !(material.Performance > day && material.Performance <= day.AddDays(LastDays))
        );

    /// <summary>What waits until others had their turn; where a day has two blocks of music, only once.</summary>
    private static void Wait(FillContext context, IEnumerable<Queued> later) =>
        context.Later.AddRange(later.Where(queued => context.Later.TrueForAll(other => other.Material.Id != queued.Material.Id)).ToList());

    /// <summary>Seconds of takes that something still needs.</summary>
    private static double Seconds(Material material, Traits traits) =>
        material.Target is { } target ? Growth.Takes(material.Reach ?? material.Start, target.Value, traits) * material.TakeSeconds : 0;

    /// <summary>
    /// How many things may begin today: none on a tired day, on a day shorter than two thirds of the usual one while anything is
    /// under way, on the first days back, and while more than four are not clean once; one at a time on short days.
    /// </summary>
    public static int NewRoom(DayRequest request)
    {
        var passages = request.Materials.Where(material => material is { Kind: MaterialKind.Passage, Resting: false }).ToList();
        var underWay = passages.Exists(material => Standing.IsGrowing(material, request.Day));
        var notClean = passages.Count(material => material is { Visits: > 0 and < Halves.VisitsToClean, Best: null, LastClean: null });
        return request switch
        {
            _ when (request.Demands & (Demands.Tired | Demands.Rehearsal | Demands.Concert)) != Demands.None => 0,
            { PracticeDaysBack: < DaysBack } => 0,
            { UsualMinutes: var usual } when underWay && request.Minutes * 3 < usual * 2 => 0,
            _ when notClean > MostNotClean => 0,
            { UnderWay: > 0 and var most } when passages.Count(material => Standing.IsGrowing(material, request.Day)) >= most => 0,
            _ when Math.Max(request.Minutes, request.UsualMinutes) <= ShortDay => notClean > 0 ? 0 : 1,
            _ => MostNotClean + 1 - notClean,
        };
    }
}
