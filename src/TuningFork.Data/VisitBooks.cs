using System.Globalization;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>
/// Takes, visits and what they come to. A visit keeps what was known before it, so that takes can be added and taken back: the
/// material always stands as its last visit's takes say.
/// </summary>
public static class VisitBooks
{
    private const char Half = '~';
    private const char Nothing = '/';
    private const char Passing = '^';

    /// <summary>Days between two visits up to which what the nights took is part of how one grows.</summary>
    private const int NearDays = 7;

    /// <summary>Begins a visit.</summary>
    public static VisitRow Begin(MaterialRow material, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(material);
        var visit = new VisitRow
        {
            MaterialId = material.Id,
            Material = material,
            Day = day,
            VisitBefore = material.LastVisit,
            VisitsBefore = material.Visits,
            StabilityBefore = material.Stability,
            DifficultyBefore = material.MemoryDifficulty,
            CleanBefore = material.LastClean,
            BestBefore = material.Best,
            ReachLogBefore = material.ReachLog,
            ReachSpreadBefore = material.ReachSpread,
        };
        material.Visits++;
        material.LastVisit = day;
        material.AskedFor = null;
        return visit;
    }

    /// <summary>Adds a take to a visit and brings the material up to date.</summary>
    /// <param name="material">The material.</param>
    /// <param name="visit">The visit.</param>
    /// <param name="clean">Whether it was clean.</param>
    /// <param name="tempo">Its tempo, or null.</param>
    /// <param name="weight">How much it says about the tempo that can be played: 1, half, or nothing.</param>
    /// <param name="traits">The player's own.</param>
    public static void Add(MaterialRow material, VisitRow visit, bool clean, int? tempo, double weight = 1, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(visit);
        visit.Tries = Written(visit.Tries, clean, tempo, weight);
        Sum(material, visit, traits);
    }

    /// <summary>Adds a take in passing: it says something of the tempo that can be played, and is never the test of the day.</summary>
    public static void AddInPassing(MaterialRow material, VisitRow visit, bool clean, int? tempo, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(visit);
        visit.Tries = $"{visit.Tries} {tempo?.ToString(CultureInfo.InvariantCulture)}{Passing}{(clean ? '+' : '-')}".Trim();
        Sum(material, visit, traits);
    }

    /// <summary>The first take of a visit that was no spare minute; null where there was none.</summary>
    public static Try? First(string tries) => Tries(tries).Where(take => !take.InPassing).Select(take => (Try?)take).FirstOrDefault();

    /// <summary>Whether the last take of a visit was a spare minute.</summary>
    public static bool EndsInPassing(VisitRow visit)
    {
        ArgumentNullException.ThrowIfNull(visit);
        return visit.Tries.Length > 0 && Tries(visit.Tries)[^1].InPassing;
    }

    /// <summary>Whether a visit holds spare minutes and nothing else: its test is still to come.</summary>
    public static bool IsInPassing(VisitRow visit)
    {
        ArgumentNullException.ThrowIfNull(visit);
        return visit.Tries.Length > 0 && Tries(visit.Tries).All(take => take.InPassing);
    }

    /// <summary>Takes the last take of a visit back.</summary>
    /// <returns>True when none is left: the material stands as before the visit, and the visit's row has to go.</returns>
    public static bool RemoveLast(MaterialRow material, VisitRow visit, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(material);
        ArgumentNullException.ThrowIfNull(visit);
        visit.Tries = WithoutLast(visit.Tries);
        Sum(material, visit, traits);
        if (visit.Tries.Length > 0)
            return false;
        material.Visits--;
        material.LastVisit = visit.VisitBefore;
        return true;
    }

