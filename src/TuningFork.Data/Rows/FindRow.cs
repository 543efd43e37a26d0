namespace TuningFork.Data.Rows;

/// <summary>A tune that was looked for on the instrument.</summary>
public sealed class FindRow
{
    public int Id { get; set; }

    /// <summary>The key under which it was sent: sent again it counts once.</summary>
    public Guid Key { get; set; }
    public int TuneId { get; set; }
    public DateOnly Day { get; set; }

    /// <summary>Sharps of the key it was looked for in, negative for flats.</summary>
    public int Signature { get; set; }
    public double Seconds { get; set; }
    public int WrongStarts { get; set; }
    public bool Found { get; set; }
}
