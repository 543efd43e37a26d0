using Microsoft.AspNetCore.Mvc;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>Bars of a piece.</summary>
/// <param name="Key">Key they are moved to; empty as they are.</param>
/// <param name="Staff">One staff of them, from 0; null for all.</param>
public sealed record BarsWish(int From, int To, string Key, int? Staff);

/// <summary>The music of pieces over HTTP: files looked at and taken in, bars shown, altered and written out.</summary>
public static class MusicEndpoints
{
    public static void MapMusic(this RouteGroupBuilder group)
    {
        group
            .MapPut("/{id:int}/music", async (int id, MusicWish wish, PieceMusic music, CancellationToken cancel) =>
                await music.KeepAsync(
                    id,
                    System.Text.Encoding.UTF8.GetBytes(Problems.Text("abc", wish.Abc, AbcReader.LongestText)),
                    "typed.abc",
                    new MusicWanted(IsTyped: true),
                    cancel
                )
            )
            .WithMetadata(new OwnTurn())
            .WithName("SetMusic");
        group
            .MapPost(
                "/{id:int}/music/look",
                async (
                    int id,
                    HttpRequest request,
                    PieceMusic music,
                    CancellationToken cancel,
                    int? part = null,
                    int? staff = null,
                    int? voice = null,
                    bool? sounding = null
                ) => await music.LookAsync(id, await BytesAsync(request, cancel), new MusicWanted(part, staff, voice, sounding), cancel)
            )
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MusicXmlReader.MostBytes), new OwnTurn())
            .WithName("LookAtMusic");
        group
            .MapPost(
                "/{id:int}/music/file",
                async (
                    int id,
                    HttpRequest request,
                    PieceMusic music,
                    CancellationToken cancel,
                    string name = "",
                    int? part = null,
                    int? staff = null,
                    int? voice = null,
                    bool? sounding = null
                ) =>
                    await music.KeepAsync(
                        id,
                        await BytesAsync(request, cancel),
                        name,
                        new MusicWanted(part, staff, voice, sounding),
                        cancel
                    )
            )
            .Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(MusicXmlReader.MostBytes), new OwnTurn())
            .WithName("SendMusic");
        group.MapRemoval<MusicRow>("/{id:int}/music", "Music", "music of this piece");
        group
            .MapGet(
                "/{id:int}/bars",
                async (
                    int id,
                    int from,
                    int to,
                    MusicDesk music,
                    PracticeDb db,
                    PlanDesk desk,
                    CancellationToken cancel,
                    string variant = "",
                    int step = 0,
                    string key = "",
                    int? staff = null
                ) =>
                {
                    await PieceEndpoints.PieceAsync(db, id, cancel);
                    var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
                    var (whole, bars) = await BarsAsync(id, new BarsWish(from, to, key, staff), music, cancel);
                    return View(bars, instrument, variant, step) with { Staves = whole.Staves };
                }
            )
            .WithName("GetBars");
        group
            .MapGet(
                "/{id:int}/bars/file",
                async (
                    int id,
                    int from,
                    int to,
                    MusicFormat format,
                    MusicDesk music,
                    PracticeDb db,
                    PlanDesk desk,
                    CancellationToken cancel,
                    string variant = "",
                    int step = 0,
                    string key = "",
                    int? staff = null
                ) =>
                {
                    var piece = await PieceEndpoints.PieceAsync(db, id, cancel);
                    var instrument = ProfileBooks.InstrumentOf(await desk.ProfileAsync(cancel));
                    var wish = new BarsWish(from, to, key, staff);
                    var (_, bars) = await BarsAsync(id, wish, music, cancel, keepsRepeats: variant.Length == 0);
                    return FileOf(Shown(bars, variant, step).Music, piece.Title, format, instrument);
                }
            )
            .WithName("GetBarsFile");
    }

    /// <summary>Bars as they are written.</summary>
    public static BarsView View(Music music, Instrument instrument) => View(music, instrument, "", 0);

    private static async Task<(Music Whole, Music Bars)> BarsAsync(
        int id,
        BarsWish wish,
        MusicDesk music,
        CancellationToken cancel,
        bool keepsRepeats = false
    )
    {
        var whole = await music.OfPieceAsync(id, cancel)
            ?? throw new FieldException("id", "This piece has no music yet. Type it, or take a file.", StatusCodes.Status404NotFound);
        if (!Excerpt.Holds(whole.Lead, wish.From, wish.To))
            throw new FieldException("to", $"The music has bars {Excerpt.FirstBar(whole.Lead)} to {Excerpt.LastBar(whole.Lead)}.");
        if (wish.Staff is { } wanted && (wanted < 0 || wanted >= whole.Staves))
            throw new FieldException("staff", $"This music has {whole.Staves} {(whole.Staves == 1 ? "staff" : "staves")}, counted from 0.");
        var chosen = wish.Staff is { } hand ? whole.OfStaff(hand) : whole;
        // All of it keeps its repeats.
        var isAll = keepsRepeats && wish.From == Excerpt.FirstBar(whole.Lead) && wish.To == Excerpt.LastBar(whole.Lead);
        var bars = isAll ? chosen : Excerpt.Of(chosen, wish.From, wish.To);
        if (wish.Key.Length > 0)
        {
            var key = Problems.KeyOf("key", wish.Key);
            bars = bars.Each(voice => VariantMaker.InKey(voice, key));
        }

        return (whole, bars);
    }

    /// <summary>What is shown of bars: all voices as written, or a variant, which is made of the leading voice alone.</summary>
    private static (Music Music, Variant Variant) Shown(Music bars, string id, int step)
    {
        if (id.Length == 0)
            return (bars, new Variant("", "as written", [bars.Lead]));
        if (!VariantMaker.Ids.Contains(id, StringComparer.Ordinal))
            throw new FieldException("variant", $"There is no such variant; there are {Words.List(VariantMaker.Ids)}.");
        var variant = VariantMaker.Make(bars.Lead, id);
        return (variant.Steps.Count == 0 ? bars : new Music([variant.Steps[Math.Clamp(step, 0, variant.Steps.Count - 1)]]), variant);
    }

    private static BarsView View(Music bars, Instrument instrument, string variant, int step)
    {
        var (shown, made) = Shown(bars, variant, step);
        var sounding = shown.Each(voice => voice with { ToSounding = instrument.ToSounding, TempoBeat = new Fraction(1, 4) });
        return new BarsView(
            AbcWriter.Write(shown.Each(voice => voice with { Title = "", Tempo = null })),
            SheetEndpoints.Played(sounding.Voices),
            made.Name,
            made.Steps.Count,
            made.Reason,
            (Performed.Length(shown.Lead) / new Fraction(1, 4)).Value,
            bars.Staves
        );
    }

    /// <summary>Music as a file to take away, in the player's written pitch; MIDI as it sounds.</summary>
    private static IResult FileOf(Music music, string title, MusicFormat format, Instrument instrument)
    {
        var named = music.Each(voice => voice with { Title = title, ToSounding = instrument.ToSounding });
        var name = string.Concat(title.Split(Path.GetInvalidFileNameChars()));
        return format switch
        {
            MusicFormat.MusicXml => Results.File(
                System.Text.Encoding.UTF8.GetBytes(MusicXmlWriter.Write(named)),
                "application/vnd.recordare.musicxml+xml",
                $"{name}.musicxml"
            ),
            MusicFormat.Midi => Results.File(MidiWriter.Write(named), "audio/midi", $"{name}.mid"),
            _ => Results.File(System.Text.Encoding.UTF8.GetBytes(AbcWriter.Write(named)), "text/vnd.abc", $"{name}.abc"),
        };
    }

    private static async Task<byte[]> BytesAsync(HttpRequest request, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel);
        return bytes.ToArray();
    }
}
