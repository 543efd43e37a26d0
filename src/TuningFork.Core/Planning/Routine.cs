using System.Text.Json.Serialization;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>Work and rest in turns inside a block.</summary>
/// <param name="Work">Minutes of work in a round, 1 or more.</param>
/// <param name="Rest">Minutes of rest between two rounds, 0 or more.</param>
public sealed record WorkRest(int Work, int Rest);

/// <summary>A run of drills of one area inside a routine.</summary>
/// <param name="Area">What is trained.</param>
/// <param name="Least">Fewest minutes when it has a place at all.</param>
/// <param name="Wanted">Usual minutes; gives the proportion to other blocks of the same area.</param>
/// <param name="Most">Most minutes.</param>
/// <param name="Must">True when a short day may not drop it.</param>
/// <param name="Fixed">Minutes that never change, or null.</param>
/// <param name="Rounds">Work and rest in turns, or null.</param>
public sealed record Block(Area Area, int Least, int Wanted, int Most, bool Must = true, int? Fixed = null, WorkRest? Rounds = null)
{
    /// <summary>Longest name, most ideas and most chosen materials.</summary>
    public const int MostLetters = 60;
    private const int MostChosen = 40;

    /// <summary>A name of its own, or empty: "Known grooves".</summary>
    public string Name { get; init; } = "";

    /// <summary>Numbers of the material that it holds, pieces with their passages; none for all that belongs to its area.</summary>
    public IReadOnlyList<int> Materials { get; init; } = [];

    /// <summary>For play: ideas of one's own in place of the app's; none for those.</summary>
    public IReadOnlyList<string> Ideas { get; init; } = [];

    /// <summary>For play: true where it is for what waits on the shelf.</summary>
    public bool Shelf { get; init; }

    /// <summary>What is wrong with what it holds, in words; null when it can be used.</summary>
    internal (string Field, string Problem)? Held() =>
        Name.Length > MostLetters ? ("name", $"A block's name has {MostLetters} letters at most.")
        : Materials.Count > MostChosen || Ideas.Count > MostChosen ? ("materials", $"A block holds {MostChosen} things at most.")
        : Ideas.Any(idea => string.IsNullOrWhiteSpace(idea) || idea.Length > MostLetters)
            ? ("ideas", $"An idea has 1 to {MostLetters} letters.")
        : Shelf && Area != Area.Play ? ("shelf", "The shelf belongs to a block of play.")
        : null;

    /// <summary>Fewest minutes, the fixed length counted.</summary>
    [JsonIgnore]
    public int Floor => Fixed ?? Least;

    /// <summary>Most minutes, the fixed length counted.</summary>
    [JsonIgnore]
    public int Ceiling => Fixed ?? Most;
}

/// <summary>A reusable shape of a day.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Blocks">The blocks in the order they are worked.</param>
/// <param name="Interwoven">True when the short drills of technique, repertoire and ear are mixed; false when each area stays
/// whole.</param>
public sealed record Routine(string Name, IReadOnlyList<Block> Blocks, bool Interwoven)
{
    /// <summary>Minutes below which the musts do not fit.</summary>
    public int LeastMinutes => Blocks.Where(block => block.Must).Sum(block => block.Floor);

    /// <summary>Minutes that were set and do not give: the musts, and what is fixed.</summary>
    public int SetMinutes => Blocks.Where(block => block.Must || block.Fixed is not null).Sum(block => block.Floor);

    /// <summary>Whether the musts have room in a sitting.</summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    public bool FitsIn(int minutes) => LeastMinutes <= Playing(minutes);

    /// <summary>Minutes of playing in a sitting, its breaks taken off.</summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    public int Playing(int minutes) => minutes - Breaks(minutes).Sum(pause => pause.Minutes);

    /// <summary>The breaks of a sitting; a minute to shake out gives way to minutes that were set.</summary>
    /// <param name="minutes">Length of the sitting, 5 to 240.</param>
    public IReadOnlyList<Break> Breaks(int minutes) => SittingLength.Breaks(minutes, SetMinutes);

    /// <summary>
    /// Minutes that its blocks want for the warm-up, in proportion to what the others want; null where the length of the sitting
    /// decides, as in the shapes that come with the program.
    /// </summary>
    /// <param name="playing">Minutes of playing, 1 or more.</param>
    public int? WarmUpWanted(int playing)
    {
        if (Shapes.GoesByTheSitting(this))
            return null;
        var all = Math.Max(1, Blocks.Sum(block => block.Fixed ?? block.Wanted));
        var blocks = Blocks.Where(block => block.Area == Area.WarmUp).ToList();
        var wanted = (int)Math.Round(blocks.Sum(block => block.Wanted) * (decimal)playing / all, MidpointRounding.AwayFromZero);
        return Math.Clamp(wanted, blocks.Sum(block => block.Floor), blocks.Sum(block => block.Ceiling));
    }

    /// <summary>Words about its shape: what it leaves out, and a warm-up behind hard work; no more than words.</summary>
    public string Word
    {
        get
        {
            var gone = new[] { Area.SightReading, Area.Ear }
                .Where(area => Blocks.All(block => block.Area != area))
                .Select(Areas.Name)
                .ToList();
            var late = Blocks.Select(block => block.Area).ToList() is var areas && areas.IndexOf(Area.WarmUp) > 0;
            return string.Join(
                ' ',
                new[]
                {
                    gone.Count > 0 ? $"It leaves out {Words.List(gone)}." : "",
                    late ? "The warm-up comes after other work." : "",
                }.Where(word => word.Length > 0)
            );
        }
    }

    /// <summary>What is wrong with it, each with the field it is about; empty when it can be used.</summary>
    public IReadOnlyList<(string Field, string Problem)> Check()
    {
        var found = new List<(string, string)>();
        if (string.IsNullOrWhiteSpace(Name))
            found.Add(("name", "Give the routine a name."));
        if (Blocks.Count is 0 or > 24)
            found.Add(("blocks", "A routine has 1 to 24 blocks."));
        for (var i = 0; i < Blocks.Count; i++)
        {
            var block = Blocks[i];
            if (block.Fixed is < 1 or > 240)
                found.Add(($"blocks[{i}].fixed", "Fixed minutes are 1 to 240, or left empty."));
            if (block.Least < 0 || block.Wanted < block.Least || block.Most < block.Wanted || block.Most > 240)
                found.Add(
                    (
                        $"blocks[{i}].wanted",
                        $"For {Areas.Name(block.Area)}, least, wanted and most must rise in this order and stay within 0 to 240."
                    )
                );
            if (block.Held() is { } held)
                found.Add(($"blocks[{i}].{held.Field}", held.Problem));
            if (block.Rounds is { } rounds && (rounds.Work < 1 || rounds.Rest < 0 || rounds.Work + rounds.Rest > 60))
                found.Add(
                    ($"blocks[{i}].rounds", "A round has 1 minute of work or more, no negative rest, and 60 minutes together at most.")
                );
        }

        return found;
    }
}
