using System.Globalization;
using OpenQA.Selenium;
using Xunit;

namespace TuningFork.Browser.Tests;

/// <summary>How long the first page takes on a slow machine and a slow line; a measure, not a test.</summary>
public sealed class SlowMachine
{
    private const int Tries = 7;
    private const int Slower = 4;
    private const double BytesASecond = 10_000_000 / 8.0;

    [Fact(Explicit = true)]
    public async Task The_first_plan_with_a_processor_four_times_slower_and_ten_megabits()
    {
        await using var app = await AppProcess.StartAsync();
        foreach (var (slower, line) in new[] { (1, double.PositiveInfinity), (Slower, BytesASecond) })
        {
            var times = new List<double>();
            for (var i = 0; i < Tries; i++)
            {
                // A browser of its own each time: nothing is in its store.
                using var browser = new Browser(app.Address);
                // Its own start is not what is measured.
                await Task.Delay(3000);
                browser.Slow(slower, line);
                browser.Open("/");
                browser.See(By.XPath("//ol/li"), 60);
                times.Add(Convert.ToDouble(browser.Run(FirstRow), CultureInfo.InvariantCulture));
            }

            times.Sort();
            await Console.Out.WriteLineAsync(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"first plan on the screen, processor / {slower}, {(slower == 1 ? "as it is" : "10 Mbit/s, 20 ms")}: median {times[Tries / 2]:0} ms, {times[0]:0} to {times[^1]:0}"
                )
            );
        }
    }

    /// <summary>Milliseconds from the request of the page until its list was drawn.</summary>
    private const string FirstRow = "return performance.getEntriesByName('plan drawn')[0]?.startTime ?? performance.now()";
}
