using System.Text.Json;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What a profile says to the core: instrument, shares, traits, warm-ups to begin with.</summary>
public static class ProfileBooks
{
    /// <summary>The versions a player begins with, as rows.</summary>
    public static IEnumerable<WarmUpRow> WarmUpsFor(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return WarmUpLibrary
            .For(profile.Family, profile.Instrument)
            .Select(version => new WarmUpRow
            {
                Name = version.Name,
                PartsJson = JsonSerializer.Serialize(version.Parts, Bookkeeping.Json),
            });
    }

    /// <summary>The instrument of a profile: one that is known by name, with the player's own range and transposition.</summary>
    public static Instrument InstrumentOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        var known = InstrumentNames.Find(profile.Instrument)
            ?? Instrument.Unknown(profile.Instrument, profile.Family) with
            {
                Clef = ClefFor(profile),
            };
        return known with
        {
            Name = profile.Instrument,
            Transposition = profile.Transposition,
            Lowest = Pitch.TryParse(profile.Lowest, out var lowest) ? lowest : known.Lowest,
            Highest = Pitch.TryParse(profile.Highest, out var highest) ? highest : known.Highest,
        };
    }

    /// <summary>The clef of an instrument that nobody knows by name: bass where its middle lies below middle C.</summary>
    private static Clef ClefFor(ProfileRow profile) =>
        profile.Family == Family.Percussion ? Clef.Percussion
        : Pitch.TryParse(profile.Lowest, out var lowest)
        && Pitch.TryParse(profile.Highest, out var highest)
        && lowest.Midi + highest.Midi < 120
            ? Clef.Bass
        : Clef.Treble;

    /// <summary>The wanted shares of a profile.</summary>
    public static IReadOnlyList<AreaShare> SharesOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return profile.SharesJson.Length == 0
            ? Shares.Default
            : JsonSerializer.Deserialize<List<AreaShare>>(profile.SharesJson, Bookkeeping.Json) ?? Shares.Default;
    }

    /// <summary>The traits of a profile.</summary>
    public static Traits TraitsOf(ProfileRow profile)
    {
        ArgumentNullException.ThrowIfNull(profile);
        return profile.TraitsJson.Length == 0
            ? Traits.Usual
            : JsonSerializer.Deserialize<Traits>(profile.TraitsJson, Bookkeeping.Json) ?? Traits.Usual;
    }
}