    /// <summary>The takes of a visit.</summary>
    public static IReadOnlyList<Try> Tries(string tries)
    {
        ArgumentNullException.ThrowIfNull(tries);
        return [.. tries.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Read)];
    }

    /// <summary>Sums a visit up anew from what was known before it.</summary>
    public static void Sum(MaterialRow material, VisitRow visit, Traits? traits = null)
    {
        ArgumentNullException.ThrowIfNull(material);
        ArgumentNullException.ThrowIfNull(visit);
        var tries = Tries(visit.Tries);
        var notes = ReachBooks.NotesABeat(material);
        var outcome = Visits.Sum(Before(visit, notes), visit.Day, tries, Target(material), Start(material), traits ?? Traits.Usual);
        visit.Takes = tries.Count;
        visit.CleanTakes = tries.Count(take => take.Clean);
        visit.TriesToClean = outcome.TriesToClean;
        visit.Grade = outcome.Grade;
        visit.Clean = tries
            .Where(take => take is { Clean: true, Tempo: not null, Weight: > 0 })
            .Select(take => take.Tempo!.Value.Value)
            .DefaultIfEmpty()
            .Max()
            is > 0
                and var best
            ? best
            : null;
        var kept = outcome.Reach?.Times(notes);
        (visit.ReachLog, visit.ReachSpread) = tries.Any(take => take.Tempo is not null) ? (kept?.Log, kept?.Spread) : (null, null);
        (material.ReachLog, material.ReachSpread) = (kept?.Log, kept?.Spread);
        material.Stability = outcome.Memory?.Stability;
        material.MemoryDifficulty = outcome.Memory?.Difficulty;
        material.LastClean = outcome.LastClean?.Value;
        material.Best = Math.Max(visit.BestBefore ?? 0, visit.Clean ?? 0) is > 0 and var ever ? ever : null;
        material.Slipped = IsInPassing(visit) ? material.Slipped : outcome.Slipped;
    }

    /// <summary>Estimates the reach and the best tempo of a material from all its visits; what is known of its memory stays.</summary>
    /// <param name="material">The material.</param>
    /// <param name="visits">All its visits, oldest first.</param>
    internal static void Rebuild(MaterialRow material, IReadOnlyList<VisitRow> visits)
    {
        var notes = ReachBooks.NotesABeat(material);
        (material.ReachLog, material.ReachSpread, material.Best) = (null, null, null);
        for (var i = 0; i < visits.Count; i++)
        {
            var visit = visits[i];
            visit.VisitBefore ??= i > 0 ? visits[i - 1].Day : null;
            (visit.VisitsBefore, visit.BestBefore, visit.ReachLogBefore, visit.ReachSpreadBefore) = (
                i,
                material.Best,
                material.ReachLog,
                material.ReachSpread
            );
            var tries = Tries(visit.Tries);
            var kept = Visits
                .Sum(Before(visit, notes), visit.Day, tries, Target(material), Start(material), Traits.Usual)
                .Reach?.Times(notes);
            if (tries.Any(take => take.Tempo is not null))
                (visit.ReachLog, visit.ReachSpread) = (kept?.Log, kept?.Spread);
            (material.ReachLog, material.ReachSpread) = (kept?.Log, kept?.Spread);
            material.Best = Math.Max(material.Best ?? 0, visit.Clean ?? 0) is > 0 and var best ? best : null;
        }
    }

    /// <summary>What is believed of the reach after the takes of a visit, in beats; null when none was timed.</summary>
    public static Morning? Today(MaterialRow material, VisitRow visit, Traits traits)
    {
        ArgumentNullException.ThrowIfNull(visit);
        var takes = Visits.Evidence(Tries(visit.Tries));
        return takes.Count == 0 ? null : Estimate.During(MorningOf(material, visit, traits), takes).Later;
    }

    /// <summary>The traits after a visit.</summary>
    public static Traits Learnt(MaterialRow material, VisitRow visit, Traits traits)
    {
        ArgumentNullException.ThrowIfNull(traits);
        ArgumentNullException.ThrowIfNull(visit);
        var takes = Visits.Evidence(Tries(visit.Tries));
        var notes = ReachBooks.NotesABeat(material);
        var before = Before(visit, notes);
        if (
            takes.Count == 0
            || Visits.Now(before, visit.Day) is not { } now
            || ReachBooks.ReachOf(visit.ReachLog, visit.ReachSpread, notes) is not { } after
        )
            return traits;
        // What the nights between two visits take is part of how one grows; after long days away it is a loss of its own.
        var from = visit.Day.DayNumber - before.LastVisit!.Value.DayNumber <= NearDays ? before.Reach!.Value : now;
        return traits.After(Estimate.Morning(now, traits, Target(material)?.Value), takes, from, after);
    }

    private static Morning MorningOf(MaterialRow material, VisitRow visit, Traits traits) =>
        Estimate.Morning(
            Visits.Now(Before(visit, ReachBooks.NotesABeat(material)), visit.Day) ?? Start(material),
            traits,
            Target(material)?.Value
        );

    private static BeforeVisit Before(VisitRow visit, double notes) =>
        new(
            visit.VisitBefore,
            visit is { StabilityBefore: { } stability, DifficultyBefore: { } difficulty } ? new Memory(stability, difficulty) : null,
            Bookkeeping.ToBpm(visit.CleanBefore),
            ReachBooks.ReachOf(visit.ReachLogBefore, visit.ReachSpreadBefore, notes),
            visit.VisitsBefore
        );

    internal static Bpm? Target(MaterialRow material) => Bookkeeping.ToBpm(material.Target ?? material.Piece?.Target);

    private static Reach Start(MaterialRow material) =>
        new Material
        {
            Id = material.Id,
            Kind = material.Kind,
            Title = "",
            Area = material.Area,
            Target = Target(material),
            Readiness = material.Readiness,
        }.Start;

    internal static string Written(string tries, bool clean, int? tempo, double weight) =>
        $"{tries} {tempo?.ToString(CultureInfo.InvariantCulture)}{(weight >= 1 ? "" : weight > 0 ? Half : Nothing)}{(clean ? '+' : '-')}".Trim();

    internal static string WithoutLast(string tries) => tries.LastIndexOf(' ') is >= 0 and var end ? tries[..end] : "";

    private static Try Read(string take)
    {
        var mark = take.Length > 1 ? take[^2] : ' ';
        var tempo = take.AsSpan(0, take.Length - (mark is Half or Nothing or Passing ? 2 : 1));
        return new Try(
            take[^1] == '+',
            tempo.Length > 0 ? new Bpm(int.Parse(tempo, CultureInfo.InvariantCulture)) : null,
            mark switch
            {
                Half => 0.5,
                Nothing => 0,
                Passing => Try.PassingWeight,
                _ => 1,
            },
            mark is Passing
        );
    }
}
