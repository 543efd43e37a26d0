namespace TuningFork.Data.Keeping.Archives;

/// <summary>How the rows of a table come into a book that has rows of its own.</summary>
/// <param name="Table">The table.</param>
/// <param name="Same">Two rows are the same thing where these columns agree, after what they point to was found.</param>
internal sealed record MergeRule(string Table, params string[] Same)
{
    /// <summary>True for what a book remembers of itself, by its own numbers: it is of no use in another.</summary>
    public bool IsOfTheBook { get; init; }

    /// <summary>Columns that hold the number of a row of another table.</summary>
    public IReadOnlyList<(string Column, string Table)> Points { get; init; } = [];

    /// <summary>Columns that tell two rows apart only where another one is set: bars, of what belongs to a piece.</summary>
    public (IReadOnlyList<string> Columns, string Set)? Inside { get; init; }

    /// <summary>Columns whose text names rows of other tables: keys of targets and JSON with such keys in it.</summary>
    public IReadOnlyList<string> Texts { get; init; } = [];

    /// <summary>Of a thing that is in both books the state with the later day counts: the column of that day, then the state.</summary>
    public IReadOnlyList<string> State { get; init; } = [];
}

/// <summary>The rules of all tables, in an order in which each finds what its rows point to.</summary>
internal static class MergeRules
{
    private const string Id = "Id";
    private const string Key = "Key";
    private const string Material = "MaterialId";
    private const string Materials = "Materials";

    public static IReadOnlyList<MergeRule> All { get; } =
    [
        // Who plays stays as it is in the book that is added to.
        new("Profiles", Id),
        new("Facts", "Name") { IsOfTheBook = true },
        new("Methods", "Name"),
        new(Materials, "Kind", "Title", "PieceId")
        {
            Inside = (["FromBar", "ToBar"], "PieceId"),
            Points = [("PieceId", Materials), ("SourceId", Materials)],
            Texts = ["Proposed", "WorkJson"],
            State =
            [
                "LastVisit",
                "Visits",
                "Stability",
                "MemoryDifficulty",
                "Slipped",
                "Stuck",
                "LastClean",
                "Best",
                "ReachLog",
                "ReachSpread",
                "Confirmed",
                "NextExample",
            ],
        },
        new("Recordings", Key) { Points = [(Material, Materials)], Texts = ["TargetKey"] },
        new("Heard", Key) { Points = [(Material, Materials)], Texts = ["TargetKey"] },
        new("WarmUps", "Name") { Texts = ["PartsJson"] },
        new("Routines", "Name"),
        new("Keys", Material, Key)
        {
            Points = [(Material, Materials)],
            State = ["LastDay", "Visits", "LastClean", "ReachLog", "ReachSpread", "Tries", "Place", "DoneOn"],
        },
        new("Plans", "Day", "Sitting") { Points = [("RoutineId", "Routines")], Texts = ["PlanJson", "BeforeJson"] },
        new("Sessions", "StartedUtc") { Points = [("PlanId", "Plans")] },
        new("SessionDrills", "SessionId", "Position") { Points = [("SessionId", "Sessions")], Texts = ["DrillJson"] },
        new("Takes", Id) { Points = [("SessionDrillId", "SessionDrills"), (Material, Materials)], Texts = [Key] },
        new("Acts", Id) { Points = [("SessionId", "Sessions")] },
        new("Visits", Material, "Day") { Points = [(Material, Materials)] },
        new("Ratings", Material, "Day") { Points = [(Material, Materials)] },
        new("Music", Material) { Points = [(Material, Materials)] },
        new("MusicFiles", Material) { Points = [(Material, Materials)] },
        new("Pages", Material, "Name", "Bytes") { Points = [(Material, Materials)] },
        new("Boxes", "PageId", "PassageId") { Points = [("PageId", "Pages"), ("PassageId", Materials)] },
        new("Goals", Material, "Kind", "Begun") { Points = [(Material, Materials)] },
        new("Entries", Key) { Points = [("SessionId", "Sessions"), ("SessionDrillId", "SessionDrills"), (Material, Materials)] },
        new("EntriesBefore", "EntryId", "AtUtc") { Points = [("EntryId", "Entries")] },
        new("Bodies", "AtUtc") { Texts = ["Keys"] },
        new("Readings", Key),
        new("EarItems", "Item") { State = ["LastDay", "Stability", "Difficulty", "Due", "Asked", "Right"] },
        new("EarAnswers", Key),
        new("Tunes", "Title"),
        new("Finds", Key) { Points = [("TuneId", "Tunes")] },
        new("Copies", Key),
        new("Spares", Key) { Points = [(Material, Materials)], Texts = ["Thing"] },
        new("Asks", Key) { Texts = [Key] },
        new("ReviewAnswers", "Day", "Topic", Material) { Points = [(Material, Materials)] },
        new("DaysOff", "From", "Until", "Kind"),
        new("DaysMoved", "Day"),
        new("Busy", "FromUtc", "UntilUtc", "Title"),
    ];
}
