using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>How music for one transposition comes to a player of another.</summary>
/// <param name="Words">What is said about it; empty where both are the same.</param>
/// <param name="CanChoose">Whether the player has a choice.</param>
/// <param name="IsMoved">True where the notes are moved so that they sound as they did; false where they are read as they stand.</param>
/// <param name="Way">The way by which they are moved.</param>
public sealed record SettledPitch(string Words, bool CanChoose, bool IsMoved, Interval Way)
{
    /// <summary>Compares the transposition of music with that of an instrument.</summary>
    /// <param name="toSounding">The way of the music from written to sounding pitch.</param>
    /// <param name="format">The format it came in: MIDI is at sounding pitch and was written for the instrument already.</param>
    /// <param name="instrument">The player's instrument.</param>
    /// <param name="sounding">What the player wishes; null for what is most likely meant.</param>
    public static SettledPitch Of(Interval toSounding, MusicFormat format, Instrument instrument, bool? sounding)
    {
        ArgumentNullException.ThrowIfNull(instrument);
        var own = instrument.ToSounding;
        if (format == MusicFormat.Midi || toSounding.Semitones == own.Semitones || !instrument.IsPitched)
            return new SettledPitch("", CanChoose: false, IsMoved: false, Interval.Unison);
        // A part that names its transposition is of another instrument; one that names none is most likely meant as it is read.
        var isMoved = sounding ?? toSounding.Semitones != 0;
        var words =
            $"This part {Say(toSounding.Semitones)}; your {instrument.Name} {Say(own.Semitones)}. "
            + (
                isMoved
                    ? "Its notes are moved so that they sound as in the file."
                    : "Its notes are read as they stand, and sound otherwise than in the file."
            );
        return new SettledPitch(
            words,
            CanChoose: true,
            isMoved,
            new Interval(toSounding.Steps - own.Steps, toSounding.Semitones - own.Semitones)
        );
    }

    /// <summary>The music in the player's written pitch.</summary>
    /// <param name="music">As it stands in the file.</param>
    /// <param name="instrument">The player's instrument.</param>
    public Music Settle(Music music, Instrument instrument)
    {
        ArgumentNullException.ThrowIfNull(music);
        ArgumentNullException.ThrowIfNull(instrument);
        return music.Each(voice => (IsMoved ? Concert.Moved(voice, Way) : voice) with { ToSounding = instrument.ToSounding });
    }

    private static string Say(int semitones) =>
        semitones switch
        {
            0 => "sounds as it is written",
            1 or -1 => $"sounds a semitone {(semitones < 0 ? "lower" : "higher")} than written",
            < 0 => $"sounds {-semitones} semitones lower than written",
            _ => $"sounds {semitones} semitones higher than written",
        };
}
