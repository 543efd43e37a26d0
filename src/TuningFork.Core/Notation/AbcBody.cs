using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Reads the signs of an ABC tune: notes, rests, marks and bar lines.</summary>
internal sealed class AbcBody(AbcText signs, AbcHead head)
{
    private readonly AbcBars bars = new(signs, head);
    private readonly Dictionary<Step, int> accidentals = [];
    private (int Actual, int Normal, int Left, bool Fresh)? tuplet;
    private Fraction broken = Fraction.Whole;
    private int slursToOpen;
    private Articulation articulation;
    private int? finger;
    private string words = "";
    private int? lineMark;

    public Key FirstKey { get; } = head.Key;

    public TimeSignature FirstTime { get; } = head.Time;

    public IReadOnlyList<Bar> Read()
    {
        while (!signs.IsOver)
            One();
        if (!bars.IsEmpty)
        {
            LookForTuplet();
            bars.Close(repeat: false);
        }

        return bars.Finish();
    }

    private void One()
    {
        var sign = signs.Next;
        if (signs.AtLineStart && char.IsAsciiLetter(sign) && signs.Peek(1) == ':' && signs.Peek(2) is not ('|' or ':'))
            Field(signs.Take());
        else if (sign is ' ' or '\t' or '\n' or '\\' or '`' or 'y' or '$')
            signs.Take();
        else if (sign == '%')
            signs.RestOfLine();
        else if (sign is '|' or ':' || (sign == '[' && (signs.Peek(1) == '|' || char.IsAsciiDigit(signs.Peek(1)))))
            BarLine();
        else if (sign == '[' && char.IsAsciiLetter(signs.Peek(1)) && signs.Peek(2) == ':')
            Inline();
        else if (!Mark(sign))
            Sounding();
    }

    private void Field(char field)
    {
        var mark = signs.Mark() - 1;
        signs.Take();
        Apply(field, signs.RestOfLine(), mark);
    }

    private void Inline()
    {
        var mark = signs.Mark();
        signs.Take();
        var field = signs.Take();
        signs.Take();
        Apply(field, signs.UpTo(']', "This field").Trim(), mark);
    }

