using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Xunit;

namespace TuningFork.Browser.Tests;

public sealed class TempShots
{
    [Fact(Explicit = true)]
    public async Task Take()
    {
        await using var app = await AppProcess.StartAsync();
        var today = DateTime.Today;
        await app.SetClockAsync(new DateTimeOffset(today.AddHours(18.5), TimeZoneInfo.Local.GetUtcOffset(today)));
        using var browser = new Browser(app.Address, 1280, 1700);
        browser.Open("/material");
        browser.See(By.LinkText("Ferry Waltz")).Click();
        browser.See(By.XPath("//*[@data-testid='offer' or starts-with(@aria-label, 'Exercises for')]"));
        Thread.Sleep(800);
        browser.Save("/tmp/p1.png");
        browser.Open("/technique");
        browser.See(By.XPath("//section//li"));
        Thread.Sleep(700);
        browser.Save("/tmp/p2.png");
        browser.Open("/routines");
        browser.See(By.XPath("//section//*[name()='svg']"));
        Thread.Sleep(700);
        browser.Save("/tmp/p3.png");
        browser.Open("/material");
        browser.See(By.CssSelector("a[aria-label='Tempo of Crossing the break in pairs']")).Click();
        browser.See(By.XPath("//*[@data-testid='tempo-chart']//*[name()='svg']"));
        Thread.Sleep(700);
        browser.Save("/tmp/p4.png");
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        Thread.Sleep(700);
        browser.Save("/tmp/p5.png");
        var piece = (JsonNode)(await (await app.Http.PostAsJsonAsync(new Uri("/api/materials", UriKind.Relative), new { kind = "Piece", title = "Harbour Song", toBar = 32 })).Content.ReadFromJsonAsync<JsonNode>())!;
        _ = piece;
    }
}
