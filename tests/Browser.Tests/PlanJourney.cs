using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>The day and its shapes overruled on the screen: by mouse, keyboard and finger; on paper too.</summary>
public sealed class PlanJourney
{
    [Fact]
    public async Task A_warm_up_is_built_and_cut_for_a_rehearsal_day()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/craft/warm-up");
        browser.SeeText("next in turn");
        browser.Button("New version").Click();
        browser.Type("Name", "Before the band");
        browser.Type("What, Long tones", "Pianissimo tones");
        browser.Button("Add to agility").Click();
        browser.Type("What, new part", "Light runs");
        browser.Choose("Played on, Light runs", "a passage you know");
        // What a player adds is meant; this one is an extra by his own word.
        browser.Driver.FindElements(By.XPath("//section[@aria-label='agility']//label[contains(., 'core')]"))[^1].Click();
        browser.Until(_ => browser.Shown("cut") == "6 min");
        browser.Tick("rehearsal later");
        browser.Until(_ => browser.Shown("cut").Contains("the core only, without light runs", StringComparison.Ordinal));
        browser.Button("Keep it").Click();
        browser.See(By.XPath("//section[@aria-label='Before the band' and contains(., 'next in turn')]"));

        browser.Open("/");
        // The demo has short Fridays; the warm-up of half an hour holds all of it.
        browser.Type("Minutes today", "30" + Keys.Enter);
        browser.See(By.CssSelector("button[aria-label='Open the warm-up']")).Click();
        // On most days a passage that is not due plays the light runs; on others they stand by themselves.
        browser.Until(page =>
            page.FindElement(By.TagName("main")).Text is var text
            && (
                text.Contains("music you know, credited to repertoire too", StringComparison.Ordinal)
                || text.Contains("Light runs", StringComparison.Ordinal)
            )
        );
        browser.Wishes();
        browser.Button("rehearsal later").Click();
        browser.SeeText("a rehearsal later, keep your strength: the core only, without light runs");
        browser.Until(_ => Methods(browser).Count(method => method.StartsWith("ease in", StringComparison.Ordinal)) is > 0 and <= 3);
        browser.Driver.FindElement(By.TagName("main")).Text.ShouldContain("Pianissimo tones");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_day_is_bent_by_what_it_asks_and_a_drill_swapped_and_added()
    {
        await using var app = await AppProcess.StartAsync();
        await app.SetClockAsync(At(18, app.Now.Date));
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        browser.Type("Minutes today", "30" + Keys.Enter);
        browser.SeeText("30 of 30 min");
        var warmUp = WarmUp(browser);
        browser.Wishes();
        browser.Button("rehearsal later").Click();
        browser.Until(_ => WarmUp(browser) < warmUp);
        browser.SeeText("A rehearsal later: the warm-up is cut to its core");

        // Until half past seven, counted from six.
        browser.Run("arguments[0].focus(); arguments[0].value = '19:30'; arguments[0].blur()", browser.Control("or until"));
        browser.SeeText("90 of 90 min");
        browser.Type("Minutes today", "30" + Keys.Enter);
        browser.SeeText("30 of 30 min");

        // Something else in place of the last drill of the list.
        var before = Titles(browser)[^1];
        browser.More(browser.Driver.FindElements(By.CssSelector("ol[aria-label=\"Today's drills\"] li")).Count);
        browser.See(By.CssSelector("ol li:last-child button[aria-label^='Swap']")).Click();
        browser.Until(_ => Titles(browser)[^1] != before);

        // Too many short repeated drills are named with the sum before anything is played.
        browser
            .Driver.FindElements(By.CssSelector("[data-testid='warning']"))
            .ShouldAllBe(warning => !warning.Text.Contains("two and a half minutes each", StringComparison.Ordinal));
        foreach (var raw in new[] { "2–3", "5–6", "7–8", "9–10" }.Select(bars => bars.Split('–')))
        {
            var piece = (await app.Http.GetFromJsonAsync<JsonArray>(new Uri("/api/materials", UriKind.Relative)))!.First(one =>
                (string?)one!["title"] == "Harbour at Five"
            )!["id"]!.GetValue<int>();
            using var added = await app.Http.PostAsJsonAsync(
                new Uri("/api/materials", UriKind.Relative),
                new
                {
                    kind = "Passage",
                    pieceId = piece,
                    fromBar = int.Parse(raw[0], System.Globalization.CultureInfo.InvariantCulture),
                    toBar = int.Parse(raw[1], System.Globalization.CultureInfo.InvariantCulture),
                }
            );
            added.EnsureSuccessStatusCode();
        }

        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        foreach (var exercise in new[] { "Harbour at Five, 2–3", "Harbour at Five, 5–6", "Harbour at Five, 7–8", "Harbour at Five, 9–10" })
        {
            var count = Titles(browser).Count;
            browser.Choose("Material to add", exercise);
            browser.Button("Add").Click();
            browser.Until(_ => Titles(browser).Count == count + 1);
            browser.Type($"Minutes of {exercise}", "1" + Keys.Enter);
            browser.Until(page => browser.Control($"Minutes of {exercise}").GetAttribute("value") == "1");
        }

        browser.SeeText("two and a half minutes each");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_routine_is_built_by_mouse_and_keyboard_with_its_sum_and_its_warning()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/set-up");
        browser.See(By.XPath("//section//*[name()='svg']"));
        browser.Button("New routine").Click();
        browser.Type("Name", "Thursdays");
        foreach (var area in new[] { "Technique", "Repertoire", "Play" })
        {
            var count = Blocks(browser).Count;
            browser.Choose("Add a block", area);
            browser.Until(_ => Blocks(browser).Count == count + 1);
        }

        // Play before repertoire with the mouse; technique down with the keyboard.
        browser.Drag(browser.See(By.CssSelector("button[aria-label='Move Play']")), -90);
        browser.Until(_ => string.Join(' ', Blocks(browser)) == "Warm-up Technique Play Repertoire");
        browser.See(By.CssSelector("button[aria-label='Move Technique']")).SendKeys(" ");
        await Task.Delay(300);
        browser.Press(Keys.ArrowDown);
        await Task.Delay(300);
        browser.Press(" ");
        browser.Until(_ => string.Join(' ', Blocks(browser)) == "Warm-up Play Technique Repertoire");

        // A must of 25 minutes cannot work on a day of 20; the warning comes while one builds.
        browser.Type("Technique, most", "40" + Keys.Tab);
        browser.Type("Technique, wanted", "25" + Keys.Tab);
        browser.Type("Technique, least", "25" + Keys.Tab);
        browser.See(By.XPath("//li[.//*[@aria-label='Move Technique']]//label[normalize-space(.)='must']")).Click();
        browser.Type("Minutes to try", "20" + Keys.Tab);
        browser.SeeText("The musts need 26 minutes and 20 leave 20 for playing: 6 too few.");
        browser.Type("Minutes to try", "45" + Keys.Tab);
        browser.Until(page => !page.PageSource.Contains("too few", StringComparison.Ordinal));
        browser.Button("Thu").Click();
        browser.Button("Keep").Click();
        browser.SeeText("Thursdays");

        // It is there on Thursday, in the order that was made.
        var days = ((int)DayOfWeek.Thursday - (int)app.Now.DayOfWeek + 7) % 7;
        await app.SetClockAsync(At(18, app.Now.Date.AddDays(days)));
        browser.Open("/");
        browser.SeeText("minutes, Thursday");
        browser.Shown("wishes").ShouldBe("Thursdays, nothing special today");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task On_a_tablet_a_finger_does_it_all_and_the_paper_shows_only_the_day()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address, 820, 1180);
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        var titles = Titles(browser);

