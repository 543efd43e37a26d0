using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>Music of two staves as the versions of a method play it.</summary>
public sealed class AlteredMusicTests
{
    private static readonly Music Hands = AbcReader
        .Read("M:2/4\nL:1/4\n%%score {1 | 2}\nK:C\nV:1\ncd|ef|]\nV:2 clef=bass\nC,2|G,2|]\n")
        .Music;

    [Theory]
    [InlineData("", "48 72 74 55 76 77")]
    [InlineData(AlteredVersion.One, "72 74 76 77")]
    [InlineData(AlteredVersion.Other, "48 55")]
    [InlineData("key+2", "50 74 76 57 78 79")]
    [InlineData("sing", "48 72 74 55 76 77")]
    [InlineData("rhythm-alone", "72 72 72 72")]
    public void Hands_are_alone_or_together_as_the_version_says(string version, string notes) =>
        string.Join(' ', Performed.Notes(AlteredMusic.Of(Hands, version, null).Voices).Select(note => note.Midi)).ShouldBe(notes);

    [Fact]
    public void One_line_alone_is_that_line() =>
        Performed.Notes(AlteredMusic.Of(Hands.OfStaff(0), AlteredVersion.Other, null).Voices).Count.ShouldBe(4, "there is no other");

    [Fact]
    public void In_another_key_ties_of_some_notes_and_grace_notes_go_along()
    {
        var music = AbcReader.Read("M:2/4\nL:1/4\nK:C\n{B}[C-E]2|[CE]2|]").Music;
        var moved = AlteredMusic.Of(music, "key+2", null);
        moved.Lead.Bars[0].Elements[0].Grace[0].ToString().ShouldBe("C#5");
        Performed.Notes(moved.Voices).Select(note => (note.Midi, note.Length.ToString())).ShouldBe([(62, "1"), (66, "1/2"), (66, "1/2")]);
    }
}
