using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Repertoire;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>An exercise that could be made.</summary>
/// <param name="Title">What it would be called.</param>
/// <param name="Why">What it does for the difficulty.</param>
/// <param name="Sheet">What it would be made of.</param>
public sealed record OfferView(string Title, string Why, SheetRequest Sheet);

/// <summary>What there is for the difficulty of a passage, and what could be made.</summary>
/// <param name="Key">The key of the sheets, in words; empty where the instrument has no pitch.</param>
/// <param name="FromMusic">Whether that is the key of the music; else C major, to be changed on the sheet.</param>
/// <param name="Known">Exercises under way that serve it.</param>
public sealed record OffersView(
    string Difficulty,
    string Key,
    bool FromMusic,
    IReadOnlyList<ChoiceView> Known,
    IReadOnlyList<OfferView> Offers
);

/// <summary>From a difficulty to exercises, over HTTP.</summary>
public static class OfferEndpoints
{
    public static void MapOffers(this WebApplication app) =>
        app.MapGet(
                "/api/materials/{id:int}/offers",
                async (int id, PracticeDb db, PlanDesk desk, MusicDesk music, CancellationToken cancel) =>
                {
                    var row = await db
                        .Materials.AsNoTracking()
                        .FirstOrDefaultAsync(row => row.Id == id && row.Kind == MaterialKind.Passage, cancel)
                        ?? throw Problems.Unknown("id", "passage");
                    if (row.Difficulty.Length == 0)
                        throw new FieldException("difficulty", "Say first what is hard about it; then there are exercises for that.");
                    var exercises = await db
                        .Materials.AsNoTracking()
                        .Where(other => other.Kind == MaterialKind.Exercise && !other.Resting && other.Serves != "")
                        .OrderBy(other => other.Id)
                        .ToListAsync(cancel);
                    var known = exercises
                        .Where(other => ServedDifficulties.Read(other.Serves).Contains(row.Difficulty, StringComparer.Ordinal))
                        .Select(other => new ChoiceView($"{other.Id}", other.Title))
                        .ToList();
                    var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
                    if (!instrument.IsPitched)
                        return new OffersView(row.Difficulty, "", false, known, []);
                    var written = row.PieceId is { } piece ? (await music.OfPieceAsync(piece, cancel))?.Lead.Key : null;
                    var key = written ?? Key.C;
                    return new OffersView(
                        row.Difficulty,
                        key.Name,
                        written is not null,
                        known,
                        [.. ExerciseOffers.For(row.Difficulty).Select(offer => Made(offer, key, instrument)).OfType<OfferView>()]
                    );
                }
            )
            .WithTags("Technique")
            .WithName("GetOffers");

    /// <summary>
    /// Rhythm and articulation, by which sheets of the same notes are told apart: ", triplets", ", eighths, slurred in pairs".
    /// </summary>
    private static string Manner(ExerciseOffer offer) =>
        $", {Rhythm.Get(offer.Rhythm).Name}{(offer.Joining == "plain" ? "" : $", {Joining.Get(offer.Joining).Name}")}";

    /// <summary>The sheet of an offer, with as many octaves as the instrument has; null where it does not lie on it at all.</summary>
    private static OfferView? Made(ExerciseOffer offer, Key key, Instrument instrument)
    {
        for (var octaves = offer.Octaves; octaves > 0; octaves--)
        {
            var request = SheetEndpoints.InKey(
                new SheetRequest(
                    offer.Figure,
                    Octaves: octaves,
                    Rhythm: offer.Rhythm,
                    Joining: offer.Joining,
                    PatternNumber: offer.Pattern
                ),
                key
            );
            try
            {
                return new OfferView(SheetEndpoints.Make(request, instrument).Title + Manner(offer), offer.Why, request);
            }
            catch (FieldException)
            {
                // So many octaves do not lie on the instrument.
            }
        }

        return null;
    }
}
