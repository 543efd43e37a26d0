using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Play: a piece right through when one is ready and fits, and making something up.</summary>
internal static class PlayFill
{
    private static readonly (string Title, string How)[] Ideas =
    [
        ("Make something from three notes", "Three notes of today's scale; say something with them."),
        ("Question and answer", "Two bars ask, two bars answer. Write down what you like."),
        ("Only one rhythm", "One rhythm, any notes. Keep it going."),
        ("A tune you know, another key", "Find it by ear, slowly."),
        ("Whatever you like", "Play for the sound of it."),
        ("Only arpeggios", "Broken chords, any order, in time."),
    ];

    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var day = context.Request.Day;
        var piece = context.Request.Materials
            .Where(material => material is { Kind: MaterialKind.Piece, Resting: false, Readiness: not Readiness.Raw } && material.LastVisit != day
                && !context.Used.Contains($"m:{material.Id}") && PieceMinutes(material) <= minutes)
            .OrderByDescending(material => material.AskedFor)
            .ThenBy(material => material.LastVisit ?? DateOnly.MinValue)
            .FirstOrDefault();
        var left = minutes;
        if (piece is not null && (day.DayNumber % 3 != 0 || piece.AskedFor || minutes >= PieceMinutes(piece) + 3))
        {
            var length = minutes - PieceMinutes(piece) >= 3 ? PieceMinutes(piece) : minutes;
            left -= length;
            var reason = piece.Readiness == Readiness.Ready ? "ready; keep it so" : "right through, to see how it stands";
            yield return context.Make(Area.Play, Methods.PerformanceTake, piece.Title, length,
                piece.LastVisit is { } last ? $"{reason}; last played {Words.Ago(day.DayNumber - last.DayNumber)}" : reason, context.TargetOf(context.Whole(piece, piece.FromBar, piece.ToBar), Pace.Performance));
        }

        foreach (var (length, i) in (left > 0 ? FillContext.Chop(left, 15, 20) : []).Select((length, i) => (length, i)))
        {
            var idea = context.Choose(Area.Play, Ideas, day.DayNumber + i);
            yield return context.MakeNamed(Area.Play, Methods.FreePlay, idea, length, "the reward, and the test");
        }
    }

    private static int PieceMinutes(Material piece) => Math.Max(2, (piece.TakeSeconds + 59) / 60);
}
