using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Notation;
using TuningFork.Core.SightReading;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Reading;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Ear;

/// <summary>Something to be heard and played back.</summary>
/// <param name="Level">1 to 12.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Ask">What to do, with its key and its first note.</param>
/// <param name="Question">What is heard, in beats of the tempo.</param>
/// <param name="Tempo">Beats a minute.</param>
/// <param name="Abc">How it is written, for after it was played.</param>
/// <param name="Answer">All that was to be played.</param>
/// <param name="ThreeLines">It three times, to be written over.</param>
public sealed record CopyView(
    CopyKind Kind,
    int Level,
    string Title,
    string Ask,
    IReadOnlyList<PlayedNoteView> Question,
    int Tempo,
    string Abc,
    IReadOnlyList<PlayedNoteView> Answer,
    string ThreeLines
);

/// <summary>How it went. Sent again with the same key it counts once.</summary>
/// <param name="Hearings">How often it was heard, 1 to 99.</param>
/// <param name="Right">Whether all of it came.</param>
public sealed record CopyWish(Guid Key, CopyKind Kind, int Level, int Hearings, bool Right);

/// <summary>What is heard and then played on the instrument, over HTTP: phrases, and figures moved up a scale.</summary>
public static class CopyEndpoints
{
    private const int MostHearings = 99;
    private const int PhraseBars = 2;
    private const int FigureTempo = 66;

    public static void MapCopies(this WebApplication app)
    {
        var group = app.MapGroup("/api/ear/copies").WithTags("Ear");
        group.MapGet("/next", NextAsync).WithName("GetCopy");
        group.MapPost("", KeepAsync).WithName("KeepCopy");
    }

    /// <summary>Where one stands in a kind, and how it went last.</summary>
    internal static async Task<IReadOnlyList<CopyStandView>> StandsAsync(PracticeDb db, Instrument instrument, CancellationToken cancel)
    {
        var stands = new List<CopyStandView>();
        foreach (var kind in Enum.GetValues<CopyKind>().Where(kind => instrument.IsPitched || kind == CopyKind.Phrase))
        {
            var last = await LastAsync(db, kind, cancel);
            stands.Add(new CopyStandView(kind, LevelAfter(last), last is null ? "" : Copies.Words(last.Level, last.Right, last.Hearings)));
        }

        return stands;
    }

    private static Task<CopyRow?> LastAsync(PracticeDb db, CopyKind kind, CancellationToken cancel) =>
        db.Copies.AsNoTracking().Where(row => row.Kind == kind).OrderByDescending(row => row.Id).FirstOrDefaultAsync(cancel);

    private static int LevelAfter(CopyRow? last) => last is null ? Copies.First : Copies.Next(last.Level, last.Right, last.Hearings);

    private static async Task<CopyView> NextAsync(CopyKind kind, string? key, PracticeDb db, PlanDesk desk, CancellationToken cancel)
    {
        var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
        var level = LevelAfter(await LastAsync(db, kind, cancel));
        return kind == CopyKind.Figure
            ? Figure(level, string.IsNullOrEmpty(key) ? Key.C : Problems.KeyOf("key", key), instrument)
            : Phrase(level, instrument);
    }

    private static CopyView Phrase(int level, Instrument instrument)
    {
        // One line without marks: it is heard, not seen.
        var seed = new ReadingSeed(
            Random.Shared.Next(),
            new ReadingLevels(level, level, level, Texture: 1),
            Strand.Range,
            new NewMusicWish(Bars: PhraseBars)
        );
        var reading = ReadingEndpoints.Compose(seed, instrument);
        var score = reading.Score;
        var first = score.Bars[0].Elements.First(element => !element.IsRest).Pitches[^1].Name.Printed;
        return View(
            CopyKind.Phrase,
            level,
            score,
            instrument.IsPitched ? $"In {score.Key.Name}, in {score.Time}. It begins on {first}." : $"In {score.Time}.",
            SheetEndpoints.Played(score)
        );
    }

    private static CopyView Figure(int level, Key key, Instrument instrument)
    {
        if (!instrument.IsPitched)
            throw new FieldException("kind", $"{instrument.Name} has no scale to move a figure on. Take a phrase.");
        var size = Copies.FigureSize(level);
        var request = new SheetRequest
        {
            Figure = "pattern",
            Kind = key.IsMinor ? "natural-minor" : "major",
            Tonic = key.Tonic.ToString(),
            Octaves = 1,
            Tempo = FigureTempo,
            PatternSize = size,
            // The first is the scale itself.
            PatternNumber = 2 + Random.Shared.Next(Patterns.Count(size) - 1),
        };
        var score = SheetEndpoints.Make(request, instrument).Score with { Title = $"A figure in {key.Name}" };
        var all = SheetEndpoints.Played(score);
        return View(
            CopyKind.Figure,
            level,
            score,
            $"In {key.Name}. You hear a figure on the first degree: move it up the scale to the octave, and back.",
            all[..size]
        );
    }

    private static CopyView View(CopyKind kind, int level, Score score, string ask, IReadOnlyList<PlayedNoteView> question)
    {
        var abc = AbcWriter.Write(score with { Title = "", Tempo = null });
        return new CopyView(
            kind,
            level,
            score.Title,
            ask,
            question,
            score.Tempo!.Value.Value,
            abc,
            SheetEndpoints.Played(score),
            AbcLines.Repeated(AbcLines.WithoutNumber(abc))
        );
    }

    private static async Task<FoundView> KeepAsync(
        CopyWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        if (!Enum.IsDefined(wish.Kind))
            throw new FieldException("kind", "It is a phrase or a figure.");
        if (wish.Level is < 1 or > Copies.Hardest)
            throw new FieldException("level", $"Levels are 1 to {Copies.Hardest}.");
        if (wish.Hearings is < 1 or > MostHearings)
            throw new FieldException("hearings", $"It was heard 1 to {MostHearings} times.");
        if (!await db.Copies.AnyAsync(row => row.Key == wish.Key, cancel))
        {
            db.Copies.Add(
                new CopyRow
                {
                    Key = wish.Key,
                    Day = clock.Today(await desk.ProfileAsync(cancel)),
                    Kind = wish.Kind,
                    Level = wish.Level,
                    Hearings = wish.Hearings,
                    Right = wish.Right,
                }
            );
            await db.SaveChangesAsync(cancel);
        }

        return new FoundView(Copies.Words(wish.Level, wish.Right, wish.Hearings));
    }
}
