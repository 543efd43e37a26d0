namespace TuningFork.Core.Recordings;

/// <summary>What is known of a recording without hearing it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="MaterialId">What was played; null where it belongs to nothing.</param>
/// <param name="Kind">Where it comes from.</param>
/// <param name="AtUtc">When it was made.</param>
/// <param name="Bytes">Bytes that its sound takes.</param>
/// <param name="IsMarked">Whether the player wants to keep it.</param>
public sealed record KeptRecording(int Id, int? MaterialId, RecordingKind Kind, DateTime AtUtc, long Bytes, bool IsMarked);
