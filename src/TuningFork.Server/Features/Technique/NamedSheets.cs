using System.Text.Json;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Server.Features.Technique;

/// <summary>Exercises whose title says which notes they are.</summary>
public static class NamedSheets
{
    /// <summary>The sheet that a title means, where the instrument has its notes; else null.</summary>
    public static (SheetRequest Request, Sheet Sheet)? Of(string title, Instrument instrument)
    {
        if (NamedSheet.Read(title) is not { } wish)
            return null;
        try
        {
            return (new SheetRequest(wish.Figure, wish.Kind, wish.Tonic, wish.Octaves), Sheets.Make(wish, instrument));
        }
        catch (SheetException)
        {
            return null;
        }
    }

    /// <summary>A title that means a scale or an arpeggio brings its notes along, unless something else was made of the exercise.</summary>
    /// <param name="before">Its title before; empty for a new one.</param>
    public static void Bring(MaterialRow row, string before, Instrument instrument)
    {
        string Json(SheetRequest request) => JsonSerializer.Serialize(request, Bookkeeping.Json);
        var brought = Of(before, instrument) is { } old ? Json(old.Request) : "";
        if (row.WorkJson.Length > 0 || row.KeyPlanJson.Length > 0 || row.SheetJson != brought)
            return;
        if (row.Title == before || Of(row.Title, instrument) is not { } now)
            return;
        row.SheetJson = Json(now.Request);
        row.ToBar = now.Sheet.Score.Bars.Count;
        row.IsScale = true;
    }
}
