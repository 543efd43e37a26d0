using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
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
    public static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    /// <summary>A material as the planner sees it.</summary>
    public static Material ToCore(MaterialRow row, DateOnly today, MaterialRow? piece = null, bool hasPassages = false, IEnumerable<KeyRow>? keys = null)
    {
        ArgumentNullException.ThrowIfNull(row);
        var performance = (piece ?? row).Performance;
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
            Note = string.Join(" · ", new[] { row.Note, row.Fingering, row.Stroke, row.Why.Length > 0 ? $"because {row.Why}" : "" }.Where(part => part.Length > 0)),
            Resting = Rests(row, today) || (piece is not null && Rests(piece, today)),
            BackOn = row.RestUntil <= today ? row.RestUntil : null,
            AskedFor = row.AskedFor <= today,
            IsScale = row.IsScale,
            HasPassages = hasPassages,
            KeyPlan = row.KeyPlanJson.Length > 0 ? JsonSerializer.Deserialize<KeyPlan>(row.KeyPlanJson, Json) : null,
            Keys = [.. (keys ?? []).Where(key => key.MaterialId == row.Id).Select(key => ToCore(key, today)).OfType<KeyRecord>()],
            Work = row.WorkJson.Length > 0 ? JsonSerializer.Deserialize<Work>(row.WorkJson, Json) : null,
            Place = row.Place,
            Rhythm = RhythmOf(row),
            Serves = row.Serves.Split(',', StringSplitOptions.RemoveEmptyEntries),
            ReviewOn = row.ReviewOn,
            School = (piece ?? row).School,
            Missing = row.Missing,
            Proposed = row.Proposed,
            PutBack = row.PutBack,
            PieceBegins = piece?.FromBar ?? 1,
            PieceEnds = piece?.ToBar ?? 0,
            Performance = performance >= today ? performance : null,
            PerformanceSet = (piece ?? row).PerformanceSet,
            LastVisit = Seen(row.LastVisit, today),
            Visits = row.Visits,
            Memory = row is { Stability: { } stability, MemoryDifficulty: { } difficulty } ? new Memory(stability, difficulty) : null,
            Slipped = row.Slipped,
            EasyLastTime = row.EasyLastTime,
            Stuck = row.Stuck,
            LastClean = ToBpm(row.LastClean),
            NextExample = row.NextExample,
            Examples = row.Examples,
            PerDay = row.PerDay,
        };
    }

    /// <summary>Whether it rests on a day: a rest with an end is over on that day.</summary>
    public static bool Rests(MaterialRow row, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(row);
        return row.Resting && !(row.RestUntil <= today);
    }

    /// <summary>What it is called: a passage after its piece and bars.</summary>
    public static string TitleOf(MaterialRow row, MaterialRow? piece)
    {
        ArgumentNullException.ThrowIfNull(row);
        if (row.Kind != MaterialKind.Passage)
            return row.Title;
        return $"{piece?.Title ?? row.Piece?.Title}, {Bars(row)}";
    }

    /// <summary>The rhythm that its sheet was asked for in; empty without a sheet.</summary>
    private static string RhythmOf(MaterialRow row)
    {
        if (row.SheetJson.Length == 0)
            return "";
        using var sheet = JsonDocument.Parse(row.SheetJson);
        return sheet.RootElement.TryGetProperty("rhythm", out var rhythm) ? rhythm.GetString() ?? "" : "eighth";
    }

    private static string Bars(MaterialRow row) => row.FromBar == row.ToBar ? $"{row.FromBar}" : $"{row.FromBar}–{row.ToBar}";

    /// <summary>Begins a visit: keeps what was known before, so that takes can be added and taken back.</summary>
    public static VisitRow Begin(MaterialRow material, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(material);
        var visit = new VisitRow
        {
            MaterialId = material.Id,
            Material = material,
            Day = day,
            VisitBefore = material.LastVisit,
            StabilityBefore = material.Stability,
            DifficultyBefore = material.MemoryDifficulty,
            CleanBefore = material.LastClean,
        };
        material.Visits++;
        material.LastVisit = day;
        material.AskedFor = null;
        return visit;
    }

    /// <summary>Adds a take to a visit and brings the material up to date.</summary>
    public static void Add(MaterialRow material, VisitRow visit, bool clean, int? tempo)
    {
        ArgumentNullException.ThrowIfNull(visit);
        visit.Tries = $"{visit.Tries} {tempo?.ToString(CultureInfo.InvariantCulture)}{(clean ? '+' : '-')}".Trim();
        Sum(material, visit);
    }

    /// <summary>Takes the last take of a visit back.</summary>
    /// <returns>True when none is left: the material stands as before the visit, and the visit's row has to go.</returns>
    public static bool RemoveLast(MaterialRow material, VisitRow visit)
    {
        ArgumentNullException.ThrowIfNull(material);
        ArgumentNullException.ThrowIfNull(visit);
        var end = visit.Tries.LastIndexOf(' ');
        visit.Tries = end < 0 ? "" : visit.Tries[..end];
        Sum(material, visit);
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
        return [.. tries.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(take => new Try(
            take[^1] == '+', take.Length > 1 ? new Bpm(int.Parse(take.AsSpan(0, take.Length - 1), CultureInfo.InvariantCulture)) : null))];
    }

    /// <summary>What happened with a key; null when its name cannot be read any more.</summary>
    public static KeyRecord? ToCore(KeyRow row, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Key.TryParse(row.Key, out var key) ? new KeyRecord(key, PracticeDay.AsSeenOn(row.LastDay, today), PracticeDay.AsSeenOn(row.FirstDay, today), row.Began, row.LastClean) : null;
    }

    /// <summary>The tempo history of a material: its visits with takes, in order.</summary>
    public static IReadOnlyList<TempoPoint> Tempos(IEnumerable<VisitRow> visits) =>
    [
        .. visits.Where(visit => visit.Takes > 0).OrderBy(visit => visit.Day)
            .Select(visit => new TempoPoint(visit.Day, visit.Clean, Tries(visit.Tries).Select(take => take.Tempo?.Value).Max())),
    ];

    /// <summary>Whether the tempo of a material is stuck.</summary>
    public static PlateauView Plateau(MaterialRow material, IEnumerable<VisitRow> visits, bool tense = false)
    {
        ArgumentNullException.ThrowIfNull(material);
        return Core.Tempo.Plateau.Look(Tempos(visits), ToBpm(material.Target ?? material.Piece?.Target), tense);
    }

    /// <summary>Notes that a material was played in a key; after more than a week a new turn of the key begins.</summary>
    public static void Played(KeyRow row, DateOnly day, bool began, bool clean, int? tempo)
    {
        ArgumentNullException.ThrowIfNull(row);
        if (row.Visits == 0 || day.DayNumber - row.FirstDay.DayNumber >= 7)
            row.FirstDay = day;
        if (row.LastDay != day || row.Visits == 0)
            row.Visits++;
        row.Began = began || (row.LastDay == day && row.Began);
        row.LastDay = day;
        if (clean && tempo is { } beats && !(row.LastClean > beats && row.LastDay == day))
            row.LastClean = beats;
    }

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
        return new Method(OwnMethods.Prefix + row.Id, row.Name, row.How, (row.Least, row.Most), row.Records, row.Leave, row.Course, row.Count) { Fit = row.Fit };
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
        return new WarmUp(row.Id, row.Name, JsonSerializer.Deserialize<List<WarmUpPart>>(row.PartsJson, Json) ?? [], Seen(row.LastDay, today));
    }

    /// <summary>The versions a player begins with, as rows.</summary>
    public static IEnumerable<WarmUpRow> WarmUpsFor(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return WarmUpLibrary.For(profile.Family, profile.Instrument).Select(version => new WarmUpRow { Name = version.Name, PartsJson = JsonSerializer.Serialize(version.Parts, Json) });
    }

    /// <summary>The number of the version that a target of a warm-up belongs to, or null: "w:3:1" belongs to 3.</summary>
    public static int? WarmUpOf(string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        return key.Split(':') is ["w", var id, _] && int.TryParse(id, CultureInfo.InvariantCulture, out var number) ? number : null;
    }

    /// <summary>The instrument of a profile: one that is known by name, with the player's own range and transposition.</summary>
    public static Instrument InstrumentOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        var known = Instrument.Known.FirstOrDefault(one => string.Equals(one.Name, profile.Instrument, StringComparison.OrdinalIgnoreCase))
            ?? Instrument.Unknown(profile.Instrument, profile.Family);
        return known with
        {
            Transposition = profile.Transposition,
            Lowest = Pitch.TryParse(profile.Lowest, out var lowest) ? lowest : known.Lowest,
            Highest = Pitch.TryParse(profile.Highest, out var highest) ? highest : known.Highest,
        };
    }

    /// <summary>The wanted shares of a profile.</summary>
    public static IReadOnlyList<AreaShare> SharesOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return profile.SharesJson.Length == 0 ? Shares.Default : JsonSerializer.Deserialize<List<AreaShare>>(profile.SharesJson, Json) ?? Shares.Default;
    }

    private static DateOnly? Seen(DateOnly? day, DateOnly today) => day is { } happened ? PracticeDay.AsSeenOn(happened, today) : null;

    private static void Sum(MaterialRow material, VisitRow visit)
    {
        var tries = Tries(visit.Tries);
        var memory = visit is { StabilityBefore: { } stability, DifficultyBefore: { } difficulty } ? new Memory(stability, difficulty) : (Memory?)null;
        var outcome = Visits.Sum(new BeforeVisit(visit.VisitBefore, memory, ToBpm(visit.CleanBefore)), visit.Day, tries, ToBpm(material.Target ?? material.Piece?.Target));
        visit.Takes = tries.Count;
        visit.CleanTakes = tries.Count(take => take.Clean);
        visit.TriesToClean = outcome.TriesToClean;
        visit.Grade = outcome.Grade;
        visit.Clean = tries.Where(take => take is { Clean: true, Tempo: not null }).Select(take => take.Tempo!.Value.Value).DefaultIfEmpty().Max() is > 0 and var best ? best : null;
        material.Stability = outcome.Memory?.Stability;
        material.MemoryDifficulty = outcome.Memory?.Difficulty;
        material.LastClean = outcome.LastClean?.Value;
        material.Slipped = outcome.Slipped;
        material.EasyLastTime = outcome.Easy;
    }

    /// <summary>Exercises are not rated: they are raw until clean once, ready at their target.</summary>
    private static Readiness ReadinessOf(MaterialRow row) => row switch
    {
        { Kind: not MaterialKind.Exercise } => row.Readiness,
        { LastClean: null } => Readiness.Raw,
        { LastClean: { } clean, Target: { } target } when clean >= target => Readiness.Ready,
        _ => Readiness.Shaping,
    };

    private static Bpm? ToBpm(int? value) => value is { } beats ? Bpm.Near(beats) : null;
}