        browser.Media("print");
        browser
            .Driver.FindElements(By.CssSelector("header, aside, ol button:not([aria-expanded])"))
            .ShouldAllBe(control => !control.Displayed);
        browser.See(By.XPath("//ol/li"));
        Titles(browser, visible: false).ShouldBe(titles);
        browser
            .See(By.CssSelector("ol li button:has([data-testid='drill'])"))
            .Size.Width.ShouldBeGreaterThan(150, "the titles have room on paper");
        browser.Media("screen");

        browser.More(2);
        browser.Tap(browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Lock']")));
        browser.See(By.CssSelector("ol li:nth-child(2) button[aria-label^='Unlock']"));
        browser.More(3);
        browser.Tap(browser.See(By.CssSelector("ol li:nth-child(3) button[aria-label^='Leave out']")));
        browser.Until(_ => Titles(browser).Count == titles.Count - 1);
        browser.Tap(browser.Button("Begin"));
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        var place = browser.SeeText("drill ").Text;
        browser.Tap(browser.See(By.XPath("//button[contains(., 'skip')]")));
        browser.Until(_ => browser.SeeText("drill ").Text != place);
        browser.Tap(browser.See(By.XPath("//button[contains(., 'note')]")));
        browser.Control("Note").SendKeys("From the tablet");
        browser.Tap(browser.Button("Keep"));
        browser.Until(page => page.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        (
            (long)browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth")!
        ).ShouldBeLessThanOrEqualTo(1);
        browser.Open("/journal");
        browser.SeeText("From the tablet");
        browser.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Pain_at_the_close_turns_the_next_day_quiet_until_it_is_well()
    {
        await using var app = await AppProcess.StartAsync();
        await app.SetClockAsync(At(18, app.Now.Date));
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        browser.Press(Keys.Escape);
        browser.Tick("Pain");
        browser.SeeText("See a doctor or a physiotherapist who knows musicians");
        browser.Control("Where").SendKeys("right wrist");
        browser.Button("Close and keep").Click();
        browser.SeeText("until you say that it is well");

        await app.SetClockAsync(At(18, app.Now.Date.AddDays(1)));
        browser.Open("/");
        browser.SeeText("(right wrist) yesterday. How is it now?");
        Methods(browser)
            .ShouldAllBe(method =>
                method.StartsWith("silent study", StringComparison.Ordinal)
                || method.StartsWith("sing it", StringComparison.Ordinal)
                || method.StartsWith("a round by ear", StringComparison.Ordinal)
            );
        browser.Button("Well again").Click();
        browser.Until(page => !page.PageSource.Contains("How is it now?", StringComparison.Ordinal));
        browser.SeeText("Practice day 1 of 3 after pain");
        browser.See(By.CssSelector("button[aria-label='Open the warm-up']")).Click();
        browser.Until(_ => Methods(browser).Exists(method => method.StartsWith("ease in", StringComparison.Ordinal)));
    }

    private static DateTimeOffset At(int hour, DateTime day) => new(DateTime.SpecifyKind(day.AddHours(hour), DateTimeKind.Unspecified));

    private static int WarmUp(Browser browser) =>
        int.Parse(browser.Shown("warm-up-minutes"), System.Globalization.CultureInfo.InvariantCulture);

    private static List<string> Titles(Browser browser, bool visible = true) =>
        browser.Until(page =>
            page.FindElements(By.CssSelector("ol li button[aria-label^='Move ']"))
                .Where(button => button.Displayed == visible)
                .Select(button => button.GetAttribute("aria-label")![5..])
                .ToList()
        );

    private static List<string> Blocks(Browser browser) => Titles(browser);

    private static List<string> Methods(Browser browser) =>
        browser.Until(page => page.FindElements(By.CssSelector("ol [data-testid='method']")).Select(line => line.Text).ToList());
}
