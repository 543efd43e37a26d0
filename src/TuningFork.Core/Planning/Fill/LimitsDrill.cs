using TuningFork.Core.Practice;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Makes the probe of both limits: from the best clean tempo or the reach upwards, then downwards.</summary>
internal static class LimitsDrill
{
    public static Drill Of(FillContext context, Area area, Material material, int minutes, string reason)
    {
        var whole = context.TargetOf(material);
        var start = Bpm.Near(Math.Max(material.Best?.Value ?? 0, material.Reach?.Tempo ?? material.Start.Tempo));
        var fastest = whole with
        {
            Key = TargetKey.Of(material.Id, TargetPart.Limit, StageProbe.Fastest),
            Title = $"{material.Title}, as fast as it goes",
            Tempo = start,
            Able = null,
        };
        var slowest = fastest with
        {
            Key = TargetKey.Of(material.Id, TargetPart.Limit, StageProbe.Slowest),
            Title = $"{material.Title}, as slowly as it holds",
            // How slowly it holds says nothing about how fast it goes.
            MaterialId = null,
        };
        context.Used.Add(TargetKey.Of(material.Id));
        return context.Make(area, Methods.FastestAndSlowest, material.Title, minutes, reason, fastest, slowest);
    }
}
