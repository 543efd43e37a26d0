using Shouldly;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Lists that must agree: what there is, and what is offered.</summary>
public sealed class ChoicesTests
{
    public static TheoryData<IReadOnlyList<Choice>, Type> Lists =>
        new()
        {
            { Choices.Families, typeof(Family) },
            { Choices.Schools, typeof(School) },
            { Choices.Mixes, typeof(Mix) },
            { Choices.KeySchools, typeof(KeySchool) },
            { Choices.KeyOrders, typeof(KeyOrder) },
            { Choices.WarmUpSchools, typeof(WarmUpSchool) },
            { Choices.Namings, typeof(Naming) },
            { Choices.Goals, typeof(GoalKind) },
        };

    [Theory]
    [MemberData(nameof(Lists), DisableDiscoveryEnumeration = true)]
    public void Each_is_offered_once_in_words_of_its_own(IReadOnlyList<Choice> list, Type of)
    {
        list.Select(choice => choice.Id).ShouldBe(Enum.GetNames(of), ignoreOrder: true);
        list.Select(choice => choice.Name).ShouldBeUnique();
        list.ShouldAllBe(choice => choice.Name.Length > 0 && !char.IsUpper(choice.Name[0]));
    }

    [Fact]
    public void A_method_of_ones_own_can_end_and_be_used_in_every_way_the_stage_knows_of()
    {
        Choices.Courses.Select(choice => choice.Id).ShouldBe(OwnMethods.Courses.Select(course => $"{course}"), ignoreOrder: true);
        Choices.Fits.Select(choice => choice.Id).ShouldBe(Enum.GetNames<Fit>().Where(name => name != nameof(Fit.None)), ignoreOrder: true);
    }

    /// <summary>Every method that stands among the program's own is in the list that screens and the planner go by.</summary>
    [Fact]
    public void Every_method_is_in_the_list_of_all()
    {
        var written = typeof(Methods)
            .GetProperties()
            .Where(property => property.PropertyType == typeof(Method))
            .Select(property => (Method)property.GetValue(null)!)
            .ToList();
        written.Count.ShouldBeGreaterThan(30);
        Methods.All.ShouldBe(written, ignoreOrder: true);
        Methods.All.Select(method => method.Id).ShouldBeUnique();
        Methods.All.Select(method => method.Name).ShouldBeUnique();
    }

    /// <summary>The twelve majors of the circle (handbook fact): every pitch class once.</summary>
    [Fact]
    public void The_first_notes_are_all_twelve() =>
        Choices.Tonics.Select(tonic => Pitch.Parse($"{tonic}4").Midi % 12).Order().ShouldBe(Enumerable.Range(0, 12));

    [Fact]
    public void What_exercises_serve_is_among_what_can_be_hard() => Purpose.Difficulties.ShouldBeSubsetOf(Choices.Difficulties);

    [Fact]
    public void Every_variant_has_a_name() => VariantMaker.All.ShouldAllBe(variant => variant.Id.Length > 0 && variant.Name.Length > 0);
}
