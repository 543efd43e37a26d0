using OpenQA.Selenium;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Finding one's way: places, titles, focus, returns, old addresses, and the thumb's bar on a phone.</summary>
public sealed class PlacesJourney
{
    private static readonly string[] All =
    [
        "/",
        "/week",
        "/music",
        "/music/1",
        "/music/1/read",
        "/music/2/tempo",
        "/craft",
        "/craft/sheets",
        "/craft/keys",
        "/craft/warm-up",
        "/craft/sound",
        "/craft/listening",
        "/journal",
        "/set-up",
        "/set-up/shares",
        "/set-up/methods",
        "/set-up/instrument",
        "/set-up/files",
    ];

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

        foreach (
            var (old, now) in new[]
            {
                ("/routines", "/set-up"),
                ("/piece/1?x=1", "/music/1"),
                ("/material/4", "/music/4/tempo"),
                ("/goals", "/week"),
                ("/nowhere", "/"),
            }
        )
        {
            browser.Open(old);
            browser.Until(page => new Uri(page.Url).AbsolutePath == now);
        }

        // No view scrolls sideways; on a phone the places stand at the bottom, as wide as a thumb.
        foreach (var path in All)
        {
            browser.Open(path);
            browser.See(By.CssSelector("main h1"));
            browser.Until(page => page.FindElements(By.CssSelector("[aria-busy='true']")).Count == 0);
            foreach (var (width, height) in new[] { (1280, 800), (820, 1180), (390, 844) })
            {
                browser.Resize(width, height);
                browser.Until(_ => browser.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth") is 0L);
                if (width > 390 || path.EndsWith("/read", StringComparison.Ordinal))
                    continue;
                var bar = browser.See(By.XPath("//nav[@aria-label='Places']//a[.='Journal']"));
                bar.Location.Y.ShouldBeInRange(780, 844, path);
                bar.Size.Height.ShouldBeGreaterThanOrEqualTo(44);
            }
        }
    }

    [Fact]
    public Task On_the_stage_of_a_phone_the_time_and_every_key_are_in_sight() => InSight(390, 844);

    /// <summary>Run by scripts/long/journeys.</summary>
    [Theory(Explicit = true)]
    [Trait("Run", "long")]
    [InlineData(844, 390)]
    [InlineData(820, 1180)]
    [InlineData(1280, 800)]
    public Task On_the_stage_the_time_and_every_key_are_in_sight(int width, int height) => InSight(width, height);

    private static async Task InSight(int width, int height)
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address, width, height);
        browser.Resize(width, height);
        browser.Open("/");
        browser.See(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.CssSelector("[data-testid='stage-left']"));
        // The longest words of the day first: the opening.
        foreach (var _ in Enumerable.Range(0, 6))
        {
            foreach (var seen in browser.Driver.FindElements(By.CssSelector("[data-testid='stage-left'], main button")))
            {
                (seen.Location.Y + seen.Size.Height).ShouldBeLessThanOrEqualTo(height + 1, seen.Text);
                (seen.Location.X + seen.Size.Width).ShouldBeLessThanOrEqualTo(width, seen.Text);
            }

            var title = browser.Shown("stage-title");
            browser.Press("s");
            browser.Until(page => browser.Shown("stage-title") != title);
        }
    }

    /// <summary>The limits are the goal of this project: 200 kB of script on the wire, twelve requests, two steps.</summary>
    [Fact]
    public async Task The_first_page_is_light()
    {
        await using var app = await AppProcess.StartAsync();
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        await Task.Delay(2000);
        var asked = (
            (IReadOnlyCollection<object>)
                browser.Run(
                    "return performance.getEntriesByType('resource').map((one) => [new URL(one.name).pathname, one.transferSize, one.decodedBodySize])"
                )!
        )
            .Cast<IReadOnlyCollection<object>>()
            .Select(one =>
                (
                    Path: (string)one.ElementAt(0),
                    Wire: Convert.ToDouble(one.ElementAt(1), System.Globalization.CultureInfo.InvariantCulture),
                    Whole: Convert.ToDouble(one.ElementAt(2), System.Globalization.CultureInfo.InvariantCulture)
                )
            )
            .ToList();
        asked.Count.ShouldBeLessThan(12, string.Join(' ', asked.Select(one => one.Path)));
        var scripts = asked.Where(one => one.Path.EndsWith(".js", StringComparison.Ordinal)).ToList();
        scripts.Sum(one => one.Wire).ShouldBeInRange(50_000, 200_000);
        scripts.Sum(one => one.Whole).ShouldBeGreaterThan(2.5 * scripts.Sum(one => one.Wire), "packed when it was built");
        // A gzip reader, and one that takes nothing packed, get the same script.
        var packed = await app.Http.SendAsync(Ask(scripts[0].Path, "gzip"));
        packed.Content.Headers.ContentEncoding.ShouldBe(["gzip"]);
        packed.Content.Headers.ContentType!.MediaType.ShouldBe("text/javascript");
        var plain = await app.Http.SendAsync(Ask(scripts[0].Path, "identity"));
        plain.Content.Headers.ContentEncoding.ShouldBeEmpty();
        await using var unpacked = new System.IO.Compression.GZipStream(
            await packed.Content.ReadAsStreamAsync(),
            System.IO.Compression.CompressionMode.Decompress
        );
        (await new StreamReader(unpacked).ReadToEndAsync()).ShouldBe(await plain.Content.ReadAsStringAsync());
    }

    private static HttpRequestMessage Ask(string path, string encoding) =>
        new(HttpMethod.Get, new Uri(path, UriKind.Relative)) { Headers = { { "Accept-Encoding", encoding } } };
}
