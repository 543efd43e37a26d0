using TuningFork.Data.Keeping;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping;

/// <summary>
/// Backs one's own book up once a day, at the start and when a day has passed while the program ran, and copies the newest backup to
/// another disk whenever that is there.
/// </summary>
public sealed partial class DailyBackup(Ledger ledger, TimeProvider time, ILogger<DailyBackup> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromMinutes(1);

    private readonly HashSet<string> told = new(StringComparer.Ordinal);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look);
        try
        {
            do await Task.Run(Back, stoppingToken);
            while (await timer.WaitForNextTickAsync(stoppingToken));
        }
        catch (OperationCanceledException)
        {
            // The program ends.
        }
    }

    private void Back()
    {
        if (!ledger.IsReady(Book.Own))
            return;
        Try("Today's backup was not made", () => ledger.Backups.MakeDaily(time.GetUtcNow().UtcDateTime, time.LocalTimeZone));
        Try("The backup was not copied to the other disk", () =>
        {
            if (ledger.Second.Backups is { } second)
                ledger.Backups.CopyNewestTo(second);
        });
    }

    /// <summary>What stays wrong is told once, not every minute; whatever it is, the program goes on.</summary>
    private void Try(string failure, Action work)
    {
        try
        {
            work();
            told.Remove(failure);
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            if (told.Add(failure))
                Failed(log, failure, (TroubleException.Of(problem, ledger.PathOf(Book.Own)) ?? problem).Message);
        }
    }

    [LoggerMessage(LogLevel.Error, "{Failure}: {Trouble}")]
    private static partial void Failed(ILogger log, string failure, string trouble);
}
