using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Core.WarmUps;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Warm-up: the version that has waited longest, cut to the minutes and the day's demands.</summary>
internal static class WarmUpFill
{
    /// <summary>Comfortable: this part of the reach (common practice).</summary>
    private const double Comfortable = 0.75;

    private static readonly string[] Reasons =
    [
        "sound before fingers",
        "slowly, every note heard",
        "the whole instrument, without force",
        "light and quick, never hard",
    ];

    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var request = context.Request;
        var versions = Versions(request)
            .OrderByDescending(one =>
                request.Asked.Any(key => TargetKey.Parse(key) is { Kind: TargetKind.WarmUp } asked && asked.Id == one.Id)
            )
            .ThenBy(one => one.LastDay ?? DateOnly.MinValue)
            .ToList();
        var version = versions[request.Variant % versions.Count];
        var opening =
            request.OpeningMinutes == 0
                ? null
                : WarmUpOpening.Of(request.WarmUpSchool, request.Awareness, request.OpeningMinutes, request.Sitting > 0, request.IsPitched);
        var cut = WarmUpCut.Of(
            version,
            opening,
            minutes,
            request.Demands,
            place => request.AfterPain?.Keys.Contains(TargetKey.WarmUp(version.Id, place), StringComparer.Ordinal) == true,
            // The first days back need the sound itself.
            request.Minutes < WarmUpOpening.ShortSitting
                && request.PracticeDaysBack is null
        );
        for (var i = 0; i < cut.Stretches.Count; i++)
        {
            var stretch = cut.Stretches[i];
            var drill =
                stretch.Parts.Count == 1
                    ? One(context, version, stretch.Parts[0].Part, stretch.Parts[0].Place, stretch.Minutes)
                    : Together(context, version, stretch);
            yield return drill with
            {
                How = i == 0 ? $"{WarmUpOpening.BodyCheck} Then: {Words.Small(drill.How)}" : drill.How,
                Reason =
                    drill.Targets.Any(target => context.Asked(target.Key)) ? FillContext.YouAsked
                    : i == 0 ? FirstReason(version, request.Day)
                    : drill.Reason,
                Sum = i == 0 ? cut.Reason : "",
            };
        }
    }

    private static string FirstReason(WarmUp version, DateOnly today) =>
        $"\"{version.Name}\", {(version.LastDay is { } last ? $"last {Words.Ago(today.DayNumber - last.DayNumber)}" : "for the first time")}";

    /// <summary>
    /// What could stand in place of a warm-up drill: the parts of the same element in all versions, the other versions first.
    /// </summary>
    public static IEnumerable<Drill> Others(FillContext context, Drill drill)
    {
        var versions = Versions(context.Request);
        var here = TargetKey.Parse(drill.Targets.Count > 0 ? drill.Targets[0].Key : "");
        var version = here.Kind == TargetKind.WarmUp ? versions.FirstOrDefault(one => one.Id == here.Id) : null;
        var element =
            version is not null && here.Number >= 0 && here.Number < version.Parts.Count
                ? version.Parts[here.Number].Element
                : WarmUpElement.Sound;
        return versions
            .OrderBy(one => one == version)
            .SelectMany(one =>
                one.InOrder()
                    .Where(pair => pair.Part.Element == element)
                    .Select(pair => One(context, one, pair.Part, pair.Place, drill.Minutes))
            );
    }

    private static IReadOnlyList<WarmUp> Versions(DayRequest request) =>
        request.WarmUps.Count > 0 ? request.WarmUps : WarmUpLibrary.For(request.Family);

    private static Drill One(FillContext context, WarmUp version, WarmUpPart part, int place, int minutes)
    {
        var target = TargetOf(version, part, place);
        var material = MaterialOf(context, part);
        if (material is null && part is { Element: WarmUpElement.Scales } && RungsDrill.OfTheWeek(context, minutes) is { } ladder)
            return ladder with { Targets = [.. ladder.Targets.Select(rung => rung with { Group = target.Group, Drone = target.Drone })] };
        if (material is null)
            return context.Make(Area.WarmUp, Methods.EaseIn, part.Title, minutes, Reasons[(int)part.Element], target) with
            {
                How = part.How,
            };
        var tempo = material.Reach is { } reach ? Bpm.Near(reach.Tempo * Comfortable) : (Bpm?)null;
        var credited = material.Area == Area.WarmUp ? (Area?)null : material.Area;
        context.Used.Add(TargetKey.Of(material.Id));
        var stop = material.Kind == MaterialKind.Passage ? $" Stop after bar {material.ToBar}." : "";
        return context.Make(
            Area.WarmUp,
            Methods.EaseIn,
            material.Title,
            minutes,
            Reasons[(int)part.Element],
            target with
            {
                MaterialId = material.Id,
                Title = material.Title,
                Tempo = tempo,
                Beat = material.Beat,
                Note = material.Note,
                StopAfterBar = material.Kind == MaterialKind.Passage ? material.ToBar : null,
            }
        ) with
        {
            How = $"{(part.How.Length > 0 ? Words.Sentence(part.How.TrimEnd('.')) + "." : "Light and easy, well below your tempo.")}{stop}",
            CreditedTo = credited,
            Reason = credited is { } area ? $"music you know, credited to {Areas.Name(area)} too" : "an exercise of yours",
        };
    }

    /// <summary>Several parts in few minutes, one after the other.</summary>
    private static Drill Together(FillContext context, WarmUp version, WarmUpStretch stretch) =>
        context.Make(
            Area.WarmUp,
            Methods.EaseIn,
            string.Join(" · ", stretch.Parts.Select(pair => pair.Part.Title)),
            stretch.Minutes,
            "a moment of each",
            [.. stretch.Parts.Select(pair => TargetOf(version, pair.Part, pair.Place))]
        ) with
        {
            How = string.Join(" ", stretch.Parts.Select(pair => pair.Part.How)),
        };

    private static Target TargetOf(WarmUp version, WarmUpPart part, int place)
    {
        var key = TargetKey.WarmUp(version.Id, place);
        return new Target
        {
            Key = key,
            Title = part.Title,
            Group = key,
            Drone = part.Drone == PartDrone.AsSet ? null : part.Drone == PartDrone.With,
        };
    }

    /// <summary>
    /// The exercise or passage a part is played on; where the repertoire is to serve, a passage that can be played and is not
    /// due, so that no test of the day is given away.
    /// </summary>
    private static Material? MaterialOf(FillContext context, WarmUpPart part)
    {
        var request = context.Request;
        if (part.MaterialId is { } id)
            return request.Materials.FirstOrDefault(material => material.Id == id && !material.Resting);
        if (!part.FromRepertoire)
            return null;
        var open = request.Materials.Where(material =>
            material
                is {
                    Kind: MaterialKind.Passage,
                    Resting: false,
                    Readiness: not Readiness.Raw,
                    LastClean: not null,
                    Slipped: false,
                    AskedFor: false
                }
            && material.LastVisit != request.Day
            && !context.Used.Contains(TargetKey.Of(material.Id))
        );
        var fitting = DueList
            .For(open, request.Day, request.School)
            .Where(queued => !queued.IsDue)
            .Select(queued => queued.Material)
            .OrderBy(material => material.Id)
            .ToList();
        if (fitting.Exists(material => material.Readiness == Readiness.Ready))
            fitting.RemoveAll(material => material.Readiness != Readiness.Ready);
        // Each day another one: what warms up is missing from the rounds of that day.
        return fitting.Count == 0 ? null : fitting[request.Day.DayNumber % fitting.Count];
    }
}
