using Shouldly;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Server.Features.Keeping;
using TuningFork.Server.Hosting;
using Xunit;

namespace TuningFork.Server.Tests;

/// <summary>./run --restore, as it is typed.</summary>
public sealed class RestoreConsoleTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Lists_asks_and_puts_the_chosen_one_in_its_place()
    {
        using var ledger = new Ledger(folder, Book.Own, TimeProvider.System);
        Typed(ledger, "").ShouldContain("There is no backup");
        var book = ledger.PathOf(Book.Own);
        await PracticeFile.PrepareAsync(book);
        Write(book, "One.");
        ledger.Backups.Make(BackupKind.Daily, new DateTime(2031, 5, 13, 18, 0, 0, DateTimeKind.Utc));
        Write(book, "Two.");
        ledger.Backups.Make(BackupKind.ByHand, new DateTime(2031, 5, 14, 18, 0, 0, DateTimeKind.Utc));

        var listed = Typed(ledger, "");
        listed.ShouldContain("  1  Wed 14 May 2031");
        listed.ShouldContain("  2  Tue 13 May 2031");
        listed.ShouldContain("Missing with it: 1 note.");
        listed.ShouldContain("Nothing was changed.");
        Typed(ledger, "7").ShouldContain("There is no number 7");
        Notes(book).ShouldBe(2);
        Typed(ledger, "2").ShouldContain("is your book now");
        Notes(book).ShouldBe(1);
    }

    private static string Typed(Ledger ledger, string keys)
    {
        using var screen = new StringWriter();
        RestoreConsole.Run(ledger, TimeProvider.System, null, new StringReader(keys + "\n"), screen);
        return screen.ToString();
    }

    private static void Write(string book, string text)
    {
        using var file = SafeFile.Open(book);
        SafeFile.Run(
            file,
            $"INSERT INTO Entries (Key, AtUtc, Day, Kind, About, Text) VALUES ('{Guid.NewGuid()}', '2031-05-14', '2031-05-14', 'Note', '', '{text}')"
        );
    }

    private static int Notes(string book) => Backups.ContentsOf(book)!.Notes;
}
