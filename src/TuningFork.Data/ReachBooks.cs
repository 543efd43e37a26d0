using System.Text.Json;
using TuningFork.Core.Ability;
using TuningFork.Core.Notation;
using TuningFork.Core.Planning;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What rows say about the reach of a material, of its keys and of its parts, and about its tempi.</summary>
public static class ReachBooks
{
    /// <summary>The tempo history of a material: its visits with takes, in order.</summary>
    public static IReadOnlyList<TempoPoint> Tempos(MaterialRow material, IEnumerable<VisitRow> visits)
    {
        var notes = NotesABeat(material);
        return
        [
            .. visits
                .Where(visit => visit.Takes > 0)
                .OrderBy(visit => visit.Day)
                .Select(visit =>
                {
                    var tried = VisitBooks.Tries(visit.Tries).Select(take => take.Tempo?.Value).Max();
                    var before = ReachOf(visit.ReachLogBefore, visit.ReachSpreadBefore, notes);
                    return new TempoPoint(
                        visit.Day,
                        visit.Clean,
                        tried,
                        ReachOf(visit.ReachLog, visit.ReachSpread, notes)?.Tempo,
                        before is { } reach && tried < reach.Tempo * Grading.SlowPart
                    );
                }),
        ];
    }

    /// <summary>Whether the reach of a material is stuck.</summary>
    public static PlateauView Plateau(MaterialRow material, IEnumerable<VisitRow> visits, bool tense = false)
    {
        ArgumentNullException.ThrowIfNull(material);
        return Core.Tempo.Plateau.Look(Tempos(material, visits), material.Best >= (material.Target ?? material.Piece?.Target), tense);
    }

    /// <summary>How unsure a tempo is that was told and not played here: about 8 % either way (common practice).</summary>
    private const double ToldSpread = 0.08;

    /// <summary>The player says how fast something is clean today: from there it goes on, before anything was measured.</summary>
    /// <param name="row">The material.</param>
    /// <param name="tempo">Beats a minute.</param>
    public static void Told(MaterialRow row, int tempo)
    {
        ArgumentNullException.ThrowIfNull(row);
        var reach = Reach.At(tempo, ToldSpread).Times(NotesABeat(row));
        (row.ReachLog, row.ReachSpread) = (reach.Log, reach.Spread);
        row.LastClean = tempo;
        row.Best = Math.Max(row.Best ?? 0, tempo);
    }

    /// <summary>How many notes, or quarters, go to a click: what turns beats into the notes a minute in which the reach is kept.</summary>
    public static double NotesABeat(MaterialRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return Rhythm.All.FirstOrDefault(rhythm => rhythm.Id == RhythmOf(row)) is { } rhythm
            ? rhythm.NotesPerClick
            : (row.Beat.Value / Beat.Quarter.Value).Value;
    }

    /// <summary>The reach of a row in beats, as of its last visit; null before the first timed take.</summary>
    internal static Reach? ReachOf(double? log, double? spread, double notesABeat) =>
        log is { } known && spread is { } unsure ? new Reach(known, unsure).Times(1 / notesABeat) : null;

    /// <summary>A reach brought to a later day.</summary>
    public static Reach? Brought(Reach? kept, DateOnly? last, int visits, DateOnly today) =>
        kept is { } reach && last is { } day ? Estimate.Later(reach, today.DayNumber - day.DayNumber, visits) : kept;

    /// <summary>What happened with a key; null when its name cannot be read any more, or it is a pattern.</summary>
    public static KeyRecord? KeyOf(KeyRow row, MaterialRow material, DateOnly today) =>
        Key.TryParse(row.Key, out var key)
            ? new KeyRecord(
                key,
                PracticeDay.AsSeenOn(row.LastDay, today),
                PracticeDay.AsSeenOn(row.FirstDay, today),
                row.Began,
                row.LastClean,
                Brought(ReachOf(row.ReachLog, row.ReachSpread, NotesABeat(material)), row.LastDay, row.Visits, today)
            )
            : null;

    /// <summary>What happened with a part of a material, brought to a day.</summary>
    public static PartRecord PartOf(KeyRow key, MaterialRow row, DateOnly today) =>
        new(
            Brought(ReachOf(key.ReachLog, key.ReachSpread, NotesABeat(row)), key.LastDay, key.Visits, today),
            key.Visits,
            PracticeDay.AsSeenOn(key.LastDay, today),
            Bookkeeping.ToBpm(key.LastClean),
            key.Place,
            key.DoneOn is not null
        );

    /// <summary>A part that has a record of its own: a pattern, bars, an altered version.</summary>
    public static bool IsPart(string key) => key.Length > 2 && key[1] == ':' && key[0] is 'p' or 'b' or 'v' or 'n';

    /// <summary>The rhythm that its sheet was asked for in; empty without a sheet.</summary>
    public static string RhythmOf(MaterialRow row)
    {
        if (row.SheetJson.Length == 0)
            return "";
        using var sheet = JsonDocument.Parse(row.SheetJson);
        return sheet.RootElement.TryGetProperty("rhythm", out var rhythm) ? rhythm.GetString() ?? "" : "eighth";
    }
}
