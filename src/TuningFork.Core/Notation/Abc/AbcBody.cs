using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Reads the signs of an ABC tune: fields, notes, rests, marks and bar lines, voice by voice.</summary>
/// <param name="signs">The text of the tune.</param>
/// <param name="head">What holds for all voices; what the book says before its tunes stands in it already.</param>
/// <param name="clef">Clef where none is named.</param>
/// <param name="leftOut">Collects what is not taken over.</param>
/// <param name="isTyped">Whether slips are refused.</param>
/// <param name="cancel">Stops the reading.</param>
internal sealed class AbcBody(AbcText signs, AbcHead head, Clef clef, LeftOutList leftOut, bool isTyped, CancellationToken cancel)
{
    private readonly AbcVoices voices = new(head);
    private readonly AbcNotes notes = new(signs, kind => leftOut.Add(kind));
    private readonly AbcPending pending = new(leftOut);
    private bool isInBody;

    private AbcVoice Voice => voices.Current;

    public ReadMusic Read()
    {
        while (!signs.IsOver && !isInBody)
            HeadLine();
        voices.Begin();
        voices.Place(signs.Mark());
        while (!signs.IsOver)
        {
            cancel.ThrowIfCancellationRequested();
            One();
        }

        voices.Close();
        return voices.Finish(leftOut, signs, isTyped);
    }

    private void HeadLine()
    {
        if (signs.Next == '%')
        {
            Percent();
            return;
        }

        if (signs.Next is '\n' or ' ' or '\t')
        {
            signs.Take();
            return;
        }

        if (!IsField())
        {
            isInBody = true;
            return;
        }

        var field = signs.Take();
        FieldLine(field);
        isInBody = field == 'K';
    }

    private bool IsField() =>
        signs.AtLineStart
        && (char.IsAsciiLetter(signs.Next) || signs.Next == '+')
        && signs.Peek(1) == ':'
        && signs.Peek(2) is not ('|' or ':')
        // "d:|" is a note and a repeat.
        && !(signs.Next is (>= 'a' and <= 'g') && signs.Peek(2) is '|');

    private void FieldLine(char field)
    {
        var mark = signs.Mark() - 1;
        signs.Take();
        Apply(field, signs.RestOfLine(), mark);
    }

    /// <summary>A comment; one that begins with two signs may say how voices share staves, or hold text that is no music.</summary>
    private void Percent()
    {
        var isDirection = signs.Peek(1) == '%';
        var line = isDirection ? signs.TakeWhile(sign => sign != '\n').TrimStart('%').Trim() : signs.RestOfLine();
        if (!isDirection)
            return;
        head.Direction(line);
        if (!line.StartsWith("begin", StringComparison.Ordinal))
            return;
        while (!signs.IsOver && !signs.TakeWhile(sign => sign != '\n').StartsWith("%%end", StringComparison.Ordinal))
            signs.Take();
    }

    private void Apply(char field, string value, int mark)
    {
        AbcException Wrong(string message) => signs.Wrong(message, mark);
        if (field == 'V')
        {
            pending.EndTuplet();
            voices.Choose(value, isDefinition: !isInBody);
            return;
        }

        if (!isInBody)
        {
            head.Set(field, value, clef, kind => leftOut.Add(kind), Wrong);
            return;
        }

        switch (field)
        {
            case 'K':
                Voice.Change(AbcKey.Read(value, Voice.Key, kind => leftOut.Add(kind, Voice.Bars.Count), Wrong));
                break;
            case 'M':
                Voice.Change(AbcHead.Metre(value, Wrong));
                break;
            case 'L':
                Voice.Unit = AbcHead.Length(value, Wrong);
                break;
            case 'P':
                pending.Say(value);
                break;
            case 's':
                leftOut.Add("lines of signs");
                break;
            default:
                head.Set(field, value, clef, kind => leftOut.Add(kind), Wrong);
                break;
        }
    }

    private void One()
    {
        var sign = signs.Next;
        if (IsField())
            FieldLine(signs.Take());
        else if (sign is ' ' or '\t' or '\n' or '\\' or '`' or '$' || (!isTyped && sign is '*' or ';' or '?' or '@' or '#'))
            Space(signs.Take());
        else if (sign == 'y')
            Spacer();
        else if (sign == '%')
            Percent();
        else if (sign == '&' || (sign == '(' && signs.Peek(1) == '&'))
            Overlay();
        else if (IsBarLine(sign))
            BarLine();
        else if (sign == '[' && char.IsAsciiLetter(signs.Peek(1)) && signs.Peek(2) == ':')
            Inline();
        else if (!Mark(sign))
            Sounding();
    }

