using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;
using static TuningFork.Data.Demo.DemoRows;

namespace TuningFork.Data.Demo;

/// <summary>The drummer's material: grooves and rudiments, no pitch; every title is invented.</summary>
internal static class DemoGrooves
{
    public static ProfileRow Profile() =>
        new()
        {
            Instrument = "Hand drum",
            Family = Family.Percussion,
            WeekdayMinutes = "20,20,30,20,20,40,30",
            Version = 1,
        };

    public static IReadOnlyList<DemoItem> All(DateOnly today)
    {
        var circle = Piece("Circle at the Well", 32, 4, 108, today.AddDays(26));
        var seven = Piece("Seven Steps Down", 28, 7, 176, today.AddDays(26), Beat.Eighth);
        var rain = Piece("Rain on Tin", 16, 4, 84, null);
        rain.Readiness = Readiness.Ready;
        return
        [
            new(circle, 90),
            new(seven, 60),
            new(rain, 125),
            new(Passage(circle, 7, 8, "coordination", "Left hand keeps the low tone."), 88),
            new(Passage(circle, 15, 16, "join", "The break: count through it."), 84),
            new(Passage(circle, 25, 26, "rhythm", ""), 70, Slips: true),
            new(Passage(seven, 1, 2, "rhythm", "Count two, two, three."), 58),
            new(Passage(seven, 12, 14, "coordination", ""), 50, Ceiling: 0.74),
            new(Passage(seven, 21, 22, "tone", "Slaps open, not pinched."), 44),
            new(Exercise("Single strokes, even hands", 4, 160, serves: "tone,coordination"), 125),
            new(Exercise("Doubles, soft", 4, 132), 110, Ceiling: 0.85),
            new(
                Made(
                    "Low, open, slap, open",
                    new Work(WorkKind.Groove) { Text = "slap: ....x.......x...\nopen: ..x...x...x...x.\nlow:  X.......x......." },
                    1,
                    120,
                    "tone,coordination"
                ),
                95
            ),
            new(
                Made(
                    "Groove of four, left hand leads",
                    new Work(WorkKind.Groove)
                    {
                        Text =
                            "slap: ....X.......X..o | ....X.......X...\nopen: ..x..x..x.x...x. | ..x..x..x.x.x.x.\nlow:  X.....x...x..... | X.....x...x.....",
                    },
                    2,
                    112,
                    "coordination,rhythm"
                ),
                70
            ),
            new(
                Made(
                    "Seven as two, two, three",
                    new Work(WorkKind.Groove) { Text = "7 beats of 2\nslap: ..x...x...x.x.\nlow:  X...x...x....." },
                    1,
                    168,
                    "rhythm"
                ),
                55
            ),
            new(
                new MaterialRow
                {
                    Kind = MaterialKind.Book,
                    Title = "Ninety Small Rhythms",
                    Area = Area.SightReading,
                    Examples = 90,
                    NextExample = 1,
                    PerDay = 2,
                },
                30
            ),
        ];
    }
}
