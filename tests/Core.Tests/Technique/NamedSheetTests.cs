using Shouldly;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

public sealed class NamedSheetTests
{
    [Fact]
    public void What_a_sheet_is_called_is_read_as_that_sheet()
    {
        var piano = Instrument.Known.First(one => one.Name == "Piano");
        var kinds = Scale.Kinds.Select(kind => ("scale", kind.Id)).Concat(Chord.Kinds.Select(kind => ("arpeggio", kind.Id)));
        var read = 0;
        foreach (var (figure, kind) in kinds)
        {
            foreach (var tonic in Key.Majors.Select(key => key.Tonic))
            {
                var wish = new SheetWish
                {
                    Figure = figure,
                    Kind = kind,
                    Tonic = tonic.ToString(),
                    Octaves = 1 + (read % Sheets.MostOctaves),
                };
                if (Made(wish, piano) is not { } sheet)
                    continue;
                NamedSheet.Read(sheet.Title).ShouldBe(wish, sheet.Title);
                read++;
            }
        }

        read.ShouldBeGreaterThan(300);
    }

    [Theory]
    [InlineData("g major scale", "G", "major", 1)]
    [InlineData("Bb major scale, two octaves", "Bb", "major", 2)]
    [InlineData("B flat major scale in 2 octaves", "Bb", "major", 2)]
    [InlineData("F-sharp minor scale", "F#", "harmonic-minor", 1)]
    [InlineData(" A melodic minor scale over three octaves ", "A", "melodic-minor", 3)]
    [InlineData("D Dorian scale", "D", "dorian", 1)]
    public void People_write_it_in_many_ways(string title, string tonic, string kind, int octaves)
    {
        var wish = NamedSheet.Read(title).ShouldNotBeNull();
        (wish.Figure, wish.Tonic, wish.Kind, wish.Octaves).ShouldBe(("scale", tonic, kind, octaves));
    }

    [Theory]
    [InlineData("")]
    [InlineData("a minor scale")]
    [InlineData("Scales")]
    [InlineData("G string crossings")]
    [InlineData("D tuning scale")]
    [InlineData("E blues")]
    [InlineData("H major scale")]
    [InlineData("G major scale, five octaves")]
    [InlineData("G major scale in thirds")]
    [InlineData("C major")]
    public void What_means_something_else_is_left_alone(string title) => NamedSheet.Read(title).ShouldBeNull();

    private static Sheet? Made(SheetWish wish, Instrument instrument)
    {
        try
        {
            return Sheets.Make(wish, instrument);
        }
        catch (SheetException)
        {
            // No signature has so many accidentals.
            return null;
        }
    }
}
