using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Takes the music of a piece in. It is read before it is one's turn to write, so that a long file keeps nobody waiting.</summary>
public sealed class PieceMusic(PracticeDb db, PlanDesk desk, Turns turns, Ledger ledger, IHttpContextAccessor http)
{
    /// <exception cref="FieldException">There is no such piece, or the music cannot be read or kept; what was there stays.</exception>
    public async Task<BarsView> KeepAsync(int id, byte[] file, CancellationToken cancel)
    {
        await PieceEndpoints.PieceAsync(db, id, cancel);
        var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
        var kept = await MusicDesk.TakeInAsync(file, instrument, cancel);
        using var turn = await turns.TakeAsync(ledger.Of(http.HttpContext), cancel);
        var piece = await PieceEndpoints.PieceAsync(db, id, cancel);
        var (first, last) = (Excerpt.FirstBar(kept.Score), kept.Score.Bars.Count - 1 + Excerpt.FirstBar(kept.Score));
        var notes = kept.LeftOut.ToList();
        if (first != piece.FromBar || last != piece.ToBar)
            notes.Add($"the music has bars {first} to {last}, the piece {piece.FromBar} to {piece.ToBar}");
        // Music that was just removed makes room: there is one for a piece.
        var row = await db.Music.IgnoreQueryFilters().FirstOrDefaultAsync(one => one.MaterialId == id, cancel)
            ?? db.Music.Add(new MusicRow { MaterialId = id }).Entity;
        row.RemovedUtc = null;
        row.Abc = kept.Abc;
        row.LeftOut = string.Join('\n', notes);
        await db.SaveChangesAsync(cancel);
        return PieceEndpoints.View(kept.Score, instrument, new Variant("", "", [kept.Score]), 0);
    }
}
