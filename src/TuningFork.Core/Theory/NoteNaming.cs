namespace TuningFork.Core.Theory;

/// <summary>How notes are called.</summary>
public enum Naming
{
    /// <summary>C, D, E.</summary>
    Letters,

    /// <summary>Do is always C.</summary>
    FixedDo,

    /// <summary>Do is the tonic of a major key, la that of a minor key.</summary>
    MovableDo,

    /// <summary>1 is the tonic.</summary>
    Degrees,

    /// <summary>Sa is the tonic; small letters are lowered, M is raised ma.</summary>
    Sargam,
}

/// <summary>Names of notes in the schools of naming (theory handbooks, from memory).</summary>
public static class NoteNaming
{
    private static readonly string[] Plain = ["do", "re", "mi", "fa", "sol", "la", "ti"];

    // Where do is fixed, the seventh is called si, not ti, which is the name of those who sing by the key.
    private static readonly string[] Fixed = ["do", "re", "mi", "fa", "sol", "la", "si"];
    private static readonly string[] Raised = ["di", "ri", "mi♯", "fi", "si", "li", "ti♯"];
    private static readonly string[] Lowered = ["do♭", "ra", "me", "fa♭", "se", "le", "te"];
    private static readonly string[] Swaras = ["S", "r", "R", "g", "G", "m", "M", "P", "d", "D", "n", "N"];

    /// <summary>The name of a note.</summary>
    /// <param name="note">The note.</param>
    /// <param name="key">The key one is in.</param>
    /// <param name="naming">The school.</param>
    /// <param name="tonic">The note that is 1 and Sa; null for the key's. The second in a Dorian scale, by the key of its signature.</param>
    public static string Of(NoteName note, Key key, Naming naming, NoteName? tonic = null) =>
        naming switch
        {
            Naming.Letters => note.Printed,
            Naming.FixedDo => Fixed[(int)note.Step] + note.Printed[1..],
            Naming.MovableDo => Syllable(note, key.IsMinor ? key.Relative.Tonic : key.Tonic),
            Naming.Degrees => Degree(note, tonic ?? key.Tonic),
            Naming.Sargam => Swaras[(note.PitchClass - (tonic ?? key.Tonic).PitchClass + 12) % 12],
            _ => throw new ArgumentOutOfRangeException(nameof(naming), naming, "There is no such naming."),
        };

    /// <summary>A note by itself, in no key, with its octave: by its letter, or by its syllable where do is fixed: "A4", "la4".</summary>
    /// <param name="written">The note as it is written.</param>
    /// <param name="naming">The school.</param>
    public static string WithOctave(Pitch written, Naming naming) =>
        $"{Of(written.Name, Key.C, naming == Naming.FixedDo ? naming : Naming.Letters)}{written.Octave}";

    /// <summary>What sounds on an instrument, as its player reads it.</summary>
    /// <param name="midi">Sounding MIDI note number.</param>
    /// <param name="instrument">The instrument: where it transposes the note is named as it is written.</param>
    /// <param name="naming">The school.</param>
    /// <param name="key">The written key, whose signature says whether it is a sharp or a flat; null for the commonest: C♯, E♭, F♯, A♭, B♭.</param>
    public static string OfSounding(int midi, Instrument instrument, Naming naming, Key? key = null)
    {
        ArgumentNullException.ThrowIfNull(instrument);
        var written = midi - instrument.ToSounding.Semitones;
        if (written is < 0 or > 127)
            return "another note";
        var sharps = key?.Signature is { } signature and not 0 ? signature > 0 : written % 12 is 1 or 6;
        return WithOctave(Pitch.OfMidi(written, sharps), naming);
    }

    private static string Syllable(NoteName note, NoteName tonic)
    {
        var (degree, alteration) = Against(note, tonic);
        return alteration switch
        {
            0 => Plain[degree],
            1 => Raised[degree],
            -1 => Lowered[degree],
            _ => Plain[degree] + new NoteName(Step.C, alteration).Printed[1..],
        };
    }

    private static string Degree(NoteName note, NoteName tonic)
    {
        var (degree, alteration) = Against(note, tonic);
        return new NoteName(Step.C, alteration).Printed[1..] + (degree + 1).ToString(System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>Degree from 0 in the major scale on a tonic, and semitones it is raised or lowered against it.</summary>
    private static (int Degree, int Alteration) Against(NoteName note, NoteName tonic)
    {
        var degree = ((int)note.Step - (int)tonic.Step + 7) % 7;
        var major = new Pitch(tonic, 4).Plus(Scale.Major.Up[degree]).Name;
        return (degree, note.Alteration - major.Alteration);
    }
}
