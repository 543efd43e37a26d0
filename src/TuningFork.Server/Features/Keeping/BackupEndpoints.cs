using System.Globalization;
using TuningFork.Data.Keeping;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;

namespace TuningFork.Server.Features.Keeping;

/// <summary>A backup of one's own book, in words.</summary>
/// <param name="Missing">What would be missing if it took the place of the book.</param>
public sealed record BackupView(string Name, DateTime TakenUtc, string When, string Why, string Holds, string Missing, bool Readable);

/// <summary>The copies in a folder of the player's choice.</summary>
/// <param name="Folder">The folder; empty where none was chosen.</param>
/// <param name="Words">How old the newest copy is, and what is the matter, if anything is.</param>
/// <param name="IsOld">Whether the newest copy is older than a week, or there is none.</param>
/// <param name="Backups">What lies there, the newest first.</param>
public sealed record SecondView(string Folder, string Words, bool IsOld, IReadOnlyList<BackupView> Backups);

/// <summary>All backups, the newest first, and where they lie.</summary>
/// <param name="Kept">How many stay, in words.</param>
public sealed record BackupsView(string Folder, string Kept, IReadOnlyList<BackupView> Backups, SecondView Second);

/// <summary>A folder of the player's choice; empty for none.</summary>
public sealed record SecondWish(string Folder);

/// <summary>Why a book cannot be used.</summary>
/// <param name="Offer">The newest good backup, or null.</param>
public sealed record TroubleView(TroubleKind Kind, string Message, BackupView? Offer);

/// <summary>On an address that answers although the file cannot be used.</summary>
public sealed record WorksInTrouble;

/// <summary>Backups over HTTP. They are of one's own book, whichever book a request names.</summary>
public static class BackupEndpoints
{
    /// <summary>A copy that is older than so many days protects little.</summary>
    private const int OldDays = 7;

    /// <summary>Rows that cannot be read, shown at once.</summary>
    private const int MostRows = 50;

    public static void MapBackups(this WebApplication app)
    {
        var group = app.MapGroup("/api/backups").WithTags("Backups").WithMetadata(new WorksInTrouble(), new OwnTurn(), new OnlyHere());
        group.MapGet("", (Ledger ledger, TimeProvider time) => All(ledger, time)).WithName("GetBackups");
        // Copied as it stands at one moment, while it is written: nobody has to wait.
        group
            .MapPost("", async (Ledger ledger, TimeProvider time, CancellationToken cancel) =>
            {
                await ledger.PrepareAsync(Book.Own, cancel);
                ledger.Backups.Make(BackupKind.ByHand, time.GetUtcNow().UtcDateTime);
                if (ledger.Second.Backups is { } second)
                    ledger.Backups.CopyNewestTo(second);
                return All(ledger, time);
            })
            .WithName("MakeBackup");
        group
            .MapPost(
                "/{name}/restore",
                async (string name, Ledger ledger, Turns turns, TimeProvider time, CancellationToken cancel, bool second = false) =>
                {
                    using var turn = await turns.TakeAsync(Book.Own, cancel);
                    var from = second ? ledger.Second.Backups : ledger.Backups;
                    if (from is null || from.All().All(backup => backup.Name != name))
                        throw Problems.Unknown("name", "backup");
                    await ledger.RestoreAsync(name, from, cancel);
                    await ledger.PrepareAsync(Book.Own, cancel);
                    return All(ledger, time);
                }
            )
            .WithName("RestoreBackup");
        group
            .MapPut("/second", (SecondWish wish, Ledger ledger, TimeProvider time) =>
            {
                try
                {
                    ledger.Second.Choose(wish.Folder);
                }
                catch (FolderException problem)
                {
                    throw new FieldException("folder", problem.Message);
                }

                if (ledger.Second.Backups is { } second)
                    ledger.Backups.CopyNewestTo(second);
                return All(ledger, time);
            })
            .WithName("ChooseSecondFolder");
        group
            .MapGet("/rows", (Ledger ledger, CancellationToken cancel) =>
                Task.Run(() => BookCheck.All(ledger.PathOf(Book.Own), cancel).Take(MostRows).ToList(), cancel)
            )
            .WithName("GetBrokenRows");
        group
            .MapPost("/rows/remove", async (RowFault wish, Ledger ledger, Turns turns, TimeProvider time, CancellationToken cancel) =>
            {
                using var turn = await turns.TakeAsync(Book.Own, cancel);
                var own = ledger.PathOf(Book.Own);
                var fault = BookCheck.All(own, cancel).FirstOrDefault(one => one.Table == wish.Table && one.Row == wish.Row)
                    ?? throw Problems.Unknown("row", "row that cannot be read");
                // The book as it is stays in the backups: the row is not lost for ever.
                ledger.Backups.Make(BackupKind.BeforeRestore, time.GetUtcNow().UtcDateTime);
                BookCheck.Remove(own, fault);
                return BookCheck.All(own, cancel).Take(MostRows).ToList();
            })
            .WithName("RemoveBrokenRow");
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
        return new BackupsView(
            ledger.Backups.Folder,
            string.Create(
                CultureInfo.InvariantCulture,
                $"the newest of each of {Retention.Days} days, {Retention.Weeks} weeks and {Retention.Months} months"
            ),
            Views(ledger.Backups, now, time.LocalTimeZone),
            Second(ledger.Second, now, time)
        );
    }

    /// <summary>A folder that cannot be read is named, and the others are shown all the same.</summary>
    private static SecondView Second(SecondCopy second, Contents? now, TimeProvider time)
    {
        try
        {
            return Readable(second, now, time);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            return new SecondView(
                "",
                $"It cannot be read ({problem.Message.TrimEnd('.')}). Give it back its rights, or choose another.",
                IsOld: true,
                []
            );
        }
    }

    private static SecondView Readable(SecondCopy second, Contents? now, TimeProvider time)
    {
        if (second.Folder is not { } folder)
            return new SecondView("", "", IsOld: false, []);
        if (second.Backups is not { } backups)
            return new SecondView(
                folder,
                "It is not there at the moment. When it is, the newest backup is copied by itself.",
                IsOld: true,
                []
            );
        if (backups.NewestUtc is not { } newest)
            return new SecondView(folder, "There is no copy yet.", IsOld: true, []);
        var days = (int)(time.GetUtcNow().UtcDateTime - newest).TotalDays;
        var words = days switch
        {
            <= 0 => "The newest copy is less than a day old.",
            1 => "The newest copy is a day old.",
            _ => string.Create(CultureInfo.InvariantCulture, $"The newest copy is {days} days old."),
        };
        return new SecondView(folder, words, days > OldDays, Views(backups, now, time.LocalTimeZone));
    }

    private static List<BackupView> Views(Backups backups, Contents? now, TimeZoneInfo zone) =>
        [
            .. backups
                .All()
                .Select(backup => new BackupView(
                    backup.Name,
                    backup.TakenUtc,
                    BackupWords.When(backup, zone),
                    BackupWords.Why(backup.Kind),
                    BackupWords.Holds(backup.Contents),
                    BackupWords.Missing(backup, now, zone),
                    backup.Contents is not null
                )),
        ];
}
