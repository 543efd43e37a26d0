using System.Text.Json.Serialization;
using TuningFork.Core.Ability;
using TuningFork.Core.Notation;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>One thing a drill is about.</summary>
public sealed record Target
{
    /// <summary>Lasting key: "m:12" for a material, "book:3:41" for an example, "ear:up" for an ear task.</summary>
    public required string Key { get; init; }

    /// <summary>The material's number, or null.</summary>
    public int? MaterialId { get; init; }

    /// <summary>What it is called: "Ferry Waltz, 17–18".</summary>
    public required string Title { get; init; }

    /// <summary>What makes it neighbour of its own kind: the piece, the exercise, the book it belongs to.</summary>
    public string Group { get; init; } = "";

    /// <summary>Tempo of the first take, or null.</summary>
    public Bpm? Tempo { get; init; }

    /// <summary>What is believed of the player's reach before the first take, in beats; null where the tempo stays as it is.</summary>
    public Morning? Able { get; init; }

    /// <summary>What the method wants of the tempo.</summary>
    public Pace Pace { get; init; }

    /// <summary>Multiplies the tempo: below 1 on a day on which nothing should be hard.</summary>
    public double Ease { get; init; } = 1;

    /// <summary>Target tempo, or null.</summary>
    public Bpm? Goal { get; init; }

    /// <summary>The note the tempo counts.</summary>
    public Beat Beat { get; init; } = Beat.Quarter;

    /// <summary>Seconds of one take, set-up counted; 0 when takes are not measured.</summary>
    public int TakeSeconds { get; init; }

    /// <summary>The bar it begins with.</summary>
    public int FromBar { get; init; } = 1;

    /// <summary>The bar after which to stop, or null.</summary>
    public int? StopAfterBar { get; init; }

    /// <summary>What was noted about it, or empty.</summary>
    public string Note { get; init; } = "";

    /// <summary>Whether the drone sounds with it; null for as it is set.</summary>
    public bool? Drone { get; init; }

    /// <summary>What it is made of beside a line of notes, or null.</summary>
    public Work? Work { get; init; }

    /// <summary>Keys or chords that came late when it was last played, by index, hardest first.</summary>
    public IReadOnlyList<int> Hard { get; init; } = [];

    /// <summary>Where it stood: the step that comes next, the set of a shuttle, or the right answers to an ear task of late, from 0.</summary>
    public int Place { get; init; }
}

/// <summary>One timed unit of a day: a method applied to one thing or to several, or a break.</summary>
public sealed record Drill
{
    /// <summary>Lasting within its plan.</summary>
    public required string Id { get; init; }

    /// <summary>What it trains; null for a break.</summary>
    public Area? Area { get; init; }

    /// <summary>The method; none for a break.</summary>
    public MethodId MethodId { get; init; }

    /// <summary>The method itself where the player has defined it; else null.</summary>
    public Method? Own { get; init; }

    /// <summary>What it is about.</summary>
    public required string Title { get; init; }

    /// <summary>What to do, in a few words; for a warm-up or a break where the method alone does not say it.</summary>
    public string How { get; init; } = "";

    /// <summary>Whole minutes.</summary>
    public required int Minutes { get; init; }

    /// <summary>Seconds on top of the minutes, left over by drills before it.</summary>
    public int SavedSeconds { get; init; }

    /// <summary>Seconds it has in all.</summary>
    [JsonIgnore]
    public int Seconds => (Minutes * 60) + SavedSeconds;

    /// <summary>
    /// True when the player has given it its minutes, its method or its place in the plan: it stays when the day is planned anew.
    /// </summary>
    public bool ByHand { get; init; }

    /// <summary>What <see cref="MovedTo"/> says of a drill that is to come last, however long the plan.</summary>
    public const int LastPlace = int.MaxValue;

    /// <summary>Place in the plan, from 0, to which the player has moved it; null when it was not moved.</summary>
    public int? MovedTo { get; init; }

    /// <summary>Why it is there today.</summary>
    public string Reason { get; init; } = "";

    /// <summary>The arithmetic of rounds and takes, or empty.</summary>
    public string Sum { get; init; } = "";

    /// <summary>True when planning anew must leave it.</summary>
    public bool Locked { get; init; }

    /// <summary>Minutes of work and rest in turns, or null.</summary>
    public int? WorkMinutes { get; init; }

    /// <summary>Minutes of rest between two rounds of work, or null.</summary>
    public int? RestMinutes { get; init; }

    /// <summary>What it is about, one or several.</summary>
    public IReadOnlyList<Target> Targets { get; init; } = [];

    /// <summary>For drills in rounds: indices into <see cref="Targets"/>, one a take; else empty.</summary>
    public IReadOnlyList<int> Sequence { get; init; } = [];

    /// <summary>For drills in rounds: how the takes are mixed; else null.</summary>
    public Mix? Mix { get; init; }

    /// <summary>Takes that the player has chosen for it, where its method counts takes; null for the method's own.</summary>
    public int? Times { get; init; }

    /// <summary>For drills in rounds: rounds at most, or null where its time decides.</summary>
    public int? MostRounds { get; init; }

    /// <summary>Takes after which help was last offered and answered.</summary>
    public int HelpedAt { get; init; }

    /// <summary>Of a growing chain: how many steps it has; null for other drills.</summary>
    public int? Links { get; init; }

    /// <summary>True when the steps of a chain are the notes of its music; false when the notes are not known and they are beats.</summary>
    public bool LinksAreNotes { get; init; }

    /// <summary>An area to which its minutes are credited as well, though they count once; or null.</summary>
    public Area? CreditedTo { get; init; }

    /// <summary>Makes ear questions again.</summary>
    public int Seed { get; init; }

    /// <summary>Name of the routine's block that it belongs to, where that has one; else empty.</summary>
    public string Block { get; init; } = "";

    /// <summary>True for a break.</summary>
    public bool IsBreak => Area is null;
}
