namespace TuningFork.Core.EarTraining;

/// <summary>Why a question is asked.</summary>
public enum EarWhy
{
    /// <summary>Its day has come.</summary>
    Due,

    /// <summary>It is taken for another.</summary>
    Confused,

    /// <summary>It is asked for the first time.</summary>
    New,

    /// <summary>It was missed a moment ago.</summary>
    Again,

    /// <summary>Nothing is due: what is least sure.</summary>
    Unsure,
}

/// <summary>What the next question is chosen from.</summary>
/// <param name="Items">All that may be asked, in the order in which it opens.</param>
/// <param name="Standings">What is known of those that are open, by their name.</param>
/// <param name="Today">The answers of today, in order.</param>
/// <param name="Confused">Pairs that are taken for each other, most often first.</param>
/// <param name="Day">Today.</param>
/// <param name="Seed">Its chance.</param>
public sealed record EarRequest(
    IReadOnlyList<EarItem> Items,
    IReadOnlyDictionary<string, EarStanding> Standings,
    IReadOnlyList<EarAnswer> Today,
    IReadOnlyList<Confusion> Confused,
    DateOnly Day,
    int Seed
)
{
    /// <summary>A round of only these, two or more; empty for a round of everything.</summary>
    public IReadOnlyList<string> Only { get; init; } = [];

    /// <summary>How much was right lately, 0 to 1: below three in four nothing new opens.</summary>
    public double RightLately { get; init; } = 1;
}

/// <summary>A question that is asked next.</summary>
/// <param name="Item">What is asked.</param>
/// <param name="Alternatives">What there is to choose from, itself among them, in the order of its family.</param>
/// <param name="Why">Why it is asked.</param>
public sealed record EarChoice(EarItem Item, IReadOnlyList<EarItem> Alternatives, EarWhy Why);

/// <summary>
/// A round: what was missed a moment ago, what is confused, a little new, what is due, then what is least sure; families take turns
/// (interleaving; common practice).
/// </summary>
public static class EarRound
{
    /// <summary>New items a day; on the first day so many, that there is a round at all.</summary>
    public const int NewADay = 2,
        NewOnTheFirst = 6;

    /// <summary>Most answers to choose from: as many as there are figure keys to find without looking.</summary>
    public const int MostAlternatives = 8;

    /// <summary>So much has to be right lately before something new opens (common practice).</summary>
    public const double RightToOpen = 0.75;

    /// <summary>What was missed comes back after so many others, and rests till tomorrow when it was missed so often.</summary>
    private const int AgainAfter = 3,
        MostMisses = 3;

    /// <summary>Each fourth question is about a confusion, each fifth may be new.</summary>
    private const int ConfusedEach = 4,
        NewEach = 5;

    /// <summary>Right answers for one alternative more, and for one thing more to be sung (common practice).</summary>
    internal const int RightForOneMore = 3;

    /// <summary>Answers from which it is taken what was right lately.</summary>
    public const int Lately = 40;

    /// <summary>
    /// How much was right lately, each thing counting once however often it was asked: one that will not come stops nothing.
    /// </summary>
    /// <param name="answers">The last answers, the newest last.</param>
    public static double RightLately(IEnumerable<EarAnswer> answers)
    {
        ArgumentNullException.ThrowIfNull(answers);
        return answers
            .TakeLast(Lately)
            .GroupBy(answer => answer.Item, StringComparer.Ordinal)
            .Select(group => group.Average(answer => answer.Right ? 1.0 : 0))
            .DefaultIfEmpty(1)
            .Average();
    }

    /// <summary>The next question; null when nothing may be asked.</summary>
    /// <param name="request">What it is chosen from.</param>
    public static EarChoice? Next(EarRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        var random = new Random(request.Seed);
        if (request.Only.Count > 1)
            return OfThese(request, random);
        var last = request.Today.Count > 0 ? request.Today[^1].Item : null;
        var open = request.Items.Where(item => request.Standings.ContainsKey(item.Key)).ToList();
        var rested = open.Where(item => request.Today.Count(answer => answer.Item == item.Key && !answer.Right) < MostMisses).ToList();
        if (rested.Count > 1)
            open = rested;
        var (item, why) =
            Again(request, open) is { } missed ? (missed, EarWhy.Again)
            : Opens(request) is { } fresh ? (fresh, EarWhy.New)
            : request.Today.Count % ConfusedEach == ConfusedEach - 1 && OfPair(request, open, random) is { } taken
                ? (taken, EarWhy.Confused)
            : Due(request, open, last) is { } due ? (due, EarWhy.Due)
            : (Unsure(request, open, last), EarWhy.Unsure);
        return item is null ? null : new EarChoice(item, Alternatives(request, item), why);
    }

    /// <summary>Something new that opens now; the first day opens the first pairs at once.</summary>
    private static EarItem? Opens(EarRequest request)
    {
        var isFirst = request.Standings.Values.All(one => request.Today.Count(answer => answer.Item == one.Item) == one.Asked);
        var today = request.Standings.Values.Count(one => request.Today.Count(answer => answer.Item == one.Item) == one.Asked);
        var most = isFirst ? NewOnTheFirst : NewADay;
        var may =
            today < most
            && (
                request.Standings.Count < NewOnTheFirst
                || (request.RightLately >= RightToOpen && request.Today.Count % NewEach == NewEach - 1)
            );
        return may ? NextNew(request) : null;
    }

