using System.Text.Json;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Demo;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>What the demo says about the bars of its waltz, read in these bars. Clarinet: the break lies between written B♭4 and B4.</summary>
public sealed class DemoMusicTests
{
    private readonly IReadOnlyList<Bar> bars = ScoreJson.Read(DemoMusic.FerryWaltz()).Lead.Bars;

    [Fact]
    public void It_has_forty_eight_whole_bars_and_ends_on_its_tonic()
    {
        bars.Count.ShouldBe(48);
        bars.ShouldAllBe(bar => bar.Elements.Aggregate(Fraction.Zero, (sum, one) => sum + one.Length) == new Fraction(3, 4));
        Notes(48, 48).ShouldBe([Pitch.Parse("F4")]);
    }

    /// <summary>"Breathe before 8, not between."</summary>
    [Fact]
    public void There_is_a_breath_before_8_and_none_before_9()
    {
        bars[6].Elements[^1].IsRest.ShouldBeTrue();
        bars[7].Elements.Concat(bars[8].Elements).ShouldAllBe(one => !one.IsRest);
    }

    /// <summary>"Right hand stays down over the break."</summary>
    [Fact]
    public void Bars_17_to_18_go_over_the_break_up_and_down()
    {
        var above = Notes(17, 18).Select(note => note.Midi > Pitch.Parse("Bb4").Midi).ToList();
        above.Zip(above.Skip(1)).ShouldContain((false, true));
        above.Zip(above.Skip(1)).ShouldContain((true, false));
    }

    /// <summary>"Count the dotted beat in three."</summary>
    [Fact]
    public void Bar_26_has_a_dotted_quarter() => bars[25].Elements.ShouldContain(one => one.Length == new Fraction(3, 8));

    /// <summary>"A major run: left-hand C sharp", "left C sharp, right B", "breathe before 31".</summary>
    [Fact]
    public void Bars_31_to_33_run_through_A_major_after_a_breath()
    {
        bars[29].Elements[^1].IsRest.ShouldBeTrue();
        Notes(31, 32).Take(8).Select(note => note.ToString()).ShouldBe(["A4", "B4", "C#5", "D5", "E5", "F#5", "G#5", "A5"]);
        Notes(33, 33).Take(2).Select(note => note.ToString()).ShouldBe(["C#5", "B4"]);
    }

    /// <summary>"High entry: hear it first."</summary>
    [Fact]
    public void Bar_44_enters_after_a_rest_on_the_highest_note()
    {
        bars[42].Elements[^1].IsRest.ShouldBeTrue();
        Notes(44, 44)[0].Midi.ShouldBe(Notes(1, 48).Max(note => note.Midi));
    }

    /// <summary>The sheets of the demo are as long as is said of them.</summary>
    [Fact]
    public void Each_sheet_has_as_many_bars_as_its_exercise()
    {
        var sheets = DemoMaterial.All(new DateOnly(2031, 5, 14)).Select(item => item.Row).Where(row => row.SheetJson.Length > 0).ToList();
        sheets.Count.ShouldBeGreaterThan(3);
        foreach (var row in sheets)
        {
            var wish = JsonSerializer.Deserialize<SheetWish>(row.SheetJson, Bookkeeping.Json)!;
            Sheets.Make(wish, ProfileBooks.InstrumentOf(DemoMaterial.Profile())).Score.Bars.Count.ShouldBe(row.ToBar, row.Title);
        }
    }

    private List<Pitch> Notes(int from, int to) =>
        [.. bars.Skip(from - 1).Take(to - from + 1).SelectMany(bar => bar.Elements).SelectMany(one => one.Pitches)];
}
