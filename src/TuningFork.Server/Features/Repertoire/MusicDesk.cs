using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>The music of pieces: taken in, kept, cut out.</summary>
public sealed class MusicDesk(PracticeDb db)
{
    /// <summary>Reading a file may take so long; what takes longer is no piece of music.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(8);

    /// <summary>The music of a piece, at the tempo of whoever practises it; null when it has none.</summary>
    /// <exception cref="FieldException">It was kept and cannot be read.</exception>
    public async Task<Music?> OfPieceAsync(int piece, CancellationToken cancel) =>
        await KeptAsync(piece, cancel) is { } music ? music.Each(voice => voice with { Tempo = null }) : null;

    private async Task<Music?> KeptAsync(int piece, CancellationToken cancel)
    {
        var score = await db
            .Music.AsNoTracking()
            .Where(row => row.MaterialId == piece)
            .Select(row => row.Score)
            .FirstOrDefaultAsync(cancel);
        try
        {
            return score is null ? null : ScoreJson.Read(score);
        }
        catch (JsonException)
        {
            throw new FieldException(
                "music",
                "The music kept for this piece cannot be read. Take its file again on the page of the piece, or remove it there.",
                StatusCodes.Status409Conflict
            );
        }
    }

    /// <summary>The target that the music of a piece proposes; null without music, or when its music cannot be read.</summary>
    public async Task<ProposedTarget?> ProposedAsync(MaterialRow piece, CancellationToken cancel)
    {
        try
        {
            return await KeptAsync(piece.Id, cancel) is { } music ? ProposedTarget.Of(music.Lead, piece.Beat.Value) : null;
        }
        catch (FieldException)
        {
            return null;
        }
    }

    /// <summary>The bars of a passage, all or the first of them; null when there is no music for them.</summary>
    public async Task<Music?> OfPassageAsync(int material, CancellationToken cancel, int? stopAfterBar = null)
    {
        var row = await db
            .Materials.AsNoTracking()
            .Where(row => row.Id == material && row.Kind == MaterialKind.Passage)
            .Select(row => new
            {
                row.PieceId,
                row.FromBar,
                row.ToBar,
            })
            .FirstOrDefaultAsync(cancel);
        return
            row?.PieceId is { } piece && await OfPieceAsync(piece, cancel) is { } whole && Excerpt.Holds(whole.Lead, row.FromBar, row.ToBar)
            ? Excerpt.Of(whole, row.FromBar, Math.Min(row.ToBar, stopAfterBar ?? row.ToBar))
            : null;
    }

    /// <summary>Reads what was sent: ABC text, a MusicXML file, plain or packed, or a MIDI file.</summary>
    /// <exception cref="FieldException">It cannot be read, or would not come back as it is.</exception>
    public static async Task<OpenedMusic> OpenAsync(byte[] file, MusicWanted wanted, Instrument instrument, CancellationToken gone)
    {
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(gone);
        limit.CancelAfter(Patience);
        try
        {
            return await Task.Run(() => Checked(MusicFiles.Open(file, wanted, instrument, limit.Token)), limit.Token);
        }
        catch (OperationCanceledException) when (!gone.IsCancellationRequested)
        {
            throw new FieldException(
                "file",
                $"This file takes longer than {Patience.TotalSeconds} seconds to read. Export one part of it, or fewer bars."
            );
        }
        catch (Exception problem) when (problem is AbcException or MusicFileException)
        {
            throw new FieldException("file", problem.Message);
        }
    }

    /// <summary>What is to be kept is read back and compared: it is kept note for note, or not at all.</summary>
    private static OpenedMusic Checked(OpenedMusic opened)
    {
        var back = ScoreJson.Read(ScoreJson.Write(opened.Music));
        return Performed.Notes(back.Voices).SequenceEqual(Performed.Notes(opened.Music.Voices))
            ? opened
            : throw new FieldException(
                "file",
                "This music would not come back as it is, so nothing was changed. Export it again, or fewer bars of it."
            );
    }
}
