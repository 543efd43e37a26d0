using System.Globalization;
using System.Net.Mime;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using TuningFork.Core.Planning;
using TuningFork.Data.Keeping;
using TuningFork.Data.Keeping.Archives;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;

namespace TuningFork.Server.Features.Keeping;

/// <summary>What an archive would bring, of one kind of thing.</summary>
/// <param name="Added">How many would be new.</param>
/// <param name="Known">How many are there already.</param>
public sealed record ArchiveLine(string Name, int Added, int Known);

/// <summary>What an archive would bring, or has brought.</summary>
/// <param name="WrittenUtc">When it was written.</param>
/// <param name="IsWhole">Whether it takes the place of an empty book.</param>
/// <param name="What">What happens, in a sentence.</param>
public sealed record ArchiveLook(DateTime WrittenUtc, bool IsWhole, string What, IReadOnlyList<ArchiveLine> Lines);

/// <summary>Everything of a book out into one file, and in again. In goes only into one's own book.</summary>
public static class ArchiveEndpoints
{
    /// <summary>Bytes of an archive; scans and recordings of years are in it.</summary>
    private const long Largest = 8L << 30;

    public static void MapArchive(this WebApplication app)
    {
        var group = app.MapGroup("/api/archive").WithTags("Archive").WithMetadata(new OnlyHere());
        group.MapGet("", WriteAsync).WithName("GetArchive").Produces(StatusCodes.Status200OK, contentType: MediaTypeNames.Application.Zip);
        var into = group.MapGroup("").WithMetadata(new WorksInTrouble(), new OwnTurn(), new RequestSizeLimitAttribute(Largest));
        into.MapPost("/look", (HttpRequest request, Ledger ledger, Turns turns, CancellationToken cancel) =>
                ReadAsync(request, ledger, turns, isTrial: true, cancel)
            )
            .Accepts<byte[]>(MediaTypeNames.Application.Octet)
            .WithName("LookIntoArchive");
        into.MapPost("", (HttpRequest request, Ledger ledger, Turns turns, CancellationToken cancel) =>
                ReadAsync(request, ledger, turns, isTrial: false, cancel)
            )
            .Accepts<byte[]>(MediaTypeNames.Application.Octet)
            .WithName("ReadArchive");
    }

    private static async Task<IResult> WriteAsync(HttpContext context, Ledger ledger, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        // Written as a whole before the first byte is sent: what is sent is complete. The file goes when it has been sent.
        var file = new FileStream(
            ledger.OnItsWay(),
            FileMode.CreateNew,
            FileAccess.ReadWrite,
            FileShare.None,
            1 << 16,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous
        );
        try
        {
            await Task.Run(() => ArchiveWriter.Write(ledger.PathOf(ledger.Of(context)), file, now.UtcDateTime, cancel), cancel);
            file.Position = 0;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }

        var day = PracticeDay.Of(now, time.LocalTimeZone).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        return Results.File(file, MediaTypeNames.Application.Zip, $"practice-book-{day}.zip");
    }

    private static async Task<ArchiveLook> ReadAsync(
        HttpRequest request,
        Ledger ledger,
        Turns turns,
        bool isTrial,
        CancellationToken cancel
    )
    {
        var (sent, book) = (ledger.OnItsWay(), ledger.OnItsWay());
        try
        {
            ArchiveHead head;
            await using (var file = new FileStream(sent, FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None))
            {
                await request.Body.CopyToAsync(file, cancel);
                file.Position = 0;
                head = await ArchiveReader.ReadAsync(file, book, cancel);
            }

            using var turn = await turns.TakeAsync(Book.Own, cancel);
            return await TakeAsync(ledger, head, book, isTrial, cancel);
        }
        catch (ArchiveException problem)
        {
            throw new FieldException("archive", problem.Message);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            File.Delete(sent);
            SafeFile.Delete(book);
            ArchiveReader.SoundsOf(book).Clear();
        }
    }

    private static async Task<ArchiveLook> TakeAsync(Ledger ledger, ArchiveHead head, string book, bool isTrial, CancellationToken cancel)
    {
        var own = ledger.PathOf(Book.Own);
        // A book that cannot be read is set aside when this one takes its place; one with nothing in it has nothing to lose.
        var now = Backups.NowIn(own);
        if (now is null or { IsEmpty: true })
        {
            var lines = ArchiveWords.Lines([.. head.Rows.Select(table => new Merged(table.Key, table.Value, 0))]);
            if (!isTrial)
            {
                ArchiveReader.SoundsOf(book).MoveTo(ledger.SoundsOf(Book.Own));
                await ledger.PutInPlaceAsync(book, cancel);
                await ledger.PrepareAsync(Book.Own, cancel);
            }

            return new ArchiveLook(head.WrittenUtc, IsWhole: true, ArchiveWords.What(now, null), lines);
        }

        await ledger.PrepareAsync(Book.Own, cancel);
        if (!isTrial)
            ledger.BackUpBeforeAdding();
        if (!isTrial)
            ArchiveReader.SoundsOf(book).MoveTo(ledger.SoundsOf(Book.Own));
        var merged = ArchiveWords.Lines(await Task.Run(() => BookMerge.Add(book, own, isTrial, cancel), cancel));
        return new ArchiveLook(head.WrittenUtc, IsWhole: false, ArchiveWords.What(now, merged), merged);
    }
}
