using System.Globalization;
using TuningFork.Data.Keeping;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping;

/// <summary>
/// ./run --restore: lists the backups, asks for one, and puts it in the place of the book. With --from FOLDER they lie there, as on a
/// stick that another machine wrote.
/// </summary>
public static class RestoreConsole
{
    /// <returns>0 when a backup took its place or none was wished for, 1 when it could not be done.</returns>
    public static int Run(Ledger ledger, TimeProvider time, string? from, TextReader keys, TextWriter screen)
    {
        var backups = from is null ? ledger.Backups : SecondCopy.At(from, ledger.PathOf(Book.Own));
        var now = Backups.NowIn(ledger.PathOf(Book.Own));
        var all = backups.All().Where(backup => backup.Contents is not null).ToList();
        screen.WriteLine(
            $"Your book is {ledger.PathOf(Book.Own)}: {(now is null ? "it cannot be read" : now.IsEmpty ? "there is nothing in it" : BackupWords.Holds(now))}."
        );
        if (all.Count == 0)
        {
            screen.WriteLine($"There is no backup in {backups.Folder} yet.");
            return 0;
        }

        for (var i = 0; i < all.Count; i++)
        {
            screen.WriteLine(
                $"{i + 1, 3}  {BackupWords.When(all[i], time.LocalTimeZone)}, {BackupWords.Why(all[i].Kind)}: {BackupWords.Holds(all[i].Contents)}."
            );
            screen.WriteLine($"     {BackupWords.Missing(all[i], now, time.LocalTimeZone)}");
        }

        screen.Write("Number of the one to put in its place (Enter for none): ");
        var typed = keys.ReadLine()?.Trim() ?? "";
        if (typed.Length == 0)
        {
            screen.WriteLine("Nothing was changed.");
            return 0;
        }

        if (!int.TryParse(typed, CultureInfo.InvariantCulture, out var number) || number < 1 || number > all.Count)
        {
            screen.WriteLine($"There is no number {typed}. Nothing was changed.");
            return 1;
        }

        ledger.Backups.Restore(all[number - 1].Name, time.GetUtcNow().UtcDateTime, backups);
        screen.WriteLine(
            $"The backup of {BackupWords.When(all[number - 1], time.LocalTimeZone)} is your book now. {(now is null ? "The one before lies beside it, set aside." : now.IsEmpty ? "" : "The one before is a backup itself.")}"
        );
        return 0;
    }
}
