using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Data;
using TuningFork.Data.Demo;

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
    private readonly ConcurrentDictionary<Book, bool> ready = new();
    private readonly SemaphoreSlim gate = new(1, 1);

    /// <summary>Requests say which file they are about in this header; without it the usual one is meant.</summary>
    public const string Header = "Practice-Book";

    public Book Usual => usual;

    public string PathOf(Book book) => Path.Combine(folder, book switch { Book.Demo => "demo.db", Book.HandDrum => "demo-hand-drum.db", _ => "own.db" });

    /// <exception cref="FieldException">The header names a file that there is not.</exception>
    public Book Of(HttpContext? context)
    {
        var asked = context?.Request.Headers[Header].ToString() ?? "";
        // A picture or a frame is fetched by the browser itself, without headers of ours.
        if (asked.Length == 0)
            asked = context?.Request.Query["book"].ToString() ?? "";
        if (asked.Length == 0)
            return usual;
        return Enum.TryParse<Book>(asked, ignoreCase: true, out var book) && Enum.IsDefined(book) && !int.TryParse(asked, out _) ? book
            : throw new FieldException(Header, $"The header {Header} is one of: {string.Join(", ", Enum.GetNames<Book>())}.");
    }

    /// <summary>Holds the folder for this process: two programs on one file would get in each other's way.</summary>
    /// <exception cref="IOException">Another program holds it, or it cannot be written; the message says so.</exception>
    public IDisposable Hold()
    {
        try
        {
            Directory.CreateDirectory(folder);
            return new FileStream(Path.Combine(folder, "in-use"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new IOException($"The folder {Path.GetFullPath(folder)} cannot be used: another Tuning Fork runs on it, or it cannot be written. Stop the other one, or give another folder.", problem);
        }
    }

    /// <summary>Brings a file up to date before it is first used; the demo is made anew when its days have passed.</summary>
    public async Task PrepareAsync(Book book, CancellationToken cancel = default)
    {
        if (ready.ContainsKey(book))
            return;
        await gate.WaitAsync(cancel);
        try
        {
            if (ready.ContainsKey(book))
                return;
            Directory.CreateDirectory(folder);
            if (book != Book.Own)
                await DemoFile.PrepareAsync(PathOf(book), book == Book.Demo ? DemoPlayer.Clarinet : DemoPlayer.HandDrum, PracticeDay.Of(time.GetUtcNow(), time.LocalTimeZone), cancel);
            else
                await PrepareOwnAsync(cancel);
            ready[book] = true;
        }
        finally
        {
            gate.Release();
        }
    }

    private async Task PrepareOwnAsync(CancellationToken cancel)
    {
        await PracticeFile.PrepareAsync(PathOf(Book.Own), cancel);
        await using var own = new PracticeDb(PracticeFile.Options(PathOf(Book.Own)));
        await Seed.RoutinesAsync(own, cancel);
        await Seed.WarmUpsAsync(own, cancel);
    }

    public void Dispose() => gate.Dispose();

    public static void Use(DbContextOptionsBuilder builder, IServiceProvider services)
    {
        var ledger = services.GetRequiredService<Ledger>();
        var book = ledger.Of(services.GetRequiredService<IHttpContextAccessor>().HttpContext);
        builder.UseSqlite(PracticeFile.ConnectionString(ledger.PathOf(book)));
    }
}
