using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;

namespace TuningFork.Server.Features.Practice;

/// <summary>Materials as the pages show them: pieces with their passages, then exercises, then books.</summary>
internal static class MaterialList
{
    /// <summary>All of them with what their history comes to, in order.</summary>
    public static async Task<List<MaterialView>> OfAsync(
        List<MaterialRow> rows,
        PracticeDb db,
        DateOnly today,
        School school,
        CancellationToken cancel
    )
    {
        var byId = rows.ToDictionary(row => row.Id);
        return
        [
            .. rows.Zip(await VisitedLately.WithWeekAsync(db, PlanDesk.ToCore(rows, today), today, cancel), (row, core) =>
                    new MaterialView(
                        row.Id,
                        row.Kind,
                        row.Area,
                        core.Title,
                        core.ShortTitle,
                        row.Title,
                        row.PieceId,
                        row.FromBar,
                        row.ToBar,
                        row.BeatsPerBar,
                        row.Beat.Name,
                        row.Target,
                        row.Readiness,
                        row.Difficulty,
                        row.Note,
                        Bookkeeping.Rests(row, today),
                        row.IsScale,
                        row.Performance,
                        row.NextExample,
                        row.Examples,
                        row.PerDay,
                        row.BookParts,
                        row.TodaysKey,
                        row.Kind == MaterialKind.Book ? Books.DaysLeft(core) : null,
                        core.LastVisit,
                        row.Visits,
                        row.LastClean,
                        core.Kind != MaterialKind.Book && !core.HasPassages ? Standing.Due(core, today, school) : null,
                        row.Slipped,
                        core.Serves,
                        row.Version,
                        core.Kind == MaterialKind.Book || core.HasPassages ? "" : Standing.Words(core),
                        core.Kind != MaterialKind.Book && !core.HasPassages && Standing.IsGrowing(core, today),
                        [.. Bookkeeping.DatesOf(row).Skip(1)],
                        row.WeekMinutes,
                        row.WeekTimes,
                        row.TwiceADay,
                        row.Harmony,
                        PassageWords.Of(
                            core,
                            rows.Where(other => other.PieceId == row.PieceId && other.Id < row.Id && !other.Resting)
                                .Select(other => (other.FromBar, other.ToBar))
                        )
                    )
                )
                .OrderBy(view =>
                    view.Kind switch
                    {
                        MaterialKind.Piece or MaterialKind.Passage => 0,
                        MaterialKind.Exercise => 1,
                        _ => 2,
                    }
                )
                .ThenBy(view => view.PieceId is { } piece ? byId[piece].Title : view.Title, StringComparer.CurrentCultureIgnoreCase)
                .ThenBy(view => view.PieceId is not null)
                .ThenBy(view => view.FromBar),
        ];
    }
}
