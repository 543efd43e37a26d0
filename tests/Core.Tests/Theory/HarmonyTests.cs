using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Theory;

/// <summary>Chords and keys as people list them, and a progression moved to other keys.</summary>
public sealed class HarmonyTests
{
    [Fact]
    public void A_list_is_read_and_the_first_unknown_is_named()
    {
        Harmony.Read("g major, Bb; D7\nD7", out var unknown).ShouldBe(["G major", "B♭", "D7"]);
        unknown.ShouldBeNull();
        Harmony.Read("Dm7 G7 | C, D minor Am", out unknown).ShouldBe(["Dm7", "G7", "C", "D minor", "Am"]);
        unknown.ShouldBeNull();
        Harmony.Read("C, whatever, X9", out unknown).ShouldBe(["C"]);
        unknown.ShouldBe("whatever");
        Harmony.Read("  ", out unknown).ShouldBeEmpty();
    }

    /// <summary>The second, fifth and first chord of a key (theory handbooks, from memory).</summary>
    [Theory]
    [InlineData("Bb major", "Cm7 F7 B♭maj7")]
    [InlineData("D major", "Em7 A7 Dmaj7")]
    [InlineData("F# major", "G♯m7 C♯7 F♯maj7")]
    [InlineData("C major", "Dm7 G7 Cmaj7")]
    public void A_progression_stands_at_the_same_place_of_every_key(string key, string chords)
    {
        var work = new Work(WorkKind.Changes) { Items = ["Dm7", "G7", "Cmaj7"], Key = "C major" };
        WorkInKey.CanMove(work).ShouldBeTrue();
        Key.TryParse(key, out var to).ShouldBeTrue();
        string.Join(' ', WorkInKey.Chords(work, to)).ShouldBe(chords);
        WorkInKey.CanMove(work with { Key = "" }).ShouldBeFalse();
    }

    /// <summary>Moved through twelve keys a chord keeps its kind, and round the circle it comes home.</summary>
    [Fact]
    public void Every_kind_of_chord_keeps_its_kind_in_every_key()
    {
        foreach (var kind in ChordKinds.All)
        {
            var work = new Work(WorkKind.Changes) { Items = [$"E{kind.Sign}", $"A{kind.Sign}/C"], Key = "A minor" };
            foreach (var key in new KeyPlan(Minor: true).Keys())
            {
                var chords = WorkInKey.Chords(work, key).Select(ChordSymbols.Parse).ToList();
                chords.ShouldAllBe(chord => chord.Kind == kind, $"{key.Name} {kind.Name}");
                ((chords[1].Root.PitchClass - key.Tonic.PitchClass + 12) % 12).ShouldBe(0, "the first degree stays the first");
            }
        }
    }
}
