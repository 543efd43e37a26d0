using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the made-up player wrote down.</summary>
internal static class DemoJournal
{
    private static readonly string[] AboutDrills =
    [
        "Late into the second bar again: the eye stays on the run.",
        "Better slow. At speed the right hand lifts too far.",
        "Clean when I hear it first.",
        "Rushing after the long note.",
        "Shoulders up by the third try.",
        "The low notes speak now.",
        "Air, not fingers.",
        "Only the join is left.",
        "Three quarters of the misses are the same note.",
    ];

    private static readonly string[] AboutSessions =
    [
        "Short but awake. Start with the jig tomorrow.",
        "Tired; stayed slow and it was worth it.",
        "First time the waltz felt like dancing.",
        "Reading went better once I stopped repairing.",
        "Sang everything before playing it today.",
        "Too fast too soon. Slower tomorrow.",
        "The concert pieces first next time.",
    ];

    private static readonly string[] Shelf =
    [
        "The tune the bakery radio played: find the turn in the middle.",
        "Try the waltz as a slow song.",
    ];

    public static void Write(PracticeDb db, IReadOnlyList<SessionRow> sessions, DateOnly today)
    {
        var random = new Random(99);
        foreach (var session in sessions)
        {
            if (random.Next(3) > 0)
                Add(db, session, EntryKind.Session, AboutSessions[random.Next(AboutSessions.Length)], random);
            var drill = session
                .Drills.Where(drill => drill.Takes.Count > 2 && drill.Takes[0].MaterialId is not null)
                .MaxBy(drill => drill.Takes.Count(take => !take.Clean));
            if (drill is not null && random.Next(2) == 0)
                Add(db, session, EntryKind.Drill, AboutDrills[random.Next(AboutDrills.Length)], random, drill);
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

    private static void Add(PracticeDb db, SessionRow session, EntryKind kind, string text, Random random, SessionDrillRow? drill = null)
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        var materials = drill?.Takes.Select(take => take.MaterialId).Distinct().ToList();
        db.Entries.Add(
            new EntryRow
            {
                Key = new Guid(bytes),
                AtUtc = session.EndedUtc!.Value,
                Day = session.Day,
                Kind = kind,
                SessionId = session.Id,
                SessionDrillId = drill?.Id,
                MaterialId = materials is { Count: 1 } ? materials[0] : null,
                About = drill?.Title ?? "",
                Text = text,
            }
        );
    }
}
