using Shouldly;
using TuningFork.Data.Demo;
using TuningFork.Data.Keeping;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>Every row is read as the program reads it: what it wrote itself has no fault, what somebody changed is named.</summary>
public sealed class BookCheckTests
{
    [Theory]
    [InlineData(DemoPlayer.Clarinet)]
    [InlineData(DemoPlayer.HandDrum)]
    public async Task A_book_of_months_has_no_fault_and_a_changed_row_is_named_and_taken_out(DemoPlayer player)
    {
        var folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
        try
        {
            var path = Path.Combine(folder, "demo.db");
            await DemoFile.PrepareAsync(path, player, new DateOnly(2031, 5, 14), TestContext.Current.CancellationToken);
            BookCheck.All(path, TestContext.Current.CancellationToken).ShouldBeEmpty();
            using (var book = SafeFile.Open(path))
                SafeFile.Run(book, "UPDATE Sessions SET StartedUtc='yesterday' WHERE Id=(SELECT min(Id) FROM Sessions)");
            var fault = BookCheck.FirstOf(path, TestContext.Current.CancellationToken)!;
            (fault.Table, fault.Field, fault.Why).ShouldBe(("Sessions", "StartedUtc", "is \"yesterday\""));
            BookCheck.Remove(path, fault);
            BookCheck.All(path, TestContext.Current.CancellationToken).ShouldBeEmpty("what hung on it has gone with it");
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }
}
