using TuningFork.Core.Practice;
using TuningFork.Core.WarmUps;

namespace TuningFork.Core.Planning;

/// <summary>A stretch of a warm-up that is played in one go.</summary>
/// <param name="Parts">Its parts with their places in the version, -1 for the opening; several where the minutes are few.</param>
/// <param name="Minutes">Whole minutes, 1 or more.</param>
public sealed record WarmUpStretch(IReadOnlyList<(WarmUpPart Part, int Place)> Parts, int Minutes);

/// <summary>A warm-up cut to the minutes and the demands of a day.</summary>
/// <param name="Stretches">What is played, in order; the minutes add up exactly.</param>
/// <param name="LeftOut">What is not.</param>
/// <param name="Why">What asks for less, in words; empty where it is the minutes alone.</param>
public sealed record CutWarmUp(IReadOnlyList<WarmUpStretch> Stretches, IReadOnlyList<WarmUpPart> LeftOut, string Why = "")
{
    /// <summary>Whole minutes of it.</summary>
    public int Minutes => Stretches.Sum(stretch => stretch.Minutes);

    /// <summary>Why something was left out: "6 minutes: the core first, without light runs"; empty when nothing was.</summary>
    public string Reason => LeftOut.Count == 0 ? "" : $"{(Why.Length > 0 ? Why : Words.Minutes(Minutes))}: {Kept}{Without}";

    /// <summary>In a few words: "6 min: the core first".</summary>
    public string Short => string.Join(": ", new[] { $"{Minutes} min", LeftOut.Count > 0 ? Why : "", Kept }.Where(part => part.Length > 0));

    /// <summary>The whole in a line: "6 min: the core first, without light runs".</summary>
    public string Line => Short + Without;

    private string Kept =>
        LeftOut.Count == 0 ? ""
        : Why.Length > 0 ? "the core only"
        : "the core first";

    private string Without
    {
        get
        {
            if (LeftOut.Count == 0)
                return "";
            List<string> names = [.. LeftOut.Select(part => Words.Small(part.Title))];
            return $", without {Words.List(names.Count > 2 ? [names[^1], $"{names.Count - 1} more"] : names)}";
        }
    }
}

/// <summary>
/// Cuts a warm-up to the minutes that <see cref="SittingLength.WarmUp"/> gives it: extras go first, all of them before a rehearsal or a concert; the core is always touched, together if the
/// minutes are few.
/// </summary>
public static class WarmUpCut
{
    /// <summary>Whether the day wants the core alone.</summary>
    public static bool CoreOnly(Demands demands) => (demands & (Demands.Rehearsal | Demands.Concert)) != Demands.None;

    /// <summary>The version as it is played today.</summary>
    /// <param name="warmUp">The version.</param>
    /// <param name="opening">What stands before it, or null; it has its own minutes, or goes as a whole where nothing would be left
    /// beside it.</param>
    /// <param name="minutes">Minutes at hand, 1 or more.</param>
    /// <param name="demands">What the day asks.</param>
    /// <param name="rests">Says of a place in the version whether it is left alone today; null for none.</param>
    /// <param name="isShort">True in a short sitting: an opening that is core takes the place of the first element.</param>
    public static CutWarmUp Of(
        WarmUp warmUp,
        WarmUpPart? opening,
        int minutes,
        Demands demands,
        Func<int, bool>? rests = null,
        bool isShort = false
    )
    {
        ArgumentNullException.ThrowIfNull(warmUp);
        ArgumentOutOfRangeException.ThrowIfLessThan(minutes, 1);
        var parts = warmUp.InOrder().Where(pair => rests?.Invoke(pair.Place) != true).ToList();
        var core = parts.Where(pair => pair.Part.Core).Sum(pair => pair.Part.Minutes);
        var opens =
            opening is not null && opening.Minutes < minutes && (opening.Core || (!CoreOnly(demands) && opening.Minutes <= minutes - core));
        if (isShort && opens && opening!.Core && parts.Exists(pair => pair.Part.Element != WarmUpElement.Sound))
            parts.RemoveAll(pair => pair.Part.Element == WarmUpElement.Sound);
        var left = minutes - (opens ? opening!.Minutes : 0);
        var free = left - parts.Where(pair => pair.Part.Core).Sum(pair => pair.Part.Minutes);
        var kept = parts.FindAll(pair =>
        {
            if (pair.Part.Core)
                return true;
            if (CoreOnly(demands) || pair.Part.Minutes > free)
                return false;
            free -= pair.Part.Minutes;
            return true;
        });
        var leftOut = parts.Except(kept).Select(pair => pair.Part).ToList();
        if (opening is not null && !opens)
            leftOut.Add(opening);
        var stretches = Stretches(kept, left);
        return new CutWarmUp(
            opens ? [new WarmUpStretch([(opening!, -1)], opening!.Minutes), .. stretches] : stretches,
            leftOut,
            Why(demands)
        );
    }

    private static List<WarmUpStretch> Stretches(List<(WarmUpPart Part, int Place)> kept, int minutes)
    {
        var count = Math.Min(kept.Count, minutes);
        var groups = Enumerable.Range(0, count).Select(i => kept[(i * kept.Count / count)..((i + 1) * kept.Count / count)]).ToList();
        var wanted = kept.Sum(pair => pair.Part.Minutes);
        var split = MinuteSplit.Solve(
            [.. groups.Select(group => new SplitPart(1, minutes, group.Sum(pair => pair.Part.Minutes) * (decimal)minutes / wanted))],
            minutes
        );
        return [.. groups.Zip(split, (group, length) => new WarmUpStretch(group, length))];
    }

    private static string Why(Demands demands) =>
        (demands & Demands.Concert) != Demands.None ? "a concert today"
        : (demands & Demands.Rehearsal) != Demands.None ? "a rehearsal later, keep your strength"
        : "";
}
