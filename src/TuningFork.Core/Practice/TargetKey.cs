using System.Globalization;

namespace TuningFork.Core.Practice;

/// <summary>What kind of thing a take is of.</summary>
public enum TargetKind
{
    /// <summary>A material, or a part of one.</summary>
    Material,

    /// <summary>A part of a version of the warm-up.</summary>
    WarmUp,

    /// <summary>An example of a book.</summary>
    Example,

    /// <summary>A song to play along with.</summary>
    Song,

    /// <summary>Anything else: an ear task, something from the shelf.</summary>
    Other,
}

/// <summary>Which part of a material a take is of.</summary>
public enum TargetPart
{
    /// <summary>All of it.</summary>
    Whole,

    /// <summary>One of its keys.</summary>
    Key,

    /// <summary>A pattern, or two that are joined.</summary>
    Pattern,

    /// <summary>Some of its bars.</summary>
    Bars,

    /// <summary>With fewer notes to the click.</summary>
    Density,

    /// <summary>Played otherwise than it is written.</summary>
    Variant,

    /// <summary>A rung of the subdivision ladder.</summary>
    Rung,

    /// <summary>One of its two limits: as fast, or as slowly as it goes.</summary>
    Limit,

    /// <summary>A number of a book of technique.</summary>
    Number,
}

/// <summary>
/// What a take is of, as it is kept for good: "m:12" a material, "m:12:k:Bb major" in a key, "m:12:p:3+4" two patterns joined,
/// "m:12:b:17-18" bars of it, "m:12:h:eighth" with fewer notes, "m:12:v:chain" altered, "m:12:r:eighth" or "m:12:r:eighth:Bb major" on a rung, "m:12:l:fastest" at a limit, "m:12:n:7" a number of a book of technique; "w:3:1" a part of a warm-up; "book:5:7" an
/// example; "song:4" a song to play along with. Nothing else writes or reads these.
/// </summary>
/// <param name="Kind">What it is of.</param>
/// <param name="Id">The material, the version of the warm-up or the book; 0 for others.</param>
/// <param name="Part">The part of a material.</param>
/// <param name="Name">Name of the part; the place of a warm-up part; the number of an example; empty for a whole.</param>
public readonly record struct TargetKey(TargetKind Kind, int Id, TargetPart Part, string Name)
{
    private static readonly (TargetPart Part, string Letter)[] Letters =
    [
        (TargetPart.Key, "k"),
        (TargetPart.Pattern, "p"),
        (TargetPart.Bars, "b"),
        (TargetPart.Density, "h"),
        (TargetPart.Variant, "v"),
        (TargetPart.Rung, "r"),
        (TargetPart.Limit, "l"),
        (TargetPart.Number, "n"),
    ];

    /// <summary>The key in which it is played: "Bb major"; empty where none is said.</summary>
    public string InKey =>
        Part == TargetPart.Key ? Name
        : Part == TargetPart.Rung && Name.Split(':') is [_, var key] ? key
        : "";

    /// <summary>The rhythm it is set in, otherwise than the sheet is: "eighth"; empty where none is said.</summary>
    public string InRhythm => Part is TargetPart.Density or TargetPart.Rung ? Name.Split(':')[0] : "";

    /// <summary>Name of the part as a number; -1 where it is none.</summary>
    public int Number => int.TryParse(Name, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : -1;

    /// <summary>A whole material.</summary>
    /// <param name="material">Its number.</param>
    public static string Of(int material) => $"m:{material}";

    /// <summary>A part of a material.</summary>
    /// <param name="material">Its number.</param>
    /// <param name="part">What kind of part.</param>
    /// <param name="name">Which: "Bb major", "3+4", "17-18", "eighth", "chain".</param>
    public static string Of(int material, TargetPart part, string name) =>
        part == TargetPart.Whole ? Of(material) : $"m:{material}:{Letters.First(one => one.Part == part).Letter}:{name}";

    /// <summary>A rung of the subdivision ladder of a material.</summary>
    /// <param name="material">Its number.</param>
    /// <param name="rhythm">Lasting name of the rhythm: "eighth".</param>
    /// <param name="key">The key, or null where the material stays in one.</param>
    public static string Rung(int material, string rhythm, string? key) =>
        Of(material, TargetPart.Rung, key is null ? rhythm : $"{rhythm}:{key}");

    /// <summary>A part of a version of the warm-up.</summary>
    /// <param name="version">The version.</param>
    /// <param name="place">Its place in the version, from 0; -1 for the opening.</param>
    public static string WarmUp(int version, int place) => $"w:{version}:{place}";

    /// <summary>An example of a book.</summary>
    /// <param name="book">The book.</param>
    /// <param name="number">The number of the example.</param>
    public static string Example(int book, int number) => $"book:{book}:{number}";

    /// <summary>A song to play along with.</summary>
    /// <param name="recording">The number of its recording.</param>
    public static string Song(int recording) => $"song:{recording}";

    /// <summary>Reads one; what is not of these forms is of another kind.</summary>
    /// <param name="key">The key as it is kept.</param>
    public static TargetKey Parse(string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        var parts = key.Split(':', 4);
        var id = parts.Length > 1 && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : -1;
        return parts switch
        {
            ["m", _] when id >= 0 => new TargetKey(TargetKind.Material, id, TargetPart.Whole, ""),
            // Older drills say no more than that there are half as many notes.
            ["m", _, "h"] when id >= 0 => new TargetKey(TargetKind.Material, id, TargetPart.Density, ""),
            ["m", _, var letter, var name] when id >= 0 && Array.Find(Letters, one => one.Letter == letter) is { Letter: not null } found =>
                new TargetKey(TargetKind.Material, id, found.Part, name),
            ["w", _, var place] when id >= 0 => new TargetKey(TargetKind.WarmUp, id, TargetPart.Whole, place),
            ["book", _, var example] when id >= 0 => new TargetKey(TargetKind.Example, id, TargetPart.Whole, example),
            ["song", _] when id >= 0 => new TargetKey(TargetKind.Song, id, TargetPart.Whole, ""),
            _ => new TargetKey(TargetKind.Other, 0, TargetPart.Whole, key),
        };
    }

    /// <summary>Whether a key is of a material or of a part of it.</summary>
    /// <param name="key">The key as it is kept.</param>
    /// <param name="material">The material.</param>
    public static bool IsOf(string key, int material) => Parse(key) is { Kind: TargetKind.Material } parsed && parsed.Id == material;
}
