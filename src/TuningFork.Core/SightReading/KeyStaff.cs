using TuningFork.Core.Theory;

namespace TuningFork.Core.SightReading;

/// <summary>The staff of a key inside a range: degree 0 is a tonic, 7 the next one.</summary>
internal sealed class KeyStaff
{
    private readonly Key key;
    private readonly int tonic;

    /// <param name="key">The key.</param>
    /// <param name="window">Where the music may stand.</param>
    public KeyStaff(Key key, ReadingWindow window)
    {
        this.key = key;
        var middle = (window.First + window.Last) / 2;
        tonic = (int)key.Tonic.Step + (7 * ((middle - (int)key.Tonic.Step) / 7));
        (Low, High) = (window.First - tonic, window.Last - tonic);
        while (Low < High && Pitch(Low, 0).Midi < window.Lowest)
            Low++;
        // The seventh of a minor key may be raised.
        while (High > Low && Pitch(High, key.IsMinor && ((High % 7) + 7) % 7 == 6 ? 1 : 0).Midi > window.Highest)
            High--;
    }

    /// <summary>Lowest and highest degree.</summary>
    public int Low { get; }

    public int High { get; }

    /// <summary>The pitch of a degree, raised by so many half steps.</summary>
    public Pitch Pitch(int degree, int raised)
    {
        var diatonic = tonic + degree;
        var octave = (int)Math.Floor(diatonic / 7.0);
        var step = (Step)(diatonic - (octave * 7));
        return Theory.Pitch.Of(step, key.AlterationOf(step) + raised, octave);
    }
}
