using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Something that can be chosen from a file.</summary>
/// <param name="IsDrums">True where its notes stand for instruments and not for pitches.</param>
public sealed record FilePartView(string Name, int Notes, int Staves, int Voices, bool IsDrums);

/// <summary>A file looked at before its music is kept.</summary>
/// <param name="Choices">Its parts, tunes or tracks.</param>
/// <param name="Part">Which of them is shown, from 0.</param>
/// <param name="Staves">Staves of the part.</param>
/// <param name="Voices">Voices of the part.</param>
/// <param name="Transposition">What is to be said of its transposition and the player's; empty for nothing.</param>
/// <param name="CanMove">Whether its notes can be moved or left.</param>
/// <param name="IsMoved">Whether they are moved.</param>
/// <param name="FirstBar">Number of the first bar.</param>
/// <param name="LastBar">Number of the last bar.</param>
/// <param name="LeftOut">What is not taken over, a line each; empty when all is.</param>
/// <param name="Bars">Its first bars.</param>
public sealed record MusicLook(
    MusicFormat Format,
    IReadOnlyList<FilePartView> Choices,
    int Part,
    int Staves,
    int Voices,
    string Transposition,
    bool CanMove,
    bool IsMoved,
    int FirstBar,
    int LastBar,
    IReadOnlyList<string> LeftOut,
    BarsView Bars
);

/// <summary>Takes the music of a piece in. It is read before it is one's turn to write, so that a long file keeps nobody waiting.</summary>
public sealed class PieceMusic(PracticeDb db, PlanDesk desk, Turns turns, Ledger ledger, IHttpContextAccessor http)
{
    /// <summary>Bars that are shown for a yes; of shorter music all, with its repeats.</summary>
    private const int Shown = 24;

    private const int LongestName = 200;

    /// <summary>Looks at a file; nothing is kept.</summary>
    /// <exception cref="FieldException">There is no such piece, or the file cannot be read.</exception>
    public async Task<MusicLook> LookAsync(int id, byte[] file, MusicWanted wanted, CancellationToken cancel)
    {
        var piece = await PieceEndpoints.PieceAsync(db, id, cancel);
        var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
        var opened = await MusicDesk.OpenAsync(file, wanted, instrument, cancel);
        var lead = opened.Music.Lead;
        var numbers = lead.Numbers();
        var shown = numbers.Count <= Shown ? opened.Music : Excerpt.Of(opened.Music, numbers[0], numbers[Shown - 1]);
        return new MusicLook(
            opened.Format,
            [.. opened.Choices.Select(choice => new FilePartView(choice.Name, choice.Notes, choice.Staves, choice.Voices, choice.IsDrums))],
            opened.Part,
            opened.Staves,
            opened.Voices,
            opened.Transposition.Words,
            opened.Transposition.CanChoose,
            opened.Transposition.IsMoved,
            numbers[0],
            numbers[^1],
            Lines(opened, await FitAsync(piece, opened, cancel)),
            MusicEndpoints.View(shown, instrument)
        );
    }

    /// <summary>Keeps the music of a file, and the file beside it.</summary>
    /// <exception cref="FieldException">There is no such piece, or the music cannot be read or kept; what was there stays.</exception>
    public async Task<BarsView> KeepAsync(int id, byte[] file, string name, MusicWanted wanted, CancellationToken cancel)
    {
        await PieceEndpoints.PieceAsync(db, id, cancel);
        var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
        var opened = await MusicDesk.OpenAsync(file, wanted, instrument, cancel);
        var score = ScoreJson.Write(opened.Music.Each(voice => voice with { Title = "" }));
        using var turn = await turns.TakeAsync(ledger.Of(http.HttpContext), cancel);
        var piece = await PieceEndpoints.PieceAsync(db, id, cancel);
        // Music that was just removed makes room: there is one for a piece.
        var row = await db.Music.IgnoreQueryFilters().FirstOrDefaultAsync(one => one.MaterialId == id, cancel)
            ?? db.Music.Add(new MusicRow { MaterialId = id }).Entity;
        row.RemovedUtc = null;
        row.Score = score;
        var fit = await FitAsync(piece, opened, cancel);
        row.LeftOut = string.Join('\n', Lines(opened, fit));
        fit.Settle(piece, await db.Materials.Where(one => one.PieceId == id).ToListAsync(cancel));
        var kept = await db.MusicFiles.FindAsync([id], cancel) ?? db.MusicFiles.Add(new MusicFileRow { MaterialId = id }).Entity;
        (kept.Name, kept.Bytes) = (Problems.Text("name", name, LongestName), file);
        await db.SaveChangesAsync(cancel);
        return MusicEndpoints.View(opened.Music, instrument);
    }

    private async Task<PieceFit> FitAsync(MaterialRow piece, OpenedMusic opened, CancellationToken cancel) =>
        PieceFit.Of(
            piece,
            opened.Music.Lead,
            await db.Visits.AnyAsync(visit => visit.MaterialId == piece.Id || visit.Material!.PieceId == piece.Id, cancel)
        );

    private static List<string> Lines(OpenedMusic opened, PieceFit fit)
    {
        var lines = opened.LeftOut.Select(one => one.ToString()).ToList();
        if (opened.Choices.Count > 1)
            lines.Insert(
                0,
                $"{opened.Choices.Count - 1} of {opened.Choices.Count} {Kind(opened.Format)}: \"{opened.Choices[opened.Part].Name}\" was taken"
            );
        return [.. lines, .. fit.Lines];
    }

    private static string Kind(MusicFormat format) =>
        format switch
        {
            MusicFormat.Abc => "tunes",
            MusicFormat.Midi => "tracks",
            _ => "parts",
        };
}
