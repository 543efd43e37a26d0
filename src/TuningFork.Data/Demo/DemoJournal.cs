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

    /// <summary>Why it went as it did, what helps, what to do next time, and a tag; by what is difficult.</summary>
    private static readonly Dictionary<string, (string Cause, string Remedy, string NextTime, string Tag)> Whys = new(
        StringComparer.Ordinal
    )
    {
        ["fingering"] = (
            "fingers far from the keys",
            "half as fast, fingers close",
            "two slow takes before the first quick one",
            "fingers"
        ),
        ["join"] = ("I breathe where the music does not", "sing over the bar line", "begin a bar earlier", "breath"),
        ["rhythm"] = ("counting starts too late", "clap it first", "count a bar aloud before the first take", "counting"),
        ["coordination"] = ("tongue before fingers", "slur it once, then tongue it", "slurred first", "tongue"),
        ["tone"] = ("biting", "long notes on its top note", "one long note before it", "reed"),
    };

    private static readonly string[] Phrases = ["Hurried.", "Reed too soft.", "Tired, kept it short.", "Sang it first.", "Cold hands."];

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
        db.Profiles.Local.First().Phrases = string.Join('\n', Phrases);
        Unplayed(db, sessions, today);
        db.DaysOff.Add(
            new DayOffRow
            {
                From = today.AddDays(8),
                Until = today.AddDays(8),
                Kind = Core.Planning.DayOffKind.LateShift,
                Minutes = 10,
            }
        );
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
                Add(db, session, EntryKind.Drill, about.Lines[random.Next(about.Lines.Length)], random, about.Drill, about.Row);
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

    /// <summary>Words on a day without playing, and a line that was carried over to today.</summary>
    private static void Unplayed(PracticeDb db, IReadOnlyList<SessionRow> sessions, DateOnly today)
    {
        var played = sessions.Select(session => session.Day).ToHashSet();
        var free = Enumerable
            .Range(3, 40)
            .Select(back => today.AddDays(-back))
            .FirstOrDefault(day => !played.Contains(day), today.AddDays(-3));
        db.Entries.Add(
            Of(free, EntryKind.Day, "Not played: late home. Heard the march in my head on the way, the middle part is clear now.", 1)
        );
        var carried = Of(today.AddDays(-2), EntryKind.Session, "Ask in the section where they breathe before the last page.", 2);
        carried.CarriedTo = today;
        db.Entries.Add(carried);

        static EntryRow Of(DateOnly day, EntryKind kind, string text, byte number) =>
            new()
            {
                Key = new Guid(number, 0, 0, new byte[8]),
                AtUtc = day.ToDateTime(new TimeOnly(20, 15), DateTimeKind.Utc),
                Day = day,
                Kind = kind,
                Text = text,
            };
    }

    private static void Add(
        PracticeDb db,
        SessionRow session,
        EntryKind kind,
        string text,
        Random random,
        SessionDrillRow? drill = null,
        MaterialRow? about = null
    )
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        var why = about is not null && random.Next(3) == 0 ? Whys.GetValueOrDefault(about.Difficulty) : default;
        db.Entries.Add(
            new EntryRow
            {
                Cause = why.Cause ?? "",
                Remedy = why.Remedy ?? "",
                NextTime = why.NextTime ?? "",
                Tags = why.Tag is null ? "" : $"\n{why.Tag}\n",
                Key = new Guid(bytes),
                AtUtc = session.EndedUtc!.Value,
                Day = session.Day,
                Kind = kind,
                SessionId = session.Id,
                SessionDrillId = drill?.Id,
                MaterialId = about?.Id,
                About = drill?.Title ?? "",
                Text = text,
            }
        );
    }
}
