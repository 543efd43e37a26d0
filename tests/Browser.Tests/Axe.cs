using System.Collections.ObjectModel;

namespace TuningFork.Browser.Tests;

/// <summary>What axe-core (npm) finds in the page that is shown: serious and critical failures of WCAG 2.2 A and AA.</summary>
internal static class Axe
{
    private static readonly string Code = File.ReadAllText(Path.Combine(AppProcess.Root, "web/node_modules/axe-core/axe.min.js"));

    public static IReadOnlyList<string> Findings(Browser browser)
    {
        if (browser.Run("return typeof axe") is "undefined")
            browser.Run(Code + "; return 1");
        var found =
            (ReadOnlyCollection<object>)
                browser.RunAsync(
                    "const done = arguments[0]; axe.run(document, { runOnly: ['wcag2a','wcag2aa','wcag21aa','wcag22aa'] }).then(r => done(r.violations.filter(v => ['serious','critical'].includes(v.impact)).map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).join(' | '))))"
                )!;
        return [.. found.Cast<string>()];
    }
}
