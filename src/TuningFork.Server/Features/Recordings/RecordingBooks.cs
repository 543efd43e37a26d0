using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.Repertoire;
using TuningFork.Core.Spacing;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Recordings;

/// <summary>Recordings as they stand in the book: what is known of them, what the player says of them, and which go for want of room.</summary>
public sealed class RecordingBooks(PracticeDb db, PlanDesk plans, PracticeClock clock, Ledger ledger, IHttpContextAccessor request)
{
    private const int LongestName = 200;
    private const double Megabyte = 1e6;

    /// <summary>A recording that has not ended and of which nothing came for so long was cut off.</summary>
    private static readonly TimeSpan Silence = TimeSpan.FromSeconds(30);

    /// <summary>Their sound.</summary>
    public Sounds Sounds => ledger.SoundsOf(ledger.Of(request.HttpContext));

    /// <exception cref="FieldException">There is none with that number.</exception>
    public async Task<RecordingRow> RowAsync(int id, CancellationToken cancel) =>
        await db.Recordings.Include(row => row.Material).ThenInclude(row => row!.Piece).FirstOrDefaultAsync(row => row.Id == id, cancel)
        ?? throw Problems.Unknown("id", "recording");

    /// <summary>One that was recorded here.</summary>
    /// <exception cref="FieldException">There is none with that number, or it came as a file.</exception>
    public async Task<RecordingRow> TakeAsync(int id, CancellationToken cancel) =>
        await RowAsync(id, cancel) is { Kind: RecordingKind.Take } take
            ? take
            : throw new FieldException("id", "This came as a file and is whole. Begin another recording.");

    /// <summary>Begins one, once for its key.</summary>
    public async Task<RecordingRow> BeginAsync(RecordingWish wish, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(wish);
        if (await KnownAsync(wish.Key, cancel) is { } there)
            return there;
        if (wish.Tempo is < Core.Tempo.Bpm.Slowest or > Core.Tempo.Bpm.Fastest)
            throw new FieldException("tempo", $"A tempo is {Core.Tempo.Bpm.Slowest} to {Core.Tempo.Bpm.Fastest}.");
        var method = new MethodId(Problems.Text("method", wish.Method, 60));
        // An altered version, or a rung, is of its material.
        var key = Problems.Text("targetKey", wish.TargetKey, 200);
        var material = wish.MaterialId ?? (TargetKey.Parse(key) is { Kind: TargetKind.Material } of ? of.Id : (int?)null);
        var row = await NewAsync(RecordingKind.Take, wish.Key, material, wish.Name, cancel);
        row.ContentType = Problems.Text("contentType", wish.ContentType, 120);
        row.TargetKey = key;
        row.Tempo = wish.Tempo;
        row.Method = method;
        await db.SaveChangesAsync(cancel);
        return row;
    }

    /// <summary>The one with a key, also where it was removed; null for none.</summary>
    public Task<RecordingRow?> KnownAsync(Guid key, CancellationToken cancel) =>
        db.Recordings.IgnoreQueryFilters().FirstOrDefaultAsync(row => row.Key == key, cancel);

    /// <summary>A file that was added by hand; its sound is there already.</summary>
    public async Task<RecordingRow> AddAsync(
        RecordingKind kind,
        Guid key,
        int? material,
        string name,
        string contentType,
        double seconds,
        CancellationToken cancel
    )
    {
        var row = await NewAsync(kind, key, material, name, cancel);
        row.ContentType = contentType;
        row.Seconds = SecondsOf(seconds);
        row.Bytes = Sounds.LengthOf(key);
        row.EndedUtc = row.AtUtc;
        await db.SaveChangesAsync(cancel);
        return row;
    }

    private async Task<RecordingRow> NewAsync(RecordingKind kind, Guid key, int? material, string? name, CancellationToken cancel)
    {
        if (key == Guid.Empty)
            throw new FieldException("key", "A recording has a key of its own: any new UUID.");
        if (material is { } id && !await db.Materials.AnyAsync(one => one.Id == id, cancel))
            throw Problems.Unknown("materialId", "material");
        var row = new RecordingRow
        {
            Key = key,
            Kind = kind,
            MaterialId = material,
            Name = Problems.Text("name", name, LongestName),
            AtUtc = clock.UtcNow,
            Day = clock.Today(await plans.ProfileAsync(cancel)),
        };
        db.Recordings.Add(row);
        return row;
    }

    /// <summary>The end of one; for want of room others go then.</summary>
    /// <returns>How many went.</returns>
    public async Task<int> EndAsync(RecordingRow row, RecordingEnd end, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(end);
        row.Seconds = SecondsOf(end.Seconds);
        row.Clean = end.Clean;
        row.Bytes = Sounds.LengthOf(row.Key);
        row.EndedUtc ??= clock.UtcNow;
        await db.SaveChangesAsync(cancel);
        return await ThinAsync(cancel);
    }

