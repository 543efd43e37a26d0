using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the clarinettist aims at, has decided, and does in a way of his own; all of it invented.</summary>
internal static class DemoAims
{
    public static void Write(PracticeDb db, IReadOnlyList<DemoItem> known, DateOnly today)
    {
        MaterialRow Row(string title, int from = 1) =>
            known
                .First(item => (item.Row.Piece?.Title ?? item.Row.Title) == title && (item.Row.Piece is null || item.Row.FromBar == from))
                .Row;
        db.Goals.Add(
            new GoalRow
            {
                Kind = GoalKind.Ready,
                Material = Row("Ferry Waltz"),
                From = 1,
                To = 5,
                Begun = today.AddDays(-24),
                Until = today.AddDays(12),
            }
        );
        var crossing = Row("Crossing the break in pairs");
        db.Goals.Add(
            new GoalRow
            {
                Kind = GoalKind.Tempo,
                Material = crossing,
                From = Math.Min(70, (crossing.LastClean ?? 72) - 2),
                To = 92,
                Begun = today.AddDays(-10),
                Until = today.AddDays(32),
            }
        );
        db.Methods.Add(
            new MethodRow
            {
                Name = "whisper",
                How = "As softly as the reed will speak, at an easy tempo. Then once at full voice.",
                Records = "clean or missed, every take",
                Leave = "Fits what sounds pressed. Leave it when the soft take is as even as the loud one.",
                Course = Course.FixedCount,
                Count = 4,
                Fit = Fit.Raw | Fit.Shaping,
            }
        );
        var decided = known.First(item => item.Row is { Piece.Title: "Ferry Waltz", FromBar: 31 }).Row;
        (decided.Fingering, decided.Stroke, decided.Why) = (
            "left C sharp, right B",
            "breathe before 31",
            "no slide between the little fingers"
        );
    }
}
