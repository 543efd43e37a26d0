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
        do
        {
            if (!ledger.IsReady(Book.Own))
                continue;
            try
            {
                await Task.Run(() => ledger.Backups.MakeDaily(time.GetUtcNow().UtcDateTime, time.LocalTimeZone), stoppingToken);
            }
            catch (TroubleException trouble)
            {
                Failed(log, Words.Small(trouble.Message));
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    [LoggerMessage(LogLevel.Error, "Today's backup was not made: {Trouble}")]
    private static partial void Failed(ILogger log, string trouble);
}
