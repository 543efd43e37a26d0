using System.Globalization;

namespace TuningFork.Core.Notation;

/// <summary>A time signature.</summary>
/// <param name="Beats">The upper number, 1 to 32.</param>
/// <param name="Unit">The lower number: 1, 2, 4, 8, 16 or 32.</param>
public readonly record struct TimeSignature(int Beats, int Unit)
{
    private readonly string? groups;

    /// <summary>Four quarters.</summary>
    public static TimeSignature Common { get; } = new(4, 4);

    /// <summary>No metre: each bar has the length of what it holds.</summary>
    public static TimeSignature Free { get; } = new(4, 4) { IsFree = true };

    /// <summary>How an additive metre is counted, as in "2+2+3"; empty for a plain one.</summary>
    public string Groups
    {
        get => groups ?? "";
        init => groups = value.Length == 0 ? null : value;
    }

    /// <summary>True where there is no metre.</summary>
    public bool IsFree { get; init; }

    /// <summary>Length of a full bar.</summary>
    public Fraction Bar => new(Beats, Unit);

    /// <summary>What is beamed together: three eighths in 3/8, 6/8, 9/8 and 12/8, two in other metres of eighths, else the unit.</summary>
    public Fraction Beat =>
        Unit >= 8 && Beats % 3 == 0 && Beats > 3 ? new Fraction(3, Unit)
        : Unit >= 8 ? new Fraction(Beats == 3 ? 3 : 2, Unit)
        : new Fraction(1, Unit);

    /// <summary>The number of the beat in which a place of a bar lies, from 0; those of an additive metre are its groups.</summary>
    /// <param name="at">Place from the beginning of a full bar.</param>
    public int BeatAt(Fraction at)
    {
        if (Groups.Length == 0)
            return (int)((at / Beat).Numerator / (at / Beat).Denominator);
        var (beat, end) = (0, Fraction.Zero);
        foreach (var group in Groups.Split('+'))
        {
            end += new Fraction(int.Parse(group, CultureInfo.InvariantCulture), Unit);
            if (at < end)
                return beat;
            beat++;
        }

        return beat;
    }

    /// <summary>An additive metre; null where its numbers are beyond what can be written.</summary>
    /// <param name="groups">The upper numbers, one or more.</param>
    /// <param name="unit">The lower number.</param>
    public static TimeSignature? Additive(IReadOnlyList<int> groups, int unit)
    {
        ArgumentNullException.ThrowIfNull(groups);
        return
            groups.Count > 0 && groups.All(group => group is >= 1 and <= 32) && groups.Sum() <= 32 && unit is 1 or 2 or 4 or 8 or 16 or 32
            ? new TimeSignature(groups.Sum(), unit) { Groups = groups.Count > 1 ? string.Join('+', groups) : "" }
            : null;
    }

    /// <summary>"6/8", "2+2+3/8", or "none".</summary>
    public override string ToString() =>
        IsFree ? "none"
        : Groups.Length > 0 ? string.Create(CultureInfo.InvariantCulture, $"{Groups}/{Unit}")
        : string.Create(CultureInfo.InvariantCulture, $"{Beats}/{Unit}");

    /// <summary>Reads what <see cref="ToString"/> writes.</summary>
    /// <param name="text">Such a text.</param>
    /// <param name="time">The time signature.</param>
    public static bool TryParse(string? text, out TimeSignature time)
    {
        time = text == "none" ? Free : Common;
        if (text == "none")
            return true;
        var parts = (text ?? "").Split('/');
        if (parts.Length != 2 || !int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var unit))
            return false;
        var all = new List<int>();
        foreach (var part in parts[0].Split('+'))
        {
            if (!int.TryParse(part.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var group))
                return false;
            all.Add(group);
        }

        if (Additive(all, unit) is not { } found)
            return false;
        time = found;
        return true;
    }
}