    private void Space(char sign)
    {
        if (sign is ' ' or '\t' or '\n')
            Voice.Break();
    }

    private void Spacer()
    {
        signs.Take();
        signs.Length();
    }

    private void Inline()
    {
        var mark = signs.Mark();
        signs.Take();
        var field = signs.Take();
        signs.Take();
        Apply(field, signs.UpTo(']', "This field").Trim(), mark);
    }

    private void Overlay()
    {
        var mark = signs.Mark();
        if (signs.Take("(") || signs.Peek(1) == ')')
            throw signs.Wrong("A second voice over several bars cannot be read: write it as a voice of its own (V:2).", mark);
        signs.TakeWhile(sign => sign == '&');
        pending.EndTuplet();
        if (!voices.Overlay())
            throw signs.Wrong("A second voice of a bar stands after the first: CDEF & G,4 |", mark);
    }

    /// <summary>Slurs, tuplets, marks and what is left out; false when a note or rest stands here.</summary>
    private bool Mark(char sign)
    {
        switch (sign)
        {
            case '(' when char.IsAsciiDigit(signs.Peek(1)):
                BeginTuplet();
                return true;
            case '(':
                signs.Take();
                Side();
                pending.Slur(Voice.Bars.Count);
                return true;
            case ')':
                signs.Take();
                EndSlur();
                return true;
            case '{':
                Grace();
                return true;
            case '"':
                signs.Take();
                Text(signs.UpTo('"', "This text"));
                return true;
            case '!' or '+':
                Decoration(sign);
                return true;
            case '.' when signs.Peek(1) == '(' || signs.Peek(1) == '-':
                signs.Take();
                return true;
            case '.':
                signs.Take();
                pending.Sign("staccato");
                return true;
            case '-':
                signs.Take();
                Side();
                if (!Voice.Last(element => element.IsRest ? element : element with { Tied = true }))
                    leftOut.Add("ties that lead to no note");
                return true;
            case '>' or '<':
                Broken();
                return true;
            case 'J':
                signs.Take();
                pending.Sign("slide");
                return true;
            default:
                return Letter(sign);
        }
    }

    private bool Letter(char sign)
    {
        if (head.Letters.TryGetValue(sign, out var name))
            pending.Sign(name);
        // Letters that stand for signs of somebody's own.
        else if (sign is >= 'H' and <= 'W')
            leftOut.Add($"signs unknown here: {sign}", Voice.Bars.Count);
        else
            return false;
        signs.Take();
        return true;
    }

    /// <summary>On which side a slur or a tie is drawn.</summary>
    private void Side()
    {
        if (signs.Next is '\'' or ',')
            signs.Take();
    }

    private void EndSlur()
    {
        if (!Voice.Last(element => element with { SlurEnds = true }))
            leftOut.Add("slurs that begin at no note");
    }

    private void Grace()
    {
        signs.Take();
        var mark = signs.Mark();
        signs.Take("/");
        while (signs.Next != '}')
        {
            if (signs.IsOver || signs.Next is '\n' or '|')
                throw signs.Wrong("This group of grace notes is not closed. Write } at its end.", mark);
            if (AbcNotes.IsNote(signs.Next))
            {
                pending.Grace(notes.Pitch(Voice, signs.Mark()));
                signs.Length();
            }
            else
                signs.Take();
        }

        signs.Take();
    }

    private void BeginTuplet()
    {
        var mark = signs.Mark();
        signs.Take();
        var actual = signs.Number()!.Value;
        var usual = actual switch
        {
            3 or 6 => 2,
            2 or 4 or 8 => 3,
            _ => Voice.Time.Unit == 8 && Voice.Time.Beats % 3 == 0 ? 3 : 2,
        };
        var normal = signs.Take(":") ? signs.Number() ?? usual : usual;
        var count = signs.Take(":") ? signs.Number() ?? actual : actual;
        if (pending.IsInTuplet || actual is < 2 or > 32 || normal is < 1 or > 32 || count is < 1 or > 64)
            throw signs.Wrong("Write a tuplet like (3abc, not inside another.", mark);
        pending.BeginTuplet(actual, normal, count);
    }

