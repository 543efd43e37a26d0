namespace TuningFork.Core.Tempo;

/// <summary>When the click belongs to a drill (common practice; all of these are taught).</summary>
public enum ClickSchool
{
    /// <summary>With everything that has a tempo.</summary>
    Always,

    /// <summary>Not in the first weeks of something new.</summary>
    NotAtFirst,

    /// <summary>Fewer and fewer clicks, until there are none.</summary>
    Weaning,

    /// <summary>Only when it is asked for.</summary>
    ByKey,
}

/// <summary>What clicks with a drill.</summary>
/// <param name="Cycle">The bars as they are clicked.</param>
/// <param name="Starts">Whether it starts with the drill; else it waits to be asked for.</param>
/// <param name="Word">What there is to say about it; empty for nothing.</param>
public sealed record DrillClick(ClickCycle Cycle, bool Starts, string Word);

/// <summary>Decides what clicks with a drill.</summary>
public static class ClickSchools
{
    /// <summary>Days for which something counts as new (common practice: the first weeks).</summary>
    public const int NewDays = 14;

    /// <summary>Clean visits after which one step is left out.</summary>
    public const int CleanToWean = 2;

    private static readonly (string Word, ClickOn On, int EveryNthBar)[] Weaned =
    [
        ("", ClickOn.EveryBeat, 1),
        ("click on 2 and 4", ClickOn.TwoAndFour, 1),
        ("click on the first of the bar", ClickOn.FirstOfBar, 1),
        ("click every other bar", ClickOn.FirstOfBar, 2),
    ];

    /// <summary>Steps from a click on every beat to none.</summary>
    public static int Steps => Weaned.Length;

    /// <summary>The step of weaning: one further after two visits whose first take was clean, one back after one whose first was not.</summary>
    /// <param name="firstTakes">Whether the first take was clean, visit by visit, oldest first.</param>
    /// <returns>0, every beat, to <see cref="Steps"/>, none.</returns>
    public static int WeanStep(IEnumerable<bool> firstTakes)
    {
        ArgumentNullException.ThrowIfNull(firstTakes);
        var (step, run) = (0, 0);
        foreach (var clean in firstTakes)
        {
            run = clean ? run + 1 : 0;
            if (!clean)
                step = Math.Max(0, step - 1);
            else if (run % CleanToWean == 0)
                step = Math.Min(Steps, step + 1);
        }

        return step;
    }

    /// <summary>The click of a drill in the metre at hand.</summary>
    /// <param name="school">The school of the player.</param>
    /// <param name="own">What was decided for this thing by hand: with or without; null for nothing.</param>
    /// <param name="beats">Beats in a bar, 1 to 32.</param>
    /// <param name="daysKnown">Days since it was first practised; null for never.</param>
    /// <param name="weanStep">See <see cref="WeanStep"/>.</param>
    public static DrillClick Of(ClickSchool school, bool? own, int beats, int? daysKnown, int weanStep)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(beats, 1);
        var weaned = school == ClickSchool.Weaning && own is null ? Math.Clamp(weanStep, 0, Steps) : 0;
        // In an odd bar there is no 2 and 4: the first of the bar instead.
        if (weaned == 1 && beats % 2 != 0)
            weaned = 2;
        var step = Weaned[weaned < Steps ? weaned : 0];
        var wish = new ClickWish
        {
            Beats = Math.Min(beats, ClickWish.MostBeats),
            On = step.On,
            EveryNthBar = step.EveryNthBar,
        };
        var isNew = school == ClickSchool.NotAtFirst && own is null && daysKnown is null or < NewDays;
        return new DrillClick(
            ClickCycle.Of(wish, out _)!,
            own ?? (school != ClickSchool.ByKey && !isNew && weaned < Steps),
            isNew ? "new: no click yet"
                : weaned == Steps ? "no click any more"
                : step.Word
        );
    }
}
