namespace TuningFork.Browser.Tests;

/// <summary>How the browser is set up: its window, its speed, what it may use, what listens in it.</summary>
public sealed partial class Browser
{
    public void Resize(int width, int height) =>
        driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>(StringComparer.Ordinal)
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    /// <summary>
    /// Listens to what goes to the loudspeakers: every sound that begins after silence is noted with its sample; one that sounds
    /// already when the listener is ready is not. Before a page is opened; the page's policy is lifted, because the listener is a
    /// script of the test.
    /// </summary>
    public void Listen()
    {
        driver.ExecuteCdpCommand("Page.setBypassCSP", new Dictionary<string, object?>(StringComparer.Ordinal) { ["enabled"] = true });
        BeforePages(Listener.Script);
    }

    /// <summary>A script of the test that runs in each page before its own.</summary>
    public void BeforePages(string script) =>
        driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?>(StringComparer.Ordinal) { ["source"] = script }
        );

    /// <summary>A processor so many times slower, a line of so many bytes a second; the moment the plan is drawn is marked.</summary>
    public void Slow(int times, double bytesASecond)
    {
        BeforePages(
            "new MutationObserver((_, all) => document.querySelector('ol > li') && (all.disconnect(), requestAnimationFrame(() => performance.mark('plan drawn')))).observe(document, { childList: true, subtree: true })"
        );
        if (times > 1)
            driver.ExecuteCdpCommand(
                "Emulation.setCPUThrottlingRate",
                new Dictionary<string, object?>(StringComparer.Ordinal) { ["rate"] = times }
            );
        if (double.IsFinite(bytesASecond))
        {
            driver.ExecuteCdpCommand("Network.enable", []);
            driver.ExecuteCdpCommand(
                "Network.emulateNetworkConditions",
                new Dictionary<string, object?>(StringComparer.Ordinal)
                {
                    ["offline"] = false,
                    ["latency"] = 20,
                    ["downloadThroughput"] = bytesASecond,
                    ["uploadThroughput"] = bytesASecond,
                }
            );
        }
    }

    /// <summary>Shows the page as it would be printed, or again as on a screen.</summary>
    public void Media(string kind) =>
        driver.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new Dictionary<string, object?>(StringComparer.Ordinal) { ["media"] = kind }
        );

    /// <summary>Arguments of a browser whose microphone hears a file, again and again, and is allowed.</summary>
    public static string[] Microphone(string file) =>
        ["--use-fake-ui-for-media-stream", "--use-fake-device-for-media-stream", $"--use-file-for-fake-audio-capture={file}"];

    /// <summary>Forbids the page something that a browser asks the player for: "microphone".</summary>
    public void Deny(string permission) =>
        driver.ExecuteCdpCommand(
            "Browser.setPermission",
            new Dictionary<string, object?>(StringComparer.Ordinal)
            {
                ["permission"] = new Dictionary<string, object?>(StringComparer.Ordinal) { ["name"] = permission },
                ["setting"] = "denied",
                ["origin"] = address,
            }
        );
}
