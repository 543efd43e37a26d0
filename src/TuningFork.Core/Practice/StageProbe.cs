using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>
/// Both limits of a thing: beat by beat upwards until it broke twice, then in tens downwards until the line falls apart (common
/// practice).
/// </summary>
public static class StageProbe
{
    /// <summary>Misses that end the way up.</summary>
    public const int MissesAbove = 2;

    /// <summary>Beats a minute from one slow take to the next.</summary>
    public const int StepDown = 10;

    /// <summary>Name of the part that is played faster and faster.</summary>
    public const string Fastest = "fastest";

    /// <summary>Name of the part that is played slower and slower.</summary>
    public const string Slowest = "slowest";

    /// <summary>The way down begins at this part of where the way up began.</summary>
    private const double SlowPart = 0.5;

    /// <summary>So much of the time belongs to the way up.</summary>
    private const double UpPart = 2.0 / 3;

    private const int Up = 0;
    private const int Down = 1;

    /// <summary>Tempo of the next take upwards: a beat more for each clean one.</summary>
    /// <param name="start">Where it began.</param>
    /// <param name="takes">Takes upwards, in order: clean or missed.</param>
    /// <returns>The tempo, and true when it has broken twice.</returns>
    public static (Bpm Tempo, bool IsOver) Above(Bpm start, IEnumerable<bool> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        var (clean, misses) = (0, 0);
        foreach (var well in takes)
        {
            if (misses == MissesAbove)
                break;
            (clean, misses) = well ? (clean + 1, misses) : (clean, misses + 1);
        }

        return (start.Plus(clean), misses == MissesAbove || start.Value + clean > Bpm.Fastest);
    }

    /// <summary>Tempo of the next take downwards: ten beats less for each clean one.</summary>
    /// <param name="start">Where the way up began.</param>
    /// <param name="takes">Takes downwards, in order: clean or missed.</param>
    /// <returns>The tempo, and true when it fell apart, or when it cannot be slower.</returns>
    public static (Bpm Tempo, bool IsOver) Below(Bpm start, IEnumerable<bool> takes)
    {
        ArgumentNullException.ThrowIfNull(takes);
        var first = Bpm.Near(Math.Round(start.Value * SlowPart / StepDown) * StepDown);
        var clean = takes.TakeWhile(well => well).Count();
        return (first.Plus(-clean * StepDown), takes.Contains(false) || first.Value - (clean * StepDown) < Bpm.Slowest);
    }

    internal static Cue Now(Drill drill, IReadOnlyList<StageTake> takes, double playedSeconds)
    {
        var start = drill.Targets[Up].Tempo ?? new Bpm(60);
        var above = Above(start, takes.Where(take => take.TargetIndex == Up).Select(take => take.Clean));
        var below = Below(start, takes.Where(take => take.TargetIndex == Down).Select(take => take.Clean));
        var turns = (int)(drill.Seconds * UpPart);
        var isUp = !above.IsOver && playedSeconds < turns && !takes.Any(take => take.TargetIndex == Down);
        var stop = Stage.Stop(drill.Targets[Up]);
        return Stage.Take(drill, isUp ? Up : Down) with
        {
            Tempo = isUp ? above.Tempo : below.Tempo,
            Sentence =
                (
                    isUp
                        ? takes is [.., { Clean: false }]
                            ? "The same tempo once more. "
                            : "A beat faster each time, until it breaks twice. "
                        : "Slower and slower, until the line falls apart. "
                ) + stop,
            Count = Found(takes),
            Next = isUp ? drill.Targets[Down].Title : "",
            TurnsAtSeconds = isUp ? turns : null,
            Complete = !isUp && below.IsOver,
        };
    }

    private static string Found(IReadOnlyList<StageTake> takes)
    {
        var fast = takes.Where(take => take is { TargetIndex: Up, Clean: true, Tempo: not null }).Select(take => take.Tempo!.Value.Value);
        var slow = takes.Where(take => take is { TargetIndex: Down, Clean: true, Tempo: not null }).Select(take => take.Tempo!.Value.Value);
        return string.Join(
            ", ",
            new[] { fast.Any() ? $"fastest {fast.Max()}" : "", slow.Any() ? $"slowest {slow.Min()}" : "" }.Where(part => part.Length > 0)
        );
    }
}
