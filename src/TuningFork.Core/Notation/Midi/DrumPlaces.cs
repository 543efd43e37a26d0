using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Where the drums of a MIDI file stand on the staff of percussion (General MIDI Level 1 and common practice, from memory).</summary>
internal static class DrumPlaces
{
    /// <summary>The place of a drum's number.</summary>
    public static Pitch Of(int drum) =>
        Pitch.Parse(
            drum switch
            {
                35 or 36 => "F4",
                41 or 43 or 64 => "A4",
                45 or 47 or 61 => "B4",
                37 or 38 or 39 or 40 => "C5",
                48 or 50 or 63 => "D5",
                60 or 62 => "E5",
                51 or 53 or 59 => "F5",
                42 or 44 or 46 => "G5",
                49 or 52 or 55 or 57 => "A5",
                _ => "B4",
            }
        );
}
