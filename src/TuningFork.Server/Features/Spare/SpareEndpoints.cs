using Microsoft.AspNetCore.Mvc;
using TuningFork.Core.Planning;

namespace TuningFork.Server.Features.Spare;

/// <summary>Something to do in passing.</summary>
/// <param name="Tempo">Beats a minute, or null.</param>
/// <param name="Abc">Its bars in ABC notation; empty where they are not known.</param>
/// <param name="Note">What was decided about it.</param>
public sealed record SpareThing(
    SpareKind Kind,
    string Key,
    int? MaterialId,
    string Title,
    string How,
    string Why,
    int Seconds,
    int? Tempo,
    string Beat,
    string Abc,
    string Note
);

/// <summary>The spare minutes.</summary>
/// <param name="Thing">What is next; null where there is nothing.</param>
/// <param name="Waiting">How many wait now.</param>
/// <param name="Next">When the next comes, "13:00"; empty when none comes any more today, or one waits.</param>
/// <param name="Today">Done today.</param>
/// <param name="Week">Done on each of the last seven days, today last.</param>
/// <param name="Most">What they have brought most, in words; empty while there is too little to tell.</param>
/// <param name="ADay">Wished a day, 0 for none.</param>
public sealed record SpareView(
    SpareThing? Thing,
    int Waiting,
    string Next,
    int Today,
    IReadOnlyList<int> Week,
    string Most,
    int ADay,
    string From,
    string Until
);

/// <summary>One that was done. Sent again with the same key it counts once.</summary>
/// <param name="Id">Its own key.</param>
/// <param name="Thing">The key of what was done.</param>
/// <param name="Right">Whether it came right; null where there is nothing to be right.</param>
public sealed record SpareDone(Guid Id, string Thing, bool? Right = null);

/// <summary>How many a day, and between which hours.</summary>
public sealed record SpareWish(int ADay, string From, string Until);

/// <summary>Spare minutes over HTTP: one short thing, done in passing, without a session.</summary>
public static class SpareEndpoints
{
    public static void MapSpare(this WebApplication app)
    {
        var group = app.MapGroup("/api/spare").WithTags("Spare minutes");
        group
            .MapGet("", (SpareDesk desk, CancellationToken cancel, bool away = false, [FromQuery] string[]? skip = null) =>
                desk.ViewAsync(away, skip ?? [], cancel)
            )
            .WithName("GetSpare");
        group.MapPost("", (SpareDone done, SpareDesk desk, CancellationToken cancel) => desk.DoneAsync(done, cancel)).WithName("SpareDone");
        group.MapPut("", (SpareWish wish, SpareDesk desk, CancellationToken cancel) => desk.WishAsync(wish, cancel)).WithName("WishSpare");
        group.MapDelete("/last", (SpareDesk desk, CancellationToken cancel) => desk.TakeBackAsync(cancel)).WithName("TakeSpareBack");
    }
}
