namespace TuningFork.Core.Theory;

/// <summary>The seven letters, C first.</summary>
public enum Step
{
    /// <summary>C.</summary>
    C,

    /// <summary>D.</summary>
    D,

    /// <summary>E.</summary>
    E,

    /// <summary>F.</summary>
    F,

    /// <summary>G.</summary>
    G,

    /// <summary>A.</summary>
    A,

    /// <summary>B.</summary>
    B,
}

/// <summary>A letter with its accidental, without octave: F sharp, B flat.</summary>
/// <param name="Step">The letter.</param>
/// <param name="Alteration">Semitones of the accidental: -2 double flat to 2 double sharp.</param>
public readonly record struct NoteName(Step Step, int Alteration)
{
    private static readonly int[] Naturals = [0, 2, 4, 5, 7, 9, 11];
    private static readonly int[] NaturalFifths = [0, 2, 4, -1, 1, 3, 5];

    /// <summary>Semitones above C, 0 to 11.</summary>
    public int PitchClass => (Naturals[(int)Step] + Alteration + 120) % 12;

    /// <summary>Place on the line of fifths: C 0, G 1, F -1, F sharp 6.</summary>
    public int Fifths => NaturalFifths[(int)Step] + (Alteration * 7);

    /// <summary>Semitones of the natural letter above C.</summary>
    /// <param name="step">The letter.</param>
    public static int Natural(Step step) => Naturals[(int)step];

    /// <summary>The name at a place on the line of fifths.</summary>
    /// <param name="fifths">C is 0, one more for each fifth up.</param>
    /// <exception cref="ArgumentOutOfRangeException">It would need more than a double accidental.</exception>
    public static NoteName AtFifths(int fifths)
    {
        Step[] order = [Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B];
        var place = fifths + 1;
        var alteration = (int)Math.Floor(place / 7.0);
        if (alteration is < -2 or > 2)
            throw new ArgumentOutOfRangeException(nameof(fifths), fifths, "That would need more than a double accidental.");
        return new NoteName(order[((place % 7) + 7) % 7], alteration);
    }

    /// <summary>Reads "C", "F#", "Bb", "Ebb", "Cx" or "C##".</summary>
    /// <param name="text">The name.</param>
    /// <exception cref="FormatException">It is no note name.</exception>
    public static NoteName Parse(string text) =>
        TryParse(text, out var name)
            ? name
            : throw new FormatException($"\"{text}\" is no note name. Write a letter A to G and # or b, like F# or Bb.");

    /// <summary>Reads a note name; false when it is none.</summary>
    /// <param name="text">The name.</param>
    /// <param name="name">What was read.</param>
    public static bool TryParse(string? text, out NoteName name)
    {
        name = default;
        if (
            string.IsNullOrEmpty(text)
            || "CDEFGAB".IndexOf(char.ToUpperInvariant(text[0]), StringComparison.Ordinal) is var step && step < 0
        )
            return false;
        int? alteration = text[1..] switch
        {
            "" => 0,
            "#" => 1,
            "##" or "x" => 2,
            "b" => -1,
            "bb" => -2,
            _ => null,
        };
        name = new NoteName((Step)step, alteration ?? 0);
        return alteration is not null;
    }

    /// <summary>The letter with # or b: "F#", "Bb".</summary>
    public override string ToString() => Step + Sign(Alteration);

    /// <summary>The name as it is printed: "F♯", "B♭".</summary>
    public string Printed =>
        Step
        + Alteration switch
        {
            -2 => "𝄫",
            -1 => "♭",
            1 => "♯",
            2 => "𝄪",
            _ => "",
        };

    internal static string Sign(int alteration) =>
        alteration switch
        {
            < 0 => new string('b', -alteration),
            > 0 => new string('#', alteration),
            _ => "",
        };
}
