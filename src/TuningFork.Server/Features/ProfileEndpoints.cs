using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Planning;
using TuningFork.Core.Spacing;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Keeping;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;

namespace TuningFork.Server.Features;

/// <summary>What this server is, before anything is chosen.</summary>
/// <param name="Book">The file that is meant when a request does not say.</param>
/// <param name="HasPlayer">Whether the file of this request has a player yet.</param>
/// <param name="Today">The practice day; before there is a player, the date.</param>
/// <param name="Entered">Of a demo: what somebody has entered in it beside what it holds itself; null for one's own book.</param>
/// <param name="Trouble">Why the file cannot be used; null when it can.</param>
/// <param name="IsGuest">Whether this is another device in the house than the one the program runs on.</param>
public sealed record AboutView(
    Book Book,
    bool HasPlayer,
    string Instrument,
    DateOnly Today,
    TakenView? Entered,
    TroubleView? Trouble,
    bool IsGuest,
    bool IsPitched
);

/// <summary>The player and how the days are laid out.</summary>
/// <param name="UnderWay">Most passages under way at a time; 0 for no limit.</param>
public sealed record ProfileView(
    string Instrument,
    Family Family,
    int Transposition,
    IReadOnlyList<int> WeekdayMinutes,
    int BoundaryHour,
    IReadOnlyList<AreaShare> Shares,
    School School,
    Mix Mix,
    int ScaleMinutes,
    int EarCentre,
    string Lowest,
    string Highest,
    int A4,
    Naming Naming,
    int Version,
    int UnderWay
);

/// <summary>
/// What the player and the layout are to be. Family, transposition and ear centre left out: the usual ones of the instrument, where it is
/// known by name.
/// </summary>
public sealed record ProfileWish(
    string Instrument,
    IReadOnlyList<int> WeekdayMinutes,
    Family? Family = null,
    int? Transposition = null,
    int BoundaryHour = PracticeDay.DefaultBoundaryHour,
    IReadOnlyList<AreaShare>? Shares = null,
    School School = School.WideningGaps,
    Mix Mix = Mix.Shuffled,
    int ScaleMinutes = 20,
    int? EarCentre = null,
    string Lowest = "",
    string Highest = "",
    int A4 = 440,
    Naming Naming = Naming.Letters,
    int Version = 0,
    int UnderWay = 0
);

/// <summary>The player over HTTP.</summary>
public static class ProfileEndpoints
{
    public static void MapAbout(this WebApplication app) =>
        app.MapGet(
                "/api/about",
                async (
                    Ledger ledger,
                    HttpContext context,
                    PracticeDb db,
                    PracticeClock clock,
                    TimeProvider time,
                    HouseDoor door,
                    CancellationToken cancel
                ) =>
                {
                    var (book, isGuest) = (ledger.Of(context), door.IsComingIn(context));
                    try
                    {
                        await ledger.PrepareAsync(book, cancel);
                    }
                    catch (TroubleException trouble)
                    {
                        return new AboutView(
                            book,
                            false,
                            "",
                            DateOnly.FromDateTime(clock.LocalNow.DateTime),
                            null,
                            BackupEndpoints.Trouble(trouble, ledger, time),
                            isGuest,
                            IsPitched: true
                        );
                    }

                    var profile = await db.Profiles.AsNoTracking().OrderBy(row => row.Id).FirstOrDefaultAsync(cancel);
                    return new AboutView(
                        book,
                        profile is not null,
                        profile?.Instrument ?? "",
                        profile is null ? DateOnly.FromDateTime(clock.LocalNow.DateTime) : clock.Today(profile),
                        book == Book.Own ? null : await TakeFromDemo.EnteredAsync(db, cancel),
                        null,
                        isGuest,
                        profile is null || ProfileBooks.InstrumentOf(profile).IsPitched
                    );
                }
            )
            .WithTags("About")
            .WithMetadata(new WorksInTrouble())
            .WithName("GetAbout");

    public static void MapProfile(this WebApplication app)
    {
        var group = app.MapGroup("/api/profile").WithTags("Player");
        group
            .MapGet("", async (PracticeDb db, CancellationToken cancel) =>
                View(
                    await db.Profiles.AsNoTracking().OrderBy(row => row.Id).FirstOrDefaultAsync(cancel)
                        ?? throw Problems.Unknown("profile", "player")
                )
            )
            .WithName("GetProfile");
        group.MapPut("", SetAsync).WithName("SetProfile");
    }

    /// <summary>Writes the player down.</summary>
    public static async Task<ProfileView> SetAsync(ProfileWish wish, PracticeDb db, CancellationToken cancel)
    {
        var known = InstrumentNames.Find(wish.Instrument);
        if (wish.Family is null && known is not null)
            wish = wish with { Family = known.Family };
        Check(wish, known);
        var row = await db.Profiles.OrderBy(row => row.Id).FirstOrDefaultAsync(cancel);
        if ((row?.Version ?? 0) != wish.Version)
            throw Problems.Stale("The balance");
        if (row is null)
            db.Profiles.Add(row = new ProfileRow());
        // Another kind of instrument warms up otherwise; versions that were changed or made by the player stay.
        else if (row.Family != wish.Family && await db.WarmUps.AllAsync(version => version.Version == 0, cancel))
            db.WarmUps.RemoveRange(db.WarmUps);
        Write(row, wish, known);
        row.Version++;
        await db.SaveChangesAsync(cancel);
        await Seed.WarmUpsAsync(db, cancel);
        return View(row);
    }

