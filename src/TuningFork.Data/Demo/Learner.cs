using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>
/// A made-up learner: every material has a hidden tempo at which half the takes are clean; it rises with takes, ever more
/// slowly, and sinks a little with days away. Shares no equation with the planner.
/// </summary>
internal sealed class Learner(Random random)
{
    private readonly Dictionary<int, (double Tempo, DateOnly Day)> skills = [];

    /// <summary>Materials that do not get beyond this part of their target.</summary>
    public Dictionary<int, double> Ceilings { get; } = [];

    public bool Play(MaterialRow material, int? tempo, DateOnly day)
    {
        var target = material.Target ?? material.Piece?.Target ?? 90;
        var ceiling = target * Ceilings.GetValueOrDefault(material.Id, 1.12);
        // A piece that is rated ready is one of before.
        var begun = material is { Kind: MaterialKind.Piece, Readiness: Readiness.Ready } ? 1.05 : 0.5 + (0.15 * random.NextDouble());
        var (skill, last) = skills.GetValueOrDefault(material.Id, (target * begun, day));
        skill *= Math.Pow(0.996, Math.Max(0, day.DayNumber - last.DayNumber - 1));
        var played = tempo ?? target * 0.7;
        var clean = random.NextDouble() < 1 / (1 + Math.Exp((played - (skill * 1.07)) / (skill * 0.05)));
        skill += Math.Max(0, ceiling - skill) * (clean ? 0.011 : 0.005);
        skills[material.Id] = (skill, day);
        return clean;
    }

    public bool Hear() => random.NextDouble() < 0.7;
}
