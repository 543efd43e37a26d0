using System.Globalization;
using TuningFork.Core.Ability;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Technique;

/// <summary>What the player thinks of a number of a book of technique.</summary>
public enum NumberLook
{
    /// <summary>Not looked at.</summary>
    None,

    /// <summary>Easy: done after one clean day.</summary>
    Easy,

    /// <summary>Hard: it comes early, and stays longest.</summary>
    Hard,

    /// <summary>For later: after all others.</summary>
    Later,
}

/// <summary>What is noted of a number by hand.</summary>
/// <param name="Look">What the player thinks of it.</param>
/// <param name="Done">True when the player has done with it, whatever its takes say.</param>
/// <param name="Target">A target tempo of its own, or null for that of the book.</param>
public sealed record NumberMark(NumberLook Look = NumberLook.None, bool Done = false, Bpm? Target = null);

/// <summary>Where a book of technique stands.</summary>
/// <param name="Number">The number of today; the last one when all are done.</param>
/// <param name="Done">Numbers that are done.</param>
/// <param name="DaysLeft">Days of work that the others still need at least.</param>
/// <param name="IsOver">True when all are done.</param>
public sealed record NumberToday(int Number, int Done, int DaysLeft, bool IsOver);

/// <summary>
/// A book of numbered exercises or studies on paper. First all of it is looked through, some numbers at a time; then two hard ones
/// and the next in order are at hand and take turns, until each is done (common practice: what is hard needs most days, so it
/// begins early; what is easy is played once and left).
/// </summary>
/// <param name="Count">Numbers in the book, 1 to <see cref="MostNumbers"/>.</param>
public sealed record NumberBook(int Count)
{
    /// <summary>Most numbers of a book.</summary>
    public const int MostNumbers = 400;

    /// <summary>Seconds for a first look at a number: its first line, once (common practice).</summary>
    public const int LookSeconds = 30;

    private const int UsualBars = 16;
    private const int MostBars = 200;
    private const int HardAtHand = 2;
    private const int EasyDays = 1;
    private const int UsualDays = 2;
    private const int HardDays = 3;

    /// <summary>Days after which a number that is not done makes room for others.</summary>
    public const int StuckDays = 8;

    /// <summary>Bars of one number, about: 1 to <see cref="MostBars"/>; they give the length of a take.</summary>
    public int Bars { get; init; } = UsualBars;

    /// <summary>What is noted by hand, by number; a number without a note is not looked at.</summary>
    public IReadOnlyDictionary<int, NumberMark> Marks { get; init; } = new Dictionary<int, NumberMark>();

    /// <summary>What is noted of a number.</summary>
    public NumberMark MarkOf(int number) => Marks.GetValueOrDefault(number) ?? new NumberMark();

    /// <summary>The numbers that were not looked at, in order.</summary>
    public IEnumerable<int> Unseen =>
        Enumerable.Range(1, Math.Max(0, Count)).Where(number => MarkOf(number) is { Look: NumberLook.None, Done: false });

    /// <summary>The end of the lasting key of a number: "n:7".</summary>
    public static string KeyOf(int number) => $"n:{number}";

    /// <summary>The number of such a key, or null for others.</summary>
    public static int? NumberOf(string part)
    {
        ArgumentNullException.ThrowIfNull(part);
        return
            part.StartsWith("n:", StringComparison.Ordinal)
            && int.TryParse(part.AsSpan(2), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;
    }

    /// <summary>Days on which a number is played before it can be done.</summary>
    public int LeastDays(int number) =>
        MarkOf(number).Look switch
        {
            NumberLook.Easy => EasyDays,
            NumberLook.Hard => HardDays,
            _ => UsualDays,
        };

    /// <summary>The target tempo of a number, or null.</summary>
    /// <param name="number">The number.</param>
    /// <param name="target">Target tempo of the book, or null.</param>
    public Bpm? TargetOf(int number, Bpm? target) => MarkOf(number).Target ?? target;

    /// <summary>Whether a number is done: by hand, or clean on enough days at its target.</summary>
    /// <param name="number">The number.</param>
    /// <param name="record">What happened with it, or null.</param>
    /// <param name="target">Target tempo of the book, or null.</param>
    public bool IsDone(int number, PartRecord? record, Bpm? target) =>
        MarkOf(number).Done
        || record is { Done: true }
        || record is { LastClean: { } clean }
            && record.Days >= LeastDays(number)
            && (
                TargetOf(number, target) is not { } goal
                || clean.Value >= goal.Value
                || record.Reach?.Tempo >= goal.Value * Estimate.TargetPart
            );

    /// <summary>The number of a day: of two hard ones and the next in order the one that was away longest.</summary>
    /// <param name="records">What happened with each, by <see cref="KeyOf"/>.</param>
    /// <param name="target">Target tempo of the book, or null.</param>
    public NumberToday On(IReadOnlyDictionary<string, PartRecord> records, Bpm? target)
    {
        ArgumentNullException.ThrowIfNull(records);
        PartRecord? Of(int number) => records.GetValueOrDefault(KeyOf(number));
        var open = Enumerable.Range(1, Count).Where(number => !IsDone(number, Of(number), target)).ToList();
        if (open.Count == 0)
            return new NumberToday(Count, Count, 0, true);
        DateOnly LastOf(int number) => Of(number)?.Last ?? DateOnly.MinValue;
        // The rest is away since any of it was played: a new number of it each day would keep the hard ones waiting.
        var lastOfRest = Enumerable.Range(1, Count).Where(number => !IsHard(number)).Select(LastOf).DefaultIfEmpty().Max();
        var fresh = open.Where(number => MarkOf(number).Look != NumberLook.Later && (Of(number)?.Days ?? 0) < StuckDays).ToList();
        var atHand = fresh.Where(IsHard).Take(HardAtHand).Concat(fresh.Where(number => !IsHard(number)).Take(1)).DefaultIfEmpty(open[0]);
        return new NumberToday(
            atHand.MinBy(number => IsHard(number) ? LastOf(number) : lastOfRest),
            Count - open.Count,
            open.Sum(number => Math.Max(1, LeastDays(number) - (Of(number)?.Days ?? 0))),
            false
        );
    }

    private bool IsHard(int number) => MarkOf(number).Look == NumberLook.Hard;

    /// <summary>What is wrong with it, with the field; null when it can be used.</summary>
    public (string Field, string Problem)? Check() =>
        Count is < 1 or > MostNumbers ? ("numbers", $"A book of technique has 1 to {MostNumbers} numbers.")
        : Bars is < 1 or > MostBars ? ("bars", $"A number has 1 to {MostBars} bars.")
        : null;
}
