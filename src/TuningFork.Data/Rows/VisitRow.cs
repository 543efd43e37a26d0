using TuningFork.Core.Spacing;

namespace TuningFork.Data.Rows;

/// <summary>All takes of one material on one day, and what was known before.</summary>
public sealed class VisitRow
{
    public int Id { get; set; }
    public int MaterialId { get; set; }
    public MaterialRow? Material { get; set; }
    public DateOnly Day { get; set; }

    /// <summary>
    /// The takes in order, each a tempo (or nothing) and + for clean, - for missed: "92+ 92- -". Before the sign stands ~ where
    /// a take says half as much about the tempo that can be played, / where it says nothing, and ^ where it was a spare minute.
    /// </summary>
    public string Tries { get; set; } = "";
    public int Takes { get; set; }
    public int CleanTakes { get; set; }

    /// <summary>Longest stretch without a miss, in seconds; 0 where none was tried.</summary>
    public int LongestClean { get; set; }
    public int? TriesToClean { get; set; }
    public int? Clean { get; set; }
    public Grade? Grade { get; set; }
    public DateOnly? VisitBefore { get; set; }
    public double? StabilityBefore { get; set; }
    public double? DifficultyBefore { get; set; }
    public int? CleanBefore { get; set; }
    public int? BestBefore { get; set; }
    public double? ReachLogBefore { get; set; }
    public double? ReachSpreadBefore { get; set; }
    public int VisitsBefore { get; set; }

    /// <summary>The reach after it, as the material keeps it; null where no take was timed.</summary>
    public double? ReachLog { get; set; }
    public double? ReachSpread { get; set; }
}
