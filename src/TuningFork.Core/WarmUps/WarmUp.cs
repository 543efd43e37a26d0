using System.Text.RegularExpressions;

namespace TuningFork.Core.WarmUps;

/// <summary>The four elements of a warm-up, in the order in which they are played.</summary>
public enum WarmUpElement
{
    /// <summary>Tuning turned into long tones or other simple motions: sound and body, eyes off the page.</summary>
    Sound,

    /// <summary>Scales and arpeggios, slowly, with click and drone.</summary>
    Scales,

    /// <summary>Intonation and movement across the instrument.</summary>
    Movement,

    /// <summary>Many notes at a comfortable speed.</summary>
    Agility,
}

/// <summary>How a warm-up begins.</summary>
public enum WarmUpSchool
{
    /// <summary>With something easy that is liked (default).</summary>
    EaseIn,

    /// <summary>With one fixed awareness exercise, always the same.</summary>
    Awareness,
}

/// <summary>Whether the drone sounds with a part of the warm-up.</summary>
public enum PartDrone
{
    /// <summary>As it is set for all of them.</summary>
    AsSet,

    /// <summary>With the drone.</summary>
    With,

    /// <summary>Without it.</summary>
    Without,
}

/// <summary>One part of a warm-up.</summary>
/// <param name="Element">Which of the four it belongs to.</param>
/// <param name="Title">What it is called.</param>
/// <param name="How">How it is done, in a sentence or two.</param>
/// <param name="Minutes">Usual minutes, 1 to 15.</param>
/// <param name="Core">True when it must be touched; false for an extra, which may go.</param>
/// <param name="FromRepertoire">True when a passage of the repertoire takes its place on days that have a fitting one.</param>
/// <param name="MaterialId">An exercise or a passage it is played on, or null.</param>
/// <param name="Drone">Whether the drone sounds with it.</param>
public sealed partial record WarmUpPart(
    WarmUpElement Element,
    string Title,
    string How,
    int Minutes = 1,
    bool Core = true,
    bool FromRepertoire = false,
    int? MaterialId = null,
    PartDrone Drone = PartDrone.AsSet
)
{
    /// <summary>Most minutes of a part.</summary>
    public const int MostMinutes = 15;

    /// <summary>Whether a part is about tuning, by its words: "Tuning the open strings", "Tune up", "tune the A".</summary>
    /// <param name="title">What it is called.</param>
    /// <param name="how">How it is done.</param>
    public static bool IsTuning(string title, string how) => TuningWords().IsMatch(title) || TuningWords().IsMatch(how);

    [GeneratedRegex(@"\b(?:tuning|tune (?:up|to|the|your|it|all|each))\b", RegexOptions.IgnoreCase, matchTimeoutMilliseconds: 1000)]
    private static partial Regex TuningWords();
}

/// <summary>One version of the warm-up; versions take turns.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Parts">Its parts; they are played in the order of the elements.</param>
/// <param name="LastDay">Day it was last played, or null.</param>
public sealed record WarmUp(int Id, string Name, IReadOnlyList<WarmUpPart> Parts, DateOnly? LastDay = null)
{
    /// <summary>Most parts of a version.</summary>
    public const int MostParts = 16;

    /// <summary>The parts in playing order, each with its place in <see cref="Parts"/>.</summary>
    public IEnumerable<(WarmUpPart Part, int Place)> InOrder() =>
        Parts.Select((part, place) => (part, place)).OrderBy(pair => pair.part.Element);

    /// <summary>Minutes of all parts, or of the core alone.</summary>
    /// <param name="coreOnly">True to leave the extras out.</param>
    public int Minutes(bool coreOnly = false) => Parts.Where(part => part.Core || !coreOnly).Sum(part => part.Minutes);

    /// <summary>What is wrong with it, each with the field it is about; empty when it can be used.</summary>
    public IReadOnlyList<(string Field, string Problem)> Check()
    {
        var found = new List<(string, string)>();
        if (string.IsNullOrWhiteSpace(Name))
            found.Add(("name", "Give this version a name."));
        if (Parts.Count is 0 or > MostParts)
            found.Add(("parts", $"A warm-up has 1 to {MostParts} parts."));
        if (Parts.Count > 0 && !Parts.Any(part => part.Core))
            found.Add(("parts", "Mark at least one part as core: it is what remains on a short day."));
        for (var i = 0; i < Parts.Count; i++)
        {
            if (!Enum.IsDefined(Parts[i].Element))
                found.Add(($"parts[{i}].element", "A part belongs to one of the four elements."));
            if (string.IsNullOrWhiteSpace(Parts[i].Title))
                found.Add(($"parts[{i}].title", $"Say what part {i + 1} is."));
            if (Parts[i].Minutes is < 1 or > WarmUpPart.MostMinutes)
                found.Add(($"parts[{i}].minutes", $"A part lasts 1 to {WarmUpPart.MostMinutes} minutes."));
        }

        return found;
    }
}
