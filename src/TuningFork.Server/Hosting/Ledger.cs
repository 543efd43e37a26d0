using Microsoft.EntityFrameworkCore;
using TuningFork.Data;
using TuningFork.Data.Demo;

namespace TuningFork.Server.Hosting;

/// <summary>Whose file a request is about.</summary>
public enum Book
{
    Demo,
    Own,
}

/// <summary>The two files, the demo's and one's own, and which one a request wants.</summary>
public sealed class Ledger(string folder, Book usual)
{
    /// <summary>Requests say which file they are about in this header; without it the usual one is meant.</summary>
    public const string Header = "Practice-Book";

    public Book Usual => usual;

    public string PathOf(Book book) => Path.Combine(folder, book == Book.Demo ? "demo.db" : "own.db");

    public Book Of(HttpContext? context) =>
        Enum.TryParse<Book>(context?.Request.Headers[Header].ToString(), ignoreCase: true, out var book) && Enum.IsDefined(book) ? book : usual;

    /// <summary>Brings both files up to date; the demo is made anew when its days have passed.</summary>
    public async Task PrepareAsync(TimeProvider time, CancellationToken cancel = default)
    {
        Directory.CreateDirectory(folder);
        await PracticeFile.PrepareAsync(PathOf(Book.Own), cancel);
        await using (var own = new PracticeDb(PracticeFile.Options(PathOf(Book.Own))))
            await Seed.RoutinesAsync(own, cancel);
        await DemoFile.PrepareAsync(PathOf(Book.Demo), DateOnly.FromDateTime(time.GetLocalNow().AddHours(-4).DateTime), cancel);
    }

    public static void Use(DbContextOptionsBuilder builder, IServiceProvider services)
    {
        var ledger = services.GetRequiredService<Ledger>();
        var book = ledger.Of(services.GetRequiredService<IHttpContextAccessor>().HttpContext);
        builder.UseSqlite(PracticeFile.ConnectionString(ledger.PathOf(book)));
    }
}
