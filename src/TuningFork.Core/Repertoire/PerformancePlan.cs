using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Repertoire;

/// <summary>What a day before a performance is for.</summary>
public enum Phase
{
    /// <summary>Passages, each by itself.</summary>
    Passages,

    /// <summary>Longer and longer sections.</summary>
    Sections,

    /// <summary>The whole piece every other day.</summary>
    RunThroughs,
}

/// <summary>The way to a performance, backwards from its date, with the sum of what it needs.</summary>
/// <param name="Date">The day of it.</param>
/// <param name="SectionsFrom">First day of joined sections.</param>
/// <param name="RunsFrom">First day of run-throughs.</param>
/// <param name="PassageMinutes">Minutes that the passages still need.</param>
/// <param name="SectionMinutes">Minutes of sections.</param>
/// <param name="Runs">Run-throughs.</param>
/// <param name="RunSeconds">Seconds of one.</param>
/// <param name="AvailableMinutes">Minutes that there are for this piece, from real habits.</param>
/// <param name="LeaveOut">Where it does not fit: what to leave out or take slower, in the order proposed.</param>
public sealed record PerformancePlan(
    DateOnly Date, DateOnly SectionsFrom, DateOnly RunsFrom, int PassageMinutes, int SectionMinutes, int Runs, int RunSeconds, int AvailableMinutes, IReadOnlyList<string> LeaveOut)
{
    /// <summary>Minutes needed in all.</summary>
    public int NeededMinutes => PassageMinutes + SectionMinutes + ((Runs * RunSeconds) + 59) / 60;

    /// <summary>Whether there are enough minutes.</summary>
    public bool Fits => NeededMinutes <= AvailableMinutes;

    /// <summary>What a day is for.</summary>
    public Phase On(DateOnly day) => day >= RunsFrom ? Phase.RunThroughs : day >= SectionsFrom ? Phase.Sections : Phase.Passages;

    /// <summary>The sum in words.</summary>
    public string Words
    {
        get
        {
            var sum = $"To be ready on {Date:d MMM}: {Say(PassageMinutes)} of passages, {Say(SectionMinutes)} of joined sections, {Practice.Words.Count(Runs, "run-through")} of {Say((RunSeconds + 59) / 60)}. You usually have {Say(AvailableMinutes)} for this piece until then.";
            var gap = Math.Abs(AvailableMinutes - NeededMinutes);
            return Fits ? $"{sum} It fits, with {Say(gap)} to spare." : $"{sum} That is {Say(gap)} too few.";
        }
    }

    private static string Say(int minutes) => minutes < 60 ? $"{minutes} min" : minutes % 60 == 0 ? $"{minutes / 60} h" : $"{minutes / 60} h {minutes % 60} min";
}

/// <summary>Plans backwards from a performance (common practice).</summary>
public static class Performances
{
    /// <summary>Days of sections and run-throughs together when there is time enough.</summary>
    public const int LastDays = 28;

    /// <summary>Days of run-throughs at most.</summary>
    public const int MostRunDays = 14;

    /// <summary>Visits that a passage still needs by its readiness, about.</summary>
    private static readonly Dictionary<Readiness, int> Visits = new() { [Readiness.Raw] = 9, [Readiness.Shaping] = 4, [Readiness.Ready] = 2 };

    /// <summary>
    /// The phases. With time enough: passages until four weeks before, sections, then run-throughs for two weeks. When the
    /// date is nearer: the same three in the proportion 2 : 1 : 1 of what is left.
    /// </summary>
    /// <param name="today">The practice day.</param>
    /// <param name="date">The performance, after today.</param>
    public static (DateOnly SectionsFrom, DateOnly RunsFrom) Phases(DateOnly today, DateOnly date)
    {
        var days = Math.Max(0, date.DayNumber - today.DayNumber);
        var last = Math.Min(LastDays, days / 2);
        var runs = Math.Min(MostRunDays, days / 4);
        return (date.AddDays(-last), date.AddDays(-runs));
    }

    /// <summary>The plan of one piece.</summary>
    /// <param name="piece">The piece, with its performance.</param>
    /// <param name="passages">Its passages; resting ones are left out.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="minutesADay">Minutes of repertoire a day, from real habits, that fall to this piece.</param>
    /// <exception cref="ArgumentException">The piece has no performance.</exception>
    public static PerformancePlan Of(Material piece, IEnumerable<Material> passages, DateOnly today, double minutesADay)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var date = piece.Performance ?? throw new ArgumentException("The piece has no performance.", nameof(piece));
        var (sectionsFrom, runsFrom) = Phases(today, date);
        var open = passages.Where(passage => !passage.Resting).ToList();
        var run = Takes.Seconds(piece.Bars, piece.BeatsPerBar, piece.Target ?? new Bpm(90));
        var sectionDays = runsFrom.DayNumber - Math.Max(sectionsFrom.DayNumber, today.DayNumber);
        var runDays = date.DayNumber - Math.Max(runsFrom.DayNumber, today.DayNumber);
        // A section is about a third of the piece; one and a half times through it every other day.
        var sections = (int)Math.Ceiling(Math.Max(0, sectionDays) / 2.0 * run / 60 / 3 * 1.5);
        var plan = new PerformancePlan(date, sectionsFrom, runsFrom, Minutes(open), sections, Math.Max(1, (runDays + 1) / 2), run, (int)(minutesADay * Math.Max(0, date.DayNumber - today.DayNumber)), []);
        return plan.Fits ? plan : plan with { LeaveOut = [.. LeaveOut(open, plan)] };
    }

    private static int Minutes(IEnumerable<Material> passages) => (int)Math.Ceiling(passages.Sum(Needed) / 60.0);

    private static int Needed(Material passage) => Visits[passage.Readiness] * passage.VisitSeconds;

    /// <summary>The passages that cost most first, raw before others, until the rest fits.</summary>
    private static IEnumerable<string> LeaveOut(List<Material> passages, PerformancePlan plan)
    {
        var over = (plan.NeededMinutes - plan.AvailableMinutes) * 60;
        foreach (var passage in passages.Where(one => one.Readiness != Readiness.Ready).OrderBy(one => one.Readiness).ThenByDescending(Needed).ThenBy(one => one.Id))
        {
            if (over <= 0)
                yield break;
            over -= Needed(passage);
            yield return $"{passage.ShortTitle}: play a simpler version, or slower ({(Needed(passage) + 59) / 60} min saved)";
        }

        if (over > 0)
            yield return $"About {(over + 59) / 60} minutes are still missing: more minutes a day, or another date";
    }
}
