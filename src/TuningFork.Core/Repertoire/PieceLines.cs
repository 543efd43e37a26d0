using System.Globalization;
using System.Text.RegularExpressions;
using TuningFork.Core.Notation;

namespace TuningFork.Core.Repertoire;

/// <summary>A piece as it was typed in one line.</summary>
/// <param name="Title">What it is called; empty when the line has no words.</param>
/// <param name="Bars">How many bars it has.</param>
/// <param name="Guessed">True when the line does not say how many: the usual number, or as far as its hard bars reach.</param>
/// <param name="Target">Target tempo in beats a minute, or null.</param>
/// <param name="Passages">Its hard bars, first and last, as they were typed.</param>
public sealed record PieceLine(string Title, int Bars, bool Guessed, int? Target, IReadOnlyList<SuggestedPassage> Passages)
{
    /// <summary>Its metre; null where the line does not say.</summary>
    public TimeSignature? Time { get; init; }

    /// <summary>What its bars are counted in; quarters where the line does not say.</summary>
    public Beat Beat => Time is { } time ? Counting.Usual(time)! : Beat.Quarter;

    /// <summary>How many of them a bar has; four where the line does not say.</summary>
    public int BeatsPerBar => Time is { } time ? Counting.Beats(time, Beat)!.Value : 4;
}

/// <summary>
/// Reads pieces out of lines like "Waltz 48 bars 3/4 120, hard 9-12, 25-28": title, bars, metre, tempo and hard bars, each but the title
/// may be missing.
/// </summary>
public static partial class PieceLines
{
    /// <summary>Bars of a piece that does not say.</summary>
    public const int UsualBars = 32;

    /// <summary>A number alone at the end is a tempo between these; outside it belongs to the title.</summary>
    private const int Slowest = 30;
    private const int Fastest = 300;

    /// <summary>The pieces, in their order; blank lines are passed over.</summary>
    /// <param name="text">What was typed.</param>
    public static IReadOnlyList<PieceLine> Read(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return [.. text.Split('\n').Where(line => !string.IsNullOrWhiteSpace(line)).Select(Line)];
    }

    private static PieceLine Line(string line)
    {
        var hard = Hard().Match(line);
        var passages = hard.Success ? Ranges().Matches(hard.Groups["bars"].Value).Select(Range).ToList() : [];
        var head = hard.Success ? line[..hard.Index] : line;
        var bars = Bars().Match(head);
        if (bars.Success)
            head = head.Remove(bars.Index, bars.Length);
        var (time, metre) = Metre()
            .Matches(head)
            .Select(match => (Known(match.Groups["metre"].Value), match))
            .LastOrDefault(one => one.Item1 is not null);
        if (time is not null)
            head = head.Remove(metre.Index, metre.Length);
        var tempo = Tempo().Match(Trim(head));
        var target = tempo.Success && Number(tempo.Groups["tempo"].Value) is var value and >= Slowest and <= Fastest ? value : (int?)null;
        return new PieceLine(
            Trim(target is null ? head : Trim(head)[..tempo.Index]),
            bars.Success
                ? Number(bars.Groups["bars"].Value)
                : Math.Max(UsualBars, passages.Select(passage => passage.To).DefaultIfEmpty().Max()),
            !bars.Success,
            target,
            passages
        )
        {
            Time = time,
        };
    }

    /// <summary>A metre whose beats can be counted; null for what is none, like half a page.</summary>
    private static TimeSignature? Known(string text) =>
        TimeSignature.TryParse(text, out var time) && Counting.Usual(time) is not null ? time : null;

    private static SuggestedPassage Range(Match match)
    {
        var from = Number(match.Groups["from"].Value);
        return new SuggestedPassage(from, match.Groups["to"].Success ? Number(match.Groups["to"].Value) : from);
    }

    private static string Trim(string text) => Spaces().Replace(text, " ").Trim(' ', ',', ';', ':', '.', '-', '–', '\r', '\t');

    private static int Number(string digits) =>
        int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var value) ? value : int.MaxValue;

    [GeneratedRegex(@"\bhard\b[\s:]*(?:bars\b)?(?<bars>.*)$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Hard();

    [GeneratedRegex(@"(?<from>\d+)(\s*[-–]\s*(?<to>\d+))?", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Ranges();

    [GeneratedRegex(@"(?<bars>\d+)\s*(bars|bar|measures)\b", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Bars();

    [GeneratedRegex(@"(\bin\s+)?(?<![\d/])(?<metre>\d{1,2}/(2|4|8))(?![\d/])", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Metre();

    [GeneratedRegex(@"(\bat|\btarget|=)?\s*\b(?<tempo>\d{2,3})$", RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Tempo();

    [GeneratedRegex(@"\s+", RegexOptions.None, 1000)]
    private static partial Regex Spaces();
}
