using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Technique;

/// <summary>Sheets for both hands of a keyboard (scales of method books, common practice).</summary>
public sealed class BothHandsTests
{
    private static readonly Instrument Piano = InstrumentNames.Find("piano")!;

    [Fact]
    public void Together_both_play_the_same_notes_octaves_apart_and_away_from_each_other_they_mirror()
    {
        var compared = 0;
        foreach (var figure in new[] { ("scale", "major"), ("scale", "melodic-minor"), ("arpeggio", "major") })
        foreach (var tonic in Key.Majors.Select(key => key.Tonic.ToString()).Where(tonic => tonic is not ("Cb" or "C#" or "Gb" or "Fb")))
        foreach (var octaves in Enumerable.Range(1, 3))
        foreach (var way in Enum.GetValues<Together>())
        {
            var wish = new SheetWish
            {
                Figure = figure.Item1,
                Kind = figure.Item2,
                Tonic = tonic,
                Octaves = octaves,
                Together = way,
            };
            Sheet sheet;
            try
            {
                sheet = Sheets.Make(wish, Piano);
            }
            catch (SheetException problem) when (problem.Field == "tonic" || problem.Field == "kind")
            {
                continue;
            }

            compared++;
            Check(sheet, way, $"{tonic} {figure} {octaves} {way}");
        }
        compared.ShouldBeGreaterThan(150);
    }

    [Fact]
    public void In_C_major_both_thumbs_begin_on_the_same_key_and_the_fingers_are_those_of_the_table()
    {
        var sheet = Sheets.Make(
            new SheetWish
            {
                Tonic = "C",
                Octaves = 1,
                Together = Together.Contrary,
            },
            Piano
        );
        Notes(sheet.Score)[..8].ShouldBe(["C4", "D4", "E4", "F4", "G4", "A4", "B4", "C5"]);
        Notes(sheet.Left!)[..8].ShouldBe(["C4", "B3", "A3", "G3", "F3", "E3", "D3", "C3"]);
        // The usual fingering of both hands, thumb under after three and four (method books, from memory).
        Fingers(sheet.Score)[..8].ShouldBe([1, 2, 3, 1, 2, 3, 4, 5]);
        Fingers(sheet.Left!)[..8].ShouldBe([1, 2, 3, 1, 2, 3, 4, 5]);
        (sheet.Left!.Clef, sheet.Title).ShouldBe((Clef.Bass, "C major scale, one octave, in contrary motion"));
    }

    [Theory]
    [InlineData("flute", "scale", OctaveOrder.UpAndDown)]
    [InlineData("piano", "pattern", OctaveOrder.UpAndDown)]
    public void Where_it_makes_no_sense_it_is_refused(string instrument, string figure, OctaveOrder order) =>
        Should
            .Throw<SheetException>(() =>
                Sheets.Make(
                    new SheetWish
                    {
                        Figure = figure,
                        Order = order,
                        Octaves = 2,
                        Together = Together.Parallel,
                    },
                    InstrumentNames.Find(instrument)!
                )
            )
            .Field.ShouldBe("together");

    private static void Check(Sheet sheet, Together way, string what)
    {
        sheet.Music.Check().ShouldBeEmpty(what);
        sheet.Music.Staves.ShouldBe(2, what);
        var (right, left) = (Performed.Notes(sheet.Score), Performed.Notes(sheet.Left!));
        right.Select(note => note.At).ShouldBe(left.Select(note => note.At), what);
        if (way == Together.Parallel)
            right.Zip(left).Select(pair => pair.First.Midi - pair.Second.Midi).Distinct().ShouldHaveSingleItem(what).ShouldBeGreaterThan(0);
        else
            (left[0].Midi, left[^1].Midi, left.Min(note => note.Midi)).ShouldBe(
                (right[0].Midi, right[0].Midi, (2 * right[0].Midi) - right.Max(note => note.Midi)),
                what
            );
    }

    private static List<string> Notes(Score score) => [.. Heads(score).Select(element => element.Pitches[0].ToString())];

    private static List<int> Fingers(Score score) => [.. Heads(score).Select(element => element.Finger!.Value)];

    private static IEnumerable<Element> Heads(Score score) =>
        score.Bars.SelectMany(bar => bar.Elements).Where(element => !element.IsRest && element.Finger is not null);
}
