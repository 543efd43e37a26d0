using CsvHelper;
using TuningFork.Data;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping.Csv;

/// <summary>What happened, as tables for other programs: RFC 4180, UTF-8 with its mark, a first line of names.</summary>
public static class CsvEndpoints
{
    private const string Type = "text/csv; charset=utf-8";

    public static void MapCsv(this WebApplication app) =>
        app.MapGet("/api/csv/{name}", (string name, PracticeDb db, CancellationToken cancel) =>
            {
                var file = CsvFiles.All.FirstOrDefault(file => file.Name == name)
                    ?? throw new FieldException(
                        "name",
                        $"There are {string.Join(", ", CsvFiles.All.Select(file => file.Name))}.",
                        StatusCodes.Status404NotFound
                    );
                return Results.Stream(stream => WriteAsync(stream, file, db, cancel), Type, $"{file.Name}.csv");
            })
            .WithTags("Archive")
            .WithName("GetCsv")
            .Produces(StatusCodes.Status200OK, contentType: Type);

    private static async Task WriteAsync(Stream stream, CsvFile file, PracticeDb db, CancellationToken cancel)
    {
        await using var csv = CsvWriter.Create(stream, CsvWriterOptions.Default with { WriteByteOrderMark = true }, leaveOpen: true);
        await csv.WriteRecordAsync([.. file.Columns], cancel);
        await foreach (var row in file.Rows(db).WithCancellation(cancel))
            await csv.WriteRecordAsync([.. row.Select(CsvFiles.Say)], cancel);
    }
}
