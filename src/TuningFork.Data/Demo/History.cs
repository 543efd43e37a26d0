using System.Text.Json;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>
/// Days gone by, made by really planning each one and letting a made-up learner play it. Used for the demo and, at greater
/// length, for measuring.
/// </summary>
public sealed class History
{
    private readonly Dictionary<(DateOnly Day, Area Area), double> seconds = [];
    private readonly Dictionary<string, (DateOnly Last, int Asked, int Missed)> ear = new(StringComparer.Ordinal);
    private readonly Dictionary<(int Material, DateOnly Day), VisitRow> visits = [];
    private readonly Dictionary<(int Material, string Key), KeyRow> keys = [];
    private readonly Random random;
    private readonly ProfileRow profile;
    private readonly Routine routine;
    private readonly Learner learner;
    private readonly IReadOnlyList<WarmUpRow> warmUps;
    private readonly Dictionary<Area, DateOnly> lastDay = [];

    /// <summary>An empty history.</summary>
    /// <param name="profile">The player.</param>
    /// <param name="routine">The shape of every day.</param>
    /// <param name="seed">Makes it again.</param>
    /// <param name="warmUps">Versions of the warm-up; none for those of the family.</param>
    public History(ProfileRow profile, RoutineRow routine, int seed, IReadOnlyList<WarmUpRow>? warmUps = null)
    {
        this.warmUps = warmUps ?? [];
        this.profile = profile;
        this.routine = Bookkeeping.ToCore(routine);
        random = new Random(seed);
        learner = new Learner(random);
    }

    /// <summary>Sessions with their drills and takes, oldest first.</summary>
    public List<SessionRow> Sessions { get; } = [];

    /// <summary>The plans that were made, oldest first.</summary>
    public List<DayPlan> Plans { get; } = [];

    /// <summary>Visits, one a material and day.</summary>
    public IReadOnlyCollection<VisitRow> Visits => visits.Values;

    /// <summary>Keys of material that goes through them.</summary>
    public IReadOnlyCollection<KeyRow> Keys => keys.Values;

    /// <summary>A material that stays below a part of its target: a plateau.</summary>
    public void Limit(int material, double part) => learner.Ceilings[material] = part;

    /// <summary>Plans and plays one day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="minutes">Minutes of the sitting.</param>
    /// <param name="materials">Material known by then.</param>
    public SessionRow Play(DateOnly day, int minutes, IReadOnlyList<MaterialRow> materials)
    {
        var byId = materials.ToDictionary(row => row.Id);
        var withPassages = materials.Where(row => row.PieceId is not null).Select(row => row.PieceId!.Value).ToHashSet();
        var dates = materials.Where(row => row.Kind == MaterialKind.Piece).SelectMany(Bookkeeping.DatesOf).ToList();
        var plan = DayPlanner.Plan(
            new DayRequest
            {
                Day = day,
                Minutes = minutes,
                Routine = routine,
                Shares = ProfileBooks.SharesOf(profile),
                Family = profile.Family,
                IsPitched = ProfileBooks.InstrumentOf(profile).IsPitched,
                UsualMinutes = minutes,
                Traits = ProfileBooks.TraitsOf(profile),
                Seed = day.DayNumber * 31,
                History =
                [
                    .. Areas.All.Select(area => new AreaHistory(
                        area,
                        (int)
                            Enumerable
                                .Range(0, 7)
                                .Where(back => !NearDate.Holds(day.AddDays(-back), dates))
                                .Sum(back => seconds.GetValueOrDefault((day.AddDays(-back), area))),
                        lastDay.TryGetValue(area, out var last) ? day.DayNumber - last.DayNumber : null
                    )),
                ],
                Materials =
                [
                    .. materials.Select(row =>
                        Bookkeeping.ToCore(row, day, row.PieceId is { } id ? byId[id] : null, withPassages.Contains(row.Id), keys.Values)
                    ),
                ],
                WarmUps = [.. warmUps.Select(row => Bookkeeping.ToCore(row, day))],
                Ear = [.. ear.Select(pair => new EarRecord(pair.Key, pair.Value.Last, pair.Value.Asked, pair.Value.Missed))],
            }
        );
        Plans.Add(plan);
        var started = day.ToDateTime(new TimeOnly(17 + random.Next(3), random.Next(12) * 5), DateTimeKind.Utc);
        var session = new SessionRow
        {
            Day = day,
            PlannedMinutes = minutes,
            StartedUtc = started,
            EndedUtc = started.AddMinutes(minutes),
            PulseUtc = started,
        };
        foreach (var drill in plan.Drills)
            session.Drills.Add(PlayDrill(drill, day, session.Drills.Count, byId, started));
        session.Current = session.Drills.Count;
        Sessions.Add(session);
        return session;
    }

