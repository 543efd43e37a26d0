using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Repertoire;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Repertoire;

namespace TuningFork.Server.Features.Practice;

/// <summary>What a session leaves behind when it is closed: what is learnt of the player, and what is to be asked.</summary>
public sealed class SessionEvening(PracticeDb db, PlanDesk plans, MusicDesk music)
{
    /// <summary>Seconds after which a song was played.</summary>
    private const int SongSeconds = 30;

    /// <summary>Looks, at the end, whether the reach of what was played has stopped growing, and learns how the player grows.</summary>
    public async Task LearnAsync(SessionRow session, CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var traits = ProfileBooks.TraitsOf(profile);
        var touched = Touched(session);
        foreach (
            var material in await db
                .Materials.Include(row => row.Piece)
                .Where(row => touched.Contains(row.Id) && row.KeyPlanJson == "")
                .ToListAsync(cancel)
        )
        {
            var visits = await db
                .Visits.AsNoTracking()
                .Where(visit => visit.MaterialId == material.Id && visit.ReachLog != null)
                .OrderByDescending(visit => visit.Day)
                .Take(Core.Tempo.Plateau.Visits)
                .ToListAsync(cancel);
            material.Stuck = ReachBooks.Plateau(material, visits).IsStuck;
            if (visits.Find(visit => visit.Day == session.Day) is { } today)
                traits = VisitBooks.Learnt(material, today, traits);
        }

        profile.TraitsJson = JsonSerializer.Serialize(traits, Bookkeeping.Json);
        await SongsAsync(session, cancel);
    }

    /// <summary>Songs that had their time in the session were played today, also without the page of their own.</summary>
    private async Task SongsAsync(SessionRow session, CancellationToken cancel)
    {
        var played = session
            .Drills.Where(row => row.PlayedSeconds >= SongSeconds)
            .Select(row => SessionViews.SongOf(SessionDesk.Read(row)))
            .OfType<int>()
            .ToList();
        if (played.Count == 0)
            return;
        foreach (var song in await db.Recordings.Where(row => played.Contains(row.Id)).ToListAsync(cancel))
            song.LastPlayed = session.Day;
    }

    /// <summary>The date whose list is to be rated.</summary>
    public Task<DateOnly?> ListAsync(DateOnly day, CancellationToken cancel) => ListEndpoints.ToRateAsync(db, day, cancel);

    /// <summary>
    /// What is to be asked about ratings: of the passages played, where the takes say something else, a few and not every day.
    /// </summary>
    /// <param name="session">The session.</param>
    /// <param name="again">True when the close was sent once more: the questions of that day stand.</param>
    /// <param name="cancel">Cancels.</param>
    public async Task<IReadOnlyList<RatingQuestion>> QuestionsAsync(SessionRow session, bool again, CancellationToken cancel)
    {
        var quiet = session.Day.AddDays(-RatingQuestions.QuietDays);
        var touched = Touched(session);
        var found = new List<RatingQuestion>();
        foreach (
            var row in await db
                .Materials.Include(row => row.Piece)
                .Where(row =>
                    touched.Contains(row.Id)
                    && row.Kind == Core.Practice.MaterialKind.Passage
                    && (again ? row.RatingAsked == session.Day : !(row.RatingAsked > quiet))
                )
                .OrderBy(row => row.Id)
                .ToListAsync(cancel)
        )
        {
            var visits = await db
                .Visits.AsNoTracking()
                .Where(visit => visit.MaterialId == row.Id && visit.Takes > 0)
                .OrderByDescending(visit => visit.Day)
                .Take(RatingQuestions.Most)
                .ToListAsync(cancel);
            visits.Reverse();
            if (
                RatingQuestions.Of(
                    Bookkeeping.ToCore(row, session.Day, row.Piece),
                    [
                        .. visits
                            .Select(visit => VisitBooks.First(visit.Tries))
                            .OfType<Core.Spacing.Try>()
                            .Select(first => new FirstTake(first.Clean, first.Tempo)),
                    ]
                )
                is not { } question
            )
                continue;
            row.RatingAsked = session.Day;
            found.Add(question);
            if (found.Count == RatingQuestions.Most)
                break;
        }

        return found;
    }

    /// <summary>What was played and has no target: asked once, of the piece where it is a passage.</summary>
    /// <param name="session">The session.</param>
    /// <param name="most">Questions, at most.</param>
    /// <param name="again">True when the close was sent once more.</param>
    /// <param name="cancel">Cancels.</param>
    public async Task<IReadOnlyList<TargetQuestion>> TargetsAsync(SessionRow session, int most, bool again, CancellationToken cancel)
    {
        var touched = Touched(session);
        var rows = await db
            .Materials.Include(row => row.Piece)
            .Where(row =>
                touched.Contains(row.Id) && row.Target == null && row.ReachLog != null && (row.Piece == null || row.Piece.Target == null)
            )
            .OrderBy(row => row.Id)
            .ToListAsync(cancel);
        var found = new List<TargetQuestion>();
        foreach (
            var row in rows.DistinctBy(row => row.PieceId ?? row.Id)
                .Where(row => again ? (row.Piece ?? row).RatingAsked == session.Day : (row.Piece ?? row).RatingAsked is null)
                .Take(most)
        )
        {
            var holder = row.Piece ?? row;
            holder.RatingAsked = session.Day;
            found.Add(
                TargetQuestion.Of(
                    Bookkeeping.ToCore(holder, session.Day),
                    Bookkeeping.ToCore(row, session.Day, row.Piece).Reach!.Value,
                    await music.ProposedAsync(holder, cancel)
                )
            );
        }

        return found;
    }

    /// <summary>What had a take in the sitting.</summary>
    private static List<int> Touched(SessionRow session) =>
        [.. session.Drills.SelectMany(drill => drill.Takes).Select(take => take.MaterialId).OfType<int>().Distinct()];
}
