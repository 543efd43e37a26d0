namespace TuningFork.Core.Theory;

/// <summary>A major or minor key.</summary>
/// <param name="Tonic">Its first note.</param>
/// <param name="IsMinor">True for minor.</param>
public readonly record struct Key(NoteName Tonic, bool IsMinor = false)
{
    private static readonly Step[] SharpOrder = [Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B];

    /// <summary>C major, without accidentals.</summary>
    public static Key C { get; } = new(new NoteName(Step.C, 0));

    /// <summary>The fifteen major keys, seven flats to seven sharps.</summary>
    public static IReadOnlyList<Key> Majors { get; } = [.. Enumerable.Range(-7, 15).Select(fifths => OfSignature(fifths))];

    /// <summary>The fifteen minor keys, seven flats to seven sharps.</summary>
    public static IReadOnlyList<Key> Minors { get; } = [.. Enumerable.Range(-7, 15).Select(fifths => OfSignature(fifths, isMinor: true))];

    /// <summary>Sharps of the signature, negative for flats, -7 to 7 for a key that can be written.</summary>
    public int Signature => Tonic.Fifths - (IsMinor ? 3 : 0);

    /// <summary>Whether it has a signature of at most seven accidentals.</summary>
    public bool CanBeWritten => Signature is >= -7 and <= 7;

    /// <summary>The key of the other mode with the same signature: a minor third below a major key.</summary>
    public Key Relative => OfSignature(Signature, !IsMinor);

    /// <summary>Letters with the accidental of the signature, in its order: F C G D A E B or the reverse.</summary>
    public IReadOnlyList<NoteName> Accidentals
    {
        get
        {
            var signature = Signature;
            var letters = signature >= 0 ? SharpOrder.Take(signature) : SharpOrder.Reverse().Take(-signature);
            return [.. letters.Select(letter => new NoteName(letter, Math.Sign(signature)))];
        }
    }

    /// <summary>The key of a signature.</summary>
    /// <param name="fifths">Sharps, negative for flats, -7 to 7.</param>
    /// <param name="isMinor">True for minor.</param>
    public static Key OfSignature(int fifths, bool isMinor = false)
    {
        if (fifths is < -7 or > 7)
            throw new ArgumentOutOfRangeException(nameof(fifths), fifths, "A key signature has at most seven accidentals.");
        return new Key(NoteName.AtFifths(fifths + (isMinor ? 3 : 0)), isMinor);
    }

    /// <summary>The key whose tonic has this pitch class and the fewest accidentals; six flats rather than six sharps.</summary>
    /// <param name="pitchClass">Semitones above C, 0 to 11.</param>
    /// <param name="isMinor">True for minor.</param>
    public static Key OfPitchClass(int pitchClass, bool isMinor = false) =>
        (isMinor ? Minors : Majors)
            .Where(key => key.Tonic.PitchClass == pitchClass)
            .OrderBy(key => Math.Abs(key.Signature))
            .ThenBy(key => key.Signature)
            .First();

    /// <summary>The alteration that the signature gives a letter: -1, 0 or 1.</summary>
    /// <param name="step">The letter.</param>
    public int AlterationOf(Step step)
    {
        var place = Array.IndexOf(SharpOrder, step);
        return Signature > place ? 1
            : -Signature > 6 - place ? -1
            : 0;
    }

    /// <summary>
    /// This key moved by an interval; where that needs more than six accidentals, the key with fewer that sounds the same: E flat major
    /// for a clarinet sounds in D flat, not in C sharp, and its D flat in B, not in C flat (common practice).
    /// </summary>
    /// <param name="interval">How far, as from written to sounding pitch. By octaves the key stays as it is spelled.</param>
    public Key Plus(Interval interval)
    {
        // Along the line of fifths a fifth is 1, a major second 2, a semitone without a letter 7.
        var fifths = Signature + (interval.Semitones * 7) - (interval.Steps * 12);
        if (fifths == Signature && CanBeWritten)
            return this;
        while (fifths > 6)
            fifths -= 12;
        while (fifths < -6)
            fifths += 12;
        return OfSignature(fifths, IsMinor);
    }

    /// <summary>"B♭ major".</summary>
    public string Name => $"{Tonic.Printed} {(IsMinor ? "minor" : "major")}";

    /// <summary>"Bb major".</summary>
    public override string ToString() => $"{Tonic} {(IsMinor ? "minor" : "major")}";

    /// <summary>Reads "Bb major" or "F# minor".</summary>
    /// <param name="text">Tonic and mode.</param>
    /// <param name="key">What was read.</param>
    public static bool TryParse(string? text, out Key key)
    {
        key = C;
        var parts = (text ?? "").Split(' ');
        if (parts.Length != 2 || !NoteName.TryParse(parts[0], out var tonic) || parts[1] is not ("major" or "minor"))
            return false;
        key = new Key(tonic, parts[1] == "minor");
        return key.CanBeWritten;
    }
}
