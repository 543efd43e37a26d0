using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Stretches of a piece, each where the last one ended, so that every bar of it comes round and the bars between its passages wait no
/// weeks.
/// </summary>
internal static class Stretches
{
    /// <summary>Bars of a stretch (common practice).</summary>
    private const int Bars = 8;

    /// <summary>Days after which a piece has one again (common practice).</summary>
    private const int EveryDays = 7;

    /// <summary>One part in so many of the minutes at most.</summary>
    private const int PartOfMinutes = 5;

    private const int MostMinutes = 3;

    /// <summary>The next stretch of about so many bars; a short rest at the end belongs to the last one.</summary>
    public static (int From, int To) Next(Material piece, int bars)
    {
        var from = piece.Place >= piece.ToBar || piece.Place < piece.FromBar ? piece.FromBar : piece.Place + 1;
        var to = Math.Min(piece.ToBar, from + Math.Max(1, bars) - 1);
        return (from, piece.ToBar - to < (bars + 1) / 2 ? piece.ToBar : to);
    }

    /// <summary>
    /// A stretch of the piece that was away longest, at the tempo of the slowest passage in it: once a week for each piece whose
    /// passages are under way; with time to spare at any time,
    /// stretch after stretch until it was all there. Null when there is none, or it takes too much of the minutes.
    /// </summary>
    public static Drill? Between(FillContext context, int minutes, bool spare = false)
    {
        var (request, day) = (context.Request, context.Request.Day);
        if ((request.Demands & (Demands.Concert | Demands.Tired)) != Demands.None || request.PracticeDaysBack is < 2)
            return null;
        var piece = request
            .Materials.Where(one =>
                one is { Kind: MaterialKind.Piece, Area: Area.Repertoire, HasPassages: true, Resting: false, LastVisit: { } last }
                && last != day
                && (spare || day.DayNumber - last.DayNumber >= EveryDays)
                && Performances.On(one, day) is null or Phase.Passages
                && (
                    spare && context.Walked.TryGetValue(one.Id, out var walked)
                        ? Goes(one, walked)
                        : !context.Used.Contains(TargetKey.Of(one.Id))
                )
                && request.Materials.Any(passage => passage is { Kind: MaterialKind.Passage, Best: not null } && passage.Group == one.Id)
            )
            .OrderBy(one => context.Walked.ContainsKey(one.Id))
            .ThenBy(one => one.LastVisit)
            .ThenBy(one => one.Id)
            .FirstOrDefault();
        if (piece is null)
            return null;
        var begun = context.Walked.TryGetValue(piece.Id, out var today);
        var (from, to) = Next(begun ? piece with { Place = today.To } : piece, Bars);
        var target = TargetOf(context, piece, from, to);
        var needed = Math.Clamp((target.TakeSeconds + 59) / 60, 1, MostMinutes);
        if (!spare && needed * PartOfMinutes > minutes)
            return null;
        context.Walked[piece.Id] = (begun ? today.From : from, to);
        return context.Make(
            Area.Repertoire,
            Methods.JoinedSection,
            target.Title,
            spare ? minutes : needed,
            $"between its passages; {Words.Days(day.DayNumber - piece.LastVisit!.Value.DayNumber)} away",
            target
        );
    }

    /// <summary>The next stretch of a piece that has no passages yet.</summary>
    public static Drill Of(FillContext context, Material piece, int minutes, string reason)
    {
        var (from, to) = Next(piece, Bars);
        context.Used.Add(TargetKey.Of(piece.Id));
        var target = TargetOf(context, piece, from, to);
        return context.Make(Area.Repertoire, Methods.JoinedSection, target.Title, minutes, reason, target);
    }

    private static Target TargetOf(FillContext context, Material piece, int from, int to) =>
        context.TargetOf(context.Whole(piece, from, to)) with
        {
            Title = $"{piece.Title}, {from}–{to}",
            StopAfterBar = to,
        };

    /// <summary>Whether the walk over a piece goes on today: until it comes to where it began.</summary>
    private static bool Goes(Material piece, (int From, int To) walked) => Next(piece with { Place = walked.To }, Bars).From != walked.From;
}
