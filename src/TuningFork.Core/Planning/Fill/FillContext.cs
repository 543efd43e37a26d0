using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning.Fill;

/// <summary>What the makers of drills share while a day is filled.</summary>
internal sealed class FillContext
{
    /// <summary>The reason of what the player asked for.</summary>
    public const string YouAsked = "you asked for it";

    private readonly HashSet<string> ids;
    private readonly Counts counts;

    public FillContext(DayRequest request)
    {
        if (request.AfterPain is { } after)
        {
            Resting = [.. after.Resting(request.Materials)];
            request = request with
            {
                Materials =
                [
                    .. request.Materials.Select(material => Resting.Contains(material.Id) ? material with { Resting = true } : material),
                ],
            };
        }

        request = NearDate.Applied(request);
        Request = request;
        Random = new Random(request.Seed);
        (Usual, Most) = SittingLength.Drill(request.Minutes);
        counts = new Counts { ScaleLeft = request.ScaleMinutes };
        ids = [.. request.Kept.Select(drill => drill.Id)];
        Purpose = Planning.Purpose.Of(request.Materials, request.Day, request.Focus);
        Used = [.. request.Kept.Concat(request.LeftOut).SelectMany(drill => drill.Targets).Select(target => target.Key)];
    }

    /// <summary>The same day, for a block that holds chosen material only.</summary>
    private FillContext(FillContext day, DayRequest request)
    {
        (Request, Random, Usual, Most, ids, counts, Purpose) = (request, day.Random, day.Usual, day.Most, day.ids, day.counts, day.Purpose);
        (Used, Waiting, Later, SeenToday, Resting, NewLeft) = (day.Used, day.Waiting, day.Later, day.SeenToday, day.Resting, day.NewLeft);
        (given, Walked) = (day.given, day.Walked);
    }

    /// <summary>What a block may draw from: all material, or what it holds; of a piece its passages too.</summary>
    public FillContext Holding(Block block) =>
        block.Materials.Count == 0
            ? this
            : new FillContext(
                this,
                Request with
                {
                    Materials =
                    [
                        .. Request.Materials.Where(material =>
                            block.Materials.Contains(material.Id)
                            || (material.Kind == MaterialKind.Passage && block.Materials.Contains(material.Group))
                        ),
                    ],
                }
            );

    public DayRequest Request { get; }

    public Random Random { get; }

    public int Usual { get; }

    public int Most { get; }

    public int ScaleLeft
    {
        get => counts.ScaleLeft;
        set => counts.ScaleLeft = value;
    }

    /// <summary>What technique is for today, or null.</summary>
    public TechniquePurpose? Purpose { get; }

    /// <summary>Keys of targets that already have a place today.</summary>
    public HashSet<string> Used { get; }

    /// <summary>What is counted over the whole day.</summary>
    private sealed class Counts
    {
        public int Next { get; set; }

        public int ScaleLeft { get; set; }
    }

    /// <summary>Minutes that each thing has got in this sitting.</summary>
    private readonly Dictionary<int, double> given = [];

    /// <summary>Stretches of pieces planned for this sitting: the first bar of the first, the last of the last.</summary>
    public Dictionary<int, (int From, int To)> Walked { get; } = [];

    /// <summary>Minutes that a thing has got in this sitting.</summary>
    public double Given(Material material) => given.GetValueOrDefault(material.Id);

    public List<Waiting> Waiting { get; } = [];

    /// <summary>What waits until others are ready, and what is new and does not begin today.</summary>
    public List<Queued> Later { get; } = [];

    /// <summary>How many new things may begin today beside those in the queue, when there is time.</summary>
    public int NewLeft { get; set; }

    /// <summary>What already stands in the repertoire of today, once for each turn.</summary>
    public List<Queued> SeenToday { get; } = [];

    /// <summary>Numbers of what rests after pain.</summary>
    public HashSet<int> Resting { get; } = [];

    /// <summary>Keys and chords that the drills of today have made so far, as they are printed.</summary>
    public HashSet<string> Sounded { get; } = new(StringComparer.Ordinal);

    private static IEnumerable<string> Heard(Target target) =>
        (target.Work is { Kind: WorkKind.Shuttle or WorkKind.Changes or WorkKind.Inversions } work ? work.Items : [])
            .Append(TargetKey.Parse(target.Key).InKey)
            .Select(Harmony.NameOf)
            .OfType<string>();

    public bool Careful =>
        Request.HoldTempo || Request.AfterPain is not null || (Request.Demands & (Demands.Tired | Demands.Concert)) != Demands.None;

