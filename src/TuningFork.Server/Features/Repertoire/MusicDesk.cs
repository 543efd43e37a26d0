using System.Text;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Music that was taken in, as it is kept.</summary>
public sealed record KeptMusic(Score Score, string Abc, IReadOnlyList<string> LeftOut);

/// <summary>The music of pieces: taken in, kept, cut out and varied.</summary>
public sealed class MusicDesk(PracticeDb db)
{
    /// <summary>Reading a file may take so long; what takes longer is no piece of music.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(3);

    /// <summary>The music of a piece, at the tempo of whoever practises it; null when it has none.</summary>
    /// <exception cref="FieldException">It was kept and cannot be read.</exception>
    public async Task<Score?> OfPieceAsync(int piece, CancellationToken cancel) =>
        await KeptAsync(piece, cancel) is { } score ? score with { Tempo = null } : null;

    private async Task<Score?> KeptAsync(int piece, CancellationToken cancel)
    {
        var abc = await db.Music.AsNoTracking().Where(row => row.MaterialId == piece).Select(row => row.Abc).FirstOrDefaultAsync(cancel);
        try
        {
            return abc is null ? null : AbcReader.Read(abc).Score;
        }
        catch (AbcException)
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
            return await KeptAsync(piece.Id, cancel) is { } score ? ProposedTarget.Of(score, piece.Beat.Value) : null;
        }
        catch (FieldException)
        {
            return null;
        }
    }

    /// <summary>The bars of a passage, all or the first of them; null when there is no music for them.</summary>
    public async Task<Score?> OfPassageAsync(int material, CancellationToken cancel, int? stopAfterBar = null)
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
        return row?.PieceId is { } piece && await OfPieceAsync(piece, cancel) is { } whole && Holds(whole, row.FromBar, row.ToBar)
            ? Excerpt.Of(whole, row.FromBar, Math.Min(row.ToBar, stopAfterBar ?? row.ToBar))
            : null;
    }

    public static bool Holds(Score score, int from, int to) =>
        from >= Excerpt.FirstBar(score) && to < score.Bars.Count + Excerpt.FirstBar(score) && from <= to;

    /// <summary>
    /// Reads what was sent (ABC text, a MusicXML file, plain or packed, or a MIDI file), writes it as it is to be kept, and
    /// reads that back: what is kept can always be read again.
    /// </summary>
    /// <exception cref="FieldException">It cannot be read, or not be kept as it is.</exception>
    public static async Task<KeptMusic> TakeInAsync(byte[] file, Instrument instrument, CancellationToken gone)
    {
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(gone);
        limit.CancelAfter(Patience);
        try
        {
            return await Task.Run(() => ReadBack(Read(file, instrument, limit.Token), limit.Token), limit.Token);
        }
        catch (OperationCanceledException) when (!gone.IsCancellationRequested)
        {
            throw new FieldException(
                "file",
                $"This file takes longer than {Patience.TotalSeconds} seconds to read. Export one part of it, or fewer bars."
            );
        }
        catch (AbcException problem)
        {
            throw new FieldException("file", problem.Message);
        }
        catch (MusicFileException problem)
        {
            throw new FieldException("file", problem.Message);
        }
    }

    private static ReadMusic Read(byte[] file, Instrument instrument, CancellationToken cancel)
    {
        if (file is [0xFE, 0xFF, ..] or [0xFF, 0xFE, ..])
            return MusicXmlReader.Read(file, cancel);
        var start = Encoding.UTF8.GetString(file.AsSpan(0, Math.Min(file.Length, 400))).TrimStart('\uFEFF', ' ', '\n', '\r', '\t');
        if (start.StartsWith("MThd", StringComparison.Ordinal))
            return MidiReader.Read(file, instrument, cancel);
        return start.StartsWith('<') || start.StartsWith("PK", StringComparison.Ordinal)
            ? MusicXmlReader.Read(file, cancel)
            : AbcReader.Read(Encoding.UTF8.GetString(file).TrimStart('\uFEFF'), instrument.Clef);
    }

    private static KeptMusic ReadBack(ReadMusic music, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var plain = music.Score with { Title = "" };
        var abc = AbcWriter.Write(plain);
        if (abc.Length > AbcReader.LongestText)
            throw new FieldException(
                "file",
                $"This music is too long to be kept in one: {music.Score.Bars.Count:N0} bars. Export a part of it."
            );
        cancel.ThrowIfCancellationRequested();
        Score back;
        try
        {
            back = AbcReader.Read(abc).Score;
        }
        catch (AbcException problem)
        {
            throw new FieldException(
                "file",
                $"This music cannot be kept as it is, so nothing was changed ({Words.Small(problem.Message)}) Bars cut in two by a line or a repeat sign are the usual cause: join them where it was written, and take the file again."
            );
        }

        return Differs(plain, back) is { } bar
            ? throw new FieldException(
                "file",
                $"Bar {bar} of this music would not come back as it is, so nothing was changed. Look at that bar where it was written, and take the file again."
            )
            : new KeptMusic(music.Score, abc, music.LeftOut);
    }

    /// <summary>The first bar that is heard otherwise, or null.</summary>
    private static int? Differs(Score written, Score back)
    {
        var first = Excerpt.FirstBar(written);
        if (written.Bars.Count != back.Bars.Count || first != Excerpt.FirstBar(back))
            return first;
        var heard = Performed.Notes(written with { ToSounding = Interval.Unison });
        var again = Performed.Notes(back with { ToSounding = Interval.Unison });
        var same = heard.Zip(again).TakeWhile(pair => pair.First == pair.Second).Count();
        return same == heard.Count && same == again.Count ? null : (same < heard.Count ? heard[same].Bar : again[same].Bar) + first;
    }
}
