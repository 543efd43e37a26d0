using TuningFork.Core.Notation;

namespace TuningFork.Core.Technique;

/// <summary>How the notes of a line are joined or parted: tongue, bow or touch.</summary>
/// <param name="Id">Short lasting name.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Groups">Sizes of the groups, in turn; more than one note is slurred. Empty: the whole line under slurs of a bar's
/// length.</param>
/// <param name="Short">True when single notes are short.</param>
public sealed record Joining(string Id, string Name, IReadOnlyList<int> Groups, bool Short = false)
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<Joining> All { get; } =
    [
        new("plain", "as it comes", [1]),
        new("slurred", "all slurred", []),
        new("short", "short", [1], Short: true),
        new("pairs", "slurred in pairs", [2]),
        new("two-two", "two slurred, two short", [2, 1, 1], Short: true),
        new("one-three", "one short, three slurred", [1, 3], Short: true),
    ];

    /// <summary>The one with this lasting name.</summary>
    /// <param name="id">Its name.</param>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static Joining Get(string id) =>
        All.FirstOrDefault(joining => joining.Id == id)
        ?? throw new ArgumentException($"There is no articulation called \"{id}\".", nameof(id));

    /// <summary>The notes with slurs and dots.</summary>
    /// <param name="notes">The notes.</param>
    /// <param name="sections">Notes of each section, after which the groups begin anew; together all of them.</param>
    internal List<Element> Apply(IReadOnlyList<Element> notes, IReadOnlyList<int> sections)
    {
        var result = notes.ToList();
        var from = 0;
        foreach (var section in sections)
        {
            Apply(result, from, from + section);
            from += section;
        }

        return result;
    }

    private void Apply(List<Element> notes, int from, int end)
    {
        if (Groups.Count == 0)
        {
            Slur(notes, from, end - from);
            return;
        }

        for (int at = from, turn = 0; at < end; turn++)
        {
            var size = Math.Min(Groups[turn % Groups.Count], end - at);
            if (size > 1)
                Slur(notes, at, size);
            else if (Short)
                notes[at] = notes[at] with { Articulation = Articulation.Staccato };
            at += size;
        }
    }

    private static void Slur(List<Element> notes, int from, int size)
    {
        if (size < 2)
            return;
        notes[from] = notes[from] with { SlurBegins = true };
        notes[from + size - 1] = notes[from + size - 1] with { SlurEnds = true };
    }
}
