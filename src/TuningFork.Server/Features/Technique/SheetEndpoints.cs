using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Technique;

/// <summary>Something that can be chosen.</summary>
public sealed record ChoiceView(string Id, string Name);

/// <summary>What sheets can be made of, for this player's instrument.</summary>
/// <param name="PatternCounts">How many patterns there are of so many degrees.</param>
/// <param name="Lowest">Lowest written note; empty without pitch.</param>
/// <param name="SoundsBelow">Semitones from written to sounding pitch.</param>
public sealed record SheetChoices(
    string Instrument,
    Family Family,
    bool IsPitched,
    bool HasTwoStaves,
    string Lowest,
    string Highest,
    int SoundsBelow,
    int A4,
    IReadOnlyList<ChoiceView> Scales,
    IReadOnlyList<ChoiceView> Chords,
    IReadOnlyList<ChoiceView> Rhythms,
    IReadOnlyList<ChoiceView> Joinings,
    IReadOnlyList<ChoiceView> Shapes,
    IReadOnlyList<string> Tonics,
    IReadOnlyDictionary<int, int> PatternCounts
);

/// <summary>What a sheet is to show; see the core's SheetWish.</summary>
public sealed record SheetRequest(
    string Figure = "scale",
    string Kind = "major",
    string Tonic = "C",
    int Octaves = 1,
    OctaveOrder Order = OctaveOrder.UpAndDown,
    string Rhythm = "eighth",
    string Joining = "plain",
    int Tempo = 72,
    int PatternSize = 4,
    int PatternNumber = 1,
    int? PairedWith = null,
    string Lowest = "",
    string Highest = "",
    bool Concert = false,
    bool Names = false,
    Hand? Hand = null,
    string Shape = "thirds",
    ShapeWay Way = ShapeWay.Up,
    Together? Together = null
);

/// <summary>A note to be sounded.</summary>
/// <param name="Midi">Sounding MIDI note.</param>
/// <param name="At">Clicks from the beginning.</param>
/// <param name="Length">Clicks it lasts.</param>
public sealed record PlayedNoteView(int Midi, double At, double Length);

/// <summary>A sheet as the page shows it.</summary>
/// <param name="Abc">The music in ABC notation, for engraving.</param>
/// <param name="Sounds">The key it sounds in, in words.</param>
public sealed record SheetView(
    string Title,
    string Abc,
    string Sounds,
    int Notes,
    int NotesPerMinute,
    double Seconds,
    string TopNote,
    IReadOnlyList<Rung> Rungs,
    double LadderSeconds,
    IReadOnlyList<PlayedNoteView> Played
);

/// <summary>Scale, arpeggio and pattern sheets over HTTP.</summary>
public static class SheetEndpoints
{
    public static void MapSheets(this WebApplication app)
    {
        var group = app.MapGroup("/api/technique").WithTags("Technique");
        group
            .MapGet("/choices", async (PlanDesk desk, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                var instrument = ProfileBooks.InstrumentOf(profile);
                return new SheetChoices(
                    instrument.Name,
                    profile.Family,
                    instrument.IsPitched,
                    instrument.HasTwoStaves,
                    instrument.Lowest?.ToString() ?? "",
                    instrument.Highest?.ToString() ?? "",
                    instrument.Transposition,
                    profile.A4,
                    [.. Scale.Kinds.Select(kind => new ChoiceView(kind.Id, kind.Name))],
                    [.. Chord.Kinds.Select(kind => new ChoiceView(kind.Id, kind.Name))],
                    [.. Rhythm.All.Select(rhythm => new ChoiceView(rhythm.Id, rhythm.Name))],
                    [.. Joining.All.Select(joining => new ChoiceView(joining.Id, joining.Name))],
                    [.. ScaleShape.All.Select(shape => new ChoiceView(shape.Id, shape.Name))],
                    [.. Key.Majors.Select(key => key.Tonic.ToString())],
                    Enumerable.Range(Patterns.Least, Patterns.Most - Patterns.Least + 1).ToDictionary(size => size, Patterns.Count)
                );
            })
            .WithName("GetSheetChoices");
        group
            .MapPost("/sheet", async (SheetRequest request, PlanDesk desk, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                return View(Make(request, ProfileBooks.InstrumentOf(profile)), request.Concert, request.Names ? profile.Naming : null);
            })
            .WithName("MakeSheet");
        group
            .MapPost("/sheet/musicxml", async (SheetRequest request, PlanDesk desk, CancellationToken cancel) =>
                Results.Text(MusicXmlWriter.Write(await MusicAsync(request, desk, cancel)), "application/vnd.recordare.musicxml+xml")
            )
            .WithName("MakeSheetMusicXml");
        group
            .MapPost("/sheet/midi", async (SheetRequest request, PlanDesk desk, CancellationToken cancel) =>
                Results.Bytes(MidiWriter.Write(await MusicAsync(request, desk, cancel)), "audio/midi")
            )
            .WithName("MakeSheetMidi");
    }

