using System.Collections.Concurrent;

namespace TuningFork.Server.Hosting;

/// <summary>
/// One writer at a time for each file. The folder belongs to one program, so a queue in it is enough: two presses at the
/// same moment become one after the other, and the second sees what the first has done.
/// </summary>
public sealed class Turns : IDisposable
{
    private readonly ConcurrentDictionary<Book, SemaphoreSlim> queues = new();

    /// <summary>Waits for one's turn; it ends when the answer is disposed of.</summary>
    public async Task<IDisposable> TakeAsync(Book book, CancellationToken cancel)
    {
        var queue = queues.GetOrAdd(book, _ => new SemaphoreSlim(1, 1));
        await queue.WaitAsync(cancel);
        return new Turn(queue);
    }

    public void Dispose()
    {
        foreach (var queue in queues.Values)
            queue.Dispose();
    }

    /// <summary>
    /// Everything that may write waits for its turn, its body read beforehand so that a slow sender keeps nobody waiting.
    /// </summary>
    public static void Use(WebApplication app, Ledger ledger, Turns turns) =>
        app.Use(
            async (context, next) =>
            {
                if (
                    HttpMethods.IsGet(context.Request.Method)
                    || HttpMethods.IsHead(context.Request.Method)
                    || !context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal)
                    || context.GetEndpoint()?.Metadata.GetMetadata<OwnTurn>() is not null
                )
                {
                    await next(context);
                    return;
                }

                context.Request.EnableBuffering();
                await context.Request.Body.CopyToAsync(Stream.Null, context.RequestAborted);
                context.Request.Body.Position = 0;
                using var turn = await turns.TakeAsync(ledger.Of(context), context.RequestAborted);
                await next(context);
            }
        );

    private sealed class Turn(SemaphoreSlim queue) : IDisposable
    {
        public void Dispose() => queue.Release();
    }
}

/// <summary>On an address that has long to read before it writes: it takes its turn itself, when it has read.</summary>
public sealed record OwnTurn;
