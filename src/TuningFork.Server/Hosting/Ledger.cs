using System.Collections.Concurrent;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Demo;
using TuningFork.Data.Keeping;

namespace TuningFork.Server.Hosting;

/// <summary>Whose file a request is about.</summary>
public enum Book
{
    Demo,
    HandDrum,
    Own,
}

/// <summary>The files, the two demos' and one's own, and which one a request wants.</summary>
public sealed class Ledger(string folder, Book usual, TimeProvider time) : IDisposable
{
    /// <summary>A file in trouble is looked at again after so long, when somebody asks for it.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(2);

    /// <summary>What was removed can be taken back for so long, from outside; at the next start after that it goes for good.</summary>
    private static readonly TimeSpan RemovedFor = TimeSpan.FromDays(1);

    private readonly ConcurrentDictionary<Book, bool> ready = new();
    private readonly ConcurrentDictionary<Book, (TroubleException Trouble, long At)> troubles = new();
    private readonly SemaphoreSlim gate = new(1, 1);

    /// <summary>Requests say which file they are about in this header; without it the usual one is meant.</summary>
    public const string Header = "Practice-Book";

    public Book Usual => usual;

    public string Folder => Path.GetFullPath(folder);

    public string PathOf(Book book) =>
        Path.Combine(
            folder,
            book switch
            {
                Book.Demo => "demo.db",
                Book.HandDrum => "demo-hand-drum.db",
                _ => "own.db",
            }
        );

    /// <summary>The sound of a book's recordings.</summary>
    public Sounds SoundsOf(Book book) => Sounds.Of(PathOf(book));

    /// <summary>The backups of one's own file.</summary>
    public Backups Backups => new(PathOf(Book.Own));

    /// <summary>The backups of one's own file in another folder, when there is one.</summary>
    public SecondCopy Second => new(Folder, PathOf(Book.Own));

    /// <summary>Whether a file is open for use.</summary>
    public bool IsReady(Book book) => ready.ContainsKey(book);

    /// <exception cref="FieldException">The header names a file that there is not.</exception>
    public Book Of(HttpContext? context)
    {
        var asked = context?.Request.Headers[Header].ToString() ?? "";
        // A picture or a frame is fetched by the browser itself, without headers of ours.
        if (asked.Length == 0)
            asked = context?.Request.Query["book"].ToString() ?? "";
        if (asked.Length == 0)
            return usual;
        return Enum.TryParse<Book>(asked, ignoreCase: true, out var book) && Enum.IsDefined(book) && !int.TryParse(asked, out _)
            ? book
            : throw new FieldException(Header, $"The header {Header} is one of: {string.Join(", ", Enum.GetNames<Book>())}.");
    }

