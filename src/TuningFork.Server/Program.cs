using System.Text.Json.Serialization;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Server.Features;
using TuningFork.Server.Features.Ear;
using TuningFork.Server.Features.House;
using TuningFork.Server.Features.Keeping;
using TuningFork.Server.Features.Keeping.Csv;
using TuningFork.Server.Features.Keeping.EarlierLog;
using TuningFork.Server.Features.Listening;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;
using TuningFork.Server.Features.Progress;
using TuningFork.Server.Features.Reading;
using TuningFork.Server.Features.Recordings;
using TuningFork.Server.Features.Repertoire;
using TuningFork.Server.Features.Sound;
using TuningFork.Server.Features.Spare;
using TuningFork.Server.Features.Technique;
using TuningFork.Server.Features.Week;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;

// Bare flags are taken out first: the configuration would read the next word as their value. The content root is the program's own
// folder: the one it is started in is watched with all that lies below it.
var builder = WebApplication.CreateBuilder(
    new WebApplicationOptions
    {
        Args = [.. args.Where(argument => argument is not ("--own" or "--testing" or "--restore"))],
        ContentRootPath = AppContext.BaseDirectory,
    }
);
bool Asked(string flag) => args.Contains($"--{flag}") || builder.Configuration.GetValue(flag, false);
var clock = new MovableClock();

// Tests may begin on another day; without --testing there is no such thing.
if (Asked("testing") && builder.Configuration.GetValue<DateTimeOffset?>("testing-now") is { } begun)
    clock.Set(begun);
var folder = builder.Configuration["data"]
    ?? Path.Combine(
        Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify),
        "tuning-fork"
    );
using var turns = new Turns();
var ledger = new Ledger(folder, Asked("own") ? Book.Own : Book.Demo, clock);

builder.Logging.AddFilter("Microsoft", LogLevel.Warning);

// What goes wrong with the file is told once, as a sentence or by the answer's own log.
builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Critical);

// A start that fails is told by the sentence below.
builder.Logging.AddFilter("Microsoft.Extensions.Hosting.Internal.Host", LogLevel.None);

// With --house-port it listens to the house as well, over HTTPS; without, to this machine alone.
var housePort = builder.Configuration.GetValue<int?>("house-port");
using var certificate = housePort is null ? null : HouseCertificate.In(folder, clock.GetUtcNow());
if (housePort is { } house)
    builder.WebHost.UseUrls($"{builder.Configuration["urls"] ?? "http://127.0.0.1:5080"};https://*:{house}");
builder.WebHost.ConfigureKestrel(server =>
{
    server.AddServerHeader = false;
    server.Limits.MaxRequestBodySize = 1024 * 1024;
    if (certificate is not null)
        server.ConfigureHttpsDefaults(https => https.ServerCertificate = certificate);
});
builder.Services.AddSingleton(new HouseDoor(housePort, certificate is null ? "" : HouseCertificate.Fingerprint(certificate)));
builder.Services.AddSingleton(new Devices(folder, clock));
builder.Services.AddSingleton<HouseGate>();
builder.Services.AddSingleton<TimeProvider>(clock);
builder.Services.AddSingleton(ledger);
builder.Services.AddSingleton(turns);
builder.Services.AddHttpContextAccessor();
builder.Services.AddDbContext<PracticeDb>((services, options) => Ledger.Use(options, services));
builder.Services.AddHostedService<DailyBackup>();

// What goes wrong beside the requests is told, and ends nothing.
builder.Services.Configure<HostOptions>(host => host.BackgroundServiceExceptionBehavior = BackgroundServiceExceptionBehavior.Ignore);
builder.Services.AddScoped<PracticeClock>();
builder.Services.AddScoped<PlanDesk>();
builder.Services.AddScoped<MusicDesk>();
builder.Services.AddScoped<PieceMusic>();
builder.Services.AddScoped<StageMusic>();
builder.Services.AddScoped<TakeBooks>();
builder.Services.AddScoped<CleanStretches>();
builder.Services.AddScoped<WrittenLast>();
builder.Services.AddScoped<EntryBooks>();
builder.Services.AddScoped<RecordingBooks>();
builder.Services.AddScoped<HeardBooks>();
builder.Services.AddScoped<HandReader>();
builder.Services.AddScoped<HeardPitch>();
builder.Services.AddScoped<JournalDays>();
builder.Services.AddScoped<LookCloser>();
builder.Services.AddScoped<TodayViews>();
builder.Services.AddScoped<SpareDesk>();
builder.Services.AddScoped<Forecast>();
builder.Services.AddScoped<WeekAhead>();
builder.Services.AddScoped<StageSound>();
builder.Services.AddScoped<StationBooks>();
builder.Services.AddScoped<HelpAtHand>();
builder.Services.AddScoped<FallenOut>();
builder.Services.AddScoped<SessionBeginning>();
builder.Services.AddScoped<SessionClosing>();
builder.Services.AddScoped<SessionDesk>();
builder.Services.AddScoped<ThingAtHand>();
builder.Services.AddScoped<SessionEvening>();
builder.Services.AddScoped<SessionViews>();

// What cannot be read of an address is told as everything else is.
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.ConfigureHttpJsonOptions(json =>
{
    json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(allowIntegerValues: false));
    json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    json.SerializerOptions.RespectNullableAnnotations = true;
    json.SerializerOptions.RespectRequiredConstructorParameters = true;
});
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddOpenApi(ApiDescription.Describe);
builder.Services.AddResponseCompression(compression => compression.EnableForHttps = false);

