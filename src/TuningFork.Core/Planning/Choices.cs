using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;

namespace TuningFork.Core.Planning;

/// <summary>One of several, with the words it is offered in.</summary>
/// <param name="Id">Its lasting name.</param>
/// <param name="Name">What the player reads.</param>
public sealed record Choice(string Id, string Name);

/// <summary>What a player can choose from: each list once, in the order and in the words in which it is offered.</summary>
public static class Choices
{
    /// <summary>Families of instruments.</summary>
    public static IReadOnlyList<Choice> Families { get; } =
    [.. Enum.GetValues<Family>().Select(family => Of(family, Words.Small($"{family}")))];

    /// <summary>How passages come back.</summary>
    public static IReadOnlyList<Choice> Schools { get; } =
    [
        Of(School.WideningGaps, "in widening gaps, by how well it went"),
        Of(School.EveryOtherDay, "every other day, come what may"),
        Of(School.ToughestFirst, "toughest daily, ready ones every third day"),
    ];

    /// <summary>How takes follow each other in rounds.</summary>
    public static IReadOnlyList<Choice> Mixes { get; } =
    [Of(Mix.Shuffled, "shuffled every round"), Of(Mix.InTurn, "in the same turn"), Of(Mix.Blocked, "blocked, one after the other")];

    /// <summary>How many keys a day.</summary>
    public static IReadOnlyList<Choice> KeySchools { get; } =
    [Of(KeySchool.SeveralADay, "several a day"), Of(KeySchool.OneADay, "one a day"), Of(KeySchool.OneAWeek, "one a week")];

    /// <summary>In which order keys come.</summary>
    public static IReadOnlyList<Choice> KeyOrders { get; } =
    [
        Of(KeyOrder.Fourths, "fourths"),
        Of(KeyOrder.Fifths, "fifths"),
        Of(KeyOrder.HalfSteps, "half steps"),
        Of(KeyOrder.Shuffled, "shuffled"),
        Of(KeyOrder.Fingers, "families of fingers"),
    ];

    /// <summary>How a first sitting begins.</summary>
    public static IReadOnlyList<Choice> WarmUpSchools { get; } =
    [Of(WarmUpSchool.EaseIn, "something easy you like"), Of(WarmUpSchool.Awareness, "one awareness exercise, always the same")];

    /// <summary>How notes are called.</summary>
    public static IReadOnlyList<Choice> Namings { get; } =
    [
        Of(Naming.Letters, "letters: C D E"),
        Of(Naming.FixedDo, "fixed do: do is always C"),
        Of(Naming.MovableDo, "movable do: do is the first note of the key"),
        Of(Naming.Degrees, "degrees: 1 is the first note of the key"),
        Of(Naming.Sargam, "sargam: S is the first note of the key"),
    ];

    /// <summary>How a method of one's own ends: those of <see cref="OwnMethods.Courses"/>.</summary>
    public static IReadOnlyList<Choice> Courses { get; } =
    [
        Of(Course.FixedCount, "so many takes"),
        Of(Course.CleanInRow, "so many clean in a row"),
        Of(Course.CleanMinutes, "so many minutes without a miss"),
        Of(Course.Ladder, "the tempo follows the takes"),
        Of(Course.Once, "one take, no stopping"),
        Of(Course.Timed, "its minutes; nothing is counted"),
    ];

    /// <summary>What the planner may take a method of one's own for.</summary>
    public static IReadOnlyList<Choice> Fits { get; } =
    [
        Of(Fit.Raw, "raw"),
        Of(Fit.Shaping, "taking shape"),
        Of(Fit.Ready, "ready"),
        Of(Fit.Stuck, "stuck"),
        Of(Fit.BeforeDate, "before a performance"),
    ];

    /// <summary>What can be reached by a day.</summary>
    public static IReadOnlyList<Choice> Goals { get; } =
    [Of(GoalKind.Tempo, "a clean tempo"), Of(GoalKind.Ready, "passages ready"), Of(GoalKind.Keys, "keys clean")];

    /// <summary>What can be hard about a passage; words of one's own are as good.</summary>
    public static IReadOnlyList<string> Difficulties { get; } = [.. Purpose.Difficulties, "memory", "join"];

    /// <summary>The notes that a tempo may count.</summary>
    public static IReadOnlyList<string> Beats { get; } = [.. Beat.All.Select(beat => beat.Name)];

    /// <summary>How bars can be played otherwise than they are written.</summary>
    public static IReadOnlyList<Choice> Variants { get; } = [.. VariantMaker.All.Select(one => new Choice(one.Id, one.Name))];

    /// <summary>First notes of the majors, by fifths and then by fourths.</summary>
    public static IReadOnlyList<string> Tonics { get; } = ["C", "G", "D", "A", "E", "B", "F", "Bb", "Eb", "Ab", "Db", "Gb"];

    /// <summary>Where an exercise may stand on its way into music.</summary>
    public static IReadOnlyList<Choice> Stations { get; } =
    [.. Enum.GetValues<ExerciseStation>().Select(station => Of(station, ExerciseStations.Name(station)))];

    /// <summary>What can be done for two weeks about a thing that annoys, or is stuck.</summary>
    public static IReadOnlyList<Choice> Reliefs { get; } =
    [.. Enum.GetValues<Relief>().Where(relief => relief != Relief.None).Select(relief => Of(relief, ReliefTime.Words(relief)))];

    /// <summary>Weeks for which something may rest (common practice).</summary>
    public static IReadOnlyList<int> RestWeeks { get; } = [2, 4, 8];

    private static Choice Of<T>(T value, string name)
        where T : struct, Enum => new($"{value}", name);
}
