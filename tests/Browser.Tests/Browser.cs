using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;

namespace TuningFork.Browser.Tests;

/// <summary>Headless Chromium on one of the app's pages.</summary>
public sealed partial class Browser : IDisposable
{
    private readonly ChromeDriver driver;
    private readonly string address;

    public Browser(string address, int width = 1280, int height = 800, params string[] arguments)
    {
        this.address = address;
        var options = new ChromeOptions
        {
            BinaryLocation = OnPath("chromium"),
            // Over HTTPS the program shows the certificate that it made itself: the player says yes to it once.
            AcceptInsecureCertificates = address.StartsWith("https:", StringComparison.Ordinal),
        };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--autoplay-policy=no-user-gesture-required",
            "--force-device-scale-factor=1",
            $"--window-size={width},{height}"
        );
        options.AddArguments(arguments);
        options.SetLoggingPreference(LogType.Browser, LogLevel.Warning);
        var service = ChromeDriverService.CreateDefaultService(Path.GetDirectoryName(OnPath("chromedriver")), "chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        driver = new ChromeDriver(service, options, TimeSpan.FromSeconds(60));
        Resize(width, height);
    }

    public IWebDriver Driver => driver;

    /// <summary>Whether anything was heard in the second that is to come.</summary>
    public bool Sounds()
    {
        Run("window.loud.length = 0");
        Until(_ => (bool)Run("return window.loud.length > 5")!);
        return (bool)Run("return window.loud.some(one => one > 0.002)")!;
    }

    /// <summary>Clicks what may lie below the window or under a bar.</summary>
    public void Press(IWebElement element)
    {
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        element.Click();
    }

    /// <summary>Touches the middle of an element with one finger, as on a tablet.</summary>
    public void Tap(IWebElement element)
    {
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        Settle(element);
        var finger = new PointerInputDevice(PointerKind.Touch, "finger");
        driver.PerformActions([
            new ActionSequence(finger)
                .AddAction(finger.CreatePointerMove(element, 0, 0, TimeSpan.Zero))
                .AddAction(finger.CreatePointerDown(MouseButton.Touch))
                .AddAction(finger.CreatePause(TimeSpan.FromMilliseconds(60)))
                .AddAction(finger.CreatePointerUp(MouseButton.Touch)),
        ]);
    }

    /// <summary>Drags an element by some pixels with the mouse, slowly enough to be seen.</summary>
    public void Drag(IWebElement element, int down)
    {
        var actions = new Actions(driver).MoveToElement(element).ClickAndHold();
        for (var step = 1; step <= 10; step++)
            actions = actions.MoveByOffset(0, down / 10).Pause(TimeSpan.FromMilliseconds(30));
        actions.Pause(TimeSpan.FromMilliseconds(250)).Release().Perform();
    }

    /// <summary>Who aims at something waits until it stands still in the window: a page that is still coming pushes it away.</summary>
    public void Settle(IWebElement element)
    {
        var (at, steady) = (Place(element), 0);
        Until(_ =>
        {
            Thread.Sleep(80);
            var now = Place(element);
            steady = now == at ? steady + 1 : 0;
            at = now;
            return steady >= 4;
        });
    }

    /// <summary>Where it is in the window and how large, to the pixel.</summary>
    private string Place(IWebElement element) =>
        (string)
            Run(
                "const box = arguments[0].getBoundingClientRect(); return [box.x, box.y, box.width, box.height].map(Math.round).join()",
                element
            )!;

    /// <summary>Holds a key for some time, as a foot holds a pedal.</summary>
    public void Hold(string key, int milliseconds) =>
        new Actions(driver).KeyDown(key).Pause(TimeSpan.FromMilliseconds(milliseconds)).KeyUp(key).Perform();

    public void Open(string path) => driver.Navigate().GoToUrl(address + path);

