using CsCheck;
using Shouldly;
using TuningFork.Core.Recordings;
using Xunit;

namespace TuningFork.Core.Tests.Recordings;

/// <summary>Which recordings go for want of room.</summary>
public sealed class ThinningTests
{
    private static readonly DateTime Begin = new(2031, 5, 1, 18, 0, 0, DateTimeKind.Utc);

    private static KeptRecording One(int id, int day, int? material = 1, bool marked = false, RecordingKind kind = RecordingKind.Take) =>
        new(id, material, kind, Begin.AddDays(day), 100, marked);

    [Fact]
    public void With_room_for_all_nothing_goes() => Thinning.Gone([One(1, 0), One(2, 1), One(3, 2)], 300).ShouldBeEmpty();

    [Fact]
    public void The_one_with_others_nearest_in_time_goes_first() =>
        // Days 0, 10, 11, 12, 40: 11 has others a day away on both sides; then 10 and 12 stand 12 and 30 apart.
        Thinning.Gone([One(1, 0), One(2, 10), One(3, 11), One(4, 12), One(5, 40)], 300).ShouldBe([3, 2]);

    [Fact]
    public void Things_are_weighed_against_each_other() =>
        Thinning.Gone([One(1, 0), One(2, 9), One(3, 18), One(4, 0, 2), One(5, 1, 2), One(6, 2, 2)], 500).ShouldBe([5]);

    [Fact]
    public void First_newest_marked_added_and_songs_stay_whatever_the_room() =>
        Gen.Select(Gen.Int[0, 60], Gen.Int[1, 3], Gen.Bool, Gen.Enum<RecordingKind>())
            .Array[0, 40]
            .Select(Gen.Int[0, 4000])
            .Sample(
                (drawn, room) =>
                {
                    var all = drawn.Select((one, i) => One(i + 1, one.Item1, one.Item2, one.Item3, one.Item4)).ToList();
                    var gone = Thinning.Gone(all, room).ToHashSet();
                    var left = all.Where(one => !gone.Contains(one.Id)).ToList();
                    gone.Count.ShouldBe(all.Count - left.Count);
                    all.Where(one => one.IsMarked || one.Kind != RecordingKind.Take).ShouldAllBe(one => !gone.Contains(one.Id));
                    foreach (var thing in all.Where(one => one.Kind != RecordingKind.Song).GroupBy(one => one.MaterialId))
                    {
                        var order = thing.OrderBy(one => one.AtUtc).ThenBy(one => one.Id).ToList();
                        gone.ShouldNotContain(order[0].Id);
                        gone.ShouldNotContain(order[^1].Id);
                    }

                    // No more than needed, and as many as needed as long as there are some that may go.
                    if (gone.Count > 0)
                        (left.Sum(one => one.Bytes) + 100).ShouldBeGreaterThan(room);
                    if (left.Sum(one => one.Bytes) > room)
                        left.Where(one => one is { Kind: RecordingKind.Take, IsMarked: false })
                            .ShouldAllBe(one =>
                                left.All(other =>
                                    other.Kind == RecordingKind.Song || other.MaterialId != one.MaterialId || Later(one, other)
                                )
                                || left.All(other =>
                                    other.Kind == RecordingKind.Song || other.MaterialId != one.MaterialId || Later(other, one)
                                )
                            );
                }
            );

    private static bool Later(KeptRecording one, KeptRecording other) =>
        one.AtUtc < other.AtUtc || (one.AtUtc == other.AtUtc && one.Id <= other.Id);
}
