using TuningFork.Core.Planning;

namespace TuningFork.Data.Rows;

/// <summary>A plan the player has touched or begun.</summary>
public sealed class PlanRow
{
    public int Id { get; set; }
    public DateOnly Day { get; set; }

    /// <summary>Sittings that were begun that day before this one.</summary>
    public int Sitting { get; set; }
    public int Minutes { get; set; }
    public Demands Demands { get; set; }
    public string Purpose { get; set; } = "";

    /// <summary>The difficulty that technique is to serve, "none", or empty for the app's choice.</summary>
    public string Focus { get; set; } = "";
    public int Seed { get; set; }
    public int RoutineId { get; set; }
    public string PlanJson { get; set; } = "";

    /// <summary>The plan before the last change by hand, so that it can be taken back; empty when there is none.</summary>
    public string BeforeJson { get; set; } = "";
    public bool Begun { get; set; }
    public int Version { get; set; }
}
