using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.SightReading;

/// <summary>How a stand-in plays.</summary>
/// <param name="WrongPart">Part of the bars that go wrong, 0 to 1.</param>
/// <param name="LagMs">Milliseconds by which all of it comes late; negative for early.</param>
/// <param name="SpreadMs">Milliseconds by which single notes come early or late at most, 0 or more.</param>
/// <param name="Seed">Its chance.</param>
public sealed record StandInWish(double WrongPart, double LagMs = 0, double SpreadMs = 20, int Seed = 1);

/// <summary>What a stand-in played, and the bars in which it went wrong on purpose.</summary>
public sealed record StandInPlayed(IReadOnlyList<PlayedEvent> Events, IReadOnlyList<int> Wrong);

/// <summary>A player made of numbers, for trying out what listens: leaves notes out, strikes others, stumbles, comes late.</summary>
public static class StandIn
{
    private const double LateByBeats = 0.75,
        RoomBeats = 0.4;

    private const int LeftOut = 0,
        Late = 1;

    /// <summary>Plays.</summary>
    /// <param name="score">What is written.</param>
    /// <param name="tempo">The tempo of the click.</param>
    /// <param name="wish">How it plays.</param>
    /// <param name="taps">True for taps without pitch.</param>
    /// <exception cref="ArgumentOutOfRangeException">The part of wrong bars is not between 0 and 1, or the spread is below 0.</exception>
    public static StandInPlayed Play(Score score, Bpm tempo, StandInWish wish, bool taps = false) => Play([score], tempo, wish, taps);

    /// <summary>Plays staves together.</summary>
    /// <param name="staves">What is written, one staff or more.</param>
    /// <param name="tempo">The tempo of the click.</param>
    /// <param name="wish">How it plays.</param>
    /// <param name="taps">True for taps without pitch.</param>
    /// <exception cref="ArgumentOutOfRangeException">The part of wrong bars is not between 0 and 1, or the spread is below 0.</exception>
    public static StandInPlayed Play(IReadOnlyList<Score> staves, Bpm tempo, StandInWish wish, bool taps = false)
    {
        ArgumentNullException.ThrowIfNull(staves);
        ArgumentNullException.ThrowIfNull(wish);
        var score = staves[0];
        var written = Performed.Notes(staves);
        if (wish.WrongPart is not (>= 0 and <= 1) || wish.SpreadMs is not >= 0)
            throw new ArgumentOutOfRangeException(
                nameof(wish),
                wish,
                "The part of wrong bars lies between 0 and 1, the spread is not below 0."
            );
        var random = new Random(wish.Seed);
        var beatMs = 60_000.0 / tempo.Value;
        var perBar = (score.Time.Bar / score.TempoBeat).Value;
        var wrong = Enumerable.Range(0, score.Bars.Count).Where(_ => random.NextDouble() < wish.WrongPart).ToHashSet();
        var events = new List<PlayedEvent>();
        foreach (var bar in written.GroupBy(note => note.Bar))
        {
            var moments = bar.GroupBy(note => note.At).ToList();
            var spoiled = wrong.Contains(bar.Key) ? random.Next(moments.Count) : -1;
            for (var i = 0; i < moments.Count; i++)
            {
                var at =
                    (moments[i].Key / score.TempoBeat).Value + ((wish.LagMs + (wish.SpreadMs * ((2 * random.NextDouble()) - 1))) / beatMs);
                var notes = moments[i].Select(note => note.Midi).ToList();
                if (i == spoiled)
                {
                    var way = random.Next(taps ? 2 : 3);
                    // What comes late stays in its bar; where there is no room for that it is left out.
                    var room = ((bar.Key + 1) * perBar) - at > LateByBeats + RoomBeats;
                    (at, notes) = Spoil(at, notes, way == Late && !room ? LeftOut : way);
                }
                events.AddRange(taps ? notes.Take(1).Select(_ => new PlayedEvent(at)) : notes.Select(note => new PlayedEvent(at, note)));
            }
        }

        // A bar in which nothing begins cannot go wrong.
        return new StandInPlayed(events, [.. wrong.Where(bar => written.Any(note => note.Bar == bar)).Select(bar => bar + 1).Order()]);
    }

    private static (double At, List<int> Notes) Spoil(double at, List<int> notes, int way) =>
        way switch
        {
            LeftOut => (at, []),
            Late => (at + LateByBeats, notes),
            _ => (at, [.. notes.Select(note => note + 1)]),
        };
}
