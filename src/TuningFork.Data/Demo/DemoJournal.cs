using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the made-up player wrote down.</summary>
internal static class DemoJournal
{
    /// <summary>Lines about a passage, by what is difficult in it.</summary>
    private static readonly Dictionary<string, string[]> AboutPassages = new(StringComparer.Ordinal)
    {
        ["fingering"] =
        [
            "Better slow. At speed the right hand lifts too far.",
            "Little fingers were ready before the beat: clean at once.",
        ],
        ["join"] = ["Only the join is left.", "I stop listening at the join. Sing over it first."],
        ["rhythm"] = ["Late again: I count only after the first miss.", "Clapped it twice, then it was there."],
        ["coordination"] = ["Shoulders up by the third try.", "Tongue ahead of the fingers. Half as strong, then together."],
        ["tone"] = ["Clean when I hear it first.", "Thin when I bite. Air, not lips."],
        ["intonation"] = ["Sharp when I hurry, in tune when I wait.", "With the drone I hear it at once."],
    };

    /// <summary>Lines about an exercise, by its title.</summary>
    private static readonly Dictionary<string, string[]> AboutExercises = new(StringComparer.Ordinal)
    {
        ["Scale, two octaves"] = ["Uneven over the break, even below it.", "The new keys cost a look each. Slower than I think."],
        ["F major, one octave at a time"] = ["Each octave alone is fine; joined, the upper one rushes."],
        ["D minor arpeggio"] = ["The top note is squeezed. More air on the way up."],
        ["Crossing the break in pairs"] =
        [
            "Quiet fingers: the left hand moves before the air does.",
            "Only when I stop checking does it cross.",
        ],
        ["Staccato on one note"] = ["After half a minute the tongue gets heavy. Shorter, twice."],
        ["Chromatic thirds, low register"] = ["Low fork fingerings are the slow ones."],
        ["Throat notes, one by one"] = ["Covering with the right hand helps more than I believed."],
        ["Single strokes, even hands"] = ["The left hand is lighter. Begin with the left tomorrow."],
        ["Doubles, soft"] = ["The second stroke dies away above 110. Lower, not harder."],
    };

    private static readonly string[] AboutReading =
    [
        "Kept going twice where I used to stop.",
        "Looked a bar ahead for whole lines.",
        "Read better once I stopped repairing.",
    ];

    private static readonly string[] AboutSessions =
    [
        "Short but awake. Start with what slipped tomorrow.",
        "Tired; stayed slow and it was worth it.",
        "Sang everything before playing it today.",
        "Too fast too soon. Slower tomorrow.",
        "The hard bars first next time, while I am fresh.",
        "Twenty quiet minutes. More than I had hoped for.",
        "Wrote down less, played more.",
    ];

    private static readonly string[] Shelf =
    [
        "The tune the bakery radio played: find the turn in the middle.",
        "Make something from three notes, and nothing else.",
    ];

    public static void Write(PracticeDb db, IReadOnlyList<SessionRow> sessions, DateOnly today, IReadOnlyList<MaterialRow> materials)
    {
        var random = new Random(99);
        foreach (var session in sessions)
        {
            if (random.Next(3) > 0)
                Add(db, session, EntryKind.Session, AboutSessions[random.Next(AboutSessions.Length)], random);
            // About what was missed most: that is what one writes down.
            var about = session
                .Drills.SelectMany(drill => drill.Takes.Select(take => (Drill: drill, take.MaterialId, take.Clean)))
                .GroupBy(take => (take.Drill, take.MaterialId))
                .OrderByDescending(takes => takes.Count(take => !take.Clean))
                .Select(takes => (takes.Key.Drill, Row: materials.FirstOrDefault(row => row.Id == takes.Key.MaterialId)))
                .Select(one => (one.Drill, one.Row, Lines: About(one.Row)))
                .FirstOrDefault(one => one.Lines.Length > 0);
            if (about.Drill is not null && random.Next(2) == 0)
                Add(db, session, EntryKind.Drill, about.Lines[random.Next(about.Lines.Length)], random, about.Drill, about.Row!.Id);
            if (random.Next(25) == 0)
                Add(db, session, EntryKind.Shelf, Shelf[random.Next(Shelf.Length)], random);
            if (random.Next(6) == 0)
                db.Bodies.Add(
                    new BodyRow
                    {
                        Day = session.Day,
                        AtUtc = session.EndedUtc!.Value,
                        Tension = session.Day.AddDays(4) > today ? 1 : random.Next(3),
                    }
                );
        }
    }

    /// <summary>What there is to say about a thing, true of it; nothing where there is no such line.</summary>
    private static string[] About(MaterialRow? row) =>
        row switch
        {
            { Kind: MaterialKind.Passage } => AboutPassages.GetValueOrDefault(row.Difficulty, []),
            { Kind: MaterialKind.Book } => AboutReading,
            { } => AboutExercises.GetValueOrDefault(row.Title, []),
            null => [],
        };

    private static void Add(
        PracticeDb db,
        SessionRow session,
        EntryKind kind,
        string text,
        Random random,
        SessionDrillRow? drill = null,
        int? material = null
    )
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        db.Entries.Add(
            new EntryRow
            {
                Key = new Guid(bytes),
                AtUtc = session.EndedUtc!.Value,
                Day = session.Day,
                Kind = kind,
                SessionId = session.Id,
                SessionDrillId = drill?.Id,
                MaterialId = material,
                About = drill?.Title ?? "",
                Text = text,
            }
        );
    }
}
