using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>What is typed, pressed and changed by hand is kept, once, and what is removed can be taken back.</summary>
public sealed class KeptJourney
{
    [Fact]
    public async Task Typed_and_then_tapped_on_a_tablet_nothing_is_lost()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address, 820, 1180);
        browser.Open("/");
        browser.More(3);
        browser.Wishes();
        browser.Control("What for").SendKeys("the joins");
        browser.Tap(browser.See(By.CssSelector("button[aria-label^='Lock ']")));
        browser.See(By.CssSelector("button[aria-label^='Unlock ']"));
        browser.Type("Minutes today", "50");
        browser.Tap(browser.Button("Begin"));
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var session = await app.Session();
        session["plannedMinutes"]!.GetValue<int>().ShouldBe(50);
        session["purpose"]!.GetValue<string>().ShouldBe("the joins");
    }

    [Fact]
    public async Task A_wish_keeps_what_was_changed_by_hand_and_tabbing_through_changes_nothing()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/");
        var row = browser.See(By.CssSelector("ol[aria-label=\"Today's drills\"] li:nth-child(3)"));
        var title = row.FindElement(By.CssSelector("[data-testid='drill']")).Text;
        browser.Type($"Minutes of {title}", "9" + Keys.Enter);
        browser.SeeText("Without my changes (1)");
        browser.Wishes();
        browser.Type("What for", "the joins" + Keys.Enter);
        browser.SeeText("for: the joins");
        browser.Control($"Minutes of {title}").GetAttribute("value").ShouldBe("9");

        var version = (await app.Send(HttpMethod.Get, "/api/today"))["version"]!.GetValue<int>();
        browser.Control("Minutes today").Click();
        for (var i = 0; i < 14; i++)
            browser.Press(Keys.Tab);
        await Task.Delay(600);
        (await app.Send(HttpMethod.Get, "/api/today"))["version"]!.GetValue<int>().ShouldBe(version);

        // What does not fit a short day is named before it goes.
        browser.Type($"Minutes of {title}", "40" + Keys.Enter);
        browser.Until(_ => browser.Control($"Minutes of {title}").GetAttribute("value") == "40");
        browser.Type("Minutes today", "15" + Keys.Enter);
        browser.SeeText("would go");
        browser.Control($"Minutes of {title}").GetAttribute("value").ShouldBe("40");
        browser.Button("Let it go").Click();
        browser.SeeText("15 of 15 min");

        // Left out by mistake, and taken back.
        List<string> Drills() => [.. browser.Driver.FindElements(By.CssSelector("[data-testid='drill']")).Select(one => one.Text)];
        var before = Drills();
        browser.More(2);
        browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Leave out ']")).Click();
        browser.Until(_ => !Drills().SequenceEqual(before, StringComparer.Ordinal));
        browser.Button("Take it back").Click();
        browser.Until(_ => Drills().SequenceEqual(before, StringComparer.Ordinal));
    }

    [Fact]
    public async Task The_first_visit_is_corrected_in_every_field_and_pressed_twice_is_entered_once()
    {
        await using var app = await AppProcess.StartAsync("--own");
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.Control("Instrument").SendKeys("Cello");
        browser.Type("Pieces, one a line", "Mill Song 24 bars, hard 3-4");
        // Typed lines outlive a reload.
        browser.Driver.Navigate().Refresh();
        browser.Control("Pieces, one a line").GetAttribute("value").ShouldBe("Mill Song 24 bars, hard 3-4");
        browser.Type("Pieces, one a line", "Mill Song 24 bars, hard 3-4, 30");
        browser.Button("Make my first plan").Click();
        browser.SeeText("goes beyond");
        browser.Type("Instrument", "Classical guitar");
        browser.SeeText("Guitar: plucked, written E3 to E6, sounds 12 semitones below");
        browser.Type("Mon", "45");
        browser.Type("Pieces, one a line", "Mill Song 32 bars, hard 3-4, 30");
        browser.Run(
            "const one = [...document.querySelectorAll('button')].find((b) => b.textContent.includes('Make my first plan')); one.click(); one.click(); one.click()"
        );
        browser.SeeText("Warm-up");
        browser.See(By.CssSelector("ol[aria-label=\"Today's drills\"]"));
        var profile = await app.Send(HttpMethod.Get, "/api/profile");
        profile["instrument"]!.GetValue<string>().ShouldBe("Classical guitar");
        profile["transposition"]!.GetValue<int>().ShouldBe(-12, "known by its fuller name");
        profile["weekdayMinutes"]![0]!.GetValue<int>().ShouldBe(45);
        (await app.Send(HttpMethod.Get, "/api/materials")).AsArray().Count.ShouldBe(3, "a piece and two passages");

        // Kept by a double click it is one piece; removed it can be taken back.
        browser.Open("/music");
        browser.Button("New piece").Click();
        browser.Type("Title", "River Song");
        browser.Run("const one = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Keep'); one.click(); one.click()");
        browser.SeeText("River Song");
        (await app.Send(HttpMethod.Get, "/api/materials")).AsArray().Count.ShouldBe(4);
    }

    [Fact]
    public async Task A_removal_can_be_taken_back_and_the_demo_says_how_long_it_lasts()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/journal");
        browser.SeeText("made anew tomorrow, and what you write in it");
        browser.Type("Write something", "Only tried.");
        browser.Button("Keep").Click();
        browser.Button("Remove: Only tried.").Click();
        browser.SeeText("Removed: Only tried.");
        browser.Until(page => page.FindElements(By.CssSelector("[aria-label='Remove: Only tried.']")).Count == 0);
        browser.Button("Take it back").Click();
        browser.Button("Remove: Only tried.");
        browser.Until(page => page.FindElements(By.XPath("//button[.='Take it back']")).Count == 0);

        browser.Open("/set-up");
        browser.SeeText("fits from");
        browser.Moved().ShouldBeLessThan(0.05, "nothing moves away under the hand while pictures come");
        browser.Button("Remove At the bench").Click();
        browser.SeeText("Removed: At the bench");
        browser.Until(page => page.FindElements(By.CssSelector("section[aria-label='At the bench']")).Count == 0);
        browser.Button("Take it back").Click();
        browser.See(By.CssSelector("section[aria-label='At the bench']"));

        // A book of one's own takes what was entered here along.
        await app.Send(
            HttpMethod.Post,
            "/api/materials",
            new
            {
                kind = "Piece",
                title = "Brought Along",
                toBar = 12,
            }
        );
        browser.Open("/");
        browser.Button("Start my own book with my 1 thing to practise and 1 note").Click();
        browser.See(By.XPath("//h1[.='Your first day']"));
        browser.Type("Instrument", "Flute");
        browser.Button("Make my first plan").Click();
        browser.See(By.CssSelector("ol[aria-label=\"Today's drills\"]"));
        browser.Open("/music");
        browser.SeeText("Brought Along");
    }
}
