using System.Globalization;

namespace TuningFork.Core.Notation;

/// <summary>ABC text, read sign by sign; knows the line and the place for what it refuses.</summary>
/// <param name="whole">All of the text; places are told in it.</param>
/// <param name="begin">Where reading begins.</param>
/// <param name="end">Where it ends.</param>
internal sealed class AbcText(string whole, int begin, int end)
{
    private readonly string text = whole[..end].Replace('\r', '\n');
    private int at = begin;

    public bool IsOver => at >= text.Length;

    public char Next => at < text.Length ? text[at] : '\0';

    public bool AtLineStart => at == 0 || text[at - 1] == '\n';

    public char Peek(int ahead) => at + ahead < text.Length ? text[at + ahead] : '\0';

    /// <summary>Whether a sign stands further on in this line.</summary>
    public bool LineHas(char sign, int ahead)
    {
        var found = at + ahead < text.Length ? text.IndexOf(sign, at + ahead) : -1;
        var line = text.IndexOf('\n', at);
        return found >= 0 && (line < 0 || found < line);
    }

    /// <summary>Goes back to a place that was marked.</summary>
    public void Back(int mark) => at = mark;

    public char Take() => text[at++];

    public bool Take(string wanted)
    {
        if (string.CompareOrdinal(text, at, wanted, 0, wanted.Length) != 0)
            return false;
        at += wanted.Length;
        return true;
    }

    public string TakeWhile(Func<char, bool> holds)
    {
        var from = at;
        while (at < text.Length && holds(text[at]))
            at++;
        return text[from..at];
    }

    public string RestOfLine()
    {
        var line = TakeWhile(sign => sign != '\n');
        if (!IsOver)
            at++;
        var comment = line.IndexOf('%', StringComparison.Ordinal);
        return (comment <= 0 || line[comment - 1] == '\\' ? (comment == 0 ? "" : line) : line[..comment]).Trim();
    }

    /// <summary>What stands up to an ending sign, which is taken too.</summary>
    public string UpTo(char last, string what)
    {
        var from = at;
        var found = text.IndexOf(last, at);
        var line = text.IndexOf('\n', at);
        if (found < 0 || (line >= 0 && line < found))
            throw Wrong($"{what} is not closed. Write {last} at its end.", from);
        at = found + 1;
        return text[from..found];
    }

    /// <summary>A number, or null when there is none.</summary>
    public int? Number()
    {
        var from = at;
        var digits = TakeWhile(char.IsAsciiDigit);
        if (digits.Length == 0)
            return null;
        return digits.Length <= 5 ? int.Parse(digits, CultureInfo.InvariantCulture) : throw Wrong("That number is too large.", from);
    }

    /// <summary>A length: "3", "/", "//", "3/2"; 1 where nothing stands.</summary>
    public Fraction Length()
    {
        var from = at;
        var upper = Number() ?? 1;
        var lower = 1;
        while (Next == '/')
        {
            at++;
            lower *= Number() ?? 2;
            if (lower is 0 or > 1024)
                throw Wrong("This length cannot be read. Write it like 2, /2 or 3/2.", from);
        }

        return upper > 0 ? new Fraction(upper, lower) : throw Wrong("A length is 1 or more.", from);
    }

    public AbcException Wrong(string message, int? place = null)
    {
        var where = Math.Min(place ?? at, text.Length);
        var before = whole.AsSpan(0, where);
        var line = before.Count('\n') + before.Count('\r') - before.Count("\r\n") + 1;
        return new AbcException(line, where - (before.LastIndexOfAny('\n', '\r') + 1) + 1, message);
    }

    /// <summary>The place now, to be named later.</summary>
    public int Mark() => at;

    /// <summary>The numbers of an ending: "1", "1,3", "1-3".</summary>
    public List<int> Passes()
    {
        var passes = new List<int>();
        var mark = Mark();
        do
        {
            var from = Number() ?? throw Wrong("Number the endings like [1 and [2.", mark);
            var to = Take("-") ? Number() ?? from : from;
            if (from is < 1 or > 9 || to < from || to > 9)
                throw Wrong("Number the endings like [1 and [2.", mark);
            passes.AddRange(Enumerable.Range(from, to - from + 1));
        } while (Take(","));
        return passes;
    }
}
