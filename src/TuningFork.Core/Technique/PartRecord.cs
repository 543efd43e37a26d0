using TuningFork.Core.Ability;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Technique;

/// <summary>What happened with a part of a material: one of its patterns, half of a passage, or an altered version of it.</summary>
/// <param name="Reach">What the player can do in it, brought to the day of the plan; null before the first timed take.</param>
/// <param name="Days">Days on which it was played.</param>
/// <param name="Last">The last of them.</param>
/// <param name="LastClean">Its last clean tempo, or null.</param>
/// <param name="Done">Of a pattern or a number: whether it was done once, which it stays.</param>
/// <param name="Place">The step that comes next, from 0, where it is played step by step.</param>
public sealed record PartRecord(Reach? Reach, int Days, DateOnly Last, Bpm? LastClean, int Place = 0, bool Done = false);
