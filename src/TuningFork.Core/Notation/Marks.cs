namespace TuningFork.Core.Notation;

/// <summary>How a note is attacked or joined; several may stand together.</summary>
[Flags]
public enum Articulation
{
    /// <summary>Plain.</summary>
    None = 0,

    /// <summary>Short.</summary>
    Staccato = 1,

    /// <summary>Held for its full value.</summary>
    Tenuto = 2,

    /// <summary>Stressed.</summary>
    Accent = 4,

    /// <summary>Stressed hard: a wedge that points up.</summary>
    Marcato = 8,

    /// <summary>As short as can be: a drop.</summary>
    Staccatissimo = 16,
}

/// <summary>Signs at a note that are kept and shown; none of them changes when a note begins or ends.</summary>
[Flags]
public enum Marks
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>Held as long as one likes.</summary>
    Fermata = 1,

    /// <summary>A trill.</summary>
    Trill = 2,

    /// <summary>The note, its lower neighbour, the note: with a stroke.</summary>
    Mordent = 4,

    /// <summary>The note, its upper neighbour, the note: without a stroke.</summary>
    UpperMordent = 8,

    /// <summary>A turn.</summary>
    Turn = 16,

    /// <summary>A turn from below.</summary>
    InvertedTurn = 32,

    /// <summary>Bow moved up.</summary>
    UpBow = 64,

    /// <summary>Bow moved down.</summary>
    DownBow = 128,

    /// <summary>A breath after it.</summary>
    Breath = 256,

    /// <summary>A chord broken from below.</summary>
    Arpeggio = 512,

    /// <summary>Open string, or a natural harmonic: a small circle.</summary>
    Open = 1024,

    /// <summary>Plucked with the left hand, or stopped: a small cross.</summary>
    Plus = 2048,

    /// <summary>With the thumb.</summary>
    Thumb = 4096,

    /// <summary>A roll of Irish music: a tilde.</summary>
    Roll = 8192,

    /// <summary>Hairpin-like swell and other slides into a note.</summary>
    Slide = 16384,

    /// <summary>Struck again as fast as can be.</summary>
    Tremolo = 32768,
}

/// <summary>What a hairpin does at a note.</summary>
[Flags]
public enum Hairpin
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>One that grows begins.</summary>
    GrowsFrom = 1,

    /// <summary>One that grows ends after it.</summary>
    GrowsTo = 2,

    /// <summary>One that falls begins.</summary>
    FallsFrom = 4,

    /// <summary>One that falls ends after it.</summary>
    FallsTo = 8,
}

/// <summary>Signs of the way through the music. The first two stand at the beginning of a bar, the others at its end.</summary>
[Flags]
public enum Way
{
    /// <summary>On to the next bar.</summary>
    None = 0,

    /// <summary>The sign to which one goes back.</summary>
    Segno = 1,

    /// <summary>Where the coda begins.</summary>
    Coda = 2,

    /// <summary>The end, once one has gone back.</summary>
    Fine = 4,

    /// <summary>Once one has gone back: on to the coda.</summary>
    ToCoda = 8,

    /// <summary>Back to the beginning.</summary>
    DaCapo = 16,

    /// <summary>Back to the sign.</summary>
    DalSegno = 32,
}