    /// <summary>Holds the folder for this process: two programs on one file would get in each other's way.</summary>
    /// <exception cref="IOException">Another program holds it, or it cannot be written; the message says so.</exception>
    public IDisposable Hold()
    {
        try
        {
            Directory.CreateDirectory(folder);
            var mine = new FileStream(Path.Combine(folder, "in-use"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            foreach (var left in Directory.EnumerateFiles(folder, UnderWay + "*"))
                File.Delete(left);
            foreach (var left in Directory.EnumerateDirectories(folder, UnderWay + "*"))
                Directory.Delete(left, recursive: true);
            return mine;
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new IOException(
                $"The folder {Folder} cannot be used: another Tuning Fork runs on it, or it cannot be written. Stop the other one, or give another folder.",
                problem
            );
        }
    }

    /// <summary>Brings a file up to date before it is first used; the demo is made anew when its days have passed.</summary>
    /// <exception cref="TroubleException">It cannot be used; the message says why and what to do.</exception>
    public async Task PrepareAsync(Book book, CancellationToken cancel = default)
    {
        if (ready.ContainsKey(book))
            return;
        await gate.WaitAsync(cancel);
        try
        {
            if (ready.ContainsKey(book))
                return;
            if (troubles.TryGetValue(book, out var known) && time.GetElapsedTime(known.At) < Patience)
                throw known.Trouble;
            Directory.CreateDirectory(folder);
            if (book != Book.Own)
                await DemoFile.PrepareAsync(
                    PathOf(book),
                    book == Book.Demo ? DemoPlayer.Clarinet : DemoPlayer.HandDrum,
                    PracticeDay.Of(time.GetUtcNow(), time.LocalTimeZone),
                    cancel
                );
            else
                await PrepareOwnAsync(cancel);
            troubles.TryRemove(book, out _);
            ready[book] = true;
        }
        catch (Exception problem) when (TroubleException.Of(problem, PathOf(book)) is { } trouble)
        {
            troubles[book] = (trouble, time.GetTimestamp());
            if (ReferenceEquals(trouble, problem))
                throw;
            throw new TroubleException(trouble.Kind, trouble.Message, problem);
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>Looks at a file anew before it is used again: something was found wrong with it, or another takes its place.</summary>
    public void LookAgain(Book book)
    {
        ready.TryRemove(book, out _);
        troubles.TryRemove(book, out _);
        SqliteConnection.ClearAllPools();
    }

    /// <summary>Puts a backup in the place of one's own file.</summary>
    /// <exception cref="TroubleException">It could not be done; the file is as it was.</exception>
    public Task RestoreAsync(string backup, Backups from, CancellationToken cancel) =>
        ExchangeAsync(() => Backups.Restore(backup, time.GetUtcNow().UtcDateTime, from), cancel);

    /// <summary>Puts a whole file that lies ready in the place of one's own.</summary>
    /// <exception cref="TroubleException">It could not be done; the file is as it was.</exception>
    public Task PutInPlaceAsync(string ready, CancellationToken cancel) =>
        ExchangeAsync(() => Backups.PutInPlace(ready, time.GetUtcNow().UtcDateTime), cancel);

    /// <summary>Keeps one's own file as it is before another is added to it.</summary>
    /// <exception cref="TroubleException">It could not be kept; nothing was changed.</exception>
    public void BackUpBeforeAdding() => Backups.Make(BackupKind.BeforeRestore, time.GetUtcNow().UtcDateTime);

    /// <summary>A name in the folder for something that is on its way in or out; what a killed program left goes at the next start.</summary>
    public string OnItsWay() => Path.Combine(Folder, $"{UnderWay}{Guid.NewGuid():N}");

    private const string UnderWay = "under-way-";

    /// <summary>Puts one's own file out of the way, so that an empty book begins; nothing is deleted.</summary>
    public Task BeginAnewAsync(CancellationToken cancel) =>
        ExchangeAsync(
            () =>
            {
                SafeFile.SetAside(PathOf(Book.Own), time.GetUtcNow().UtcDateTime);
                File.Delete(Known);
            },
            cancel
        );

    /// <summary>Does something to one's own file while nobody can open it.</summary>
    private async Task ExchangeAsync(Action work, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            LookAgain(Book.Own);
            work();
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>There since one's own file was first made: with it a missing file is not taken for a first start.</summary>
    private string Known => PathOf(Book.Own) + ".known";

    private async Task PrepareOwnAsync(CancellationToken cancel)
    {
        var path = PathOf(Book.Own);
        if (!PracticeFile.IsThere(path) && File.Exists(Known))
            throw TroubleException.Gone(path);
        await PracticeFile.PrepareAsync(path, _ => Backups.Make(BackupKind.BeforeUpgrade, time.GetUtcNow().UtcDateTime), cancel);
        await using var own = new PracticeDb(PracticeFile.Options(path));
        await Seed.RoutinesAsync(own, cancel);
        await Seed.WarmUpsAsync(own, cancel);
        await Removal.EmptyAsync(own, time.GetUtcNow().UtcDateTime - RemovedFor, cancel);
        if (!File.Exists(Known))
            await File.WriteAllTextAsync(
                Known,
                "One's own book lies beside this file. If the book is gone, the program asks before it begins an empty one.\n",
                cancel
            );
    }

    public void Dispose() => gate.Dispose();

    public static void Use(DbContextOptionsBuilder builder, IServiceProvider services)
    {
        var ledger = services.GetRequiredService<Ledger>();
        var book = ledger.Of(services.GetRequiredService<IHttpContextAccessor>().HttpContext);
        builder.UseSqlite(PracticeFile.ConnectionString(ledger.PathOf(book)));
    }
}
