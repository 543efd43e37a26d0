using CsCheck;
using Shouldly;
using TuningFork.Core.LookingBack;
using TuningFork.Core.Practice;
using Xunit;

namespace TuningFork.Core.Tests.LookingBack;

/// <summary>Days, durations and areas as people write them (common practice).</summary>
public sealed class EarlierLogsTests
{
    [Theory]
    [InlineData("2031-05-14", DateOrder.MonthFirst, "2031-05-14")]
    [InlineData("2031-05-14T18:30:00Z", DateOrder.DayFirst, "2031-05-14")]
    [InlineData("14.5.2031", DateOrder.DayFirst, "2031-05-14")]
    [InlineData("14/05/31", DateOrder.DayFirst, "2031-05-14")]
    [InlineData("5/14/2031 18:30", DateOrder.MonthFirst, "2031-05-14")]
    [InlineData("14 May 2031", DateOrder.DayFirst, "2031-05-14")]
    [InlineData("May 14, 2031", DateOrder.DayFirst, "2031-05-14")]
    [InlineData("30.2.2031", DateOrder.DayFirst, null)]
    [InlineData("14/5/2031", DateOrder.MonthFirst, null)]
    [InlineData("yesterday", DateOrder.DayFirst, null)]
    [InlineData("", DateOrder.DayFirst, null)]
    public void A_day_is_read_as_it_is_written(string text, DateOrder order, string? day)
    {
        EarlierLogs.TryDate(text, order, out var read).ShouldBe(day is not null);
        if (day is not null)
            read.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture).ShouldBe(day);
    }

    [Fact]
    public void The_order_of_a_column_is_the_one_that_all_its_dates_allow()
    {
        EarlierLogs.OrderOf(["3/4/2031", "14/5/2031"]).ShouldBe(DateOrder.DayFirst);
        EarlierLogs.OrderOf(["3/4/2031", "5/14/2031"]).ShouldBe(DateOrder.MonthFirst);
        EarlierLogs.OrderOf(["3/4/2031", "5/6/2031"]).ShouldBeNull();
        EarlierLogs.OrderOf(["3.4.2031"]).ShouldBe(DateOrder.DayFirst);
        Gen.Select(Gen.Date[new DateTime(2000, 1, 1), new DateTime(2039, 12, 31)], Gen.Bool)
            .Sample(
                (date, monthFirst) =>
                {
                    var text = date.ToString(monthFirst ? "M/d/yyyy" : "d/M/yyyy", System.Globalization.CultureInfo.InvariantCulture);
                    var wanted = monthFirst ? DateOrder.MonthFirst : DateOrder.DayFirst;
                    EarlierLogs.OrderOf([text]).ShouldBeOneOf(wanted, null);
                    EarlierLogs.TryDate(text, wanted, out var read).ShouldBeTrue();
                    read.ShouldBe(DateOnly.FromDateTime(date));
                }
            );
    }

    [Theory]
    [InlineData("25", "minutes", 25.0)]
    [InlineData("25,5", "minutes", 25.5)]
    [InlineData("1.5", "Hours", 90.0)]
    [InlineData("1500", "seconds", 25.0)]
    [InlineData("0:25", "time", 25.0)]
    [InlineData("1:05", "time", 65.0)]
    [InlineData("1:05:30", "time", 65.5)]
    [InlineData("25 min", "", 25.0)]
    [InlineData("1 h 5 m", "", 65.0)]
    [InlineData("1h30", "", null)]
    [InlineData("90 s", "", 1.5)]
    [InlineData("2 hours", "", 120.0)]
    [InlineData("0", "", null)]
    [InlineData("-5", "", null)]
    [InlineData("900", "minutes", null)]
    [InlineData("a while", "", null)]
    public void A_duration_is_read_as_it_is_written(string text, string head, double? minutes)
    {
        EarlierLogs.TryMinutes(text, EarlierLogs.UnitOf(head), out var read).ShouldBe(minutes is not null);
        if (minutes is { } wanted)
            read.ShouldBe(wanted, 1e-9);
    }

    [Theory]
    [InlineData("Date", LogColumn.Date)]
    [InlineData("Duration (min)", LogColumn.Minutes)]
    [InlineData("Practice time", LogColumn.Minutes)]
    [InlineData("Category", LogColumn.Area)]
    [InlineData("What I worked on", LogColumn.What)]
    [InlineData("Comments", LogColumn.Note)]
    [InlineData("bpm", LogColumn.Tempo)]
    [InlineData("Weather", null)]
    public void A_column_is_known_by_its_head(string head, LogColumn? column) => EarlierLogs.ColumnOf(head).ShouldBe(column);

    [Theory]
    [InlineData("Scales in thirds", Area.Technique)]
    [InlineData("Sight-reading", Area.SightReading)]
    [InlineData("Warm up", Area.WarmUp)]
    [InlineData("Pieces", Area.Repertoire)]
    [InlineData("Improvising", Area.Play)]
    [InlineData("Aural", Area.Ear)]
    [InlineData("Mill", null)]
    public void Words_tell_an_area(string words, Area? area) => EarlierLogs.AreaOf(words).ShouldBe(area);
}
