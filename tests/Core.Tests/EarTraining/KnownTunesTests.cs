using Shouldly;
using TuningFork.Core.EarTraining;
using Xunit;

namespace TuningFork.Core.Tests.EarTraining;

/// <summary>Tunes are looked for in all usual keys in turn (common practice); degrees by the scales of any theory handbook.</summary>
public sealed class KnownTunesTests
{
    [Fact]
    public void A_tune_goes_through_eleven_keys_before_one_comes_again()
    {
        var before = new List<int>();
        var first = new List<string>();
        for (var i = 0; i < 12; i++)
        {
            var task = KnownTunes.Next(new KnownTune(5, IsMinor: false), before);
            before.Add(task.Key.Signature);
            first.Add($"{task.Key.Name}: {task.First.Printed}");
        }

        before.Take(11).ShouldBeUnique();
        before[11].ShouldBe(before[0]);
        first.Take(5).ShouldBe(["C major: G", "G major: D", "F major: C", "D major: A", "B♭ major: F"]);
        var minor = KnownTunes.Next(new KnownTune(3, IsMinor: true), [0, 1]);
        (minor.Key.Name, minor.First.Printed).ShouldBe(("D minor", "F"));
        Should.Throw<ArgumentOutOfRangeException>(() => KnownTunes.Next(new KnownTune(8, false), []));
    }
}