    /// <summary>What opens next; a level waits until the one below it has come right a few times.</summary>
    /// <param name="request">What it is chosen from.</param>
    public static EarItem? NextNew(EarRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        return request.Items.FirstOrDefault(item =>
            !request.Standings.ContainsKey(item.Key)
            && (
                EarItems.Below(item) is not { } below
                || (request.Standings.TryGetValue(below.Key, out var known) && known.Right >= RightForOneMore)
            )
        );
    }

    /// <summary>What was missed last time today, when enough others came between.</summary>
    private static EarItem? Again(EarRequest request, List<EarItem> open) =>
        open.Select(item => (Item: item, Place: LastPlace(request.Today, item.Key)))
            .Where(one => one.Place >= 0 && !request.Today[one.Place].Right && request.Today.Count - 1 - one.Place >= AgainAfter)
            .OrderBy(one => one.Place)
            .Select(one => one.Item)
            .FirstOrDefault();

    private static EarItem? OfPair(EarRequest request, List<EarItem> open, Random random)
    {
        var last = request.Today[^1].Item;
        foreach (var pair in request.Confused)
        {
            var both = new[] { pair.One, pair.Other }.Where(item => item.Key != last && open.Contains(item)).ToList();
            if (both.Count > 0)
                return both[random.Next(both.Count)];
        }

        return null;
    }

    /// <summary>What is due and was not asked today, the least sure first; another family than the last where there is one.</summary>
    private static EarItem? Due(EarRequest request, List<EarItem> open, string? last) =>
        open.Where(item => request.Standings[item.Key].Due <= request.Day && LastPlace(request.Today, item.Key) < 0)
            .OrderBy(item => EarItems.Find(last ?? "")?.Family == item.Family)
            .ThenBy(item => request.Standings[item.Key].Chance(request.Day))
            .FirstOrDefault();

    private static EarItem? Unsure(EarRequest request, List<EarItem> open, string? last) =>
        open.Where(item => item.Key != last || open.Count == 1)
            .OrderBy(item => request.Today.Count(answer => answer.Item == item.Key))
            .ThenBy(item => EarItems.Find(last ?? "")?.Family == item.Family)
            .ThenBy(item => request.Standings[item.Key].Memory.Stability)
            .ThenBy(item => LastPlace(request.Today, item.Key))
            .FirstOrDefault();

    /// <summary>Two at first, one more for each three right answers, up to all that are open; what it is taken for is always among them.</summary>
    private static List<EarItem> Alternatives(EarRequest request, EarItem item)
    {
        var family = request.Items.Where(one => one.Family == item.Family).ToList();
        var open = family.Where(one => request.Standings.ContainsKey(one.Key)).ToList();
        var right = request.Standings.TryGetValue(item.Key, out var known) ? known.Right : 0;
        var count = Math.Clamp(2 + (right / RightForOneMore), 2, Math.Max(2, Math.Min(MostAlternatives, open.Count)));
        var place = family.IndexOf(item);
        var others = family
            .Where(one => one != item)
            .OrderByDescending(one => Taken(request, item, one))
            .ThenByDescending(open.Contains)
            .ThenBy(one => Math.Abs(family.IndexOf(one) - place))
            .Take(count - 1);
        return InOrder(others.Append(item), family);
    }

    /// <summary>As they open, so that each keeps its place; degrees as they lie in the scale.</summary>
    private static List<EarItem> InOrder(IEnumerable<EarItem> items, List<EarItem> family) =>
        [
            .. items.OrderBy(one =>
                one.Family is EarFamily.DegreesMajor or EarFamily.DegreesMinor ? EarSounds.DegreeOf(one) : family.IndexOf(one)
            ),
        ];

    private static int Taken(EarRequest request, EarItem one, EarItem other) =>
        request.Confused.FirstOrDefault(pair => (pair.One == one && pair.Other == other) || (pair.One == other && pair.Other == one))?.Times
        ?? 0;

    /// <summary>Only these, by chance, none more than twice in a row.</summary>
    private static EarChoice? OfThese(EarRequest request, Random random)
    {
        var items = request.Items.Where(item => request.Only.Contains(item.Key, StringComparer.Ordinal)).ToList();
        if (items.Count == 0)
            return null;
        var free =
            request.Today is [.., { } before, { } last] && before.Item == last.Item && items.Count > 1
                ? items.Where(item => item.Key != last.Item).ToList()
                : items;
        var item = free[random.Next(free.Count)];
        return new EarChoice(item, InOrder(items.Where(one => one.Family == item.Family), items), EarWhy.Confused);
    }

    private static int LastPlace(IReadOnlyList<EarAnswer> answers, string item)
    {
        for (var i = answers.Count - 1; i >= 0; i--)
        {
            if (answers[i].Item == item)
                return i;
        }

        return -1;
    }
}
