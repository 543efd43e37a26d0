using System.Globalization;
using System.Text;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Progress;

/// <summary>
/// The journal as Markdown: a heading of the second level is a day ("## 2031-05-12"), one of the third begins an entry and says what
/// it is about; lines "Cause:", "Remedy:", "Next time:" and "Tags:" end it. Other texts are read as far as they have such days.
/// </summary>
internal static class JournalMarkdown
{
    private const int Longest = 5_000_000;
    private const string DayForm = "yyyy-MM-dd";

    /// <summary>Heading of an entry that is about nothing in particular.</summary>
    private const string Nothing = "note";

    /// <summary>What makes two entries the same: day, what they are about, words.</summary>
    public static (DateOnly Day, string About, string Words) WordsOf(EntryRow row) =>
        (
            row.Day,
            row.About,
            string.Join(
                ' ',
                string.Join(' ', row.Text, row.Cause, row.Remedy, row.NextTime).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
            )
        );

    /// <summary>The text of some entries, in their order.</summary>
    public static string Write(IReadOnlyList<EntryRow> rows)
    {
        var text = new StringBuilder("# Journal\n");
        DateOnly? day = null;
        foreach (var row in rows)
        {
            if (row.Day != day)
                text.Append(CultureInfo.InvariantCulture, $"\n## {Say(row.Day)}\n");
            day = row.Day;
            text.Append(CultureInfo.InvariantCulture, $"\n### {(row.About.Length > 0 ? row.About : Nothing)}\n");
            if (row.Text.Length > 0)
                text.Append(CultureInfo.InvariantCulture, $"\n{Guarded(row.Text)}\n");
            var more = new[]
            {
                ("Cause", row.Cause),
                ("Remedy", row.Remedy),
                ("Next time", row.NextTime),
                ("Tags", string.Join(", ", EntryBooks.TagsOf(row.Tags))),
            }.Where(one => one.Item2.Length > 0);
            var first = true;
            foreach (var (name, words) in more)
            {
                text.Append(CultureInfo.InvariantCulture, $"{(first ? "\n" : "")}{name}: {words.ReplaceLineEndings(" ")}\n");
                first = false;
            }
        }

        return text.ToString();
    }

    /// <summary>The entries of a text.</summary>
    /// <param name="text">Markdown.</param>
    /// <param name="today">No day lies after it.</param>
    /// <exception cref="FieldException">A day is none, lies ahead, or words stand before the first day: the line is named.</exception>
    public static IReadOnlyList<EntryRow> Read(string? text, DateOnly today)
    {
        var rows = new List<EntryRow>();
        DateOnly? day = null;
        EntryRow? open = null;
        var said = new List<string>();
        var number = 0;
        foreach (var line in Problems.Text("text", text, Longest).ReplaceLineEndings("\n").Split('\n'))
        {
            number++;
            if (line.StartsWith("# ", StringComparison.Ordinal))
                continue;
            if (line.StartsWith("## ", StringComparison.Ordinal))
            {
                Close();
                day = DayOf(line[3..].Trim(), number, today);
            }
            else if (line.StartsWith("### ", StringComparison.Ordinal))
            {
                Close();
                Open(line[4..].Trim());
            }
            else if (open is not null || line.Trim().Length > 0)
            {
                if (open is null)
                    Open(Nothing);
                said.Add(line);
            }
        }

        Close();
        return rows;

        void Open(string about)
        {
            if (day is not { } of)
                throw new FieldException(
                    "text",
                    $"Line {number} stands before the first day. Put a heading like \"## {Say(today)}\" above it; nothing was read in."
                );
            open = new EntryRow
            {
                Day = of,
                Kind = EntryKind.Day,
                About = about == Nothing ? "" : Problems.Text("text", about, 300),
            };
        }

        void Close()
        {
            if (open is not null && said.Exists(line => line.Trim().Length > 0))
            {
                Fill(open, said);
                rows.Add(open);
            }

            said.Clear();
            open = null;
        }
    }

    /// <summary>Puts lines into an entry: named ones at the end fill its fields.</summary>
    private static void Fill(EntryRow row, List<string> lines)
    {
        var end = lines.FindLastIndex(line => line.Trim().Length > 0 && Field(line) is null) + 1;
        var named = lines
            .Skip(end)
            .Select(Field)
            .OfType<(string Name, string Words)>()
            .ToLookup(field => field.Name, field => field.Words, StringComparer.Ordinal);
        string Of(string name) => string.Join(' ', named[name]);
        EntryBooks.Write(
            row,
            new EntryChange(
                string.Join('\n', lines.Take(end).Select(Unguarded)).Trim(),
                Of("Cause"),
                Of("Remedy"),
                Of("Next time"),
                [.. named["Tags"].SelectMany(words => words.Split(','))]
            )
        );
    }

    private static (string Name, string Words)? Field(string line)
    {
        foreach (var name in (ReadOnlySpan<string>)["Cause", "Remedy", "Next time", "Tags"])
            if (line.StartsWith(name + ": ", StringComparison.Ordinal))
                return (name, line[(name.Length + 2)..].Trim());
        return null;
    }

    private static DateOnly DayOf(string heading, int line, DateOnly today)
    {
        if (!DateOnly.TryParseExact(heading, DayForm, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) || day.Year < 1900)
            throw new FieldException(
                "text",
                $"The heading \"{heading}\" in line {line} is no day. Write it like \"## {Say(today)}\"; nothing was read in."
            );
        return day <= today
            ? day
            : throw new FieldException("text", $"The day {heading} in line {line} has not come yet; nothing was read in.");
    }

    private static string Say(DateOnly day) => day.ToString(DayForm, CultureInfo.InvariantCulture);

    /// <summary>Words that would read as a heading or a field get a backslash before them.</summary>
    private static string Guarded(string text) =>
        string.Join('\n', text.ReplaceLineEndings("\n").Split('\n').Select(line => IsSign(line.TrimStart('\\')) ? "\\" + line : line));

    private static string Unguarded(string line) => line.StartsWith('\\') && IsSign(line.TrimStart('\\')) ? line[1..] : line;

    private static bool IsSign(string line) => line.StartsWith('#') || Field(line) is not null;
}
