using System.Net.Http.Headers;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Shouldly;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Music on paper: a box drawn on its page becomes a passage, and both lie on the stage.</summary>
public sealed class PaperJourney
{
    [Fact]
    public async Task A_box_is_drawn_on_a_page_and_lies_on_the_stage_then_the_page()
    {
        await using var app = await AppProcess.StartAsync("--own");
        await app.SetClockAsync(AppProcess.Evening);
        await app.PlayerAsync("Cello", "strings");
        var piece = (
            await app.Send(
                HttpMethod.Post,
                "/api/materials",
                new
                {
                    kind = "Piece",
                    title = "Kite Song",
                    toBar = 24,
                    target = 90,
                }
            )
        )["id"]!.GetValue<int>();
        using var browser = new Browser(app.Address);
        browser.Open("/");
        browser.SeeText("Begin");
        // What a browser has drawn is a picture like any other.
        using var page = new ByteArrayContent(((ITakesScreenshot)browser.Driver).GetScreenshot().AsByteArray);
        page.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        (await app.Http.PostAsync(new Uri($"/api/pieces/{piece}/pages?name=page", UriKind.Relative), page)).EnsureSuccessStatusCode();

        browser.Open($"/music/{piece}");
        Draw(browser);
        browser.Type("bars from", "9" + Keys.Tab);
        browser.Type("to", "10" + Keys.Tab);
        browser.Button("Keep the box").Click();
        browser.See(By.CssSelector("[aria-label='Remove the box of bars 9–10']"));
        var view = await app.Send(HttpMethod.Get, $"/api/pieces/{piece}");
        var passage = view["passages"]![0]!["id"]!.GetValue<int>();
        var box = view["pages"]![0]!["boxes"]![0]!;
        box["x"]!.GetValue<double>().ShouldBe(0.25, 0.02);
        box["y"]!.GetValue<double>().ShouldBe(0.25, 0.03);
        box["width"]!.GetValue<double>().ShouldBe(0.5, 0.02);
        box["height"]!.GetValue<double>().ShouldBe(0.1, 0.03);

        var today = await app.Send(HttpMethod.Get, "/api/today");
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = today["version"]!.GetValue<int>() });
        await app.SkipToAsync(session, now => (int?)now["target"]?["materialId"] == passage);
        browser.Open("/practise");
        var paper = browser.See(By.CssSelector("[data-testid='stage-paper'] img[alt='Bars 9–10 on the page']"));
        // As large as there is room, and cut to the box: the picture behind it is twice as wide as what shows.
        browser.Until(_ => Math.Abs((2.0 * Width(browser, "[data-testid='stage-paper']") / paper.Size.Width) - 1) < 0.05);
        browser.Press("p");
        browser.See(By.CssSelector("[data-testid='stage-paper'] img[alt='Page']"));
        browser
            .Driver.FindElement(By.CssSelector("[data-testid='stage-title']"))
            .Displayed.ShouldBeFalse("a page has the place of the rest");
        browser.Press("p");
        browser.Press("p");
        browser.Until(_ => browser.Driver.FindElement(By.CssSelector("[data-testid='stage-title']")).Displayed);
        browser.Driver.FindElements(By.CssSelector("[data-testid='stage-paper']")).ShouldBeEmpty();
        browser.Complaints().ShouldBeEmpty();
    }

    /// <summary>From a quarter of the width and height to three quarters, a tenth lower.</summary>
    private static void Draw(Browser browser)
    {
        var picture = browser.See(By.CssSelector("[data-testid='page-picture'] img"));
        browser.Until(_ => picture.Size.Height > 100);
        browser.Run("arguments[0].scrollIntoView({ block: 'center' })", picture);
        browser.Settle(picture);
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        new Actions(browser.Driver)
            .MoveToElement(picture, -width / 4, -height / 4)
            .ClickAndHold()
            .MoveByOffset(width / 4, height / 20)
            .MoveByOffset(width / 4, height / 20)
            .Release()
            .Perform();
    }

    private static int Width(Browser browser, string selector) => browser.See(By.CssSelector(selector)).Size.Width;
}