    /// <summary>What the player says of one. What would have to change is what is still missing in its passage.</summary>
    public async Task SayAsync(RecordingRow row, RecordingWords words, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(words);
        var change = Problems.Text("change", words.Change, LongestName);
        if (Causes.SayNothing(change))
            throw new FieldException(
                "change",
                $"\"{change}\" says what, not why. Name the cause: rushing, too short, hand too tight, eye too late?"
            );
        var isNew = change.Length > 0 && change != row.Change;
        row.AsImagined = words.AsImagined;
        row.Change = change;
        row.IsMarked = words.IsMarked;
        if (words.Name is not null)
            row.Name = Problems.Text("name", words.Name, LongestName);
        if (isNew && row.Material is { Kind: MaterialKind.Passage, Readiness: not Readiness.Ready } passage)
        {
            var known = Causes.All.FirstOrDefault(cause => cause.Name == change);
            passage.Missing = change;
            passage.Remedy = known?.Remedy ?? "";
            passage.Proposed = known?.Method.Id ?? default;
            passage.Version++;
        }

        await db.SaveChangesAsync(cancel);
    }

    /// <summary>Lets go what the rule says when there is no more room; their sound goes with the backups that still know them.</summary>
    /// <returns>How many went.</returns>
    public async Task<int> ThinAsync(CancellationToken cancel)
    {
        var most = (await plans.ProfileAsync(cancel)).RecordingMegabytes * (long)Megabyte;
        if (await UsedAsync(cancel) <= most)
            return 0;
        var all = await db
            .Recordings.AsNoTracking()
            .Select(row => new KeptRecording(row.Id, row.MaterialId, row.Kind, row.AtUtc, row.Bytes, row.IsMarked))
            .ToListAsync(cancel);
        var gone = Thinning.Gone(all, most);
        return await db
            .Recordings.Where(row => gone.Contains(row.Id))
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.RemovedUtc, clock.UtcNow), cancel);
    }

    public Task<long> UsedAsync(CancellationToken cancel) => db.Recordings.SumAsync(row => row.Bytes, cancel);

    public async Task<RoomView> RoomAsync(CancellationToken cancel)
    {
        var megabytes = (await plans.ProfileAsync(cancel)).RecordingMegabytes;
        var used = await UsedAsync(cancel);
        var words = $"{Room(used)} of {Room(megabytes * (long)Megabyte)} used.";
        if (used > megabytes * Megabyte)
            words += " All of it is first, newest, or kept by you: remove something, or give more room.";
        return new RoomView(megabytes, used, words, Thinning.Rule);
    }

    public RecordingView View(RecordingRow row, Dictionary<MethodId, string> own)
    {
        ArgumentNullException.ThrowIfNull(row);
        ArgumentNullException.ThrowIfNull(own);
        var length = Sounds.LengthOf(row.Key);
        var isRunning = row.EndedUtc is null && clock.UtcNow - row.AtUtc - TimeSpan.FromSeconds(row.Seconds) < Silence;
        return new RecordingView(
            row.Id,
            row.Kind,
            row.MaterialId,
            row.Material is { } material ? Bookkeeping.TitleOf(material, material.Piece)
                : row.Name.Length > 0 ? row.Name
                : "Without a name",
            row.Day,
            DateTime.SpecifyKind(row.AtUtc, DateTimeKind.Utc),
            row.Tempo,
            (row.Material?.Beat ?? Core.Notation.Beat.Quarter).Name,
            own.GetValueOrDefault(row.Method) ?? Methods.Find(row.Method)?.Name ?? "",
            row.Clean,
            row.Name,
            row.ContentType,
            row.Seconds,
            row.AsImagined,
            row.Change,
            row.IsMarked,
            length > 0,
            length == 0 ? (isRunning ? "" : "Its sound is not here: it was on another machine, or was let go.")
                : row.EndedUtc is null && !isRunning ? "It was cut off; what came until then is here."
                : "",
            Room(length),
            new LoopView(row.LoopFrom, row.LoopTo, row.Speed, row.CountIn, row.Rounds, row.PlayedSeconds, row.LastPlayed)
        );
    }

    public async Task<Dictionary<MethodId, string>> OwnMethodsAsync(CancellationToken cancel) =>
        (await db.Methods.AsNoTracking().ToListAsync(cancel)).Select(Bookkeeping.ToCore).ToDictionary(one => one.Id, one => one.Name);

    public async Task<RecordingView> ViewAsync(int id, CancellationToken cancel) =>
        View(await RowAsync(id, cancel), await OwnMethodsAsync(cancel));

    private static double SecondsOf(double seconds) =>
        seconds is >= 0 and <= 24 * 3600
            ? Math.Round(seconds, 2)
            : throw new FieldException("seconds", "A recording lasts up to a day, in seconds.");

    private static string Room(long bytes) =>
        bytes >= 1e9 ? string.Create(CultureInfo.InvariantCulture, $"{bytes / 1e9:0.#} GB")
        : bytes >= 1e5 ? string.Create(CultureInfo.InvariantCulture, $"{bytes / Megabyte:0.#} MB")
        : string.Create(CultureInfo.InvariantCulture, $"{(bytes + 999) / 1000} kB");
}
