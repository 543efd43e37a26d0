using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// What a performance ahead asks of a day: longer and longer sections from about four weeks before, whole run-throughs at
/// the end, each piece every other day, the nearest date first.
/// </summary>
internal static class PerformanceFill
{
    private const int EveryDays = 2;

    /// <summary>
    /// While the passages of a piece are below their targets, its sections and runs come half as often: a run shows what trips, and mends
    /// none of it (common practice).
    /// </summary>
    private const int EveryDaysBelowTarget = 4;
    private const int LeastSectionBars = 8;
    private const int LeastMinutes = 2;

    /// <summary>From four fifths of their targets on the passages of a piece are joined.</summary>
    private const double JoinPart = 0.8;
    private const int LastWeek = 7;
    private const int PartInLastWeek = 3;
    private const int PartOfRuns = 6;
    private const int PartOfSections = 8;
    private const int MostSectionMinutes = 10;

    /// <summary>Bars of a beginning or an end.</summary>
    private const int EndBars = 4;

    /// <summary>
    /// The drills: each piece every other day, every fourth while its passages are below their targets, less often where that
    /// would take more than an eighth of the minutes for sections or a sixth for run-throughs; in the last week a third. Together
    /// half of the minutes at most, so that passages go on.
    /// </summary>
    public static IReadOnlyList<Drill> Fill(FillContext context, int minutes)
    {
        var day = context.Request.Day;
        var drills = Once(context, minutes).ToList();
        var used = drills.Sum(drill => drill.Minutes);
        var pieces = context
            .Request.Materials.Where(one =>
                one is { Kind: MaterialKind.Piece, Area: Area.Repertoire, Resting: false } && !context.Used.Contains(TargetKey.Of(one.Id))
            )
            .Select(one => (Piece: one, Phase: Performances.On(one, day)))
            .Where(pair => pair.Phase == Phase.RunThroughs || (pair.Phase == Phase.Sections && StandsAt(context, pair.Piece, JoinPart)))
            .OrderByDescending(pair => pair.Phase)
            .ThenBy(pair => pair.Piece.Performance)
            .ThenBy(pair => pair.Piece.LastVisit ?? DateOnly.MinValue)
            .ThenBy(pair => pair.Piece.Id)
            .ToList();
        foreach (var (piece, phase) in pieces)
        {
            var away = piece.LastVisit is { } last ? day.DayNumber - last.DayNumber : int.MaxValue;
            var left = Math.Max(LeastMinutes, minutes / 2) - used;
            var every = StandsAt(context, piece, Estimate.TargetPart) ? EveryDays : EveryDaysBelowTarget;
            var last7 = piece.Performance!.Value.DayNumber - day.DayNumber <= LastWeek;
            bool IsTurn(int needed, int part) =>
                away >= Math.Max(every, every / EveryDays * needed * (last7 ? PartInLastWeek : part) * pieces.Count / Math.Max(1, minutes))
                && needed <= left;
            if (away < every)
                continue;
            var drill = phase == Phase.RunThroughs ? Run(context, piece, needed => IsTurn(needed, PartOfRuns)) : null;
            if ((drill ?? Section(context, piece, needed => IsTurn(needed, PartOfSections))) is not { } made)
                continue;
            drills.Add(made);
            used += made.Minutes;
        }

        return drills;
    }

    /// <summary>
    /// On the day and on its eve each piece once, at concert tempo; its beginning and its end where the minutes do not hold all of it.
    /// </summary>
    private static IEnumerable<Drill> Once(FillContext context, int minutes)
    {
        var day = context.Request.Day;
        var pieces = NearDate
            .Once(context.Request.Materials, day)
            .Where(piece => piece.LastVisit != day && !context.Used.Contains(TargetKey.Of(piece.Id)))
            .ToList();
        var left = minutes - pieces.Count;
        foreach (var piece in pieces)
        {
            var whole = context.TargetOf(context.Whole(piece, piece.FromBar, piece.ToBar), Pace.Performance);
            var needed = Math.Max(1, (whole.TakeSeconds + 59) / 60);
            var when = piece.Performance == day ? "today is the day" : "tomorrow is the day";
            if (left < 0)
                context.Waiting.Add(new Waiting(Area.Repertoire, piece.Id, piece.Title, $"{when}: no minute left for it"));
            else if (needed - 1 <= left)
                yield return context.Make(Area.Repertoire, Methods.PerformanceTake, piece.Title, needed, $"{when}: once through", whole);
            else
                yield return Ends(context, piece, when);
            left -= needed - 1 <= left ? needed - 1 : 0;
        }
    }

