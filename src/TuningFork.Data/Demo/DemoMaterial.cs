using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;
using static TuningFork.Data.Demo.DemoRows;

namespace TuningFork.Data.Demo;

/// <summary>Something the made-up player works at.</summary>
/// <param name="Row">The material.</param>
/// <param name="DaysKnown">Days before today on which it was entered.</param>
/// <param name="Ceiling">Part of the target at which it got stuck, or null.</param>
/// <param name="Slips">Whether it fell apart when last played.</param>
internal sealed record DemoItem(MaterialRow Row, int DaysKnown, double? Ceiling = null, bool Slips = false);

/// <summary>The clarinettist's material; every title is invented.</summary>
internal static class DemoMaterial
{
    public static ProfileRow Profile() =>
        new()
        {
            Instrument = "B-flat clarinet",
            Family = Family.Winds,
            Transposition = -2,
            WeekdayMinutes = "30,30,30,30,20,45,45",
            WishedHours = "18:30,18:30,19:00,18:30,20:00,10:30,10:30",
            LessonWeekday = 2,
            EarCentre = 57,
            Version = 1,
        };

    public static IReadOnlyList<DemoItem> All(DateOnly today)
    {
        var ferry = Piece("Ferry Waltz", 48, 3, 120, today.AddDays(19));
        var jig = Piece("Orchard Jig", 32, 2, 104, today.AddDays(19), Beat.DottedQuarter);
        var lantern = Piece("Lantern Song", 24, 4, 66, null);
        lantern.Readiness = Readiness.Ready;
        var march = Piece("March of the Kettles", 64, 2, 100, today.AddDays(19));
        var harbour = Piece("Harbour at Five", 40, 4, 84, null);
        return
        [
            new(ferry, 96),
            new(jig, 82),
            new(lantern, 130),
            new(march, 40),
            new(harbour, 6),
            new(Passage(ferry, 8, 9, "join", "Breathe before 8, not between."), 95),
            new(Passage(ferry, 17, 18, "fingering", "Right hand stays down over the break."), 95),
            new(Passage(ferry, 26, 26, "rhythm", "Count the dotted beat in three."), 88),
            new(Passage(ferry, 31, 33, "fingering", "A major run: left-hand C sharp."), 46, Ceiling: 0.6),
            new(Passage(ferry, 44, 45, "tone", "High entry: hear it first."), 90),
            new(Passage(jig, 1, 2, "rhythm", ""), 80),
            new(Passage(jig, 9, 10, "coordination", "Tongue and fingers together, lightly."), 80, Slips: true),
            new(Passage(jig, 24, 24, "fingering", "Left little finger on low F."), 78),
            new(Passage(jig, 29, 30, "join", ""), 60),
            new(Passage(march, 5, 8, "coordination", "Short, not loud."), 38),
            new(Passage(march, 21, 22, "rhythm", ""), 38),
            new(Passage(march, 40, 41, "fingering", "Fork or side key: side key here."), 20),
            new(Passage(harbour, 12, 14, "intonation", "Throat notes: cover more."), 5),
            new(
                Sheet(
                    "Scale, two octaves",
                    4,
                    104,
                    """{"figure":"scale","kind":"major","tonic":"F","octaves":2,"rhythm":"eighth"}""",
                    inKeys: true
                ),
                110
            ),
            new(
                Sheet(
                    "F major, one octave at a time",
                    8,
                    112,
                    """{"figure":"scale","kind":"major","tonic":"F","octaves":2,"order":"ByOctavesThenJoined","rhythm":"eighth","joining":"pairs"}"""
                ),
                130
            ),
            new(
                Sheet("D minor arpeggio", 2, 96, """{"figure":"arpeggio","kind":"minor","tonic":"D","octaves":2,"rhythm":"triplet"}"""),
                120
            ),
            new(Exercise("Crossing the break in pairs", 4, 92, serves: "fingering,coordination"), 100, Ceiling: 0.6),
            new(
                Sheet(
                    "Pattern 8 (2143) in E",
                    6,
                    116,
                    """{"figure":"pattern","kind":"major","tonic":"E","octaves":1,"patternSize":4,"patternNumber":8,"rhythm":"eighth"}"""
                ),
                64
            ),
            new(Exercise("Staccato on one note", 2, 132, serves: "coordination,rhythm"), 75),
            new(Exercise("Chromatic thirds, low register", 8, 88, serves: "fingering"), 30),
            new(
                Made(
                    "Throat notes, one by one",
                    new Work(WorkKind.Steps) { Items = ["G4", "G♯4", "A4", "B♭4", "A4 to B4", "B♭4 to C5"] },
                    2,
                    null,
                    "intonation,tone"
                ),
                26
            ),
            new(
                Made(
                    "Six keys without searching",
                    new Work(WorkKind.Shuttle) { Items = ["D major", "Ab major", "E major", "Bb major", "F# minor", "C minor"], Beats = 8 },
                    6,
                    92,
                    "fingering"
                ),
                22
            ),
            new(
                Made(
                    "Patterns of three",
                    new Work(WorkKind.Patterns) { Patterns = new PatternPlan(3, 1, false, today.AddDays(-16)) },
                    4,
                    112,
                    "fingering,coordination",
                    """{"figure":"pattern","kind":"major","tonic":"G","octaves":1,"patternSize":3,"patternNumber":1,"rhythm":"triplet"}"""
                ),
                16
            ),
            new(
                new MaterialRow
                {
                    Kind = MaterialKind.Book,
                    Title = "Two Hundred Small Tunes",
                    Area = Area.SightReading,
                    Examples = 200,
                    NextExample = 1,
                    PerDay = 3,
                },
                44
            ),
        ];
    }
}
