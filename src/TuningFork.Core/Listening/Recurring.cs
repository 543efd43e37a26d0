using MathNet.Numerics.Distributions;

namespace TuningFork.Core.Listening;

/// <summary>What is so in take after take at one of several places.</summary>
/// <param name="Place">The place.</param>
/// <param name="Ms">Its mean over the takes in milliseconds.</param>
/// <param name="Takes">Takes in which it was so.</param>
internal readonly record struct Recurring(double Place, Estimate Ms, int Takes)
{
    /// <summary>In so many takes it has to be so.</summary>
    public const int Fewest = 3;

    /// <summary>
    /// Less than this in milliseconds is nothing to work on: one note out of its place by a fortieth of the time to the next is just heard
    /// (Friberg and Sundberg 1995, from memory), by some 10 ms in eighths.
    /// </summary>
    private const double WorthMs = 20;

    /// <summary>A place is claimed where chance would show one anywhere in less than so many of a hundred cases.</summary>
    private const double Chance = 0.02;

    /// <summary>The place with the greatest mean.</summary>
    /// <param name="heard">Place and milliseconds, one of each take.</param>
    /// <param name="isEitherWay">Whether early counts like late.</param>
    /// <returns>The place; null where none is off again and again.</returns>
    public static Recurring? Greatest(IEnumerable<(double Place, double Ms)> heard, bool isEitherWay)
    {
        var places = heard
            .GroupBy(one => one.Place, one => one.Ms)
            .Where(place => place.Count() >= Fewest)
            .Select(place => (place.Key, Ms: place.ToList()))
            .ToList();
        // What one place differs by from take to take is little known from a few takes; all of them together know it.
        var free = places.Sum(place => place.Ms.Count - 1);
        if (free == 0)
            return null;
        var spread = Math.Sqrt(places.Sum(place => place.Ms.Sum(ms => Math.Pow(ms - place.Ms.Average(), 2))) / free);
        var far = StudentT.InvCDF(0, 1, free, 1 - (Chance / places.Count / (isEitherWay ? 2 : 1))) * spread;
        var (at, values) = places.MaxBy(place => isEitherWay ? Math.Abs(place.Ms.Average()) : place.Ms.Average());
        var mean = new Estimate(values.Average(), Math.Max(TakeTiming.Finest, far / Math.Sqrt(values.Count)));
        var sign = isEitherWay ? Math.Sign(mean.Value) : 1;
        var often = values.Count(ms => sign * ms >= WorthMs);
        return mean.IsCertain && sign * mean.Value >= WorthMs && often >= Fewest ? new Recurring(at, mean, often) : null;
    }
}