    private SessionDrillRow PlayDrill(Drill drill, DateOnly day, int position, Dictionary<int, MaterialRow> materials, DateTime started)
    {
        var row = new SessionDrillRow
        {
            Day = day,
            Position = position,
            Area = drill.Area,
            CreditedTo = drill.CreditedTo,
            Title = drill.Title,
            DrillJson = JsonSerializer.Serialize(drill, Bookkeeping.Json),
            PlannedSeconds = drill.Minutes * 60,
            State = DrillState.Done,
            PlayedSeconds = drill.Minutes * (52 + random.Next(9)),
        };
        if (drill.Area is not { } area)
            return row;
        // Some days end before the last drill does.
        if (area == Area.Play && random.Next(6) == 0)
        {
            row.State = DrillState.Skipped;
            row.PlayedSeconds = 0;
            return row;
        }

        seconds[(day, area)] = seconds.GetValueOrDefault((day, area)) + row.PlayedSeconds;
        lastDay[area] = day;
        if (area == Area.WarmUp)
        {
            WarmedUp(drill, row, day);
            return row;
        }

        PlayTakes(drill, row, day, materials, started);
        return row;
    }

    private void WarmedUp(Drill drill, SessionDrillRow row, DateOnly day)
    {
        if (drill.CreditedTo is { } credited)
            seconds[(day, credited)] = seconds.GetValueOrDefault((day, credited)) + row.PlayedSeconds;
        foreach (var version in warmUps.Where(version => drill.Targets.Any(target => Bookkeeping.WarmUpOf(target.Group) == version.Id)))
            version.LastDay = day;
    }

    private void PlayTakes(Drill drill, SessionDrillRow row, DateOnly day, Dictionary<int, MaterialRow> materials, DateTime started)
    {
        var used = 0.0;
        double? loopFrom = 0;
        drill = Refreshed(drill, day, materials);
        while (
            Stage.Now(drill, [.. row.Takes.Select(take => Bookkeeping.ToStage(take, drill))], used, loopFrom: loopFrom)
                is { CountsTakes: true, Complete: false } cue
            && used < row.PlayedSeconds
        )
        {
            var target = drill.Targets[cue.TargetIndex];
            var material = target.MaterialId is { } id ? materials[id] : null;
            var clean = material is null or { Kind: MaterialKind.Book } ? learner.Hear() : learner.Play(material, cue.Tempo?.Value, day);
            row.Takes.Add(
                new TakeRow
                {
                    Id = new Guid(Bytes()),
                    Number = row.Takes.Count,
                    Day = day,
                    AtUtc = started.AddSeconds(used),
                    Key = target.Key,
                    TargetIndex = cue.TargetIndex,
                    MaterialId = target.MaterialId,
                    Clean = clean,
                    Tempo = cue.Tempo?.Value,
                }
            );
            used += Math.Max(15, target.TakeSeconds);
            loopFrom = clean ? loopFrom : used;
            if (material is not null)
                Visit(material, drill.MethodId, target.Key, day, new Try(clean, cue.Tempo));
            else if (target.Key.StartsWith("ear:", StringComparison.Ordinal))
                Note(target.Key, day, clean);
        }

        if (
            drill.Targets is [{ MaterialId: { } kept }, ..]
            && StageRuns.PlaceAfter(drill, [.. row.Takes.Select(take => Bookkeeping.ToStage(take, drill))]) is { } place
        )
            materials[kept].Place = place;
        if (row.Takes.Count == 0 && drill.Targets is [{ MaterialId: { } read }, ..] && !visits.ContainsKey((read, day)))
            visits[(read, day)] = VisitBooks.Begin(materials[read], day);
    }

    /// <summary>As the stage does it: the tempo of a drill follows from what was played before it that day.</summary>
    private Drill Refreshed(Drill drill, DateOnly day, Dictionary<int, MaterialRow> materials) =>
        TodaysTempo.Refreshed(drill, target =>
            target.MaterialId is { } id && target.Key == TargetKey.Of(id) && visits.TryGetValue((id, day), out var visit)
                ? VisitBooks.Today(materials[id], visit, Traits.Usual)
                : null
        );

    private void Visit(MaterialRow material, MethodId method, string key, DateOnly day, Try take)
    {
        if (!visits.TryGetValue((material.Id, day), out var visit))
            visits[(material.Id, day)] = visit = VisitBooks.Begin(material, day);
        if (TodaysTempo.PartOf(key) is { } part)
            InKey(material, part, day, visit.Tries.Length == 0, KeyBooks.InPart(key, take));
        if (material.Kind == MaterialKind.Book)
            material.NextExample = Math.Max(
                material.NextExample,
                int.Parse(key.AsSpan(key.LastIndexOf(':') + 1), System.Globalization.CultureInfo.InvariantCulture) + 1
            );
        else
            VisitBooks.Add(material, visit, take.Clean, take.Tempo?.Value, TodaysTempo.Weight(method, key));
    }

    private void InKey(MaterialRow material, string name, DateOnly day, bool began, Try take)
    {
        if (!keys.TryGetValue((material.Id, name), out var row))
            keys[(material.Id, name)] = row = new KeyRow { MaterialId = material.Id, Key = name };
        KeyBooks.Played(row, day, began, take, material, Bookkeeping.ToCore(material, day).StartInKey);
    }

    private void Note(string key, DateOnly day, bool clean)
    {
        var (_, asked, missed) = ear.GetValueOrDefault(key);
        ear[key] = (day, asked + 1, missed + (clean ? 0 : 1));
    }

    private byte[] Bytes()
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        return bytes;
    }
}
