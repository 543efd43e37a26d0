using System.Globalization;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Planning;

/// <summary>What a goal measures.</summary>
public enum GoalKind
{
    /// <summary>A clean tempo, in beats a minute.</summary>
    Tempo,

    /// <summary>Passages of a piece that are concert-ready.</summary>
    Ready,

    /// <summary>Keys of an exercise that were clean.</summary>
    Keys,
}

/// <summary>Where a goal should stand at the end of a week.</summary>
/// <param name="By">The last day of the week, or of the goal.</param>
/// <param name="Value">What it should measure then.</param>
public sealed record GoalStep(DateOnly By, int Value);

/// <summary>A dated, measurable aim, in weekly steps.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Kind">What it measures.</param>
/// <param name="MaterialId">The piece, passage or exercise.</param>
/// <param name="From">Where it stood when it was set.</param>
/// <param name="To">Where it is to stand, above that.</param>
/// <param name="Begun">The day it was set.</param>
/// <param name="Until">The day by which it is to be reached.</param>
public sealed record Goal(int Id, GoalKind Kind, int MaterialId, int From, int To, DateOnly Begun, DateOnly Until)
{
    /// <summary>
    /// The steps, by the weeks from the day it was set: a tempo rises along the path of growth, fast first and slower towards the
    /// end; passages and keys evenly, a week without one more having no step. The last is the goal itself.
    /// </summary>
    public IReadOnlyList<GoalStep> Steps
    {
        get
        {
            var days = Math.Max(1, Until.DayNumber - Begun.DayNumber);
            var steps = Enumerable
                .Range(1, (days + 6) / 7)
                .Select(week => Math.Min(days, week * 7))
                .Select(day => new GoalStep(Begun.AddDays(day), At((double)day / days)))
                .ToList();
            return [.. steps.Where((step, at) => at == steps.Count - 1 || step.Value != steps[at + 1].Value)];
        }
    }

    private int At(double part) =>
        Kind == GoalKind.Tempo && From > 0
            ? Math.Min(To, (int)Math.Ceiling(Growth.Between(From, To, part) - 1e-9))
            : From + (int)Math.Ceiling((To - From) * part);

    /// <summary>The step of a day's week; after the last day the goal itself.</summary>
    public GoalStep Step(DateOnly day) => Steps.FirstOrDefault(step => step.By >= day) ?? Steps[^1];

    /// <summary>Whether it lies behind the step of the week before.</summary>
    /// <param name="value">What it measures now.</param>
    /// <param name="day">The practice day.</param>
    public bool Behind(int value, DateOnly day) => value < (Steps.LastOrDefault(step => step.By < day)?.Value ?? From);
}

/// <summary>How a goal stands.</summary>
public enum GoalState
{
    /// <summary>Its day is ahead.</summary>
    UnderWay,

    /// <summary>Reached.</summary>
    Met,

    /// <summary>Its day is past and it was not reached.</summary>
    Missed,
}

/// <summary>Measures goals and says what they ask this week.</summary>
public static class Goals
{
    /// <summary>What a goal measures now.</summary>
    /// <param name="kind">What it measures.</param>
    /// <param name="id">The material.</param>
    /// <param name="materials">All material.</param>
    public static int Measure(GoalKind kind, int id, IReadOnlyList<Material> materials)
    {
        ArgumentNullException.ThrowIfNull(materials);
        var one = materials.FirstOrDefault(material => material.Id == id);
        return kind switch
        {
            GoalKind.Tempo => one is { IsTimed: true } ? Bpm.Near((one.Reach ?? one.Start).Tempo).Value : 0,
            GoalKind.Ready => Passages(id, materials).Count(passage => passage.Readiness == Readiness.Ready),
            _ => one?.Keys.Count(key => key.LastClean is not null) ?? 0,
        };
    }

    /// <summary>The most that a goal can measure: the fastest tempo, the passages there are, the keys it goes through.</summary>
    /// <param name="kind">What it measures.</param>
    /// <param name="id">The material.</param>
    /// <param name="materials">All material.</param>
    public static int Most(GoalKind kind, int id, IReadOnlyList<Material> materials) =>
        kind switch
        {
            GoalKind.Tempo => materials.FirstOrDefault(material => material.Id == id)?.IsTimed == true ? Bpm.Fastest : 0,
            GoalKind.Ready => Passages(id, materials).Count(),
            _ => materials.FirstOrDefault(material => material.Id == id)?.KeyPlan?.Keys(id).Count ?? 0,
        };

    /// <summary>An aim in words: "clean at 96", "3 passages ready", "12 keys clean".</summary>
    /// <param name="kind">What it measures.</param>
    /// <param name="value">How much of it.</param>
    public static string Say(GoalKind kind, int value) =>
        kind switch
        {
            GoalKind.Tempo => $"clean at {value}",
            GoalKind.Ready => $"{Words.Count(value, "passage")} ready",
            _ => $"{Words.Count(value, "key")} clean",
        };

    /// <summary>What it is counted in: "beats a minute", "passages", "keys".</summary>
    /// <param name="kind">What it measures.</param>
    public static string Unit(GoalKind kind) =>
        kind switch
        {
            GoalKind.Tempo => "beats a minute",
            GoalKind.Ready => "passages",
            _ => "keys",
        };

    /// <summary>What this week asks: "goal: clean at 96 by 12 May", "goal: 3 passages ready by 12 May, behind".</summary>
    /// <param name="goal">The goal.</param>
    /// <param name="value">What it measures now.</param>
    /// <param name="day">The practice day.</param>
    public static string Week(Goal goal, int value, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(goal);
        var step = goal.Step(day);
        return $"goal: {Say(goal.Kind, step.Value)} by {step.By.ToString("d MMM", CultureInfo.InvariantCulture)}{(goal.Behind(value, day) ? ", behind" : "")}";
    }

    /// <summary>
    /// Material with the goals it serves: itself, or the passages of its piece that are not ready. Reached goals ask for nothing.
    /// </summary>
    /// <param name="materials">All material.</param>
    /// <param name="goals">The goals under way.</param>
    /// <param name="day">The practice day.</param>
    public static IReadOnlyList<Material> Point(IReadOnlyList<Material> materials, IReadOnlyList<Goal> goals, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(materials);
        var open = goals
            .Select(goal => (Goal: goal, Value: Measure(goal.Kind, goal.MaterialId, materials)))
            .Where(pair => pair.Value < pair.Goal.To && pair.Goal.Until >= day)
            .ToList();
        return open.Count == 0
            ? materials
            :
            [
                .. materials.Select(material =>
                    open.FirstOrDefault(pair => Serves(material, pair.Goal)) is { Goal: { } goal } found
                        ? material with
                        {
                            Goal = Week(goal, found.Value, day),
                            GoalBehind = goal.Behind(found.Value, day),
                        }
                        : material
                ),
            ];
    }

    private static bool Serves(Material material, Goal goal) =>
        goal.Kind == GoalKind.Ready
            ? material is { Kind: MaterialKind.Passage, Readiness: not Readiness.Ready } && material.Group == goal.MaterialId
            : material.Id == goal.MaterialId || (material.Kind == MaterialKind.Passage && material.Group == goal.MaterialId);

    private static IEnumerable<Material> Passages(int piece, IReadOnlyList<Material> materials) =>
        materials.Where(material => material is { Kind: MaterialKind.Passage, Resting: false } && material.Group == piece);
}
