using System.Globalization;
using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// A piece by heart, from any of its stations: they are called in mixed order, and each is played to the next one. Where one falls out
/// there is a passage (common practice).
/// </summary>
internal static class StationsDrill
{
    /// <summary>Bars from one station to the next: as long as a passage.</summary>
    private const int Bars = 4;

    private const int MostStations = 12;
    private const int MostRounds = 3;

    /// <summary>Whether there is anything to begin from in its middle.</summary>
    public static bool Fits(Material material) => material is { Kind: MaterialKind.Piece, Bars: > 2 * Bars };

    public static Drill Of(FillContext context, Material piece, int minutes, string reason)
    {
        var each = Math.Max(Bars, (piece.Bars + MostStations - 1) / MostStations);
        var targets = Enumerable
            .Range(0, (piece.Bars + each - 1) / each)
            .Select(number => piece.FromBar + (number * each))
            .Select(from => Station(context, piece, from, Math.Min(piece.ToBar, from + each - 1)))
            .ToList();
        context.Used.Add(TargetKey.Of(piece.Id));
        var drill = context.Make(Area.Repertoire, Methods.Stations, piece.Title, minutes, reason, targets);
        var rounds = Math.Clamp(Takes.RoundsThatFit(minutes * 60, targets.Select(target => target.TakeSeconds)), 1, MostRounds);
        return drill with
        {
            Sequence = Mixed(targets.Count, rounds, drill.Seed),
            Sum = $"{Words.Count(targets.Count, "station")}{(rounds > 1 ? $", {rounds} rounds" : "")}",
        };
    }

    private static Target Station(FillContext context, Material piece, int from, int to) =>
        context.TargetIn(
            context.Whole(piece, from, to),
            TargetPart.Bars,
            $"{from}-{to}",
            from == piece.FromBar ? "from the beginning" : string.Create(CultureInfo.InvariantCulture, $"from bar {from}"),
            null,
            Pace.Slow
        ) with
        {
            StopAfterBar = to,
        };

    /// <summary>Each once a round, mixed anew, never the same twice running.</summary>
    private static List<int> Mixed(int count, int rounds, int seed)
    {
        var random = new Random(seed);
        var stations = Enumerable.Range(0, count).ToArray();
        var sequence = new List<int>();
        for (var round = 0; round < rounds; round++)
        {
            random.Shuffle(stations);
            if (sequence.Count > 0 && stations[0] == sequence[^1])
                (stations[0], stations[^1]) = (stations[^1], stations[0]);
            sequence.AddRange(stations);
        }

        return sequence;
    }
}
