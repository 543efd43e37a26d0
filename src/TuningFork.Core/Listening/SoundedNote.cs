namespace TuningFork.Core.Listening;

/// <summary>A note as it sounds.</summary>
/// <param name="At">When it begins, in seconds from the beginning.</param>
/// <param name="Seconds">How long it is held.</param>
/// <param name="Hertz">Its frequency; 0 for a stroke without pitch.</param>
/// <param name="Loudness">How loud, 0 to 1.</param>
public readonly record struct SoundedNote(double At, double Seconds, double Hertz, double Loudness = 0.7);
