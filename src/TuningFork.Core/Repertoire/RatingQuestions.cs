using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Repertoire;

/// <summary>The first take of a visit.</summary>
/// <param name="Clean">Whether it was clean.</param>
/// <param name="Tempo">Its tempo, or null when untimed.</param>
public readonly record struct FirstTake(bool Clean, Bpm? Tempo);

/// <summary>A question about a rating, to be answered with one key.</summary>
/// <param name="MaterialId">The passage.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Proposed">The rating that the takes speak for.</param>
/// <param name="Words">Why it is asked.</param>
public sealed record RatingQuestion(int MaterialId, string Title, Readiness Proposed, string Words);

/// <summary>A question that is asked once: how fast something without a target should go in the end.</summary>
/// <param name="MaterialId">The piece, or the exercise.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Now">The tempo that comes clean now, in beats a minute.</param>
/// <param name="Proposed">A target to begin with, in beats a minute: the tempo given in its music, else what takes shape stands at about
/// four fifths of it.</param>
public sealed record TargetQuestion(int MaterialId, string Title, int Now, int Proposed)
{
    /// <summary>The question for something without a target of its own, by what can be done now.</summary>
    /// <param name="holder">The piece, or the exercise.</param>
    /// <param name="reach">The reach of it, or of one of its passages, in beats.</param>
    /// <param name="music">What its music proposes, or null.</param>
    public static TargetQuestion Of(Material holder, Reach reach, ProposedTarget? music)
    {
        ArgumentNullException.ThrowIfNull(holder);
        return new(
            holder.Id,
            holder.Title,
            Bpm.Near(reach.Tempo).Value,
            (music is { Marked: true } ? music.Tempo : Bpm.Near(reach.Tempo / Estimate.ShapingPart)).Value
        );
    }
}

/// <summary>Ready is seen: when the takes say something else than the rating, the player is asked (common practice).</summary>
public static class RatingQuestions
{
    /// <summary>Questions at one close, at most.</summary>
    public const int Most = 3;

    /// <summary>An unanswered question is not asked again for so many days.</summary>
    public const int QuietDays = 3;

    private const int CleanDays = 2;

    /// <summary>
    /// "Concert-ready?" after two clean first takes at 92 % of the target or more on different days; "taking shape?" after clean first
    /// takes on two days; what is concert-ready and whose takes say otherwise is asked about too. Null when there is nothing to ask.
    /// </summary>
    /// <param name="material">The passage.</param>
    /// <param name="firsts">First takes of its last visits, one a day, the newest last.</param>
    public static RatingQuestion? Of(Material material, IReadOnlyList<FirstTake> firsts)
    {
        ArgumentNullException.ThrowIfNull(material);
        ArgumentNullException.ThrowIfNull(firsts);
        var near = material.Target is { } target
            ? firsts
                .TakeLast(CleanDays)
                .Count(first => first is { Clean: true, Tempo: { } tempo } && tempo.Value >= target.Value * Estimate.TargetPart)
            : 0;
        return material.Readiness switch
        {
            not Readiness.Ready when near >= CleanDays => Ask(
                Readiness.Ready,
                $"clean at first try near {material.Target} on two days: concert-ready?"
            ),
            Readiness.Raw when firsts.TakeLast(CleanDays).Count(first => first.Clean) >= CleanDays => Ask(
                Readiness.Shaping,
                "clean at first try on two days: taking shape?"
            ),
            Readiness.Ready when RatingDoubt.Of(isReady: true, [.. firsts.Select(first => first.Clean)]).Length > 0 => Ask(
                Readiness.Shaping,
                "its first takes were missed lately: taking shape again, for now?"
            ),
            _ => null,
        };

        RatingQuestion Ask(Readiness proposed, string words) => new(material.Id, material.Title, proposed, words);
    }
}
