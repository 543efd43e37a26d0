namespace TuningFork.Core.Listening;

/// <summary>A note as it was heard.</summary>
/// <param name="At">When it began, in seconds from the first sample.</param>
/// <param name="Until">When it ended or the next one began.</param>
/// <param name="Hertz">Its frequency; 0 where none was heard: a stroke, a chord, noise.</param>
/// <param name="Confidence">How periodic it was, 0 to 1.</param>
/// <param name="Level">How loud at its loudest: root mean square, 0 to 1.</param>
/// <param name="Settled">Seconds from its beginning until its pitch stayed where it ended up; null where that cannot be told.</param>
public readonly record struct HeardTone(double At, double Until, double Hertz, double Confidence, double Level, double? Settled = null);
