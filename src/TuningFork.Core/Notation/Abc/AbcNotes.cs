using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Reads single notes, rests and chords of ABC.</summary>
internal sealed class AbcNotes(AbcText signs, Action<string> leftOut)
{
    /// <summary>Whether a note can begin with a sign.</summary>
    public static bool IsNote(char sign) => sign is (>= 'a' and <= 'g') or (>= 'A' and <= 'G') or '^' or '_' or '=';

    /// <summary>The note, rest or chord that stands here, with its length.</summary>
    public Element Next(AbcVoice voice, int mark)
    {
        if (signs.Next is 'z' or 'x')
        {
            var isHidden = signs.Take() == 'x';
            return Element.Rest(signs.Length() * voice.UnitLength) with { IsHidden = isHidden };
        }

        if (signs.Next == '[')
            return Chord(voice, mark);
        return Element.Note(Pitch(voice, mark), signs.Length() * voice.UnitLength);
    }

    /// <summary>Accidentals that a tie carries over the bar line.</summary>
    public static void Carry(AbcVoice voice, Element element)
    {
        voice.Carried.Clear();
        foreach (var pitch in element.Pitches)
            if (
                element.IsTied(pitch)
                && voice.Key.AlterationOf(pitch.Name.Step) != pitch.Name.Alteration
                && element.Pitches.Count(other => other.Diatonic == pitch.Diatonic) == 1
            )
                voice.Carried[(pitch.Name.Step, pitch.Octave)] = pitch.Name.Alteration;
    }

    /// <summary>A note by its accidental, letter and octave.</summary>
    public Pitch Pitch(AbcVoice voice, int mark)
    {
        var alteration = Accidental(mark);
        var letter = signs.Next;
        if (letter is not ((>= 'a' and <= 'g') or (>= 'A' and <= 'G')))
            throw signs.Wrong(
                signs.IsOver
                    ? "A note is missing at the end."
                    : $"\"{letter}\" cannot be read here. Notes are the letters A to G and a to g, rests z."
            );
        signs.Take();
        var octave = (char.IsAsciiLetterLower(letter) ? 5 : 4) + voice.Key.Octaves + ((voice.Key.Semitones - voice.Semitones) / 12);
        octave += signs.TakeWhile(next => next is '\'' or ',').Sum(next => next == '\'' ? 1 : -1);
        var step = Enum.Parse<Step>(letter.ToString().ToUpperInvariant());
        if (alteration is { } given)
        {
            // An accidental holds for its letter in all octaves until the bar line (ABC 2.1, 4.2 and 11.3).
            foreach (var other in voice.Accidentals.Keys.Where(key => key.Item1 == step).ToList())
                voice.Accidentals.Remove(other);
            voice.Accidentals[(step, AllOctaves)] = given;
        }

        var pitch = Theory.Pitch.Of(step, Alteration(voice, step, octave), octave);
        return pitch.Midi is >= 0 and <= 127
            ? pitch
            : throw signs.Wrong("This note is beyond what can be heard. Use fewer octave marks.", mark);
    }

    private const int AllOctaves = int.MinValue;

    private static int Alteration(AbcVoice voice, Step step, int octave)
    {
        if (voice.Accidentals.TryGetValue((step, AllOctaves), out var all))
            return all;
        if (!voice.Accidentals.TryGetValue((step, octave), out var carried))
            return voice.Key.AlterationOf(step);
        // What a tie carried over holds for the tied note alone.
        voice.Accidentals.Remove((step, octave));
        return carried;
    }

    private int? Accidental(int mark)
    {
        var sign = signs.TakeWhile(next => next is '^' or '_' or '=');
        // Parts of a semitone: "^/", "_3/2".
        var isPart = sign.Length > 0 && (signs.Next == '/' || char.IsAsciiDigit(signs.Next));
        if (isPart)
        {
            leftOut("quarter tones");
            var part = signs.Length();
            return (int)Math.Round(part.Value, MidpointRounding.ToZero) * (sign[0] == '_' ? -1 : 1);
        }

        return sign switch
        {
            "" => null,
            "=" => 0,
            "^" => 1,
            "^^" => 2,
            "_" => -1,
            "__" => -2,
            _ => throw signs.Wrong($"\"{sign}\" is no accidental. Write ^ (sharp), _ (flat) or = (natural).", mark),
        };
    }

    private Element Chord(AbcVoice voice, int mark)
    {
        signs.Take();
        var pitches = new List<Pitch>();
        var tied = new List<Pitch>();
        Fraction? inner = null;
        var element = new Element([], Fraction.Whole);
        while (signs.Next != ']')
        {
            if (signs.IsOver || signs.Next is '\n' or '|')
                throw signs.Wrong("This chord is not closed. Write ] at its end.", mark);
            if (!IsNote(signs.Next))
            {
                element = Inside(element);
                continue;
            }

            var pitch = Pitch(voice, signs.Mark());
            var length = signs.Length();
            inner ??= length;
            if (signs.Take("-") || signs.Take(".-"))
            {
                tied.Add(pitch);
                if (signs.Next is '\'' or ',')
                    signs.Take();
            }

            if (!pitches.Contains(pitch))
                pitches.Add(pitch);
        }

        signs.Take();
        if (pitches.Count == 0)
            throw signs.Wrong("This chord has no notes.", mark);
        return element with
        {
            Pitches = [.. pitches.OrderBy(pitch => pitch.Midi)],
            Written = (inner ?? Fraction.Whole) * signs.Length() * voice.UnitLength,
            Tied = tied.Count > 0,
            TiedOnly = tied.Count < pitches.Count ? tied : [],
        };
    }

    /// <summary>Signs and spaces inside a chord.</summary>
    private Element Inside(Element element)
    {
        var sign = signs.Take();
        if (sign is '!' or '+' && signs.LineHas(sign, 0))
        {
            var name = signs.UpTo(sign, "This mark").Trim();
            if (AbcSigns.With(element, name) is { } signed)
                return signed;
            leftOut($"signs unknown here: {name}");
        }
        else if (sign == '"')
            signs.UpTo('"', "This text");
        else if (sign == '.')
            return element with { Articulation = element.Articulation | Articulation.Staccato };
        else if (sign is not (' ' or '(' or ')' or '-' or 'u' or 'v' or 'T' or 'H' or 'M' or 'P' or 'L' or '~'))
            throw signs.Wrong($"\"{sign}\" cannot stand in a chord.");
        return element;
    }
}
