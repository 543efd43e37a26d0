using Shouldly;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

/// <summary>Songs to play along with have their turn in the time for playing.</summary>
public sealed class SongsTests
{
    private static readonly DateOnly Day = new(2031, 5, 12);

    private static readonly Song[] Songs =
    [
        new(4, "Slow blues", 200, Day.AddDays(-1)),
        new(7, "Harbour song", 90, Day.AddDays(-6)),
        new(9, "Two chords", 90, null),
    ];

    [Fact]
    public void What_waited_longest_comes_first_and_is_not_asked_for_twice_a_day()
    {
        Titles(Plan(Day.AddDays(1), 5, Songs)).ShouldBe(["Two chords"]);
        Titles(Plan(Day.AddDays(1), 12, Songs)).ShouldBe(["Two chords", "Harbour song"]);
        Titles(Plan(Day, 12, [new(4, "Slow blues", 200, Day)])).ShouldBeEmpty();
    }

    [Fact]
    public void Over_weeks_each_has_its_turn_and_there_are_days_for_something_of_ones_own()
    {
        var songs = Songs.ToDictionary(song => song.Id);
        var (played, free) = (new List<int>(), 0);
        for (var day = Day; day < Day.AddDays(21); day = day.AddDays(1))
        {
            var drills = Plan(day, 5, [.. songs.Values]);
            foreach (var id in drills.Select(SongOf).OfType<int>())
            {
                songs[id] = songs[id] with { LastPlayed = day };
                played.Add(id);
            }

            free += drills.Count(drill => drill.MethodId == Methods.FreePlay.Id);
        }

        played.Chunk(3).Where(three => three.Length == 3).ShouldAllBe(three => three.Distinct().Count() == 3);
        played.Count.ShouldBeInRange(12, 16);
        free.ShouldBeGreaterThanOrEqualTo(7);
    }

    [Fact]
    public void A_drill_says_why_and_lasts_as_long_as_the_song_needs()
    {
        var drill = Plan(Day.AddDays(1), 6, [Songs[1]]).First(one => SongOf(one) is not null);
        (drill.Title, drill.Reason, drill.Minutes, drill.MethodId).ShouldBe(
            ("Harbour song", "waited longest: 7 days ago", 5, Methods.PlayAlong.Id)
        );
    }

    private static IEnumerable<string> Titles(IEnumerable<Drill> drills) =>
        drills.Where(drill => SongOf(drill) is not null).Select(drill => drill.Title);

    private static int? SongOf(Drill drill) =>
        drill.Targets is [{ } target, ..] && TargetKey.Parse(target.Key) is { Kind: TargetKind.Song } song ? song.Id : null;

    private static IReadOnlyList<Drill> Plan(DateOnly day, int minutes, IReadOnlyList<Song> songs) =>
        DayPlanner
            .Plan(
                new DayRequest
                {
                    Day = day,
                    Minutes = minutes,
                    UsualMinutes = minutes,
                    Routine = new Routine("play", [new Block(Area.Play, 1, 1, 240)], false),
                    Shares = [.. Areas.Shared.Select(area => new AreaShare(area, area == Area.Play ? 100 : 0, 0, 240))],
                    Songs = songs,
                }
            )
            .Drills;
}
