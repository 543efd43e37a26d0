using System.Text.Json;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the demo's player has answered by ear: quick with the plain ones, again and again taking a few for each other.</summary>
internal sealed class DemoEar
{
    private const int Days = 62;
    private const int SecondsEach = 9;

    /// <summary>What this ear takes for each other, and how often when both are there to choose.</summary>
    private static readonly (string One, string Other, double Part)[] Mistakes =
    [
        ("up:5", "up:7", 0.3),
        ("major:2", "major:6", 0.25),
        ("triad:diminished:0", "triad:minor:0", 0.18),
        ("major:4", "major:3", 0.2),
        ("down:7", "down:2", 0.15),
        ("parts:2+1", "parts:3+1", 0.35),
        ("metre:6", "metre:3", 0.25),
        ("strokes:LHHL", "strokes:LLHH", 0.15),
    ];

    private readonly Random random = new(1618);
    private readonly Dictionary<string, EarStanding> known = new(StringComparer.Ordinal);
    private readonly List<EarAnswerRow> answers = [];

    public static (IReadOnlyList<EarItemRow> Items, IReadOnlyList<EarAnswerRow> Answers) Of(
        IEnumerable<SessionRow> sessions,
        bool isPitched,
        DateOnly today
    )
    {
        var ear = new DemoEar();
        foreach (var session in sessions.Where(session => session.Day >= today.AddDays(-Days)))
        {
            foreach (var drill in session.Drills.Where(IsRound))
                ear.Round(session, (int)(drill.PlayedSeconds / SecondsEach), isPitched);
        }

        return (
            [
                .. ear.known.Values.Select(one =>
                {
                    var row = new EarItemRow();
                    EarBooks.Keep(row, one);
                    return row;
                }),
            ],
            ear.answers
        );
    }

    private void Round(SessionRow session, int questions, bool isPitched)
    {
        var confused = Confused(session.Day);
        for (var i = 0; i < questions; i++)
        {
            var today = answers.Where(row => row.Day == session.Day).Select(EarBooks.ToCore).ToList();
            var request = new EarRequest(EarItems.For(isPitched), known, today, confused, session.Day, random.Next())
            {
                RightLately = EarRound.RightLately(answers.TakeLast(EarRound.Lately).Select(EarBooks.ToCore)),
            };
            if (EarRound.Next(request) is { } choice)
                Answer(session, choice, i);
        }
    }

    private void Answer(SessionRow session, EarChoice choice, int place)
    {
        var said = Said(choice, session.Day);
        var seconds = Math.Round((said == choice.Item ? 1.4 : 2.6) + (random.NextDouble() * 3), 1);
        var row = new EarAnswerRow
        {
            Key = new Guid(random.Next(), 1, 0, new byte[8]),
            Day = session.Day,
            AtUtc = session.StartedUtc.AddSeconds(600 + (place * SecondsEach)),
            Item = choice.Item.Key,
            Said = said.Key,
            Right = said == choice.Item,
            Seconds = seconds,
        };
        answers.Add(row);
        var answer = EarBooks.ToCore(row);
        var grade = EarMemory.GradeOf(answer, choice.Alternatives.Count, 3);
        known[row.Item] = EarMemory.After(known.GetValueOrDefault(row.Item), answer, grade, session.Day);
    }

    private EarItem Said(EarChoice choice, DateOnly day)
    {
        var sure = known.TryGetValue(choice.Item.Key, out var standing) ? standing.Chance(day) : 0.7;
        foreach (var (one, other, part) in Mistakes)
        {
            var taken =
                choice.Item.Key == one ? other
                : choice.Item.Key == other ? one
                : "";
            if (choice.Alternatives.FirstOrDefault(item => item.Key == taken) is { } there && random.NextDouble() < part)
                return there;
        }

        var others = choice.Alternatives.Where(item => item != choice.Item).ToList();
        return random.NextDouble() < 0.8 + (0.17 * sure) ? choice.Item : others[random.Next(others.Count)];
    }

    private IReadOnlyList<Confusion> Confused(DateOnly day) =>
        Confusions.Of([
            .. answers
                .Where(row => row.Day >= day.AddDays(-Confusions.Days))
                .GroupBy(row => (row.Item, row.Said!))
                .Select(group => (group.Key.Item, group.Key.Item2, group.Count())),
        ]);

    private static bool IsRound(SessionDrillRow row) =>
        row.Area == Area.Ear && JsonSerializer.Deserialize<Drill>(row.DrillJson, Bookkeeping.Json)?.MethodId == Methods.EarRound.Id;
}
