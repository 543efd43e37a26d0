using System.Text.Json;
using TuningFork.Core.Practice;
using TuningFork.Core.SightReading;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What the demo's player has read at sight in the drills of new music: weak in rhythm, with good days and bad ones.</summary>
internal static class DemoReadings
{
    private const int Days = 62;
    private const int SecondsEach = 110;
    private const double Steepness = 0.9;

    /// <summary>Levels that the made-up reader has.</summary>
    private static readonly Dictionary<Strand, double> Truth = new()
    {
        [Strand.Keys] = 6.2,
        [Strand.Rhythm] = 4.4,
        [Strand.Range] = 6.8,
        [Strand.Texture] = 5.5,
    };

    public static IEnumerable<ReadingRow> Of(IEnumerable<SessionRow> sessions, Instrument instrument, DateOnly today)
    {
        var random = new Random(2718);
        var rating = ReadingRating.Beginning;
        Strand? last = null;
        var kept = 1.0;
        foreach (var session in sessions.Where(session => session.Day >= today.AddDays(-Days)))
        {
            var form = 0.6 * ((2 * random.NextDouble()) - 1);
            foreach (var drill in session.Drills.Where(IsNew))
            {
                var at = session.StartedUtc.AddSeconds(300);
                for (var played = SecondsEach; played <= drill.PlayedSeconds; played += SecondsEach)
                {
                    var (asked, levels) = rating.Next(last, instrument.IsPitched);
                    var reading = Composer.Compose(
                        new ReadingWish
                        {
                            Seed = random.Next(),
                            Levels = levels,
                            Asked = asked,
                            Instrument = instrument,
                        }
                    );
                    var bars = reading.Score.Bars.Count;
                    var right = Enumerable.Range(0, bars).Count(_ => random.NextDouble() < Chance(levels, form, instrument.IsPitched));
                    (rating, last) = (rating.After(levels, bars, right), asked);
                    kept = ReadingTempo.Kept(kept, kept, (double)right / bars);
                    yield return new ReadingRow
                    {
                        Key = new Guid(random.Next(), 0, 0, new byte[8]),
                        Day = session.Day,
                        AtUtc = at.AddSeconds(played),
                        Title = reading.Score.Title,
                        Fingerprint = reading.Fingerprint,
                        Asked = asked,
                        Level = levels[asked],
                        Bars = bars,
                        Right = right,
                        Tempo = ReadingTempo.Proposed(reading.Score.Tempo!.Value, kept).Value,
                        Kept = kept,
                        RatingJson = JsonSerializer.Serialize(rating, Bookkeeping.Json),
                    };
                }
            }
        }
    }

    private static bool IsNew(SessionDrillRow row) =>
        row.Area == Area.SightReading
        && JsonSerializer.Deserialize<Drill>(row.DrillJson, Bookkeeping.Json)?.MethodId == Methods.NewMusic.Id;

    private static double Chance(ReadingLevels levels, double form, bool pitched) =>
        (pitched ? Enum.GetValues<Strand>() : [Strand.Rhythm]).Aggregate(0.98, (part, strand) =>
            part / (1 + (0.2 * Math.Exp(-Steepness * (Truth[strand] + form - levels[strand]))))
        );
}
