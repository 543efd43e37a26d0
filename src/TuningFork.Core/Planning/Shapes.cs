using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>
/// Day shapes that come with the program, each a different way of cutting the time. All stay sensible from 10 to 90 minutes.
/// </summary>
public static class Shapes
{
    /// <summary>The shape that joined the others later.</summary>
    public const string HardBars = "Hands and hard bars";

    /// <summary>The shape used until another is chosen: everything gets its share, short drills interwoven.</summary>
    public static Routine Default => All[0];

    /// <summary>All shapes, with a sentence on what each is for.</summary>
    public static IReadOnlyList<Routine> All { get; } =
    [
        new(
            "Everyday weave",
            [
                new(Area.WarmUp, 1, 6, 20),
                new(Area.SightReading, 2, 3, 12),
                new(Area.Technique, 2, 7, 25, Must: false),
                new(Area.Repertoire, 2, 11, 60),
                new(Area.Ear, 2, 3, 12, Must: false),
                new(Area.Play, 2, 4, 40, Must: false),
            ],
            Interwoven: true
        ),
        new(
            "Equal parts",
            [
                new(Area.WarmUp, 1, 5, 18),
                new(Area.SightReading, 2, 5, 18),
                new(Area.Technique, 2, 5, 18, Must: false),
                new(Area.Repertoire, 2, 5, 40),
                new(Area.Ear, 2, 5, 18, Must: false),
                new(Area.Play, 2, 5, 40, Must: false),
            ],
            Interwoven: false
        ),
        new(
            "At the bench",
            [
                new(Area.WarmUp, 1, 6, 20),
                new(Area.SightReading, 2, 2, 8),
                new(Area.Technique, 3, 14, 45),
                new(Area.Repertoire, 2, 5, 40, Must: false),
                new(Area.Ear, 2, 2, 10, Must: false),
                new(Area.Play, 1, 2, 30, Must: false),
            ],
            Interwoven: false
        ),
        new(
            "Mostly music",
            [
                new(Area.WarmUp, 1, 5, 15),
                new(Area.SightReading, 2, 2, 10),
                new(Area.Technique, 2, 3, 12, Must: false),
                new(Area.Repertoire, 3, 13, 90),
                new(Area.Ear, 2, 2, 8, Must: false),
                new(Area.Play, 2, 6, 60, Must: false),
            ],
            Interwoven: false
        ),
        new(
            "Work and rest",
            [
                new(Area.WarmUp, 1, 5, 15),
                new(Area.SightReading, 2, 2, 10),
                new(Area.Repertoire, 4, 14, 49, Rounds: new WorkRest(4, 1)),
                new(Area.Technique, 4, 9, 24, Must: false, Rounds: new WorkRest(4, 1)),
                new(Area.Ear, 2, 3, 12, Must: false),
                new(Area.Play, 2, 4, 30, Must: false),
            ],
            Interwoven: false
        ),
        new(
            "Quarter hours apart",
            [
                new(Area.WarmUp, 1, 4, 10),
                new(Area.SightReading, 2, 3, 8),
                new(Area.Technique, 3, 8, 15, Must: false),
                new(Area.Repertoire, 3, 10, 15),
                new(Area.Ear, 2, 3, 10, Must: false),
                new(Area.Repertoire, 3, 10, 40, Must: false),
                new(Area.Play, 2, 5, 30, Must: false),
            ],
            Interwoven: false
        ),
        new(
            "A touch of everything",
            [
                new(Area.WarmUp, 1, 2, 15),
                new(Area.SightReading, 2, 2, 10),
                new(Area.Technique, 1, 2, 20),
                new(Area.Repertoire, 2, 3, 40),
                new(Area.Ear, 1, 2, 15),
                new(Area.Play, 1, 2, 30),
            ],
            Interwoven: false
        ),
        new(HardBars, [new(Area.WarmUp, 1, 3, 10), new(Area.Technique, 3, 8, 25), new(Area.Repertoire, 3, 9, 40)], Interwoven: true),
        new(
            "Long and speckled",
            [
                new(Area.WarmUp, 1, 10, 25),
                new(Area.SightReading, 2, 5, 15),
                new(Area.Technique, 2, 12, 25, Must: false),
                new(Area.Repertoire, 2, 15, 60),
                new(Area.Ear, 1, 5, 12, Must: false),
                new(Area.Technique, 2, 8, 20, Must: false),
                new(Area.Repertoire, 2, 15, 60, Must: false),
                new(Area.Ear, 1, 5, 12, Must: false),
                new(Area.Play, 1, 8, 40, Must: false),
            ],
            Interwoven: true
        ),
    ];

    /// <summary>Whether a routine is one of these as it came: the same name and the same blocks.</summary>
    /// <param name="routine">The routine.</param>
    public static bool IsShipped(Routine routine)
    {
        ArgumentNullException.ThrowIfNull(routine);
        return All.Any(shape =>
            shape.Name == routine.Name
            && shape.Interwoven == routine.Interwoven
            && shape.Blocks.Select(Bare).SequenceEqual(routine.Blocks.Select(Bare))
            && routine.Blocks.All(block => block is { Name: "", Materials.Count: 0, Ideas.Count: 0, Shelf: false })
        );
    }

    /// <summary>Whether the warm-up of a routine is measured by the sitting: that of a shape whose warm-up nobody has changed.</summary>
    /// <param name="routine">The routine.</param>
    internal static bool GoesByTheSitting(Routine routine) =>
        All.Any(shape => shape.Name == routine.Name && WarmUps(shape).SequenceEqual(WarmUps(routine)));

    private static IEnumerable<object> WarmUps(Routine routine) => routine.Blocks.Where(block => block.Area == Area.WarmUp).Select(Bare);

    private static object Bare(Block block) => (block.Area, block.Least, block.Wanted, block.Most, block.Must, block.Fixed, block.Rounds);

    /// <summary>What a shape is for, in a sentence; empty for a routine of one's own.</summary>
    /// <param name="name">The name of a shape of <see cref="All"/>.</param>
    public static string Purpose(string name) =>
        name switch
        {
            "Everyday weave" => "Everything gets its share; short drills of technique, repertoire and ear are mixed.",
            "Equal parts" => "The same time for each area, one after the other.",
            "At the bench" => "Technique gets about half; the music waits its turn.",
            "Mostly music" => "Extra time goes to playing music.",
            "Work and rest" => "Four minutes of work, one of rest, in rounds.",
            "Quarter hours apart" => "Pieces of 10 to 15 minutes that can be scattered over a day.",
            "A touch of everything" => "A minute or two of each on a bad day; never stays.",
            HardBars => "Technique and passages only, for about 20 minutes.",
            "Long and speckled" => "A long session in many small segments.",
            _ => "",
        };
}
