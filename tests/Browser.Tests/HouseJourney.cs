using System.Globalization;
using System.Net;
using System.Text.Json;
using OpenQA.Selenium;
using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>A phone in the house is paired, practises, and is removed; nobody else gets in.</summary>
public sealed class HouseJourney
{
    [Fact]
    public async Task A_phone_is_paired_by_a_code_practises_and_is_a_stranger_again_when_it_is_removed()
    {
        var port = AppProcess.FreePort();
        await using var app = await AppProcess.StartAsync("--house-port", port.ToString(CultureInfo.InvariantCulture));
        var house = $"https://127.0.0.1:{port}";
        using var here = new Browser(app.Address);
        using var phone = new Browser(house, 390, 844);
        phone.Open("/");
        phone.SeeText("Pair this device");

        here.Open("/set-up/devices");
        here.Button("Pair a device").Click();
        var code = here.See(By.CssSelector("[aria-live='polite']")).Text;
        here.See(By.CssSelector("svg[aria-label^='The address https://']"));
        PairWith(phone, "1111 1111");
        phone.SeeText("This code does not count");
        PairWith(phone, code);
        phone.See(By.XPath("//ol/li"));
        phone.Run("return isSecureContext && 'wakeLock' in navigator").ShouldBe(true);

        // A pedal leads through it there too.
        phone.Tap(phone.See(By.XPath("//button[starts-with(., 'Begin')]")));
        var title = phone.See(By.CssSelector("[data-testid='stage-title']")).Text;
        phone.Press(Keys.PageDown);
        phone.Press(Keys.PageDown);
        phone.Until(page => page.FindElement(By.CssSelector("[data-testid='stage-title']")).Text != title);
        phone.Open("/set-up/files");
        phone.SeeText("looked after on the machine");

        // The code is spent.
        using (var third = new Browser(house, 390, 844))
        {
            third.Open("/pair");
            PairWith(third, code);
            third.SeeText("This code does not count");
        }

        here.Open("/set-up/devices");
        here.See(By.CssSelector("input[name='name'], input")).GetDomProperty("value").ShouldBe("the phone");
        here.Button("Remove the phone").Click();
        here.SeeText("The devices that you pair will stand here");
        phone.Open("/");
        phone.SeeText("Pair this device");
    }

    [Fact]
    public async Task The_microphone_of_a_guest_is_tuned_by_and_records()
    {
        const int rate = 44_100;
        var port = AppProcess.FreePort();
        await using var app = await AppProcess.StartAsync("--house-port", port.ToString(CultureInfo.InvariantCulture));
        var file = Path.Combine(app.Data, "heard.wav");
        var tone = SimulatedInstrument.Render([new SoundedNote(0, 3.9, Tuning.Hertz(69), 0.5)], SimulatedSound.Reed, rate, 4, seed: 1);
        await File.WriteAllBytesAsync(file, WaveFile.Write(tone, rate));
        using var phone = new Browser($"https://127.0.0.1:{port}", 390, 844, Browser.Microphone(file));
        phone.Open("/pair");
        PairWith(phone, (string)(await app.Send(HttpMethod.Post, "/api/devices/code"))["code"]!);
        phone.See(By.XPath("//ol/li"));

        // What it hears goes to the machine by the same paired way, and comes back as a note.
        phone.Open("/craft/listening");
        phone.Press(phone.SeeText("Tune by the microphone"));
        phone.SeeText("the microphone listens");
        // The player of the demo has a clarinet in B flat: what sounds as A is written B.
        phone.Until(_ => phone.Shown("tuned") == "B4");
        phone.Press(phone.SeeText("Stop listening"));
        phone.Until(page => !page.PageSource.Contains("the microphone listens", StringComparison.Ordinal));

        // A take is recorded there and kept on the machine.
        var session = await app.Send(HttpMethod.Post, "/api/session", new { version = 0 });
        await app.SkipToAsync(session, one => one["cue"]!["countsTakes"]!.GetValue<bool>() && one["target"]?["materialId"] is not null);
        phone.Open("/practise");
        phone.See(By.CssSelector("[data-testid='stage-left']"));
        phone.Press("r");
        phone.SeeText("stop recording");
        await Task.Delay(2500);
        phone.Press("r");
        phone.See(By.CssSelector("[data-testid='recorded'] audio"));
        var kept = (await app.Send(HttpMethod.Get, "/api/recordings"))["recordings"]!.AsArray()[0]!;
        kept["seconds"]!.GetValue<double>().ShouldBeGreaterThan(2);
        (await app.Http.GetByteArrayAsync(new Uri($"/api/recordings/{kept["id"]}/sound", UriKind.Relative))).Length.ShouldBeGreaterThan(
            5_000
        );
        phone.Complaints().ShouldBeEmpty();
    }

