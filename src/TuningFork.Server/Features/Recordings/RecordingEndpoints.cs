using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Recordings;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Recordings;

/// <summary>Recordings over HTTP: recorded in pieces of about a second, listed, heard, spoken of, removed.</summary>
public static class RecordingEndpoints
{
    private const int LargestPiece = 8 * 1024 * 1024;
    private const long LargestFile = 2L << 30;
    private const int MostListed = 1_000;
    private const int MostRoom = 1_000_000;

    public static void MapRecordings(this WebApplication app)
    {
        var group = app.MapGroup("/api/recordings").WithTags("Recordings");
        group.MapGet("", ListAsync).WithName("GetRecordings");
        group.MapPost("", BeginAsync).WithName("BeginRecording");
        group
            .MapPost("/{id:int}/sound", AppendAsync)
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(LargestPiece))
            .WithName("AddToRecording");
        group.MapPost("/{id:int}/end", EndAsync).WithName("EndRecording");
        group
            .MapGet("/{id:int}", (int id, RecordingBooks books, CancellationToken cancel) => books.ViewAsync(id, cancel))
            .WithName("GetRecording");
        group.MapGet("/{id:int}/sound", HearAsync).WithName("HearRecording");
        group.MapPut("/{id:int}", SayAsync).WithName("SayOfRecording");
        group.MapPut("/{id:int}/loop", LoopAsync).WithName("KeepLoop");
        group.MapRemoval<RecordingRow>("/{id:int}", "Recording", "recording");
        group
            .MapPost("/file", AddFileAsync)
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new OwnTurn(), new RequestSizeLimitAttribute(LargestFile))
            .WithName("AddRecordingFile");
        group.MapGet("/room", (RecordingBooks books, CancellationToken cancel) => books.RoomAsync(cancel)).WithName("GetRecordingRoom");
        group.MapPut("/room", RoomAsync).WithName("SetRecordingRoom");
    }

    private static async Task<RecordingsView> ListAsync(
        PracticeDb db,
        RecordingBooks books,
        CancellationToken cancel,
        int? materialId = null,
        RecordingKind? kind = null,
        int? before = null,
        int limit = 30
    )
    {
        if (kind is { } asked && !Enum.IsDefined(asked))
            throw new FieldException("kind", $"Recordings are one of: {string.Join(", ", Enum.GetNames<RecordingKind>())}.");
        if (limit is < 1 or > MostListed)
            throw new FieldException("limit", $"At most {MostListed} at once.");
        var rows = db.Recordings.AsNoTracking().Include(row => row.Material).ThenInclude(row => row!.Piece).AsQueryable();
        // Of a piece: its own and those of its passages.
        if (materialId is { } id)
            rows = rows.Where(row => row.MaterialId == id || row.Material!.PieceId == id);
        rows = kind is { } one ? rows.Where(row => row.Kind == one) : rows.Where(row => row.Kind != RecordingKind.Song);
        if (before is { } last)
            rows = rows.Where(row => row.Id < last);
        // Songs in the order in which they waited, as the plan takes them; all else the newest first.
        var ordered =
            kind == RecordingKind.Song ? rows.OrderBy(row => row.LastPlayed).ThenBy(row => row.Id) : rows.OrderByDescending(row => row.Id);
        var found = await ordered.Take(limit + 1).ToListAsync(cancel);
        var own = await books.OwnMethodsAsync(cancel);
        return new RecordingsView([.. found.Take(limit).Select(row => books.View(row, own))], found.Count > limit);
    }

    private static async Task<RecordedSoFar> BeginAsync(RecordingWish wish, RecordingBooks books, CancellationToken cancel)
    {
        var row = await books.BeginAsync(wish, cancel);
        return new RecordedSoFar(row.Id, books.Sounds.LengthOf(row.Key));
    }

    private static async Task<RecordedSoFar> AppendAsync(
        int id,
        HttpRequest request,
        PracticeDb db,
        RecordingBooks books,
        CancellationToken cancel,
        long at = 0,
        double seconds = 0
    )
    {
        if (!double.IsFinite(seconds))
            throw new FieldException("seconds", "Tell the seconds recorded so far.");
        if (at < 0)
            throw new FieldException("at", "Bytes that come before the piece: 0 or more.");
        var row = await books.TakeAsync(id, cancel);
        if (row.EndedUtc is not null)
            throw new FieldException("id", "This recording has ended. Begin another one.", StatusCodes.Status409Conflict);
        try
        {
            row.Bytes = await books.Sounds.AppendAsync(row.Key, at, request.Body, cancel);
        }
        catch (SoundGapException gap)
        {
            throw new FieldException("at", gap.Message, StatusCodes.Status409Conflict);
        }

        row.Seconds = Math.Clamp(seconds, row.Seconds, RecordingLength.MostSeconds + 60);
        await db.SaveChangesAsync(cancel);
        return new RecordedSoFar(row.Id, row.Bytes);
    }

    private static async Task<RecordingView> EndAsync(int id, RecordingEnd end, RecordingBooks books, CancellationToken cancel)
    {
        var row = await books.TakeAsync(id, cancel);
        if (books.Sounds.LengthOf(row.Key) == 0)
            throw new FieldException("sound", "Nothing was recorded: no sound came from the microphone. Choose another one, or try again.");
        await books.EndAsync(row, end, cancel);
        return await books.ViewAsync(id, cancel);
    }

    private static async Task<IResult> HearAsync(int id, HttpContext context, RecordingBooks books, CancellationToken cancel)
    {
        var row = await books.RowAsync(id, cancel);
        var sound = books.Sounds.Open(row.Key)
            ?? throw new FieldException(
                "sound",
                "Its sound is not here: it was on another machine, or was let go.",
                StatusCodes.Status404NotFound
            );
        context.Response.Headers.ContentSecurityPolicy = "default-src 'none'; media-src 'self'; sandbox";
        // What ended never changes.
        context.Response.Headers.CacheControl = row.EndedUtc is null ? "no-store" : "private, max-age=3600";
        return Results.File(sound, SafeType(row.ContentType), enableRangeProcessing: true);
    }

    /// <summary>Only sound and pictures in motion: what a browser would show as a page is served as neither.</summary>
    private static string SafeType(string type) =>
        (type.StartsWith("audio/", StringComparison.Ordinal) || type.StartsWith("video/", StringComparison.Ordinal))
        && Microsoft.Net.Http.Headers.MediaTypeHeaderValue.TryParse(type, out _)
        && type.All(sign => sign is >= ' ' and < (char)127)
            ? type
            : "application/octet-stream";

    private static async Task<RecordingView> SayAsync(int id, RecordingWords words, RecordingBooks books, CancellationToken cancel)
    {
        await books.SayAsync(await books.RowAsync(id, cancel), words, cancel);
        return await books.ViewAsync(id, cancel);
    }

    private static async Task<RecordingView> LoopAsync(
        int id,
        LoopWish wish,
        PracticeDb db,
        RecordingBooks books,
        PlanDesk plans,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (wish.Speed is < 50 or > 100)
            throw new FieldException("speed", "The speed is 50 to 100 percent.");
        if (wish.CountIn is < 0 or > 8)
            throw new FieldException("countIn", "Count in 0 to 8 beats.");
        if (wish.From is < 0 || wish.To <= wish.From || wish.From is null != wish.To is null)
            throw new FieldException("to", "A loop ends after it begins: mark A, then B.");
        if (wish.Rounds is < 0 or > 10_000 || wish.PlayedSeconds is < 0 or > 24 * 3600)
            throw new FieldException("rounds", "Tell the rounds and seconds since the last time.");
        if (wish.Tempo is < Core.Tempo.Bpm.Slowest or > Core.Tempo.Bpm.Fastest)
            throw new FieldException("tempo", $"A tempo is {Core.Tempo.Bpm.Slowest} to {Core.Tempo.Bpm.Fastest}.");
        var row = await books.RowAsync(id, cancel);
        row.Tempo = wish.Tempo ?? row.Tempo;
        (row.LoopFrom, row.LoopTo, row.Speed, row.CountIn) = (wish.From, wish.To, wish.Speed, wish.CountIn);
        row.Rounds += wish.Rounds;
        row.PlayedSeconds += wish.PlayedSeconds;
        if (wish.PlayedSeconds > 0)
            row.LastPlayed = clock.Today(await plans.ProfileAsync(cancel));
        await db.SaveChangesAsync(cancel);
        return await books.ViewAsync(id, cancel);
    }

    private static async Task<RecordingView> AddFileAsync(
        HttpContext context,
        RecordingBooks books,
        Ledger ledger,
        Turns turns,
        Guid key,
        RecordingKind kind,
        string name = "",
        int? materialId = null,
        double seconds = 0,
        CancellationToken cancel = default
    )
    {
        if (kind is not (RecordingKind.Added or RecordingKind.Song))
            throw new FieldException("kind", "A file is added as Added or as Song.");
        if (await books.KnownAsync(key, cancel) is { } known)
            return await books.ViewAsync(known.Id, cancel);
        var head = new byte[SoundFile.Enough];
        var read = await context.Request.Body.ReadAtLeastAsync(head, head.Length, throwOnEndOfStream: false, cancel);
        var type = SoundFile.TypeOf(head.AsSpan(0, read))
            ?? throw new FieldException("file", $"This is no sound and no video that can be played here. Take one as {SoundFile.Known}.");
        using var arrived = await books.Sounds.ArriveAsync(async file =>
        {
            await file.WriteAsync(head.AsMemory(0, read), cancel);
            await context.Request.Body.CopyToAsync(file, cancel);
        });
        using var turn = await turns.TakeAsync(ledger.Of(context), cancel);
        // The same one, sent twice, may have been faster.
        if (await books.KnownAsync(key, cancel) is { } faster)
            return await books.ViewAsync(faster.Id, cancel);
        var isNew = books.Sounds.LengthOf(key) == 0;
        int id;
        try
        {
            arrived.Keep(key);
            id = (await books.AddAsync(kind, key, materialId, name, type, seconds, cancel)).Id;
        }
        catch
        {
            if (isNew)
                books.Sounds.Delete(key);
            throw;
        }

        await books.ThinAsync(cancel);
        return await books.ViewAsync(id, cancel);
    }

    private static async Task<RoomView> RoomAsync(
        RoomWish wish,
        PracticeDb db,
        RecordingBooks books,
        PlanDesk plans,
        CancellationToken cancel
    )
    {
        if (wish.Megabytes is < 10 or > MostRoom)
            throw new FieldException("megabytes", $"The room for recordings is 10 to {MostRoom:N0} MB.");
        (await plans.ProfileAsync(cancel)).RecordingMegabytes = wish.Megabytes;
        await db.SaveChangesAsync(cancel);
        await books.ThinAsync(cancel);
        return await books.RoomAsync(cancel);
    }
}