    /// <summary>The first and the last bars of a piece, one take each.</summary>
    private static Drill Ends(FillContext context, Material piece, string when)
    {
        var (begins, ends) = (Math.Min(piece.ToBar, piece.FromBar + EndBars - 1), Math.Max(piece.FromBar, piece.ToBar - EndBars + 1));
        var targets = new[] { (piece.FromBar, begins), (ends, piece.ToBar) }
            .Select(bars =>
                context.TargetOf(context.Whole(piece, bars.Item1, bars.Item2), Pace.Performance) with
                {
                    Title = $"{piece.Title}, {bars.Item1}–{bars.Item2}",
                    StopAfterBar = bars.Item2,
                }
            )
            .ToList();
        return RoundsFill.Sized(
            context.Make(
                Area.Repertoire,
                Methods.OneTakeRounds,
                $"{piece.Title}, beginning and end",
                1,
                $"{when}: beginning and end",
                targets
            ) with
            {
                Mix = Mix.InTurn,
                MostRounds = 1,
            }
        );
    }

    /// <summary>Whether its passages stand at a part of their targets on average.</summary>
    private static bool StandsAt(FillContext context, Material piece, double part)
    {
        var known = context
            .Request.Materials.Where(one =>
                one is { Kind: MaterialKind.Passage, Resting: false, Reach: not null, Target: not null } && one.Group == piece.Id
            )
            .ToList();
        return known.Count == 0 || known.Average(one => Math.Min(1, one.Reach!.Value.Tempo / one.Target!.Value.Value)) >= part;
    }

    private static Drill? Run(FillContext context, Material piece, Func<int, bool> fits)
    {
        var target = context.TargetOf(context.Whole(piece, piece.FromBar, piece.ToBar), Pace.Performance);
        var minutes = Math.Max(2, (target.TakeSeconds + 59) / 60);
        if (!fits(minutes))
            return null;
        // What is to go by heart is begun from anywhere every other time.
        return IsByHeart(context, piece) && StationsDrill.Fits(piece) && piece.Visits % 2 == 1
            ? StationsDrill.Of(context, piece, minutes, $"{Left(piece, context.Request.Day)}: from anywhere, by heart")
            : context.Make(
                Area.Repertoire,
                Methods.PerformanceTake,
                piece.Title,
                minutes,
                $"{Left(piece, context.Request.Day)}: right through",
                target
            );
    }

    /// <summary>Whether any of its passages is hard to remember: then it is meant to be played by heart.</summary>
    private static bool IsByHeart(FillContext context, Material piece) =>
        context.Request.Materials.Any(one =>
            one.Kind == MaterialKind.Passage
            && one.Group == piece.Id
            && (one.Difficulty == "memory" || one.Proposed == Methods.FromMemory.Id)
        );

    /// <summary>Quarters of the piece at first, then thirds, then halves; each time the next one.</summary>
    private static Drill? Section(FillContext context, Material piece, Func<int, bool> fits)
    {
        var day = context.Request.Day;
        var (from, to) = Performances.Phases(piece);
        var gone = (double)(day.DayNumber - from.DayNumber) / Math.Max(1, to.DayNumber - from.DayNumber);
        var count = Math.Clamp(4 - (int)(gone * 3), 2, Math.Max(2, piece.Bars / LeastSectionBars));
        var (first, last) = Stretches.Next(piece, (piece.Bars + count - 1) / count);
        var target = context.TargetOf(context.Whole(piece, first, last)) with
        {
            Title = $"{piece.Title}, {first}–{last}",
            StopAfterBar = last,
        };
        var minutes = Math.Clamp(((2 * target.TakeSeconds) + 59) / 60, 2, MostSectionMinutes);
        return !fits(minutes)
            ? null
            : context.Make(
                Area.Repertoire,
                Methods.JoinedSection,
                $"{piece.Title}, {first}–{last}",
                minutes,
                $"{Left(piece, day)}: its passages joined",
                target
            );
    }

    private static string Left(Material piece, DateOnly day) => $"{Words.Days(piece.Performance!.Value.DayNumber - day.DayNumber)} left";
}
