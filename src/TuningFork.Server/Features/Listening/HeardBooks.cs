using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Listening;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>Keeps what came of takes that were listened to.</summary>
public sealed class HeardBooks(PracticeDb db, PlanDesk plans, PracticeClock clock)
{
    /// <summary>Verdicts of it that have to be seen to agree before takes are marked by them.</summary>
    public const int Needed = 20;

    private const int MostListed = 50;

    /// <summary>Keeps a take, and says what is missing, where the last ones show it.</summary>
    public async Task<HeardView> KeepAsync(AtHand hand, HeardTake take, bool simulated, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(hand);
        ArgumentNullException.ThrowIfNull(take);
        var row = new HeardRow
        {
            Key = Guid.NewGuid(),
            AtUtc = clock.UtcNow,
            Day = clock.Today(await plans.ProfileAsync(cancel)),
            MaterialId = hand.MaterialId,
            TargetKey = hand.TargetKey,
            Title = hand.Title,
            Tempo = hand.Tempo,
            Method = hand.Method,
            Simulated = simulated,
        };
        HeardFigures.Write(row, take, hand.Wish, hand.Name);
        db.Heard.Add(row);
        await db.SaveChangesAsync(cancel);
        return View(row, simulated ? null : await CauseAsync(row, hand, cancel));
    }

    /// <summary>What the last takes of a passage show to be missing, where that is not what is being worked on.</summary>
    private async Task<HeardCauseView?> CauseAsync(HeardRow row, AtHand hand, CancellationToken cancel)
    {
        if (
            await db.Materials.AsNoTracking().FirstOrDefaultAsync(material => material.Id == row.MaterialId, cancel)
            is not { Kind: MaterialKind.Passage, Readiness: not Readiness.Ready } passage
        )
            return null;
        var signs = await db
            .Heard.Where(one => one.MaterialId == passage.Id && !one.Simulated)
            .OrderByDescending(one => one.Id)
            .Take(HeardCauses.Looked)
            .Select(one => new HeardSign(
                Math.Abs(one.DriftMs ?? 0) > one.DriftPlusMinus ? one.DriftMs : null,
                one.Uneven != null,
                one.OffCents
            ))
            .ToListAsync(cancel);
        signs.Reverse();
        var takes = await SameNotesAsync(row, cancel);
        return HeardCauses.Of(signs, Step(takes, hand), Place(takes, hand.Wish)) is { } heard && heard.Cause.Name != passage.Missing
            ? new HeardCauseView(heard.Words, heard.Cause.Name, heard.Cause.Remedy, heard.Cause.Method.Id.Name)
            : null;
    }

    /// <summary>Each note of the last takes of the same notes: how far into the take, and how late.</summary>
    private async Task<List<List<(double At, int LateMs)>>> SameNotesAsync(HeardRow row, CancellationToken cancel)
    {
        var takes = await db
            .Heard.AsNoTracking()
            .Where(one => one.TargetKey == row.TargetKey && one.Method == row.Method && !one.Simulated && one.Late != "")
            .OrderByDescending(one => one.Id)
            .Take(HeardCauses.Looked)
            .ToListAsync(cancel);
        return takes.ConvertAll(take => HeardFigures.Late(take).ToList());
    }

    /// <summary>The step that comes late in them.</summary>
    private static HeardStep? Step(List<List<(double At, int LateMs)>> takes, AtHand hand) =>
        StepHabit.Of(takes) is { } habit
            ? new HeardStep(habit, HeardFigures.Place(hand.Wish.Written, habit.At, hand.Wish.IsPitched ? hand.Name : null))
            : null;

    /// <summary>The place of the bar that comes early or late in them.</summary>
    private static HeardPlace? Place(List<List<(double At, int LateMs)>> takes, ListenWish wish) =>
        PlaceHabit.Of(takes.ConvertAll(take => take.ConvertAll(note => InBar(HeardFigures.Moment(wish.Written, note.At), note.LateMs))))
            is { } habit
            ? new HeardPlace(habit, TimingWords.PlaceName(habit.InBar, wish.Beat))
            : null;

    private static (int Bar, double InBar, int LateMs) InBar(WrittenMoment moment, int lateMs) => (moment.Bar, moment.InBar, lateMs);

    public async Task<HeardView> MarkAsync(int id, bool clean, CancellationToken cancel)
    {
        var row = await db.Heard.FirstOrDefaultAsync(one => one.Id == id, cancel) ?? throw Problems.Unknown("id", "take");
        row.Marked = clean;
        await db.SaveChangesAsync(cancel);
        return View(row);
    }

    public async Task<TrustView> TrustAsync(CancellationToken cancel)
    {
        var agreed = await db.Heard.CountAsync(row => row.Marked == row.Clean && !row.Simulated, cancel);
        var differed = await db.Heard.CountAsync(row => row.Marked != null && row.Marked != row.Clean && !row.Simulated, cancel);
        return new TrustView(agreed, differed, Needed, agreed >= Needed);
    }

    public async Task<HeardListView> ListAsync(int? materialId, DateOnly? day, int? before, CancellationToken cancel)
    {
        var rows = db.Heard.AsNoTracking();
        if (materialId is { } material)
            rows = rows.Where(row => row.MaterialId == material || row.Material!.PieceId == material);
        if (day is { } on)
            rows = rows.Where(row => row.Day == on);
        if (before is { } id)
            rows = rows.Where(row => row.Id < id);
        return new HeardListView([
            .. (await rows.OrderByDescending(row => row.Id).Take(MostListed).ToListAsync(cancel)).Select(row => View(row)),
        ]);
    }

    private static HeardView View(HeardRow row, HeardCauseView? cause = null)
    {
        var timing = row.Timing.Split('\n');
        return new HeardView(
            row.Id,
            row.Day,
            row.AtUtc,
            row.MaterialId,
            row.Title,
            row.Tempo,
            row.Clean,
            row.Marked,
            row.Notes,
            Lines(row.Faults),
            // The last line is what helps.
            [.. timing.SkipLast(1)],
            timing[^1],
            [.. HeardFigures.Late(row).Select(note => new HeardNoteView(note.At, note.LateMs))],
            [.. HeardFigures.Bars(row).Select(bar => new HeardBarView(bar.At, bar.Number))],
            row.DriftMs is not null,
            Lines(row.Intonation),
            row.Simulated,
            row.PlayedTempo,
            cause
        );
    }

    private static string[] Lines(string text) => text.Split('\n', StringSplitOptions.RemoveEmptyEntries);
}
