using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>Between rows and the core's records.</summary>
public static class Bookkeeping
{
    /// <summary>How plans and drills are written into the file.</summary>
    public static JsonSerializerOptions Json { get; } =
        new(JsonSerializerDefaults.Web)
        {
            Converters = { new JsonStringEnumConverter() },
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        };

    /// <summary>A material as the planner sees it.</summary>
    /// <param name="row">The row.</param>
    /// <param name="today">The practice day.</param>
    /// <param name="piece">The piece of a passage.</param>
    /// <param name="hasPassages">Whether a piece has passages.</param>
    /// <param name="keys">What happened with keys and patterns.</param>
    /// <param name="visit">Its last visit, where that may be of today.</param>
    /// <param name="traits">The player's own.</param>
    public static Material ToCore(
        MaterialRow row,
        DateOnly today,
        MaterialRow? piece = null,
        bool hasPassages = false,
        IEnumerable<KeyRow>? keys = null,
        VisitRow? visit = null,
        Traits? traits = null
    )
    {
        ArgumentNullException.ThrowIfNull(row);
        var dates = DatesOf(piece ?? row);
        return new Material
        {
            Id = row.Id,
            Kind = row.Kind,
            Title = TitleOf(row, piece),
            ShortTitle = row.Kind == MaterialKind.Passage ? Bars(row) : row.Title,
            Area = row.Area,
            Group = row.PieceId ?? row.Id,
            FromBar = row.FromBar,
            ToBar = row.ToBar,
            BeatsPerBar = row.BeatsPerBar,
            Beat = row.Beat,
            Target = ToBpm(row.Target ?? piece?.Target),
            Readiness = ReadinessOf(row),
            Difficulty = row.Difficulty,
            Note = string.Join(
                " · ",
                new[] { row.Note, row.Fingering, row.Stroke, row.Why.Length > 0 ? $"because {row.Why}" : "" }.Where(part => part.Length > 0)
            ),
            Resting = Rests(row, today) || (piece is not null && Rests(piece, today)),
            BackOn =
                row.RestUntil <= today ? row.RestUntil
                : ReliefOf(row) is { Kind: Relief.WeekOff, From: var off } && off.AddDays(ReliefTime.DaysOff) <= today
                    ? off.AddDays(ReliefTime.DaysOff)
                : null,
            AskedFor = row.AskedFor <= today,
            IsScale = row.IsScale,
            HasPassages = hasPassages,
            KeyPlan = row.KeyPlanJson.Length > 0 ? JsonSerializer.Deserialize<KeyPlan>(row.KeyPlanJson, Json) : null,
            Keys =
            [
                .. (keys ?? []).Where(key => key.MaterialId == row.Id).Select(key => ReachBooks.KeyOf(key, row, today)).OfType<KeyRecord>(),
            ],
            Parts = (keys ?? [])
                .Where(key => key.MaterialId == row.Id && ReachBooks.IsPart(key.Key))
                .ToDictionary(key => key.Key, key => ReachBooks.PartOf(key, row, today), StringComparer.Ordinal),
            Work = WorkOf(row),
            Place = row.Place,
            Station = row.Station,
            Rhythm = ReachBooks.RhythmOf(row),
            Serves = ServedDifficulties.Read(row.Serves),
            ReviewOn = row.ReviewOn,
            School = (piece ?? row).School,
            Missing = row.Missing,
            Proposed = row.Proposed,
            PutBack = row.PutBack,
            PieceBegins = piece?.FromBar ?? 1,
            PieceEnds = piece?.ToBar ?? 0,
            Performance = dates.Where(date => date >= today).Select(date => (DateOnly?)date).FirstOrDefault(),
            LastPerformance = dates.Where(date => date < today).Select(date => (DateOnly?)date).LastOrDefault(),
            WeekMinutes = row.WeekMinutes,
            WeekTimes = row.WeekTimes,
            Relief = ReliefOf(row),
            Harmony = row.Harmony.Length > 0 ? Harmony.Read(row.Harmony, out _) : [],
            TwiceADay = row.TwiceADay || ReliefOf(row).On(today) == Relief.TwoShortVisits,
            PerformanceSet = (piece ?? row).PerformanceSet,
            // A spare minute is not the visit of the day: that is still to come.
            LastVisit = Seen(
                visit is { } passing && passing.Day == today && VisitBooks.IsInPassing(passing) ? passing.VisitBefore : row.LastVisit,
                today
            ),
            Visits = row.Visits,
            Memory = row is { Stability: { } stability, MemoryDifficulty: { } difficulty } ? new Memory(stability, difficulty) : null,
            Slipped = row.Slipped,
            Stuck = row.Stuck,
            LastClean = ToBpm(row.LastClean),
            Best = ToBpm(row.Best),
            Reach = ReachBooks.Brought(
                ReachBooks.ReachOf(row.ReachLog, row.ReachSpread, ReachBooks.NotesABeat(row)),
                row.LastVisit,
                row.Visits,
                today
            ),
            Today = visit is { Day: var day } && day == today ? VisitBooks.Today(row, visit, traits ?? Traits.Usual) : null,
            Confirmed = Seen(row.Confirmed, today),
            NextExample = row.NextExample,
            ReadAhead = ExampleBooks.ReadAheadOf(row),
            BookParts = row.BookParts.Length > 0 ? BookPart.Read(row.BookParts, row.Examples, out _) : [],
            TodaysKey = row.TodaysKey,
            Examples = row.Examples,
            PerDay = row.PerDay,
        };
    }

