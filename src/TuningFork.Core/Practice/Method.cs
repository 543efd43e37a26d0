namespace TuningFork.Core.Practice;

/// <summary>What the stage does with a drill's takes.</summary>
public enum Course
{
    /// <summary>Runs for its minutes; nothing is counted.</summary>
    Timed,

    /// <summary>Each take goes to the next material, in rounds; done when the rounds are through.</summary>
    Rounds,

    /// <summary>Done after so many clean takes in a row.</summary>
    CleanInRow,

    /// <summary>Done after so many takes, clean or not.</summary>
    FixedCount,

    /// <summary>Done after so many minutes without a miss; a miss lowers the tempo and counts anew.</summary>
    CleanMinutes,

    /// <summary>The tempo follows the takes.</summary>
    Ladder,

    /// <summary>Work and rest in turns; a take may be marked at any time.</summary>
    WorkRest,

    /// <summary>One take, no stopping.</summary>
    Once,

    /// <summary>A question is heard, answered aloud, checked by ear.</summary>
    Questions,

    /// <summary>Runs over keys or chords on the click; a run without a stop is clean.</summary>
    Run,

    /// <summary>Runs against the clock.</summary>
    Clock,

    /// <summary>Step by step; the place is kept.</summary>
    Steps,

    /// <summary>Short bursts on two things in turn; each has a ladder of its own.</summary>
    Bursts,

    /// <summary>Altered versions step by step, then one take as written.</summary>
    Altered,

    /// <summary>From few notes to a click to many; up after clean takes, back after a miss.</summary>
    Densities,

    /// <summary>Rung by rung at one click, each with twice as many notes.</summary>
    Rungs,

    /// <summary>Faster until it breaks, slower until it falls apart.</summary>
    Probe,
}

/// <summary>What a method fits.</summary>
[Flags]
public enum Fit
{
    /// <summary>Nothing by itself: only when it is chosen.</summary>
    None = 0,

    /// <summary>Raw passages.</summary>
    Raw = 1,

    /// <summary>Passages that take shape.</summary>
    Shaping = 2,

    /// <summary>Ready passages.</summary>
    Ready = 4,

    /// <summary>What is stuck.</summary>
    Stuck = 8,

    /// <summary>The last four weeks before a performance.</summary>
    BeforeDate = 16,
}

/// <summary>Usual minutes.</summary>
/// <param name="Least">Least, 1 or more.</param>
/// <param name="Most">Most.</param>
public readonly record struct MinuteRange(int Least, int Most)
{
    /// <summary>From two numbers.</summary>
    public static implicit operator MinuteRange((int Least, int Most) range) => new(range.Least, range.Most);
}

/// <summary>A way to practise something.</summary>
/// <param name="Id">Short lasting name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="How">How to do it, two or three plain sentences.</param>
/// <param name="UsualMinutes">Usual minutes, least and most.</param>
/// <param name="Records">What is recorded.</param>
/// <param name="Fits">When it fits and when to leave it.</param>
/// <param name="Course">What the stage does with it.</param>
/// <param name="Count">Takes, or minutes without a miss, that count as done; else 0.</param>
public sealed record Method(
    MethodId Id,
    string Name,
    string How,
    MinuteRange UsualMinutes,
    string Records,
    string Fits,
    Course Course,
    int Count = 0
)
{
    /// <summary>What the planner uses it for beyond the rules of the methods that come with the program; theirs are none.</summary>
    public Fit Fit { get; init; }
}
