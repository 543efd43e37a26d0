using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Pages of a piece, as pictures or as a PDF, over HTTP.</summary>
public static class PageEndpoints
{
    private const int MostBytes = 15 * 1024 * 1024;
    private const int MostPages = 40;

    public static void MapPages(this WebApplication app)
    {
        app.MapPost("/api/pieces/{id:int}/pages", AddAsync)
            .WithTags("Repertoire")
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .WithName("AddPage");
        app.MapGet("/api/pages/{id:int}", ShowAsync).WithTags("Repertoire").WithName("GetPage");
        app.MapGroup("/api/pages").WithTags("Repertoire").MapRemoval<PageRow>("/{id:int}", "Page", "page");
    }

    private static async Task<PageView> AddAsync(int id, HttpRequest request, PracticeDb db, CancellationToken cancel, string name = "")
    {
        if (!await db.Materials.AnyAsync(row => row.Id == id && row.Kind == MaterialKind.Piece, cancel))
            throw Problems.Unknown("id", "piece");
        if (await db.Pages.CountAsync(page => page.MaterialId == id, cancel) >= MostPages)
            throw new FieldException("file", $"A piece has at most {MostPages} pages; remove one first, or put them into one PDF.");
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel);
        var file = bytes.ToArray();
        var type = TypeOf(file) ?? throw new FieldException("file", "This is no picture (PNG, JPEG, WebP) and no PDF. Take one of these.");
        var row = new PageRow
        {
            MaterialId = id,
            Name = Problems.Text("name", name, 120),
            ContentType = type,
            Bytes = file,
        };
        db.Pages.Add(row);
        await db.SaveChangesAsync(cancel);
        return new PageView(row.Id, row.Name, row.ContentType, []);
    }

    private static async Task<IResult> ShowAsync(int id, HttpContext context, PracticeDb db, CancellationToken cancel)
    {
        var page = await db.Pages.AsNoTracking().FirstOrDefaultAsync(row => row.Id == id, cancel) ?? throw Problems.Unknown("id", "page");
        // A PDF is shown in a frame of the page; nothing in it may run or load.
        context.Response.Headers.ContentSecurityPolicy =
            "default-src 'none'; style-src 'unsafe-inline'; img-src 'self' data:; object-src 'self'; frame-ancestors 'self'";
        context.Response.Headers.CacheControl = "private, max-age=3600";
        return Results.File(page.Bytes, page.ContentType);
    }

    /// <summary>By its first bytes; what a file calls itself is not believed.</summary>
    private static string? TypeOf(byte[] file) =>
        file switch
        {
            [0x89, (byte)'P', (byte)'N', (byte)'G', ..] => "image/png",
            [0xFF, 0xD8, 0xFF, ..] => "image/jpeg",
            [(byte)'R', (byte)'I', (byte)'F', (byte)'F', _, _, _, _, (byte)'W', (byte)'E', (byte)'B', (byte)'P', ..] => "image/webp",
            [(byte)'%', (byte)'P', (byte)'D', (byte)'F', (byte)'-', ..] => "application/pdf",
            _ => null,
        };
}
