using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning;

/// <summary>Methods that the player has defined, on equal terms with those that come with the program.</summary>
public static class OwnMethods
{
    /// <summary>What their lasting names begin with: "own:3".</summary>
    public const string Prefix = "own:";

    private const int DaysBeforeDate = 28;

    /// <summary>What the stage can do with a method of one's own.</summary>
    public static IReadOnlyList<Course> Courses { get; } =
    [Course.Timed, Course.FixedCount, Course.CleanInRow, Course.CleanMinutes, Course.Ladder, Course.Once];

    /// <summary>Those that fit a material now.</summary>
    /// <param name="methods">The player's methods.</param>
    /// <param name="material">The material.</param>
    /// <param name="day">The practice day.</param>
    public static IReadOnlyList<Method> For(IEnumerable<Method> methods, Material material, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(methods);
        ArgumentNullException.ThrowIfNull(material);
        var state = material.Readiness switch
        {
            Readiness.Raw => Fit.Raw,
            Readiness.Ready => Fit.Ready,
            _ => Fit.Shaping,
        };
        if (material.Stuck)
            state = Fit.Stuck;
        else if (material.Performance is { } date && date > day && date.DayNumber - day.DayNumber <= DaysBeforeDate)
            state |= Fit.BeforeDate;
        return [.. methods.Where(method => (method.Fit & state) != Fit.None)];
    }

    /// <summary>What is wrong with one, as field and remedy; empty when it can be used.</summary>
    /// <param name="method">The method.</param>
    public static IReadOnlyList<(string Field, string Problem)> Check(Method method)
    {
        ArgumentNullException.ThrowIfNull(method);
        var found = new List<(string, string)>();
        if (string.IsNullOrWhiteSpace(method.Name))
            found.Add(("name", "Give it a name of its own."));
        if (string.IsNullOrWhiteSpace(method.How))
            found.Add(("how", "Say in two or three sentences how it is done."));
        if (method.UsualMinutes.Least < 1 || method.UsualMinutes.Most > 30 || method.UsualMinutes.Most < method.UsualMinutes.Least)
            found.Add(("most", "Usual minutes are 1 to 30, the least before the most."));
        if (!Courses.Contains(method.Course))
            found.Add(("course", $"It can be {Words.List([.. Courses.Select(course => course.ToString())])}."));
        if (method.Course is Course.FixedCount or Course.CleanInRow or Course.CleanMinutes && method.Count is < 1 or > 30)
            found.Add(("count", "Say how many: 1 to 30."));
        return found;
    }
}
