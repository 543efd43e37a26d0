using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.Spacing;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Play: a piece right through when one is ready and fits, and making something up.</summary>
internal static class PlayFill
{
    private const int MostNamed = 2;

    /// <summary>Minutes of what was made up before.</summary>
    private const int LeastMade = 2;
    private const int MostMade = 4;

    /// <summary>Minutes with a song, and from how many on there are two of them.</summary>
    private const int LeastSong = 3;
    private const int MostSong = 6;
    private const int LongPlay = 10;

    private static readonly (string Title, string How)[] Ideas =
    [
        ("Make something from three notes", "Three notes of today's scale; say something with them."),
        ("Question and answer", "Two bars ask, two bars answer. Write down what you like."),
        ("Only one rhythm", "One rhythm, any notes. Keep it going."),
        ("A tune you know, another key", "Find it by ear, slowly."),
        ("Whatever you like", "Play for the sound of it."),
        ("Only arpeggios", "Broken chords, any order, in time."),
    ];

    /// <summary>For instruments without pitch.</summary>
    private static readonly (string Title, string How)[] Beats =
    [
        ("A low stroke more", "The groove you know with one low stroke more; move it round the bar."),
        ("The other hand off the beat", "One hand keeps the beat, the other answers between."),
        ("Doubles", "Every second stroke twice; first slowly, always even."),
        ("Soft against loud", "Two bars soft, two bars loud, the same tempo."),
        ("A bar left out", "Three bars, one silent; be there on the next one."),
        ("Question and answer", "Two bars ask, two bars answer. Write down what you like."),
        ("Only one sound", "One stroke, any rhythm. Keep it going."),
        ("Whatever you like", "Play for the sound of it."),
    ];

    public static IEnumerable<Drill> Fill(FillContext context, Block block, int minutes)
    {
        if (minutes <= 0)
            yield break;
        if (block.Shelf && !ShelfDrill.IsUsed(context))
        {
            var sorting = Math.Min(minutes, ShelfDrill.Minutes);
            minutes -= sorting;
            yield return ShelfDrill.Of(context, Area.Play, sorting);
            if (minutes == 0)
                yield break;
        }

        var day = context.Request.Day;
        var piece = context
            .Request.Materials.Where(material =>
                material is { Kind: MaterialKind.Piece, Resting: false }
                && CanBePlayed(context, material)
                && material.LastVisit != day
                && (material.LastVisit is not null || context.Request.PracticeDaysBack is null)
                && !context.Used.Contains(TargetKey.Of(material.Id))
                && PieceMinutes(material) <= minutes
            )
            .OrderByDescending(material => material.AskedFor)
            // After a drill of chords or keys a song with them.
            .ThenByDescending(material => With(context, material).Count)
            .ThenBy(material => material.LastVisit ?? DateOnly.MinValue)
            .FirstOrDefault();
        var left = minutes;
        var with = piece is null ? [] : With(context, piece);
        if (piece is not null && (day.DayNumber % 3 != 0 || piece.AskedFor || with.Count > 0 || minutes >= PieceMinutes(piece) + 3))
        {
            var length = minutes - PieceMinutes(piece) >= 3 ? PieceMinutes(piece) : minutes;
            left -= length;
            yield return context.Make(
                Area.Play,
                Methods.PerformanceTake,
                piece.Title,
                length,
                with.Count > 0 ? $"after the drill, with {Words.List([.. with.Take(MostNamed)])}"
                    : piece.LastVisit is { } last ? $"right through; last played {Words.Ago(day.DayNumber - last.DayNumber)}"
                    : "right through, for the first time",
                context.TargetOf(context.Whole(piece, piece.FromBar, piece.ToBar), Pace.Performance)
            );
        }

        foreach (var song in Songs(context, left))
        {
            var length = Math.Min(left, MinutesOf(song));
            left -= length;
            yield return context.Make(
                Area.Play,
                Methods.PlayAlong,
                song.Title,
                length,
                song.LastPlayed is { } last ? $"waited longest: {Words.Ago(day.DayNumber - last.DayNumber)}" : "not played along with yet",
                new Target
                {
                    Key = TargetKey.Song(song.Id),
                    Title = song.Title,
                    Group = TargetKey.Song(song.Id),
                }
            );
        }

        if (left >= LeastMade && Made(context) is { } made)
        {
            var length = Math.Min(left, MostMade);
            left -= length;
            yield return context.Make(
                Area.Play,
                Methods.FreePlay,
                made.Title,
                length,
                made.Harmony.Count > 0 ? $"you made it: use it over {Words.List([.. made.Harmony.Take(MostNamed)])}"
                    : made.LastVisit is null ? "you made it: play on from there"
                    : "you made it: what becomes of it today?",
                context.TargetOf(made, timed: false)
            );
        }

        (string Title, string How)[] ideas =
            block.Ideas.Count > 0
                ? [.. block.Ideas.Select(idea => (idea, "Your own idea: stay with it until the time is up."))]
                :
                [
                    .. context.Request.PlayIdeas.Select(idea => (idea, "From your shelf: try it, and write down what you like.")),
                    .. context.Request.IsPitched ? Ideas : Beats,
                ];
        var turn = day.DayNumber + context.Request.Variant;
        foreach (var length in left > 0 ? FillContext.Chop(left, 15, 20) : [])
        {
            var idea = context.Choose(Area.Play, ideas, turn++);
            for (var tries = 0; tries < ideas.Length && context.Used.Contains(FillContext.KeyOf(Area.Play, idea.Title)); tries++)
                idea = ideas[turn++ % ideas.Length];
            yield return context.MakeNamed(Area.Play, Methods.FreePlay, idea, length, "something of your own");
        }
    }

