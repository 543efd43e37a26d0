using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Listening;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Technique;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Practice;

namespace TuningFork.Server.Features.Listening;

/// <summary>The thing at hand on the stage, as it is listened to.</summary>
/// <param name="Wish">What is listened for.</param>
/// <param name="MaterialId">What is played; null for nothing with a name.</param>
/// <param name="Name">A sounding note number as the player reads it.</param>
/// <param name="Played">The music, at the pitch at which it sounds.</param>
public sealed record AtHand(
    ListenWish Wish,
    int? MaterialId,
    string TargetKey,
    string Title,
    int? Tempo,
    MethodId Method,
    Func<int, string> Name,
    Music Played
);

/// <summary>Finds what is to be heard of the thing at hand: its notes, its tempo, its beat.</summary>
public sealed class HandReader(PracticeDb db, PlanDesk plans, SessionDesk desk, StageMusic music)
{
    /// <summary>A tempo is taken where none is set: without a click another one is no fault.</summary>
    private const int UsualTempo = 80;

    /// <summary>The thing at hand, or a word about why nothing can be compared.</summary>
    public async Task<(AtHand? Hand, string Word)> OfAsync(Estimate delay, CancellationToken cancel)
    {
        const string nothing = "There are no notes here to compare with. Read or write them in on the page of the piece or the exercise.";
        if (
            await desk.OpenAsync(cancel) is not { } session
            || session.Drills.FirstOrDefault(row => row.Position == session.Current) is not { } row
        )
            return (null, "There is no drill at hand.");
        var drill = SessionDesk.Read(row);
        var cue = SessionDesk.CueOf(row, drill);
        if (cue is not { TargetIndex: >= 0, CountsTakes: true } || drill.Targets[cue.TargetIndex] is not { } target)
            return (null, "No takes are marked in this drill, so none are listened to.");
        if (drill.MethodId == Methods.ThreeAndOne.Id)
            return (null, "The bar that you make up cannot be compared with anything.");
        var profile = await plans.ProfileAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        // On the stage it stands as the player reads it; what is heard is as it sounds.
        var played = (await music.PlayedAsync(target, cue, cancel))?.Each(voice => voice with { ToSounding = instrument.ToSounding });
        if (played is null || WrittenMoment.Of(played) is not { Count: > 1 } written)
            return (null, nothing);
        // A passage stands there by itself; its bars are called as in the piece.
        if (target.FromBar > 1 && played.Lead.Bars[0].Number is null)
            written = [.. written.Select(moment => moment with { Bar = moment.Bar + target.FromBar - 1 })];
        // Of strokes, of notes together and of more than one voice only the beginnings are judged.
        var isGroove = target.Work is { Kind: WorkKind.Groove };
        var isPitched = instrument.IsPitched && !isGroove && played.Voices.Count == 1 && written.All(moment => moment.Midis.Count == 1);
        var material = target.MaterialId is { } id
            ? await db.Materials.AsNoTracking().Include(one => one.Piece).FirstOrDefaultAsync(one => one.Id == id, cancel)
            : null;
        var time = played.Lead.Time;
        var beats = material?.Piece?.BeatsPerBar ?? material?.BeatsPerBar ?? time.Beats;
        var beat = time.Bar.Value / Math.Max(1, beats);
        var tempo = cue.Tempo?.Value;
        return (
            new AtHand(
                new ListenWish(
                    written,
                    60.0 / (tempo ?? UsualTempo) / beat,
                    beat,
                    profile.A4,
                    isPitched,
                    delay,
                    TakesEndpoints.RulesOf(profile),
                    Sustains: instrument.Family is not (Family.Plucked or Family.Keys or Family.Percussion),
                    IsOneWithClick: drill.MethodId == Methods.HalfDensity.Id
                ),
                target.MaterialId,
                target.Key,
                target.Title,
                tempo,
                drill.MethodId,
                midi => NoteNaming.OfSounding(midi, instrument, profile.Naming, played.Lead.Key),
                played
            ),
            WordOf(instrument, isGroove ? played.Lead.Bars.Count : null, isPitched)
        );
    }

    /// <summary>What there is to know before the first note; empty for nothing.</summary>
    /// <param name="grooveBars">Bars of a take of a groove; null for anything else.</param>
    private static string WordOf(Instrument instrument, int? grooveBars, bool isPitched) =>
        grooveBars is { } bars ? $"{Words.Count(bars, "bar")} are one take."
        : instrument.IsPitched && !isPitched ? "Notes together: early and late are heard, pitches are not judged."
        : "";
}
