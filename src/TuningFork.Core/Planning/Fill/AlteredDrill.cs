using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Drills of altered versions, step by step; they end with one take as written, the only one that counts for the memory.
/// </summary>
internal static class AlteredDrill
{
    /// <summary>Whether a method plays altered versions.</summary>
    public static bool Is(Method method) => AlteredVersion.Of(method.Id).Count > 0;

    public static Drill Of(FillContext context, Area area, Method method, Material material, int minutes, string reason)
    {
        var written = context.TargetOf(material);
        var slower = written.Tempo?.Plus(-written.Tempo.Value.Value / 5);
        var versions = Versions(method, material)
            .Select(version =>
                written with
                {
                    Key = TargetKey.Of(material.Id, TargetPart.Variant, version.Id),
                    MaterialId = null,
                    Title = $"{material.ShortTitle}: {version.Name}",
                    Tempo = slower,
                    Able = null,
                    Goal = null,
                }
            )
            .ToList();
        versions[0] = versions[0] with { Place = material.Parts.GetValueOrDefault(TodaysTempo.PartOf(versions[0].Key)!)?.Place ?? 0 };
        List<Target> targets = [.. versions, written with { Title = $"{written.Title}, as written" }];
        var drill = context.Make(area, method, material.Title, minutes, reason, targets) with
        {
            // Where the music is known its notes take the place of the beats.
            Links = method == Methods.GrowingChain ? material.Bars * material.BeatsPerBar : null,
        };
        return drill with { Sum = StageSteps.Sum(drill) };
    }

    private static IEnumerable<AlteredVersion> Versions(Method method, Material material) =>
        method == Methods.GrowingChain
            // From the start at one visit, from the end at the next.
            ? AlteredVersion.Of(method.Id).Skip(material.Visits % 2).Take(1)
            // One bar has no other to take turns with.
            : AlteredVersion
                .Of(method.Id)
                .Where(version => material.Bars > 1 || !version.Id.StartsWith("silent-bars", StringComparison.Ordinal));
}
