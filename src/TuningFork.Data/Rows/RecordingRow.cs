using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;

namespace TuningFork.Data.Rows;

/// <summary>A recording: what is known of it. Its sound is a file of its own beside the book, named after its key.</summary>
public sealed class RecordingRow : IRemovable
{
    public int Id { get; set; }
    public Guid Key { get; set; }
    public RecordingKind Kind { get; set; }
    public int? MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }

    /// <summary>When it ended; null while it runs, and where it was cut off.</summary>
    public DateTime? EndedUtc { get; set; }

    /// <summary>What was at hand on the stage: the key of its target, tempo and method; empty and null elsewhere.</summary>
    public string TargetKey { get; set; } = "";
    public int? Tempo { get; set; }
    public MethodId Method { get; set; }

    /// <summary>How the take was marked; null where it was not.</summary>
    public bool? Clean { get; set; }

    /// <summary>What it is called: the name of the file that it came from, or of a song.</summary>
    public string Name { get; set; } = "";
    public string ContentType { get; set; } = "";
    public double Seconds { get; set; }
    public long Bytes { get; set; }

    /// <summary>Whether it is as it was imagined; null where it was not said.</summary>
    public bool? AsImagined { get; set; }

    /// <summary>What would have to change; empty where it was not said.</summary>
    public string Change { get; set; } = "";

    /// <summary>True when it is to stay, whatever the room.</summary>
    public bool IsMarked { get; set; }

    /// <summary>Days that lay between the first recording of its thing and this one when they were compared; 0 for never.</summary>
    public int ComparedDays { get; set; }

    /// <summary>The stretch that was looped last, in seconds; null for the whole.</summary>
    public double? LoopFrom { get; set; }
    public double? LoopTo { get; set; }

    /// <summary>Percent of its speed at which it was played last.</summary>
    public int Speed { get; set; } = 100;

    /// <summary>Bars, or seconds where there are none, that are counted in before it starts.</summary>
    public int CountIn { get; set; }

    /// <summary>How often it was played through, or its loop, and for how long; and the last day of that.</summary>
    public int Rounds { get; set; }
    public double PlayedSeconds { get; set; }
    public DateOnly? LastPlayed { get; set; }
    public DateTime? RemovedUtc { get; set; }
}
