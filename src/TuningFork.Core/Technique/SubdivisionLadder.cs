using TuningFork.Core.Tempo;

namespace TuningFork.Core.Technique;

/// <summary>Where a subdivision ladder stands.</summary>
/// <param name="Rung">The rung at hand, from 0.</param>
/// <param name="Highest">The highest rung that held, or -1.</param>
/// <param name="IsDescending">True on the way back down.</param>
/// <param name="IsDone">True when it is over.</param>
public readonly record struct LadderPlace(int Rung, int Highest, bool IsDescending, bool IsDone)
{
    /// <summary>Times that each rung broke, by rung.</summary>
    internal IReadOnlyList<int> Broke { get; init; } = [];
}

/// <summary>
/// The same notes at one click that stays: whole notes, halves, quarters, eighths, sixteenths, as long as sound and hand stay good. A
/// rung that broke comes again after the one below it; broken twice, it is the end for today (common practice).
/// </summary>
public static class SubdivisionLadder
{
    /// <summary>Slowest click.</summary>
    public const int LeastClick = 60;

    /// <summary>Fastest click.</summary>
    public const int MostClick = 80;

    /// <summary>A rung that broke so often ends the way up.</summary>
    public const int TriesOfARung = 2;

    private const double BeatsInAWhole = 4;

    /// <summary>The rungs from the lowest.</summary>
    public static IReadOnlyList<Rhythm> Rungs => Rhythm.Ladder;

    /// <summary>The click at which the highest rung is about as fast as the player can do it, between 60 and 80.</summary>
    /// <param name="notesAMinute">Notes a minute that are within reach, or null where that is not known.</param>
    public static Bpm Click(double? notesAMinute) =>
        new((int)Math.Round(Math.Clamp((notesAMinute ?? 0) / Rungs[^1].NotesPerClick, LeastClick, MostClick)));

    /// <summary>Seconds of so many notes on a rung: 15 notes at 80 are 45, 22.5, 11.25, 5.625 from whole notes on.</summary>
    /// <param name="notes">Notes, 0 or more.</param>
    /// <param name="rung">A rung: notes of one length.</param>
    /// <param name="click">The click, in quarters.</param>
    public static double Seconds(int notes, Rhythm rung, Bpm click)
    {
        ArgumentNullException.ThrowIfNull(rung);
        return notes * rung.Length.Value / rung.Values.Count * BeatsInAWhole * 60 / click.Value;
    }

    /// <summary>Where it stands after some rungs.</summary>
    /// <param name="rungs">How many rungs there are, at least one.</param>
    /// <param name="andDown">True when it goes back down in the end.</param>
    /// <param name="held">The rungs played so far in order: true for one that held, false for one that broke.</param>
    public static LadderPlace After(int rungs, bool andDown, IEnumerable<bool> held)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(rungs, 1);
        ArgumentNullException.ThrowIfNull(held);
        var place = new LadderPlace(0, -1, false, false) { Broke = new int[rungs] };
        foreach (var well in held.TakeWhile(_ => !place.IsDone))
            place =
                place.IsDescending ? Descend(place)
                : well ? Climb(place with { Highest = Math.Max(place.Highest, place.Rung) }, rungs, andDown)
                : Break(place, andDown);
        return place;
    }

    private static LadderPlace Climb(LadderPlace place, int rungs, bool andDown) =>
        place.Rung < rungs - 1 ? place with { Rung = place.Rung + 1 } : Turn(place, andDown);

    private static LadderPlace Break(LadderPlace place, bool andDown)
    {
        var broke = place.Broke.ToArray();
        broke[place.Rung]++;
        var after = place with { Broke = broke };
        return broke[place.Rung] >= TriesOfARung ? Turn(after, andDown) : after with { Rung = Math.Max(0, place.Rung - 1) };
    }

    private static LadderPlace Turn(LadderPlace place, bool andDown) =>
        andDown ? Descend(place with { IsDescending = true }) : place with { IsDone = true };

    private static LadderPlace Descend(LadderPlace place) =>
        place.Rung > 0 ? place with { Rung = place.Rung - 1 } : place with { IsDone = true };
}
