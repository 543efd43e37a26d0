using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>Spare minutes of the last days, in passing.</summary>
internal static class DemoSpares
{
    private static readonly int[] ADay = [1, 2, 0, 3, 2, 1];

    public static void Write(PracticeDb db, DateOnly today, IReadOnlyList<MaterialRow> materials)
    {
        var passages = materials.Where(row => row is { Kind: MaterialKind.Passage, Stuck: false, LastVisit: not null }).Take(3).ToList();
        if (passages.Count == 0)
            return;
        for (var back = ADay.Length; back >= 1; back--)
        for (var i = 0; i < ADay[^back]; i++)
        {
            var day = today.AddDays(-back);
            var passage = i == 1 ? null : passages[(back + i) % passages.Count];
            db.Spares.Add(
                new SpareRow
                {
                    Key = new Guid(back, (short)i, 7, new byte[8]),
                    Day = day,
                    AtUtc = day.ToDateTime(new TimeOnly(9 + (4 * i), 20), DateTimeKind.Utc),
                    Thing = passage is null ? "ear" : TargetKey.Of(passage.Id),
                    Title = passage is null ? "One question for the ear" : Bookkeeping.TitleOf(passage, passage.Piece),
                    MaterialId = passage?.Id,
                    Right = passage is null ? null : i == 0,
                    Seconds = 20,
                }
            );
        }
    }
}
