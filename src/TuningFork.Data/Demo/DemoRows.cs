using System.Text.Json;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>Rows of the demos, with what they have in common.</summary>
internal static class DemoRows
{
    public static MaterialRow Piece(string title, int bars, int beats, int target, DateOnly? performance, Beat? beat = null) =>
        new()
        {
            Kind = MaterialKind.Piece,
            Title = title,
            Area = Area.Repertoire,
            ToBar = bars,
            BeatsPerBar = beats,
            Beat = beat ?? Beat.Quarter,
            Target = target,
            Performance = performance,
            Readiness = Readiness.Shaping,
        };

    public static MaterialRow Passage(MaterialRow piece, int from, int to, string difficulty, string note) =>
        new()
        {
            Kind = MaterialKind.Passage,
            Area = Area.Repertoire,
            Piece = piece,
            FromBar = from,
            ToBar = to,
            BeatsPerBar = piece.BeatsPerBar,
            Beat = piece.Beat,
            Difficulty = difficulty,
            Note = note,
        };

    public static MaterialRow Sheet(string title, int bars, int target, string sheet, bool inKeys = false)
    {
        var row = Exercise(title, bars, target, isScale: !sheet.Contains("pattern", StringComparison.Ordinal));
        row.SheetJson = sheet;
        row.Serves = row.IsScale ? "fingering,intonation" : "fingering,coordination";
        row.KeyPlanJson = inKeys ? JsonSerializer.Serialize(new KeyPlan(), Bookkeeping.Json) : "";
        return row;
    }

    /// <summary>An exercise made of something beside a line of notes.</summary>
    public static MaterialRow Made(string title, Work work, int bars, int? target, string serves, string sheet = "")
    {
        var row = new MaterialRow
        {
            Kind = MaterialKind.Exercise,
            Title = title,
            Area = Area.Technique,
            ToBar = bars,
            Target = target,
            Serves = serves,
            SheetJson = sheet,
            WorkJson = JsonSerializer.Serialize(work, Bookkeeping.Json),
        };
        if (work.Kind == WorkKind.Groove)
            row.BeatsPerBar = Groove.Parse(work.Text).BeatsPerBar;
        return row;
    }

    public static MaterialRow Exercise(string title, int bars, int target, bool isScale = false, string serves = "") =>
        new()
        {
            Kind = MaterialKind.Exercise,
            Title = title,
            Area = Area.Technique,
            ToBar = bars,
            Target = target,
            IsScale = isScale,
            Serves = serves,
        };
}
