using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Repertoire;

/// <summary>Plans backwards from a performance (common practice).</summary>
public static class Performances
{
    /// <summary>Days of sections and run-throughs together when there is time enough.</summary>
    public const int LastDays = 28;

    private const int UntimedVisits = 6;

    /// <summary>Days of run-throughs at most.</summary>
    public const int MostRunDays = 14;

    /// <summary>
    /// The phases. With time enough: passages until four weeks before, sections, then run-throughs for two weeks. When the
    /// date was nearer than that on the day it was set: the same three in the proportion 2 : 1 : 1 of the days between.
    /// </summary>
    /// <param name="set">The day on which the date was set; null for long ago.</param>
    /// <param name="date">The performance.</param>
    public static (DateOnly SectionsFrom, DateOnly RunsFrom) Phases(DateOnly? set, DateOnly date)
    {
        var days = set is { } from ? Math.Max(0, date.DayNumber - from.DayNumber) : int.MaxValue;
        var runs = days < 2 ? 0 : Math.Clamp(days / 4, 1, MostRunDays);
        return (date.AddDays(-Math.Max(runs, Math.Min(LastDays, days / 2))), date.AddDays(-runs));
    }

    /// <summary>
    /// The phases of a piece; after a performance less than eight weeks before, sections and run-throughs only, half of the days each.
    /// </summary>
    /// <param name="piece">A piece with a performance.</param>
    public static (DateOnly SectionsFrom, DateOnly RunsFrom) Phases(Material piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var date = piece.Performance!.Value;
        if (piece.LastPerformance is not { } last || date.DayNumber - last.DayNumber > 2 * LastDays)
            return Phases(piece.PerformanceSet, date);
        var days = date.DayNumber - last.DayNumber;
        return (last.AddDays(1), date.AddDays(-Math.Min(MostRunDays, days / 2)));
    }

    /// <summary>What a day is for on the way of a piece to its performance; null without one ahead.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="day">The practice day.</param>
    public static Phase? On(Material piece, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Performance is not { } date || date <= day)
            return null;
        var (sections, runs) = Phases(piece);
        return day >= runs ? Phase.RunThroughs
            : day >= sections ? Phase.Sections
            : Phase.Passages;
    }

    /// <summary>
    /// The plans of all pieces with a performance ahead, the nearest date first. Each has the minutes until its date less
    /// what those before it need: all fit in some order exactly when they fit in the order of their dates (Jackson's rule).
    /// </summary>
    /// <param name="materials">Pieces and passages; resting ones are left out.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="minutesADay">Minutes of repertoire a day, from real habits.</param>
    /// <param name="traits">The player's own: what a passage needs follows from its reach and from how the player grows.</param>
    public static IReadOnlyList<PerformancePlan> All(
        IReadOnlyList<Material> materials,
        DateOnly today,
        double minutesADay,
        Traits? traits = null
    )
    {
        ArgumentNullException.ThrowIfNull(materials);
        var plans = new List<PerformancePlan>();
        var earlier = 0;
        foreach (
            var piece in materials
                .Where(one => one is { Kind: MaterialKind.Piece, Resting: false } && one.Performance > today)
                .OrderBy(one => one.Performance)
                .ThenBy(one => one.Id)
        )
        {
            var plan = Of(
                piece,
                [.. materials.Where(one => one.Kind == MaterialKind.Passage && one.Group == piece.Id)],
                today,
                minutesADay,
                earlier,
                traits ?? Traits.Usual
            );
            plans.Add(plan);
            earlier += plan.NeededMinutes;
        }

        return plans;
    }

    private static PerformancePlan Of(
        Material piece,
        List<Material> passages,
        DateOnly today,
        double minutesADay,
        int earlier,
        Traits traits
    )
    {
        var date = piece.Performance!.Value;
        var (sectionsFrom, runsFrom) = Phases(piece);
        var open = passages.Where(passage => !passage.Resting).ToList();
        var run = Takes.Seconds(piece.Bars, piece.BeatsPerBar, piece.Target ?? new Bpm(90));
        var sectionDays = runsFrom.DayNumber - Math.Max(sectionsFrom.DayNumber, today.DayNumber);
        var runDays = date.DayNumber - Math.Max(runsFrom.DayNumber, today.DayNumber);
        // A section is about a third of the piece; one and a half times through it every other day.
        var sections = (int)Math.Ceiling(Math.Max(0, sectionDays) / 2.0 * run / 60 / 3 * 1.5);
        var available = Math.Max(0, (int)(minutesADay * (date.DayNumber - today.DayNumber)) - earlier);
        var plan = new PerformancePlan(
            piece.Id,
            piece.Title,
            date,
            sectionsFrom,
            runsFrom,
            Minutes(open, traits),
            sections,
            Math.Max(1, (runDays + 1) / 2),
            run,
            available,
            earlier,
            []
        );
        return plan.Fits ? plan : plan with { LeaveOut = [.. LeftOut(open, plan, traits)] };
    }

    private static int Minutes(IEnumerable<Material> passages, Traits traits) =>
        (int)Math.Ceiling(passages.Sum(passage => Needed(passage, traits)) / 60.0);

    /// <summary>
    /// Seconds that a passage still needs: the takes of its path to the target, two at least so that it stays; half a dozen visits where
    /// there is no target.
    /// </summary>
    private static int Needed(Material passage, Traits traits)
    {
        var takes =
            passage.Target is { } target ? Growth.Takes(passage.Reach ?? passage.Start, target.Value, traits)
            : passage.Readiness == Readiness.Ready ? 0
            : UntimedVisits * Growth.TakesAVisit;
        return (int)Math.Ceiling(Math.Max(2, takes)) * passage.TakeSeconds;
    }

    /// <summary>The passages that cost most first, raw before others, until the rest fits.</summary>
    private static IEnumerable<LeaveOut> LeftOut(List<Material> passages, PerformancePlan plan, Traits traits)
    {
        var over = (plan.NeededMinutes - plan.AvailableMinutes) * 60;
        foreach (
            var passage in passages
                .Where(one => one.Readiness != Readiness.Ready)
                .OrderBy(one => one.Readiness)
                .ThenByDescending(one => Needed(one, traits))
                .ThenBy(one => one.Id)
        )
        {
            if (over <= 0)
                yield break;
            over -= Needed(passage, traits);
            yield return new LeaveOut(
                passage.Id,
                passage.ShortTitle,
                $"a simpler version, or slower ({(Needed(passage, traits) + 59) / 60} min saved)"
            );
        }

        if (over > 0)
            yield return new LeaveOut(null, "", $"About {(over + 59) / 60} minutes are still missing: more minutes a day, or another date");
    }
}
