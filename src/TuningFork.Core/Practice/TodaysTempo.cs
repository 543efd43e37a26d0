using TuningFork.Core.Ability;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>What a method wants of the tempo.</summary>
public enum Pace
{
    /// <summary>Work: where five takes of six come clean.</summary>
    Work,

    /// <summary>The foot of a ladder: safer, because it climbs by itself.</summary>
    Ladder,

    /// <summary>Slow on purpose: about two thirds of the reach.</summary>
    Slow,

    /// <summary>Half of the reach.</summary>
    Anchor,

    /// <summary>As it is to go in the end, when the reach allows it; else at the reach.</summary>
    Performance,
}

/// <summary>Chooses tempi from what the player can do and from what the method wants (common practice).</summary>
public static class TodaysTempo
{
    /// <summary>Chance of a clean take that the first take of a day goes for.</summary>
    private const double FirstChance = 0.88;

    /// <summary>How much a clean take of a section or a whole piece says about each passage in it.</summary>
    public const double InsideWeight = 0.5;

    /// <summary>What the methods want that do not simply work.</summary>
    private static readonly Dictionary<MethodId, Pace> Paces = new()
    {
        [Methods.TempoLadder.Id] = Pace.Ladder,
        [Methods.BurstAndSwitch.Id] = Pace.Ladder,
        [Methods.CleanMinutes.Id] = Pace.Ladder,
        [Methods.FixedCount.Id] = Pace.Slow,
        [Methods.SlowReading.Id] = Pace.Slow,
        [Methods.FromMemory.Id] = Pace.Slow,
        [Methods.EaseIn.Id] = Pace.Slow,
        [Methods.SlowAnchor.Id] = Pace.Anchor,
        [Methods.PerformanceTake.Id] = Pace.Performance,
    };

    /// <summary>Methods that ask for more than the notes in tempo: their takes say less about it.</summary>
    private static readonly HashSet<MethodId> Harder = [Methods.FromMemory.Id, Methods.PutBack.Id, Methods.EyesClosed.Id];
    private const double HarderWeight = 0.5;

    /// <summary>Parts of the reach.</summary>
    private const double LadderPart = 0.94;
    private const double SlowPart = 0.65;
    private const double AnchorPart = 0.5;

    /// <summary>From one take to the next the tempo moves so far at most.</summary>
    private const double MostUp = 1.06;
    private const double MostDown = 0.92;

    /// <summary>What a method wants of the tempo.</summary>
    /// <param name="method">The method.</param>
    public static Pace PaceOf(Method method)
    {
        ArgumentNullException.ThrowIfNull(method);
        return Paces.GetValueOrDefault(method.Id, Pace.Work);
    }

    /// <summary>
    /// How much a take says about the reach of its material: half by heart, inside its surroundings or in one key of many; nothing where
    /// it had other note values.
    /// </summary>
    /// <param name="methodId">Lasting name of the method.</param>
    /// <param name="key">Lasting key of the target.</param>
    public static double Weight(MethodId methodId, string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        return TargetKey.Parse(key).Part switch
        {
            TargetPart.Limit => 1,
            TargetPart.Density or TargetPart.Rung or TargetPart.Bars => 0,
            TargetPart.Key or TargetPart.Pattern or TargetPart.Number => 0.5,
            _ => Harder.Contains(methodId) ? HarderWeight : 1,
        };
    }

    /// <summary>
    /// The key, the pattern or the bars that a target is about, as it is kept: "Bb major", "p:3", "b:17-18"; null for the whole material.
    /// </summary>
    /// <param name="key">Lasting key of the target.</param>
    public static string? PartOf(string key)
    {
        var parsed = TargetKey.Parse(key);
        return parsed.Part switch
        {
            TargetPart.Key => parsed.Name,
            TargetPart.Rung when parsed.InKey.Length > 0 => parsed.InKey,
            TargetPart.Pattern => $"p:{parsed.Name}",
            TargetPart.Bars => $"b:{parsed.Name}",
            TargetPart.Number => NumberBook.KeyOf(parsed.Number),
            TargetPart.Variant => $"v:{parsed.Name}",
            _ => null,
        };
    }

    /// <summary>A drill whose tempi follow from what was played since it was planned.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="able">What is believed of a target by now; null where nothing is new.</param>
    public static Drill Refreshed(Drill drill, Func<Target, Morning?> able)
    {
        ArgumentNullException.ThrowIfNull(drill);
        return drill with
        {
            Targets =
            [
                .. drill.Targets.Select(target =>
                    target is { Able: not null, Tempo: not null } && able(target) is { } now
                        ? target with
                        {
                            Able = now,
                            Tempo = Of(DayReach.At(now), target.Pace, target.Goal, target.Ease),
                        }
                        : target
                ),
            ],
        };
    }

    /// <summary>The tempo of the next take, never above the target.</summary>
    /// <param name="day">What is believed now.</param>
    /// <param name="pace">What the method wants.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <param name="ease">Multiplies it: below 1 on a day on which nothing should be hard.</param>
    public static Bpm Of(DayReach day, Pace pace, Bpm? target, double ease = 1)
    {
        ArgumentNullException.ThrowIfNull(day);
        var tempo = pace switch
        {
            Pace.Ladder => day.For() * LadderPart,
            Pace.Slow => day.Tempo * SlowPart,
            Pace.Anchor => day.Tempo * AnchorPart,
            Pace.Performance when target is { } goal && day.Tempo >= goal.Value * Estimate.TargetPart => goal.Value,
            _ => day.For(day.Takes == 0 ? FirstChance : Reach.Clean),
        };
        var most = target?.Value ?? double.MaxValue;
        return Bpm.Near(Math.Min(most, tempo * ease));
    }

    /// <summary>The tempo of the next take after one that was just marked: where it should be now, or as near as a step may go.</summary>
    /// <param name="day">What is believed after it.</param>
    /// <param name="last">Its tempo.</param>
    /// <param name="target">Target tempo, or null.</param>
    /// <param name="ease">As in <see cref="Of"/>.</param>
    public static Bpm Next(DayReach day, Bpm last, Bpm? target, double ease = 1)
    {
        var wanted = Of(day, Pace.Work, target, ease).Value;
        return Bpm.Near(
            Math.Clamp(
                wanted,
                Math.Ceiling(last.Value * MostDown),
                Math.Floor(last.Value * MostUp) is var up && up > last.Value ? up : last.Value + 1
            )
        );
    }
}
