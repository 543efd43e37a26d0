using Shouldly;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Theory;

/// <summary>Open strings, and the notes with which bands and orchestras tune (common practice; open strings: handbooks, from memory).</summary>
public sealed class TuningNotesTests
{
    [Theory]
    [InlineData("Violin", "G3 D4 A4 E5", "G3 D4 A4 E5")]
    [InlineData("Guitar", "E3 A3 D4 G4 B4 E5", "E2 A2 D3 G3 B3 E4")]
    [InlineData("B-flat clarinet", "C5", "Bb4")]
    [InlineData("Alto saxophone", "G5", "Bb4")]
    [InlineData("Horn in F", "F4", "Bb3")]
    [InlineData("Trombone", "Bb3", "Bb3")]
    [InlineData("Flute", "A5", "A5")]
    [InlineData("Piano", "", "")]
    [InlineData("Voice", "", "")]
    [InlineData("Hand drum", "", "")]
    public void Written_and_sounding(string name, string written, string sounding)
    {
        var instrument = Instrument.Known.First(one => one.Name == name);
        var notes = TuningNotes.Of(instrument);
        string.Join(' ', notes).ShouldBe(written);
        string.Join(' ', notes.Select(note => note.Plus(instrument.ToSounding))).ShouldBe(sounding);
    }
}
