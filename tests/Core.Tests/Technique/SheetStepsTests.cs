using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>Steps made from a scale, an octave and a key: a scale book's order of things (common practice).</summary>
public sealed class SheetStepsTests
{
    private static readonly Instrument Violin = InstrumentNames.Find("violin")!;

    [Fact]
    public void The_notes_are_those_of_the_scale_and_octaves_lie_end_to_end()
    {
        var wish = new SheetWish { Tonic = "G", Octaves = 2 };
        Names(wish, StepsBy.Notes).ShouldBe(["G3", "A3", "B3", "C4", "D4", "E4", "F♯4", "G4", "A4", "B4", "C5", "D5", "E5", "F♯5", "G5"]);
        Names(wish with { Octaves = 3 }, StepsBy.Octaves).ShouldBe(["G3 to G4", "G4 to G5", "G5 to G6", "G3 to G6"]);
        foreach (var step in SheetSteps.Of(wish, StepsBy.Octaves, Violin).SkipLast(1))
            Sheets.Make(step.Wish!, Violin).Notes.ShouldBe(Sheets.NoteCount(7, 1));
        Sheets.Make(SheetSteps.Of(wish, StepsBy.Octaves, Violin)[^1].Wish!, Violin).Notes.ShouldBe(Sheets.NoteCount(7, 2));
    }

    [Fact]
    public void All_of_a_key_holds_its_scales_chords_thirds_and_sixths()
    {
        Names(new SheetWish { Tonic = "Bb", Octaves = 2 }, StepsBy.Key)
            .ShouldBe([
                "B♭ major scale, two octaves",
                "B♭ major arpeggio, two octaves",
                "B♭ major seventh arpeggio, two octaves",
                "F dominant seventh arpeggio, two octaves",
                "B♭ major in thirds, two octaves",
                "B♭ major in sixths, two octaves",
                "Pattern 1 (1234) in B♭ major, two octaves",
            ]);
        var minor = Names(new SheetWish { Tonic = "A", Kind = "natural-minor" }, StepsBy.Key);
        minor.ShouldContain("E dominant seventh arpeggio, one octave");
        minor.ShouldContain("G♯ diminished seventh arpeggio, one octave");
        minor.ShouldContain("A melodic minor scale, one octave");
    }

    [Fact]
    public void Every_key_of_every_known_instrument_has_steps_that_can_be_played()
    {
        foreach (var (key, name) in Key.Majors.Concat(Key.Minors).SelectMany(key => Names().Select(name => (key, name))))
        {
            var instrument = InstrumentNames.Find(name)!;
            var wish = new SheetWish
            {
                Tonic = $"{key.Tonic}",
                Kind = key.IsMinor ? "harmonic-minor" : "major",
                Octaves = 2,
            };
            var steps = SheetSteps.Of(wish, StepsBy.Key, instrument);
            steps.Count.ShouldBeGreaterThan(4, $"{key.Name}, {name}");
            steps.Select(step => step.Name).ShouldBeUnique();
            foreach (var step in steps)
                Sheets.Make(step.Wish!, instrument).Title.ShouldBe(step.Name);
        }

        static IEnumerable<string> Names() => ["violin", "clarinet", "guitar", "piano", "horn", "flute", "bass", "cello"];
    }

    [Fact]
    public void What_cannot_be_is_refused_by_its_field()
    {
        Field(new SheetWish { Tonic = "H" }, StepsBy.Key).ShouldBe("tonic");
        Field(
                new SheetWish
                {
                    Tonic = "G",
                    Octaves = 4,
                    Highest = Pitch.Parse("G5"),
                },
                StepsBy.Octaves
            )
            .ShouldBe("octaves");
        Field(new SheetWish { Lowest = Pitch.Parse("C5"), Highest = Pitch.Parse("D5") }, StepsBy.Key).ShouldBe("tonic");

        static string Field(SheetWish wish, StepsBy by) => Should.Throw<SheetException>(() => SheetSteps.Of(wish, by, Violin)).Field;
    }

    private static List<string> Names(SheetWish wish, StepsBy by) => [.. SheetSteps.Of(wish, by, Violin).Select(step => step.Name)];
}
