using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Listening;
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

    public async Task<HeardRow> KeepAsync(AtHand hand, HeardTake take, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(hand);
        ArgumentNullException.ThrowIfNull(take);
        var written = hand.Wish.Written;
        var length = Math.Max(written[^1].At - written[0].At, 1e-9);
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
            Clean = take.Verdict.Clean,
            LateMs = take.Timing?.MeanMs?.Value,
            LatePlusMinus = take.Timing?.MeanMs?.PlusMinus,
            SpreadMs = take.Timing?.SpreadMs,
            DriftMs = take.Timing?.DriftMs?.Value,
            DriftPlusMinus = take.Timing?.DriftMs?.PlusMinus,
            Notes = take.Alignment.Moments.Count(moment => moment.Heard is not null),
            Faults = string.Join('\n', take.Verdict.Faults.Select(fault => fault.Words(hand.Name))),
            Timing = take.Timing is null ? "" : string.Join('\n', TimingWords.Of(take.Timing).Append(TimingWords.Help(take.Timing))),
            Late = string.Join(
                ',',
                (take.Timing?.Late ?? []).Select(note =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{(written[note.Written].At - written[0].At) / length:0.###}:{Math.Round(note.LateMs)}"
                    )
                )
            ),
        };
        db.Heard.Add(row);
        await db.SaveChangesAsync(cancel);
        return row;
    }

    public async Task<HeardView> MarkAsync(int id, bool clean, CancellationToken cancel)
    {
        var row = await db.Heard.FirstOrDefaultAsync(one => one.Id == id, cancel) ?? throw Problems.Unknown("id", "take");
        row.Marked = clean;
        await db.SaveChangesAsync(cancel);
        return View(row);
    }

    public async Task<TrustView> TrustAsync(CancellationToken cancel)
    {
        var agreed = await db.Heard.CountAsync(row => row.Marked == row.Clean, cancel);
        var differed = await db.Heard.CountAsync(row => row.Marked != null && row.Marked != row.Clean, cancel);
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
        return new HeardListView([.. (await rows.OrderByDescending(row => row.Id).Take(MostListed).ToListAsync(cancel)).Select(View)]);
    }

    public static HeardView View(HeardRow row)
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
            [
                .. row
                    .Late.Split(',', StringSplitOptions.RemoveEmptyEntries)
                    .Select(note => note.Split(':'))
                    .Select(note => new HeardNoteView(
                        double.Parse(note[0], CultureInfo.InvariantCulture),
                        int.Parse(note[1], CultureInfo.InvariantCulture)
                    )),
            ],
            row.DriftMs is not null
        );
    }

    private static string[] Lines(string text) => text.Split('\n', StringSplitOptions.RemoveEmptyEntries);
}
