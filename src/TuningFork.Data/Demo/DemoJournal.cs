using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the made-up player wrote down.</summary>
internal static class DemoJournal
{
    public static void Write(
        PracticeDb db,
        IReadOnlyList<SessionRow> sessions,
        DateOnly today,
        IReadOnlyList<MaterialRow> materials,
        DemoWords words
    )
    {
        var random = new Random(99);
        var shelf = new Queue<string>(words.Shelf);
        db.Profiles.Local.First().Phrases = string.Join('\n', words.Phrases);
        Unplayed(db, sessions, today, words);
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
                Add(db, session, EntryKind.Session, words.AboutSessions[random.Next(words.AboutSessions.Count)], random, words);
            // About what was missed most: that is what one writes down.
            var about = session
                .Drills.SelectMany(drill => drill.Takes.Select(take => (Drill: drill, take.MaterialId, take.Clean)))
                .GroupBy(take => (take.Drill, take.MaterialId))
                .OrderByDescending(takes => takes.Count(take => !take.Clean))
                .Select(takes => (takes.Key.Drill, Row: materials.FirstOrDefault(row => row.Id == takes.Key.MaterialId)))
                .Select(one => (one.Drill, one.Row, Lines: words.About(one.Row)))
                .FirstOrDefault(one => one.Lines.Count > 0);
            if (about.Drill is not null && random.Next(2) == 0)
                Add(db, session, EntryKind.Drill, about.Lines[random.Next(about.Lines.Count)], random, words, about.Drill, about.Row);
            // Each idea once: nobody puts the same thing on the shelf again and again.
            if (random.Next(25) == 0 && shelf.TryDequeue(out var idea))
                Add(db, session, EntryKind.Shelf, idea, random, words);
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

    /// <summary>Words on a day without playing, and a line that was carried over to today.</summary>
    private static void Unplayed(PracticeDb db, IReadOnlyList<SessionRow> sessions, DateOnly today, DemoWords words)
    {
        var played = sessions.Select(session => session.Day).ToHashSet();
        var free = Enumerable
            .Range(3, 40)
            .Select(back => today.AddDays(-back))
            .FirstOrDefault(day => !played.Contains(day), today.AddDays(-3));
        db.Entries.Add(Of(free, EntryKind.Day, words.NotPlayed, 1));
        var carried = Of(today.AddDays(-2), EntryKind.Session, words.Carried, 2);
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
        DemoWords words,
        SessionDrillRow? drill = null,
        MaterialRow? about = null
    )
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        var why = about is not null && random.Next(3) == 0 ? words.Whys.GetValueOrDefault(about.Difficulty) : default;
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
