using System.Text.Json.Serialization;
using TuningFork.Core.Ability;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.WarmUps;

namespace TuningFork.Core.Planning;

/// <summary>What has happened with an ear task.</summary>
/// <param name="Key">Its key.</param>
/// <param name="LastDay">Day it was last asked, or null.</param>
/// <param name="Asked">Questions in the last weeks.</param>
/// <param name="Missed">How many of them were missed.</param>
public sealed record EarRecord(string Key, DateOnly? LastDay, int Asked, int Missed)
{
    /// <summary>Days that are looked back (common practice).</summary>
    public const int LooksBack = 60;
}

/// <summary>Everything a day plan is made from. The same request makes the same plan.</summary>
public sealed record DayRequest
{
    /// <summary>The practice day.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>Minutes of the sitting, breaks counted: 5 to 240.</summary>
    public required int Minutes { get; init; }

    /// <summary>What the rest of the day asks.</summary>
    public Demands Demands { get; init; }

    /// <summary>What today's work is for, or empty.</summary>
    public string Purpose { get; init; } = "";

    /// <summary>The difficulty that technique is to serve, "none", or empty for the app's choice.</summary>
    public string Focus { get; init; } = "";

    /// <summary>Chance, to be made again.</summary>
    public int Seed { get; init; }

    /// <summary>How often the day was planned anew: each time another good plan.</summary>
    public int Variant { get; init; }

    /// <summary>The shape of the day.</summary>
    public required Routine Routine { get; init; }

    /// <summary>Name of the routine that was meant and whose musts do not fit, or empty.</summary>
    public string Instead { get; init; } = "";

    /// <summary>Wanted shares of the week.</summary>
    public IReadOnlyList<AreaShare> Shares { get; init; } = Planning.Shares.Default;

    /// <summary>What the areas had lately.</summary>
    public IReadOnlyList<AreaHistory> History { get; init; } = [];

    /// <summary>All material.</summary>
    public IReadOnlyList<Material> Materials { get; init; } = [];

    /// <summary>What happened with the ear tasks.</summary>
    public IReadOnlyList<EarRecord> Ear { get; init; } = [];

    /// <summary>What is known of the ear by name.</summary>
    public EarTraining.EarDigest EarDigest { get; init; } = EarTraining.EarDigest.None;

    /// <summary>Keys of ear tasks, warm-ups and play ideas that were asked for.</summary>
    public IReadOnlyList<string> Asked { get; init; } = [];

    /// <summary>The school of spacing.</summary>
    public School School { get; init; }

    /// <summary>Minutes of a usual day; 0 when unknown.</summary>
    public int UsualMinutes { get; init; }

    /// <summary>Part of its usual minutes that a day brings on average, days without practice among them: above 0, at most 1.</summary>
    public double KeptPart { get; init; } = Habits.UsualPart;

    /// <summary>Most passages under way at a time, as the player has set; 0 for no limit.</summary>
    public int UnderWay { get; init; }

    /// <summary>Practice days since a return from a week or more away, 0 on the first; null when there was none lately.</summary>
    public int? PracticeDaysBack { get; init; }

    /// <summary>What is the player's own about growth and slips.</summary>
    public Traits Traits { get; init; } = Traits.Usual;

    /// <summary>How takes in rounds are mixed.</summary>
    public Mix Mix { get; init; } = Mix.Shuffled;

    /// <summary>Most minutes of scales and arpeggios a day: about 20, or about 45 in the other school.</summary>
    public int ScaleMinutes { get; init; } = 20;

    /// <summary>Sittings that were begun today before this one.</summary>
    public int Sitting { get; init; }

    /// <summary>
    /// True when the sitting before was so long ago that raw and slipped things, changes and ladders may come again today.
    /// </summary>
    public bool BackToday { get; init; }

    /// <summary>Family of the instrument.</summary>
    public Theory.Family Family { get; init; } = Theory.Family.Other;

    /// <summary>Whether the instrument has notes of its own; a hand drum has none.</summary>
    public bool IsPitched { get; init; } = true;

    /// <summary>The player's own ideas for play.</summary>
    public IReadOnlyList<string> PlayIdeas { get; init; } = [];

    /// <summary>Songs to play along with.</summary>
    public IReadOnlyList<Recordings.Song> Songs { get; init; } = [];

    /// <summary>Where unseen music comes from.</summary>
    public SightReading.ReadingSource ReadingFrom { get; init; }

    /// <summary>Ideas on the shelf about which nothing was decided.</summary>
    public int OnShelf { get; init; }

    /// <summary>The versions of the warm-up; those of the family when there are none.</summary>
    public IReadOnlyList<WarmUp> WarmUps { get; init; } = [];

    /// <summary>How a warm-up begins.</summary>
    public WarmUpSchool WarmUpSchool { get; init; }

    /// <summary>One's own words for the opening, or empty.</summary>
    public string Awareness { get; init; } = "";

    /// <summary>Minutes of the opening.</summary>
    public int OpeningMinutes { get; init; } = 1;

    /// <summary>Methods that the player has defined.</summary>
    public IReadOnlyList<Method> Methods { get; init; } = [];

    /// <summary>True after pain, numbness or tingling: work without the instrument only.</summary>
    public bool Quiet { get; init; }

    /// <summary>True after rising tension: nothing faster than it was.</summary>
    public bool HoldTempo { get; init; }

    /// <summary>The way back after pain, or null.</summary>
    public AfterPain? AfterPain { get; init; }

    /// <summary>Drills of the plan before which stay: locked, or changed by hand.</summary>
    public IReadOnlyList<Drill> Kept { get; init; } = [];

    /// <summary>Drills of the plan before that were left out: what they were about does not come back today.</summary>
    public IReadOnlyList<Drill> LeftOut { get; init; } = [];
}

/// <summary>Something that does not fit today.</summary>
/// <param name="Area">Its area.</param>
/// <param name="MaterialId">The material, or null for a whole area.</param>
/// <param name="Title">What it is.</param>
/// <param name="Reason">How long it has waited, or why it waits.</param>
public sealed record Waiting(Area Area, int? MaterialId, string Title, string Reason);

/// <summary>A day laid out.</summary>
public sealed record DayPlan
{
    /// <summary>The practice day.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>Minutes of the sitting.</summary>
    public required int Minutes { get; init; }

    /// <summary>What is done, in order, breaks among it.</summary>
    public required IReadOnlyList<Drill> Drills { get; init; }

    /// <summary>What waits until another day.</summary>
    public IReadOnlyList<Waiting> Waiting { get; init; } = [];

    /// <summary>Drills that the player has left out.</summary>
    public IReadOnlyList<Drill> LeftOut { get; init; } = [];

    /// <summary>Drills that stay when the day is planned anew: locked, or changed by hand.</summary>
    [JsonIgnore]
    public IReadOnlyList<Drill> Kept =>
        [.. Drills.Where(drill => !drill.IsBreak && (drill.Locked || drill.ByHand || drill.MovedTo is not null))];

    /// <summary>What was decided for the day as a whole, in sentences.</summary>
    public IReadOnlyList<string> Summary { get; init; } = [];

    /// <summary>What cannot work in the minutes it has, in sentences with the sum; empty when all of it can.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> Warnings => RealisticLoad.Check(Drills);

    /// <summary>Minutes of drills and breaks together.</summary>
    public int Total => Drills.Sum(drill => drill.Minutes);
}