    /// <summary>Waits until something holds, for at most so many seconds.</summary>
    public T Until<T>(Func<IWebDriver, T> look, int seconds = 30)
    {
        var wait = new WebDriverWait(driver, TimeSpan.FromSeconds(seconds)) { PollingInterval = TimeSpan.FromMilliseconds(60) };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException));
        try
        {
            return wait.Until(look);
        }
        catch (WebDriverTimeoutException timeout)
        {
            throw new WebDriverTimeoutException(
                $"{timeout.Message}. The page at {driver.Url} says: {driver.FindElement(By.TagName("body")).Text} Its console: {string.Join(" | ", Complaints())}",
                timeout
            );
        }
    }

    /// <summary>Waits for an element and answers it.</summary>
    public IWebElement See(By by, int seconds = 30) =>
        Until(page => page.FindElements(by).FirstOrDefault(element => element.Displayed), seconds)!;

    public IWebElement SeeText(string text) =>
        See(By.XPath($"//*[contains(normalize-space(.), \"{text}\") and not(.//*[contains(normalize-space(.), \"{text}\")])]"));

    /// <summary>The control with this accessible label: aria-label or the words of its label.</summary>
    public IWebElement Control(string label) =>
        See(
            By.XPath(
                $"//*[@aria-label=\"{label}\"] | //*[@id = //label[starts-with(normalize-space(.), \"{label}\")]/@for] | //fieldset[@aria-label=\"{label}\"]"
            )
        );

    public IWebElement Button(string text) =>
        See(By.XPath($"//button[normalize-space(.)=\"{text}\" or starts-with(normalize-space(.), \"{text}\") or @aria-label=\"{text}\"]"));

    /// <summary>Goes on with the Tab key until something with this name has the focus, as somebody does who has no mouse.</summary>
    /// <returns>How often it was pressed.</returns>
    public int TabTo(string name, int most = 60, bool back = false)
    {
        for (var pressed = 1; pressed <= most; pressed++)
        {
            if (back)
                new Actions(driver).KeyDown(Keys.Shift).SendKeys(Keys.Tab).KeyUp(Keys.Shift).Perform();
            else
                Press(Keys.Tab);
            var focused = (string)Run(Focused)!;
            if (focused.StartsWith(name, StringComparison.Ordinal))
                return pressed;
        }

        throw new WebDriverTimeoutException(
            $"The Tab key does not reach \"{name}\" within {most} presses. The focus is on \"{Run(Focused)}\"."
        );
    }

    private const string Focused = """
        const at = document.activeElement;
        const ring = getComputedStyle(at);
        if (at !== document.body && !at.matches('h1, main') && ring.outlineStyle === 'none' && !at.matches(':focus-within [data-focus-visible]')
          && !document.querySelector('[data-focus-visible]')) return `without a ring: ${at.outerHTML.slice(0, 200)}`;
        return (at.getAttribute('aria-label') ?? at.labels?.[0]?.innerText ?? at.innerText ?? '').trim();
        """;

    /// <summary>Ticks what has this label, or takes the tick away.</summary>
    public void Tick(string label) => See(By.XPath($"//label[contains(normalize-space(.), \"{label}\")]")).Click();

    /// <summary>Opens a drill of today's list by its title, so that it can be overruled.</summary>
    public void More(string title) =>
        See(
                By.XPath(
                    $"//ol[@aria-label=\"Today's drills\"]/li//button[@aria-expanded='false' and .//*[@data-testid='drill' and starts-with(., \"{title}\")]]"
                )
            )
            .Click();

    /// <summary>The same by its place in the list, from 1.</summary>
    public void More(int row) =>
        See(
                By.CssSelector(
                    $"ol[aria-label=\"Today's drills\"] li:nth-child({row}) button[aria-expanded='false']:has([data-testid='drill'])"
                )
            )
            .Click();

    /// <summary>Opens what is wished for today.</summary>
    public void Wishes() => See(By.XPath("//button[@aria-expanded='false' and .//*[@data-testid='wishes']]")).Click();

    public void Type(string label, string text)
    {
        var control = Control(label);
        control.SendKeys(Keys.Control + "a");
        control.SendKeys(text);
    }

    /// <summary>Chooses from a list by what the choice says.</summary>
    public void Choose(string label, string option) =>
        Until(page =>
                Control(label)
                    .FindElements(By.TagName("option"))
                    .FirstOrDefault(one => one.Text.StartsWith(option, StringComparison.Ordinal))
            )!
            .Click();

    public void Press(params string[] keys)
    {
        foreach (var key in keys)
            new Actions(driver).SendKeys(key).Perform();
    }

    /// <summary>Answers a question: for a moment after it has come no key does.</summary>
    public void Answer(string key)
    {
        Thread.Sleep(800);
        Press(key);
    }

    public string Shown(string testId) => See(By.CssSelector($"[data-testid='{testId}']")).Text;

    /// <summary>How much of the page has moved by itself since it was opened, as the browser's cumulative layout shift.</summary>
    public double Moved() =>
        Convert.ToDouble(
            RunAsync(
                """
                const done = arguments[0];
                let sum = 0;
                new PerformanceObserver((list) => list.getEntries().forEach((one) => (sum += one.hadRecentInput ? 0 : one.value)))
                  .observe({ type: 'layout-shift', buffered: true });
                setTimeout(() => done(sum), 300);
                """
            ),
            System.Globalization.CultureInfo.InvariantCulture
        );

    public void Save(string file) => driver.GetScreenshot().SaveAsFile(file);

    public object? Run(string script, params object[] arguments) => driver.ExecuteScript(script, arguments);

    public object? RunAsync(string script, params object[] arguments) => driver.ExecuteAsyncScript(script, arguments);

    public IReadOnlyList<string> Complaints() => [.. driver.Manage().Logs.GetLog(LogType.Browser).Select(entry => entry.Message)];

    public void Dispose() => driver.Dispose();

    private static string OnPath(string name) =>
        (Environment.GetEnvironmentVariable("PATH") ?? "")
            .Split(':')
            .Select(folder => Path.Combine(folder, name))
            .FirstOrDefault(File.Exists)
        ?? throw new FileNotFoundException($"{name} is not installed; ./test installs it.");
}