var app = builder.Build();
Problems.Use(app);
var door = app.Services.GetRequiredService<HouseDoor>();
Guard.Use(app, door);
HouseGate.Use(app, door, app.Services.GetRequiredService<HouseGate>());
Turns.Use(app, ledger, turns);
app.UseWhen(
    context => context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal),
    api =>
        api.Use(
            async (context, next) =>
            {
                if (context.GetEndpoint()?.Metadata.GetMetadata<WorksInTrouble>() is null)
                    await ledger.PrepareAsync(ledger.Of(context), context.RequestAborted);
                await next(context);
            }
        )
);
app.UseResponseCompression();
app.UseWebSockets();
PackedFiles.Use(app);
app.MapOpenApi();
app.MapAbout();
app.MapBackups();
app.MapArchive();
app.MapCsv();
app.MapEarlierLogs();
app.MapDevices();
app.MapTakeFromDemo();
app.MapProfile();
app.MapInstruments();
app.MapChoices();
app.MapFirstVisit();
app.MapToday();
app.MapWeek();
app.MapAhead();
app.MapRoutines();
app.MapWarmUps();
app.MapMaterials();
app.MapRecordings();
app.MapApart();
app.MapReading();
app.MapPlayed();
app.MapPaper();
app.MapEar();
app.MapTunes();
app.MapCopies();
app.MapPieces();
app.MapPassages();
app.MapBoxes();
app.MapPages();
app.MapGoals();
app.MapMethods();
app.MapSession();
app.MapJournal();
app.MapLookBack();
app.MapReview();
app.MapShelf();
app.MapRelief();
app.MapLists();
app.MapMade();
app.MapSheets();
app.MapKeys();
app.MapWork();
app.MapPatterns();
app.MapNumbers();
app.MapTempo();
app.MapStations();
app.MapOffers();
app.MapSound();
app.MapTuner();
app.MapDelay();
app.MapSimulated();
app.MapTakes();
app.MapBody();
app.MapHealth();
app.MapSpare();
if (Asked("testing"))
    TestingEndpoints.Map(app, clock);
Guard.MapPage(app, Asked("own") ? Book.Own : null);

if (ApiDescription.IsBeingGenerated)
{
    app.Run();
    return 0;
}

try
{
    using var mine = ledger.Hold();
    if (Asked("restore"))
        return RestoreConsole.Run(ledger, clock, builder.Configuration["from"], Console.In, Console.Out);
    if (builder.Configuration["old-data"] is { } old && TakeAlong.Book(Path.Combine(old, "own.db"), ledger.PathOf(Book.Own)) is { } done)
        await Console.Out.WriteLineAsync(done);
    await PrepareUsualAsync();
    await app.RunAsync();
    return 0;
}
catch (Exception problem) when (problem is IOException or TroubleException)
{
    await Console.Error.WriteLineAsync(problem.Message);
    return 1;
}

// A file that cannot be used is said here and on the page; the program runs on, so that a backup can be chosen there.
async Task PrepareUsualAsync()
{
    try
    {
        await ledger.PrepareAsync(ledger.Usual);
    }
    catch (TroubleException trouble)
    {
        await Console.Error.WriteLineAsync(trouble.Message);
    }
}

/// <summary>The server; public so that tests can start it.</summary>
public partial class Program;
