using TuningFork.Core.Planning;

namespace TuningFork.Server.Features;

/// <summary>Everything that can be chosen from a list, in the words it is offered in.</summary>
/// <param name="RestWeeks">Weeks for which something may rest.</param>
public sealed record ChoicesView(
    IReadOnlyList<Choice> Families,
    IReadOnlyList<Choice> Schools,
    IReadOnlyList<Choice> Mixes,
    IReadOnlyList<Choice> KeySchools,
    IReadOnlyList<Choice> KeyOrders,
    IReadOnlyList<Choice> WarmUpSchools,
    IReadOnlyList<Choice> Namings,
    IReadOnlyList<Choice> Courses,
    IReadOnlyList<Choice> Fits,
    IReadOnlyList<Choice> Goals,
    IReadOnlyList<Choice> Variants,
    IReadOnlyList<Choice> Reliefs,
    IReadOnlyList<Choice> Stations,
    IReadOnlyList<string> Difficulties,
    IReadOnlyList<string> Served,
    IReadOnlyList<string> Beats,
    IReadOnlyList<string> Tonics,
    IReadOnlyList<int> RestWeeks,
    int LeastMinutes,
    int MostMinutes
);

/// <summary>Lists to choose from, over HTTP.</summary>
public static class ChoicesEndpoints
{
    private static readonly ChoicesView All = new(
        Choices.Families,
        Choices.Schools,
        Choices.Mixes,
        Choices.KeySchools,
        Choices.KeyOrders,
        Choices.WarmUpSchools,
        Choices.Namings,
        Choices.Courses,
        Choices.Fits,
        Choices.Goals,
        Choices.Variants,
        Choices.Reliefs,
        Choices.Stations,
        Choices.Difficulties,
        Purpose.Difficulties,
        Choices.Beats,
        Choices.Tonics,
        Choices.RestWeeks,
        SittingLength.Least,
        SittingLength.Most
    );

    public static void MapChoices(this WebApplication app) =>
        app.MapGet("/api/choices", () => All).WithTags("Choices").WithName("GetChoices");
}
