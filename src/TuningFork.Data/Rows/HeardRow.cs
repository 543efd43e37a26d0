using TuningFork.Core.Practice;

namespace TuningFork.Data.Rows;

/// <summary>A take that was listened to, and what came of it. Its sound is not kept.</summary>
public sealed class HeardRow
{
    public int Id { get; set; }
    public Guid Key { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }
    public int? MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>What was at hand: the key of its target, its title, tempo and method.</summary>
    public string TargetKey { get; set; } = "";
    public string Title { get; set; } = "";
    public int? Tempo { get; set; }
    public MethodId Method { get; set; }

    /// <summary>The tempo at which it was played where no click gave one; else null.</summary>
    public int? PlayedTempo { get; set; }

    /// <summary>The verdict, and how the player marked it; null where that was not said.</summary>
    public bool Clean { get; set; }
    public bool? Marked { get; set; }

    /// <summary>Milliseconds late in the mean and how far that may be off; null without a click.</summary>
    public double? LateMs { get; set; }
    public double? LatePlusMinus { get; set; }
    public double? SpreadMs { get; set; }

    /// <summary>Milliseconds by which the end is later than the beginning, and how far that may be off; null without a click.</summary>
    public double? DriftMs { get; set; }
    public double? DriftPlusMinus { get; set; }

    /// <summary>Notes in it, faults in words and timing in words, each on a line of its own.</summary>
    public int Notes { get; set; }
    public string Faults { get; set; } = "";
    public string Timing { get; set; } = "";

    /// <summary>Each note: how far into the take, 0 to 1, and how many milliseconds late: "0.25:12,0.5:-8".</summary>
    public string Late { get; set; } = "";

    /// <summary>Where bars begin: how far into the take, 0 to 1, and the bar's number: "0:17,0.5:18".</summary>
    public string Bars { get; set; } = "";

    /// <summary>Long to short of notes that are written equal, where they are told to be uneven; else null.</summary>
    public double? Uneven { get; set; }

    /// <summary>Mean size of what the notes are beside the pitch, in cents; null where pitch was not heard.</summary>
    public double? OffCents { get; set; }

    /// <summary>How far from the pitch in words, each on a line of its own.</summary>
    public string Intonation { get; set; } = "";

    /// <summary>Each note whose pitch was heard: sounding MIDI note number and cents above what is meant: "69:14,71:-3".</summary>
    public string Pitch { get; set; } = "";

    /// <summary>Whether a simulated player was listened to: it says nothing of this one.</summary>
    public bool Simulated { get; set; }
}