    private void Apply(char field, string value, int mark)
    {
        if (field is 'K' or 'M' && !bars.IsEmpty)
            throw signs.Wrong("Key and metre change at a bar line; write the change after it.", mark);
        head.Set(field, value, message => signs.Wrong(message, mark));
        bars.Change(field);
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
                slursToOpen++;
                return true;
            case ')':
                bars.EndSlur();
                signs.Take();
                return true;
            case '{':
                signs.Take();
                signs.UpTo('}', "This group of grace notes");
                head.LeftOut.Add("grace notes");
                return true;
            case '"':
                signs.Take();
                Words(signs.UpTo('"', "This text"));
                return true;
            case '!' or '+':
                signs.Take();
                Decoration(signs.UpTo(sign, "This mark"));
                return true;
            case '.':
                signs.Take();
                articulation = Articulation.Staccato;
                return true;
            case '~' or 'H' or 'L' or 'M' or 'O' or 'P' or 'S' or 'T' or 'u' or 'v':
                signs.Take();
                head.LeftOut.Add("ornaments");
                return true;
            case '>' or '<':
                Broken();
                return true;
            default:
                return false;
        }
    }

    private void BeginTuplet()
    {
        var mark = signs.Mark();
        signs.Take();
        var actual = signs.Number()!.Value;
        var usual = actual switch
        {
            3 or 6 => 2 * actual / 3,
            2 or 4 or 8 => 3,
            _ => head.Time.Unit == 8 && head.Time.Beats % 3 == 0 ? 3 : 2,
        };
        var normal = signs.Take(":") ? signs.Number() ?? usual : usual;
        var count = signs.Take(":") ? signs.Number() ?? actual : actual;
        if (tuplet is not null || actual is < 2 or > 16 || normal is < 1 or > 16 || count is < 1 or > 32)
            throw signs.Wrong("Write a tuplet like (3abc, not inside another.", mark);
        tuplet = (actual, normal, count, true);
    }

    private void Words(string text)
    {
        if (text.StartsWith('^') || text.StartsWith('_'))
            words = text[1..];
        else
            head.LeftOut.Add("chord symbols");
    }

    private void Decoration(string name)
    {
        if (name.Length == 1 && char.IsAsciiDigit(name[0]) && name[0] <= '5')
            finger = name[0] - '0';
        else if (name is "tenuto")
            articulation = Articulation.Tenuto;
        else if (name is "accent" or ">" or "emphasis")
            articulation = Articulation.Accent;
        else
            head.LeftOut.Add("ornaments");
    }

    private void Broken()
    {
        var mark = signs.Mark();
        var sign = signs.Take();
        var count = 1 + signs.TakeWhile(next => next == sign).Length;
        if (bars.IsEmpty || count > 3)
            throw signs.Wrong("Broken rhythm stands between two notes: A>B.", mark);
        var half = new Fraction(1, 1L << count);
        var (before, after) = sign == '>' ? (new Fraction(2, 1) - half, half) : (half, new Fraction(2, 1) - half);
        bars.Stretch(before);
        broken = after;
    }

    private void Sounding()
    {
        var mark = signs.Mark();
        if (signs.Next == 'Z')
        {
            WholeRests();
            return;
        }

        IReadOnlyList<Pitch> pitches;
        Fraction length;
        if (signs.Next is 'z' or 'x')
        {
            signs.Take();
            (pitches, length) = ([], signs.Length());
        }
        else if (signs.Next == '[')
        {
            (pitches, length) = Chord(mark);
        }
        else
        {
            (pitches, length) = ([Pitch(mark)], signs.Length());
        }

        Add(new Element(pitches, length * head.Unit * broken), mark);
    }

    private (IReadOnlyList<Pitch> Pitches, Fraction Length) Chord(int mark)
    {
        signs.Take();
        var pitches = new List<Pitch>();
        Fraction? inner = null;
        while (signs.Next != ']')
        {
            if (signs.IsOver || signs.Next is '\n' or '|')
                throw signs.Wrong("This chord is not closed. Write ] at its end.", mark);
            if (signs.Next == ' ')
            {
                signs.Take();
                continue;
            }

            pitches.Add(Pitch(signs.Mark()));
            inner ??= signs.Length();
            signs.Length();
        }

        signs.Take();
        return pitches.Count > 0
            ? ([.. pitches.OrderBy(pitch => pitch.Midi)], (inner ?? Fraction.Whole) * signs.Length())
            : throw signs.Wrong("This chord has no notes.", mark);
    }

    private Pitch Pitch(int mark)
    {
        var sign = signs.TakeWhile(next => next is '^' or '_' or '=');
        int? alteration = sign switch
        {
            "" => null,
            "=" => 0,
            "^" => 1,
            "^^" => 2,
            "_" => -1,
            "__" => -2,
            _ => throw signs.Wrong($"\"{sign}\" is no accidental. Write ^ (sharp), _ (flat) or = (natural).", mark),
        };
        var letter = signs.Next;
        if (letter is not ((>= 'a' and <= 'g') or (>= 'A' and <= 'G')))
            throw signs.Wrong(
                signs.IsOver
                    ? "A note is missing at the end."
                    : $"\"{letter}\" cannot be read here. Notes are the letters A to G and a to g, rests z."
            );
        signs.Take();
        var octave = char.IsAsciiLetterLower(letter) ? 5 : 4;
        octave += signs.TakeWhile(next => next is '\'' or ',').Sum(next => next == '\'' ? 1 : -1);
        var step = Enum.Parse<Step>(letter.ToString().ToUpperInvariant());
        if (alteration is { } given)
            accidentals[step] = given;
        var pitch = Theory.Pitch.Of(step, accidentals.GetValueOrDefault(step, head.Key.AlterationOf(step)), octave);
        return pitch.Midi is >= 0 and <= 127
            ? pitch
            : throw signs.Wrong("This note is beyond what can be heard. Use fewer octave marks.", mark);
    }

    private void Add(Element element, int mark)
    {
        if (tuplet is { } group)
        {
            element = element with { Tuplet = new Tuplet(group.Actual, group.Normal, group.Fresh, group.Left == 1) };
            tuplet = group.Left == 1 ? null : (group.Actual, group.Normal, group.Left - 1, false);
        }

        element = element with
        {
            SlurBegins = slursToOpen > 0,
            Articulation = articulation,
            Finger = finger,
            Words = words,
            Tied = signs.Take("-"),
        };
        (slursToOpen, articulation, finger, words, broken) = (0, Articulation.None, null, "", Fraction.Whole);
        if (element.Written > new Fraction(8, 1) || element.Written < new Fraction(1, 128))
            throw signs.Wrong("This length cannot be written. Take a 64th to a few whole notes.", mark);
        bars.Add(element);
    }

    private void WholeRests()
    {
        var mark = signs.Mark();
        signs.Take();
        var count = signs.Number() ?? 1;
        if (!bars.IsEmpty || count is < 1 or > 500)
            throw signs.Wrong("Z stands for 1 to 500 whole bars of rest, alone in its bar.", mark);
        for (var i = 0; i < count; i++)
        {
            bars.Rest();
            if (i < count - 1)
                bars.Close(repeat: false);
        }
    }

    private void BarLine()
    {
        lineMark = signs.Mark();
        var line = signs.TakeWhile(next => next is '|' or ':' or ']');
        if (line.Length == 0)
            line = signs.Take() + signs.TakeWhile(next => next is '|' or ':');
        var ends = line.StartsWith(':');
        if (!bars.IsEmpty)
        {
            LookForTuplet();
            accidentals.Clear();
        }

        bars.Line(ends, begins: line.Length > 1 && line.EndsWith(':'));
        if (signs.Next == '[' && char.IsAsciiDigit(signs.Peek(1)))
            signs.Take();
        if (char.IsAsciiDigit(signs.Next))
            bars.Ending(signs.Passes());
        bars.Begin();
    }

    private void LookForTuplet()
    {
        if (tuplet is not null)
            throw signs.Wrong("A tuplet is not full before this bar line.", lineMark);
    }
}
