namespace TuningFork.Data.Rows;

/// <summary>A piece of unseen music that was read.</summary>
public sealed class ReadingRow
{
    public int Id { get; set; }

    /// <summary>The key under which it was sent: sent again it counts once.</summary>
    public Guid Key { get; set; }
    public DateOnly Day { get; set; }
    public DateTime AtUtc { get; set; }
    public string Title { get; set; } = "";

    /// <summary>The same for the same music in any key: it does not come again.</summary>
    public string Fingerprint { get; set; } = "";

    /// <summary>What it was composed from, with its chance.</summary>
    public string WishJson { get; set; } = "";
    public Core.SightReading.Strand Asked { get; set; }
    public int Level { get; set; }
    public int Bars { get; set; }

    /// <summary>Bars on time and right.</summary>
    public int Right { get; set; }
    public int Tempo { get; set; }

    /// <summary>How much faster than usual for its level is kept, after it.</summary>
    public double Kept { get; set; } = 1;

    /// <summary>What is believed of the reader after it.</summary>
    public string RatingJson { get; set; } = "";
}
