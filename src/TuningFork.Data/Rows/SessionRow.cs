namespace TuningFork.Data.Rows;

/// <summary>A sitting that really happened.</summary>
public sealed class SessionRow
{
    public int Id { get; set; }
    public DateOnly Day { get; set; }
    public int PlanId { get; set; }
    public int PlannedMinutes { get; set; }
    public string Purpose { get; set; } = "";
    public DateTime StartedUtc { get; set; }
    public DateTime? EndedUtc { get; set; }
    public bool Running { get; set; }

    /// <summary>Position of the drill on the stage; equal to the number of drills when all are through.</summary>
    public int Current { get; set; }
    public DateTime PulseUtc { get; set; }

    /// <summary>Whether something was rated in it.</summary>
    public bool Rated { get; set; }

    /// <summary>Id of the message that closed it: sent again, it closes nothing twice.</summary>
    public Guid? ClosedBy { get; set; }
    public int Version { get; set; }
    public List<SessionDrillRow> Drills { get; set; } = [];
}
