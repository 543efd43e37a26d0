using TuningFork.Core.LookingBack;

namespace TuningFork.Data.Rows;

/// <summary>What was answered in a week's review.</summary>
public sealed class ReviewAnswerRow
{
    public int Id { get; set; }

    /// <summary>The day of the review.</summary>
    public DateOnly Day { get; set; }
    public ReviewTopic Topic { get; set; }
    public int MaterialId { get; set; }
    public bool Accepted { get; set; }

    /// <summary>In words, for the journal: "Ferry Waltz, 31-33: two short visits a day, for two weeks".</summary>
    public string Words { get; set; } = "";
}