    private static async Task<Music> MusicAsync(SheetRequest request, PlanDesk desk, CancellationToken cancel) =>
        Make(request, ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel))).Music;

    /// <summary>The sheet of a request; a wish that cannot be met becomes a refusal with its field.</summary>
    public static Sheet Make(SheetRequest request, Instrument instrument)
    {
        Problems.Tempo("tempo", request.Tempo);
        try
        {
            return Sheets.Make(WishOf(request), instrument);
        }
        catch (SheetException refused)
        {
            throw new FieldException(refused.Field, refused.Message);
        }
    }

    /// <summary>The steps of a one-by-one exercise, made from its sheet.</summary>
    public static IReadOnlyList<SheetStep> Steps(SheetRequest request, StepsBy by, Instrument instrument)
    {
        Problems.Tempo("tempo", request.Tempo);
        try
        {
            return SheetSteps.Of(WishOf(request), by, instrument);
        }
        catch (SheetException refused)
        {
            throw new FieldException(refused.Field, refused.Message);
        }
    }

    private static SheetWish WishOf(SheetRequest request) =>
        new()
        {
            Figure = request.Figure,
            Kind = request.Kind,
            Tonic = request.Tonic,
            Octaves = request.Octaves,
            Order = request.Order,
            Rhythm = request.Rhythm,
            Joining = request.Joining,
            Tempo = new Bpm(request.Tempo),
            PatternSize = request.PatternSize,
            Shape = request.Shape,
            Way = request.Way,
            PatternNumber = request.PatternNumber,
            PairedWith = request.PairedWith,
            Hand = request.Hand,
            Together = request.Together,
            Lowest = Problems.PitchOrNone("lowest", request.Lowest),
            Highest = Problems.PitchOrNone("highest", request.Highest),
        };

    /// <summary>The sheet as a drill plays it: in a key, with today's pattern, or with half as many notes.</summary>
    /// <param name="request">The sheet of the exercise.</param>
    /// <param name="part">Which part of the exercise; with fewer notes and no rhythm named, half as many, as older drills have it.</param>
    /// <param name="work">What the exercise is made of, or null.</param>
    public static SheetRequest For(SheetRequest request, TargetKey part, Work? work) =>
        part.Part switch
        {
            TargetPart.Key when Key.TryParse(part.Name, out var found) => InKey(request, found),
            TargetPart.Pattern when work?.Patterns is { } plan => request with
            {
                Figure = "pattern",
                PatternSize = plan.Size,
                PatternNumber = int.Parse(part.Name.Split('+')[0], System.Globalization.CultureInfo.InvariantCulture),
                PairedWith = part.Name.Contains('+', StringComparison.Ordinal)
                    ? int.Parse(part.Name.Split('+')[1], System.Globalization.CultureInfo.InvariantCulture)
                    : null,
            },
            TargetPart.Rung when Key.TryParse(part.InKey, out var found) => InKey(request, found) with { Rhythm = part.InRhythm },
            TargetPart.Density or TargetPart.Rung when part.Name.Length > 0 => request with { Rhythm = Rhythm.Get(part.InRhythm).Id },
            TargetPart.Density => request with { Rhythm = Rhythm.Get(request.Rhythm).Halved.Id },
            _ => request,
        };

    /// <summary>The same sheet in another key: minor keys take the harmonic scale, or the minor triad.</summary>
    public static SheetRequest InKey(SheetRequest request, Key key) =>
        request with
        {
            Tonic = key.Tonic.ToString(),
            Kind = (request.Figure, request.Kind, key.IsMinor) switch
            {
                ("arpeggio", "major", true) => "minor",
                ("arpeggio", "minor", false) => "major",
                (not "arpeggio", "major", true) => "harmonic-minor",
                (not "arpeggio", "natural-minor" or "harmonic-minor" or "melodic-minor", false) => "major",
                _ => request.Kind,
            },
        };

    public static SheetView View(Sheet sheet, bool concert, Naming? naming)
    {
        var score = sheet.Score;
        var shown = concert ? sheet.Music.Each(Concert.Of) : sheet.Music;
        return new SheetView(
            sheet.Title,
            shown.Voices.Count > 1 ? AbcWriter.Write(shown) : AbcWriter.Write(shown.Lead, naming: naming),
            $"sounds in {score.Key.Plus(score.ToSounding).Name}",
            sheet.Notes,
            sheet.NotesPerMinute,
            Math.Round(sheet.Seconds, 2),
            sheet.TopNote,
            sheet.Rungs,
            sheet.LadderSeconds,
            Played(sheet.Music.Voices)
        );
    }

    /// <summary>The notes of a score as they sound, in clicks.</summary>
    public static List<PlayedNoteView> Played(Score score) => Played([score]);

    /// <summary>The same of staves that are played together.</summary>
    public static List<PlayedNoteView> Played(IReadOnlyList<Score> staves)
    {
        var click = staves[0].TempoBeat;
        return
        [
            .. Performed.Notes(staves).Select(note => new PlayedNoteView(note.Midi, (note.At / click).Value, (note.Length / click).Value)),
        ];
    }
}
