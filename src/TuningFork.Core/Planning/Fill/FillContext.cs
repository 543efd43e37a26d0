using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Planning.Fill;

/// <summary>What the makers of drills share while a day is filled.</summary>
internal sealed class FillContext
{
    /// <summary>The reason of what the player asked for.</summary>
    public const string YouAsked = "you asked for it";

    private readonly HashSet<string> ids;
    private int next;

    public FillContext(DayRequest request)
    {
        Request = request;
        Random = new Random(request.Seed);
        (Usual, Most) = SittingLength.Drill(request.Minutes);
        ScaleLeft = request.ScaleMinutes;
        ids = [.. request.Kept.Select(drill => drill.Id)];
        Purpose = Planning.Purpose.Of(request.Materials, request.Day, request.Focus);
        Used = [.. request.Kept.Concat(request.LeftOut).SelectMany(drill => drill.Targets).Select(target => target.Key)];
    }

    public DayRequest Request { get; }

    public Random Random { get; }

    public int Usual { get; }

    public int Most { get; }

    public int ScaleLeft { get; set; }

    /// <summary>What technique is for today, or null.</summary>
    public TechniquePurpose? Purpose { get; }

    /// <summary>Keys of targets that already have a place today.</summary>
    public HashSet<string> Used { get; }

    public List<Waiting> Waiting { get; } = [];

    public bool Careful => Request.HoldTempo || (Request.Demands & (Demands.Tired | Demands.Concert)) != Demands.None;

    public Drill Make(Area area, Method method, string title, int minutes, string reason, params IReadOnlyList<Target> targets)
    {
        foreach (var target in targets)
            Used.Add(target.Key);
        string id;
        do
            id = $"d{++next}";
        while (ids.Contains(id));
        return new Drill
        {
            Id = id,
            Area = area,
            MethodId = method.Id,
            Own = method.Id.StartsWith(OwnMethods.Prefix, StringComparison.Ordinal) ? method : null,
            Title = title,
            Minutes = minutes,
            Reason = reason,
            Targets = targets,
            Seed = Random.Next(1_000_000),
        };
    }

    public Target TargetOf(Material material, bool timed = true)
    {
        var days = material.LastVisit is { } last ? Request.Day.DayNumber - last.DayNumber : 0;
        var start = timed ? TempoStart.For(material.LastClean, days, material.EasyLastTime, material.Target, Careful) : null;
        return new Target
        {
            Key = $"m:{material.Id}",
            MaterialId = material.Id,
            Title = material.Title,
            Group = $"m:{material.Group}",
            Tempo = start?.Tempo,
            Goal = material.Target,
            Beat = material.Beat,
            TakeSeconds = Takes.Seconds(Math.Max(1, material.Bars), material.BeatsPerBar, start?.Tempo ?? material.WorkingTempo),
            StopAfterBar = material.Kind == MaterialKind.Passage ? material.ToBar : null,
            Note = material.Note,
            Work = material.Work,
            Place = material.Place,
        };
    }

    /// <summary>A material in one of its keys, from the last clean tempo in that key where there is one.</summary>
    public Target TargetInKey(Material material, Key key)
    {
        var record = material.Keys.FirstOrDefault(known => known.Key == key);
        var days = record is null ? 0 : Request.Day.DayNumber - record.LastDay.DayNumber;
        var target = TargetOf(record?.LastClean is { } clean ? material with { LastClean = new Bpm(clean), LastVisit = Request.Day.AddDays(-days), EasyLastTime = false } : material);
        return target with { Key = $"m:{material.Id}:k:{key}", Title = key.Name };
    }

    /// <summary>Whether this ear task, warm-up or idea was asked for.</summary>
    public bool Asked(string key) => Request.Asked.Contains(key, StringComparer.Ordinal);

    /// <summary>A drill on one material by a method; the slow anchor takes half the tempo it is clean at.</summary>
    public Drill MakeOne(Area area, Method method, Material material, int minutes, string reason)
    {
        if (AlteredDrill.Is(method))
            return AlteredDrill.Of(this, area, method, material, minutes, reason);
        var target = TargetOf(material);
        if (method == Methods.SlowAnchor && material.LastClean is { } clean)
            target = target with { Tempo = Bpm.Near(clean.Value / 2.0), TakeSeconds = Takes.Seconds(Math.Max(1, material.Bars), material.BeatsPerBar, Bpm.Near(clean.Value / 2.0)) };
        return Make(area, method, material.Title, minutes, material.Stuck ? $"stuck near {material.LastClean}: another way for a while" : reason, target);
    }

    /// <summary>A drill on something that has a name and no number: a warm-up, an idea to play with.</summary>
    public Drill MakeNamed(Area area, Method method, (string Title, string How) what, int minutes, string reason)
    {
        var key = KeyOf(area, what.Title);
        return Make(area, method, what.Title, minutes, Asked(key) ? YouAsked : reason, new Target { Key = key, Title = what.Title, Group = key })
            with
        { How = what.How };
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

    private static string KeyOf(Area area, string title) => $"{Areas.Name(area)}:{title}";
}
