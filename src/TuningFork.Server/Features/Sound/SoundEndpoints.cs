using System.Text.Json;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Sound;

/// <summary>What the click sounds like.</summary>
public enum ClickVoice
{
    Click,
    Drums,
}

/// <summary>What sounds under the drone's note.</summary>
public enum DroneWith
{
    Alone,
    Fifth,
    MajorThird,
    MinorThird,
}

/// <summary>How click and drone are set; kept for the stage.</summary>
/// <param name="Touches">Each beat by itself, where one was touched.</param>
/// <param name="School">When the click belongs to a drill.</param>
/// <param name="GainStep">Beats a minute by which the tempo changes by itself, 0 for never.</param>
/// <param name="GainBars">Bars after which it changes.</param>
/// <param name="GainTo">Tempo at which it stops changing.</param>
/// <param name="Drone">Written pitch of the drone, "D4"; empty for none.</param>
/// <param name="TuneFirst">Whether the tuning note, or the open strings, sound at the first element of a warm-up.</param>
/// <param name="Just">Pure intervals over the drone rather than equal ones.</param>
public sealed record SoundSettings(
    int Beats = 4,
    IReadOnlyList<int>? Groups = null,
    IReadOnlyList<BeatTouch>? Touches = null,
    int Subdivision = 1,
    ClickOn On = ClickOn.EveryBeat,
    int EveryNthBar = 1,
    int SoundBars = 0,
    int SilentBars = 0,
    int CountInBars = 0,
    ClickVoice Voice = ClickVoice.Click,
    ClickSchool School = ClickSchool.Always,
    int GainStep = 0,
    int GainBars = 4,
    int GainTo = 120,
    string Drone = "C4",
    DroneWith DroneWith = DroneWith.Alone,
    bool Just = true,
    bool DroneWithDrill = false,
    bool TuneFirst = true
);

/// <summary>What is to be heard, computed.</summary>
/// <param name="Touches">Each beat of the bar as it is heard.</param>
/// <param name="DroneHertz">Frequencies of the drone; empty for none.</param>
public sealed record SoundView(
    SoundSettings Settings,
    ClickCycle Cycle,
    IReadOnlyList<BeatTouch> Touches,
    IReadOnlyList<double> DroneHertz,
    string DroneSounds
);

/// <summary>Click and drone over HTTP.</summary>
public static class SoundEndpoints
{
    public static void MapSound(this WebApplication app)
    {
        var group = app.MapGroup("/api/sound").WithTags("Sound");
        group
            .MapGet("", async (PlanDesk desk, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                return View(Read(profile), profile);
            })
            .WithName("GetSound");
        group
            .MapPut("", async (SoundSettings settings, PlanDesk desk, PracticeDb db, CancellationToken cancel) =>
            {
                var profile = await desk.ProfileAsync(cancel);
                var view = View(settings, profile);
                profile.SoundJson = JsonSerializer.Serialize(settings, Bookkeeping.Json);
                await db.SaveChangesAsync(cancel);
                return view;
            })
            .WithName("SetSound");
    }

    internal static SoundSettings Read(ProfileRow profile) =>
        profile.SoundJson.Length == 0
            ? new SoundSettings()
            : JsonSerializer.Deserialize<SoundSettings>(profile.SoundJson, Bookkeeping.Json) ?? new SoundSettings();

    private static SoundView View(SoundSettings settings, ProfileRow profile)
    {
        var wish = new ClickWish
        {
            Beats = settings.Beats,
            Groups = settings.Groups ?? [],
            Touches = settings.Touches ?? [],
            Subdivision = settings.Subdivision,
            On = settings.On,
            EveryNthBar = settings.EveryNthBar,
            SoundBars = settings.SoundBars,
            SilentBars = settings.SilentBars,
        };
        var cycle = ClickCycle.Of(wish, out var problem) ?? throw new FieldException(problem!.Value.Field, problem.Value.Remedy);
        if (settings.CountInBars is < 0 or > 8)
            throw new FieldException("countInBars", "Bars counted in are 0 to 8.");
        if (settings.GainStep is < -20 or > 20 || settings.GainBars is < 1 or > 64 || settings.GainTo is < Bpm.Slowest or > Bpm.Fastest)
            throw new FieldException(
                "gainStep",
                $"A gradual change is -20 to 20 beats a minute every 1 to 64 bars, up or down to {Bpm.Slowest} to {Bpm.Fastest}."
            );
        var (hertz, sounds) = Drone(settings, profile);
        return new SoundView(settings, cycle, ClickCycle.TouchesOf(wish), hertz, sounds);
    }

    /// <summary>The frequencies of a drone, and what it sounds.</summary>
    /// <param name="lowest">Its octave is chosen so that it lies within the twelve semitones from here; null to sound it as written.</param>
    internal static (IReadOnlyList<double> Hertz, string Sounds) Drone(SoundSettings settings, ProfileRow profile, int? lowest = null)
    {
        if (settings.Drone.Trim().Length == 0)
            return ([], "");
        var sounding = Problems.PitchOf("drone", settings.Drone).Near(Interval.OfSemitones(profile.Transposition));
        if (lowest is { } from)
            sounding = sounding with { Octave = sounding.Octave - (int)Math.Floor((sounding.Midi - from) / 12.0) };
        var above = settings.DroneWith switch
        {
            DroneWith.Fifth => 7,
            DroneWith.MajorThird => 4,
            DroneWith.MinorThird => 3,
            _ => 0,
        };
        if (sounding.Midi is < 0 or > 115)
            throw new FieldException("drone", "That drone could not be heard. Take one between C1 and G8.");
        var low = Tuning.Hertz(sounding.Midi, profile.A4);
        var high = settings.Just ? low * Tuning.JustRatio(above) : Tuning.Hertz(sounding.Midi + above, profile.A4);
        return (above == 0 ? [low] : [low, high], $"sounds {sounding.Name.Printed}{sounding.Octave}");
    }
}
