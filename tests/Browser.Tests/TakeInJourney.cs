using System.Globalization;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A pianist's two-staff piece and a tune of a book: looked at, chosen, kept, practised on the stage and written out again.</summary>
public sealed class TakeInJourney
{
    private const string Hands =
        "X:1\nT:Lantern Steps\nM:3/4\nL:1/8\n%%score {1 | 2}\nK:G\nV:1\n!mf!B2|d3 e d2|(3gfe d2 c2|B6|]\nV:2 clef=bass\nz2|G,2 [B,D]2 [B,D]2|C2 E2 G2|G,6|]\n";

    private const string Book =
        "X:1\nT:Kettle Hop\nM:6/8\nL:1/8\nK:D\nA|dfa afd|e3 d2:|\n\nX:2\nT:Slow Wherry\nM:4/4\nL:1/4\nK:Bb\nG2 A B|\"Bb\"G4|]\n";

    [Fact]
    public async Task Both_hands_are_kept_practised_and_taken_away_and_of_a_book_the_tune_that_is_wished()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Piano", "keys");
        var piece = await app.Send(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Lantern Steps",
                fromBar = 0,
                toBar = 3,
                beatsPerBar = 3,
                target = 90,
            }
        );
        var id = piece["id"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        browser.Open($"/music/{id}");

        // Of a book one tune is chosen; what it loses is said before it is kept. It is left after all.
        Take(browser, "book.abc", Book);
        browser.See(By.CssSelector("section[aria-label='Music to be taken'] .abcjs-notehead"));
        browser.Choose("tune", "Slow Wherry");
        browser.SeeText("chord symbols (bar 2)");
        browser.SeeText("Bars 1 to 2.");
        browser.SeeText("4 quarter beats in a bar are counted, as it is in 4/4");
        Axe.Findings(browser).ShouldBeEmpty();
        browser.Button("Leave it").Click();
        browser.Until(page => page.FindElements(By.CssSelector("section[aria-label='Music to be taken']")).Count == 0);

        // Two staves stay two.
        Take(browser, "lantern-steps.abc", Hands);
        browser.SeeText("All of it is taken over.");
        browser.Button("Keep this music").Click();
        browser.See(By.CssSelector("section[aria-label='Music'] .abcjs-notehead"));
        Staves(browser).ShouldBe(2);
        browser.Choose("staves", "lower: left hand");
        browser.Until(_ => Staves(browser) == 1);

        // On paper stands the music, across the page, and nothing else of it.
        browser.Run("window.print = () => {}");
        browser.Tap(browser.Button("on paper"));
        browser.Media("print");
        browser.Until(_ =>
            (bool)
                browser.Run(
                    "const music = document.querySelector('.on-paper svg').getBoundingClientRect(); return music.width > 500 && document.querySelector('main').getBoundingClientRect().width === 0"
                )!
        );
        browser.Media("");
        browser.Run("dispatchEvent(new Event('afterprint'))");
        browser.Run("return document.querySelectorAll('.on-paper').length").ShouldBe(0L);

        // On the stage both hands stand there.
        await app.Send(HttpMethod.Post, $"/api/pieces/{id}/passages", new { passages = new[] { new { from = 1, to = 2 } } });
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        await app.SkipToAsync(session, now => ((string?)now["abc"] ?? "").Contains("V:2", StringComparison.Ordinal));
        browser.Open("/practise");
        browser.See(By.CssSelector(".abcjs-notehead"));
        Staves(browser).ShouldBe(2);

        // Taken away as MusicXML it comes back as it was.
        var file = await app.Http.GetStringAsync(
            new Uri(
                string.Create(CultureInfo.InvariantCulture, $"/api/pieces/{id}/bars/file?from=0&to=3&format=MusicXml"),
                UriKind.Relative
            )
        );
        browser.Open($"/music/{id}");
        Take(browser, "again.musicxml", file);
        browser.SeeText("All of it is taken over.");
        browser.Button("Keep this music").Click();
        browser.Until(page => page.FindElements(By.CssSelector("section[aria-label='Music to be taken']")).Count == 0);
        (await app.Http.GetStringAsync(new Uri($"/api/pieces/{id}/bars/file?from=0&to=3&format=MusicXml", UriKind.Relative))).ShouldBe(
            file
        );
        browser.Complaints().ShouldBeEmpty();
    }

    private static int Staves(Browser browser) =>
        browser.Driver.FindElements(By.CssSelector(".abcjs-staff")).Count is var all and > 0
            ? all / Math.Max(1, browser.Driver.FindElements(By.CssSelector(".abcjs-staff-wrapper")).Count)
            : 0;

    private static void Take(Browser browser, string name, string text)
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("tuning-fork-").FullName, name);
        File.WriteAllText(path, text);
        browser.See(By.XPath("//section[@aria-label='Where the music comes from']"));
        browser.Driver.FindElement(By.CssSelector("input[aria-label='Music file']")).SendKeys(path);
    }
}
