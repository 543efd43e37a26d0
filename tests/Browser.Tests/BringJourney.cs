using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>On a new machine: the book from one file, another disk for its backups, and what was kept in a table before.</summary>
public sealed class BringJourney
{
    [Fact]
    public async Task A_book_comes_from_a_file_is_copied_to_another_disk_and_takes_an_earlier_log_in_and_out()
    {
        await using var app = await AppProcess.StartAsync("--own");
        var folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        var archive = Path.Combine(folder, "practice-book.zip");
        await File.WriteAllBytesAsync(archive, await app.Http.GetByteArrayAsync(new Uri("/api/archive?book=Demo", UriKind.Relative)));
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.Tap(browser.Button("I have a book already"));
        Choose(browser, "A book as one file", archive);
        browser.SeeText("Your book is empty");
        browser.See(By.XPath("//td[.='takes']/following-sibling::td")).Text.Length.ShouldBeGreaterThan(3);
        browser.Tap(browser.Button("Make it my book"));
        browser.See(By.XPath("//ol/li"));

        browser.Open("/set-up/files");
        browser.Type("Folder on another disk", "stick");
        browser.Tap(browser.Button("Use it"));
        browser.SeeText("Write the whole path of a folder");
        browser.Type("Folder on another disk", folder);
        browser.Tap(browser.Button("Use it"));
        browser.See(By.CssSelector("[role='status']"));
        browser.Tap(browser.Button("Make one now"));
        browser.SeeText("The newest copy is less than a day old.");
        Directory.GetFiles(Path.Combine(folder, "tuning-fork-backups"), "*.db").Length.ShouldBe(1);

        var log = Path.Combine(folder, "before.csv");
        await File.WriteAllTextAsync(log, "Date,Minutes,What\n2020-03-04,25,Scales\n2020-03-05,30,Trills\n");
        Choose(browser, "A log as CSV", log);
        browser.SeeText("2 lines on 2 days from 4 Mar 2020 to 5 Mar 2020");
        browser.Choose("what was practised", "not in it");
        browser.See(By.XPath("//td[.='repertoire']"));
        browser.Tap(browser.Button("Take it in"));
        browser.Tap(browser.Button("Take before.csv out again"));
        browser.Until(page => page.FindElements(By.XPath("//button[starts-with(@aria-label, 'Take before.csv')]")).Count == 0);
        browser.Complaints().Where(line => !line.Contains("400", StringComparison.Ordinal)).ShouldBeEmpty();
    }

    private static void Choose(Browser browser, string label, string file) =>
        browser.Until(page => page.FindElements(By.CssSelector($"input[aria-label='{label}']")).FirstOrDefault())!.SendKeys(file);
}
