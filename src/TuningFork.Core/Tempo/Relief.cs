namespace TuningFork.Core.Tempo;

/// <summary>What is done for two weeks about a thing that annoys, or that is stuck (common practice).</summary>
public enum Relief
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>Half of its minutes; what is freed goes to something else.</summary>
    HalfMinutes,

    /// <summary>Two short visits a day in place of a long one.</summary>
    TwoShortVisits,

    /// <summary>A week without it.</summary>
    WeekOff,
}

/// <summary>A relief with its days.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="From">Its first day: the day after it was asked for.</param>
public readonly record struct ReliefTime(Relief Kind, DateOnly From)
{
    /// <summary>Days after which it is looked at again.</summary>
    public const int Days = 14;

    /// <summary>Days of a week off.</summary>
    public const int DaysOff = 7;

    /// <summary>The day on which it is looked at again.</summary>
    public DateOnly LooksAgainOn => From.AddDays(Days);

    /// <summary>What holds on a day; it holds on until it was looked at, but a week off is a week.</summary>
    /// <param name="day">The practice day.</param>
    public Relief On(DateOnly day) => day < From || (Kind == Relief.WeekOff && day >= From.AddDays(DaysOff)) ? Relief.None : Kind;

    /// <summary>In words: "half of its minutes".</summary>
    /// <param name="relief">One of them.</param>
    public static string Words(Relief relief) =>
        relief switch
        {
            Relief.HalfMinutes => "half of its minutes",
            Relief.TwoShortVisits => "two short visits a day",
            Relief.WeekOff => "a week's rest",
            _ => "as usual",
        };
}