    private static void Write(ProfileRow row, ProfileWish wish, Instrument? known)
    {
        // Another instrument is read in its own range.
        if (!string.Equals(row.Instrument, wish.Instrument.Trim(), StringComparison.OrdinalIgnoreCase))
            (row.ReadLowest, row.ReadHighest) = ("", "");
        row.Instrument = wish.Instrument.Trim();
        row.Family = wish.Family!.Value;
        row.Transposition = wish.Transposition ?? known?.Transposition ?? 0;
        row.WeekdayMinutes = string.Join(',', wish.WeekdayMinutes);
        row.BoundaryHour = wish.BoundaryHour;
        row.SharesJson = JsonSerializer.Serialize(wish.Shares ?? Shares.Default, Bookkeeping.Json);
        row.School = wish.School;
        row.Mix = wish.Mix;
        row.ScaleMinutes = wish.ScaleMinutes;
        row.EarCentre = wish.EarCentre ?? known?.EarCentre ?? 60;
        row.Lowest = wish.Lowest.Trim();
        row.Highest = wish.Highest.Trim();
        row.A4 = wish.A4;
        row.Naming = wish.Naming;
        row.UnderWay = wish.UnderWay;
    }

    /// <summary>Minutes of the seven weekdays: none, or a sitting's, and not none on all.</summary>
    /// <exception cref="FieldException">They are not.</exception>
    public static void CheckWeek(IReadOnlyList<int> minutes, string field)
    {
        if (minutes.Count != 7 || minutes.Any(one => one != 0 && one is < SittingLength.Least or > SittingLength.Most))
            throw new FieldException(
                field,
                $"Give seven numbers, Monday to Sunday, each 0 or {SittingLength.Least} to {SittingLength.Most} minutes."
            );
        if (minutes.All(one => one == 0))
            throw new FieldException(field, "Give at least one day some minutes.");
    }

    private static void Check(ProfileWish wish, Instrument? known)
    {
        Problems.Text("instrument", wish.Instrument, 100);
        if (string.IsNullOrWhiteSpace(wish.Instrument))
            throw new FieldException("instrument", "Name your instrument.");
        if (wish.Family is not { } family)
            throw new FieldException("family", $"\"{wish.Instrument.Trim()}\" is not known by name: say which family it belongs to.");
        if (known is null && family is not Family.Percussion && (wish.Lowest.Length == 0 || wish.Highest.Length == 0))
            throw new FieldException(
                "lowest",
                $"\"{wish.Instrument.Trim()}\" is not known by name: give its lowest and its highest written note, like C4 and C6."
            );
        CheckWeek(wish.WeekdayMinutes, "weekdayMinutes");
        if (wish.Transposition is < -36 or > 36)
            throw new FieldException("transposition", "Written to sounding pitch is -36 to 36 semitones.");
        if (wish.BoundaryHour is < 0 or > 12)
            throw new FieldException("boundaryHour", "A day begins between 0 and 12 o'clock.");
        if (wish.ScaleMinutes is < 0 or > 240)
            throw new FieldException("scaleMinutes", "Scales a day are 0 to 240 minutes.");
        if (wish.UnderWay is < 0 or > 200)
            throw new FieldException("underWay", "Passages under way are 1 to 200 at a time, or 0 for no limit.");
        if (wish.EarCentre is < 48 or > 72)
            throw new FieldException("earCentre", "The ear's centre is a MIDI note from 48 to 72.");
        Problems.Check(Shares.Check(Problems.Whole("shares", wish.Shares ?? Shares.Default)));
        Sound(wish);
    }

    private static void Sound(ProfileWish wish)
    {
        if (wish.A4 is < (int)Tuning.LowestA4 or > (int)Tuning.HighestA4)
            throw new FieldException("a4", "A4 lies between 400 and 480 Hz.");
        Pitch? lowest = null;
        foreach (var (field, text) in new[] { ("lowest", wish.Lowest), ("highest", wish.Highest) })
        {
            if (text.Length == 0)
                continue;
            var pitch = Problems.PitchOf(field, text);
            if (lowest is { } low && low.Midi >= pitch.Midi)
                throw new FieldException(field, $"The range is upside down: {low} is not below {pitch}. Swap them.");
            lowest = pitch;
        }
    }

    private static ProfileView View(ProfileRow row) =>
        new(
            row.Instrument,
            row.Family,
            row.Transposition,
            DayMinutes.WeekOf(row),
            row.BoundaryHour,
            ProfileBooks.SharesOf(row),
            row.School,
            row.Mix,
            row.ScaleMinutes,
            row.EarCentre,
            row.Lowest,
            row.Highest,
            row.A4,
            row.Naming,
            row.Version,
            row.UnderWay
        );
}
