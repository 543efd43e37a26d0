using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Practice;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>How a piece is counted once it has its music, and what is to be said of it.</summary>
/// <param name="BeatsPerBar">Beats in a bar.</param>
/// <param name="Beat">What is counted.</param>
/// <param name="ToBar">The last bar.</param>
/// <param name="Lines">What becomes of the piece, and what does not fit, a line each.</param>
public sealed record PieceFit(int BeatsPerBar, Beat Beat, int ToBar, IReadOnlyList<string> Lines)
{
    /// <summary>
    /// The metre is the music's; another beat is counted only while there are no takes that counted the old one. A piece grows with its
    /// music; it does not shrink, for the music may be a part of it.
    /// </summary>
    /// <param name="piece">The piece as it was entered.</param>
    /// <param name="lead">Its music.</param>
    /// <param name="isPlayed">Whether takes of it are on file.</param>
    public static PieceFit Of(MaterialRow piece, Score lead, bool isPlayed)
    {
        var lines = new List<string>();
        var (first, last) = (Excerpt.FirstBar(lead), Excerpt.LastBar(lead));
        var toBar = first <= piece.FromBar && last > piece.ToBar && last <= MaterialCheck.MostBars ? last : piece.ToBar;
        if (toBar > piece.ToBar)
            lines.Add($"the piece has {toBar} bars, as its music ({piece.ToBar} before)");
        else if (first != piece.FromBar || last != piece.ToBar)
            lines.Add($"the music has bars {first} to {last}, the piece {piece.FromBar} to {piece.ToBar}");
        var time = lead.Time;
        var beat = Counting.Beats(time, piece.Beat) is not null || isPlayed ? piece.Beat : Counting.Usual(time) ?? piece.Beat;
        var beats = Counting.Beats(time, beat) ?? piece.BeatsPerBar;
        if (Counting.Beats(time, beat) is null && !time.IsFree)
            lines.Add($"it is in {time}, the piece counts {Count(beats, beat)} in a bar: change that where the piece is changed");
        else if (beats != piece.BeatsPerBar || beat != piece.Beat)
            lines.Add($"{Count(beats, beat)} in a bar are counted, as it is in {time}");
        return new PieceFit(beats, beat, toBar, lines);
    }

    /// <summary>Gives the piece and its passages what was found.</summary>
    public void Settle(MaterialRow piece, IEnumerable<MaterialRow> passages)
    {
        // What was opened before to be changed is not what it was.
        if ((piece.ToBar, piece.BeatsPerBar, piece.Beat) != (ToBar, BeatsPerBar, Beat))
            piece.Version++;
        (piece.ToBar, piece.BeatsPerBar, piece.Beat) = (ToBar, BeatsPerBar, Beat);
        Bookkeeping.CountAlike(piece, passages);
    }

    private static string Count(int beats, Beat beat) => Words.Count(beats, $"{beat.Name} beat");
}
