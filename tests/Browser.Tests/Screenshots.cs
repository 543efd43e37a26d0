using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>Takes the pictures of the main views from the demo; run by scripts/screenshots, not with the tests.</summary>
public sealed class Screenshots
{
    [Fact(Explicit = true)]
    public async Task Take()
    {
        var folder = Environment.GetEnvironmentVariable("SCREENSHOTS") ?? Path.Combine(AppProcess.Root, "docs/screenshots");
        Directory.CreateDirectory(folder);
        await using var app = await AppProcess.StartAsync();
        var today = DateTime.Today;
        await app.SetClockAsync(new DateTimeOffset(today.AddHours(18.5), TimeZoneInfo.Local.GetUtcOffset(today)));
        using var browser = new Browser(app.Address);

        Shot("/", "today", "//ol/li");
        Shot("/set-up", "routines", "//section//*[name()='svg']");
        Shot("/craft/warm-up", "warm-up", "//section//*[name()='svg']");
        Shot("/craft", "craft", "//section//li");
        Shot("/music", "music", "//tbody/tr");
        browser.Open("/music");
        browser.See(By.LinkText("Ferry Waltz")).Click();
        Snap("piece", "//*[@data-testid='engraving']//*[contains(@class, 'abcjs-notehead')]");
        Shot("/craft/sheets", "sheets", "//*[name()='svg' and .//*[contains(@class, 'abcjs-note')]]");
        Shot("/craft/reading", "reading", "//section//li");
        Shot("/craft/ear", "ear", "//section//button");
        browser.Open("/set-up/files");
        browser.See(By.XPath("//main//section"));
        // The folder of this run is nobody's: the usual one stands in the picture.
        browser.Run(
            $"for (const text of document.querySelectorAll('main p')) for (const node of text.childNodes) if (node.nodeType === 3) node.data = node.data.replace('{app.Data}', '~/.local/share/tuning-fork')"
        );
        Snap("backups", "//main//section");
        Shot("/week", "week", "//section");
        Shot("/craft/listening", "listening", "//*[@data-testid='heard-strip']");
        browser.Open("/craft");
        browser.See(By.LinkText("Crossing the break in pairs")).Click();
        Snap("tempo", "//*[@data-testid='tempo-chart']//*[name()='svg']");
        Shot("/journal", "journal", "//section");
        Shot("/journal/look-back", "look-back", "//section[@aria-label='Readiness']");
        Shot("/", "today", "//ol/li");
        browser.Choose("Material to add", "Scale, two octaves");
        browser.Button("Add").Click();
        browser.SeeText("too many");
        await ToTheEnd(app, "Scale, two octaves");
        browser.Open("/");
        browser.See(By.XPath("//ol/li"));
        browser.Driver.FindElement(By.XPath("//button[starts-with(., 'Begin')]")).Click();
        browser.See(By.CssSelector("[data-testid='stage-title']"));
        for (var i = 0; i < 20 && !browser.Driver.PageSource.Contains("one take each", StringComparison.Ordinal); i++)
        {
            browser.Press(Keys.Enter);
            await Task.Delay(350);
        }

        browser.Press(Keys.ArrowRight);
        await Task.Delay(500);
        browser.Press(Keys.ArrowLeft);
        await Task.Delay(2500);
        Snap("stage", "//*[@data-testid='stage-title']");
        browser.Press(Keys.Escape);
        Shot("/close", "close", "//fieldset");
        var apart = (await app.Http.GetFromJsonAsync<JsonNode>(new Uri("/api/recordings/apart", UriKind.Relative)))!.AsArray();
        Shot($"/music/apart/{apart[0]!["materialId"]}", "days-apart", "//*[@role='img']//*");
        Shot("/welcome", "first-visit", "//h2");

        // The scale is shown on the stage after the rounds.
        static async Task ToTheEnd(AppProcess app, string title)
        {
            var today = (await app.Http.GetFromJsonAsync<JsonNode>(new Uri("/api/today", UriKind.Relative)))!;
            var drills = today["drills"]!.AsArray();
            var id = drills.Last(drill => ((string?)drill!["title"])!.StartsWith(title, StringComparison.Ordinal))![
                "id"
            ]!.GetValue<string>();
            using var moved = await app.Http.PostAsJsonAsync(
                new Uri("/api/today/changes", UriKind.Relative),
                new
                {
                    version = today["version"]!.GetValue<int>(),
                    kind = "Move",
                    drillId = id,
                    value = drills.Count - 1,
                }
            );
            moved.EnsureSuccessStatusCode();
        }

        void Shot(string path, string name, string wait)
        {
            browser.Open(path);
            Snap(name, wait);
        }

        void Snap(string name, string wait)
        {
            browser.See(By.XPath(wait));
            Thread.Sleep(700);
            browser.Save(Path.Combine(folder, $"{name}.png"));
        }
    }
}