    /// <summary>All performances of a piece, in order.</summary>
    public static IReadOnlyList<DateOnly> DatesOf(MaterialRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return
        [
            .. row
                .LaterDates.Split(',', StringSplitOptions.RemoveEmptyEntries)
                .Select(date => DateOnly.Parse(date, CultureInfo.InvariantCulture))
                .Concat(row.Performance is { } first ? [first] : [])
                .Distinct()
                .Order(),
        ];
    }

    /// <summary>Whether it rests on a day: a rest with an end is over on that day.</summary>
    public static bool Rests(MaterialRow row, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(row);
        return (row.Resting && !(row.RestUntil <= today)) || ReliefOf(row).On(today) == Relief.WeekOff;
    }

    private static ReliefTime ReliefOf(MaterialRow row) => row.ReliefFrom is { } from ? new ReliefTime(row.Relief, from) : default;

    /// <summary>A new passage of a piece, with its metre and its target.</summary>
    public static MaterialRow PassageOf(MaterialRow piece, int from, int to)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return new MaterialRow
        {
            Kind = MaterialKind.Passage,
            Area = piece.Area,
            Piece = piece,
            FromBar = from,
            ToBar = to,
            BeatsPerBar = piece.BeatsPerBar,
            Beat = piece.Beat,
            Target = piece.Target,
        };
    }

    /// <summary>Passages are counted as their piece is.</summary>
    public static void CountAlike(MaterialRow piece, IEnumerable<MaterialRow> passages)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(passages);
        foreach (var passage in passages)
            (passage.BeatsPerBar, passage.Beat) = (piece.BeatsPerBar, piece.Beat);
    }

    /// <summary>What it is called: a passage after its piece and bars.</summary>
    public static string TitleOf(MaterialRow row, MaterialRow? piece)
    {
        ArgumentNullException.ThrowIfNull(row);
        if (row.Kind != MaterialKind.Passage)
            return row.Title;
        return $"{piece?.Title ?? row.Piece?.Title}, {Bars(row)}";
    }

    /// <summary>The bars of a passage: "17–18".</summary>
    public static string Bars(MaterialRow row) => row.FromBar == row.ToBar ? $"{row.FromBar}" : $"{row.FromBar}–{row.ToBar}";

    /// <summary>The goal of a row.</summary>
    public static Goal ToCore(GoalRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new Goal(row.Id, row.Kind, row.MaterialId, row.From, row.To, row.Begun, row.Until);
    }

    /// <summary>The player's own method of a row.</summary>
    public static Method ToCore(MethodRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new Method(
            new MethodId($"{OwnMethods.Prefix}{row.Id}"),
            row.Name,
            row.How,
            (row.Least, row.Most),
            row.Records,
            row.Leave,
            row.Course,
            row.Count
        )
        {
            Fit = row.Fit,
        };
    }

    /// <summary>The routine of a row.</summary>
    public static Routine ToCore(RoutineRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new Routine(row.Name, JsonSerializer.Deserialize<List<Block>>(row.BlocksJson, Json) ?? [], row.Interwoven);
    }

    /// <summary>The version of a row.</summary>
    public static WarmUp ToCore(WarmUpRow row, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new WarmUp(
            row.Id,
            row.Name,
            JsonSerializer.Deserialize<List<WarmUpPart>>(row.PartsJson, Json) ?? [],
            Seen(row.LastDay, today)
        );
    }

    /// <summary>The number of the version that a target of a warm-up belongs to, or null: "w:3:1" belongs to 3.</summary>
    public static int? WarmUpOf(string key)
    {
        return TargetKey.Parse(key) is { Kind: TargetKind.WarmUp } part ? part.Id : null;
    }

    /// <summary>A take as the stage counts it.</summary>
    /// <param name="take">The take.</param>
    /// <param name="drill">Its drill: what came late is kept by name.</param>
    public static StageTake ToStage(TakeRow take, Drill drill)
    {
        ArgumentNullException.ThrowIfNull(take);
        ArgumentNullException.ThrowIfNull(drill);
        return new StageTake(
            take.TargetIndex,
            take.Clean,
            ToBpm(take.Tempo),
            take.LateItems.Length > 0 ? [.. IndicesOf(take.LateItems.Split('\n'), drill.Targets[take.TargetIndex].Work)] : null
        );
    }

    /// <summary>Keys or chords of a work by their names; what it has no more is left out.</summary>
    public static IEnumerable<int> IndicesOf(IEnumerable<string> names, Work? work) =>
        names.Select(name => (work?.Items.ToList() ?? []).IndexOf(name)).Where(index => index >= 0);

    private static DateOnly? Seen(DateOnly? day, DateOnly today) => day is { } happened ? PracticeDay.AsSeenOn(happened, today) : null;

    /// <summary>Exercises are not rated: they are raw until they were clean once, ready at their target.</summary>
    private static Readiness ReadinessOf(MaterialRow row) =>
        row switch
        {
            { Kind: not MaterialKind.Exercise } => row.Readiness,
            { Best: null, Stability: null } => Readiness.Raw,
            { Best: null, Slipped: true, Visits: < 2 } => Readiness.Raw,
            { Best: { } best, Target: { } target } when best >= target => Readiness.Ready,
            _ => Readiness.Shaping,
        };

    /// <summary>What an exercise is made of; null for nothing beside a line of notes.</summary>
    public static Work? WorkOf(MaterialRow row) => row.WorkJson.Length > 0 ? JsonSerializer.Deserialize<Work>(row.WorkJson, Json) : null;

    /// <summary>A tempo of a row; null for none.</summary>
    public static Bpm? ToBpm(int? value) => value is { } beats ? Bpm.Near(beats) : null;
}
