using Shouldly;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Which heard note is which written one.</summary>
public sealed class AlignmentTests
{
    [Fact]
    public void What_is_heard_as_begun_anew_many_times_takes_no_other_notes_place()
    {
        List<WrittenMoment> written = [new(0, [60], 1, 0), new(0.25, [62], 1, 0.25), new(0.5, [64], 1, 0.5), new(1, [65], 2, 0)];
        var heard = new List<HeardTone> { new(1, 0, Tuning.Hertz(60), 1, 0.5), new(1.5, 0, Tuning.Hertz(62), 1, 0.5) };
        heard.AddRange(Enumerable.Range(0, 8).Select(i => new HeardTone(2 + (0.11 * i), 0, Tuning.Hertz(64), 1, 0.5)));
        heard.Add(new HeardTone(3, 0, Tuning.Hertz(65), 1, 0.5));
        var alignment = Alignment.Of(written, heard, 2, withClick: true, 440, isPitched: true);
        alignment
            .Moments.Select(moment => (moment.Match, moment.Heard))
            .ShouldBe([(Match.Right, 0), (Match.Right, 1), (Match.Right, 2), (Match.Right, 10)]);
        alignment.AdditionalNotes.Count.ShouldBe(7);
    }
}
