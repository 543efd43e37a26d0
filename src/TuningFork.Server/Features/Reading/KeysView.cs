using TuningFork.Core.Theory;

namespace TuningFork.Server.Features.Reading;

/// <summary>Keys to be touched on the screen, as the instrument writes its notes.</summary>
/// <param name="From">Written MIDI note of the lowest key, a white one.</param>
/// <param name="To">Of the highest, a white one.</param>
/// <param name="ToSounding">Semitones from written to sounding pitch.</param>
public sealed record KeysView(int From, int To, int ToSounding)
{
    /// <summary>More semitones than these cannot be touched on a screen.</summary>
    public const int Most = 37;

    private static readonly int[] Black = [1, 3, 6, 8, 10];

    /// <summary>From one note to another, widened to white keys.</summary>
    public static KeysView Of(int lowest, int highest, Instrument instrument) =>
        new(
            Black.Contains(lowest % 12) ? lowest - 1 : lowest,
            Black.Contains(highest % 12) ? highest + 1 : highest,
            instrument.Transposition
        );
}
