using TuningFork.Core.Theory;

namespace TuningFork.Server.Features;

/// <summary>An instrument as it is known by name.</summary>
/// <param name="Clef">Its usual clef.</param>
/// <param name="Lowest">Lowest usual written note; empty without pitch.</param>
/// <param name="Transposition">Semitones from written to sounding pitch.</param>
public sealed record InstrumentView(string Name, Family Family, Clef Clef, string Lowest, string Highest, int Transposition, int EarCentre);

/// <summary>What is known of instruments.</summary>
/// <param name="Found">The one that is meant by the name that was asked for; null when it is not known.</param>
public sealed record InstrumentsView(IReadOnlyList<string> Names, InstrumentView? Found);

/// <summary>Instruments by name, over HTTP.</summary>
public static class InstrumentEndpoints
{
    public static void MapInstruments(this WebApplication app) =>
        app.MapGet("/api/instruments", (string? name) =>
                new InstrumentsView(
                    [.. Instrument.Known.Select(one => one.Name)],
                    InstrumentNames.Find(name ?? "") is { } found ? View(found) : null
                )
            )
            .WithTags("Player")
            .WithName("FindInstrument");

    private static InstrumentView View(Instrument one) =>
        new(one.Name, one.Family, one.Clef, one.Lowest?.ToString() ?? "", one.Highest?.ToString() ?? "", one.Transposition, one.EarCentre);
}
