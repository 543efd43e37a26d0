namespace TuningFork.Core.Recordings;

/// <summary>Something to play along with.</summary>
/// <param name="Id">The number of its recording.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Seconds">How long it is; 0 where that is not known.</param>
/// <param name="LastPlayed">The day on which it was played last, or null.</param>
public sealed record Song(int Id, string Title, double Seconds, DateOnly? LastPlayed)
{
    /// <summary>Those that waited longest first: never played, then by their last day.</summary>
    /// <param name="songs">All songs.</param>
    public static IEnumerable<Song> ByWaiting(IEnumerable<Song> songs) =>
        songs.OrderBy(song => song.LastPlayed ?? DateOnly.MinValue).ThenBy(song => song.Id);
}
