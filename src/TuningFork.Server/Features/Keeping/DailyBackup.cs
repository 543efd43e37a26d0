using TuningFork.Core.Practice;
using TuningFork.Data.Keeping;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Keeping;

/// <summary>Backs one's own book up once a day, at the start and when a day has passed while the program ran.</summary>
public sealed partial class DailyBackup(Ledger ledger, TimeProvider time, ILogger<DailyBackup> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromMinutes(1);

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
        try
        {
            if (ledger.IsReady(Book.Own))
                ledger.Backups.MakeDaily(time.GetUtcNow().UtcDateTime, time.LocalTimeZone);
        }
        catch (TroubleException trouble)
        {
            Failed(log, Words.Small(trouble.Message));
        }
    }

    [LoggerMessage(LogLevel.Error, "Today's backup was not made: {Trouble}")]
    private static partial void Failed(ILogger log, string trouble);
}