    public Drill Make(Area area, Method method, string title, int minutes, string reason, params IReadOnlyList<Target> targets)
    {
        foreach (var target in targets)
        {
            Used.Add(target.Key);
            Sounded.UnionWith(Heard(target));
            if (target.MaterialId is { } material)
                given[material] = given.GetValueOrDefault(material) + ((double)minutes / targets.Count);
        }

        string id;
        do id = $"d{++counts.Next}";
        while (ids.Contains(id));
        return new Drill
        {
            Id = id,
            Area = area,
            MethodId = method.Id,
            Own = method.Id.Name.StartsWith(OwnMethods.Prefix, StringComparison.Ordinal) ? method : null,
            Title = title,
            Minutes = minutes,
            Reason = reason,
            Targets = targets,
            Seed = Random.Next(1_000_000),
        };
    }

    /// <summary>What is to have its minutes of the week today, as far as they fit; what does not fit waits by name.</summary>
    public IReadOnlyList<Material> Owed(Area area, int minutes)
    {
        var fits = new List<Material>();
        foreach (
            var material in Request
                .Materials.Where(one => one.Area == area && Promises.IsOwed(one, Request) && !Used.Contains(TargetKey.Of(one.Id)))
                .OrderBy(one => one.LastVisit ?? DateOnly.MinValue)
                .ThenBy(one => one.Id)
        )
        {
            if (material.WeekMinutes <= minutes - fits.Sum(one => one.WeekMinutes))
                fits.Add(material);
            else
                Waiting.Add(new Waiting(area, material.Id, material.Title, $"{ByWeek(material)}; not enough minutes today"));
        }

        return fits;
    }

    /// <summary>The wish of a material by week, in words: "10 min, 3 times a week".</summary>
    public static string ByWeek(Material material) =>
        $"{material.WeekMinutes} min, {(material.WeekTimes == 1 ? "once" : material.WeekTimes == 2 ? "twice" : $"{material.WeekTimes} times")} a week";

    /// <summary>Whether this ear task, warm-up or idea was asked for.</summary>
    public bool Asked(string key) => Request.Asked.Contains(key, StringComparer.Ordinal);

    /// <summary>A drill on one material by a method, at the tempo that the method wants.</summary>
    public Drill MakeOne(Area area, Method method, Material material, int minutes, string reason) =>
        AlteredDrill.Is(method) ? AlteredDrill.Of(this, area, method, material, minutes, reason)
        : method == Methods.FastestAndSlowest ? LimitsDrill.Of(this, area, material, minutes, reason)
        : Make(
            area,
            method,
            material.Title,
            minutes,
            // What has a method that belongs to it has no other way.
            material.Stuck && material.Reach is { } reach
                ? $"stuck near {Bpm.Near(reach.Tempo)}{(material.Work is null ? ": another way" : "")}"
                : reason,
            this.TargetOf(material, TodaysTempo.PaceOf(method))
        );

    /// <summary>A drill on something that has a name and no number: a warm-up, an idea to play with.</summary>
    public Drill MakeNamed(Area area, Method method, (string Title, string How) what, int minutes, string reason)
    {
        var key = KeyOf(area, what.Title);
        return Make(
            area,
            method,
            what.Title,
            minutes,
            Asked(key) ? YouAsked : reason,
            new Target
            {
                Key = key,
                Title = what.Title,
                Group = key,
            }
        ) with
        {
            How = what.How,
        };
    }

    /// <summary>The one that was asked for, else the one whose turn it is.</summary>
    public (string Title, string How) Choose(Area area, IReadOnlyList<(string Title, string How)> choices, int turn)
    {
        var asked = choices.FirstOrDefault(choice => Asked(KeyOf(area, choice.Title)) && !Used.Contains(KeyOf(area, choice.Title)));
        return asked.Title is null ? choices[turn % choices.Count] : asked;
    }

    /// <summary>Minutes cut into drills of about the usual length, none above the most.</summary>
    public static IReadOnlyList<int> Chop(int minutes, int usual, int most, int atMost = int.MaxValue)
    {
        var count = Math.Max(1, (int)Math.Round((double)minutes / usual, MidpointRounding.AwayFromZero));
        while ((minutes + count - 1) / count > most)
            count++;
        count = Math.Clamp(count, 1, Math.Max(1, Math.Min(atMost, minutes)));
        return [.. Enumerable.Range(0, count).Select(i => (minutes / count) + (i < minutes % count ? 1 : 0))];
    }

    public static string KeyOf(Area area, string title) => $"{Areas.Name(area)}:{title}";
}
