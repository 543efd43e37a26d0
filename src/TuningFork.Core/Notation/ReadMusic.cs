namespace TuningFork.Core.Notation;

/// <summary>Music that was read, and what was left out of it.</summary>
/// <param name="Music">The music, in written pitch.</param>
/// <param name="LeftOut">What was not taken over; empty when all was.</param>
public sealed record ReadMusic(Music Music, IReadOnlyList<LeftOut> LeftOut)
{
    /// <summary>The voice that leads.</summary>
    public Score Score => Music.Lead;
}

/// <summary>What can be chosen from a file: a part of a score, a tune of a book, a track.</summary>
/// <param name="Name">What the file calls it, or what it is.</param>
/// <param name="Notes">How many notes it has.</param>
/// <param name="Staves">How many staves it has.</param>
/// <param name="Voices">How many voices it has in all.</param>
/// <param name="Transposition">Semitones from its written pitch to the sounding one, as far as the file says it; else null.</param>
/// <param name="IsDrums">True where its notes stand for instruments and not for pitches.</param>
public sealed record MusicChoice(string Name, int Notes, int Staves = 1, int Voices = 1, int? Transposition = null, bool IsDrums = false);
