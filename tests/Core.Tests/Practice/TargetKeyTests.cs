using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Practice;

/// <summary>What is kept for good must be read for good: these forms stand in every book that was ever written.</summary>
public sealed class TargetKeyTests
{
    [Theory]
    [InlineData("m:12", TargetKind.Material, 12, TargetPart.Whole, "")]
    [InlineData("m:12:k:Bb major", TargetKind.Material, 12, TargetPart.Key, "Bb major")]
    [InlineData("m:12:p:3+4", TargetKind.Material, 12, TargetPart.Pattern, "3+4")]
    [InlineData("m:12:b:17-18", TargetKind.Material, 12, TargetPart.Bars, "17-18")]
    [InlineData("m:12:h:eighth", TargetKind.Material, 12, TargetPart.Density, "eighth")]
    [InlineData("m:12:h", TargetKind.Material, 12, TargetPart.Density, "")]
    [InlineData("m:12:v:silent-bars", TargetKind.Material, 12, TargetPart.Variant, "silent-bars")]
    [InlineData("w:3:1", TargetKind.WarmUp, 3, TargetPart.Whole, "1")]
    [InlineData("w:3:-1", TargetKind.WarmUp, 3, TargetPart.Whole, "-1")]
    [InlineData("book:5:7", TargetKind.Example, 5, TargetPart.Whole, "7")]
    [InlineData("major-minor", TargetKind.Other, 0, TargetPart.Whole, "major-minor")]
    [InlineData("play:m:12", TargetKind.Other, 0, TargetPart.Whole, "play:m:12")]
    [InlineData("m:twelve", TargetKind.Other, 0, TargetPart.Whole, "m:twelve")]
    [InlineData("m:12:x:y", TargetKind.Other, 0, TargetPart.Whole, "m:12:x:y")]
    [InlineData("", TargetKind.Other, 0, TargetPart.Whole, "")]
    public void Each_form_is_read(string key, TargetKind kind, int id, TargetPart part, string name) =>
        TargetKey.Parse(key).ShouldBe(new TargetKey(kind, id, part, name));

    [Fact]
    public void What_is_written_is_read_back()
    {
        foreach (var part in Enum.GetValues<TargetPart>())
        {
            foreach (var name in new[] { "Bb major", "3+4", "17-18", "a:b" })
            {
                var parsed = TargetKey.Parse(TargetKey.Of(41, part, name));
                (parsed.Kind, parsed.Id, parsed.Part).ShouldBe((TargetKind.Material, 41, part));
                parsed.Name.ShouldBe(part == TargetPart.Whole ? "" : name);
            }
        }

        foreach (var key in Key.Majors.Concat(Key.Minors))
            Key.TryParse(TargetKey.Parse(TargetKey.Of(1, TargetPart.Key, $"{key}")).Name, out var back).ShouldBe(back == key);
        TargetKey.Parse(TargetKey.WarmUp(3, 2)).ShouldBe(new TargetKey(TargetKind.WarmUp, 3, TargetPart.Whole, "2"));
        TargetKey.Parse(TargetKey.Example(5, 7)).Number.ShouldBe(7);
    }

    [Fact]
    public void A_part_is_of_its_material_and_of_no_other()
    {
        TargetKey.IsOf("m:1:k:C major", 1).ShouldBeTrue();
        TargetKey.IsOf("m:12", 1).ShouldBeFalse();
        TargetKey.IsOf("w:1:0", 1).ShouldBeFalse();
    }
}
