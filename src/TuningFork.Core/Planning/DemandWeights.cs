using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning;

/// <summary>How the demands of a day bend what the areas are owed (common practice).</summary>
internal static class DemandWeights
{
    public static decimal Of(Area area, Demands demands)
    {
        var weight = 1m;
        if ((demands & Demands.Tired) != Demands.None)
            weight *= area switch
            {
                Area.Technique => 0.6m,
                Area.Repertoire => 0.8m,
                Area.Ear => 1.5m,
                Area.Play => 1.5m,
                _ => 1m,
            };
        if ((demands & Demands.Rehearsal) != Demands.None)
            weight *= area switch
            {
                Area.Repertoire => 0.6m,
                Area.Play => 0.6m,
                Area.Ear => 1.5m,
                _ => 1m,
            };
        if ((demands & Demands.Concert) != Demands.None)
            weight *= area switch
            {
                Area.Technique => 0.3m,
                Area.SightReading => 0.5m,
                Area.Ear => 1.5m,
                _ => 1m,
            };
        return weight;
    }
}
