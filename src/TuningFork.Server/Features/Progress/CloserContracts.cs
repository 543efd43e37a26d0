using TuningFork.Core.LookingBack;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;

namespace TuningFork.Server.Features.Progress;

/// <summary>Minutes of an area in a week.</summary>
public sealed record AreaMinutes(Area Area, double Minutes);

/// <summary>A week and what each area had.</summary>
public sealed record WeekPlayed(DateOnly From, IReadOnlyList<AreaMinutes> Areas);

/// <summary>How passages were rated on a day.</summary>
public sealed record ReadinessOn(DateOnly Day, int Raw, int Shaping, int Ready);

/// <summary>A strand of reading: bars read, and how many were on time.</summary>
public sealed record StrandRead(Strand Strand, int Bars, int Right);

/// <summary>A stretch of days looked at more closely.</summary>
/// <param name="Weeks">Minutes of each area, week by week.</param>
/// <param name="Readiness">How passages stood, week by week.</param>
/// <param name="Methods">What methods brought, of those with enough.</param>
/// <param name="Conditions">Whether hour, length and place in the day make a difference.</param>
/// <param name="Keys">Exercises that go through keys, with those that were not touched.</param>
/// <param name="Retries">Exercises by steps or octaves, with what needed another try.</param>
/// <param name="Dates">Performances ahead, on the path or not, with what the sums say.</param>
/// <param name="Confused">What the ear takes for each other.</param>
/// <param name="Cures">Exercises made for a passage: whether it gained.</param>
public sealed record CloserView(
    IReadOnlyList<WeekPlayed> Weeks,
    IReadOnlyList<ReadinessOn> Readiness,
    string ReadinessWords,
    IReadOnlyList<MethodGain> Methods,
    string MethodWords,
    IReadOnlyList<string> Conditions,
    IReadOnlyList<NamedThing> Keys,
    IReadOnlyList<NamedThing> Retries,
    IReadOnlyList<string> Dates,
    IReadOnlyList<StrandRead> Strands,
    IReadOnlyList<string> Confused,
    IReadOnlyList<NamedThing> Cures
);
