using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.LookingBack;

/// <summary>What a week's review asks about.</summary>
public enum ReviewTopic
{
    /// <summary>Something that does not move though it is worked on.</summary>
    Stuck,

    /// <summary>An exercise whose review date has come.</summary>
    Exercise,

    /// <summary>A piece that is ready and waits for no date.</summary>
    Rest,

    /// <summary>Something that has rested for long.</summary>
    BringBack,
}

/// <summary>One question of a week's review: a proposal that a yes carries out.</summary>
/// <param name="Topic">What it is about.</param>
/// <param name="MaterialId">The thing.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Why">What is seen, in a few words.</param>
/// <param name="Proposal">What a yes does, in words.</param>
/// <param name="Relief">Of what is stuck: what is done for two weeks.</param>
/// <param name="Decision">Of an exercise: what becomes of it.</param>
public sealed record ReviewQuestion(
    ReviewTopic Topic,
    int MaterialId,
    string Title,
    string Why,
    string Proposal,
    Relief Relief = Relief.None,
    ReviewDecision Decision = ReviewDecision.Keep
)
{
    /// <summary>What a no does to an exercise: it stays, or rests where it was to stay.</summary>
    public ReviewDecision Instead => Decision == ReviewDecision.Keep ? ReviewDecision.Rest : ReviewDecision.Keep;

    /// <summary>What a no does, in words.</summary>
    public string Otherwise => Topic != ReviewTopic.Exercise ? "as it is" : Say(Instead);

    /// <summary>Of an exercise: what else could become of it beside the proposal and the other one.</summary>
    public IReadOnlyList<ReviewDecision> Others =>
        Topic != ReviewTopic.Exercise ? [] : [.. Enum.GetValues<ReviewDecision>().Where(one => one != Decision && one != Instead)];

    /// <summary>What becomes of an exercise, in words.</summary>
    /// <param name="decision">The decision.</param>
    public static string Say(ReviewDecision decision) =>
        decision switch
        {
            ReviewDecision.Keep => "keep it",
            ReviewDecision.Rest => "let it rest",
            ReviewDecision.Drop => "drop it",
            _ => "bring it back",
        };
}

/// <summary>Ten minutes a week: what is stuck gets one change, what is done rests, what has lain long comes back (common practice).</summary>
public static class WeekReview
{
    /// <summary>Days between two reviews.</summary>
    public const int Days = 7;

    /// <summary>Questions of a kind: more are not answered in ten minutes.</summary>
    private const int MostOfAKind = 4,
        MostBack = 2;

    /// <summary>Days after which what rests may come back, and after which a ready piece has been played often enough.</summary>
    private const int RestedDays = 28,
        ReadyDays = 21;

    /// <summary>The questions, in the order in which they are asked.</summary>
    /// <param name="materials">All materials as of the day.</param>
    /// <param name="day">The day of the review.</param>
    public static IReadOnlyList<ReviewQuestion> Questions(IReadOnlyList<Material> materials, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(materials);
        return
        [
            .. materials
                .Where(one =>
                    one is { Stuck: true, Resting: false, HasPassages: false } && one.Relief.On(day) == Relief.None && !IsOnReview(one, day)
                )
                // What is all but there is not stuck.
                .Where(one => !Standing.AtTarget(one, day))
                .OrderBy(one => Ahead(one, day) ?? int.MaxValue)
                .ThenByDescending(one => one.Visits)
                .Take(MostOfAKind)
                .Select(one => Stuck(one, day)),
            .. materials
                .Where(one => IsOnReview(one, day))
                .OrderBy(one => one.ReviewOn)
                .Take(MostOfAKind)
                .Select(one => Exercise(one, day)),
            .. materials
                .Where(one =>
                    one is { Kind: MaterialKind.Piece, Readiness: Readiness.Ready, Resting: false, AskedFor: false }
                    && Ahead(one, day) is null
                )
                .Where(one => one.Visits > 0 && one.Confirmed is { } since && day.DayNumber - since.DayNumber >= ReadyDays)
                .OrderBy(one => one.LastVisit)
                .Take(MostOfAKind)
                .Select(one => new ReviewQuestion(
                    ReviewTopic.Rest,
                    one.Id,
                    one.Title,
                    "ready for weeks, and no date ahead",
                    "let it rest"
                )),
            .. materials
                .Where(one => one is { Resting: true, Kind: not MaterialKind.Book } && !IsOnReview(one, day))
                .Where(one => one.LastVisit is { } last && day.DayNumber - last.DayNumber >= RestedDays)
                .OrderBy(one => one.LastVisit)
                .Take(MostBack)
                .Select(one => new ReviewQuestion(
                    ReviewTopic.BringBack,
                    one.Id,
                    one.Title,
                    $"last played {Words.Ago(day.DayNumber - one.LastVisit!.Value.DayNumber)}",
                    "bring it back"
                )),
        ];
    }

    /// <summary>Days until a performance ahead; null for none.</summary>
    private static int? Ahead(Material material, DateOnly day) =>
        material.Performance is { } date && date >= day ? date.DayNumber - day.DayNumber : null;

    private static bool IsOnReview(Material material, DateOnly day) =>
        material is { Kind: MaterialKind.Exercise, ReviewOn: { } on } && on < day.AddDays(Days);

    /// <summary>
    /// One change for two weeks: two short visits a day for a passage, since what is stuck is learnt by more mornings; half the minutes
    /// for an exercise; a week without it for what was changed before (common practice).
    /// </summary>
    private static ReviewQuestion Stuck(Material one, DateOnly day)
    {
        var relief =
            one.Relief.Kind != Relief.None ? Relief.WeekOff
            : one.Kind == MaterialKind.Exercise ? Relief.HalfMinutes
            : Relief.TwoShortVisits;
        var reach = one.Reach is { } now ? $"stuck near {Bpm.Near(now.Tempo)}" : "stuck";
        return new ReviewQuestion(
            ReviewTopic.Stuck,
            one.Id,
            one.Title,
            one.Target is { } target ? $"{reach} of {target}" : reach,
            relief switch
            {
                Relief.WeekOff => ReliefTime.Words(relief),
                Relief.TwoShortVisits => $"{ReliefTime.Words(relief)}, one of them a spare minute, for two weeks",
                _ => $"{ReliefTime.Words(relief)}, for two weeks",
            },
            Relief: relief
        );
    }

    private static ReviewQuestion Exercise(Material one, DateOnly day)
    {
        var proposal = Review.Propose(one, day);
        return new ReviewQuestion(
            ReviewTopic.Exercise,
            one.Id,
            one.Title,
            proposal.Reason,
            ReviewQuestion.Say(proposal.Decision),
            Decision: proposal.Decision
        );
    }
}
