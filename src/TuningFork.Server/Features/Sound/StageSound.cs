using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Technique;

namespace TuningFork.Server.Features.Sound;

/// <summary>What sounds with the thing at hand.</summary>
/// <param name="Click">Its click, or null where it has no tempo.</param>
/// <param name="CountInBars">Bars that are counted in.</param>
/// <param name="DroneHertz">Frequencies of the drone; empty for none.</param>
/// <param name="DroneSounds">What the drone sounds, in words.</param>
/// <param name="DroneStarts">Whether the drone starts with the drill.</param>
/// <param name="Tuning">What the instrument is tuned to; null but for the first element of a warm-up and for parts about tuning.</param>
/// <param name="RecordSeconds">Seconds from the first beat after which a recording of a take ends by itself; null where it does not.</param>
public sealed record StageSoundView(
    DrillClick? Click,
    int CountInBars,
    IReadOnlyList<double> DroneHertz,
    string DroneSounds,
    bool DroneStarts,
    StageTuning? Tuning,
    double? RecordSeconds
);

/// <summary>What the instrument is tuned to, at the first element of the warm-up and wherever tuning is the part.</summary>
/// <param name="Tones">The notes in order, as they sound.</param>
/// <param name="Words">The notes as they sound, as every tuner names them: "G3, D4, A4 and E5".</param>
/// <param name="Starts">Whether they are heard by themselves when the drill begins.</param>
public sealed record StageTuning(IReadOnlyList<Tone> Tones, string Words, bool Starts);

/// <summary>The click in the metre at hand, by the player's school; the drone on the key or the note at hand.</summary>
public sealed class StageSound(PracticeDb db, PlanDesk plans)
{
    private const int CountInBars = 1;
    private const int UsualBeats = 4;

    /// <summary>Each tuning note has so long, and a moment of silence at its end.</summary>
    private const double TuneSeconds = 4;
    private const double TuneGap = 0.5;

    /// <summary>A drone lies between G2 and F♯3 as it sounds: below the player, and not so low that small loudspeakers swallow it.</summary>
    private const int LowestDrone = 43;

    public async Task<StageSoundView> OfAsync(SessionRow session, Drill drill, Cue cue, Target? target, CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var settings = SoundEndpoints.Read(profile);
        // An altered version, or a rung in the warm-up, is no visit of its material and sounds like it all the same.
        var material =
            target is not null && (target.MaterialId ?? MaterialOf(target)) is { } id
                ? await db.Materials.AsNoTracking().Include(row => row.Piece).FirstOrDefaultAsync(row => row.Id == id, cancel)
                : null;
        // A run brings its own click.
        var click = cue is { Tempo: not null, Resting: false, Run: null }
            ? await ClickAsync(session.Day, settings.School, material, cancel)
            : null;
        var starts = drill.Area == Area.WarmUp && (target?.Drone ?? settings.DroneWithDrill);
        var (hertz, sounds) =
            !ProfileBooks.InstrumentOf(profile).IsPitched ? ([], "")
            : (material is null ? null : NoteAtHand(material, target!, cue.Title)) is { } note
                ? SoundEndpoints.Drone(
                    settings with
                    {
                        Drone = note.Pitch,
                        DroneWith = settings.DroneWith == DroneWith.Alone && note.IsKey ? DroneWith.Fifth : settings.DroneWith,
                    },
                    profile,
                    LowestDrone
                )
            : SoundEndpoints.Drone(settings, profile);
        return new StageSoundView(
            // Minutes without a miss go round with the click.
            click is not null
            && cue.Loop?.FromSeconds is not null
                ? click with
                {
                    Starts = true,
                }
                : click,
            CountInBars,
            hertz,
            sounds,
            starts,
            Tuning(session, drill, profile, settings.TuneFirst && !starts),
            target is null
                ? null
                : RecordingLength.Seconds(target, cue, material?.Piece?.BeatsPerBar ?? material?.BeatsPerBar ?? UsualBeats)
        );
    }

    /// <summary>
    /// At the first element of the warm-up, once, and wherever tuning is the part; null elsewhere, and for what is not tuned by the
    /// player.
    /// </summary>
    private static StageTuning? Tuning(SessionRow session, Drill drill, ProfileRow profile, bool starts)
    {
        if (drill.Area != Area.WarmUp)
            return null;
        var isFirst = !session.Drills.Any(row => row.Position < session.Current && row.Area == Area.WarmUp);
        if (!isFirst && !WarmUpPart.IsTuning(drill.Title, drill.How))
            return null;
        var instrument = ProfileBooks.InstrumentOf(profile);
        var notes = TuningNotes.Of(instrument);
        return notes.Count == 0
            ? null
            : new StageTuning(
                [
                    .. notes.Select(
                        (note, i) =>
                            new Tone(
                                Core.Theory.Tuning.Hertz(note.Plus(instrument.ToSounding).Midi, profile.A4),
                                i * TuneSeconds,
                                TuneSeconds - TuneGap
                            )
                    ),
                ],
                Words.List([.. notes.Select(note => note.Plus(instrument.ToSounding)).Select(note => $"{note.Name.Printed}{note.Octave}")]),
                starts && isFirst
            );
    }

    private async Task<DrillClick> ClickAsync(DateOnly day, ClickSchool school, MaterialRow? material, CancellationToken cancel)
    {
        if (material is null)
            return ClickSchools.Of(school, null, UsualBeats, null, 0);
        var visits = school is ClickSchool.Weaning or ClickSchool.NotAtFirst
            ? await db
                .Visits.AsNoTracking()
                .Where(visit => visit.MaterialId == material.Id && visit.Day < day)
                .OrderBy(visit => visit.Day)
                .Select(visit => new { visit.Day, visit.Tries })
                .ToListAsync(cancel)
            : [];
        var step = ClickSchools.WeanStep(
            visits.Select(visit => VisitBooks.First(visit.Tries)).OfType<Core.Spacing.Try>().Select(first => first.Clean)
        );
        return ClickSchools.Of(
            school,
            material.Click,
            material.Piece?.BeatsPerBar ?? material.BeatsPerBar,
            visits.Count > 0 ? day.DayNumber - visits[0].Day.DayNumber : null,
            step
        );
    }

    private static int? MaterialOf(Target target) => TargetKey.Parse(target.Key) is { Kind: TargetKind.Material } key ? key.Id : null;

    /// <summary>The keynote of what is played, or the note of a step; null where neither is known.</summary>
    private static (string Pitch, bool IsKey)? NoteAtHand(MaterialRow material, Target target, string title)
    {
        const string octave = "4";
        if (Key.TryParse(TargetKey.Parse(target.Key).InKey, out var key))
            return (key.Tonic + octave, true);
        if (target.Work is { Kind: WorkKind.Steps } && Pitch.TryParse(Plain(title), out var note))
            return (note.ToString(), false);
        return material.SheetJson.Length > 0 && JsonSerializer.Deserialize<SheetRequest>(material.SheetJson, Bookkeeping.Json) is { } sheet
            ? (sheet.Tonic + octave, true)
            : null;
    }

    /// <summary>The first word of a step with signs as they are typed: "B♭4 to C5" begins with Bb4.</summary>
    private static string Plain(string step) => step.Split(' ')[0].Replace('♯', '#').Replace('♭', 'b');
}
