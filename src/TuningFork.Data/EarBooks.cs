using TuningFork.Core.EarTraining;
using TuningFork.Core.Spacing;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>What the file keeps of the ear, as the core knows it.</summary>
public static class EarBooks
{
    /// <summary>What is known of an item.</summary>
    public static EarStanding ToCore(EarItemRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new EarStanding(row.Item, new Memory(row.Stability, row.Difficulty), row.LastDay, row.Due, row.Asked, row.Right);
    }

    /// <summary>An answer.</summary>
    public static EarAnswer ToCore(EarAnswerRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return new EarAnswer(row.Item, row.Said, row.Right, row.Seconds);
    }

    /// <summary>Writes what is known now into its row.</summary>
    public static void Keep(EarItemRow row, EarStanding now)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(now);
        row.Item = now.Item;
        (row.Stability, row.Difficulty) = (now.Memory.Stability, now.Memory.Difficulty);
        (row.LastDay, row.Due) = (now.LastDay, now.Due);
        (row.Asked, row.Right) = (now.Asked, now.Right);
    }
}
