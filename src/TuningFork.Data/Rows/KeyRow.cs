namespace TuningFork.Data.Rows;

/// <summary>What happened with one key, or one pattern, of a material that goes through them.</summary>
public sealed class KeyRow
{
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }

    /// <summary>"Bb major", "p:3" for a pattern, "b:17-18" for bars, "v:chain" for an altered version.</summary>
    public string Key { get; set; } = "";
    public DateOnly LastDay { get; set; }

    /// <summary>First day of its present turn.</summary>
    public DateOnly FirstDay { get; set; }

    /// <summary>True when it was the first key of that day.</summary>
    public bool Began { get; set; }
    public int Visits { get; set; }
    public int? LastClean { get; set; }

    /// <summary>The step that comes next, from 0, where it is played step by step.</summary>
    public int Place { get; set; }

    /// <summary>Of a pattern or a number: the day on which it was done, which it stays; null while it is not.</summary>
    public DateOnly? DoneOn { get; set; }

    /// <summary>What the player can do in it, as for a material, with the takes of its last day and what was known before them.</summary>
    public double? ReachLog { get; set; }
    public double? ReachSpread { get; set; }
    public string Tries { get; set; } = "";
    public double? ReachLogBefore { get; set; }
    public double? ReachSpreadBefore { get; set; }
}