    private void Text(string text)
    {
        if (text.Length > 0 && text[0] is '^' or '_' or '<' or '>' or '@')
            pending.Say(text[1..]);
        else
            leftOut.Add("chord symbols", Voice.Bars.Count);
    }

    private void Decoration(char sign)
    {
        // A single exclamation mark is the end of a line in older files.
        if (!signs.LineHas(sign, 1))
        {
            signs.Take();
            return;
        }

        signs.Take();
        Decorate(signs.UpTo(sign, "This mark").Trim());
    }

    private void Decorate(string name)
    {
        if (AbcSigns.WayOf(name) is var way && way != Way.None)
            Voice.Set(bar => bar with { Way = bar.Way | way });
        else
            pending.Sign(name);
    }

    private void Broken()
    {
        var mark = signs.Mark();
        var sign = signs.Take();
        var count = 1 + signs.TakeWhile(next => next == sign).Length;
        if (Voice.IsEmpty || count > 3)
            throw signs.Wrong("Broken rhythm stands between two notes: A>B.", mark);
        var half = new Fraction(1, 1L << count);
        var (before, after) = sign == '>' ? (new Fraction(2, 1) - half, half) : (half, new Fraction(2, 1) - half);
        Voice.Last(element => element with { Written = element.Written * before });
        pending.Broken = after;
    }

    private void Sounding()
    {
        var mark = signs.Mark();
        if (signs.Next is 'Z' or 'X')
        {
            WholeRests(mark);
            return;
        }

        var element = notes.Next(Voice, mark);
        // A tie stands right behind its note.
        var isTied = !element.IsRest && signs.Take("-");
        if (isTied)
            Side();
        Add(element with { Tied = element.Tied || isTied, TiedOnly = isTied ? [] : element.TiedOnly }, mark);
    }

    private void Add(Element plain, int mark)
    {
        var element = pending.Take(plain, Voice.Bars.Count);
        if (element.Written > new Fraction(64, 1) || element.Written < new Fraction(1, 512))
            throw signs.Wrong("This length cannot be written. Take a 64th to a few whole notes.", mark);
        Voice.Join(!element.IsRest && element.Written < new Fraction(1, 4));
        Voice.Add(element);
        AbcNotes.Carry(Voice, element);
    }

    private void WholeRests(int mark)
    {
        var isHidden = signs.Take() == 'X';
        var count = signs.Number() ?? 1;
        if (!Voice.IsEmpty || count is < 1 or > 1000)
            throw signs.Wrong("Z stands for 1 to 1000 whole bars of rest, alone in its bar.", mark);
        for (var i = 0; i < count; i++)
        {
            foreach (var rest in Gaps.Of(Voice.Time.Bar, isHidden))
                Voice.Add(rest);
            if (i < count - 1)
                Voice.Close();
        }
    }

    private bool IsBarLine(char sign) =>
        sign is '|' or ':' or ']'
        || (sign == '.' && signs.Peek(1) == '|')
        || (sign == '[' && (signs.Peek(1) is '|' or ']' or '"' || char.IsAsciiDigit(signs.Peek(1))));

    private void BarLine()
    {
        var mark = signs.Mark();
        signs.Take(".");
        var line = signs.TakeWhile(next => next is '|' or ':' or ']');
        if (line.Length == 0)
            line = "[" + (signs.Take() == '[' ? signs.TakeWhile(next => next is '|' or ':' or ']') : "");
        // A colon alone is a slip of the pen.
        var isNoLine = line is "[" or "[]" or ":";
        if (!isNoLine)
        {
            if (pending.IsInTuplet)
                throw signs.Wrong("A tuplet is not full before this bar line.", mark);
            voices.Line(line, signs.Mark());
        }

        Ending(line);
        voices.Place(signs.Mark());
    }

    private void Ending(string line)
    {
        // "|[1", "[1", "| [1" and "|1"; a number after a plain line only where it touches it.
        var mark = signs.Mark();
        if (signs.Next == '[' && (char.IsAsciiDigit(signs.Peek(1)) || signs.Peek(1) == '"'))
            signs.Take();
        else if (!(char.IsAsciiDigit(signs.Next) || (line == "[" && signs.Next == '"')))
            return;
        if (signs.Take("\""))
        {
            pending.Say(signs.UpTo('"', "This ending"));
            return;
        }

        if (!char.IsAsciiDigit(signs.Next))
        {
            signs.Back(mark);
            return;
        }

        voices.Ending(signs.Passes());
    }
}