    [Fact]
    public async Task Without_pairing_nothing_answers_and_guesses_are_counted()
    {
        var port = AppProcess.FreePort();
        await using var app = await AppProcess.StartAsync("--house-port", port.ToString(CultureInfo.InvariantCulture));
        using var handler = new HttpClientHandler { AllowAutoRedirect = false, UseCookies = false };
#pragma warning disable MA0039 // The certificate is the machine's own: what it says of itself is what is tested.
        handler.ServerCertificateCustomValidationCallback = (_, certificate, _, _) =>
            certificate!.MatchesHostname(Dns.GetHostName()) && certificate.NotAfter > DateTime.UtcNow.AddMonths(11);
#pragma warning restore MA0039
        using var stranger = new HttpClient(handler) { BaseAddress = new Uri($"https://127.0.0.1:{port}") };
        foreach (
            var path in new[] { "/", "/api/about", "/api/today", "/api/devices", "/openapi/v1.json", "/index.html", "/assets/none.js" }
        )
            (await Status(stranger, HttpMethod.Get, path)).ShouldBe(HttpStatusCode.Forbidden, path);
        (await Status(stranger, HttpMethod.Post, "/api/session")).ShouldBe(HttpStatusCode.Forbidden);
        (await Status(stranger, HttpMethod.Post, "/api/devices/code")).ShouldBe(HttpStatusCode.Forbidden, "no stranger makes a code");
        (await Status(stranger, HttpMethod.Get, "/pair", host: "elsewhere.example")).ShouldBe(HttpStatusCode.Forbidden);

        // Every code could be guessed in time, were it not for the count.
        var answer = await app.Http.PostAsync(new Uri("/api/devices/code", UriKind.Relative), null);
        var code = JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement.GetProperty("code").GetString()!;
        for (var guess = 0; guess < 5; guess++)
            (await Guess(stranger, "0000000" + guess)).ShouldBe(HttpStatusCode.Forbidden);
        (await Guess(stranger, code)).ShouldBe(HttpStatusCode.Forbidden, "five wrong ones spend it");
        (await Guess(stranger, code)).ShouldBe(HttpStatusCode.TooManyRequests);

        // On this machine's own address nothing has changed: it is this machine's alone.
        (await Status(app.Http, HttpMethod.Get, "/api/today")).ShouldBe(HttpStatusCode.OK);
        (await Status(app.Http, HttpMethod.Get, "/api/today", host: Dns.GetHostName())).ShouldBe(HttpStatusCode.Forbidden);
    }

    private static void PairWith(Browser phone, string code)
    {
        var field = phone.See(By.Name("code"));
        field.Clear();
        field.SendKeys(code);
        phone.See(By.Name("name")).SendKeys("the phone");
        phone.See(By.TagName("button")).Click();
    }

    private static async Task<HttpStatusCode> Guess(HttpClient stranger, string code)
    {
        using var form = new FormUrlEncodedContent(new Dictionary<string, string>(StringComparer.Ordinal) { ["code"] = code });
        using var answer = await stranger.PostAsync(new Uri("/pair", UriKind.Relative), form);
        return answer.StatusCode;
    }

    private static async Task<HttpStatusCode> Status(HttpClient client, HttpMethod method, string path, string? host = null)
    {
        using var request = new HttpRequestMessage(method, path);
        request.Headers.Host = host;
        using var answer = await client.SendAsync(request);
        return answer.StatusCode;
    }
}
