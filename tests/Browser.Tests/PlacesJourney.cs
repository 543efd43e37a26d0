using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Finding one's way: places, titles, focus, returns, old addresses, and the thumb's bar on a phone.</summary>
public sealed class PlacesJourney
{
    [Fact]
    public async Task Every_page_says_where_one_is_and_a_return_leads_to_where_one_was()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        browser.Driver.Title.ShouldEndWith("day · Tuning Fork", customMessage: "minutes and the day");

        // By keyboard: the first stop leads past the places.
        browser.Press(Keys.Tab);
        browser.See(By.LinkText("To the content")).ShouldBe(browser.Driver.SwitchTo().ActiveElement());
        browser.Press(Keys.Enter);
        browser.Until(page => page.SwitchTo().ActiveElement().GetAttribute("id") == "main");

        browser.See(By.LinkText("Craft")).Click();
        browser.Until(page => page.Title == "Exercises · Tuning Fork");
        browser.Until(page => page.SwitchTo().ActiveElement().TagName == "h1");
        browser.See(By.LinkText("Keys")).Click();
        browser.Until(page => page.Title == "Keys and patterns · Tuning Fork");
        browser.See(By.LinkText("Music")).Click();
        browser.Until(page => page.Title == "Music · Tuning Fork");
        browser.See(By.LinkText("Craft")).Click();
        browser.Until(page => new Uri(page.Url).AbsolutePath == "/craft/keys");
        browser.See(By.LinkText("Craft")).Click();
        browser.Until(page => new Uri(page.Url).AbsolutePath == "/craft");
        browser.Driver.FindElements(By.CssSelector("header [aria-current=page]")).Select(one => one.Text).ShouldBe(["Craft"]);

        foreach (var (old, now) in new[] { ("/routines", "/set-up"), ("/piece/1?x=1", "/music/1"), ("/material/4", "/music/4/tempo"), ("/goals", "/week"), ("/nowhere", "/") })
        {
            browser.Open(old);
            browser.Until(page => new Uri(page.Url).AbsolutePath == now);
        }

        // On a phone the places stand at the bottom, as wide as a thumb, and nothing scrolls sideways.
        browser.Resize(390, 844);
        foreach (var path in new[] { "/", "/week", "/music", "/music/1", "/craft", "/craft/keys", "/journal", "/set-up", "/set-up/shares" })
        {
            browser.Open(path);
            browser.See(By.CssSelector("main h1"));
            var bar = browser.See(By.XPath("//nav[@aria-label='Places']//a[.='Journal']"));
            bar.Location.Y.ShouldBeInRange(780, 844, path);
            bar.Size.Height.ShouldBeGreaterThanOrEqualTo(44);
            browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth").ShouldBe(0L, path);
        }
    }
}
