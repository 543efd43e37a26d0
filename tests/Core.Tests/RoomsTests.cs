using NetArchTest.Rules;
using Shouldly;
using Xunit;

namespace TuningFork.Core.Tests;

/// <summary>Arrows between rooms point one way.</summary>
public sealed class RoomsTests
{
    private const string Core = "TuningFork.Core";

    [Theory]
    [InlineData("Theory", "Notation,Technique,Tempo,Spacing,Practice,SightReading,EarTraining,Planning")]
    [InlineData("Notation", "Technique,Spacing,Practice,SightReading,EarTraining,Planning")]
    [InlineData("Technique", "Spacing,Practice,SightReading,EarTraining,Planning")]
    [InlineData("Tempo", "Notation,Technique,Spacing,Practice,SightReading,EarTraining,Planning")]
    [InlineData("Ability", "Theory,Notation,Technique,Tempo,Spacing,Practice,SightReading,EarTraining,Planning,Repertoire,WarmUps")]
    [InlineData("Spacing", "Practice,SightReading,EarTraining,Planning")]
    [InlineData("Practice", "SightReading,EarTraining,Planning")]
    [InlineData("SightReading", "EarTraining,Planning")]
    [InlineData("EarTraining", "SightReading,Planning")]
    [InlineData("Planning", "LookingBack")]
    [InlineData("LookingBack", "SightReading,EarTraining,WarmUps")]
    [InlineData("Repertoire", "Planning,EarTraining,SightReading,WarmUps")]
    [InlineData("WarmUps", "Notation,Technique,Tempo,Spacing,Practice,SightReading,EarTraining,Planning")]
    [InlineData("Listening", "Planning,Practice,Spacing,Technique,SightReading,EarTraining,Repertoire,WarmUps,LookingBack,Recordings")]
    [InlineData("Recordings", "Planning,SightReading,EarTraining,Repertoire,WarmUps,LookingBack")]
    public void A_room_knows_only_those_below_it(string room, string above) =>
        Types
            .InAssembly(typeof(TuningFork.Core.Tempo.Bpm).Assembly)
            .That()
            .ResideInNamespace($"{Core}.{room}")
            .ShouldNot()
            .HaveDependencyOnAny([.. above.Split(',').Select(name => $"{Core}.{name}")])
            .GetResult()
            .IsSuccessful.ShouldBeTrue();

    [Fact]
    public void The_core_knows_neither_the_file_nor_the_server() =>
        Types
            .InAssembly(typeof(TuningFork.Core.Tempo.Bpm).Assembly)
            .ShouldNot()
            .HaveDependencyOnAny("TuningFork.Data", "TuningFork.Server", "Microsoft.EntityFrameworkCore", "Microsoft.AspNetCore")
            .GetResult()
            .IsSuccessful.ShouldBeTrue();
}
