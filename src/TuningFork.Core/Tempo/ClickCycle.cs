using System.Globalization;

namespace TuningFork.Core.Tempo;

/// <summary>Which beats are heard.</summary>
public enum ClickOn
{
    /// <summary>Every beat.</summary>
    EveryBeat,

    /// <summary>The second and fourth beat only.</summary>
    TwoAndFour,

    /// <summary>The first beat of the bar only.</summary>
    FirstOfBar,
}

/// <summary>How one beat is heard.</summary>
public enum BeatTouch
{
    /// <summary>Not at all.</summary>
    Silent,

    /// <summary>As a beat among others.</summary>
    Soft,

    /// <summary>As the first of a group.</summary>
    Loud,
}

/// <summary>What a click is to do.</summary>
public sealed record ClickWish
{
    /// <summary>Most beats of a bar.</summary>
    public const int MostBeats = 32;

    /// <summary>Most parts of a beat.</summary>
    public const int MostSubdivision = 6;

    /// <summary>Beats in a bar, 1 to 32.</summary>
    public int Beats { get; init; } = 4;

    /// <summary>How the beats are grouped, the first of each accented: 7 as 3, 2, 2. Empty: one group.</summary>
    public IReadOnlyList<int> Groups { get; init; } = [];

    /// <summary>Parts of a beat that are heard, 1 to 6; 1 is the beat alone.</summary>
    public int Subdivision { get; init; } = 1;

    /// <summary>Which beats are heard.</summary>
    public ClickOn On { get; init; }

    /// <summary>Each beat of the bar by itself, in place of <see cref="On"/> and the accents of the groups; empty where none was touched.</summary>
    public IReadOnlyList<BeatTouch> Touches { get; init; } = [];

    /// <summary>Only every nth bar is heard, 1 to 16.</summary>
    public int EveryNthBar { get; init; } = 1;

    /// <summary>Bars heard before silent ones, 0 to 16; 0 with no silent bars.</summary>
    public int SoundBars { get; init; }

    /// <summary>Silent bars after them, 0 to 16.</summary>
    public int SilentBars { get; init; }
}

/// <summary>One click.</summary>
/// <param name="At">Beats from the beginning of the cycle.</param>
/// <param name="Level">3 first of the bar, 2 first of a group, 1 a beat, 0 a part of one.</param>
public sealed record Click(double At, int Level);

/// <summary>A cycle of clicks that is repeated.</summary>
/// <param name="Beats">Its length in beats.</param>
/// <param name="Clicks">Its clicks in order; silence where there is none.</param>
/// <param name="BeatsPerBar">Beats in a bar, for the eye.</param>
public sealed record ClickCycle(int Beats, IReadOnlyList<Click> Clicks, int BeatsPerBar)
{
    /// <summary>The cycle of a wish, or what is wrong with it and how to mend it, with the field.</summary>
    /// <param name="wish">What it is to do.</param>
    /// <param name="problem">The trouble; null when there is none.</param>
    /// <returns>Null when there is a problem.</returns>
    public static ClickCycle? Of(ClickWish wish, out (string Field, string Remedy)? problem)
    {
        ArgumentNullException.ThrowIfNull(wish);
        problem = Check(wish);
        if (problem is not null)
            return null;
        var touches = TouchesOf(wish);
        var bars = wish.SilentBars > 0 ? wish.SoundBars + wish.SilentBars : wish.EveryNthBar;
        var heard = wish.SilentBars > 0 ? wish.SoundBars : 1;
        var clicks = Enumerable
            .Range(0, heard)
            .SelectMany(bar => Bar(wish, touches).Select(click => click with { At = click.At + (bar * wish.Beats) }));
        return new ClickCycle(bars * wish.Beats, [.. clicks], wish.Beats);
    }

    /// <summary>Each beat of the bar as it is heard: as it was touched, else by the groups and by what is heard of the bar.</summary>
    /// <param name="wish">A wish without a problem.</param>
    public static IReadOnlyList<BeatTouch> TouchesOf(ClickWish wish)
    {
        ArgumentNullException.ThrowIfNull(wish);
        if (wish.Touches.Count > 0)
            return wish.Touches;
        var groups = wish.Groups.Count > 0 ? wish.Groups : [wish.Beats];
        var accents = groups.Aggregate(new List<int> { 0 }, (starts, group) => [.. starts, starts[^1] + group]).SkipLast(1).ToHashSet();
        return [.. Enumerable.Range(0, wish.Beats).Select(beat => Touch(wish.On, beat, accents))];
    }

    private static IEnumerable<Click> Bar(ClickWish wish, IReadOnlyList<BeatTouch> touches)
    {
        for (var beat = 0; beat < wish.Beats; beat++)
        {
            var touch = touches[beat];
            if (touch == BeatTouch.Silent)
                continue;
            yield return new Click(
                beat,
                touch == BeatTouch.Soft ? 1
                    : beat == 0 ? 3
                    : 2
            );
            for (var part = 1; part < wish.Subdivision; part++)
                yield return new Click(beat + ((double)part / wish.Subdivision), 0);
        }
    }

    private static BeatTouch Touch(ClickOn on, int beat, HashSet<int> accents)
    {
        var isHeard = on switch
        {
            ClickOn.TwoAndFour => beat % 2 == 1,
            ClickOn.FirstOfBar => beat == 0,
            _ => true,
        };
        return !isHeard ? BeatTouch.Silent
            : accents.Contains(beat) ? BeatTouch.Loud
            : BeatTouch.Soft;
    }

    private static (string Field, string Remedy)? Check(ClickWish wish)
    {
        if (wish.Beats is < 1 or > ClickWish.MostBeats)
            return ("beats", $"A bar has 1 to {ClickWish.MostBeats} beats.");
        if (wish.Groups.Count > 0 && (wish.Groups.Any(group => group < 1) || wish.Groups.Sum() != wish.Beats))
        {
            var sum = string.Join(" + ", wish.Groups.Select(group => group.ToString(CultureInfo.InvariantCulture)));
            return (
                "groups",
                $"{sum} makes {wish.Groups.Sum()} and the bar has {wish.Beats} beats. Change the groups or the bar until they agree."
            );
        }

        if (wish.Subdivision is < 1 or > ClickWish.MostSubdivision)
            return ("subdivision", $"A beat is parted into 1 to {ClickWish.MostSubdivision}.");
        if (wish.Touches.Count > 0 && (wish.Touches.Count != wish.Beats || wish.Touches.Any(touch => !Enum.IsDefined(touch))))
            return ("touches", $"The bar has {wish.Beats} beats: each of them is silent, soft or loud.");
        if (wish.Touches.Count > 0 && wish.Touches.All(touch => touch == BeatTouch.Silent))
            return ("touches", "At least one beat of the bar has to be heard.");
        if (wish.On == ClickOn.TwoAndFour && wish.Touches.Count == 0 && wish.Beats % 2 != 0)
            return ("on", "A click on 2 and 4 needs a bar with an even number of beats.");
        if (wish.EveryNthBar is < 1 or > 16)
            return ("everyNthBar", "Every bar is heard, or one in up to 16.");
        if (wish.SilentBars is < 0 or > 16 || wish.SoundBars is < 0 or > 16)
            return ("silentBars", "Heard and silent bars are 0 to 16.");
        return wish is { SilentBars: > 0, SoundBars: 0 } ? ("soundBars", "Before silent bars at least one has to be heard.") : null;
    }
}
