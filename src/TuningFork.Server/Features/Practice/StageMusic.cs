using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Repertoire;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>The music of the thing at hand: bars of a piece, the sheet of an exercise, or what was written for one.</summary>
public sealed partial class StageMusic(PracticeDb db, PlanDesk plans, MusicDesk music, ILogger<StageMusic> log)
{
    /// <summary>
    /// The music of a target in ABC notation as this moment wants it. A drill runs at worst without its music, and with a word about it.
    /// </summary>
    public async Task<(string Abc, string Word)> OfAsync(Target target, Cue cue, CancellationToken cancel)
    {
        try
        {
            var key = TargetKey.Parse(target.Key);
            if (target.Work is { Kind: WorkKind.Notation } written)
                return (
                    Key.TryParse(key.InKey, out var other)
                        ? AbcWriter.Write(VariantMaker.InKey(AbcReader.Read(written.Text, cancel: cancel).Score, other))
                        : written.Text,
                    ""
                );
            if (await WrittenAsync(key, target.Work, cue.StopAfterBar, cancel, cue.Step) is not { } bars)
                return ("", "");
            var version = key.Part == TargetPart.Variant ? key.Name : cue.Variant;
            return (Shown(AlteredMusic.Of(bars, version, cue.Step)), "");
        }
        catch (FieldException problem)
        {
            return ("", problem.Message);
        }
#pragma warning disable CA1031 // Whatever is wrong with the music, what was played counts and the drill goes on.
        catch (Exception problem) when (problem is not (OperationCanceledException or SqliteException))
        {
            NoMusic(log, target.Key, problem);
            return ("", "The music of this cannot be shown; the drill goes on without it.");
        }
#pragma warning restore CA1031
    }

    /// <summary>The music of a target as this moment wants it, to be compared with what is heard; null where none can be read.</summary>
    public async Task<Music?> PlayedAsync(Target target, Cue cue, CancellationToken cancel)
    {
        if (target.Work is { Kind: WorkKind.Groove } work)
            return GrooveMusic.Take(Groove.Parse(work.Text));
        var (abc, _) = await OfAsync(target, cue, cancel);
        return abc.Length == 0 ? null : AbcReader.Read(abc, cancel: cancel).Music;
    }

    /// <summary>The bars of a thing in ABC notation; empty where they are not known or cannot be read.</summary>
    public async Task<string> BarsAsync(int material, CancellationToken cancel)
    {
        try
        {
            return await music.OfPassageAsync(material, cancel, null) is { } bars ? Shown(bars) : "";
        }
        catch (FieldException)
        {
            return "";
        }
    }

    /// <summary>How many notes a chain over a thing grows through; null without music, or where it cannot be read.</summary>
    public async Task<int?> LinksAsync(Target target, CancellationToken cancel)
    {
        try
        {
            var key = TargetKey.Parse(target.Key);
            return
                await WrittenAsync(key, target.Work, null, cancel) is { } bars
                && AlteredMusic.Links(bars.Lead, key.Name) is > 0 and var links
                ? links
                : null;
        }
        catch (FieldException)
        {
            return null;
        }
    }

    private static string Shown(Music music) => AbcWriter.Write(music.Each(voice => voice with { Title = "", Tempo = null }));

    [LoggerMessage(LogLevel.Error, "The music of {Key} cannot be shown.")]
    private static partial void NoMusic(ILogger log, string key, Exception problem);

    /// <summary>The notes of a thing, in its key, its pattern, its rhythm; null when it has none.</summary>
    private async Task<Music?> WrittenAsync(TargetKey key, Work? work, int? stopAfterBar, CancellationToken cancel, int? step = null)
    {
        if (key.Kind != TargetKind.Material)
            return null;
        if (await music.OfPassageAsync(key.Id, cancel, stopAfterBar) is { } bars)
            return bars;
        var json = await db.Materials.Where(row => row.Id == key.Id).Select(row => row.SheetJson).FirstOrDefaultAsync(cancel);
        if (string.IsNullOrEmpty(json) || JsonSerializer.Deserialize<SheetRequest>(json, Bookkeeping.Json) is not { } sheet)
            return null;
        try
        {
            var instrument = ProfileBooks.InstrumentOf(await plans.ProfileAsync(cancel));
            if (work is { Kind: WorkKind.Steps, By: not StepsBy.Words })
                return SheetEndpoints.Steps(sheet, work.By, instrument).ElementAtOrDefault(step ?? 0)?.Wish is { } wish
                    ? Sheets.Make(wish, instrument).Music
                    : null;
            return SheetEndpoints.Make(SheetEndpoints.For(sheet, key, work), instrument).Music;
        }
        catch (FieldException)
        {
            // The range has become too small for it: the drill goes on without its music.
            return null;
        }
    }
}
