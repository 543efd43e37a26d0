using TuningFork.Core.Theory;

namespace TuningFork.Core.Technique;

/// <summary>In which direction each interval or chord is broken on the way up; the way down is its mirror.</summary>
public enum ShapeWay
{
    /// <summary>From its lowest note: C E, D F, E G.</summary>
    Up,

    /// <summary>From its highest note: E C, F D, G E.</summary>
    Down,

    /// <summary>In turns: C E, F D, E G.</summary>
    Mixed,
}

/// <summary>An interval or a chord that is moved through a scale step by step.</summary>
/// <param name="Id">Short lasting name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Steps">Its notes as steps of the scale above the one it stands on, from 0.</param>
public sealed record ScaleShape(string Id, string Name, IReadOnlyList<int> Steps)
{
    /// <summary>Thirds, sixths, triads and seventh chords (common practice).</summary>
    public static IReadOnlyList<ScaleShape> All { get; } =
    [
        new("thirds", "thirds", [0, 2]),
        new("fourths", "fourths", [0, 3]),
        new("sixths", "sixths", [0, 5]),
        new("triads", "triads", [0, 2, 4]),
        new("sevenths", "seventh chords", [0, 2, 4, 6]),
    ];

    /// <summary>The shape with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static ScaleShape Get(string id) =>
        All.FirstOrDefault(shape => shape.Id == id) ?? throw new ArgumentException($"There is no shape called \"{id}\".", nameof(id));

    /// <summary>The shape on every step of the scale it has room on, up and back without the highest one again, to the first note.</summary>
    /// <param name="figure">The scale.</param>
    /// <param name="first">Its first note.</param>
    /// <param name="octaves">Octaves.</param>
    /// <param name="way">How it is broken.</param>
    internal IReadOnlyList<Pitch> Line(Figure figure, Pitch first, int octaves, ShapeWay way)
    {
        var up = figure.Up(first, octaves);
        var down = figure.Down(first, octaves).Reverse().ToList();
        var last = up.Count - 1 - Steps[^1];
        bool FromAbove(int step) => way == ShapeWay.Down || (way == ShapeWay.Mixed && step % 2 == 1);
        IEnumerable<Pitch> On(IReadOnlyList<Pitch> scale, int step, bool fromAbove) =>
            (fromAbove ? Steps.Reverse() : Steps).Select(above => scale[step + above]);
        List<Pitch> line =
        [
            .. Enumerable.Range(0, last + 1).SelectMany(step => On(up, step, FromAbove(step))),
            .. Enumerable.Range(0, last).Reverse().SelectMany(step => On(down, step, !FromAbove(step))),
        ];
        return line[^1] == first ? line : [.. line, first];
    }
}
