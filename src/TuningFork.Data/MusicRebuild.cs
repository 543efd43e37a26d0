using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;

namespace TuningFork.Data;

/// <summary>Music that earlier versions kept as ABC text becomes the score itself. What cannot be read stays as it is.</summary>
public static class MusicRebuild
{
    public static async Task RunAsync(PracticeDb db, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(db);
        foreach (var row in await db.Music.IgnoreQueryFilters().Where(row => row.Score == "" && row.Abc != "").ToListAsync(cancel))
        {
            try
            {
                row.Score = ScoreJson.Write(AbcReader.Read(row.Abc, cancel: cancel).Music);
                row.Abc = "";
            }
            catch (AbcException)
            {
                // On its page it is said that it cannot be read, and what to do.
            }
        }

        await db.SaveChangesAsync(cancel);
    }
}