    /// <summary>One song, or two where there is much time; in a short time every third day is for something of one's own.</summary>
    private static IEnumerable<Song> Songs(FillContext context, int minutes)
    {
        var day = context.Request.Day;
        var count =
            minutes >= LongPlay ? 2
            : minutes >= LeastSong && (minutes > MostSong || day.DayNumber % 3 != 0) ? 1
            : 0;
        return Song.ByWaiting(
                context.Request.Songs.Where(song => song.LastPlayed != day && !context.Used.Contains(TargetKey.Song(song.Id)))
            )
            .Take(count);
    }

    /// <summary>Heard once, played with twice.</summary>
    private static int MinutesOf(Song song) => Math.Clamp((int)Math.Ceiling(3 * song.Seconds / 60), LeastSong, MostSong);

    /// <summary>What was made up before and has waited longest; every other day, so that there is something new as well.</summary>
    private static Material? Made(FillContext context) =>
        context
            .Request.Materials.Where(material =>
                material is { Kind: MaterialKind.Exercise, Area: Area.Play, Resting: false }
                && material.LastVisit != context.Request.Day
                && (material.AskedFor || context.Request.Day.DayNumber % 2 == 0)
                && !context.Used.Contains(TargetKey.Of(material.Id))
            )
            .OrderByDescending(material => material.AskedFor)
            // After a drill of chords or keys what is used over them.
            .ThenByDescending(material => With(context, material).Count)
            .ThenBy(material => material.LastVisit ?? DateOnly.MinValue)
            .ThenBy(material => material.Id)
            .FirstOrDefault();

    /// <summary>Chords and keys of a song that were drilled today.</summary>
    private static List<string> With(FillContext context, Material piece) => [.. piece.Harmony.Where(context.Sounded.Contains)];

    /// <summary>A piece under way, or one whose passages have all been clean at some tempo, however it is rated.</summary>
    private static bool CanBePlayed(FillContext context, Material piece) =>
        piece.Readiness != Readiness.Raw
        || (
            piece.HasPassages
            && context
                .Request.Materials.Where(one => one is { Kind: MaterialKind.Passage, Resting: false } && one.Group == piece.Id)
                .All(one => one.Best is not null)
        );

    private static int PieceMinutes(Material piece) => Math.Max(2, (piece.TakeSeconds + 59) / 60);
}
