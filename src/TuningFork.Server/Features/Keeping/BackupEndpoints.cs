using TuningFork.Data.Keeping;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping;

/// <summary>A backup of one's own book, in words.</summary>
/// <param name="Missing">What would be missing if it took the place of the book.</param>
public sealed record BackupView(string Name, DateTime TakenUtc, string When, string Why, string Holds, string Missing, bool Readable);

/// <summary>All backups, the newest first, and where they lie.</summary>
public sealed record BackupsView(string Folder, int Kept, IReadOnlyList<BackupView> Backups);

/// <summary>Why a book cannot be used.</summary>
/// <param name="Offer">The newest good backup, or null.</param>
public sealed record TroubleView(TroubleKind Kind, string Message, BackupView? Offer);

/// <summary>On an address that answers although the file cannot be used.</summary>
public sealed record WorksInTrouble;

/// <summary>Backups over HTTP. They are of one's own book, whichever book a request names.</summary>
public static class BackupEndpoints
{
    public static void MapBackups(this WebApplication app)
    {
        var group = app.MapGroup("/api/backups").WithTags("Backups").WithMetadata(new WorksInTrouble(), new OwnTurn());
        group.MapGet("", (Ledger ledger, TimeProvider time) => All(ledger, time)).WithName("GetBackups");
        // Copied as it stands at one moment, while it is written: nobody has to wait.
        group
            .MapPost("", async (Ledger ledger, TimeProvider time, CancellationToken cancel) =>
            {
                await ledger.PrepareAsync(Book.Own, cancel);
                ledger.Backups.Make(BackupKind.ByHand, time.GetUtcNow().UtcDateTime);
                return All(ledger, time);
            })
            .WithName("MakeBackup");
        group
            .MapPost("/{name}/restore", async (string name, Ledger ledger, Turns turns, TimeProvider time, CancellationToken cancel) =>
            {
                using var turn = await turns.TakeAsync(Book.Own, cancel);
                if (ledger.Backups.All().All(backup => backup.Name != name))
                    throw Problems.Unknown("name", "backup");
                await ledger.RestoreAsync(name, cancel);
                await ledger.PrepareAsync(Book.Own, cancel);
                return All(ledger, time);
            })
            .WithName("RestoreBackup");
        group
            .MapPost("/begin-anew", async (Ledger ledger, Turns turns, TimeProvider time, CancellationToken cancel) =>
            {
                using var turn = await turns.TakeAsync(Book.Own, cancel);
                if (ledger.IsReady(Book.Own))
                    throw new FieldException(
                        "file",
                        "Your book can be used, so it stays. To begin another one, give the program another folder.",
                        StatusCodes.Status409Conflict
                    );
                await ledger.BeginAnewAsync(cancel);
                await ledger.PrepareAsync(Book.Own, cancel);
                return All(ledger, time);
            })
            .WithName("BeginBookAnew");
    }

    /// <summary>What is the matter with one's own book, and what can take its place.</summary>
    public static TroubleView Trouble(TroubleException trouble, Ledger ledger, TimeProvider time) =>
        new(trouble.Kind, trouble.Message, All(ledger, time).Backups.FirstOrDefault(backup => backup.Readable));

    private static BackupsView All(Ledger ledger, TimeProvider time)
    {
        var now = Backups.ContentsOf(ledger.PathOf(Book.Own));
        var zone = time.LocalTimeZone;
        return new BackupsView(
            ledger.Backups.Folder,
            Backups.Kept,
            [
                .. ledger
                    .Backups.All()
                    .Select(backup => new BackupView(
                        backup.Name,
                        backup.TakenUtc,
                        BackupWords.When(backup, zone),
                        BackupWords.Why(backup.Kind),
                        BackupWords.Holds(backup.Contents),
                        BackupWords.Missing(backup, now, zone),
                        backup.Contents is not null
                    )),
            ]
        );
    }
}
