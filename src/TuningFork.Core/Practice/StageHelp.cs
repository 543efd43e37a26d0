using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>What is offered when a thing was missed again and again.</summary>
/// <param name="TargetIndex">The thing.</param>
/// <param name="Title">What it is called.</param>
/// <param name="MaterialId">Its material, or null.</param>
/// <param name="CanSlow">Whether it has a tempo.</param>
/// <param name="HalfTo">The last bar of its first half; null where there is no half.</param>
/// <param name="CanSayWhy">Whether a cause can be kept with it: it is a passage.</param>
public sealed record HelpCue(int TargetIndex, string Title, int? MaterialId, bool CanSlow, int? HalfTo, bool CanSayWhy);

/// <summary>
/// Three misses running are a question: hands learn whatever they do most. Slower, smaller, the cause, or something else first
/// (common practice).
/// </summary>
public static class StageHelp
{
    /// <summary>Misses of one thing in a row after which help is offered, and after as many again.</summary>
    public const int Misses = 3;

    /// <summary>Minutes of something else.</summary>
    public const int BreakMinutes = 3;

    private const double Slowed = 0.85;
    private static readonly Course[] Helped = [Course.Rounds, Course.CleanInRow, Course.FixedCount, Course.Ladder, Course.WorkRest];

    /// <summary>What is offered now; null for nothing.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="takes">Its takes, in order.</param>
    public static HelpCue? Of(Drill drill, IReadOnlyList<StageTake> takes)
    {
        ArgumentNullException.ThrowIfNull(drill);
        ArgumentNullException.ThrowIfNull(takes);
        if (takes is not [.., { Clean: false } last] || takes.Count <= drill.HelpedAt || !Helped.Contains(Methods.Of(drill).Course))
            return null;
        var missed = takes.Reverse().Where(take => take.TargetIndex == last.TargetIndex).TakeWhile(take => !take.Clean).Count();
        if (missed % Misses != 0)
            return null;
        var target = drill.Targets[last.TargetIndex];
        var isPassage =
            target.StopAfterBar is not null && TargetKey.Parse(target.Key) is { Kind: TargetKind.Material, Part: TargetPart.Whole };
        return new HelpCue(
            last.TargetIndex,
            target.Title,
            target.MaterialId,
            last.Tempo is not null,
            isPassage && target.StopAfterBar > target.FromBar ? target.FromBar + ((target.StopAfterBar!.Value - target.FromBar) / 2) : null,
            isPassage
        );
    }

    /// <summary>The same drill with one of its things slower: at a tempo that stays, until it is clean again another day.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="index">The thing.</param>
    /// <param name="last">The tempo at which it was missed.</param>
    public static Drill Slower(Drill drill, int index, Bpm last)
    {
        ArgumentNullException.ThrowIfNull(drill);
        return With(drill, index, target => target with { Tempo = Bpm.Near(last.Value * Slowed), Able = null });
    }

    /// <summary>The same drill with half of the bars in place of all of them.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="help">What was offered.</param>
    /// <param name="passage">The passage that these bars are now.</param>
    /// <param name="title">What it is called.</param>
    public static Drill Smaller(Drill drill, HelpCue help, int passage, string title)
    {
        ArgumentNullException.ThrowIfNull(drill);
        ArgumentNullException.ThrowIfNull(help);
        return With(drill, help.TargetIndex, target =>
            target with
            {
                Key = TargetKey.Of(passage),
                MaterialId = passage,
                Title = title,
                StopAfterBar = help.HalfTo,
                TakeSeconds = Math.Max(1, (target.TakeSeconds + Takes.SetUpSeconds) / 2),
            }
        );
    }

    private static Drill With(Drill drill, int index, Func<Target, Target> change) =>
        drill with
        {
            Targets = [.. drill.Targets.Select((target, at) => at == index ? change(target) : target)],
        };
}
